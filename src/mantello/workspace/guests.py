"""Painters who are invited to another's army: what they may do there, and as whom."""

from mantello.shell.refusal import NotOwner

from .models import Army, Member

#: addresses that change something and are a guest's too: what they paint, and what they note of it
GUESTS_MAY = frozenset((
    "desk-done", "desk-back", "confirm-cautions", "choose-painter", "remake", "put-right", "change-entry", "found-dry", "keep-photo",
    "remove-photo", "keep-look", "log-elsewhere", "measure", "start-search", "moved-lanes", "stop-job", "set-currency",
))  # fmt: skip


def guest_as(army: Army, user) -> Member | None:
    """The membership of a visitor who is no owner of an army; None for the owner."""
    return None if army.owner_id == user.pk else army.members.filter(user=user).first()


def refuse_guests(request, army: Army) -> None:
    """Let the owner do everything, and guests what is theirs.

    Raises: NotOwner.
    """
    if request.method != "POST" or army.owner_id == request.user.pk:
        return
    if request.resolver_match.url_name not in GUESTS_MAY:
        raise NotOwner(
            army,
            f"Only {army.owner.called} changes this army. You log what you paint of it, and can copy it to change a copy.",
        )
