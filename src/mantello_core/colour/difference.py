"""How different two colours look."""

import math
from functools import lru_cache

import numpy as np

from .spaces import Lab


@lru_cache(maxsize=100_000)
def difference(one: Lab, other: Lab) -> float:
    """CIEDE2000 of two colours: about 1 is just noticeable side by side, 100 is black to white.

    Source: Sharma, Wu & Dalal 2005, Color Res. Appl. 30, 21, whose 34 test pairs are in the tests.

    >>> round(difference(Lab(50, 2.6772, -79.7751), Lab(50, 0, -82.7485)), 4)
    2.0425
    """
    (l1, a1, b1), (l2, a2, b2) = one, other
    mean_c = (math.hypot(a1, b1) + math.hypot(a2, b2)) / 2
    g = 1.5 - 0.5 * math.sqrt(mean_c**7 / (mean_c**7 + 25.0**7))
    a1, a2 = a1 * g, a2 * g
    c1, c2 = math.hypot(a1, b1), math.hypot(a2, b2)
    h1, h2 = math.degrees(math.atan2(b1, a1)) % 360, math.degrees(math.atan2(b2, a2)) % 360
    dh, hm = _hues(h1, h2, c1 * c2)
    dl, dc, d_h = l2 - l1, c2 - c1, 2 * math.sqrt(c1 * c2) * math.sin(math.radians(dh) / 2)
    lm, cm = (l1 + l2) / 2, (c1 + c2) / 2
    t = 1 - 0.17 * _cos(hm - 30) + 0.24 * _cos(2 * hm) + 0.32 * _cos(3 * hm + 6) - 0.2 * _cos(4 * hm - 63)
    x_l = dl / (1 + 0.015 * (lm - 50) ** 2 / math.sqrt(20 + (lm - 50) ** 2))
    x_c, x_h = dc / (1 + 0.045 * cm), d_h / (1 + 0.015 * cm * t)
    turn = math.sin(math.radians(60 * math.exp(-(((hm - 275) / 25) ** 2))))
    rt = -2 * math.sqrt(cm**7 / (cm**7 + 25.0**7)) * turn
    return math.sqrt(max(x_l**2 + x_c**2 + x_h**2 + rt * x_c * x_h, 0))


def differences(colours: np.ndarray, target: Lab) -> np.ndarray:
    """CIEDE2000 of many colours to one, as ``difference`` gives it. colours: (n, 3) CIELAB; returns (n,)."""
    colours = np.asarray(colours, float)
    l1, a1, b1 = target
    l2, a2, b2 = colours[:, 0], colours[:, 1], colours[:, 2]
    mean_c = (math.hypot(a1, b1) + np.hypot(a2, b2)) / 2
    g = 1.5 - 0.5 * np.sqrt(mean_c**7 / (mean_c**7 + 25.0**7))
    a1, a2 = a1 * g, a2 * g
    c1, c2 = np.hypot(a1, b1), np.hypot(a2, b2)
    h1, h2 = np.degrees(np.arctan2(b1, a1)) % 360, np.degrees(np.arctan2(b2, a2)) % 360
    apart, total, grey = h2 - h1, h1 + h2, c1 * c2 == 0
    far = np.abs(apart) > 180
    dh = np.where(grey, 0.0, np.where(far, np.where(apart > 180, apart - 360, apart + 360), apart))
    hm = np.where(grey, total, np.where(far, np.where(total < 360, total + 360, total - 360), total) / 2)
    dl, dc, d_h = l2 - l1, c2 - c1, 2 * np.sqrt(c1 * c2) * np.sin(np.radians(dh) / 2)
    lm, cm = (l1 + l2) / 2, (c1 + c2) / 2
    turned = np.radians(hm)
    t = (
        1
        - 0.17 * np.cos(turned - math.radians(30))
        + 0.24 * np.cos(2 * turned)
        + 0.32 * np.cos(3 * turned + math.radians(6))
        - 0.2 * np.cos(4 * turned - math.radians(63))
    )
    x_l = dl / (1 + 0.015 * (lm - 50) ** 2 / np.sqrt(20 + (lm - 50) ** 2))
    x_c, x_h = dc / (1 + 0.045 * cm), d_h / (1 + 0.015 * cm * t)
    turn = np.sin(np.radians(60 * np.exp(-(((hm - 275) / 25) ** 2))))
    rt = -2 * np.sqrt(cm**7 / (cm**7 + 25.0**7)) * turn
    return np.sqrt(np.maximum(x_l**2 + x_c**2 + x_h**2 + rt * x_c * x_h, 0))


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


def _cos(degrees):
    return math.cos(math.radians(degrees))


def _hues(h1, h2, chroma_product):
    """Hue difference and mean hue, degrees, round the circle."""
    if chroma_product == 0:
        return 0.0, h1 + h2
    apart, total = h2 - h1, h1 + h2
    if abs(apart) <= 180:
        return apart, total / 2
    return (apart - 360 if apart > 180 else apart + 360), (total + 360 if total < 360 else total - 360) / 2
