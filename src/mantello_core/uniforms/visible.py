"""What can be seen of a garment's colour at a figure's size and a distance, and what would help."""

from dataclasses import dataclass

from ..colour.acuity import SEEN, seen_difference
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..memory import remembered
from .garments import garments

#: mm from sole to eyes of a grown person, and the height that plates are drawn at
PERSON, DRAWN = 1650.0, 28.0
#: CIEDE2000 that has to be left for a mark to read
READS = 12.0
#: how much wider than life sculptors make small things, up to a figure height in mm; a default, unmeasured
_SCULPTED = ((8, 2.2), (12, 1.8), (20, 1.5), (36, 1.3), (80, 1.1))
#: most that a mark may be widened before it looks wrong; the narrowest line a brush draws, mm
MOST_WIDER, BRUSH = 3.0, 0.25
_WIDEST, _HALVINGS = 60.0, 40


@dataclass(frozen=True)
class Sight:
    """How one mark is seen. verdict: reads, tints, gone; wider: the factor it has to be widened by, None if none helps."""

    garment: str
    mm: float
    left: float
    verdict: str
    wider: float | None
    advice: str


def model_width(garment: str, height: float, plate_mm: float | None = None) -> float:
    """Width of a garment on the model, mm: the plate's own, else life size scaled and exaggerated as sculptors do.

    height: of the figure to the eyes, mm. plate_mm: as drawn at 28 mm.
    """
    if plate_mm is not None:
        return plate_mm * height / DRAWN
    sculpted = next((factor for most, factor in _SCULPTED if height <= most), 1.0)
    return garments()[garment].mm * height / PERSON * sculpted


@remembered(4_000)
def sighted(garment: str, mark: Lab, ground: Lab, height: float, metres: float, plate_mm: float | None = None) -> Sight:
    """How a garment of a colour beside another is seen.

    >>> sighted("cuff", Lab(40, 50, 28), Lab(19, 2, -14), 28, 1.2).verdict
    'reads'
    >>> sighted("piping", Lab(89, 0, 7), Lab(19, 2, -14), 6, 1.2).verdict
    'gone'
    """
    width = model_width(garment, height, plate_mm)
    left = seen_difference(mark, ground, width, metres)
    verdict = "reads" if left >= READS else "tints" if left >= SEEN else "gone"
    need = _width_for(mark, ground, metres)
    wider = None if need is None else max(1.0, max(need, BRUSH) / width)
    return Sight(garment, width, left, verdict, wider, _advice(verdict, width, wider))


def _advice(verdict: str, width: float, wider: float | None) -> str:
    if verdict == "reads":
        return "as it is" if width >= BRUSH else f"thinner than a brush draws: make it {BRUSH:g} mm"
    if wider is None:
        return "too like what is beside it at any size: lighten the one or darken the other"
    if wider <= MOST_WIDER:
        return f"paint it {wider:.1f} times as wide ({width * wider:.1f} mm)"
    return "leave it out, or carry its colour on something larger (plume, base rim)"


def _width_for(one: Lab, other: Lab, metres: float) -> float | None:
    """The least width in mm at which the difference still reads; None if it never does."""
    if difference(one, other) < READS:
        return None
    low, high = 0.0, _WIDEST
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        low, high = (low, middle) if seen_difference(one, other, middle, metres) >= READS else (middle, high)
    return high
