"""Minutes as planned against minutes as logged."""

from collections.abc import Iterable
from dataclasses import dataclass

from mantello.workspace.models import Army
from mantello_core.planning.done import step_of


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
    return step_of(step).rstrip("0123456789-")


def kinds_of(army: Army) -> list[Pace]:
    """The pace for every kind of step that was timed."""
    timed = army.entries.standing().exclude(minutes=None)
    return _by_kind(timed.values_list("step", "minutes", "planned_minutes"))


def dryings_of(army: Army) -> list[Pace]:
    """How long every kind of step really dried, where that was told, in minutes; planned as it was counted on."""
    told = army.entries.standing().exclude(dried=None)
    return _by_kind(told.values_list("step", "dried", "drying"))


def _by_kind(rows: Iterable[tuple[str, float, float]]) -> list[Pace]:
    """Rows (step, real minutes, planned minutes) summed by kind of step."""
    found: dict[str, list[float]] = {}
    for step, minutes, planned in rows:
        sums = found.setdefault(kind_of(step), [0.0, 0.0, 0])
        sums[0] += minutes
        sums[1] += planned
        sums[2] += 1
    return [Pace(kind.capitalize(), *sums) for kind, sums in sorted(found.items())]


def total_minutes(army: Army) -> float:
    """All logged minutes; where unknown, the planned ones."""
    rows = army.entries.standing().values_list("minutes", "planned_minutes")
    return sum(planned if minutes is None else minutes for minutes, planned in rows)
