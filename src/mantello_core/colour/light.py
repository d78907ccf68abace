"""Colours under another light than the one they were measured in."""

import numpy as np

from ..errors import UnknownName
from .reflectance import WHITE
from .spaces import Lab, lab_of, xyz_of_lab

#: correlated colour temperature in kelvin, and CIE 1931 chromaticity of the light's white
LIGHTS = {
    "window": (6500, None),
    "booth": (5000, (0.3457, 0.3585)),
    "lamp": (2856, (0.44757, 0.40745)),
    "tube": (9300, (0.2848, 0.2932)),
}
#: how far the eye has adapted to the light; the rest stays as a cast
ADAPTED = 0.8
_BRADFORD = np.array([[0.8951, 0.2664, -0.1614], [-0.7502, 1.7135, 0.0367], [0.0389, -0.0685, 1.0296]])
_BACK = np.linalg.inv(_BRADFORD)


def white_of(light: str) -> np.ndarray:
    """XYZ of a light's white, Y = 1.

    Raises: UnknownName.
    """
    if light not in LIGHTS:
        raise UnknownName("light", light, tuple(LIGHTS))
    chromaticity = LIGHTS[light][1]
    if chromaticity is None:
        return WHITE
    x, y = chromaticity
    return np.array([x / y, 1.0, (1 - x - y) / y])


def in_light(colour: Lab, light: str, adapted: float = ADAPTED) -> Lab:
    """A daylight colour as it looks in another light to an eye that has adapted part of the way.

    adapted: 0 (not at all: the full cast) to 1 (completely: the colour as in daylight). A change of
    the light's colour only: pigments that turn under it (metamerism) are not followed.
    Source: Lam 1985 (Bradford), with incomplete adaptation as in CIE 159:2004.
    """
    ratio = (_BRADFORD @ white_of(light)) / (_BRADFORD @ WHITE)
    cones = _BRADFORD @ xyz_of_lab(colour)
    return lab_of(np.maximum(_BACK @ (cones * ratio ** (1 - adapted)), 0))


def adapted_to_daylight(xyz: np.ndarray, white: np.ndarray) -> np.ndarray:
    """XYZ in daylight of what is seen as ``xyz``, (..., 3), under a light of that ``white`` by an eye adapted to it (Bradford)."""
    return np.maximum((xyz @ _BRADFORD.T * (_BRADFORD @ WHITE) / (_BRADFORD @ white)) @ _BACK.T, 0)
