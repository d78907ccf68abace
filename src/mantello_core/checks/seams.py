"""A plate as arrays, for checks that go over every seam of every figure."""

from dataclasses import dataclass
from itertools import compress

import numpy as np

from ..figures.plate import Plate
from ..figures.vocabulary import sideless
from ..memory import remembered


@dataclass(frozen=True, eq=False)
class Seams:
    """Pairs of touching areas of a plate."""

    pairs: tuple[tuple[str, str], ...]
    #: the same whichever side of the figure they are on, in the order of their names
    sideless: tuple[tuple[str, str], ...]
    #: the two areas of every pair, by their places in the plate's order, and the mm of edge that they share
    first: np.ndarray
    second: np.ndarray
    length: np.ndarray

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept; the names are the plate's."""
        return 2 * self.first.nbytes + self.length.nbytes + 160 * len(self.pairs)

    def where(self, chosen: np.ndarray) -> "Seams":
        """Those at which an array of truths is true."""
        names = (tuple(compress(one, chosen)) for one in (self.pairs, self.sideless))
        return Seams(*names, self.first[chosen], self.second[chosen], self.length[chosen])


@remembered(2_500)
def seams_of(shape: Plate, least: float) -> Seams:
    """Pairs of touching areas that share at least so many mm of edge."""
    every = _every(shape)
    return every.where(every.length >= least)


@remembered(1_500)
def _every(shape: Plate) -> Seams:
    """All pairs of touching areas."""
    place = {area: at for at, area in enumerate(shape.areas)}
    sides = {area: sideless(area) for area in shape.areas}
    found = [
        (area, other, length)
        for area, beside in shape.neighbours.items()
        for other, length in beside.items()
        if area < other
    ]
    first, second = (np.array([place[one[end]] for one in found], np.int32) for end in (0, 1))
    pairs = tuple((area, other) for area, other, _ in found)
    either = tuple(tuple(sorted((sides[area], sides[other]))) for area, other in pairs)
    return Seams(pairs, either, first, second, np.array([one[2] for one in found], float))
