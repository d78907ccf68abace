"""How some areas are formed beside the usual figure: more edges or fewer, more seams, more that faces up.

Source: docs/methods/places.md, 'A role's own areas'.
"""

import math
from dataclasses import dataclass

import numpy as np

from ..memory import remembered
from .extent import SHARP, UPWARD, Extent
from .sample import Sample

#: mm from an edge or seam within which a point counts as at it
NEAR_MM = 0.3
#: depth from which a point lies in a recess, and mm from a corner within which every edge is sharp
RECESSED, AT_CORNER = 0.12, 0.3
#: of the usual figure's surface, what lies near an edge, of that near a sharp one, near a seam or drawn line: by the edges
#: and seams of the shipped figures that it is made of
USUAL_EDGE, USUAL_SHARP, USUAL_SEAM = 0.283, 0.245, 0.189
#: of the usual figure's points, what is in a recess and what faces up, as both are measured on models
USUAL_RECESS, USUAL_UPWARD = 0.292, 0.054
#: steps of odds that forms are told apart by, in an octave, and the most steps either way
STEPS, MOST = 2, 6
#: the most steps that recesses count by where only seams tell of them: folds and hollows are drawn too
MOST_SEAMS = 3


@dataclass(frozen=True)
class Form:
    """Odds beside the usual figure's, in half octaves: 0 as usual, 2 twice, -2 half."""

    edge: int = 0
    sharp: int = 0
    recess: int = 0
    upward: int = 0

    @property
    def usual(self) -> bool:
        """Whether it is the usual figure's."""
        return self == USUAL_FORM


USUAL_FORM = Form()


def form_of(extent: Extent) -> Form:
    """How areas of that extent are formed. Recesses and what faces up count as measured in space where they were, else by
    the seams there are, and as usual."""
    mm2 = extent.surface_mm2
    if mm2 <= 0:
        return USUAL_FORM
    edge = _within(extent.free_mm, mm2)
    sharp = extent.sharp_mm / extent.free_mm if extent.free_mm else 0.0
    recess = _steps(_within(extent.foot_mm + extent.line_mm, mm2), USUAL_SEAM, MOST_SEAMS)
    upward = 0
    if extent.measured_mm2 > mm2 / 2:
        recess = _steps(extent.recess_mm2 / extent.measured_mm2, USUAL_RECESS)
        upward = _steps(extent.upward_mm2 / extent.measured_mm2, USUAL_UPWARD)
    return Form(_steps(edge, USUAL_EDGE), _steps(sharp, USUAL_SHARP), recess, upward)


def kinds_of(sample: Sample) -> np.ndarray:
    """The kind of every point, (n,), 0 to 15: at an edge 1, at a sharp one 2, in a recess 4, facing up 8."""
    edge = sample.proud < NEAR_MM
    sharp = edge & ((sample.edge_up >= SHARP) | (sample.corner < AT_CORNER))
    return edge + 2 * sharp + 4 * (sample.depth > RECESSED) + 8 * (sample.up > UPWARD)


@remembered(64, each=240)
def odds_of(form: Form) -> np.ndarray:
    """How much more of every kind of point there is than on the usual figure, (16,), but for a factor common to all."""
    kinds = np.arange(16)
    bits = np.array([kinds >> at & 1 for at in range(4)])
    # what is said of sharp edges is said of edges: of them so many more are sharp
    steps = np.array([form.edge, form.sharp, form.recess, form.upward], float)
    return 2.0 ** (steps @ bits / STEPS)


def _within(mm: float, mm2: float) -> float:
    """Share of a surface that lies near so many mm of lines scattered over it."""
    return 1 - math.exp(-mm * NEAR_MM / mm2)


def _steps(share: float, usual: float, most: int = MOST) -> int:
    share = min(max(share, 1e-4), 1 - 1e-4)
    odds = share / (1 - share) * (1 - usual) / usual
    return max(-most, min(most, round(STEPS * math.log2(odds))))
