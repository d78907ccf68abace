"""Fields of repeated pieces: bars, pales, bends, chequers, lozenges, scales, bells of vair, one row of squares round a border."""

import math
from collections.abc import Callable

from shapely import affinity
from shapely.geometry import Point, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from .coat import Varied
from .fur import fur_marks
from .line import band, frame

#: pieces where nothing is said
_USUAL = 6
#: a ring is one whose hole takes so much of what it encloses
_RING = 0.3


def varied_pieces(field: Varied, surface: BaseGeometry) -> list[tuple[BaseGeometry, str]]:
    """The pieces of a varied field, with their tinctures, over all of a surface."""
    if surface.is_empty or surface.area < 1e-9:
        return []
    second = _SECOND[field.kind](field, surface).intersection(surface).buffer(0)
    parts = [(surface.difference(second), field.tinctures[0]), (second, field.tinctures[1])]
    return [(part, tincture) for part, tincture in parts if part.area > 1e-6]


def _barry(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    count, far = field.count or _USUAL, (right - left) + (bottom - top)
    tall = (bottom - top) / count
    return unary_union([
        band([(left - far, top + (at + 0.5) * tall), (right + far, top + (at + 0.5) * tall)], tall, field.line, size)
        for at in range(1, count, 2)
    ])  # fmt: skip


def _paly(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    count, far = field.count or _USUAL, (right - left) + (bottom - top)
    wide = (right - left) / count
    return unary_union([
        band([(left + (at + 0.5) * wide, top - far), (left + (at + 0.5) * wide, bottom + far)], wide, field.line, size)
        for at in range(1, count, 2)
    ])  # fmt: skip


def _pily(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, _ = frame(surface)
    count = field.count or _USUAL
    wide = (right - left) / count
    return unary_union([
        Polygon([(left + at * wide, top), (left + (at + 1) * wide, top), (left + (at + 0.5) * wide, bottom)]) for at in range(1, count, 2)
    ])  # fmt: skip


def _barry_pily(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, _ = frame(surface)
    count = field.count or _USUAL
    tall = (bottom - top) / count
    return unary_union([
        Polygon([(left, top + at * tall), (left, top + (at + 1) * tall), (right, top + (at + 0.5) * tall)]) for at in range(1, count, 2)
    ])  # fmt: skip


def _bendy(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    count, far = field.count or _USUAL, (right - left) + (bottom - top)
    x, y = (left + right) / 2, (top + bottom) / 2
    sign = -1 if field.kind == "bendy sinister" else 1
    wide = (right - left + bottom - top) / math.sqrt(2) / count
    stripes = []
    for at in range(1, count, 2):
        off = (at + 0.5 - count / 2) * wide * math.sqrt(2)
        course = [
            (x - sign * far - sign * off / 2, y - far + off / 2),
            (x + sign * far - sign * off / 2, y + far + off / 2),
        ]
        stripes.append(band(course, wide, field.line, size))
    return unary_union(stripes)


def _chevronny(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    count, far = field.count or _USUAL, (right - left) + (bottom - top)
    x, y = (left + right) / 2, (top + bottom) / 2
    tall = (bottom - top) / count * 1.3
    return unary_union([
        band([(x - far, y + far + off), (x, y + off), (x + far, y + far + off)], tall / math.sqrt(2), field.line, size)
        for off in ((at - count / 2) * tall for at in range(1, count + 4, 2))
    ])  # fmt: skip


def _crossed(one: str, other: str) -> Callable[[Varied, BaseGeometry], BaseGeometry]:
    """Two variations over each other, counterchanged."""

    def second(field: Varied, surface: BaseGeometry) -> BaseGeometry:
        both = [_SECOND[kind](Varied(kind, field.tinctures, "", field.count), surface) for kind in (one, other)]
        return both[0].symmetric_difference(both[1])

    return second


def _checky(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, size = frame(surface)
    count = field.count or _USUAL
    # a chequered fess has three rows
    wide = min(right - left, bottom - top) / field.rows if field.rows else min((right - left) / count, size / 3)
    across, down = math.ceil((right - left) / wide - 1e-9), math.ceil((bottom - top) / wide - 1e-9)
    return unary_union([
        box(left + col * wide, top + row * wide, left + (col + 1) * wide, top + (row + 1) * wide)
        for row in range(down) for col in range(across) if (row + col) % 2
    ])  # fmt: skip


def _lozenges(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, _ = frame(surface)
    count = field.count or _USUAL
    wide = (right - left) / count
    tall = wide * (2.2 if field.kind == "fusily" else 1.4)
    rows = math.ceil((bottom - top) / tall) + 1

    def lozenge(x: float, y: float, share: float) -> Polygon:
        return Polygon(
            [(x, y - share * tall / 2), (x + share * wide / 2, y), (x, y + share * tall / 2), (x - share * wide / 2, y)]
        )

    places = [(left + col * wide, top + row * tall) for row in range(rows) for col in range(count + 1)]
    whole = unary_union([lozenge(x, y, 1) for x, y in places])
    return whole.difference(unary_union([lozenge(x, y, 0.5) for x, y in places])) if field.kind == "masculy" else whole


def _vairy(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    *_, size = frame(surface)
    return fur_marks("vair", surface, max(size / _USUAL, size * 0.12))


def _scaly(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    left, top, right, bottom, _ = frame(surface)
    wide = (right - left) / (field.count or _USUAL)
    scale = Point(0, 0).buffer(wide / 2, 16)
    rim = scale.difference(affinity.scale(scale, 0.7, 0.7)).intersection(box(-wide, 0, wide, wide))
    return unary_union([
        affinity.translate(rim, left + (col + 0.5 * (row % 2)) * wide, top + row * wide / 2)
        for row in range(-1, math.ceil((bottom - top) / wide * 2) + 1) for col in range(math.ceil((right - left) / wide) + 1)
    ])  # fmt: skip


def _compony(field: Varied, surface: BaseGeometry) -> BaseGeometry:
    """One row of squares: round a ring, else along a band; each part of a surface has a row of its own."""
    if surface.geom_type != "Polygon":
        return unary_union([_compony(field, part) for part in getattr(surface, "geoms", ()) if part.area > 0])
    left, top, right, bottom, size = frame(surface)
    x, y, far = (left + right) / 2, (top + bottom) / 2, (right - left) + (bottom - top)
    hull = Polygon(surface.exterior)
    if surface.area < (1 - _RING) * hull.area:
        line = hull.exterior
        count = field.count or max(12, round(line.length / (size * 0.16) / 2) * 2)
        marks = [line.interpolate(at / count, normalized=True) for at in range(count + 1)]
        return unary_union([
            Polygon([(x, y), *((x + 3 * (mark.x - x), y + 3 * (mark.y - y)) for mark in marks[at : at + 2])]) for at in range(0, count, 2)
        ])  # fmt: skip
    wide, tall = right - left, bottom - top
    count = field.count or _USUAL
    if wide >= 0.8 * tall:
        return unary_union(
            [
                box(left + at * wide / count, top - far, left + (at + 1) * wide / count, bottom + far)
                for at in range(1, count, 2)
            ]
        )
    return unary_union(
        [
            box(left - far, top + at * tall / count, right + far, top + (at + 1) * tall / count)
            for at in range(1, count, 2)
        ]
    )


_SECOND: dict[str, Callable[[Varied, BaseGeometry], BaseGeometry]] = {
    "barry": _barry, "paly": _paly, "pily": _pily, "barry pily": _barry_pily, "bendy": _bendy, "bendy sinister": _bendy, "chevronny": _chevronny,
    "checky": _checky, "lozengy": _lozenges, "fusily": _lozenges, "masculy": _lozenges, "vairy": _vairy, "scaly": _scaly, "compony": _compony,
    "barry bendy": _crossed("barry", "bendy"), "paly bendy": _crossed("paly", "bendy"),
}  # fmt: skip
