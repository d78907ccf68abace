"""Fields and ordinaries as geometry: lines of division, bands, borders."""

import itertools
import math
from collections.abc import Sequence

from shapely.geometry import LineString, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from .coat import Divided, Ordinary, Plain, Varied

Point = tuple[float, float]
#: one wave, tooth or battlement, as a share of the surface's width; and how far it leaves the line
WAVE, DEPTH = 0.14, 0.042
#: repeated shapes: along 0 to 1 of one wave, off the line -1 to 1
_WAVES: dict[str, tuple[Point, ...]] = {
    "embattled": ((0, -1), (0.5, -1), (0.5, 1), (1, 1)),
    "indented": ((0, -1), (0.5, 1)),
    "dancetty": ((0, -1.8), (0.5, 1.8)),
    "raguly": ((0, -1), (0.5, -1), (0.35, 1.2), (0.85, 1.2)),
    "dovetailed": ((0.1, -1), (0.4, -1), (0.55, 1), (0.95, 1)),
    "wavy": tuple((at / 12, math.sin(2 * math.pi * at / 12)) for at in range(12)),
    "nebuly": tuple((at / 16 + 0.16 * math.sin(4 * math.pi * at / 16), 1.5 * math.sin(2 * math.pi * at / 16)) for at in range(16)),
    "engrailed": tuple((at / 10, 1 - 2 * abs(math.sin(math.pi * at / 10))) for at in range(10)),
    "invected": tuple((at / 10, 2 * abs(math.sin(math.pi * at / 10)) - 1) for at in range(10)),
}  # fmt: skip
#: widths of ordinaries as shares of the surface's width: plain, and when something lies on them
_WIDE = {"fess": (0.27, 0.34), "pale": (0.27, 0.34), "bend": (0.2, 0.3), "bend sinister": (0.2, 0.3), "chevron": (0.2, 0.28),
         "cross": (0.2, 0.3), "saltire": (0.19, 0.28), "pall": (0.19, 0.26), "fillet": (0.06, 0.06)}  # fmt: skip


def frame(surface: BaseGeometry) -> tuple[float, float, float, float, float]:
    """Left, top, right and bottom of a surface, and the width that lines are scaled by."""
    left, top, right, bottom = surface.bounds
    return left, top, right, bottom, min(right - left, bottom - top)


def edge(start: Point, end: Point, line: str, size: float) -> list[Point]:
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


def band(path: Sequence[Point], width: float, line: str, size: float) -> BaseGeometry:
    """A band of a width about a path, both its edges drawn as the line says."""
    if not line:
        return LineString(path).buffer(width / 2, cap_style="flat", join_style="mitre", mitre_limit=20)
    sides = []
    for sign in (1, -1):
        points: list[Point] = []
        for at, (one, two) in enumerate(_shifted(path, sign * width / 2)):
            points += edge(one, two, line, size)[1 if at else 0 :]
        sides.append(points)
    return Polygon(sides[0] + sides[1][::-1]).buffer(0)


def _shifted(path: Sequence[Point], by: float) -> list[tuple[Point, Point]]:
    """The path's pieces moved to one side, joined where they meet."""
    moved = LineString(path).offset_curve(by, join_style="mitre", mitre_limit=20)
    points = list(moved.coords)
    return list(itertools.pairwise(points))


def pieces(field, surface: BaseGeometry, low: float) -> list[tuple[BaseGeometry, str]]:
    """A field as pieces that cover the surface, each with its tincture. Strewn fields give their ground."""
    if isinstance(field, Plain):
        return [(surface, field.tincture)]
    if isinstance(field, Divided):
        return _divided(field, surface, low)
    if isinstance(field, Varied):
        return _varied(field, surface)
    return [(surface, field.tincture)]


