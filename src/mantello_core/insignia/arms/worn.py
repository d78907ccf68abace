"""Shapes in what they wear: a tincture, a pattern, counterchanged with what lies beneath, strewn with small charges."""

from collections.abc import Iterable
from dataclasses import dataclass

from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from .charge import placed
from .coat import Group, Ordinary, Strewn
from .line import band, frame
from .partition import pieces
from .tincture import COUNTERCHANGED, PROPER
from .undrawn import detail_shapes

#: what 'proper' is drawn in, where nothing else is known
PROPER_AS = "tenny"
#: square units below which a piece is none
SLIVER = 1e-6


@dataclass(frozen=True, eq=False)
class Piece:
    """One part of the drawing, from the back to the front: where it lies, its tincture, and what it is of."""

    shape: BaseGeometry
    tincture: str
    #: 'field', or the words of what it belongs to
    of: str


def worn(shape: BaseGeometry, one: Ordinary | Group, parts, of: str) -> Iterable[Piece]:
    """A shape in its tincture or its pattern; nothing where nothing of it is left."""
    if shape.is_empty:
        return
    details = tuple(detail_shapes(shape, one.charge, one.details)) if isinstance(one, Group) else ()
    yield from (Piece(part, tincture, words) for part, tincture, words in details if words.startswith("barbs"))
    yield from _covered(shape, one, parts, of)
    yield from (Piece(part, tincture, words) for part, tincture, words in details if words.startswith("seeds"))


def _covered(shape: BaseGeometry, one: Ordinary | Group, parts, of: str) -> Iterable[Piece]:
    if one.pattern is None:
        yield from tinted(shape, one.tincture, parts, of)
        return
    for part, tincture in pieces(one.pattern, shape, 0.0):
        yield Piece(part, tincture, of)
    if isinstance(one.pattern, Strewn):
        for piece in strewn_pieces(one.pattern, shape, 2.6):
            yield Piece(piece.shape, piece.tincture, of)


def tinted(shape: BaseGeometry, tincture: str, parts, of: str) -> Iterable[Piece]:
    """A shape in its tincture; counterchanged, in the field's tinctures the other way round."""
    if tincture != COUNTERCHANGED:
        yield Piece(shape, PROPER_AS if tincture == PROPER else tincture, of)
        return
    known = list(dict.fromkeys(name for _, name in parts))
    for part, name in parts:
        other = known[(known.index(name) + 1) % len(known)]
        cut = shape.intersection(part)
        if cut.area > SLIVER:
            yield Piece(cut, other, of)


def strewn_pieces(field: Strewn, surface: BaseGeometry, across: float = 4.0) -> Iterable[Piece]:
    """What is strewn on a surface. across: how many fit side by side."""
    left, top, right, bottom, size = frame(surface)
    if field.charge == "fret":
        step, far = size / 3.2, right - left + bottom - top
        bands = [
            band([(left + at * step - far, top - sign * far), (left + at * step + far, top + sign * far)], size * 0.07, "", size)
            for at in range(-8, 14) for sign in (1, -1)
        ]  # fmt: skip
        yield Piece(unary_union(bands).intersection(surface), field.of, "fret")
        return
    step = size / across
    for row in range(int((bottom - top) / step) + 1):
        for column in range(int((right - left) / step) + 2):
            x, y = left + (column + 0.5 * (row % 2)) * step, top + (row + 0.5) * step
            whole = placed(field.charge, "", x, y, step * 0.62, step * 0.62)
            shape = whole.intersection(surface)
            if shape.area > whole.area * 0.35:
                yield Piece(shape, field.of, field.charge)
