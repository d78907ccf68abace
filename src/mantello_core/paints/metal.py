"""The flake of a metallic paint that is known by its colour alone."""

import numpy as np

from ..colour.difference import difference
from ..colour.reflectance import BANDS, WAVELENGTHS, to_air, xyz_of
from ..colour.spaces import Lab, lab_of, labs_of
from ..memory import remembered
from .paint import Flake

#: diffuse reflectance inside the film, and how softly a tinted metal's edge rises, nm
DIFFUSE, WIDTH = 0.07, 30.0
#: reflectances at both ends and edges that are tried, and how often the best is refined
_ENDS, _EDGES, _ROUNDS = np.geomspace(0.02, 1.0, 28), np.linspace(470.0, 610.0, 15), 4
#: share of the lobe that is seen at a middling angle
_SEEN = 0.92 * 0.9


@remembered(400)
def flake_of(colour: Lab) -> Flake:
    """The flake that is seen so at a middling angle: of those with one edge in the spectrum, the nearest (CIELAB).

    Metals are neutral, or rise once from blue to red as copper and gold do; a colour that no such metal has gets the nearest.
    """
    low, high, edge = np.meshgrid(_ENDS, _ENDS, _EDGES, indexing="ij")
    spans = np.array([(_ENDS[1] / _ENDS[0]) ** 0.5, (_ENDS[1] / _ENDS[0]) ** 0.5, (_EDGES[1] - _EDGES[0]) / 2])
    best = _nearest(low.ravel(), high.ravel(), edge.ravel(), colour)
    for _ in range(_ROUNDS):
        around = np.linspace(-1, 1, 7)
        one, two, three = (each.ravel() for each in np.meshgrid(around, around, around, indexing="ij"))
        best = _nearest(
            np.clip(best[0] * spans[0] ** one, 0, 1),
            np.clip(best[1] * spans[1] ** two, 0, 1),
            best[2] + spans[2] * three,
            colour,
        )
        spans = np.array([spans[0] ** 0.4, spans[1] ** 0.4, spans[2] * 0.4])
    low, high, edge = (round(float(value), 4) for value in best)
    return Flake(low, high, edge, WIDTH, DIFFUSE)


def off_by(colour: Lab) -> float:
    """CIEDE2000 between a colour and the nearest metal."""
    flake = flake_of(colour)
    return difference(lab_of(xyz_of(to_air(np.full(BANDS, DIFFUSE)) + _SEEN * flake.lobe)), colour)


def _nearest(low: np.ndarray, high: np.ndarray, edge: np.ndarray, colour: Lab) -> tuple[float, float, float]:
    rise = 1 / (1 + np.exp(-(WAVELENGTHS[None] - edge[:, None]) / WIDTH))
    lobes = low[:, None] + (high - low)[:, None] * rise
    labs = labs_of(xyz_of(to_air(np.full(BANDS, DIFFUSE)) + _SEEN * lobes))
    at = int(((labs - np.array(colour)) ** 2).sum(1).argmin())
    return low[at], high[at], edge[at]
