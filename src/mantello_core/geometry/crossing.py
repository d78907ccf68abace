"""How often outlines cross themselves and each other: what uniting them costs grows with it, not with their points alone."""

from collections.abc import Iterable, Sequence

import numpy as np
import shapely

from .outline import to_rings

#: points that a curve is looked at by
_SAMPLES = 4
#: pairs of sides near each other that are looked at together, about, and in all
_TOGETHER, _LOOKED = 50_000, 4_000_000


def crossings_of(outlines: Iterable[Sequence[tuple]], most: int) -> int:
    """How often outlines, as commands, cross themselves and each other, curves looked at by a few points; as ``crossings``."""
    return crossings([np.array(ring) for one in outlines for ring, _ in to_rings(one, _SAMPLES)], most)


def crossings(rings: Sequence[np.ndarray], most: int) -> int:
    """How often sides of rings cross, all of them together; ``most`` + 1 where it is more, or where there is no end of looking.

    rings: points in order, n x 2 each; the last is joined to the first. Sides that only touch, or lie on each other, do not cross.
    """
    begin = np.concatenate([np.zeros((0, 2)), *rings])
    end = np.concatenate([np.zeros((0, 2)), *(np.roll(ring, -1, axis=0) for ring in rings)])
    sides = shapely.linestrings(np.stack((begin, end), axis=1))
    tree = shapely.STRtree(sides)
    found = looked = first = 0
    many = 1
    while first < len(sides):
        one, other = tree.query(sides[first : first + many])
        one = one + first
        first += many
        one, other = one[other > one], other[other > one]
        looked += len(one)
        apart = _turn(begin[one], end[one], begin[other]) * _turn(begin[one], end[one], end[other]) < 0
        apart &= _turn(begin[other], end[other], begin[one]) * _turn(begin[other], end[other], end[one]) < 0
        found += int(np.count_nonzero(apart))
        if found > most or looked > _LOOKED:
            return most + 1
        many = max(1, min(4 * many, _TOGETHER * first // max(1, looked)))
    return found


def _turn(one: np.ndarray, two: np.ndarray, three: np.ndarray) -> np.ndarray:
    """To which side the way from the first to the third turns off that to the second: its sign."""
    along, across = two - one, three - one
    return along[:, 0] * across[:, 1] - along[:, 1] * across[:, 0]
