"""A model as a browser turns it: corners of its triangles with their way, their light and their area, in few bytes."""

import struct

import numpy as np

from .lighting import Corners
from .model import Model
from .solid import Solid

#: triangles that are turned at most; a model of more is thinned
MOST_TURNED = 120_000
#: what lies at the edge of the figure, in steps; of a way and of light, in steps
_STEPS, _WAY, _LIGHT = 30_000, 127, 255
#: an area that was given to none; areas that can be told apart
NO_AREA = 255
#: one corner: where it is, which way it looks, how much of the sky it sees, its area
_CORNER = np.dtype([("at", "<i2", 3), ("way", "i1", 3), ("sky", "u1"), ("area", "u1"), ("rest", "u1")])


def turned_surface(model: Model, area: np.ndarray, most: int = MOST_TURNED) -> bytes:
    """The surface as bytes: how many triangles (uint32), mm of one step (float32), then three corners of 12 bytes for each.

    area: place among the names of every patch, -1 for none. A model of more triangles than ``most`` is thinned: points of one
    cell become one, and triangles that lose a corner go.
    """
    solid, kept = model.solid, np.arange(len(model.solid.faces))
    corners = Corners(solid)
    points = solid.points
    if len(kept) > most:
        points, kept = _thinned(solid, most)
    step = float(np.abs(points).max()) / _STEPS
    found = np.zeros((len(kept), 3), _CORNER)
    found["at"] = np.round(points[solid.faces[kept]] / step)
    way = np.stack([corners.on(corners.of(solid.normal[:, axis]), kept) for axis in range(3)], -1)
    way /= np.maximum(np.linalg.norm(way, axis=-1, keepdims=True), 1e-9)
    found["way"] = np.round(way * _WAY)
    found["sky"] = np.round(np.clip(corners.on(corners.of(model.sky.open), kept), 0, 1) * _LIGHT)
    number = area[model.patch[kept]]
    found["area"] = np.where((number >= 0) & (number < NO_AREA), number, NO_AREA)[:, None]
    return struct.pack("<If", len(kept), step) + found.tobytes()


def _thinned(solid: Solid, most: int) -> tuple[np.ndarray, np.ndarray]:
    """Points moved to the middle of their cell's, and the faces that still have three."""
    cell = 1.5 * np.sqrt(float(solid.mm2.sum()) / most)
    _, group = np.unique(np.floor(solid.points / cell).astype(np.int64), axis=0, return_inverse=True)
    count = np.bincount(group)
    middle = np.stack([np.bincount(group, solid.points[:, axis]) / count for axis in range(3)], 1)
    a, b, c = (group[solid.faces[:, at]] for at in range(3))
    return middle[group], np.flatnonzero((a != b) & (b != c) & (a != c))
