"""Arms as SVG: every piece a path with its tincture, furs drawn as furs."""

from collections.abc import Callable
from html import escape

from ..geometry.polygon import path_data
from ..insignia.arms.arms_drawing import ArmsDrawing
from ..insignia.arms.tincture import TINCTURES

#: what tinctures are drawn in where no paint is bound to them
PLAIN_COLOURS = {
    "or": "#d9a427", "argent": "#f2f1ec", "gules": "#b0262c", "azure": "#27509c", "vert": "#2b7447", "sable": "#1c1c1c",
    "purpure": "#74367f", "tenny": "#b1622b", "sanguine": "#7b2325", "murrey": "#702b50",
}  # fmt: skip
#: a tuft of ermine and a bell of vair, drawn in a cell of 12 units
_TUFT = "M6 2L7.5 7L9 10L6 8.6L3 10L4.5 7Z"
_VAIR = "M0 12V6L3 0L6 6V12L9 6L12 12V6"
#: more furs with the size of their cell: bells foot to foot, and crutches
_CELLS = {
    "counter-vair": (
        12,
        24,
        "M0 12V7L3 0L6 0V0L6 7V12ZM6 12V7L9 0H9L12 7V12ZM0 12V17L3 24L6 17V12ZM6 12V17L9 24L12 17V12Z",
    ),
    "potent": (12, 24, "M0 0H12V4H8V12H4V4H0ZM-6 12H6V16H2V24H-2V16H-6ZM6 12H18V16H14V24H10V16H6Z"),
}


def arms_svg(
    drawing: ArmsDrawing,
    colour_of: Callable[[str], str] = PLAIN_COLOURS.__getitem__,
    *,
    prefix: str = "a",
    title: str = "",
    above: str = "",
    width_mm: float | None = None,
) -> str:
    """The drawing as a whole SVG.

    colour_of: a plain tincture's '#rrggbb'; prefix: of ids, unlike on one page; above: markup laid over the pieces, cut
    at the edge; width_mm: how wide the surface is printed, its own size if none.
    """
    left, top, right, bottom = drawing.surface.bounds
    box = f"{left - 1.5:.2f} {top - 1.5:.2f} {right - left + 3:.2f} {bottom - top + 3:.2f}"
    furs = sorted(
        {
            piece.tincture
            for piece in drawing.pieces
            if piece.tincture in TINCTURES and TINCTURES[piece.tincture].made_of
        }
    )
    patterns = "".join(_pattern(fur, colour_of, prefix) for fur in furs)
    clip = f'<clipPath id="{prefix}-edge"><path d="{path_data(drawing.surface)}"/></clipPath>'
    parts = []
    for piece in drawing.pieces:
        fill = f"url(#{prefix}-{piece.tincture})" if piece.tincture in furs else colour_of(piece.tincture)
        parts.append(
            f'<path d="{path_data(piece.shape)}" fill="{fill}" data-tincture="{piece.tincture}" data-of="{escape(piece.of)}"/>'
        )
    said = f"<title>{escape(title)}</title>" if title else ""
    size = ""
    if width_mm is not None:
        scale = drawing.scale(width_mm)
        size = f' width="{(right - left + 3) * scale:.3f}mm" height="{(bottom - top + 3) * scale:.3f}mm"'
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}"{size} role="img">{said}<defs>{clip}{patterns}</defs>'
        f'<g clip-path="url(#{prefix}-edge)" fill-rule="evenodd">{"".join(parts)}{above}</g>'
        f'<path d="{path_data(drawing.surface)}" fill="none" stroke="#111" stroke-width="1.2"/></svg>'
    )


def _pattern(fur: str, colour_of: Callable[[str], str], prefix: str) -> str:
    ground, tufts = (colour_of(one) for one in TINCTURES[fur].made_of)
    if fur == "vair":
        wide, tall, marks = 12, 12, _VAIR
    else:
        wide, tall, marks = _CELLS.get(fur, (12, 12, _TUFT))
    return (
        f'<pattern id="{prefix}-{fur}" width="{wide}" height="{tall}" patternUnits="userSpaceOnUse">'
        f'<rect width="{wide}" height="{tall}" fill="{ground}"/><path d="{marks}" fill="{tufts}"/></pattern>'
    )
