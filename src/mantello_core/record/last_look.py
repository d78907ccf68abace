"""The last look at a finished figure: its areas in the order in which they tend to be forgotten."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..figures.plate import Plate
from ..figures.vocabulary import group_of, sideless, spoken
from ..scheme.cascade import FigureClass

#: what is forgotten more than its size tells, as a last or middle step of a name
FORGOTTEN = {
    "strap": 2.0, "sling": 2.0, "pouch": 1.6, "knife": 1.6, "scabbard": 1.4, "buckle": 1.8, "button": 1.4, "buttons": 1.4,
    "hair": 1.6, "ears": 1.8, "moustache": 1.3, "lining": 1.6, "hand": 1.4, "rim": 1.5, "sole": 1.5, "back": 1.5, "girth": 1.6,
    "garter": 1.5, "cord": 1.5, "rings": 1.5, "queue": 1.7, "stock": 1.2,
}  # fmt: skip
#: an area of so many mm² is as easily forgotten as not
_SMALL = 6.0
#: what being seen only from behind adds, and what having been missed once does
_BEHIND, _MISSED = 1.8, 2.5


@dataclass(frozen=True)
class Look:
    """One area to look at: where it shows, and how readily it is forgotten."""

    area: str
    role: str
    #: names of the views that show it
    views: tuple[str, ...]
    #: 1 for an area that nobody forgets
    weight: float
    #: how often it was found missing before
    missed: int

    @property
    def words(self) -> str:
        """As in 'Left cuff buttons'."""
        return spoken(self.area)


def last_look(one: FigureClass, missed: Mapping[str, int], most: int = 0) -> tuple[Look, ...]:
    """Areas of a class of figures, what tends to be forgotten first: what was missed before, what is small, what only
    the back shows, and straps, buckles, hair and the like.

    missed: how often an area was found missing, by its name without sides. most: so many areas, all if 0. Estimates.
    """
    found = [
        _look(one.plate, name, cell.role, missed.get(sideless(name), 0))
        for name, cell in one.cells.items()
        if cell.role
    ]
    ranked = sorted(found, key=lambda look: (-look.weight, look.area))
    return tuple(ranked[:most] if most else ranked)


def _look(plate: Plate, name: str, role: str, missed: int) -> Look:
    area = plate.areas[name]
    views = tuple(view.name for view in plate.views if any(seen.area == name for seen in view.areas))
    weight = 1.0 + _SMALL / (_SMALL + area.mm2)
    weight *= max((FORGOTTEN.get(step, 1.0) for step in name.split(".")), default=1.0)
    if views and plate.views[0].name not in views:
        weight *= _BEHIND
    if group_of(name) == "Base":
        weight *= 0.8
    return Look(name, role, views, weight * (1 + _MISSED * missed), missed)
