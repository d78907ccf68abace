"""What a kind of step means at the desk: tool, speed, drying, mess."""

import tomllib
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

#: drying of a metallic coat, minutes; slower than plain acrylic
METALLIC_DRYING = 12.0
#: enamel wash (2 h) and oil (a day), minutes
ENAMEL_DRYING, OIL_DRYING = 120.0, 1440.0
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
    #: how the film model lays it: coat, wash, stain, recess, oil, dabs or varnish
    effect: str = "coat"
    #: share of every zone that dabs touch; empty for what is laid evenly
    cover: tuple[tuple[str, float], ...] = ()
    #: minutes in which it can be lifted or wiped; 0 if it cannot
    window: float = 0.0
    #: minutes in which it must be left alone
    leave: float = 0.0
    #: how the figure dries, if it matters
    pose: str = ""
    #: how the figure is turned and the brush is led
    stroke: str = ""
    #: whether only a repaint undoes it
    irreversible: bool = False

    @property
    def zones(self) -> tuple[str, ...]:
        """The zones it reaches, of ``ZONES``."""
        if self.cover:
            return tuple(zone for zone in ZONES if dict(self.cover).get(zone))
        if self.effect == "recess":
            return ZONES[:1]
        first = {"layer": 2, "highlight": 3, "edge": 4}.get(self.kind, 0)
        return ZONES[first:]

    @property
    def share(self) -> float:
        """Share of the area it touches."""
        cover = dict(self.cover)
        return sum(SHARES[zone] * cover.get(zone, 1.0) for zone in self.zones)

    @property
    def shown(self) -> str:
        """The zone where it shows most."""
        if self.cover:
            return max(self.zones, key=lambda zone: (dict(self.cover)[zone], SHARES[zone]))
        return self.zones[0] if self.effect == "recess" or self.zones[0] != "shade" else "base"


@cache
def techniques() -> dict[str, Technique]:
    """Every technique by its kind."""
    data = tomllib.loads((files(__package__) / "data" / "techniques.toml").read_text(encoding="utf-8"))
    return {kind: _technique(kind, row) for kind, row in data.items() if isinstance(row, dict)}


def _technique(kind: str, row: dict) -> Technique:
    return Technique(kind, **row | {"cover": tuple(row.get("cover", {}).items())})
