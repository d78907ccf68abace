"""The outline of what is seen of an area, told apart: edges that stand over what is beneath, seams something lies in, lines."""

from dataclasses import dataclass

import numpy as np
import shapely
from shapely.geometry import LineString
from shapely.ops import unary_union

from ..geometry.polygon import pieces_of, polygon_of
from .overlap import UNIT_MM, Layers

#: units that an outline is cut into, and how far beside it is looked for what lies there
STEP, BESIDE = 4.0, 0.8
#: how far an edge faces up, -1 to 1, that takes light from above, and that takes the sharpest light
EXPOSED, SHARP = -0.1, 0.45
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


def edging_of(stack: Layers) -> dict[str, Edging]:
    """The edging of every area of a view.

    A piece of outline is a *foot* where something with lift lies over it there, *free* where the area itself has lift and
    what is beneath it shows beside it, or nothing; what belongs to one form, such as the quarters of a coat, is flush.
    """
    cuts = {name: cut_outline(stack.seen(name)) for name in stack.names()}
    beside = topmost(stack, np.vstack([cut[:, 4:6] for cut in cuts.values()]))
    inked = [polygon_of(mark.cmds) for mark in stack.marks if mark.kind == "ink"]
    ink = unary_union(inked) if inked else None
    found, at = {}, 0
    for name, cut in cuts.items():
        found[name] = _edging(stack, name, cut, beside[at : at + len(cut)], ink)
        at += len(cut)
    return found


def cut_outline(shape) -> np.ndarray:
    """An outline in short pieces, (n, 8): both ends, a point just outside, how it faces up, its length in units."""
    found = []
    for piece in pieces_of(shape):
        for at, ring in enumerate((piece.exterior, *piece.interiors)):
            points = np.asarray(shapely.segmentize(LineString(ring.coords), STEP).coords)
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


def topmost(stack: Layers, points: np.ndarray) -> np.ndarray:
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


def _edging(stack: Layers, name: str, cut: np.ndarray, beside: np.ndarray, ink) -> Edging:
    own = [number for number, area in enumerate(stack.areas) if area.name == name]
    lift, height = max(stack.areas[number].lift for number in own), own[-1]
    lifts = np.array([area.lift for area in stack.areas])
    forms = {stack.areas[number].form for number in own}
    flush = np.array([area.form in forms for area in stack.areas])[beside] & (beside >= 0)
    over = (beside > height) & (lifts[beside] > 0) & ~flush
    free = (beside < height) & (lift > 0) & ~flush | (beside < 0)
    up, length = cut[:, 6], cut[:, 7] * UNIT_MM

    def millimetres(which: np.ndarray) -> float:
        return round(float(length[which].sum()), 2)

    drawn = stack.seen(name).intersection(ink).area * UNIT_MM**2 / LINE_WIDTH if ink is not None else 0.0
    return Edging(
        millimetres(free), millimetres(free & (up >= EXPOSED)), millimetres(free & (up >= SHARP)), millimetres(over),
        round(float(drawn), 2), _corners(stack.seen(name), cut[free]), _lines(cut[free & (up >= SHARP)]), _lines(cut[over]),
    )  # fmt: skip


def _lines(cut: np.ndarray) -> str:
    """Pieces of outline as path text, moved inside by half of what an edge light is wide; those that follow each other as one."""
    inside = cut[:, :4] - np.tile(cut[:, 4:6] - (cut[:, :2] + cut[:, 2:4]) / 2, 2) * (INSIDE / BESIDE)
    drawn, run = [], []
    for one, start, end in zip(cut, inside[:, :2], inside[:, 2:], strict=True):
        if not run or np.hypot(*(one[:2] - run[-1][1])) > 1e-6:
            drawn.append([start])
        drawn[-1].append(end)
        run.append((one[:2], one[2:4]))
    return "".join(_line(points) for points in drawn)


def _line(points: list[np.ndarray]) -> str:
    kept = shapely.get_coordinates(LineString(points).simplify(DRAWN_WITHIN)).round(1)
    return "M" + "L".join(f"{x:g},{y:g}" for x, y in kept)


def _corners(shape, free: np.ndarray) -> int:
    """Convex corners of an outline that lie on free edges."""
    if not len(free):
        return 0
    edges = shapely.multilinestrings([shapely.linestrings(free[:, :4].reshape(-1, 2, 2))])[0]
    shapely.prepare(edges)
    count = 0
    for piece in pieces_of(shape.simplify(SMOOTHED)):
        ring = np.asarray(piece.exterior.coords)[:-1]
        if len(ring) < 3:
            continue
        before, after = ring - np.roll(ring, 1, 0), np.roll(ring, -1, 0) - ring
        turn = np.degrees(np.arctan2(before[:, 0] * after[:, 1] - before[:, 1] * after[:, 0], (before * after).sum(1)))
        sharp = ring[turn * (1 if shapely.is_ccw(piece.exterior) else -1) > CORNER]
        count += int(shapely.dwithin(shapely.points(sharp), edges, NEAR_CORNER).sum()) if len(sharp) else 0
    return count
