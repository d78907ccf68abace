"""How far one has to go across an outline until a share of what it encloses lies behind."""

from collections.abc import Sequence

import numpy as np

from ..memory import remembered
from .rings import Ring, rings_of

#: strips an outline is cut into
STRIPS = 96


def levels(path: str, light: tuple[float, float], shares: Sequence[float]) -> tuple[float, ...]:
    """The places along the way from the light, as shares of the box, before which such shares of the area lie.

    path: as ``rings.rings_of`` reads it, filled by even and odd. light: from where one goes, x right and y down, in a box drawn
    as a square: 0 is the corner or side of the box that lies nearest to it, 1 the farthest one. Shares 0 to 1.
    """
    ends, behind = _behind(path, light)
    return tuple(float(np.interp(share, behind, ends)) for share in shares)


@remembered(6_000)
def _behind(path: str, light: tuple[float, float]) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """The ends of the strips along the way, and the share of the area before each."""
    start, stop = (np.concatenate(side) for side in zip(*map(_edges, rings_of(path)), strict=True))
    low, size = start.min(0), np.maximum(np.ptp(start, axis=0), 1e-9)
    start, stop = (start - low) / size - 0.5, (stop - low) / size - 0.5
    along = -np.array(light) / max(np.abs(light).sum(), 1e-9)
    across = np.array((-along[1], along[0]))
    begin, end = start @ along, stop @ along
    ends = np.linspace(begin.min(), begin.max(), STRIPS + 1)
    wide = _widths(begin, end, start @ across, stop @ across, (ends[1:] + ends[:-1]) / 2)
    behind = np.concatenate([[0.0], np.cumsum(wide)]) / max(wide.sum(), 1e-9)
    return tuple((ends + 0.5).tolist()), tuple(behind.tolist())


def _edges(ring: Ring) -> tuple[np.ndarray, np.ndarray]:
    points = np.array(ring, float)
    return points, np.roll(points, -1, axis=0)


def _widths(begin: np.ndarray, end: np.ndarray, left: np.ndarray, right: np.ndarray, at: np.ndarray) -> np.ndarray:
    """How much of each line across lies inside, (lines,)."""
    cut = (begin <= at[:, None]) != (end <= at[:, None])
    slope = (right - left) / np.where(begin == end, 1.0, end - begin)
    places = np.sort(np.where(cut, left + (at[:, None] - begin) * slope, np.inf), axis=1)
    number = np.arange(len(begin))
    # what lies between the first and second place of a line is inside, between the second and third outside, and so on
    inside = np.where(number < cut.sum(1)[:, None] // 2 * 2, places, 0.0)
    return (inside * np.where(number % 2, 1.0, -1.0)).sum(1)
