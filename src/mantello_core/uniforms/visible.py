"""What can be seen of a garment's colour at a figure's size and a distance, and what would help."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from ..colour.acuity import SEEN, seen_differences
from ..colour.difference import differences
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
    return _sights([(garment, mark, ground)], height, metres, plate_mm)[0]


def sights(marks: Iterable[tuple[str, Lab, Lab]], height: float, metres: float) -> dict[tuple[str, Lab, Lab], Sight]:
    """How many garments are seen, each of a colour beside another: as ``sighted`` tells one."""
    asked = list(dict.fromkeys(marks))
    return dict(zip(asked, _sights(asked, height, metres) if asked else (), strict=True))


def _sights(
    marks: list[tuple[str, Lab, Lab]], height: float, metres: float, plate_mm: float | None = None
) -> list[Sight]:
    own, beside = (np.array([mark[at] for mark in marks]) for at in (1, 2))
    widths = np.array([model_width(garment, height, plate_mm) for garment, _, _ in marks])
    left, needed = seen_differences(own, beside, widths, metres), _widths_for(own, beside, metres)
    found = []
    for (garment, _, _), width, kept, need in zip(marks, widths.tolist(), left.tolist(), needed, strict=True):
        verdict = "reads" if kept >= READS else "tints" if kept >= SEEN else "gone"
        wider = None if need is None else max(1.0, max(need, BRUSH) / width)
        found.append(Sight(garment, width, kept, verdict, wider, _advice(verdict, width, wider)))
    return found


def _advice(verdict: str, width: float, wider: float | None) -> str:
    if verdict == "reads":
        return "as it is" if width >= BRUSH else f"thinner than a brush draws: make it {BRUSH:g} mm"
    if wider is None:
        return "too like what is beside it at any size: lighten the one or darken the other"
    if wider <= MOST_WIDER:
        return f"paint it {wider:.1f} times as wide ({width * wider:.1f} mm)"
    return "leave it out, or carry its colour on something larger (plume, base rim)"


def _widths_for(ones: np.ndarray, others: np.ndarray, metres: float) -> list[float | None]:
    """For every pair of colours, (n, 3), the least width in mm at which the difference still reads; None if it never does."""
    low, high = np.zeros(len(ones)), np.full(len(ones), _WIDEST)
    for _ in range(_HALVINGS):
        middle = (low + high) / 2
        reads = seen_differences(ones, others, middle, metres) >= READS
        low, high = np.where(reads, low, middle), np.where(reads, middle, high)
    never = differences(ones, others) < READS
    return [None if none else width for none, width in zip(never.tolist(), high.tolist(), strict=True)]
