"""How arms look in the chosen paints: each piece against what it lies on, from a distance."""

from collections.abc import Callable
from dataclasses import dataclass

from ...colour.acuity import seen_difference
from ...colour.spaces import Lab
from .arms_drawing import ArmsDrawing

#: CIEDE2000 that must be left of a piece against its ground to be read, and L* that does it by itself
READ, LIGHT_STEP = 10.0, 30.0


@dataclass(frozen=True)
class Contrast:
    """One piece on its ground: L* between them, and what a distance leaves of their difference (CIEDE2000)."""

    of: str
    tincture: str
    ground: str
    step: float
    left: float

    @property
    def reads(self) -> bool:
        """Whether it is read across the distance."""
        return self.left >= READ


def contrasts(
    drawing: ArmsDrawing, colour_of: Callable[[str], Lab], width_mm: float, metres: float
) -> tuple[Contrast, ...]:
    """Every kind of piece against the tincture it mostly lies on, the faintest first.

    colour_of: a tincture's apparent colour; furs by the middle of what they are made of. A piece counts as a patch as
    wide as the square of its area.
    """
    scale = drawing.scale(width_mm)
    found: dict[tuple[str, str], Contrast] = {}
    for piece, ground in drawing.lying:
        one, other = colour_of(piece.tincture), colour_of(ground)
        wide = max(0.05, piece.shape.area**0.5 * scale)
        left = seen_difference(one, other, wide, metres)
        key = piece.of, piece.tincture
        if key not in found or left < found[key].left:
            found[key] = Contrast(piece.of, piece.tincture, ground, abs(one.lightness - other.lightness), left)
    return tuple(sorted(found.values(), key=lambda one: one.left))
