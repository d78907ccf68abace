"""Shapes as a tool makes them: without necks, tight corners, islands and holes that it cannot."""

import shapely

from .sizing import Sized


def cleaned(shape, scale: Sized):
    """Without necks thinner than the narrowest line, corners tighter than the tool turns, islands and holes too small."""
    if shape.is_empty:
        return shape
    r = max(scale.line / 2, scale.radius)
    shape = shapely.buffer(shapely.buffer(shape, -0.8 * r, quad_segs=3), 0.8 * r, quad_segs=3)
    shape = shapely.buffer(shapely.buffer(shape, 0.8 * r, quad_segs=3), -0.8 * r, quad_segs=3)
    return sizable(shapely.simplify(shape, 0.03), scale.island)


def sizable(shape, least: float):
    """The parts of a shape of at least so many mm², without holes that are smaller."""
    parts = [p for p in shapely.get_parts(shape) if p.area >= least]
    out = []
    for p in parts:
        holes = [h for h in p.interiors if shapely.Polygon(h).area >= least]
        out.append(p if len(holes) == len(p.interiors) else shapely.Polygon(p.exterior, holes))
    return shapely.MultiPolygon(out)


def areal(shape):
    """The polygons of a shape; what overlays leave of lines and points is nobody's."""
    return shapely.MultiPolygon([p for p in shapely.get_parts(shape) if p.geom_type == "Polygon"])
