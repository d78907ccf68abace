"""Whether painted figures match: readings of one colour compared over units."""

from collections.abc import Iterable
from dataclasses import dataclass
from itertools import combinations

from ..colour.difference import difference
from ..colour.spaces import Lab

#: CIEDE2000 up to which units look painted from one pot
MATCHES = 3.0


@dataclass(frozen=True)
class Evenness:
    """All readings of one role."""

    role: str
    count: int
    mean: Lab
    #: the two units whose means lie farthest apart, and by how much; '' where one unit alone was read
    one: str
    other: str
    apart: float

    @property
    def matches(self) -> bool:
        """Whether all units look painted from one pot."""
        return self.apart <= MATCHES


def evenness(readings: Iterable[tuple[str, str, Lab]]) -> tuple[Evenness, ...]:
    """Readings (role, unit, colour) by role, the least even first. Means are of CIELAB values, since they lie close."""
    found: dict[str, dict[str, list[Lab]]] = {}
    for role, unit, colour in readings:
        found.setdefault(role, {}).setdefault(unit, []).append(colour)
    rows = []
    for role, units in found.items():
        means = {unit: mean_of(colours) for unit, colours in units.items()}
        pairs = [(difference(means[one], means[other]), one, other) for one, other in combinations(sorted(means), 2)]
        apart, one, other = max(pairs, default=(0.0, "", ""))
        every = [colour for colours in units.values() for colour in colours]
        rows.append(Evenness(role, len(every), mean_of(every), one, other, apart))
    return tuple(sorted(rows, key=lambda row: (-row.apart, row.role)))


def mean_of(colours: list[Lab]) -> Lab:
    """The mean of readings that lie close together; at least one."""
    return Lab(*(sum(values) / len(colours) for values in zip(*colours, strict=True)))
