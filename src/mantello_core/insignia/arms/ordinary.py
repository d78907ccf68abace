"""Ordinaries as geometry: bands, borders, and what lies on a surface of its own."""

import itertools
import math
from dataclasses import replace

from shapely import affinity
from shapely.geometry import LineString, Point, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...memory import remembered
from .charge import charge_shape
from .coat import Group, Ordinary
from .line import WAVE, Place, band, edge, frame

#: widths of ordinaries as shares of the surface's width: plain, and when something lies on them
_WIDE = {"fess": (0.27, 0.34), "pale": (0.27, 0.34), "bend": (0.2, 0.3), "bend sinister": (0.2, 0.3), "chevron": (0.2, 0.28),
         "cross": (0.2, 0.3), "saltire": (0.19, 0.28), "pall": (0.19, 0.26), "fillet": (0.06, 0.06)}  # fmt: skip


def ordinary_shape(one: Ordinary, surface: BaseGeometry, low: float) -> BaseGeometry:
    """An ordinary, or several, as they lie on a surface."""
    # tinctures, and what it lies among, do not matter; of what it bears, that there is some
    bears = (Group(1, "roundel", ""),) if one.bears else ()
    return _ordinary(
        Ordinary(one.kind, "", one.count, one.line, bears, points=one.points, manners=one.manners), surface, low
    )


@remembered(2_000)
def _ordinary(one: Ordinary, surface: BaseGeometry, low: float) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    x, y = (left + right) / 2, (top + bottom) / 2 + low
    if one.kind in _CROSSING:
        wide = _WIDE.get(one.kind, (0.1, 0.1))[bool(one.bears)] * size
        far = (right - left) + (bottom - top)
        shape = _bands(one.kind, one.line, wide, (x, y, far), (left, top, right, bottom, size))
    elif one.kind in ("bar", "pallet", "bendlet", "bendlet sinister", "chevronel", "bar gemel"):
        shape = unary_union(_several(one.kind, one.count, surface, y, one.line))
    elif one.kind in ("bordure", "orle", "tressure", "double tressure"):
        shape = _around(one, surface, size)
    else:
        shape = _lying(one, (x, y), (left, top, right, bottom, size))
    if "couped" in one.manners and one.kind in _CROSSING:
        shape = shape.intersection(Point(x, y).buffer(size * 0.42))
    if "rompu" in one.manners and one.kind in ("chevron", "fess", "bend", "bend sinister"):
        shape = _broken(shape, (x, size), (left, top, right, bottom))
    if "quarter pierced" in one.manners and one.kind == "cross":
        half = _WIDE.get(one.kind, (0.1, 0.1))[bool(one.bears)] * size * 0.8
        shape = shape.difference(box(x - half, y - half, x + half, y + half))
    if "voided" in one.manners and (inner := shape.buffer(-size * 0.055)).area:
        shape = shape.difference(inner)
    return shape.intersection(surface).buffer(0)


def _broken(shape: BaseGeometry, middle, within) -> BaseGeometry:
    """A band whose middle third stands higher than its ends."""
    (x, size), (_, top, _, bottom) = middle, within
    third, far = size * 0.13, bottom - top
    inner = box(x - third, top - far, x + third, bottom + far)
    raised = affinity.translate(shape.intersection(inner), 0, -size * 0.13)
    return shape.difference(inner).union(raised)


def laid_shape(one: Ordinary, surface: BaseGeometry, low: float) -> BaseGeometry:
    """The narrower ordinary that lies on another: of the same kind its middle, else as it lies on the field, as far as the other goes."""
    *_, size = frame(surface)
    body = ordinary_shape(replace(one, laid=None), surface, low)
    if one.laid.kind == one.kind and not one.laid.line:
        return body.buffer(-size * 0.055).intersection(body)
    if one.kind in ("fess", "chief", "base") and one.laid.kind in ("bar", "fess", "fillet"):
        left, top, right, bottom = body.bounds
        middle = [(left - size, (top + bottom) / 2), (right + size, (top + bottom) / 2)]
        return band(middle, (bottom - top) * 0.3, one.laid.line, size).intersection(body)
    return ordinary_shape(one.laid, surface, low).intersection(body)


