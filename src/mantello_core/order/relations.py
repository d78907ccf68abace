"""How the areas of a figure lie to each other: what touches, lies on, surrounds or lies deeper."""

from dataclasses import dataclass
from functools import cached_property
from types import MappingProxyType

from ..figures.plate import Plate
from ..figures.vocabulary import group_of
from ..memory import remembered

#: mm of seam from which two areas touch for a brush
_TOUCHING = 0.3
#: share of an area's outline from which what it touches surrounds it
_AROUND = 0.6
#: how much higher what lies on another is stacked; how much deeper what is cut in by its neighbour
_ABOVE, _DEEPER = 5.0, 50.0
TOUCH, ON, AROUND, DEEPER = 1, 2, 4, 8


@dataclass(frozen=True, eq=False)
class Relations:
    """Pairs of areas of one plate that touch: (one, two) to what two is to one, as a sum of the flags."""

    pairs: MappingProxyType
    #: area to those it touches
    beside: MappingProxyType
    #: area to all areas that are in the hand with it: of the same part, where parts are kept apart
    together: MappingProxyType

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept; the names are the plate's."""
        return 100 * len(self.pairs) + 300 * len(self.beside)

    @cached_property
    def bits(self) -> dict[str, int]:
        """A bit of its own for every area."""
        return {area: 1 << at for at, area in enumerate(self.beside)}

    @cached_property
    def _lying(self) -> dict[int, tuple[dict[str, int], dict[str, int]]]:
        """By flag, for every area: the bits of those that are it to the area, and of those to which the area is it."""
        found = {
            flag: (dict.fromkeys(self.beside, 0), dict.fromkeys(self.beside, 0)) for flag in (TOUCH, ON, AROUND, DEEPER)
        }
        bits = self.bits
        for (one, two), flags in self.pairs.items():
            for flag, (forth, back) in found.items():
                if flags & flag:
                    forth[one] |= bits[two]
                    back[two] |= bits[one]
        return found

    def lying(self, areas: frozenset[str], flag: int) -> tuple[int, int]:
        """The bits of the areas that are ``flag`` to any of these, and of those to which any of these is it.

        So two is TOUCH or AROUND to one where its bits meet the first; and ON or DEEPER where they meet the first and not the
        second: if on balance it is not the other way.
        """
        forth, back = self._lying[flag]
        here = there = 0
        for area in areas:
            here |= forth[area]
            there |= back[area]
        return here, there

    def with_(self, areas: frozenset[str]) -> frozenset[str]:
        """All areas that are in the hand with any of these."""
        return frozenset().union(*(self.together[area] for area in areas))

    def touching(self, areas: frozenset[str]) -> frozenset[str]:
        """Areas that any of these touches, without themselves."""
        return frozenset().union(*(self.beside[area] for area in areas)) - areas


@remembered(2_000)
def relations_of(plate: Plate, apart: tuple[str, ...] = ()) -> Relations:
    """The relations of all areas of a plate, from its seams, heights and names.

    apart: groups of parts that are painted loose; what is loose touches nothing of the rest.

    An area lies on one it touches if it is stacked higher and is the smaller one, or if its name is the other's with a
    further step, such as a coat's lapel; a line round most of its outline surrounds it.
    """
    found = {}
    areas = plate.areas
    outline = {name: sum(beside.values()) for name, beside in plate.neighbours.items()}
    for view in plate.views:
        for seen in view.areas:
            outline[seen.area] += seen.rim_mm
    beside_of: dict[str, set[str]] = {name: set() for name in areas}
    loose = {name: group_of(name) if group_of(name) in apart else "" for name in areas}
    for one, beside in plate.neighbours.items():
        for two, length in beside.items():
            if length < _TOUCHING or loose[one] != loose[two]:
                continue
            low, high = areas[one], areas[two]
            flags = TOUCH
            rise = high.z - low.z
            if two.startswith(f"{one}.") or (rise >= _ABOVE and high.surface_mm2 < low.surface_mm2):
                flags |= ON
            rim = outline[two]
            if rim and length / rim >= _AROUND and high.surface_mm2 < low.surface_mm2:
                flags |= AROUND
            if rise >= _DEEPER:
                flags |= DEEPER
            found[one, two] = flags
            beside_of[one].add(two)
    beside = {name: frozenset(others) for name, others in beside_of.items()}
    parts: dict[str, set[str]] = {}
    for name, part in loose.items():
        parts.setdefault(part, set()).add(name)
    held = {part: frozenset(names) for part, names in parts.items()}
    together = {name: held[part] for name, part in loose.items()}
    return Relations(MappingProxyType(found), MappingProxyType(beside), MappingProxyType(together))
