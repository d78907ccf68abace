"""Millimetres and square millimetres of every area, measured on the surface itself."""

from collections.abc import Sequence

import numpy as np

from ..extent import EXPOSED, SHARP, UPWARD
from ..measured import Measured
from .sky import Sky
from .solid import Solid

#: a face that sees less of the sky than this lies in a recess
RECESS = 0.42
#: an edge catches a brush where it is rounder than this radius, mm, or turns by so much at once
EDGE_RADIUS, EDGE_TURN = 0.7, np.radians(30)
#: a line is a seam where it turns in by so much within a short way
SEAM_TURN = np.radians(25)
#: a face that looks down so much, and lies so near the ground, mm, is what the figure stands on, which nobody paints
DOWN, STOOD_ON_MM = -0.7, 0.3
#: the border of areas follows faces in a zigzag; a straight line beneath it is so much shorter
_ZIGZAG = 0.8
#: sharp edges that meet in a corner
_CORNER = 3
_RIGHT = np.pi / 2


def areas_measured(solid: Solid, area: np.ndarray, names: Sequence[str], sky: Sky) -> dict[str, Measured]:
    """Area name to what was measured. area: place among names of every face, -1 for none.

    An edge rounded over several faces turns by a right angle or so in all, so its length is mm times turn over a right angle,
    whether it is sharp or finely rounded.
    """
    stood_on = (solid.normal[:, 1] < DOWN) & (solid.centre[:, 1] < STOOD_ON_MM)
    reach = (sky.shown > 0) & ~stood_on
    one, other = solid.pairs.T
    bend = solid.turn / np.maximum(solid.across_mm, 1e-3)
    keen = (solid.turn > 0) & ((bend > 1 / EDGE_RADIUS) | (solid.turn > EDGE_TURN))
    edge = solid.edge_mm * np.clip(solid.turn, 0, None) / _RIGHT * keen
    hollow = (solid.turn < -SEAM_TURN) & reach[one] & reach[other]
    border = area[one] != area[other]
    seam = solid.edge_mm * np.where(border & ~keen, _ZIGZAG, np.where(hollow, np.clip(-solid.turn / _RIGHT, 0, 1), 0))
    up = (solid.normal[one, 1] + solid.normal[other, 1]) / 2
    corner = _corners(solid, keen & (solid.turn > EDGE_TURN))
    found = {}
    for number, name in enumerate(names):
        mine = area == number
        here = mine & reach
        mm2 = float(solid.mm2[here].sum())
        if not mm2:
            continue
        # an edge between two areas is half of each
        share = (here[one].astype(float) + here[other]) / 2
        surface = solid.mm2[here]
        found[name] = Measured(
            round(mm2, 2),
            round(float(solid.mm2[mine & ~reach].sum()), 2),
            round(float(surface[sky.open[here] < RECESS].sum() / mm2), 3),
            round(float((surface * (solid.normal[here, 1] > UPWARD) * sky.open[here]).sum() / mm2), 3),
            round(float((surface * sky.open[here]).sum() / mm2), 3),
            *(round(float((edge * share * (up > least)).sum()), 2) for least in (-2.0, EXPOSED, SHARP)),
            round(float((seam * np.where(border, (here[one] | here[other]), share)).sum()), 2),
            int(np.isin(np.flatnonzero(corner), solid.faces[here]).sum()),
        )
    return found


def _corners(solid: Solid, sharp: np.ndarray) -> np.ndarray:
    """Points at which so many sharp edges meet."""
    return np.bincount(solid.ends[sharp].ravel(), minlength=len(solid.points)) >= _CORNER
