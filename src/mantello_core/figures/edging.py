"""The outline of what is seen of an area, told apart: edges that stand over what is beneath, seams something lies in, lines."""

from dataclasses import dataclass

import numpy as np
import shapely
from shapely.ops import unary_union

from ..geometry.polygon import pieces_of, polygon_of
from .extent import EXPOSED, SHARP
from .overlap import UNIT_MM, Layers

#: units that an outline is cut into, and how far beside it is looked for what lies there
STEP, BESIDE = 4.0, 0.8
#: mm that a drawn line is wide, and degrees from which an outline turns a corner
LINE_WIDTH, CORNER = 0.12, 40.0
#: units that drawn edges lie inside the outline, and that they are simplified by
INSIDE, DRAWN_WITHIN = 1.0, 0.4
#: units within which a corner belongs to an edge, and that outlines are smoothed by before corners are looked for
NEAR_CORNER, SMOOTHED = 1.0, 0.5


@dataclass(frozen=True)
class Edging:
    """Lengths of one area in one view, mm."""

    #: edges that stand over a neighbour or the outline of the figure; of them, facing up or level, and facing up
    free_mm: float
    exposed_mm: float
    sharp_mm: float
    #: where something raised lies over it: seams in which washes pool
    foot_mm: float
    #: lines drawn on it
    line_mm: float
    #: corners between free edges
    corners: int
    #: path text of sharp edges, and of seams that something raised lies in, just inside the area
    sharp_d: str
    foot_d: str


@dataclass(frozen=True)
class Outline:
    """The outline of what is seen of an area, in short pieces, told apart."""

    #: as ``_cut`` gives it, (n, 8); which pieces are feet, and which are free, (n,); lift of what lies beside each, (n,)
    cut: np.ndarray
    foot: np.ndarray
    free: np.ndarray
    beside_lift: np.ndarray
    #: the area's own lift
    lift: float


def outlines(stack: Layers) -> dict[str, Outline]:
    """The outline of every area of a view.

    A piece of it is a *foot* where something with lift lies over the area there, *free* where the area itself has lift and
    what is beneath it shows beside it, or nothing; what belongs to one form, such as the quarters of a coat, is flush.
    """
    cuts = {name: _cut(stack.seen(name)) for name in stack.names()}
    every = _topmost(stack, np.vstack([cut[:, 4:6] for cut in cuts.values()]))
    lifts = np.array([area.lift for area in stack.areas])
    found, at = {}, 0
    for name, cut in cuts.items():
        beside = every[at : at + len(cut)]
        at += len(cut)
        own = [number for number, area in enumerate(stack.areas) if area.name == name]
        forms = {stack.areas[number].form for number in own}
        flush = np.array([area.form in forms for area in stack.areas])[beside] & (beside >= 0)
        lift = float(lifts[own].max())
        foot = (beside > own[-1]) & (lifts[beside] > 0) & ~flush
        free = (beside < own[-1]) & (lift > 0) & ~flush | (beside < 0)
        found[name] = Outline(cut, foot, free, lifts[beside], lift)
    return found


def edging_of(stack: Layers) -> dict[str, Edging]:
    """The edging of every area of a view."""
    inked = [polygon_of(mark.cmds) for mark in stack.marks if mark.kind == "ink"]
    ink = unary_union(inked) if inked else None
    shapely.prepare(ink)
    return {name: _edging(stack.seen(name), outline, ink) for name, outline in outlines(stack).items()}


def _cut(shape) -> np.ndarray:
    """An outline in short pieces, (n, 8): both ends, a point just outside, how it faces up, its length in units."""
    found = []
    for piece in pieces_of(shape):
        for at, ring in enumerate((piece.exterior, *piece.interiors)):
            # as a line of its own, since what is cut of a shape on a grid is snapped to it
            points = shapely.get_coordinates(
                shapely.segmentize(shapely.linestrings(shapely.get_coordinates(ring)), STEP)
            )
            start, end = points[:-1], points[1:]
            way = end - start
            length = np.hypot(*way.T)
            kept = length > 1e-6
            start, end, way, length = start[kept], end[kept], way[kept], length[kept]
            out = np.column_stack([way[:, 1], -way[:, 0]]) / length[:, None]
            if shapely.is_ccw(ring) != (at == 0):  # a hole's inside is without
                out = -out
            found.append(np.column_stack([start, end, (start + end) / 2 + BESIDE * out, -out[:, 1], length]))
    return np.vstack(found) if found else np.zeros((0, 8))


