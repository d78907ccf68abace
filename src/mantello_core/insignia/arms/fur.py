"""Furs as shapes: the tufts of ermine and the bells of vair on any surface."""

from shapely import affinity
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

#: a tuft and a bell in a cell of one unit, about its middle
_TUFT = Polygon([(0, -0.33), (0.12, 0.08), (0.25, 0.33), (0, 0.22), (-0.25, 0.33), (-0.12, 0.08)])
_POTENT = Polygon(
    [(-0.5, -0.5), (0.5, -0.5), (0.5, -0.15), (0.17, -0.15), (0.17, 0.5), (-0.17, 0.5), (-0.17, -0.15), (-0.5, -0.15)]
)
_BELL = Polygon(
    [(-0.5, 0.5), (-0.5, 0.15), (-0.22, -0.15), (-0.22, -0.5), (0.22, -0.5), (0.22, -0.15), (0.5, 0.15), (0.5, 0.5)]
)


def fur_marks(kind: str, shape: BaseGeometry, cell: float) -> BaseGeometry:
    """The marks of a fur on a shape, in rows set over each other's gaps. cell: units from mark to mark."""
    left, top, right, bottom = shape.bounds
    bells = kind in ("vair", "counter-vair", "potent")
    mark = affinity.scale(
        (_POTENT if kind == "potent" else _BELL) if bells else _TUFT, cell * (0.5 if bells else 1), cell, origin=(0, 0)
    )
    rows = []
    turned = affinity.scale(mark, 1, -1, origin=(0, 0))
    for row in range(int((bottom - top) / cell) + 2):
        # counter-vair stands foot to foot, each bell under its like
        counter = kind == "counter-vair"
        here, shift = (turned if counter and row % 2 else mark), 0.0 if counter else 0.5 * (row % 2)
        for column in range(int((right - left) / cell) + 2):
            x = left + (column + shift) * cell
            rows.append(affinity.translate(here, x, top + (row + 0.5) * cell))
    return unary_union(rows).intersection(shape)
