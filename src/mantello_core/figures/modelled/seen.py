"""A surface as it is seen from one side: which face shows at each pixel, and how near it is."""

from dataclasses import dataclass

import numpy as np

from .solid import Solid

#: right, up and towards the viewer for each view
VIEWS = {
    "front": ((1, 0, 0), (0, 1, 0), (0, 0, 1)),
    "back": ((-1, 0, 0), (0, 1, 0), (0, 0, -1)),
    "left": ((0, 0, -1), (0, 1, 0), (1, 0, 0)),
    "right": ((0, 0, 1), (0, 1, 0), (-1, 0, 0)),
    "top": ((1, 0, 0), (0, 0, -1), (0, 1, 0)),
}
#: pixels of air about the figure; how fine depth is told; pixels that are worked on at once; a depth behind all
_MARGIN, _FINE, _AT_ONCE, _BEHIND = 3, (1 << 30) - 2, 1_500_000, -1e9
_NO_AREA, _INSIDE = 1e-12, 1e-6


@dataclass(frozen=True, eq=False)
class Seen:
    """One view straight from a side: of every pixel the face (-1: none) and its depth, towards the viewer, mm; column and row
    of the point 0, 0, 0; pixels a mm."""

    face: np.ndarray
    depth: np.ndarray
    origin: tuple[float, float]
    px_mm: float

    @property
    def mask(self) -> np.ndarray:
        """Where the figure is."""
        return self.face >= 0


def seen_from(solid: Solid, axes, px_mm: float) -> Seen:
    """A view by depth. axes: right, up and towards the viewer, each of length 1, as ``VIEWS`` has them.

    Every triangle that faces the viewer is tried at the pixels of its box, those of one size of box at a time.
    Source: the depth buffer (Catmull, 1974).
    """
    right, up, towards = (np.asarray(axis, float) for axis in axes)
    x, y, z = solid.points @ right * px_mm, -(solid.points @ up) * px_mm, solid.points @ towards
    left, top = np.floor(x.min()) - _MARGIN, np.floor(y.min()) - _MARGIN
    width, height = int(x.max() - left) + _MARGIN + 1, int(y.max() - top) + _MARGIN + 1
    face = np.flatnonzero(solid.normal @ towards > 1e-4)
    px, py, pz = (x - left)[solid.faces[face]], (y - top)[solid.faces[face]], z[solid.faces[face]]
    low, span = float(z.min()), max(float(np.ptp(z)), 1e-9)
    best = np.zeros(width * height, np.int64)
    x0, y0 = np.floor(px.min(1)).astype(int), np.floor(py.min(1)).astype(int)
    most = np.maximum(np.ceil(px.max(1)).astype(int) - x0, np.ceil(py.max(1)).astype(int) - y0) + 1
    size = 1 << np.ceil(np.log2(np.maximum(most, 1))).astype(int)
    for one in np.unique(size):
        group = np.flatnonzero(size == one)
        for block in np.array_split(group, max(1, len(group) * int(one) ** 2 // _AT_ONCE)):
            triangle, row, column, deep = _covered(px[block], py[block], pz[block], x0[block], y0[block], int(one))
            at = (y0[block][triangle] + row) * width + x0[block][triangle] + column
            key = (((deep - low) / span * _FINE).astype(np.int64) + 1 << 32) | face[block][triangle]
            np.maximum.at(best, at, key)
    shown = best > 0
    found = np.where(shown, best & 0xFFFFFFFF, -1).reshape(height, width)
    depth = np.where(shown, ((best >> 32) - 1) / _FINE * span + low, _BEHIND).reshape(height, width)
    return Seen(found, depth, (-left, -top), px_mm)


def _covered(px, py, pz, x0, y0, size: int):
    """Pixels of its box, so many wide and high, that each triangle covers: triangle, row, column, depth."""
    offset = np.arange(size) + 0.5
    cx, cy = x0[:, None, None] + offset[None, None, :], y0[:, None, None] + offset[None, :, None]
    ax, ay, bx, by, dx, dy = (one[:, at][:, None, None] for at in range(3) for one in (px, py))
    whole = (bx - ax) * (dy - ay) - (by - ay) * (dx - ax)
    whole = np.where(np.abs(whole) < _NO_AREA, _NO_AREA, whole)
    v = ((cx - ax) * (dy - ay) - (cy - ay) * (dx - ax)) / whole
    w = ((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) / whole
    triangle, row, column = np.nonzero((v >= -_INSIDE) & (w >= -_INSIDE) & (v + w <= 1 + _INSIDE))
    first = pz[triangle, 0]
    deep = first + v[triangle, row, column] * (pz[triangle, 1] - first)
    return triangle, row, column, deep + w[triangle, row, column] * (pz[triangle, 2] - first)
