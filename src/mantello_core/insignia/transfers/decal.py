"""Marks as pieces of a transfer sheet: arms on a shape of their own, numerals and plain devices alone."""

from collections.abc import Callable

from shapely import affinity

from ...figures.plate import Site
from ..arms.arms_drawing import ArmsDrawing, drawn_arms
from ..arms.coat import Arms
from ..devices.device import Device, device_shape
from ..devices.worn import scale_on, surface_for
from .transfer_sheet import Decal

#: L* below which a ground wants white beneath what lies on it
DARK = 55.0


def arms_decal(
    label: str,
    arms: Arms,
    site: Site,
    colour_of: Callable[[str], str],
    copies: int,
    *,
    dark: bool = False,
    mirrored: bool = False,
) -> Decal:
    """Arms as large as a site allows, in their own shape. colour_of: tincture to '#rrggbb'."""
    drawing = drawn_arms(arms, surface_for(site), mirrored=mirrored)
    return shaped_decal(label, drawing, scale_on(site, drawing.surface), colour_of, copies, dark=dark)


def shaped_decal(
    label: str,
    drawing: ArmsDrawing,
    scale: tuple[float, float],
    colour_of: Callable[[str], str],
    copies: int,
    *,
    dark: bool = False,
) -> Decal:
    """A drawing of arms at so many mm to one of its units, across and down; its field bleeds."""
    left, top, right, bottom = drawing.surface.bounds

    def sized(shape):
        moved = affinity.translate(shape, -(left + right) / 2, -(top + bottom) / 2)
        return affinity.scale(moved, *scale, origin=(0, 0))

    pieces = tuple(
        (sized(piece.shape.intersection(drawing.surface)), colour_of(piece.tincture)) for piece in drawing.pieces
    )
    return Decal(label, pieces, sized(drawing.surface), colour_of(drawing.pieces[0].tincture), copies, dark)


def device_decal(
    label: str, device: Device, site: Site, fill: str, copies: int, *, dark: bool = False, turn: float = 0.0
) -> Decal:
    """A numeral or plain device alone on clear film; it bleeds nothing."""
    shape = affinity.scale(device_shape(device, site.width, site.height, turn), 0.1, 0.1, origin=(0, 0))
    return Decal(label, ((shape, fill),), shape.convex_hull, "", copies, dark)
