"""Colour spaces: CIELAB, its polar form, and sRGB as written in hex."""

import math
import re
from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ..errors import OutOfRange, Unreadable
from ..memory import remembered
from .reflectance import WHITE

_TO_LINEAR = np.array(
    [[3.2404542, -1.5371385, -0.4985314], [-0.9692660, 1.8760108, 0.0415560], [0.0556434, -0.2040259, 1.0572252]]
)
_FROM_LINEAR = np.linalg.inv(_TO_LINEAR)
_HEX = re.compile(r"#?([0-9a-fA-F]{6})")
#: lightness, a* and b* from the three roots, and back
_FROM_ROOTS = np.array([[0.0, 500.0, 0.0], [116.0, -500.0, 200.0], [0.0, 0.0, -200.0]])
_TO_ROOTS = np.linalg.inv(_FROM_ROOTS)
_BLACK = np.array([16.0, 0.0, 0.0])
_KNEE, _SLOPE = 216 / 24389, 24389 / 27


class Lab(NamedTuple):
    """CIELAB under D65, 2° observer: lightness 0 to 100, a* and b* unbounded."""

    lightness: float
    a: float
    b: float

    @property
    def chroma(self) -> float:
        """Distance from neutral."""
        return math.hypot(self.a, self.b)

    @property
    def hue(self) -> float:
        """Hue angle, degrees, 0 to 360."""
        return math.degrees(math.atan2(self.b, self.a)) % 360

    def turn_to(self, other: "Lab") -> float:
        """Degrees from its hue to another's the short way, -180 to 180; positive from red towards yellow."""
        return (other.hue - self.hue + 180) % 360 - 180


def lab_of(xyz) -> Lab:
    """CIELAB of one XYZ (Y of white = 1), as ``labs_of`` gives it.

    >>> lab_of(WHITE)
    Lab(lightness=100.0, a=0.0, b=0.0)
    """
    return Lab(*labs_of(xyz).tolist())


def labs_of(xyz: np.ndarray) -> np.ndarray:
    """CIELAB of XYZ. xyz: (..., 3), Y of white = 1; the same shape back.

    Source: CIE 15:2004, with the exact fractions 216/24389 and 24389/27.
    """
    r = np.asarray(xyz, float) / WHITE
    return _roots(r) @ _FROM_ROOTS - _BLACK


def labs_of_each(parts: Sequence[np.ndarray]) -> list[np.ndarray]:
    """``labs_of`` of many arrays at once, each to the last bit as alone: only what goes element by element is done together."""
    every = [np.asarray(one, float) for one in parts]
    r = np.concatenate([one.reshape(-1, 3) for one in every]) / WHITE
    return [f @ _FROM_ROOTS - _BLACK for f in _split(_roots(r), every)]


def xyz_of_each(parts: Sequence[np.ndarray]) -> list[np.ndarray]:
    """``xyz_of_lab`` of many arrays at once, as ``labs_of_each`` does."""
    every = [np.asarray(one, float) for one in parts]
    f = np.concatenate([((one + _BLACK) @ _TO_ROOTS).reshape(-1, 3) for one in every])
    return _split(_powers(f), every)


def _roots(r: np.ndarray) -> np.ndarray:
    return np.where(r > _KNEE, np.cbrt(r), (_SLOPE * r + 16) / 116)


def _powers(f: np.ndarray) -> np.ndarray:
    return np.where(f > 6 / 29, f * f * f, (116 * f - 16) / _SLOPE) * WHITE


def _split(whole: np.ndarray, like: Sequence[np.ndarray]) -> list[np.ndarray]:
    ends = np.cumsum([one.size // 3 for one in like])[:-1]
    return [part.reshape(one.shape) for one, part in zip(like, np.split(whole, ends), strict=True)]


def xyz_of_lab(lab) -> np.ndarray:
    """XYZ of CIELAB colours, (..., 3) to (..., 3); the inverse of ``labs_of``."""
    lab = np.asarray(lab, float)
    return _powers((lab + _BLACK) @ _TO_ROOTS)


def linear_of(lab) -> np.ndarray:
    """Linear sRGB of CIELAB colours, (..., 3) to (..., 3); outside 0 to 1 where a screen cannot show it."""
    return xyz_of_lab(lab) @ _TO_LINEAR.T


def xyz_of_linear(linear: np.ndarray) -> np.ndarray:
    """XYZ of linear sRGB, (..., 3) to (..., 3); the inverse of the matrix in ``linear_of``."""
    return linear @ _FROM_LINEAR.T


def hexes_of(labs) -> tuple[str, ...]:
    """The nearest sRGB colour of each, (n, 3), as '#rrggbb'; colours outside the screen's range are clipped."""
    linear = np.clip(linear_of(labs), 0, 1)
    return tuple("#" + bytes(one).hex() for one in np.rint(coded_light(linear) * 255).astype(np.uint8))


def hex_of(lab: Lab) -> str:
    """The nearest sRGB colour of one, as ``hexes_of`` gives it."""
    return _hex(*lab)


@remembered(2_000)
def _hex(lightness: float, red: float, yellow: float) -> str:
    return hexes_of([(lightness, red, yellow)])[0]


def on_screen(lab) -> np.ndarray:
    """Whether an sRGB screen can show the colours, (..., 3) to (...)."""
    linear = linear_of(lab)
    return ((linear > -2e-3) & (linear < 1.002)).all(axis=-1)


def lab_of_hex(text: str) -> Lab:
    """CIELAB of '#rrggbb' (sRGB).

    Raises: Unreadable if the text is not six hex digits.
    """
    found = _HEX.fullmatch(text.strip())
    if not found:
        raise Unreadable(f"'{text}' is not a colour; write six hex digits, such as #1f5c4f.")
    coded = np.array([int(found[1][i : i + 2], 16) for i in (0, 2, 4)]) / 255
    return lab_of(xyz_of_linear(linear_light(coded)))


def linear_light(coded: np.ndarray) -> np.ndarray:
    """Linear light of sRGB values, both 0 to 1, whatever the shape. Source: IEC 61966-2-1."""
    return np.where(coded <= 0.04045, coded / 12.92, ((coded + 0.055) / 1.055) ** 2.4)


def coded_light(linear: np.ndarray) -> np.ndarray:
    """sRGB values of linear light, both 0 to 1; the inverse of ``linear_light``."""
    return np.where(linear <= 0.0031308, 12.92 * linear, 1.055 * linear ** (1 / 2.4) - 0.055)


def mean_lab(colours: list[Lab], weights: list[float]) -> Lab:
    """The colour of a patch too small to resolve: the area-weighted mean in linear light.

    Raises: OutOfRange if the weights are negative or sum to nothing.
    """
    total = sum(weights)
    if total <= 0 or min(weights) < 0:
        raise OutOfRange(f"The shares are {weights}; they must be positive.")
    return lab_of(np.array(weights) / total @ xyz_of_lab(colours))
