"""Minutes as planned against minutes as logged."""

from dataclasses import dataclass
from datetime import datetime

from mantello.rooms.army.models import Army
from mantello_core.planning.drying import DRYING


@dataclass(frozen=True)
class Pace:
    """One kind of step: how the painter's minutes compare with the plan's."""

    kind: str
    minutes: float
    planned: float
    entries: int

    @property
    def factor(self) -> float:
        """Logged over planned; 1 is as planned."""
        return self.minutes / self.planned if self.planned else 1.0


def kind_of(step: str) -> str:
    """The kind of step that an id stands for: 'base-2' is a base."""
    return step.rstrip("0123456789-")


def kinds_of(army: Army) -> list[Pace]:
    """The pace for every kind of step that was timed."""
    found: dict[str, list[float]] = {}
    for step, minutes, planned in (
        army.entries.standing().exclude(minutes=None).values_list("step", "minutes", "planned_minutes")
    ):
        sums = found.setdefault(kind_of(step), [0.0, 0.0, 0])
        sums[0] += minutes
        sums[1] += planned
        sums[2] += 1
    return [Pace(kind.capitalize(), *sums) for kind, sums in sorted(found.items())]


def timed_before(army: Army, moment: datetime, painter: str = "") -> tuple[tuple[str, float, float], ...]:
    """(kind, logged, planned minutes) of every entry of a painter that was timed before a moment."""
    rows = army.entries.standing().exclude(minutes=None).filter(done_at__lt=moment, painter=painter)
    return tuple(
        (kind_of(step), minutes, planned)
        for step, minutes, planned in rows.values_list("step", "minutes", "planned_minutes")
    )


def dried_before(army: Army, moment: datetime, painter: str = "") -> tuple[tuple[str, float, float], ...]:
    """(kind under ``DRYING``, minutes after which it was found dry, minutes planned) of entries before a moment."""
    rows = army.entries.standing().exclude(dried=None).filter(done_at__lt=moment, painter=painter, drying__gt=0)
    return tuple(
        (f"{DRYING}{kind_of(step)}", dried, drying)
        for step, dried, drying in rows.values_list("step", "dried", "drying")
    )


def total_minutes(army: Army) -> float:
    """All logged minutes; where unknown, the planned ones."""
    rows = army.entries.standing().values_list("minutes", "planned_minutes")
    return sum(planned if minutes is None else minutes for minutes, planned in rows)