def trim_shape(one: Ordinary, surface: BaseGeometry, low: float) -> BaseGeometry | None:
    """The cotises or the hem of an ordinary; None where it has none."""
    if not {"cotised", "double cotised", "fimbriated"} & set(one.manners):
        return None
    *_, size = frame(surface)
    body = ordinary_shape(replace(one, manners=(), line=one.trim_line or one.line), surface, low)
    if "fimbriated" in one.manners:
        return body.buffer(size * 0.028, join_style="mitre").difference(body).intersection(surface)
    gap, wide, found = size * (0.06 if one.trim_line else 0.035), size * 0.035, []
    for at in range(2 if "double cotised" in one.manners else 1):
        near = gap * (1 + 2 * at)
        outer, inner = (body.buffer(far, join_style="mitre", mitre_limit=20) for far in (near + wide, near))
        found.append(outer.difference(inner))
    return unary_union(found).intersection(surface).buffer(0)


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
    """A bordure along the edge, an orle within it, a tressure narrower still, once or twice, with lilies across if flory."""
    thick = size * (0.15 if one.bears else 0.11)
    if one.kind in ("tressure", "double tressure"):
        found = []
        for at in range(2 if one.kind == "double tressure" else 1):
            outer = surface.buffer(-size * (0.1 + 0.055 * at))
            found.append(outer.difference(outer.buffer(-size * 0.025)))
        if "flory" in one.manners:
            found += _lilies(surface.buffer(-size * (0.1 + (0.04 if one.kind == "double tressure" else 0.0125))), size)
        return unary_union(found)
    if one.kind == "bordure":
        outer, inner = surface, surface.buffer(-thick)
    else:
        outer, inner = surface.buffer(-thick * 0.9), surface.buffer(-thick * 1.6)
    return outer.difference(_lined(inner, one.line, size))


def _lilies(ring: BaseGeometry, size: float) -> list[BaseGeometry]:
    """Lilies along a ring, pointing out and in by turns."""
    line, found = ring.exterior, []
    count = max(8, round(line.length / (size * 0.26) / 2) * 2)
    lily = charge_shape("lily")
    for at in range(count):
        here, ahead = (line.interpolate((at + 0.5) / count + more, normalized=True) for more in (0.0, 0.004))
        turn = math.degrees(math.atan2(ahead.y - here.y, ahead.x - here.x)) + (180 if at % 2 else 0)
        small = affinity.scale(lily, size * 0.0011, size * 0.0011, origin=(0, 0))
        found.append(affinity.translate(affinity.rotate(small, turn, origin=(0, 0)), here.x, here.y))
    return found


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
        return _turned_from(unary_union(_piles(one, left, right, top, bottom)), one, middle, within)
    if kind == "flaunch":
        sides = [LineString([(side, top - far), (side, bottom + far)]).buffer(0.01) for side in (left, right)]
        return unary_union([*sides, *(_lens(side, y, size) for side in (left, right))])
    if kind == "gyron":
        turns = [Polygon([(x, y), (left - far, y), (left - far, y - far)])]
        return unary_union([affinity.rotate(turns[0], 360 * at / one.count, origin=(x, y)) for at in range(one.count)])
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
        elif kind == "bar gemel":
            found += [
                band([(left - far, y + off + each), (right + far, y + off + each)], wide * 0.34, line, size)
                for each in (-wide * 0.4, wide * 0.4)
            ]
        elif kind in ("bendlet", "bendlet sinister"):
            off *= math.sqrt(2) / 2
            sign = 1 if kind == "bendlet" else -1
            found.append(
                band(
                    [(x - sign * (far + off), y - far + off), (x + sign * (far - off), y + far + off)], wide, line, size
                )
            )
        else:
            found.append(
                band([(x - far, y + far + off), (x, y + off), (x + far, y + far + off)], wide * 0.8, line, size)
            )
    return found


def _piles(one: Ordinary, left, right, top, bottom) -> list[Polygon]:
    step = (right - left) / one.count
    wide = step * (0.62 if one.count == 1 else 0.8)
    foot, middle = top + (bottom - top) * 0.86, (left + right) / 2
    # in point: their tips meet
    gather = 0.12 if "in point" in one.manners else 1.0
    return [
        Polygon([(mid - wide / 2, top - 1), (mid + wide / 2, top - 1), (middle + (mid - middle) * gather, foot)])
        for mid in (left + (at + 0.5) * step for at in range(one.count))
    ]


def _turned_from(shape: BaseGeometry, one: Ordinary, middle, within) -> BaseGeometry:
    """Piles from the edge that they issue from."""
    (x, _), (left, top, right, bottom, _) = middle, within
    turn = next((turn for manner, turn in _FROM.items() if manner in one.manners), 0)
    if turn == 180:
        return affinity.scale(shape, 1, -1, origin=(x, (top + bottom) / 2))
    if turn:
        turned = affinity.rotate(shape, turn, origin=(x, (top + bottom) / 2))
        low, high, far, deep = turned.bounds
        wide, tall = (right - left) / (far - low), (bottom - top) / (deep - high) * 0.7
        centre = (x, (top + bottom) / 2)
        return affinity.scale(turned, wide, min(tall, 1.0), origin=centre)
    return shape


#: the edges that piles issue from besides the chief, and how they are turned
_FROM = {"reversed": 180, "issuant in base": 180, "issuant in dexter": -90, "issuant in sinister": 90}


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
    points: list[Place] = []
    for one, two in itertools.pairwise(corners):
        points += edge((one.x, one.y), (two.x, two.y), line, math.dist((one.x, one.y), (two.x, two.y)) / WAVE)[:-1]
    return Polygon(points).buffer(0)
