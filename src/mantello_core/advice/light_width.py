"""How wide every step of light is on the figure: nested bands, each half the one before, the last mere points."""

from dataclasses import dataclass

from ..colour.acuity import blur_millimetres
from ..errors import OutOfRange
from ..recipes.step import Recipe, Step

#: kinds of step that lay light as bands or lines, and the widest that the first is on a 28 mm figure, mm
LIGHTS = ("layer", "highlight", "edge", "dot")
FIRST_MM, DRAWN_MM = 1.6, 28.0
#: tangent of one minute of arc: what is just seen is 0.29 mm wide at one metre
MINUTE = 0.000290888
#: the finest line a brush draws, mm
FINEST_BRUSH = 0.2
#: brush numbers by the width they draw well, mm
_BRUSHES = (
    (0.25, "the finest tip, size 000"),
    (0.5, "a sharp tip, size 0"),
    (1.0, "a round brush, size 1"),
    (99.0, "a round brush, size 2"),
)


@dataclass(frozen=True)
class Rung:
    """One step of light on the figure."""

    step: Step
    #: mm on the figure
    width: float
    brush: str
    #: narrower than the eye tells apart at the distance: it is seen only blended with its neighbour
    lost: bool
    #: narrower than any brush draws
    too_fine: bool


def ladder(recipe: Recipe, height: float = DRAWN_MM, metres: float = 1.2) -> tuple[Rung, ...]:
    """The steps of light with their widths, the broadest first.

    height: of the figure from sole to crown, mm; metres: distance it is seen from. The first is 1.6 mm on 28 mm,
    never narrower than one minute of arc; each lies inside the one before and is half as wide.
    Raises: OutOfRange unless height is 2 to 200 mm and the distance 0.05 to 20 m.
    """
    if not 2 <= height <= 200:
        raise OutOfRange(f"A figure of {height:g} mm; allowed is 2 to 200.", "height")
    if not 0.05 <= metres <= 20:
        raise OutOfRange(f"A distance of {metres:g} m; allowed is 0.05 to 20.", "metres")
    least = smallest_seen(metres)
    width = max(FIRST_MM * height / DRAWN_MM, least)
    found = []
    for step in (one for one in recipe.steps if one.kind in LIGHTS and not one.relays):
        brush = next(name for most, name in _BRUSHES if width <= most)
        found.append(Rung(step, width, brush, width < least, width < FINEST_BRUSH))
        width /= 2
    return tuple(found)


def smallest_seen(metres: float) -> float:
    """Width of the smallest mark that is seen at a distance, mm: one minute of arc."""
    return metres * 1000 * MINUTE


def blended_from(metres: float) -> float:
    """Width below which neighbouring lights run into each other, mm."""
    return 2 * blur_millimetres(metres)