def _divided(field: Divided, surface, low) -> list[tuple[BaseGeometry, str]]:
    left, top, right, bottom, size = frame(surface)
    x, y, far = (left + right) / 2, (top + bottom) / 2 + low, (right - left) + (bottom - top)

    def side(points: Sequence[Point], *corners: Point) -> BaseGeometry:
        return Polygon([*points, *corners]).buffer(0)

    first, kind, line = None, field.kind, field.line
    if kind in ("pale", "cross", "tierced-pale"):
        halves = side(
            edge((x, top - far), (x, bottom + far), line, size), (left - far, bottom + far), (left - far, top - far)
        )
    if kind in ("fess", "cross", "tierced-fess"):
        upper = side(
            edge((left - far, y), (right + far, y), line, size), (right + far, top - far), (left - far, top - far)
        )
    if kind == "pale":
        first = halves
    elif kind == "fess":
        first = upper
    elif kind == "cross":
        first = halves.symmetric_difference(upper).symmetric_difference(
            box(left - far, top - far, right + far, bottom + far)
        )
    elif kind in ("bend", "bend-sinister"):
        sign = 1 if kind == "bend" else -1
        start, end = (x - sign * far, y - far), (x + sign * far, y + far)
        first = side(edge(start, end, line, size), (x + sign * far, y - far))
    elif kind == "chevron":
        arms = [
            *edge((x - far, y + far), (x, y - size * 0.1), line, size),
            *edge((x, y - size * 0.1), (x + far, y + far), line, size)[1:],
        ]
        first = side(arms, (x + far, top - far), (x - far, top - far))
    elif kind == "saltire":
        wedges = [Polygon([(x, y), (x - far, y + sign * far), (x + far, y + sign * far)]) for sign in (1, -1)]
        first = unary_union(wedges)
    elif kind == "pall":
        first = Polygon([(x, y), (x - far, y - far), (x + far, y - far)])
        rest = [
            (first, field.tinctures[0]),
            (box(left - far, top - far, x, bottom + far).difference(first), field.tinctures[1]),
        ]
        rest.append((box(x, top - far, right + far, bottom + far).difference(first), field.tinctures[-1]))
        return _within(rest, surface)
    elif kind == "gyronny":
        step = 2 * math.pi / field.count
        turns = [(at * step - math.pi / 2, (at + 1) * step - math.pi / 2) for at in range(0, field.count, 2)]
        first = unary_union(
            [
                Polygon(
                    [
                        (x, y),
                        *(
                            (x + far * math.cos(one), y + far * math.sin(one))
                            for one in (low_, (low_ + high) / 2, high)
                        ),
                    ]
                )
                for low_, high in turns
            ]
        )
    else:
        return _tierced(field, surface)
    return _within([(first, field.tinctures[0]), (surface.difference(first), field.tinctures[1])], surface)


def _tierced(field: Divided, surface) -> list[tuple[BaseGeometry, str]]:
    left, top, right, bottom, size = frame(surface)
    found, far = [], size
    for at, tincture in enumerate(field.tinctures):
        if field.kind == "tierced-pale":
            wide = (right - left) / 3
            piece = box(left + at * wide, top - far, left + (at + 1) * wide, bottom + far)
        else:
            tall = (bottom - top) / 3
            piece = box(left - far, top + at * tall, right + far, top + (at + 1) * tall)
        found.append((piece, tincture))
    return _within(found, surface)


def _within(parts, surface) -> list[tuple[BaseGeometry, str]]:
    cut = [(surface.intersection(part).buffer(0), tincture) for part, tincture in parts]
    return [(part, tincture) for part, tincture in cut if part.area > 1e-6]


def _varied(field: Varied, surface) -> list[tuple[BaseGeometry, str]]:
    left, top, right, bottom, size = frame(surface)
    count, far = field.count or 6, (right - left) + (bottom - top)
    x, y = (left + right) / 2, (top + bottom) / 2
    stripes = []
    if field.kind == "barry":
        tall = (bottom - top) / count
        stripes = [
            _stripe(
                (left - far, top + (at + 0.5) * tall), (right + far, top + (at + 0.5) * tall), tall, field.line, size
            )
            for at in range(1, count, 2)
        ]
    elif field.kind in ("paly", "pily"):
        wide = (right - left) / count
        stripes = [
            _stripe(
                (left + (at + 0.5) * wide, top - far), (left + (at + 0.5) * wide, bottom + far), wide, field.line, size
            )
            for at in range(1, count, 2)
        ]
        if field.kind == "pily":
            stripes = [
                Polygon([(left + at * wide, top), (left + (at + 1) * wide, top), (left + (at + 0.5) * wide, bottom)])
                for at in range(1, count, 2)
            ]
    elif field.kind in ("bendy", "bendy sinister"):
        sign = 1 if field.kind == "bendy" else -1
        wide = (right - left + bottom - top) / math.sqrt(2) / count
        for at in range(1, count, 2):
            off = (at + 0.5 - count / 2) * wide * math.sqrt(2)
            stripes.append(
                _stripe(
                    (x - sign * far - sign * off / 2, y - far + off / 2),
                    (x + sign * far - sign * off / 2, y + far + off / 2),
                    wide,
                    field.line,
                    size,
                )
            )
    elif field.kind == "chevronny":
        tall = (bottom - top) / count * 1.3
        stripes = [
            band(
                [(x - far, y + far + off), (x, y + off), (x + far, y + far + off)],
                tall / math.sqrt(2),
                field.line,
                size,
            )
            for off in ((at - count / 2) * tall for at in range(1, count + 4, 2))
        ]
    elif field.kind == "checky":
        wide = (right - left) / count
        rows = math.ceil((bottom - top) / wide)
        stripes = [
            box(left + col * wide, top + row * wide, left + (col + 1) * wide, top + (row + 1) * wide)
            for row in range(rows)
            for col in range(count)
            if (row + col) % 2
        ]
    else:
        wide = (right - left) / count
        tall = wide * (1.4 if field.kind == "lozengy" else 2.2)
        rows = math.ceil((bottom - top) / tall) + 1
        stripes = [
            Polygon([(cx, cy - tall / 2), (cx + wide / 2, cy), (cx, cy + tall / 2), (cx - wide / 2, cy)])
            for row in range(rows) for col in range(count + 1)
            for cx, cy in ((left + col * wide, top + row * tall),)
        ]  # fmt: skip
    second = unary_union(stripes)
    return _within([(surface.difference(second), field.tinctures[0]), (second, field.tinctures[1])], surface)


