"""Lines of division: straight, or drawn as their name says; bands whose edges are such lines."""

import itertools
import math
from collections.abc import Sequence

from shapely.geometry import LineString, Polygon
from shapely.geometry.base import BaseGeometry

Place = tuple[float, float]
#: one wave, tooth or battlement, as a share of the surface's width; and how far it leaves the line
WAVE, DEPTH = 0.14, 0.042
#: repeated shapes: along 0 to 1 of one wave, off the line -1 to 1
_WAVES: dict[str, tuple[Place, ...]] = {
    "embattled": ((0, -1), (0.5, -1), (0.5, 1), (1, 1)),
    "indented": ((0, -1), (0.5, 1)),
    "dancetty": ((0, -1.8), (0.5, 1.8)),
    "raguly": ((0, -1), (0.5, -1), (0.35, 1.2), (0.85, 1.2)),
    "dovetailed": ((0.1, -1), (0.4, -1), (0.55, 1), (0.95, 1)),
    "potenty": ((0, -1), (0.3, -1), (0.3, 0.2), (0.15, 0.2), (0.15, 1.2), (0.85, 1.2), (0.85, 0.2), (0.7, 0.2), (0.7, -1), (1, -1)),
    "rayonny": ((0, -1.2), (0.2, -0.2), (0.1, 0.6), (0.3, 1.8), (0.32, 0.6), (0.45, -0.2), (0.5, -1.2), (0.7, -0.2), (0.6, 0.6), (0.8, 1.8), (0.82, 0.6), (0.95, -0.2)),
    "urdy": ((0, -1), (0.25, -1), (0.25, 0.4), (0.5, 1.4), (0.75, 0.4), (0.75, -1)),
    "wavy": tuple((at / 12, math.sin(2 * math.pi * at / 12)) for at in range(12)),
    "nebuly": tuple((at / 16 + 0.16 * math.sin(4 * math.pi * at / 16), 1.5 * math.sin(2 * math.pi * at / 16)) for at in range(16)),
    "engrailed": tuple((at / 10, 1 - 2 * abs(math.sin(math.pi * at / 10))) for at in range(10)),
    "invected": tuple((at / 10, 2 * abs(math.sin(math.pi * at / 10)) - 1) for at in range(10)),
}  # fmt: skip


def frame(surface: BaseGeometry) -> tuple[float, float, float, float, float]:
    """Left, top, right and bottom of a surface, and the width that lines are scaled by."""
    left, top, right, bottom = surface.bounds
    return left, top, right, bottom, min(right - left, bottom - top)


def edge(start: Place, end: Place, line: str, size: float) -> list[Place]:
    """The points of a line of division, whole waves between its ends; straight if it has no name."""
    length = math.dist(start, end)
    if not line or length < 1e-6:
        return [start, end]
    along = ((end[0] - start[0]) / length, (end[1] - start[1]) / length)
    across = (-along[1], along[0])
    count = max(2, round(length / (size * WAVE)))
    points = []
    for wave in range(count):
        for at, off in _WAVES[line]:
            far, away = (wave + at) * length / count, off * size * DEPTH
            points.append((start[0] + along[0] * far + across[0] * away, start[1] + along[1] * far + across[1] * away))
    return [start, *points, end]


def band(path: Sequence[Place], width: float, line: str, size: float) -> BaseGeometry:
    """A band of a width about a path, both its edges drawn as the line says."""
    if not line:
        return LineString(path).buffer(width / 2, cap_style="flat", join_style="mitre", mitre_limit=20)
    sides = []
    for sign in (1, -1):
        points: list[Place] = []
        for at, (one, two) in enumerate(_shifted(path, sign * width / 2)):
            points += edge(one, two, line, size)[1 if at else 0 :]
        sides.append(points)
    return Polygon(sides[0] + sides[1][::-1]).buffer(0)


def _shifted(path: Sequence[Place], by: float) -> list[tuple[Place, Place]]:
    """The path's pieces moved to one side, joined where they meet."""
    moved = LineString(path).offset_curve(by, join_style="mitre", mitre_limit=20)
    points = list(moved.coords)
    return list(itertools.pairwise(points))
