"""What is seen of arms, cut out piece by piece: the plain way, as shapes."""

from shapely.geometry.base import BaseGeometry

from mantello_core.geometry.overlay import difference, intersection, union
from mantello_core.insignia.arms.arms_drawing import ArmsDrawing


def seen(drawing: ArmsDrawing) -> dict[str, BaseGeometry]:
    """What is seen of every tincture, in units of the surface's drawing."""
    left, found = drawing.surface, {}
    for piece in reversed(drawing.pieces):
        shape = intersection(piece.shape, left)
        found[piece.tincture] = union(found[piece.tincture], shape) if piece.tincture in found else shape
        left = difference(left, piece.shape)
    return found
