"""Sheets of masks and guides of a pattern at true size, A4 across: what is cut, where it lies, in which order it is laid."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from xml.sax.saxutils import escape

import shapely

from ..camouflage.laying import Patterned
from ..camouflage.masks import MaskPiece, mask_pieces
from ..geometry import overlay as safe
from ..geometry.polygon import path_data

#: mm of the page and of its margin; mm between rows; mm of the bar that proves the size
PAGE, MARGIN, GAP, BAR = (297.0, 210.0), 14.0, 9.0, 50.0
#: mm that a mask reaches over the edge of the areas, so that it can be pressed down round it
OVER = 0.6
_FONT = "font-family=\"'Alegreya Sans'\""
_CUT, _MARK, _PALE = "#c02a1e", "#0a7a4b", "#c9c9c9"


@dataclass(frozen=True)
class Sheet:
    """One page as an SVG document, and what it is."""

    title: str
    svg: str


def mask_sheets(result: Patterned, names: Sequence[str], titled: str, *, mirrored: bool = False) -> Iterator[Sheet]:
    """For every ink but the last the pages of masks that cover what stays of it before the next is sprayed.

    On the left where the pieces lie, on the right the pieces to cut, turned over if they are cut from the back of the film;
    green marks of both fall on one another. names: of the inks. titled: pattern and figure.
    """
    for ink in range(len(names) - 1):
        title = f"{titled}: cover what stays {names[ink]}"
        rows = []
        for view, pieces in mask_pieces(result, ink):
            source = result.surface.view(view)
            if not source.region.is_empty:
                rows.append((view, source, (_lies(source, pieces), _to_cut(source, pieces, result.sized.per_mm))))
        note = "Cut along the red line; the thin grey one is the true edge." + (
            " Turned over, for cutting from the back of the film." if mirrored else ""
        )
        yield from _pages(title, rows, result.sized.per_mm, (False, mirrored), note)


def guide_sheets(result: Patterned, names: Sequence[str], titled: str) -> Iterator[Sheet]:
    """For every ink but the ground the pages that show at true size where it goes: for putty, pencil or brush, in order."""
    for ink in range(1, len(names)):
        rows = []
        for source, view in zip(result.surface.views, result.views, strict=True):
            if not source.region.is_empty:
                below = "".join(_path(view.laid[at], _PALE, "#8c8c8c", 0.1) for at in range(1, ink))
                own = _path(view.laid[ink], "#4a4a4a", "#111", 0.12)
                rows.append((view.name, source, (_outline(source) + below + own,)))
        note = "In the order of the pages; dark is laid now, pale lies already."
        yield from _pages(
            f"{titled}: {ink} of {len(names) - 1}, {names[ink]}", rows, result.sized.per_mm, (False,), note
        )


def _lies(source, pieces: Sequence[MaskPiece]) -> str:
    drawn = "".join(_path(one.shape, "#b8c4bd" if one.cut else "#e3e3e3", "#222", 0.15) for one in pieces)
    return _outline(source) + drawn + "".join(_named(one) for one in pieces)


def _to_cut(source, pieces: Sequence[MaskPiece], per_mm: float) -> str:
    x, y, wide, tall = source.box
    beyond = safe.difference(shapely.box(x - 5, y - 5, x + wide + 5, y + tall + 5), source.region)
    parts = []
    for one in pieces:
        if one.cut:
            grown = shapely.buffer(one.shape, OVER / per_mm, join_style="mitre")
            grown = safe.intersection(grown, safe.union(one.shape, beyond))
            parts.append(_path(grown, "none", _CUT, 0.12) + _path(one.shape, "#f4efe4", "#999", 0.08) + _named(one))
    return "".join(parts)


def _outline(source) -> str:
    return _path(source.silhouette, "none", "#999", 0.18) + _path(source.region, "none", "#bbb", 0.12)


def _path(shape, fill: str, stroke: str, width: float) -> str:
    return (
        f'<path d="{path_data(shape, 3)}" fill="{fill}" stroke="{stroke}" stroke-width="{width}" fill-rule="evenodd"/>'
    )


def _named(one: MaskPiece) -> str:
    """The number of a piece, at its middle; a dot where it is left to the brush."""
    at = shapely.maximum_inscribed_circle(one.shape, tolerance=0.3).coords[0]
    return f'<text data-at="{at[0]:.2f} {at[1]:.2f}">{one.name if one.cut else "·"}</text>'


def _marks(source) -> str:
    """Registration marks at the corners of a view's box, the same in both columns."""
    x, y, wide, tall = source.box
    return "".join(
        f'<path d="M{a - 1.5:.3f},{b:.3f}h3M{a:.3f},{b - 1.5:.3f}v3" stroke="{_MARK}" stroke-width="0.12" fill="none"/>'
        for a in (x + 1.5, x + wide - 1.5)
        for b in (y, y + tall)
    )


