"""What a kind of step means at the desk: tool, speed, drying, mess."""

from dataclasses import dataclass
from functools import cache

from ..data_table import data_table
from .where import Where

#: drying of a metallic coat, minutes; slower than plain acrylic
METALLIC_DRYING = 12.0
#: enamel wash (2 h) and oil (a day), minutes
ENAMEL_DRYING, OIL_DRYING = 120.0, 1440.0


#: where what goes anywhere goes
EVERYWHERE = Where("all")


@dataclass(frozen=True)
class Technique:
    """Starting values of one kind of step; estimates until the log replaces them."""

    kind: str
    verb: str
    tool: str
    #: what the hand does: fill, layer, wash, stain, oil, edge, line, pin, dot, dry, dab, can or spray
    work: str
    #: minutes until the next step may touch it
    drying: float
    #: order of mess: 0 is messiest and wants to come first
    mess: int
    #: where it goes, in words
    where: str
    #: how the film model lays it: coat, wash, stain, recess, oil, dabs or varnish
    effect: str = "coat"
    #: the place it goes, where nothing else is said
    goes: Where = EVERYWHERE
    #: share of that place which dabs touch
    density: float = 1.0
    #: share of the area that the hand goes over
    painted: float = 1.0
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


@cache
def techniques() -> dict[str, Technique]:
    """Every technique by its kind."""
    data = data_table(__package__, "techniques")
    return {kind: _technique(kind, row) for kind, row in data.items() if isinstance(row, dict)}


def _technique(kind: str, row: dict) -> Technique:
    return Technique(kind, **row | {"goes": Where(**row.get("goes", {"place": "all"}))})
