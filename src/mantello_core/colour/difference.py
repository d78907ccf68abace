"""How different two colours look."""

import math
from types import SimpleNamespace

import numpy as np

from ..memory import remembered
from .spaces import Lab

#: the functions the formula needs, of arrays and of single numbers: the latter thirty times as fast for one pair
_ARRAYS = SimpleNamespace(
    hypot=lambda a, b: np.sqrt(a * a + b * b),
    sqrt=np.sqrt,
    exp=np.exp,
    sin=np.sin,
    cos=np.cos,
    atan2=np.arctan2,
    where=np.where,
    max=np.maximum,
    round=np.rint,
    floor=np.floor,
    any=np.any,
)
_NUMBERS = SimpleNamespace(
    hypot=math.hypot,
    sqrt=math.sqrt,
    exp=math.exp,
    sin=math.sin,
    cos=math.cos,
    atan2=math.atan2,
    where=lambda condition, yes, no: yes if condition else no,
    max=max,
    round=round,
    floor=math.floor,
    any=bool,
)
_DEGREE = math.pi / 180
#: of the formula's own angles, degrees
_COS, _SIN = ({angle: wave(angle * _DEGREE) for angle in (6, 30, 63)} for wave in (math.cos, math.sin))


def differences(ones, others) -> np.ndarray:
    """CIEDE2000 of colours to colours: about 1 is just noticeable side by side, 100 is black to white.

    ones, others: CIELAB, (..., 3), one broadcast against the other; returns the shape they make without the last axis.
    Source: Sharma, Wu & Dalal 2005, Color Res. Appl. 30, 21, whose 34 test pairs are in the tests.
    """
    ones, others = np.asarray(ones, float), np.asarray(others, float)
    return _ciede2000(*((some[..., 0], some[..., 1], some[..., 2]) for some in (ones, others)), _ARRAYS)


def differences_among(labs: np.ndarray) -> np.ndarray:
    """CIEDE2000 of every two of some colours, (..., n, 3), as (..., n, n): the same either way, so half is worked out; NaN for
    a colour that is NaN."""
    first, second = np.triu_indices(labs.shape[-2], 1)
    found = np.repeat(0 * labs[..., :1], labs.shape[-2], axis=-1)
    half = differences(labs[..., first, :], labs[..., second, :])
    found[..., first, second] = found[..., second, first] = half
    return found


@remembered(16_000, each=24)
def difference(one: Lab, other: Lab) -> float:
    """CIEDE2000 of two colours, by the same formula as ``differences``.

    >>> round(difference(Lab(50, 2.6772, -79.7751), Lab(50, 0, -82.7485)), 4)
    2.0425
    """
    return _ciede2000(one, other, _NUMBERS)


def box_of(target: Lab, radius: float) -> tuple[float, float, float]:
    """Half-widths in L*, a* and b* of a box that holds every colour within ``radius`` (CIEDE2000) of the target.

    From the greatest weights of lightness, chroma and hue (1.75; 1 + 0.045 C; 1 + 0.029 C). The rotation term couples
    chroma and hue; its size is at most the square root of 3, which gives a factor of 2, and away from hue 275, within
    the hues of a first box, a second pass brings that close to 1.
    """
    chroma, factor = math.hypot(1.5 * target[1], target[2]), 2.0
    hues = [math.degrees(math.atan2(target[2], stretch * target[1])) for stretch in (1, 1.5)]
    far = min(abs((hue - 275 + 180) % 360 - 180) for hue in hues)
    reach = 0.0
    for _ in range(2):
        along = factor * radius * (1 + 0.045 * chroma) / max(1 - 0.0225 * factor * radius, 0.05)
        reach = math.hypot(along, factor * radius * (1 + 0.029 * (chroma + along)))
        seen = max(math.hypot(target[1], target[2]), 1e-9)
        spread = math.degrees(math.asin(min(1.0, reach / seen))) / 2 + 1
        if spread < 45:
            turn = 2 * math.sin(math.radians(60 * math.exp(-((max(far - spread, 0) / 25) ** 2))))
            factor = min(factor, 1 / math.sqrt(1 - turn * turn / 4))
    return 1.75 * radius, reach, reach


def _ciede2000(ones, others, m):
    """The formula, on whatever kind of numbers ``m`` has the functions for; cosines of the hue's multiples by the addition
    theorem, and powers by multiplying, which take a third of the time."""
    (l1, a1, b1), (l2, a2, b2) = ones, others
    g = 1.5 - 0.5 * _saturated((m.hypot(a1, b1) + m.hypot(a2, b2)) / 2, m)
    a1, a2 = a1 * g, a2 * g
    c1, c2 = m.hypot(a1, b1), m.hypot(a2, b2)
    both = c1 * c2
    dh, hm = _hues(_hue(a1, b1, m), _hue(a2, b2, m), both == 0, m)
    dl, dc, d_h = l2 - l1, c2 - c1, 2 * m.sqrt(both) * m.sin(dh * (_DEGREE / 2))
    off, cm, turned = (l1 + l2) / 2 - 50, (c1 + c2) / 2, hm * _DEGREE
    cos, sin = m.cos(turned), m.sin(turned)
    cos2, sin2 = 2 * cos * cos - 1, 2 * sin * cos
    t = (
        1
        - 0.17 * (_COS[30] * cos + _SIN[30] * sin)
        + 0.24 * cos2
        + 0.32 * (_COS[6] * (cos2 * cos - sin2 * sin) - _SIN[6] * (sin2 * cos + cos2 * sin))
        - 0.2 * (_COS[63] * (2 * cos2 * cos2 - 1) + _SIN[63] * (2 * sin2 * cos2))
    )
    off *= off
    x_l = dl / (1 + 0.015 * off / m.sqrt(20 + off))
    x_c, x_h = dc / (1 + 0.045 * cm), d_h / (1 + 0.015 * cm * t)
    near = (hm - 275) / 25
    turn = m.sin(60 * _DEGREE * m.exp(-near * near))
    rt = -2 * _saturated(cm, m) * turn
    return m.sqrt(m.max(x_l * x_l + x_c * x_c + x_h * x_h + rt * x_c * x_h, 0.0))


def _saturated(chroma, m):
    """The share of chromas above 25 in it: the root of c^7 / (c^7 + 25^7)."""
    squared = chroma * chroma
    seventh = squared * squared * squared * chroma
    return m.sqrt(seventh / (seventh + 25.0**7))


def _hue(a, b, m):
    """Hue angle, 0 to 360 degrees."""
    hue = m.atan2(b, a) / _DEGREE
    return m.where(hue < 0, hue + 360, hue)


def _hues(h1, h2, grey, m):
    """Hue difference and mean hue, degrees, round the circle; of a grey the other's hue, and no difference."""
    apart = h2 - h1
    dh = apart - 360 * m.round(apart / 360)
    hm = h1 + dh / 2
    hm = hm - 360 * m.floor(hm / 360)
    if not m.any(grey):
        return dh, hm
    return m.where(grey, 0.0, dh), m.where(grey, h1 + h2, hm)
