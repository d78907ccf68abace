"""Fresh paint on the desk: what is still wet, until when it can be lifted, and from when it may be judged."""

from dataclasses import dataclass
from datetime import datetime, timedelta

from django.utils import timezone

from mantello.record.log import Line
from mantello.workspace.reading import Reading
from mantello_core.advice.waiting import Waits, waits_of
from mantello_core.recipes.step import Step

from .evening import Evening


@dataclass(frozen=True)
class Fresh:
    """One entry of the log that is not dry yet."""

    entry: Line
    #: when it is dry
    dry: datetime
    #: until when pools can be lifted, until when it must be left alone, from when it may be judged; None where that is over
    lift: datetime | None
    leave: datetime | None
    judge: datetime | None
    #: from when varnish and other solvents do it no harm
    cured: datetime | None


def fresh_paint(evening: Evening) -> list[Fresh]:
    """What is still wet, the first to dry first."""
    found = []
    for dry, entry in evening.still_drying():
        step = _step(evening.reading, entry)
        waits = waits_of(step) if step else Waits(0.0, 0.0, 0.0, 0.0)
        found.append(
            Fresh(
                entry,
                dry,
                *(_then(evening, entry, minutes) for minutes in (waits.lift, waits.leave, waits.judge, waits.cured)),
            )
        )
    return found


def _then(evening: Evening, entry: Line, minutes: float) -> datetime | None:
    moment = timezone.localtime(entry.done_at + timedelta(minutes=minutes))
    return moment if minutes and moment > evening.now else None


def _step(reading: Reading, entry: Line) -> Step | None:
    """The step of a role's recipe that an entry is of; None where it is of other work, or not in the recipe any more."""
    role = reading.design.scheme.role_by_id.get(entry.subject.role)
    nodes = reading.design.army.nodes
    rank = next((one for one in nodes[entry.unit].ranks if one.id == entry.rank), None) if entry.unit in nodes else None
    if role is None or rank is None:
        return None
    id_ = entry.step.partition("~")[0]
    return next((step for step in role.recipe(rank.tier).steps if step.id == id_), None)
