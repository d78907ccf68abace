"""Stages of a freehand guide as SVG: what lies there, pencil lines, light, and what is laid now."""

from collections.abc import Callable

from shapely.geometry.base import BaseGeometry

from ..geometry.polygon import path_data
from ..insignia.arms.arms_drawing import ArmsDrawing
from ..insignia.devices.freehand import LIGHT, Stage
from .arms_svg import PLAIN_COLOURS, arms_svg


def stage_svg(
    stage: Stage,
    surface: BaseGeometry,
    colour_of: Callable[[str], str] = PLAIN_COLOURS.__getitem__,
    *,
    prefix: str = "s",
    width_mm: float | None = None,
) -> str:
    """One stage as a whole SVG; what is laid in it has a broken outline, pencil lines are dark on light."""
    plain = tuple(piece for piece in stage.pieces if piece.tincture != LIGHT)
    above = "".join(
        f'<path d="{path_data(piece.shape)}" fill="#ffffff" fill-opacity="0.5"/>'
        for piece in stage.pieces
        if piece.tincture == LIGHT
    )
    if stage.laid is not None and len(plain) == len(stage.pieces) and not stage.laid.equals(surface):
        d = path_data(stage.laid)
        above += (
            f'<path d="{d}" fill="none" stroke="#ffffff" stroke-width="0.9"/>'
            f'<path d="{d}" fill="none" stroke="#111111" stroke-width="0.9" stroke-dasharray="2 2"/>'
        )
    for (x1, y1), (x2, y2) in stage.lines:
        at = f'x1="{x1:.2f}" y1="{y1:.2f}" x2="{x2:.2f}" y2="{y2:.2f}"'
        above += f'<line {at} stroke="#ffffff" stroke-width="1.6"/><line {at} stroke="#3a3a3a" stroke-width="0.6"/>'
    return arms_svg(
        ArmsDrawing(surface, plain), colour_of, prefix=prefix, title=stage.title, above=above, width_mm=width_mm
    )