def _topmost(stack: Layers, points: np.ndarray) -> np.ndarray:
    """The number of the topmost piece at each point; -1 where there is none."""
    found = np.full(len(points), -1)
    for number in range(len(stack.areas) - 1, -1, -1):
        shape = stack.areas[number].poly
        left, top, right, bottom = shape.bounds
        near = (found < 0) & (points[:, 0] >= left) & (points[:, 0] <= right) & (points[:, 1] >= top) & (points[:, 1] <= bottom)  # fmt: skip
        asked = np.flatnonzero(near)
        if len(asked):
            shapely.prepare(shape)
            found[asked[shapely.contains_xy(shape, points[asked, 0], points[asked, 1])]] = number
    return found


def _edging(shape, outline: Outline, ink) -> Edging:
    cut, free = outline.cut, outline.free
    up, length = cut[:, 6], cut[:, 7] * UNIT_MM

    def millimetres(which: np.ndarray) -> float:
        return round(float(length[which].sum()), 2)

    inked = ink is not None and ink.intersects(shape)
    drawn = shape.intersection(ink).area * UNIT_MM**2 / LINE_WIDTH if inked else 0.0
    return Edging(
        millimetres(free), millimetres(free & (up >= EXPOSED)), millimetres(free & (up >= SHARP)), millimetres(outline.foot),
        round(float(drawn), 2), len(corners_of(shape, cut[free])), _lines(cut[free & (up >= SHARP)]), _lines(cut[outline.foot]),
    )  # fmt: skip


def _lines(cut: np.ndarray) -> str:
    """Pieces of outline as path text, moved inside by half of what an edge light is wide; those that follow each other as one."""
    if not len(cut):
        return ""
    inside = cut[:, :4] - np.tile(cut[:, 4:6] - (cut[:, :2] + cut[:, 2:4]) / 2, 2) * (INSIDE / BESIDE)
    first = np.concatenate([[True], np.hypot(*(cut[1:, :2] - cut[:-1, 2:4]).T) > 1e-6])
    # of every line the start of its first piece, and the end of all
    points = np.insert(inside[:, 2:], np.flatnonzero(first), inside[first, :2], axis=0)
    which = np.insert(np.cumsum(first) - 1, np.flatnonzero(first), np.arange(first.sum()))
    kept, line = shapely.get_coordinates(
        shapely.simplify(shapely.linestrings(points, indices=which), DRAWN_WITHIN), return_index=True
    )
    begins = np.concatenate([[True], line[1:] != line[:-1]]).tolist()
    steps = zip(kept.round(1).tolist(), begins, strict=True)
    return "".join([f"{'M' if begin else 'L'}{x:g},{y:g}" for (x, y), begin in steps])


def corners_of(shape, free: np.ndarray) -> np.ndarray:
    """Convex corners of an outline that lie on free edges, (n, 2). free: the pieces of it that are free, as in ``Outline``."""
    if not len(free):
        return np.zeros((0, 2))
    found = [np.zeros((0, 2))]
    for piece in pieces_of(shape.simplify(SMOOTHED)):
        ring = shapely.get_coordinates(piece.exterior)[:-1]
        if len(ring) < 3:
            continue
        before, after = ring - np.roll(ring, 1, 0), np.roll(ring, -1, 0) - ring
        turn = np.degrees(np.arctan2(before[:, 0] * after[:, 1] - before[:, 1] * after[:, 0], (before * after).sum(1)))
        sharp = ring[turn * (1 if shapely.is_ccw(piece.exterior) else -1) > CORNER]
        found.append(sharp)
    corners = np.vstack(found)
    if not len(corners):
        return corners
    edges = shapely.multilinestrings([shapely.linestrings(free[:, :4].reshape(-1, 2, 2))])[0]
    shapely.prepare(edges)
    return corners[shapely.dwithin(edges, shapely.points(corners), NEAR_CORNER)]
