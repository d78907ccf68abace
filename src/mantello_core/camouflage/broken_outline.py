"""How far a pattern breaks a model's outline, read off the shapes."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
import shapely

from ..colour.difference import difference
from ..colour.spaces import Lab
from .laying import Patterned

#: an outline counts as broken within this of a change of colour, in patches
_WITHIN = 0.5
#: CIEDE2000 up to which a colour is taken for the ground's
_MELTS = 12.0
#: mm between places of the outline that are looked at, and how far inside it the ink is read
_STEP, _INSIDE = 0.25, (0.25, 0.5, 0.75)


@dataclass(frozen=True)
class Outline:
    """The outline of one view."""

    view: str
    #: mm of it that wear the pattern
    mm: float
    #: share of it that lies near a change of colour; changes on 100 mm; its longest run of one colour, mm
    broken: float
    changes: float
    longest: float
    #: share of it whose colour is the ground's
    melts: float


def outlines(result: Patterned, inks: Sequence[Lab] = (), ground: Lab | None = None) -> tuple[Outline, ...]:
    """The outlines of all views; in inks and against a ground also how much of them melts into it."""
    reach = _WITHIN * result.sized.size
    same = np.array(
        [ground is not None and difference(one, ground) < _MELTS for one in inks] or [False] * len(result.shares)
    )
    return tuple(
        _outline(view, labels, reach, same)
        for view, labels in zip(result.surface.views, result.labels, strict=True)
    )  # fmt: skip


def _outline(view, labels: np.ndarray, reach: float, same: np.ndarray) -> Outline:
    runs, total, broken, changes, melts = [0.0], 0.0, 0.0, 0, 0.0
    for part in shapely.get_parts(view.silhouette):
        ring = part.exterior
        step = ring.length / max(int(ring.length / _STEP), 8)
        xy = shapely.get_coordinates(shapely.line_interpolate_point(ring, np.arange(0, ring.length, step)))
        ink = _just_inside(view, labels, part, xy)
        camo, count = ink >= 0, len(ink)
        total += camo.sum() * step
        change = np.nonzero((ink != np.roll(ink, -1)) & camo & np.roll(camo, -1))[0]
        changes += len(change)
        if len(change):
            gap = np.abs(np.arange(count)[:, None] - (change + 0.5)[None, :])
            broken += ((np.minimum(gap, count - gap).min(1) * step <= reach) & camo).sum() * step
        melts += same[ink[camo]].sum() * step
        runs += _runs(ink, step)
    whole = float(total) or 1.0
    return Outline(
        view.name, float(total), float(broken) / whole, 100 * changes / whole, float(max(runs)), float(melts) / whole
    )


def _runs(ink: np.ndarray, step: float) -> list[float]:
    """Lengths of one colour along a closed outline, mm; cut at what does not wear the pattern."""
    count = len(ink)
    breaks = np.nonzero(ink != np.roll(ink, 1))[0]
    if not len(breaks):
        return [count * step] if ink[0] >= 0 else []
    return [
        ((second - first) % count or count) * step
        for first, second in zip(breaks, np.roll(breaks, -1), strict=True)
        if ink[first] >= 0
    ]


def _just_inside(view, labels: np.ndarray, part, xy: np.ndarray) -> np.ndarray:
    """The ink a hair inside every place of an outline; -1 where there is none."""
    along = np.roll(xy, -1, 0) - np.roll(xy, 1, 0)
    along /= np.maximum(np.linalg.norm(along, axis=1, keepdims=True), 1e-9)
    turn = 1 if part.exterior.is_ccw else -1
    inward = np.stack([-along[:, 1], along[:, 0]], 1) * turn
    pitch = view.x[1] - view.x[0]
    ink = np.full(len(xy), -1)
    for far in _INSIDE:
        at = xy + far * inward
        cols = np.clip(np.round((at[:, 0] - view.x[0]) / pitch).astype(int), 0, len(view.x) - 1)
        rows = np.clip(np.round((at[:, 1] - view.y[0]) / pitch).astype(int), 0, len(view.y) - 1)
        ink = np.where(ink < 0, labels[rows, cols], ink)
    return ink
