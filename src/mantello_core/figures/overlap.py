"""One view of a drawing as stacked pieces: what is seen of every area, its edges, and what it touches."""

from functools import cache, cached_property

import numpy as np
import shapely
from shapely.ops import unary_union
from shapely.strtree import STRtree

from ..geometry.polygon import GRID, difference, only_area, pieces_of, polygon_of, united
from .part import Area, Detail, Site

#: one unit in mm
UNIT_MM = 0.1
#: units of shared edge that make two areas neighbours
SEAM_MIN = 2.0
#: an area of which less than this (mm²) is seen is left out of the view
MIN_MM2 = 0.04
#: how far apart two edges may lie and still be a seam, units
SEAM_TOLERANCE = 0.35
#: how far a seen edge may lie from the outline it is part of, units: outlines are snapped to a grid
EDGE_TOLERANCE = 0.05


class Layers:
    """The pieces of one view, the lowest first, with what geometry says of them. Lengths in mm, areas in mm²."""

    def __init__(self, view: str, areas: list[Area], marks: list[Detail] = (), sites: list[Site] = ()):
        self.view, self.marks = view, list(marks)
        self.areas = sorted((area for area in areas if area.cmds), key=lambda area: area.z)
        for area in self.areas:
            area.poly = polygon_of(area.cmds)
        self._find_visible()
        self.seen = cache(self._seen)
        shown = {name for name in self.names() if self.mm2(name) >= MIN_MM2}
        self.areas = [area for area in self.areas if area.vis.area > 1e-6 and area.name in shown]
        self.sites = [
            site for site in sites if any(name == site.area or name.startswith(site.area + ".") for name in shown)
        ]

    def _find_visible(self):
        above = None
        for area in reversed(self.areas):
            area.vis = area.poly if above is None else difference(area.poly, above)
            above = area.poly if above is None else shapely.union(above, area.poly, grid_size=GRID)
        self.silhouette = above

    def names(self) -> list[str]:
        """Area names, lowest first."""
        return list(dict.fromkeys(area.name for area in self.areas))

    def _seen(self, name: str):
        # united even when it is one alone: where outlines begin decides ties of measures, and kept plates were drawn so
        return unary_union([area.vis for area in self.areas if area.name == name])

    def mm2(self, name: str) -> float:
        """Projected area in mm²."""
        return self.seen(name).area * UNIT_MM**2

    def alone_mm2(self, name: str) -> float:
        """What would be seen of it if its parts stood alone: hidden by other parts, or not."""
        seen = []
        for part in dict.fromkeys(area.part for area in self.areas if area.name == name):
            own = [area for area in self.areas if area.part == part]
            lowest = next(at for at, area in enumerate(own) if area.name == name)
            shape = united([area.poly for area in own if area.name == name])
            above = [area.poly for area in own[lowest:] if area.name != name and area.poly.intersects(shape)]
            seen.append(difference(shape, united(above)) if above else shape)
        return max(united(seen).area * UNIT_MM**2, self.mm2(name))

    def edges(self, name: str) -> tuple[float, float, float]:
        """The mm of its seen outline: all; where something above cuts it off; where it is the figure's own outline."""
        seen, own = self.seen(name), united([area.poly for area in self.areas if area.name == name])
        outline = seen.boundary
        proud = outline.length
        if own.area - seen.area > 1e-6:
            proud = outline.intersection(own.boundary.buffer(EDGE_TOLERANCE, quad_segs=1)).length
        rim = outline.intersection(self._rim).length if self._rim.intersects(outline) else 0.0
        return tuple(round(length * UNIT_MM, 2) for length in (outline.length, outline.length - proud, rim))

    @cached_property
    def _rim(self):
        rim = self.silhouette.boundary.buffer(EDGE_TOLERANCE, quad_segs=1)
        shapely.prepare(rim)
        return rim

    def seams(self) -> list[tuple[str, str, float]]:
        """Neighbouring areas and the mm of edge they share, longest first."""
        names = self.names()
        shapes = np.array([self.seen(name) for name in names], dtype=object)
        near = shapely.buffer(shapes, SEAM_TOLERANCE, quad_segs=4)
        one, other = STRtree(shapes).query(near, predicate="intersects")
        one, other = one[other > one], other[other > one]
        units = shapely.length(shapely.intersection(shapely.boundary(shapes)[other], near[one]))
        found = [
            (names[i], names[j], round(length * UNIT_MM, 2))
            for i, j, length in zip(one, other, units.tolist(), strict=True)
            if length >= SEAM_MIN
        ]
        return sorted(found, key=lambda seam: (-seam[2], seam[:2]))

    def label_point(self, name: str) -> tuple[float, float, float]:
        """Centre and radius of the largest circle inside the biggest piece of an area."""
        shape = only_area(self.seen(name))
        biggest = max(pieces_of(shape), key=lambda piece: piece.area)
        radius = shapely.maximum_inscribed_circle(biggest, tolerance=0.5)
        x, y = radius.coords[0]
        return round(x, 1), round(y, 1), round(radius.length, 1)
