"""How much of the open sky each face sees: what lies deep sees little, what is hidden sees none."""

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from .seen import seen_from
from .solid import Solid

#: directions that the light of the sky comes from, pixels that each is looked at with, and pixels a mm at most
DIRECTIONS, ACROSS, _MOST_PX_MM = 48, 220, 8.0
#: how squarely a face must look to a direction; mm that a face may lie behind what is seen and still be it
_SLANT, _SLACK = 0.08, 0.12
#: faces that turn less than this from each other agree about the sky, after so many rounds
_ONE_FORM, _ROUNDS = np.radians(25), 8


@dataclass(frozen=True, eq=False)
class Sky:
    """Of every face: the share of the sky about its normal that it sees, and the share of all directions it shows in."""

    open: np.ndarray
    shown: np.ndarray


def sky_seen(solid: Solid, count: int = DIRECTIONS) -> Iterator[Sky | None]:
    """What every face sees of the sky. Yields None after each direction, so that it can be stopped, and what was found last.

    Directions are spread evenly over the sphere (by the golden angle); openness is the mean over them of the cosine to the
    normal where the face shows, over the same where it would if nothing stood before it.
    """
    px_mm = min(_MOST_PX_MM, ACROSS / float(np.ptp(solid.points, axis=0).max()))
    faces = len(solid.faces)
    could, does, shown = np.zeros(faces), np.zeros(faces), np.zeros(faces)
    for way in _spread(count):
        side = np.cross([0.31, 0.9, 0.2], way)
        side /= np.linalg.norm(side)
        up = np.cross(way, side)
        picture = seen_from(solid, (side, up, way), px_mm)
        slant = solid.normal @ way
        facing = np.flatnonzero(slant > _SLANT)
        column = (solid.centre[facing] @ side * px_mm + picture.origin[0]).astype(int)
        row = (picture.origin[1] - solid.centre[facing] @ up * px_mm).astype(int)
        near = picture.depth[row, column]
        free = solid.centre[facing] @ way > near - _SLACK - 0.3 / px_mm / slant[facing]
        could[facing] += slant[facing]
        does[facing] += slant[facing] * free
        shown[facing] += free
        yield None
    yield Sky(_agreed(solid, does / np.maximum(could, 1e-9)), shown / count)


def _spread(count: int) -> np.ndarray:
    at = np.arange(count) + 0.5
    polar, turn = np.arccos(1 - 2 * at / count), np.pi * (1 + 5**0.5) * at
    return np.stack([np.cos(turn) * np.sin(polar), np.cos(polar), np.sin(turn) * np.sin(polar)], 1)


def _agreed(solid: Solid, free: np.ndarray) -> np.ndarray:
    """One face tells roughly; its neighbours on one form agree."""
    one, other = solid.pairs[np.abs(solid.turn) < _ONE_FORM].T
    faces = len(free)
    weight = (
        solid.mm2
        + np.bincount(one, solid.mm2[other], minlength=faces)
        + np.bincount(other, solid.mm2[one], minlength=faces)
    )
    for _ in range(_ROUNDS):
        whole = free * solid.mm2
        total = (
            whole + np.bincount(one, whole[other], minlength=faces) + np.bincount(other, whole[one], minlength=faces)
        )
        free = total / weight
    return free
