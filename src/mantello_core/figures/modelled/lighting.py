"""The light that a view of a surface is drawn in: a lamp at the upper left, the open sky, what stands before darkened."""

from functools import cached_property

import numpy as np
from scipy import ndimage
from scipy.sparse import coo_array
from scipy.sparse.csgraph import connected_components

from .seen import Seen
from .solid import Solid

#: of the lamp: what is lit without it, and what it adds; of the sky: what is lit in a hollow, and what the open adds
_LEAST, _LAMP, _HOLLOW, _OPEN = 0.25, 0.85, 0.35, 0.65
#: where the lamp stands by right, up and towards the viewer, for views from the side and from above
_SIDE, _ABOVE = (-0.42, 0.7, 0.6), (-0.5, 0.45, 0.8)
#: mm by which a part before another darkens it in full, by how much, within so many pixels
_DROP_MM, _DROP, _BESIDE = 1.2, 0.25, 5
#: faces that turn less than this from each other are one form, over which light runs on
_ONE_FORM = np.radians(30)
_NO_AREA = 1e-9


class Corners:
    """Values of faces carried over to their corners, each form apart, and read again anywhere on a face."""

    def __init__(self, solid: Solid):
        self.solid = solid

    @cached_property
    def _corner(self) -> np.ndarray:
        """Of every face its three corners, (m, 3); a point has one for each form that meets in it."""
        solid, count = self.solid, len(self.solid.faces)
        one, other = solid.pairs[np.abs(solid.turn) < _ONE_FORM].T
        _, form = connected_components(
            coo_array((np.ones(len(one)), (one, other)), shape=(count, count)), directed=False
        )
        key = solid.faces.astype(np.int64) * (int(form.max()) + 1) + form[:, None]
        return np.unique(key, return_inverse=True)[1].reshape(-1, 3)

    def of(self, values: np.ndarray) -> np.ndarray:
        """A value of every face as one of every corner: the mean of its faces by their mm²."""
        corner, count = self._corner, int(self._corner.max()) + 1
        weight = sum(np.bincount(corner[:, at], self.solid.mm2, minlength=count) for at in range(3))
        total = sum(np.bincount(corner[:, at], self.solid.mm2 * values, minlength=count) for at in range(3))
        return total / weight

    def on(self, values: np.ndarray, face: np.ndarray) -> np.ndarray:
        """Values of corners at the three corners of faces, (n, 3)."""
        return values[self._corner[face]]

    def at(self, values: np.ndarray, face: np.ndarray, share: np.ndarray) -> np.ndarray:
        """Values of corners read on faces; share: of each of the three corners, (n, 3)."""
        return (self.on(values, face) * share).sum(1)


def lit(corners: Corners, seen: Seen, open_sky: np.ndarray, axes) -> np.ndarray:
    """Light over its median of every pixel, 1 off the figure. open_sky: of every face; axes: of the view."""
    right, up, towards = (np.asarray(axis, float) for axis in axes)
    way = np.array(_ABOVE if abs(up[1]) < 0.5 else _SIDE) @ np.stack([right, up, towards])
    way /= np.linalg.norm(way)
    mask = seen.mask
    face, share = seen.face[mask], _shares(corners.solid, seen, right, up)
    normal = np.stack([corners.at(corners.of(corners.solid.normal[:, axis]), face, share) for axis in range(3)], 1)
    normal /= np.maximum(np.linalg.norm(normal, axis=1, keepdims=True), _NO_AREA)
    sky = corners.at(corners.of(open_sky), face, share)
    out = np.ones(mask.shape)
    out[mask] = (_LEAST + _LAMP * np.clip(normal @ way, 0, 1)) * (_HOLLOW + _OPEN * sky)
    nearest = ndimage.distance_transform_edt(~mask, return_distances=False, return_indices=True)
    out = ndimage.gaussian_filter(out[tuple(nearest)], 0.7)
    deep = np.where(mask, seen.depth, seen.depth[mask].min())
    drop = np.clip((ndimage.maximum_filter(deep, _BESIDE) - deep) / _DROP_MM, 0, 1)
    out *= 1 - _DROP * ndimage.gaussian_filter(drop, 0.8)
    return np.where(mask, out / float(np.median(out[mask])), 1.0)


def _shares(solid: Solid, seen: Seen, right: np.ndarray, up: np.ndarray) -> np.ndarray:
    """How much each corner of its face counts at every pixel of the figure, (n, 3)."""
    rows, columns = np.nonzero(seen.mask)
    x, y = (columns + 0.5 - seen.origin[0]) / seen.px_mm, (seen.origin[1] - rows - 0.5) / seen.px_mm
    faces = solid.faces[seen.face[rows, columns]]
    px, py = (solid.points @ right)[faces], (solid.points @ up)[faces]
    whole = (px[:, 1] - px[:, 0]) * (py[:, 2] - py[:, 0]) - (px[:, 2] - px[:, 0]) * (py[:, 1] - py[:, 0])
    whole = np.where(np.abs(whole) < _NO_AREA, _NO_AREA, whole)
    v = ((x - px[:, 0]) * (py[:, 2] - py[:, 0]) - (y - py[:, 0]) * (px[:, 2] - px[:, 0])) / whole
    w = ((px[:, 1] - px[:, 0]) * (y - py[:, 0]) - (py[:, 1] - py[:, 0]) * (x - px[:, 0])) / whole
    share = np.clip(np.stack([1 - v - w, v, w], 1), 0, 1)
    return share / np.maximum(share.sum(1, keepdims=True), _NO_AREA)
