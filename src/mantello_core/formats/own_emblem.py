"""An emblem of the painter's own out of an SVG file: all its filled shapes as one outline."""

from shapely import unary_union

from ..errors import Unreadable
from ..geometry.polygon import only_area, pieces_of, polygon_of
from ..insignia.devices.device import OWN, Device, checked_device
from ..insignia.devices.own_outline import MOST_POINTS, own_drawn
from .vector.shapes import read_shapes

#: how far the outline may give way, of its larger side, tried one after another until it is simple enough
_TOLERANCES = (0.0015, 0.003, 0.006, 0.012)


def read_emblem(name: str, data: bytes) -> tuple[Device, tuple[str, ...]]:
    """The emblem, and what of the file was left out, in words.

    Shapes that touch become one; a hole stays a hole. Colours do not matter: an emblem is painted in a role.
    Raises: what ``read_shapes`` and ``checked_device`` refuse; Unreadable if nothing in it is filled.
    """
    found, left_out = read_shapes(data)
    shape = only_area(unary_union([polygon_of(one.commands, 18) for one in found]))
    if shape.is_empty or shape.area <= 0:
        raise Unreadable("The file has no closed shape with a fill, so there is no emblem in it.", "file")
    left, top, right, bottom = shape.bounds
    whole = max(right - left, bottom - top)
    commands: list[tuple] = []
    for tolerance in _TOLERANCES:
        commands = _rings(shape.simplify(tolerance * whole), (tolerance * whole) ** 2)
        if sum(len(step) - 1 for step in commands) <= MOST_POINTS:
            break
    return checked_device(Device(OWN, name, drawn=own_drawn(commands)), ""), left_out


def _rings(shape, speck: float) -> list[tuple]:
    commands: list[tuple] = []
    for piece in pieces_of(shape):
        if piece.geom_type != "Polygon" or piece.area <= speck:
            continue
        for ring in (piece.exterior, *piece.interiors):
            points = list(ring.coords)[:-1]
            commands += [("L" if at else "M", point) for at, point in enumerate(points)] + [("Z",)]
    return commands
