"""A numeral or plain device as a drawing of two colours, to be painted by hand like arms."""

from shapely import affinity
from shapely.geometry import box

from ..arms.arms_drawing import ArmsDrawing
from ..arms.worn import Piece
from .cloth import cloth_shape
from .device import Device, device_shape

#: what its two colours are called among the pieces
GROUND, INK = "ground", "ink"
#: units a site is wide in the drawing
_WIDE = 100.0


def device_drawing(device: Device, width_mm: float, height_mm: float, turn: float = 0.0) -> ArmsDrawing:
    """A device on its site, 100 units wide: the site in the ground's colour, every part of the device in its own.

    Raises: what ``checked_device`` refuses; Contradiction for arms.
    """
    scale = _WIDE / (10 * width_mm)
    surface = box(-_WIDE / 2, -5 * height_mm * scale, _WIDE / 2, 5 * height_mm * scale)
    whole = box(-5 * width_mm, -5 * height_mm, 5 * width_mm, 5 * height_mm)
    shape = (
        cloth_shape(device.kind, device.cloth, whole, turn)
        if device.cloth
        else device_shape(device, width_mm, height_mm, turn)
    )
    shape = affinity.scale(shape, scale, scale, origin=(0, 0))
    parts = [part for part in getattr(shape, "geoms", [shape]) if part.area > 1e-3]
    return ArmsDrawing(surface, (Piece(surface, GROUND, "field"), *(Piece(part, INK, device.words) for part in parts)))
