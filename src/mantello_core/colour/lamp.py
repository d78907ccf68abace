"""Colours under other lights, from their reflectance: pigments that match by day may part under a lamp."""

import numpy as np

from ..errors import UnknownName
from .light import LIGHTS, adapted_to_daylight
from .reflectance import WAVELENGTHS, WEIGHTS
from .spaces import Lab, labs_of

#: relative power of CIE D65 at the band centres. Source: ISO/CIE 11664-2, table 1
D65 = np.array([
    82.7549, 93.4318, 104.865, 117.812, 115.923, 109.354, 104.790, 104.405,
    100.000, 95.7880, 90.0062, 87.6987, 83.6992, 80.2146, 78.2842, 71.6091,
])  # fmt: skip
#: Planck's exponent for CIE A, nm: 1.435e7 / 2848
_A = 1.435e7 / 2848
#: relative power of CIE A, 100 at 560 nm. Source: ISO/CIE 11664-2, equation 1
A = 100 * (560 / WAVELENGTHS) ** 5 * np.expm1(_A / 560) / np.expm1(_A / WAVELENGTHS)
#: mean daylight and how it turns towards blue or yellow, and towards pink or green, at the band centres.
#: Source: ISO/CIE 11664-2 and CIE 15:2004, table T.2 (S0, S1, S2)
_DAYLIGHT = np.array([
    [94.8, 105.9, 113.9, 125.5, 121.3, 113.1, 106.5, 105.3, 100.0, 95.1, 90.5, 88.4, 85.1, 82.6, 81.3, 74.3],
    [43.4, 43.9, 36.7, 32.6, 24.3, 16.2, 8.6, 4.2, 0.0, -3.5, -5.8, -8.6, -10.9, -12.0, -13.6, -13.3],
    [-1.1, -0.7, -2.6, -2.8, -2.6, -1.5, -1.2, -0.5, 0.0, 0.5, 3.2, 4.7, 6.7, 8.6, 10.2, 9.6],
])  # fmt: skip


def daylight(x: float, y: float) -> np.ndarray:
    """Relative power of a daylight of that chromaticity at the band centres, 100 at 560 nm.

    Source: CIE 15:2004, section 3.1 (Judd, MacAdam and Wyszecki 1964).
    """
    under = 0.0241 + 0.2562 * x - 0.7341 * y
    turns = (-1.3515 - 1.7703 * x + 5.9114 * y) / under, (0.0300 - 31.4424 * x + 30.0717 * y) / under
    return np.array((1.0, *turns)) @ _DAYLIGHT


def _weights(power: np.ndarray) -> np.ndarray:
    """(bands, 3): XYZ of a surface under a light is its reflectance times these; Y of white = 1."""
    scaled = WEIGHTS * (power / D65)[:, None]
    return scaled / scaled.sum(0)[1]


#: the weights of every light; a tube, whose power has lines, counts as the daylight of its white
LIGHT_WEIGHTS = {
    "window": WEIGHTS,
    "booth": _weights(daylight(*LIGHTS["booth"][1])),
    "lamp": _weights(A),
    "tube": _weights(daylight(*LIGHTS["tube"][1])),
}


def labs_under(seen: np.ndarray, light: str) -> np.ndarray:
    """Seen reflectances under a light, to an eye that has adapted to it; white and greys stay what they are.

    seen: (..., bands), 0 to 1. Returns CIELAB, (..., 3).
    Source: band weights carried from D65 by the ratio of the lights; Bradford adaptation (Lam 1985).
    Raises: UnknownName for the light.
    """
    if light not in LIGHT_WEIGHTS:
        raise UnknownName("light", light, tuple(LIGHT_WEIGHTS))
    weights = LIGHT_WEIGHTS[light]
    return labs_of(adapted_to_daylight(seen @ weights, weights.sum(0)))


def lab_under(seen: np.ndarray, light: str) -> Lab:
    """One seen reflectance, (bands,), as ``labs_under``."""
    return Lab(*labs_under(seen, light).tolist())
