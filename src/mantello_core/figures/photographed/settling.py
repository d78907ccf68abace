"""Borders of areas laid on the nearest edge of the photograph, pixel by pixel, rather than on those of pieces."""

import numpy as np
from scipy import ndimage

from ..piecework.pieces import nearest_start
from .cutting import CutUp, pixel_pairs

#: pixels from a border that are handed out anew; pixels over which a stair is rounded
_REACH, _ROUND = 5, 1.4


def settled(cut: CutUp, labels: np.ndarray, given: np.ndarray) -> np.ndarray:
    """Areas of every pixel, -1 off the figure, with their borders settled.

    What lies deeper in an area than five pixels, or in the heart of a given piece, stays; a band along the borders is
    handed out by the way over the weakest edges; last, a stair is rounded by the majority about it. given: pieces.
    """
    seam = np.zeros(labels.shape, bool)
    seam[:, 1:] |= labels[:, 1:] != labels[:, :-1]
    seam[1:] |= labels[1:] != labels[:-1]
    seam &= labels >= 0
    if not seam.any():
        return labels
    deep = ndimage.distance_transform_edt(~seam)
    heart = ndimage.binary_erosion(np.isin(cut.labels, given))
    band = (deep < _REACH) & (labels >= 0) & ~(heart & (deep >= 2))
    for area in np.unique(labels[labels >= 0]):
        # what is thin keeps its middle
        box = _box(labels == area)
        here, within = labels[box] == area, deep[box]
        parts, count = ndimage.label(here)
        most = np.zeros(count + 1)
        np.maximum.at(most, parts[here], within[here])
        limit = np.minimum(np.maximum(0.6 * most, 1.0), _REACH)
        band[box][here & (within >= limit[parts])] = False
    work = ndimage.binary_dilation(band) & (labels >= 0)
    starts = np.flatnonzero(~band[work])
    if not len(starts):
        return labels
    _, pairs = pixel_pairs(work)
    edge = cut.border[work]
    cost = 0.35 + 40 * np.maximum(edge[pairs[:, 0]], edge[pairs[:, 1]]) ** 2
    nearest = nearest_start(pairs, cost, len(edge), starts)
    out, was = labels.copy(), labels[work]
    known = nearest < len(starts)
    out[work] = np.where(known, was[starts[np.minimum(nearest, len(starts) - 1)]], was)
    return _rounded(out)


def _box(here: np.ndarray, more: int = 0) -> tuple[slice, slice]:
    """The least box about what is here, and so many pixels more on every side."""
    rows, columns = np.flatnonzero(here.any(axis=1)), np.flatnonzero(here.any(axis=0))
    return (
        slice(max(int(rows[0]) - more, 0), int(rows[-1]) + 1 + more),
        slice(max(int(columns[0]) - more, 0), int(columns[-1]) + 1 + more),
    )


def _rounded(labels: np.ndarray) -> np.ndarray:
    """Each pixel given to the area that weighs most about it."""
    best, out = np.zeros(labels.shape, np.float32), labels.copy()
    for area in np.unique(labels[labels >= 0]):
        box = _box(labels == area, 6)
        weight = ndimage.gaussian_filter((labels[box] == area).astype(np.float32), _ROUND)
        more = weight > best[box]
        best[box][more], out[box][more] = weight[more], area
    out[labels < 0] = -1
    return out
