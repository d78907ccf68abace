"""The narrowest stroke of a plain device at the size it has on a site."""

from functools import lru_cache

from ..arms.arms_drawing import narrowest
from .device import Device, device_shape


@lru_cache(maxsize=1024)
def device_stroke(device: Device, width_mm: float, height_mm: float, turn: float = 0.0) -> float:
    """mm of the narrowest part of a device as large as fits a site.

    Raises: what ``checked_device`` refuses; Contradiction for arms.
    """
    return device.cloth or narrowest(device_shape(device, width_mm, height_mm, turn)) / 10
