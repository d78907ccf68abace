"""A plate as arrays, for checks that go over every seam of every figure."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from ..figures.plate import Plate
from ..memory import remembered


@dataclass(frozen=True, eq=False)
class Seams:
    """Pairs of touching areas of a plate."""

    pairs: tuple[tuple[str, str], ...]
    #: the two areas of every pair, by their places in the plate's order, and the mm of edge that they share
    first: np.ndarray
    second: np.ndarray
    length: np.ndarray

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept; the names are the plate's."""
        return 3 * self.length.nbytes + 80 * len(self.pairs)

    def pairs_where(self, chosen: np.ndarray) -> Iterator[tuple[str, str]]:
        """The pairs at which an array of truths is true."""
        return (self.pairs[at] for at in np.flatnonzero(chosen).tolist())


@remembered(4_000)
def seams_of(shape: Plate, least: float) -> Seams:
    """Pairs of touching areas that share at least so many mm of edge."""
    place = {area: at for at, area in enumerate(shape.areas)}
    found = [
        (area, other, length)
        for area, beside in shape.neighbours.items()
        for other, length in beside.items()
        if area < other and length >= least
    ]
    first, second = (np.array([place[one[end]] for one in found], int) for end in (0, 1))
    return Seams(
        tuple((area, other) for area, other, _ in found), first, second, np.array([one[2] for one in found], float)
    )
