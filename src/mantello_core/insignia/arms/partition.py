"""Fields as geometry: what lines of division make of a surface."""

import math
from collections.abc import Sequence

from shapely.geometry import Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from .coat import Divided, Parted, Plain, Strewn, Varied
from .line import Place, edge, frame
from .variation import varied_pieces

#: quarterly: with one line for both its lines, or for one of them alone
_CROSSES = ("cross", "cross-fess", "cross-pale")


def pieces(field, surface: BaseGeometry, low: float) -> list[tuple[BaseGeometry, str]]:
    """A field as pieces that cover the surface, each with its tincture. Strewn fields give their ground."""
    if isinstance(field, Plain):
        return [(surface, field.tincture)]
    if isinstance(field, Divided):
        return _divided(field, surface, low)
    if isinstance(field, Varied):
        return varied_pieces(field, surface)
    if isinstance(field, Strewn) and field.over:
        return pieces(field.over, surface, low)
    return [(surface, field.tincture)]


def parts_of(field: Parted, surface: BaseGeometry, low: float) -> list[BaseGeometry]:
    """What each part of a parted field is, in the order of its coats."""
    count = len(field.coats)
    if field.kind == "saltire" and count == 4:
        left, top, right, bottom, _ = frame(surface)
        x, y, far = (left + right) / 2, (top + bottom) / 2 + low, (right - left) + (bottom - top)
        wedges = [
            [(x, y), (x - far, y - far), (x + far, y - far)], [(x, y), (x - far, y - far), (x - far, y + far)],
            [(x, y), (x + far, y - far), (x + far, y + far)], [(x, y), (x - far, y + far), (x + far, y + far)],
        ]  # fmt: skip
        return [surface.intersection(Polygon(wedge)) for wedge in wedges]
    names = tuple(str(at) for at in range(count))
    found: dict[str, list[BaseGeometry]] = {}
    for shape, name in _divided(Divided(field.kind, names, field.line), surface, low):
        found.setdefault(name, []).append(shape)
    return [unary_union(found.get(name, [])) for name in names]


def _divided(field: Divided, surface, low) -> list[tuple[BaseGeometry, str]]:
    left, top, right, bottom, size = frame(surface)
    x, y, far = (left + right) / 2, (top + bottom) / 2 + low, (right - left) + (bottom - top)

    def side(points: Sequence[Place], *corners: Place) -> BaseGeometry:
        return Polygon([*points, *corners]).buffer(0)

    first, kind, line = None, field.kind, field.line
    upright, level = ("" if kind == one else line for one in ("cross-fess", "cross-pale"))
    if kind in ("pale", "tierced-pale", *_CROSSES):
        halves = side(
            edge((x, top - far), (x, bottom + far), upright, size), (left - far, bottom + far), (left - far, top - far)
        )
    if kind in ("fess", "tierced-fess", *_CROSSES):
        upper = side(
            edge((left - far, y), (right + far, y), level, size), (right + far, top - far), (left - far, top - far)
        )
    if kind == "pale":
        first = halves
    elif kind == "fess":
        first = upper
    elif kind in _CROSSES:
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
    elif kind in ("pall", "pall-reversed"):
        up = -far if kind == "pall" else far
        wedge = Polygon([(x, y), (x - far, y + up), (x + far, y + up)])
        dexter, sinister = (
            box(one, top - far, other, bottom + far).difference(wedge)
            for one, other in ((left - far, x), (x, right + far))
        )
        # named from the chief down and from the dexter on
        pieces = (wedge, dexter, sinister) if kind == "pall" else (dexter, sinister, wedge)
        first, second, *_ = field.tinctures
        return _within(list(zip(pieces, (first, second, field.tinctures[-1]), strict=True)), surface)
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
