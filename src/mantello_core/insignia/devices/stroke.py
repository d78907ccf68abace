"""The narrowest stroke of a plain device at the size it has on a site."""

from ...memory import remembered
from ..arms.arms_drawing import narrowest
from .device import Device, device_shape


@remembered(1_000)
def device_stroke(device: Device, width_mm: float, height_mm: float, turn: float = 0.0) -> float:
    """mm of the narrowest part of a device as large as fits a site.

    Raises: what ``checked_device`` refuses; Contradiction for arms.
    """
    return device.cloth or narrowest(device_shape(device, width_mm, height_mm, turn)) / 10
