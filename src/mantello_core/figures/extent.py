"""What of a figure a brush goes over: surface, edges, seams, lines, corners, pieces."""

from collections.abc import Iterable
from dataclasses import dataclass, fields
from operator import attrgetter

#: how far an edge faces up, -1 to 1, that takes light from above, and that takes the sharpest light
EXPOSED, SHARP = -0.1, 0.45
#: how much a face must look up to count as facing up, the same way
UPWARD = 0.5


@dataclass(frozen=True)
class Extent:
    """One or more areas together; mm and mm²."""

    surface_mm2: float
    #: edges that stand over what is beneath; of that, level or facing up, and facing up
    free_mm: float
    exposed_mm: float
    sharp_mm: float
    #: seams that something raised lies in, and drawn lines
    foot_mm: float
    line_mm: float
    corners: int
    #: pieces that a brush has to find one by one
    pieces: int
    #: how wide there is room for a brush, the mean by surface
    room_mm: float
    #: of the surface, what is the rim of a base, which is turned against the brush
    rim_mm2: float = 0.0
    #: lenses and gems, each of which is painted value by value
    lenses: int = 0
    #: of the surface, what was measured in space rather than estimated; of that, what lies in recesses and what faces up
    measured_mm2: float = 0.0
    recess_mm2: float = 0.0
    upward_mm2: float = 0.0

    def of_size(self, size: float) -> "Extent":
        """The same on a figure ``size`` times as tall: surfaces by its square, lengths by it."""
        return Extent(
            self.surface_mm2 * size * size, self.free_mm * size, self.exposed_mm * size, self.sharp_mm * size,
            self.foot_mm * size, self.line_mm * size, self.corners, self.pieces, self.room_mm * size,
            self.rim_mm2 * size * size, self.lenses, self.measured_mm2 * size * size, self.recess_mm2 * size * size,
            self.upward_mm2 * size * size,
        )  # fmt: skip

    def of_share(self, share: float) -> "Extent":
        """So much of it, 0 to 1; or so many of it."""
        return Extent(
            self.surface_mm2 * share, self.free_mm * share, self.exposed_mm * share, self.sharp_mm * share,
            self.foot_mm * share, self.line_mm * share, self.corners, self.pieces, self.room_mm, self.rim_mm2 * share,
            self.lenses, self.measured_mm2 * share, self.recess_mm2 * share, self.upward_mm2 * share,
        )  # fmt: skip


_NAMES = tuple(one.name for one in fields(Extent))
_VALUES = attrgetter(*_NAMES)
#: no area at all
NOTHING = Extent(0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0, 0, 1.0)


def united(extents: Iterable[Extent]) -> Extent:
    """Areas added up; room is their mean by surface."""
    found = tuple(extents)
    if not found:
        return NOTHING
    surface = sum(one.surface_mm2 for one in found)
    room = sum(one.room_mm * one.surface_mm2 for one in found) / surface if surface else found[0].room_mm
    added = dict(zip(_NAMES, map(sum, zip(*map(_VALUES, found), strict=True)), strict=True))
    return Extent(**added | {"room_mm": room})
