"""Outlines as polygons. All geometry is snapped to a grid of 0.01 units (0.001 mm)."""

import shapely
from shapely import set_precision
from shapely.geometry import Polygon
from shapely.ops import unary_union

from . import outline

GRID = 0.01


def polygon_of(cmds, steps=9):
    """The polygon of an outline: sub-paths united one after another, rings closed by a small 'z' cut out of those before."""
    solid, holes, shape = [], [], None
    for ring, hole in outline.to_rings(cmds, steps):
        piece = Polygon(ring)
        if not piece.is_valid:
            piece = piece.buffer(0)
        if piece.is_empty:
            continue
        if holes and not hole and any(one.intersects(piece) for one in holes):
            shape, solid, holes = _cut(shape, solid, holes), [], []
        (holes if hole else solid).append(piece)
    return set_precision(_cut(shape, solid, holes), GRID)


def _cut(shape, solid, holes):
    """What was there with more added, and then holes cut out."""
    shape = united(solid if shape is None else [shape, *solid])
    return shape.difference(unary_union(holes)) if holes else shape


def united(shapes):
    """Polygons as one shape; one alone is taken as it is."""
    return shapes[0] if len(shapes) == 1 else unary_union(shapes)


def only_area(shape):
    """The polygons of a shape: differences leave stray points and lines behind."""
    if shape.is_empty or shape.geom_type in ("Polygon", "MultiPolygon"):
        return shape
    pieces = getattr(shape, "geoms", [])
    return unary_union([piece for piece in pieces if piece.geom_type in ("Polygon", "MultiPolygon")])


def pieces_of(shape):
    """The polygons a shape is made of, one by one."""
    return list(shape.geoms) if hasattr(shape, "geoms") else [shape]


def difference(a, b):
    """What of ``a`` is not in ``b``, snapped."""
    return only_area(shapely.difference(a, b, grid_size=GRID))


def merged(cmds, cut=None, clip=None):
    """Commands of the united sub-paths, less ``cut``, inside ``clip``; so no inner seam is drawn."""
    shape = polygon_of(cmds, 18)
    if clip:
        shape = only_area(shape.intersection(polygon_of(clip, 18)))
    if cut:
        shape = shape.difference(polygon_of(cut, 18))
    out = []
    pieces = [piece for piece in pieces_of(shape) if not piece.is_empty]
    for piece in sorted(pieces, key=lambda one: -shapely.box(*one.bounds).area):
        piece = shapely.geometry.polygon.orient(piece.simplify(0.04))
        for index, ring in enumerate([piece.exterior, *piece.interiors]):
            points = list(ring.coords)[:-1]
            out.append(("M", points[0]))
            out += [("L", point) for point in points[1:]]
            out.append(("z",) if index else ("Z",))
    return out


def path_data(shape, digits=2):
    """SVG path data of a shape as it is, with so many digits; holes by even and odd."""
    return "".join(
        "M" + "L".join(f"{x:.{digits}f},{y:.{digits}f}" for x, y in ring.coords[:-1]) + "Z"
        for piece in pieces_of(shape)
        if piece.geom_type == "Polygon" and not piece.is_empty
        for ring in (piece.exterior, *piece.interiors)
    )


def path_of(shape, tolerance=0.12):
    """SVG path data of a polygon; holes wind the other way."""
    if shape.is_empty:
        return ""
    shape = shape.simplify(tolerance) if tolerance else shape
    out = []
    for piece in pieces_of(shape):
        if piece.geom_type != "Polygon" or piece.is_empty:
            continue
        for at, ring in enumerate((piece.exterior, *piece.interiors)):
            points = shapely.get_coordinates(ring).tolist()
            if shapely.is_ccw(ring) != (at == 0):
                points.reverse()
            written = " ".join([f"{outline.number(x)},{outline.number(y)}" for x, y in points[:-1]])
            out.append(f"M{written}Z")
    return "".join(out)
