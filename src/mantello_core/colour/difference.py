"""How different two colours look."""

import math
from types import SimpleNamespace

import numpy as np

from ..memory import remembered
from .spaces import Lab

#: the functions the formula needs, of arrays and of single numbers: the latter thirty times as fast for one pair
_ARRAYS = SimpleNamespace(
    hypot=np.hypot, sqrt=np.sqrt, exp=np.exp, sin=np.sin, cos=np.cos, atan2=np.arctan2, where=np.where, max=np.maximum
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
)
_DEGREE = math.pi / 180


def differences(ones, others) -> np.ndarray:
    """CIEDE2000 of colours to colours: about 1 is just noticeable side by side, 100 is black to white.

    ones, others: CIELAB, (..., 3), one broadcast against the other; returns the shape they make without the last axis.
    Source: Sharma, Wu & Dalal 2005, Color Res. Appl. 30, 21, whose 34 test pairs are in the tests.
    """
    return _ciede2000(*(np.moveaxis(np.asarray(some, float), -1, 0) for some in (ones, others)), _ARRAYS)


@remembered(24_000)
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
    """The formula, on whatever kind of numbers ``m`` has the functions for."""
    (l1, a1, b1), (l2, a2, b2) = ones, others
    mean_c = (m.hypot(a1, b1) + m.hypot(a2, b2)) / 2
    g = 1.5 - 0.5 * m.sqrt(mean_c**7 / (mean_c**7 + 25.0**7))
    a1, a2 = a1 * g, a2 * g
    c1, c2 = m.hypot(a1, b1), m.hypot(a2, b2)
    dh, hm = _hues(m.atan2(b1, a1) / _DEGREE % 360, m.atan2(b2, a2) / _DEGREE % 360, c1 * c2 == 0, m)
    dl, dc, d_h = l2 - l1, c2 - c1, 2 * m.sqrt(c1 * c2) * m.sin(dh * _DEGREE / 2)
    lm, cm, turned = (l1 + l2) / 2, (c1 + c2) / 2, hm * _DEGREE
    t = (
        1
        - 0.17 * m.cos(turned - 30 * _DEGREE)
        + 0.24 * m.cos(2 * turned)
        + 0.32 * m.cos(3 * turned + 6 * _DEGREE)
        - 0.2 * m.cos(4 * turned - 63 * _DEGREE)
    )
    x_l = dl / (1 + 0.015 * (lm - 50) ** 2 / m.sqrt(20 + (lm - 50) ** 2))
    x_c, x_h = dc / (1 + 0.045 * cm), d_h / (1 + 0.015 * cm * t)
    turn = m.sin(60 * _DEGREE * m.exp(-(((hm - 275) / 25) ** 2)))
    rt = -2 * m.sqrt(cm**7 / (cm**7 + 25.0**7)) * turn
    return m.sqrt(m.max(x_l**2 + x_c**2 + x_h**2 + rt * x_c * x_h, 0.0))


def _hues(h1, h2, grey, m):
    """Hue difference and mean hue, degrees, round the circle."""
    apart, total = h2 - h1, h1 + h2
    far = abs(apart) > 180
    dh = m.where(far, m.where(apart > 180, apart - 360, apart + 360), apart)
    hm = m.where(far, m.where(total < 360, total + 360, total - 360), total) / 2
    return m.where(grey, 0.0, dh), m.where(grey, total, hm)
