"""What a kind of step means at the desk: tool, speed, drying, mess."""

import tomllib
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

#: drying of a metallic coat, minutes; slower than plain acrylic
METALLIC_DRYING = 12.0
#: enamel wash, minutes (2 h)
ENAMEL_DRYING = 120.0
#: the five zones of an area, deepest first, and the share of it each takes on the finished figure
ZONES = ("shade", "base", "layer", "highlight", "edge")
SHARES = {"shade": 0.20, "base": 0.55, "layer": 0.15, "highlight": 0.08, "edge": 0.02}


@dataclass(frozen=True)
class Technique:
    """Starting values of one kind of step; estimates until the log replaces them."""

    kind: str
    verb: str
    tool: str
    #: mm² of painted surface per second
    rate: float
    #: seconds per figure and coat besides brushing
    handling: float
    #: minutes until the next step may touch it
    drying: float
    #: order of mess: 0 is messiest and wants to come first
    mess: int
    #: where it goes, in words
    where: str

    @property
    def zones(self) -> tuple[str, ...]:
        """The zones it lays an even coat on, of ``ZONES``."""
        first = {"layer": 2, "highlight": 3, "drybrush": 3, "edge": 4}.get(self.kind, 0)
        return ZONES[first:]

    @property
    def share(self) -> float:
        """Share of the area it touches."""
        return sum(SHARES[zone] for zone in self.zones)


@cache
def techniques() -> dict[str, Technique]:
    """Every technique by its kind."""
    data = tomllib.loads((files(__package__) / "data" / "techniques.toml").read_text(encoding="utf-8"))
    return {kind: Technique(kind, **row) for kind, row in data.items() if isinstance(row, dict)}
