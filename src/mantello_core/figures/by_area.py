"""What a plate says of its areas, as arrays in the plate's order."""

import numpy as np

from ..memory import remembered
from .plate import Plate


@remembered(500)
def mm2_of(shape: Plate) -> np.ndarray:
    """The visible mm² of every area, in the plate's order."""
    return np.array([area.mm2 for area in shape.areas.values()], float)


@remembered(500)
def visibility_of(shape: Plate) -> np.ndarray:
    """Share of every area that other parts do not hide, 0 to 1, in the plate's order."""
    return np.array([area.visibility for area in shape.areas.values()], float)


@remembered(500)
def off_base(shape: Plate) -> np.ndarray:
    """Of every area, in the plate's order, whether it is of the figure rather than of its base."""
    return np.array([not name.startswith("base") for name in shape.areas], bool)
