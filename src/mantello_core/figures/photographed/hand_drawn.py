"""What a painter draws on a photograph: borders laid on the nearest edge, and what was given carried over a new cut."""

from collections.abc import Mapping

import numpy as np
from scipy import ndimage
from scipy.sparse import coo_array
from scipy.sparse.csgraph import dijkstra

#: pixels beside a drawn line in which it may find its edge; cost of a step over no edge, beside one of a step over a full one
REACH, _OVER_EDGE, _OVER_NONE = 7, 0.12, 1.0
#: what a step further from the drawn line costs, pixel by pixel
_ASTRAY = 0.03


def snapped(border: np.ndarray, line: np.ndarray) -> np.ndarray:
    """The pixels of the border that a drawn line means: the way of least cost from its first point to its last, near it and
    rather over edges. border: strength of every pixel, 0 to 1; line: (n, 2) as x and y. Wide enough that no piece slips through.

    Source: shortest ways (Dijkstra, 1959), as for cutting along a contour (Mortensen and Barrett, 1995).
    """
    found = np.zeros(border.shape, bool)
    points = _walked(line, border.shape)
    drawn = np.zeros(border.shape, bool)
    drawn[points[:, 1], points[:, 0]] = True
    off = ndimage.distance_transform_edt(~drawn)
    near = off <= REACH
    number = np.full(border.shape, -1, np.int64)
    number[near] = np.arange(int(near.sum()))
    cost = (_OVER_EDGE + (_OVER_NONE - _OVER_EDGE) * (1 - border) ** 2 + _ASTRAY * off)[near]
    one, other, long = [], [], []
    for (down, right), far in (((0, 1), 1.0), ((1, 0), 1.0), ((1, 1), 1.414), ((1, -1), 1.414)):
        first = number[: number.shape[0] - down, max(0, -right) : number.shape[1] - max(0, right)]
        second = number[down:, max(0, right) : number.shape[1] + min(0, right)]
        both = (first >= 0) & (second >= 0)
        one.append(first[both])
        other.append(second[both])
        long.append(np.full(int(both.sum()), far))
    a, b, far = np.concatenate(one), np.concatenate(other), np.concatenate(long)
    graph = coo_array((far * (cost[a] + cost[b]) / 2, (a, b)), shape=(len(cost), len(cost))).tocsr()
    start, end = number[points[0, 1], points[0, 0]], number[points[-1, 1], points[-1, 0]]
    _, before = dijkstra(graph, directed=False, indices=int(start), return_predecessors=True)
    rows, columns = np.nonzero(near)
    here = int(end)
    while here >= 0:
        found[rows[here], columns[here]] = True
        here = int(before[here]) if here != start else -1
    return ndimage.binary_dilation(found)


def carried_over(given: Mapping[int, str], old: np.ndarray, new: np.ndarray) -> dict[int, str]:
    """What was given, by the pieces of a new cut: each piece that was given stands for the pixel in its heart.

    old, new: piece of every pixel, -1 off the figure. What lies off the new figure is left out.
    """
    found: dict[int, str] = {}
    for piece, area in sorted(given.items()):
        rows, columns = np.nonzero(old == piece)
        if len(rows):
            heart = np.hypot(rows - rows.mean(), columns - columns.mean()).argmin()
            at = int(new[rows[heart], columns[heart]])
            if at >= 0:
                found[at] = area
    return found


def _walked(line: np.ndarray, shape: tuple[int, int]) -> np.ndarray:
    """Every pixel from point to point of a line, (n, 2), inside the picture."""
    out = []
    for (x1, y1), (x2, y2) in zip(line, [*line[1:], line[-1]], strict=True):
        count = int(max(abs(x2 - x1), abs(y2 - y1))) + 1
        out.append(np.stack([np.linspace(x1, x2, count), np.linspace(y1, y2, count)], 1))
    points = np.round(np.concatenate(out)).astype(int)
    return np.clip(points, 0, [shape[1] - 1, shape[0] - 1])
