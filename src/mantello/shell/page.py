"""What every page is given."""

from mantello.settings.options import OPTIONS


def shell(request) -> dict:
    """Whether this is the demo account, and whether mail is kept here."""
    user = getattr(request, "user", None)
    return {
        "is_demo": bool(user and user.is_authenticated and user.is_demo),
        "has_outbox": OPTIONS.mode != "production",
    }
