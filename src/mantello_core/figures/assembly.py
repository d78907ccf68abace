"""Put the parts of a figure together and work out what is seen of every area."""

import shapely
from shapely.ops import unary_union
from shapely.strtree import STRtree

from . import affine
from .figure import BODIES, GROUND, WORN, Figure, Use
from .geometry import GRID, difference, only_area, pieces_of, polygon_of
from .part import PARTS, Draw

#: one unit in mm
UNIT_MM = 0.1
#: units of shared edge that make two areas neighbours
SEAM_MIN = 2.0
#: an area of which less than this (mm²) is seen is left out of the view
MIN_MM2 = 0.04
#: how far apart two edges may lie and still be a seam, units
SEAM_TOLERANCE = 0.35


class Assembly:
    """One view of one figure, composed: stacked areas, what is seen of each, sites and anchors."""

    def __init__(self, figure: Figure, view: str):
        self.figure, self.view = figure, view
        self.body = BODIES[figure.body]
        self.anchors = dict(self.body["anchors"])
        self.areas, self.marks, self.sites = [], [], []
        for use in figure.uses:
            self._place(use)
        if view in ("back", "right"):
            self._flip()
        self.areas = sorted((area for area in self.areas if area.cmds), key=lambda area: area.z)
        for area in self.areas:
            area.poly = polygon_of(area.cmds)
        self._find_visible()

    def _place(self, use: Use):
        definition = PARTS[use.part]
        drawing = Draw(use.part, self.view, use.side)
        definition.draw(drawing, **use.opts)
        drawing.apply(self._matrix(use, definition))
        for area in drawing.areas:
            area.form = f"{use.part}:{area.form}"
        self.areas += drawing.areas
        self.marks += drawing.marks
        self.sites += drawing.sites
        self.anchors.update(drawing.anchors)

    def _matrix(self, use: Use, definition):
        matrix = affine.MIRROR if use.side == "right" else (1, 0, 0, 1, 0, 0)  # limbs are drawn as the left one
        at = (use.at or definition.attach).replace("{s}", use.side)
        if not at:
            return affine.multiply((1, 0, 0, 1, use.dx, use.dy), matrix)
        (anchor_x, anchor_y), (origin_x, origin_y) = self.anchors[at], definition.origin
        if use.side == "right":
            origin_x = -origin_x
        if definition.plant is not None:
            anchor_y = GROUND - definition.plant + origin_y
        scale_x, scale_y = self._scale(definition, at)
        matrix = affine.multiply((scale_x, 0, 0, scale_y, -origin_x * scale_x, -origin_y * scale_y), matrix)
        matrix = affine.multiply((1, 0, 0, 1, anchor_x + use.dx, anchor_y + use.dy), matrix)
        if use.turn:
            matrix = affine.multiply(affine.rotation(use.turn, anchor_x, anchor_y), matrix)
        return matrix

    def _scale(self, definition, at):
        if definition.slot == "legs":
            return self.body["legs"]
        if definition.slot in WORN and at.split(".")[0] in ("neck", "back", "hip"):
            return self.body["torso"]
        return 1, 1

    def _flip(self):
        for drawn in (*self.areas, *self.marks):
            drawn.cmds = affine.transform(drawn.cmds, affine.MIRROR)
        for site in self.sites:
            site.x = -site.x
        self.anchors = {name: (-x, y) for name, (x, y) in self.anchors.items()}

    def _find_visible(self):
        above = None
        for area in reversed(self.areas):
            area.vis = area.poly if above is None else difference(area.poly, above)
            above = area.poly if above is None else shapely.union(above, area.poly, grid_size=GRID)
        self.silhouette = above
        shown = {name for name in self.names() if self.mm2(name) >= MIN_MM2}
        self.areas = [area for area in self.areas if area.vis.area > 1e-6 and area.name in shown]
        self.sites = [
            site for site in self.sites if any(name == site.area or name.startswith(site.area + ".") for name in shown)
        ]

    def names(self) -> list[str]:
        """Area names, lowest first."""
        return list(dict.fromkeys(area.name for area in self.areas))

    def seen(self, name: str):
        """What is seen of an area, as a polygon."""
        return unary_union([area.vis for area in self.areas if area.name == name])

    def mm2(self, name: str) -> float:
        """Projected area in mm²."""
        return self.seen(name).area * UNIT_MM**2

    def seams(self) -> list[tuple[str, str, float]]:
        """Neighbouring areas and the mm of edge they share, longest first."""
        names = self.names()
        shapes = [self.seen(name) for name in names]
        tree = STRtree(shapes)
        found = []
        for i, shape in enumerate(shapes):
            near = shape.buffer(SEAM_TOLERANCE)
            for j in tree.query(near):
                if j <= i or shapes[j].is_empty:
                    continue
                length = shapes[j].boundary.intersection(near).length
                if length >= SEAM_MIN:
                    found.append((names[i], names[j], round(length * UNIT_MM, 2)))
        return sorted(found, key=lambda seam: (-seam[2], seam[:2]))

    def label_point(self, name: str) -> tuple[float, float, float]:
        """Centre and radius of the largest circle inside the biggest piece of an area."""
        shape = only_area(self.seen(name))
        biggest = max(pieces_of(shape), key=lambda piece: piece.area)
        radius = shapely.maximum_inscribed_circle(biggest, tolerance=0.5)
        x, y = radius.coords[0]
        return round(x, 1), round(y, 1), round(radius.length, 1)