def _pages(title: str, rows, per_mm: float, flips: Sequence[bool], note: str) -> Iterator[Sheet]:
    """Rows of views on as many pages as they need; each column of a row, turned over where it is said."""
    drawn, y, number, top = [], 24.0, 1, 24.0
    for name, source, columns in rows:
        tall = source.box[3] * per_mm
        if drawn and y + tall > PAGE[1] - MARGIN:
            yield _sheet(title, number, drawn, note)
            drawn, y, number = [], top, number + 1
        drawn.append(f'<text x="{MARGIN}" y="{y - 1.6:.1f}" font-size="2.8" {_FONT} fill="#333">{name}</text>')
        wide = source.box[2] * per_mm
        for at, (column, flip) in enumerate(zip(columns, flips, strict=True)):
            left = MARGIN if not at else PAGE[0] - MARGIN - wide
            drawn.append(_placed(column + _marks(source), source.box, left, y, per_mm, flip=flip))
        y += tall + GAP
    if drawn:
        yield _sheet(title, number, drawn, note)


def _placed(inner: str, box, left: float, top: float, per_mm: float, *, flip: bool) -> str:
    """A view at its place on the page, 1:1; texts stay readable where it is turned over."""
    x, y, wide, _ = box
    across, shift = (-per_mm, left + (x + wide) * per_mm) if flip else (per_mm, left - x * per_mm)
    down = top - y * per_mm
    shapes, texts = [], []
    for part in inner.split("<text data-at="):
        head, _, rest = part.partition("</text>")
        if head.startswith('"'):
            at, _, said = head[1:].partition('">')
            a, b = map(float, at.split())
            texts.append(
                f'<text x="{shift + across * a:.2f}" y="{down + per_mm * b + 0.6:.2f}" font-size="1.8" text-anchor="middle" {_FONT}'
                f' fill="#111">{said}</text>'
            )
            shapes.append(rest)
        else:
            shapes.append(part)
    return (
        f'<g transform="matrix({across:g} 0 0 {per_mm:g} {shift:.4f} {down:.4f})">{"".join(shapes)}</g>{"".join(texts)}'
    )


def _sheet(title: str, number: int, drawn: Sequence[str], note: str) -> Sheet:
    wide, tall = PAGE
    bar = wide - MARGIN - BAR
    head = (
        f'<text x="{MARGIN}" y="10" font-size="4.4" font-weight="700" {_FONT}>{escape(title)}{f", page {number}" if number > 1 else ""}</text>'
        f'<text x="{MARGIN}" y="15.5" font-size="3" {_FONT} fill="#444">{escape(note)}</text>'
        f'<path data-bar="{BAR:g}" d="M{bar},12h{BAR}M{bar},10.5v3M{bar + BAR},10.5v3" stroke="#111" stroke-width="0.25" fill="none"/>'
        f'<text x="{bar + BAR / 2}" y="10" font-size="2.8" text-anchor="middle" {_FONT}>{BAR:g} mm if printed at true size</text>'
    )
    return Sheet(
        title,
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}mm" height="{tall:g}mm" viewBox="0 0 {wide:g} {tall:g}">'
        f'<rect width="{wide:g}" height="{tall:g}" fill="#fff"/>{head}{"".join(drawn)}</svg>',
    )
