"""What was decided, quoted when an edit leaves it."""

from django.utils import timezone

from mantello.workspace.models import Army, Edition
from mantello.workspace.readings import reading_of
from mantello_core.design.decision import stands


def quote_left(army: Army, before: Edition, after: Edition, **_) -> list[str]:
    """What was decided that an edit leaves, in sentences."""
    held = list(army.decisions.filter(closed_at=None))
    if not held:
        return []
    was, now = reading_of(before).design, reading_of(after).design
    return [
        f"This leaves what was decided on {timezone.localtime(one.made_at):%-d %B %Y}: {one.question} {one.chosen}, because {one.reason}"
        + ("" if one.reversible else " It was said to be final for painted figures.")
        for one in held
        if stands(was, one.about) == one.stood != stands(now, one.about)
    ]