def _stripe(start: Point, end: Point, width: float, line: str, size: float) -> BaseGeometry:
    return band([start, end], width, line, size)


def ordinary_shape(one: Ordinary, surface: BaseGeometry, low: float) -> BaseGeometry:
    """An ordinary, or several, as they lie on a surface."""
    left, top, right, bottom, size = frame(surface)
    x, y = (left + right) / 2, (top + bottom) / 2 + low
    if one.kind in _CROSSING:
        wide = _WIDE.get(one.kind, (0.1, 0.1))[bool(one.bears)] * size
        far = (right - left) + (bottom - top)
        shape = _bands(one.kind, one.line, wide, (x, y, far), (left, top, right, bottom, size))
    elif one.kind in ("bar", "pallet", "bendlet", "chevronel"):
        shape = unary_union(_several(one.kind, one.count, surface, y, one.line))
    elif one.kind in ("bordure", "orle"):
        shape = _around(one, surface, size)
    else:
        shape = _lying(one, (x, y), (left, top, right, bottom, size))
    return shape.intersection(surface).buffer(0)


#: ordinaries that are one or several bands from edge to edge
_CROSSING = ("fess", "fillet", "pale", "bend", "bend sinister", "chevron", "cross", "saltire", "pall")


def _bands(kind: str, line: str, wide: float, middle, within) -> BaseGeometry:
    (x, y, far), (left, top, right, bottom, size) = middle, within
    across, upright = [(left - far, y), (right + far, y)], [(x, top - far), (x, bottom + far)]
    falling, rising = ([(x - sign * far, y - far), (x + sign * far, y + far)] for sign in (1, -1))
    if kind == "pall":
        limbs = [[(x, y), (x - far, y - far)], [(x, y), (x + far, y - far)], [(x, y), (x, bottom + far)]]
        limbs.append([(x, y - 0.01), (x, y + 0.01)])
        return unary_union([band(limb, wide, "", size) for limb in limbs])
    courses = {
        "fess": [across], "fillet": [across], "pale": [upright], "bend": [falling], "bend sinister": [rising],
        "chevron": [[(x - far, y + far), (x, y - size * 0.02), (x + far, y + far)]],
        "cross": [upright, across], "saltire": [falling, rising],
    }  # fmt: skip
    return unary_union([band(course, wide, line, size) for course in courses[kind]])


def _around(one: Ordinary, surface: BaseGeometry, size: float) -> BaseGeometry:
    """A bordure along the edge, an orle within it."""
    thick = size * (0.15 if one.bears else 0.11)
    if one.kind == "bordure":
        outer, inner = surface, surface.buffer(-thick)
    else:
        outer, inner = surface.buffer(-thick * 0.9), surface.buffer(-thick * 1.6)
    return outer.difference(_lined(inner, one.line, size))


