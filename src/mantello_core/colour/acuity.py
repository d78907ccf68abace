"""What the eye resolves: visual angle, blur, and stripes too narrow to tell apart."""

import math

import numpy as np

from ..errors import OutOfRange
from ..memory import remembered
from .difference import differences
from .spaces import Lab

#: standing distances, m: in hand, at arm's length, across the table
DISTANCES = {"hand": 0.3, "arm": 0.6, "table": 1.2}
#: spread of the eye's blur in arc minutes, for lightness, red-green and yellow-blue
SPREAD = (0.862, 2.3, 3.1)
#: what is left of a difference must be this much to be seen
SEEN = 2.3


def arc_minutes(millimetres: float | np.ndarray, metres: float) -> float | np.ndarray:
    """The angle a length is seen under, or each of some lengths.

    Raises: OutOfRange unless the distance is positive.

    >>> round(arc_minutes(1, 1), 2)
    3.44
    """
    if metres <= 0:
        raise OutOfRange(f"The distance is {metres:g} m; it must be more than 0.", "distance")
    turn = np.arctan if isinstance(millimetres, np.ndarray) else math.atan
    return 2 * turn(millimetres / 2000 / metres) * (60 * 180 / math.pi)


def blur_millimetres(metres: float) -> float:
    """Standard deviation of the eye's blur at a distance, mm on the figure (for lightness)."""
    return math.tan(math.radians(SPREAD[0] / 60)) * metres * 1000


def seen_differences(ones, others, millimetres, metres: float) -> np.ndarray:
    """CIEDE2000 that is left of the difference of neighbouring areas of a width, at a distance.

    ones, others: CIELAB, (..., 3), one broadcast against the other; millimetres: one width, or one each, (...).
    Each axis keeps the share exp(-(pi s)^2 / (2 w^2)) of its difference about the middle, with s the
    eye's spread on that axis and w the width in arc minutes: lightness lasts longest. Never more than the
    whole difference: CIEDE2000 is made for small ones, and among large ones duller pairs can come out farther.
    """
    ones, others = np.asarray(ones, float), np.asarray(others, float)
    width = np.maximum(arc_minutes(np.asarray(millimetres, float), metres), 1e-9)
    kept = np.exp(-((math.pi * np.array(SPREAD)) ** 2) / (2 * (width * width)[..., None]))
    middle = (ones + others) / 2
    near = (middle + kept * (one - middle) for one in (ones, others))
    return np.minimum(differences(*near), differences(ones, others))


@remembered(1_000)
def seen_difference(one: Lab, other: Lab, millimetres: float, metres: float) -> float:
    """CIEDE2000 that is left of one difference, as ``seen_differences`` gives it."""
    return float(seen_differences(one, other, millimetres, metres))


def separable(one: Lab, other: Lab, millimetres: float, metres: float) -> bool:
    """Whether two neighbouring areas of that width can be told apart at a distance."""
    return seen_difference(one, other, millimetres, metres) >= SEEN


def seen_on(mark: Lab, ground: Lab, millimetres: float, metres: float) -> Lab:
    """The colour in the middle of a strip of a width on its ground, as the eye blurs it at a distance.

    Each channel keeps erf(width / (2 sqrt(2) sigma)) of the difference: a box of that width under a normal blur.

    >>> red, blue = Lab(43.0, 39.0, 28.0), Lab(24.0, 2.0, -13.0)
    >>> seen_on(red, blue, 20, 0.3) == red, seen_on(red, blue, 0.01, 3).lightness < 25
    (True, True)
    """
    width = arc_minutes(millimetres, metres)
    kept = [math.erf(width / (2 * math.sqrt(2) * sigma)) for sigma in SPREAD]
    return Lab(*(base + share * (own - base) for own, base, share in zip(mark, ground, kept, strict=True)))
