"""What every page is given, and the page a form came from."""

from mantello.settings.options import OPTIONS


def way_back(request) -> str:
    """The page a form came from, if it is one of ours; '' if not."""
    given = request.POST.get("next", "")
    return given if given.startswith("/") and not given.startswith("//") and "\\" not in given else ""


def shell(request) -> dict:
    """Whether this is the demo account, and whether mail is kept here."""
    user = getattr(request, "user", None)
    return {
        "is_demo": bool(user and user.is_authenticated and user.is_demo),
        "has_outbox": OPTIONS.mode != "production",
    }
