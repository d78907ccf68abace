"""What was decided, quoted when an edit leaves it."""

from django.utils import timezone

from mantello.rooms.army.models import Army
from mantello_core.design.decision import stands
from mantello_core.design.design import Design


def quote_left(army: Army, before: Design, after: Design) -> list[str]:
    """What was decided that an edit leaves, in sentences."""
    return [
        f"This leaves what was decided on {timezone.localtime(one.made_at):%-d %B %Y}: {one.question} {one.chosen}, because {one.reason}"
        + ("" if one.reversible else " It was said to be final for painted figures.")
        for one in army.decisions.filter(closed_at=None)
        if stands(before, one.about) == one.stood != stands(after, one.about)
    ]
