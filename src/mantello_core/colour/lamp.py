"""Colours under an incandescent lamp, from their reflectance: pigments that match by day may part there."""

import numpy as np

from .light import adapted_to_daylight
from .reflectance import WAVELENGTHS, WEIGHTS
from .spaces import Lab, lab_of

#: relative power of CIE D65 at the band centres. Source: ISO/CIE 11664-2, table 1
D65 = np.array([
    82.7549, 93.4318, 104.865, 117.812, 115.923, 109.354, 104.790, 104.405,
    100.000, 95.7880, 90.0062, 87.6987, 83.6992, 80.2146, 78.2842, 71.6091,
])  # fmt: skip
#: Planck's exponent for CIE A, nm: 1.435e7 / 2848
_A = 1.435e7 / 2848
#: relative power of CIE A, 100 at 560 nm. Source: ISO/CIE 11664-2, equation 1
A = 100 * (560 / WAVELENGTHS) ** 5 * np.expm1(_A / 560) / np.expm1(_A / WAVELENGTHS)
_SCALED = WEIGHTS * (A / D65)[:, None]
#: (bands, 3): XYZ of a surface under the lamp is its reflectance times these; Y of white = 1
LAMP_WEIGHTS = _SCALED / _SCALED.sum(0)[1]
LAMP_WHITE = LAMP_WEIGHTS.sum(0)


def lamp_lab(seen: np.ndarray) -> Lab:
    """A seen reflectance under CIE A, to an eye that has adapted to it; white and greys stay what they are.

    seen: (bands,), 0 to 1.
    Source: band weights carried from D65 to A by the ratio of the lights; Bradford adaptation (Lam 1985).
    """
    return lab_of(adapted_to_daylight(seen @ LAMP_WEIGHTS, LAMP_WHITE))