def _lying(one: Ordinary, middle, within) -> BaseGeometry:
    """An ordinary that lies against an edge, in a corner, or in the middle."""
    (x, y), (left, top, right, bottom, size) = middle, within
    kind, far = one.kind, (right - left) + (bottom - top)
    if kind in ("chief", "base"):
        tall = (bottom - top) * (0.3 if one.bears else 0.27)
        at = top + tall if kind == "chief" else bottom - tall * 1.1
        away = top - far if kind == "chief" else bottom + far
        inner = edge((left - far, at), (right + far, at), one.line, size)
        return Polygon([*inner, (right + far, away), (left - far, away)]).buffer(0)
    if kind in ("canton", "quarter"):
        share = 0.34 if kind == "canton" else 0.5
        return box(left - far, top - far, left + (right - left) * share, top + (bottom - top) * share)
    if kind == "pile":
        return unary_union(_piles(one.count, left, right, top, bottom))
    if kind == "flaunch":
        sides = [LineString([(side, top - far), (side, bottom + far)]).buffer(0.01) for side in (left, right)]
        return unary_union([*sides, *(_lens(side, y, size) for side in (left, right))])
    if kind == "gyron":
        return Polygon([(x, y), (left - far, y), (left - far, y - far)])
    if kind == "inescutcheon":
        return unary_union(_escutcheons(one.count, x, y, size))
    return _label(one.points, left, right, top, size)


def _several(kind: str, count: int, surface, y: float, line: str) -> list[BaseGeometry]:
    left, top, right, bottom, size = frame(surface)
    x, far = (left + right) / 2, (right - left) + (bottom - top)
    wide = size * (0.46 / (2 * count - 1) if count > 1 else 0.16)
    gap = wide * 2
    found = []
    for at in range(count):
        off = (at - (count - 1) / 2) * gap
        if kind == "bar":
            found.append(band([(left - far, y + off), (right + far, y + off)], wide, line, size))
        elif kind == "pallet":
            found.append(band([(x + off, top - far), (x + off, bottom + far)], wide, line, size))
        elif kind == "bendlet":
            off *= math.sqrt(2) / 2
            found.append(band([(x - far - off, y - far + off), (x + far - off, y + far + off)], wide, line, size))
        else:
            found.append(
                band([(x - far, y + far + off), (x, y + off), (x + far, y + far + off)], wide * 0.8, line, size)
            )
    return found


def _piles(count: int, left, right, top, bottom) -> list[Polygon]:
    step = (right - left) / count
    wide = step * (0.62 if count == 1 else 0.8)
    foot = top + (bottom - top) * 0.86
    return [
        Polygon([(mid - wide / 2, top - 1), (mid + wide / 2, top - 1), (mid, foot)])
        for mid in (left + (at + 0.5) * step for at in range(count))
    ]


def _lens(x: float, y: float, size: float) -> Polygon:
    return LineString([(x, y - size * 0.42), (x, y + size * 0.42)]).buffer(size * 0.2)


def _escutcheons(count: int, x, y, size) -> list[Polygon]:
    wide = size * (0.34 if count == 1 else 0.22)
    spots = [(x, y)] if count == 1 else [(x + (at - (count - 1) / 2) * wide * 1.3, y) for at in range(count)]
    return [
        Polygon([(sx - wide / 2, sy - wide * 0.6), (sx + wide / 2, sy - wide * 0.6), (sx + wide / 2, sy), (sx, sy + wide * 0.65), (sx - wide / 2, sy)])
        for sx, sy in spots
    ]  # fmt: skip


def _label(points: int, left, right, top, size) -> BaseGeometry:
    thick, drop = size * 0.055, size * 0.17
    y = top + size * 0.13
    bar = box(left - size, y, right + size, y + thick)
    width, span = size * 0.09, (right - left) * 0.72
    mids = [(left + right) / 2 + (at / (points - 1) - 0.5) * span for at in range(points)]
    return unary_union(
        [
            bar,
            *(
                Polygon(
                    [
                        (mid - width * 0.35, y),
                        (mid + width * 0.35, y),
                        (mid + width / 2, y + drop),
                        (mid - width / 2, y + drop),
                    ]
                )
                for mid in mids
            ),
        ]
    )


def _lined(inner: BaseGeometry, line: str, size: float) -> BaseGeometry:
    """An inner edge drawn as a line says, all round."""
    if not line or inner.is_empty:
        return inner
    ring = inner.exterior.simplify(size * 0.01)
    count = max(8, round(ring.length / (size * WAVE)))
    corners = [ring.interpolate(at / count, normalized=True) for at in range(count + 1)]
    points: list[Point] = []
    for one, two in itertools.pairwise(corners):
        points += edge((one.x, one.y), (two.x, two.y), line, math.dist((one.x, one.y), (two.x, two.y)) / WAVE)[:-1]
    return Polygon(points).buffer(0)
