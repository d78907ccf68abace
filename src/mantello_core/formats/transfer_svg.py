"""A sheet of transfers as SVG at 1:1: colour, white beneath, cut lines, labels, a bar to measure."""

import textwrap
from collections.abc import Sequence
from html import escape

from ..geometry.polygon import path_data
from ..insignia.transfers.transfer_sheet import EDGE, FOOT, PAPERS, Decal, Laid

#: mm of the bar that is measured after printing
BAR = 50.0
#: lines of text at the foot that tell what is on the sheet
_LINES = 4


def transfer_svg(
    laid: Sequence[Laid], paper: str, sheet: int, *, layer: str = "colour", mirrored: bool = False, scale: float = 1.0
) -> str:
    """One sheet, in mm. layer: 'colour', or 'white' for what lies beneath on dark grounds.

    mirrored: for paper that is laid face down. scale: what the printer does to it, 1 for the truth.
    """
    wide, tall = PAPERS[paper]
    here = [one for one in laid if one.sheet == sheet]
    art = {decal: _art(decal, layer) for decal in dict.fromkeys(one.decal for one in here)}
    drawn = "".join(_copy(one, art[one.decal]) for one in here)
    marks = "".join(_cross(x, y) for x in (4, wide - 4) for y in (4, tall - 4))
    turn = f"translate({wide} 0) scale(-1 1)" if mirrored else ""
    printed = f'<g transform="scale({scale:.6f})">' if scale != 1 else "<g>"
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}mm" height="{tall:g}mm" viewBox="0 0 {wide:g} {tall:g}">'
        f'<title>Sheet {sheet + 1}, {layer}</title>{printed}<g transform="{turn}" fill-rule="evenodd">{drawn}</g>'
        f"{marks}{_foot(laid, paper, sheet, layer)}</g></svg>"
    )


def _copy(one: Laid, art: str) -> str:
    turn = " rotate(90)" if one.turned else ""
    return f'<g transform="translate({one.x:.3f} {one.y:.3f}){turn}">{art}</g>' if art else ""


def _art(decal: Decal, layer: str) -> str:
    """One piece about its middle, as a layer shows it."""
    if layer == "white":
        return f'<path d="{path_data(decal.outline.buffer(-0.05), 3)}" fill="#000000"/>' if decal.dark else ""
    bleed = f'<path d="{path_data(decal.cut, 3)}" fill="{decal.bleeds}"/>' if decal.bleeds else ""
    shapes = "".join(f'<path d="{path_data(shape, 3)}" fill="{fill}"/>' for shape, fill in decal.pieces)
    cut = f'<path class="cutline" d="{path_data(decal.cut, 3)}" fill="none" stroke="#8a8a8a" stroke-width="0.08" stroke-dasharray="0.6 0.4"/>'
    return f"{bleed}{shapes}{cut}"


def _foot(laid: Sequence[Laid], paper: str, sheet: int, layer: str) -> str:
    wide, tall = PAPERS[paper]
    y = tall - EDGE - FOOT + 5
    counts: dict[Decal, int] = {}
    for one in laid:
        if one.sheet == sheet:
            counts[one.decal] = counts.get(one.decal, 0) + 1
    said = [f"{decal.label} {count}" for decal, count in counts.items()]
    lines = textwrap.wrap(f"Sheet {sheet + 1}, {layer}: {'; '.join(said)}.", int((wide - 2 * EDGE) / 0.92))
    if len(lines) > _LINES:
        lines = [*lines[: _LINES - 1], f"{lines[_LINES - 1]} ..."]
    bar = f'<path class="bar" d="M{EDGE:g} {y:g}v3h{BAR:g}v-3" fill="none" stroke="#111111" stroke-width="0.15"/>'
    text = 'font-family="Alegreya Sans, sans-serif" font-size="2.2" fill="#111111"'
    told = "".join(
        f'<text x="{EDGE:g}" y="{y + 6.8 + 2.8 * at:g}" {text}>{escape(line)}</text>' for at, line in enumerate(lines)
    )
    return f'{bar}<text x="{EDGE + BAR + 2:g}" y="{y + 3:g}" {text}>{BAR:g} mm. Measure it: printers change the size.</text>{told}'


def _cross(x: float, y: float) -> str:
    return f'<path d="M{x - 2:g} {y:g}h4M{x:g} {y - 2:g}v4" stroke="#111111" stroke-width="0.1" fill="none"/>'
