"""Pieces: the small units a painter hands out to areas, and how they touch.

A click names one piece; every other piece goes to the area from which it is reached over the weakest borders. So areas
are always a partition, and a wrong piece is put right by a click on it.
"""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy.sparse import coo_array, csr_array
from scipy.sparse.csgraph import connected_components, dijkstra

#: how much a border of full strength costs, squared, against a step to the next piece
BORDER, STEP = 60.0, 0.02


@dataclass(frozen=True, eq=False)
class PieceGraph:
    """Pieces 0 to n - 1 with their pixels; pairs of them that touch, as (m, 2); of each pair the strength 0 to 1 and the
    pixels of the border."""

    size: np.ndarray
    pairs: np.ndarray
    strength: np.ndarray
    length: np.ndarray

    @cached_property
    def matrix(self) -> csr_array:
        """What it costs to go from piece to piece."""
        return _symmetric(STEP + BORDER * self.strength**2, self.pairs, len(self.size))

    def assigned(self, given: dict[int, int]) -> np.ndarray:
        """The area of every piece: that of the given piece it is reached from at the least cost; -1 where none leads to.

        given: piece to area number. Source: shortest ways from many starts (Dijkstra, 1959).
        """
        found = np.full(len(self.size), -1, np.int32)
        if not given:
            return found
        starts = sorted(given)
        _, _, source = dijkstra(self.matrix, indices=starts, min_only=True, return_predecessors=True)
        area = np.full(len(self.size), -1, np.int32)
        area[starts] = [given[piece] for piece in starts]
        reached = source >= 0
        found[reached] = area[source[reached]]
        return found


def nearest_start(pairs: np.ndarray, cost: np.ndarray, count: int, starts: np.ndarray) -> np.ndarray:
    """For every node the number of the start it is nearest to along the pairs; islands without a start get new numbers.
    Numbers are closed up."""
    matrix = _symmetric(cost, pairs, count)
    _, _, source = dijkstra(matrix, indices=starts, min_only=True, return_predecessors=True)
    number = np.full(count, -1, np.int64)
    number[starts] = np.arange(len(starts))
    found = np.where(source >= 0, number[np.maximum(source, 0)], -1)
    lone = np.flatnonzero(found < 0)
    if len(lone):
        _, island = connected_components(matrix[lone][:, lone], directed=False)
        found[lone] = len(starts) + island
    return np.unique(found, return_inverse=True)[1]


def touching(piece: np.ndarray, pairs: np.ndarray, strength: np.ndarray) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """Pairs of touching pieces, the mean strength and the length of their border, from pairs of pixels.

    piece: of every pixel, below 0 for none; strength: of every pair of pixels.
    """
    one, other = piece[pairs[:, 0]], piece[pairs[:, 1]]
    apart = (one != other) & (one >= 0) & (other >= 0)
    one, other, strength = one[apart], other[apart], strength[apart]
    count = int(piece.max()) + 1
    key, inverse = np.unique(
        np.minimum(one, other).astype(np.int64) * count + np.maximum(one, other), return_inverse=True
    )
    length = np.bincount(inverse)
    mean = np.bincount(inverse, strength) / np.maximum(length, 1)
    return np.stack(np.divmod(key, count), 1), mean, length


def _symmetric(cost: np.ndarray, pairs: np.ndarray, count: int) -> csr_array:
    one, other = pairs.T
    return coo_array((np.r_[cost, cost], (np.r_[one, other], np.r_[other, one])), shape=(count, count)).tocsr()
