"""Lengths with units, transforms and the frames of nested drawings, as matrices.

Source: Scalable Vector Graphics 2, chapters 7 and 8; CSS Values and Units 3, chapter 6.
"""

import math
import re
from dataclasses import dataclass

from ...geometry import affine

#: px of one unit
_UNITS = {
    "": 1.0,
    "px": 1.0,
    "pt": 96 / 72,
    "pc": 16.0,
    "mm": 96 / 25.4,
    "cm": 96 / 2.54,
    "in": 96.0,
    "q": 96 / 101.6,
    "em": 16.0,
    "rem": 16.0,
    "ex": 8.0,
    "ch": 8.0,
}
NUMBER = re.compile(r"[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?")
_LENGTH = re.compile(rf"^({NUMBER.pattern})\s*([a-zA-Z]*|%)$")
_CALL = re.compile(r"\s*,?\s*([a-zA-Z]+)\s*\(([^()]*)\)")
_ANGLES = {"": 1.0, "deg": 1.0, "rad": 180 / math.pi, "grad": 0.9, "turn": 360.0}
_PLACES = {"left": 0.0, "top": 0.0, "center": 0.5, "right": 1.0, "bottom": 1.0}
IDENTITY = (1.0, 0.0, 0.0, 1.0, 0.0, 0.0)


@dataclass(frozen=True)
class Frame:
    """What per cents are of: width and height of the nearest drawing, in its own units."""

    width: float = 100.0
    height: float = 100.0

    def length(self, text: str, of: str = "") -> float:
        """A length in px. of: 'x', 'y' or '' for what per cents are of.

        Raises: ValueError if it is none.
        """
        found = _LENGTH.match(text.strip())
        if not found or (found[2] != "%" and found[2].lower() not in _UNITS):
            raise ValueError(text)
        if found[2] == "%":
            whole = {"x": self.width, "y": self.height}.get(of, math.hypot(self.width, self.height) / math.sqrt(2))
            return float(found[1]) / 100 * whole
        return float(found[1]) * _UNITS[found[2].lower()]


def transform_of(
    text: str, frame: Frame, origin: str = "", box: tuple[float, float, float, float] | None = None
) -> tuple:
    """The matrix of a transform, as an attribute or a style writes it.

    origin: of ``transform-origin``; box: x, y, width, height that its words and per cents are of, the frame if none.
    Raises: ValueError if it cannot be read.
    """
    if not text.strip() or text.strip().lower() == "none":
        return IDENTITY
    matrix, at = IDENTITY, 0
    for call in _CALL.finditer(text):
        if text[at : call.start()].strip():
            raise ValueError(text)
        at = call.end()
        matrix = affine.multiply(matrix, _step(call[1].lower(), call[2], frame))
    if at == 0 or text[at:].strip(" ,"):
        raise ValueError(text)
    if origin:
        x, y = _origin(origin, frame, box or (0.0, 0.0, frame.width, frame.height))
        matrix = affine.multiply(affine.multiply((1, 0, 0, 1, x, y), matrix), (1, 0, 0, 1, -x, -y))
    return matrix


def fitted(box: str, width: float, height: float, how: str) -> tuple[tuple, Frame]:
    """The matrix that lays a view box into a width and height, and the frame within it.

    Raises: ValueError if the box is none.
    """
    values = [float(one) for one in NUMBER.findall(box)]
    if len(values) != 4 or values[2] < 0 or values[3] < 0 or not all(map(math.isfinite, values)):
        raise ValueError(box)
    x, y, wide, tall = values
    if not wide or not tall:
        raise ValueError(box)
    across, down = width / wide, height / tall
    words = how.replace("defer", "").split() or ["xMidYMid"]
    if words[0].lower() != "none":
        across = down = (max if "slice" in words else min)(across, down)
    left, over = width - wide * across, height - tall * down
    share = {"min": 0.0, "mid": 0.5, "max": 1.0}
    at = re.match(r"x(min|mid|max)y(min|mid|max)", words[0].lower())
    dx, dy = (left * share[at[1]], over * share[at[2]]) if at else (0.0, 0.0)
    return (across, 0, 0, down, dx - x * across, dy - y * down), Frame(wide, tall)


def _step(name: str, inner: str, frame: Frame) -> tuple:
    words = [
        one for one in re.split(r"[\s,]+", re.sub(r"(?<=[\d.])(?=[-+](?![eE]))(?<![eE])", " ", inner.strip())) if one
    ]
    match name, len(words):
        case "matrix", 6:
            return tuple(float(one) for one in words)
        case "translate" | "translatex", 1:
            return (1, 0, 0, 1, frame.length(words[0], "x"), 0)
        case "translatey", 1:
            return (1, 0, 0, 1, 0, frame.length(words[0], "y"))
        case "translate", 2:
            return (1, 0, 0, 1, frame.length(words[0], "x"), frame.length(words[1], "y"))
        case "scale", 1:
            return (_times(words[0]), 0, 0, _times(words[0]), 0, 0)
        case "scale", 2:
            return (_times(words[0]), 0, 0, _times(words[1]), 0, 0)
        case "scalex", 1:
            return (_times(words[0]), 0, 0, 1, 0, 0)
        case "scaley", 1:
            return (1, 0, 0, _times(words[0]), 0, 0)
        case "rotate", 1:
            return affine.rotation(_angle(words[0]))
        case "rotate", 3:
            return affine.rotation(_angle(words[0]), frame.length(words[1], "x"), frame.length(words[2], "y"))
        case "skewx", 1:
            return (1, 0, math.tan(math.radians(_angle(words[0]))), 1, 0, 0)
        case "skewy", 1:
            return (1, math.tan(math.radians(_angle(words[0]))), 0, 1, 0, 0)
    raise ValueError(f"{name}({inner})")


def _times(word: str) -> float:
    return float(word[:-1]) / 100 if word.endswith("%") else float(word)


def _angle(word: str) -> float:
    found = _LENGTH.match(word)
    if not found or found[2].lower() not in _ANGLES:
        raise ValueError(word)
    return float(found[1]) * _ANGLES[found[2].lower()]


def _origin(text: str, frame: Frame, box: tuple[float, float, float, float]) -> tuple[float, float]:
    words = text.lower().split()[:2]
    if words[0] in ("top", "bottom") or (len(words) > 1 and words[1] in ("left", "right")):
        words.reverse()
    words += ["center"] * (2 - len(words))
    if words[0] in ("top", "bottom"):
        words.reverse()
    found = []
    for at, word in enumerate(words):
        low, whole = box[at], box[at + 2]
        if word in _PLACES:
            found.append(low + _PLACES[word] * whole)
        elif word.endswith("%"):
            found.append(low + float(word[:-1]) / 100 * whole)
        else:
            found.append(low + frame.length(word))
    return found[0], found[1]
