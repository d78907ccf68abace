"""Reflectance in sixteen bands, 400 to 700 nm every 20 nm, and what the eye makes of it.

The weights come from integrating the CIE 1931 2° observer under D65 against a natural cubic
spline through the band centres, so that a flat reflectance is exactly neutral.
"""

import numpy as np

from ..data_table import data_table

_DATA = data_table(__package__, "observer")
#: band centres, nm
WAVELENGTHS = np.array(_DATA["wavelengths"], float)
BANDS = len(WAVELENGTHS)
#: (bands, 3): XYZ of a surface is its reflectance times these
WEIGHTS = np.array(_DATA["weights"])
#: XYZ of the perfect diffuser, Y = 1
WHITE = WEIGHTS.sum(0)
#: share of the light inside the film that its surface turns back (Saunderson's k2, k1 = 0)
INNER = 0.6


def to_air(inside: np.ndarray) -> np.ndarray:
    """What is seen of a film whose internal reflectance is given.

    inside: (..., bands), fraction, 0 to 1. Returns the same shape, 0 to 1.
    Source: Saunderson 1942, J. Opt. Soc. Am. 32, 727, with k1 = 0 (gloss excluded).
    """
    return (1 - INNER) * inside / (1 - INNER * inside)


def to_film(seen: np.ndarray) -> np.ndarray:
    """The internal reflectance of a film that is seen so; the inverse of ``to_air``."""
    return seen / (1 - INNER + INNER * seen)


def xyz_of(seen: np.ndarray) -> np.ndarray:
    """CIE XYZ (D65, 2°, Y of white = 1) of a seen reflectance, (..., bands) to (..., 3)."""
    return seen @ WEIGHTS
