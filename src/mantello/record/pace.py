"""Minutes as planned against minutes as logged."""

from collections.abc import Iterable
from dataclasses import dataclass

from .log import Log, kind_of


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


def kinds_of(log: Log) -> list[Pace]:
    """The pace for every kind of step that was timed."""
    return _by_kind((one.step, one.minutes, one.planned_minutes) for one in log.lines if one.minutes is not None)


def dryings_of(log: Log) -> list[Pace]:
    """How long every kind of step really dried, where that was told, in minutes; planned as it was counted on."""
    return _by_kind((one.step, one.dried, one.drying) for one in log.lines if one.dried is not None)


def _by_kind(rows: Iterable[tuple[str, float, float]]) -> list[Pace]:
    """Rows (step, real minutes, planned minutes) summed by kind of step."""
    found: dict[str, list[float]] = {}
    for step, minutes, planned in rows:
        sums = found.setdefault(kind_of(step), [0.0, 0.0, 0])
        sums[0] += minutes
        sums[1] += planned
        sums[2] += 1
    return [Pace(kind.capitalize(), *sums) for kind, sums in sorted(found.items())]


def total_minutes(log: Log) -> float:
    """All logged minutes; where unknown, the planned ones."""
    return sum(one.spent for one in log.lines)
