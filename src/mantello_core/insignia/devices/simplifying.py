"""A drawing made bold enough for a brush: narrow gaps closed, thin parts dropped; and what became of each piece."""

from dataclasses import dataclass

from shapely import affinity
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...memory import remembered
from ..arms.arms_drawing import ArmsDrawing
from ..arms.worn import Piece

#: share of a piece that may go before it is drawn as a plain block instead
_KEPT = 0.6
#: how many lines long a thin part is that is thickened; shorter ones are points, and go
_LONG = 1.5


@dataclass(frozen=True)
class Simplified:
    """A drawing no part of which is finer than a brush's line, and what was done: in words, by what it was done to."""

    drawing: ArmsDrawing
    changed: tuple[tuple[str, str], ...]
    #: what is too small for any form of it
    lost: tuple[str, ...]


@remembered(8_000)
def simplified(drawing: ArmsDrawing, width_mm: float, line_mm: float) -> Simplified:
    """The drawing for a brush that draws lines so wide, on a surface so wide.

    Things of one kind are treated alike. Each piece is closed (gaps under a line fill, or grow to a line where the walls
    leave room), long parts under a line are thickened, short ones go. A piece that loses more than
    two fifths becomes a block: its hull, swollen to a line's width. Pieces smaller than a dot of the brush are lost.
    Raises: OutOfRange for the width.
    """
    line = line_mm / drawing.scale(width_mm)
    solids = [None if one.of == "field" else _opened(one.shape, line) for one in drawing.pieces]
    closed = {
        one.of for one, solid in zip(drawing.pieces, solids, strict=True) if solid and not _gap(one.shape, solid, line)
    }
    found, changed, lost = [], {}, []
    for piece, solid in zip(drawing.pieces, solids, strict=True):
        if solid is None:
            found.append(piece)
            continue
        shape, how = _bold(piece.shape, solid, line, drawing.surface, piece.of not in closed)
        if shape is None:
            lost.append(piece.of)
            continue
        if how:
            changed[piece.of] = how
        found.append(Piece(shape, piece.tincture, piece.of))
    return Simplified(ArmsDrawing(drawing.surface, tuple(found)), tuple(changed.items()), tuple(dict.fromkeys(lost)))


def _opened(shape: BaseGeometry, line: float) -> BaseGeometry:
    """The shape with gaps under a line filled and thin parts thickened, if they are long, or left out."""
    half = line / 2 * 0.98
    closed = shape.buffer(half, quad_segs=5).buffer(-half, quad_segs=5)
    opened = closed.buffer(-half, quad_segs=5).buffer(half, quad_segs=5)
    thin = closed.difference(opened.buffer(1e-6, quad_segs=5))
    strips = [
        strip.buffer(max(0.0, (line - 2 * strip.area / strip.length) / 2))
        for strip in getattr(thin, "geoms", [thin])
        if not strip.is_empty and max(_across(strip)) >= _LONG * line
    ]
    return (
        unary_union([opened, *strips])
        .buffer(half, quad_segs=5)
        .buffer(-2 * half, quad_segs=5)
        .buffer(half, quad_segs=5)
    )


def _across(shape: BaseGeometry) -> tuple[float, float]:
    left, top, right, bottom = shape.bounds
    return right - left, bottom - top


def _bold(
    shape: BaseGeometry, solid: BaseGeometry, line: float, surface: BaseGeometry, gaps: bool
) -> tuple[BaseGeometry | None, str]:
    """The shape for a line's width, and what was done to it; None if it is smaller than a dot."""
    half = line / 2 * 0.98
    gap = _gap(shape, solid, line) if gaps else None
    opened = solid.difference(gap) if gap else solid
    if not opened.is_empty and opened.area >= _KEPT * shape.area:
        grown, dropped = (
            solid.difference(shape).area > 0.02 * shape.area,
            shape.difference(solid).area > 0.02 * shape.area,
        )
        done = (
            ("its gap made wide enough", gap),
            ("gaps filled and thin parts thickened", grown and not gap),
            ("points left out", dropped),
        )
        words = ", ".join(said for said, true in done if true)
        return opened.intersection(surface), words
    hull = shape.convex_hull
    across, down = _across(hull)
    if hull.is_empty or max(across, down) < line:
        return None, ""
    swell = max(1.0, line / max(min(across, down), 1e-6))
    wide = affinity.scale(hull, swell if across < down else 1, 1 if across < down else swell)
    block = wide.buffer(-half, quad_segs=5).buffer(half, quad_segs=5)
    return (block.intersection(surface), "a plain block") if block.area > 0.2 * hull.area else (None, "")


def _gap(shape: BaseGeometry, opened: BaseGeometry, line: float) -> BaseGeometry | None:
    """What shows through a shape, grown to a line's width where its walls leave room; None if it has none that do."""
    parts = [part for part in getattr(shape, "geoms", [shape]) if part.geom_type == "Polygon"]
    holes = unary_union([Polygon(ring) for part in parts for ring in part.interiors])
    left = holes.difference(opened.buffer(-1e-6, quad_segs=5)) if not holes.is_empty else holes
    if holes.is_empty or left.area > 0.9 * holes.area:
        return None
    grown = holes.buffer(line / 2, quad_segs=5).intersection(opened.buffer(-line, quad_segs=5))
    wide = grown.buffer(-line / 2 * 0.98, quad_segs=5).buffer(line / 2 * 0.98, quad_segs=5)
    return wide if wide.area >= 0.6 * line * line else None
