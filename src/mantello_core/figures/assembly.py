"""Put the parts of a figure together, each hung on the anchors that those before it gave."""

from ..geometry import affine
from . import library  # noqa: F401  the library registers the parts
from .figure import BODIES, GROUND, WORN, Figure, Use
from .part import PARTS, Draw


class Assembly:
    """One view of one figure: its pieces in place, not yet stacked."""

    def __init__(self, figure: Figure, view: str):
        self.figure, self.view = figure, view
        self.body = BODIES[figure.body]
        self.anchors = dict(self.body["anchors"])
        self.areas, self.marks, self.sites = [], [], []
        for use in figure.uses:
            self._place(use)
        if "whole" in self.body:
            self._enlarge(self.body["whole"])
        if view in ("back", "right"):
            self._flip()

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

    def _enlarge(self, size: float):
        """All but the base so many times as large, from the soles up."""
        matrix = (size, 0, 0, size, 0, 0)
        for drawn in (*self.areas, *self.marks):
            names = (drawn.name,) if hasattr(drawn, "name") else drawn.on
            if not all(name.startswith("base.") for name in names):
                drawn.cmds = affine.transform(drawn.cmds, matrix)
        for site in self.sites:
            if not site.area.startswith("base."):
                site.x, site.y, site.w, site.h = (round(value * size, 2) for value in (site.x, site.y, site.w, site.h))

    def _flip(self):
        for drawn in (*self.areas, *self.marks):
            drawn.cmds = affine.transform(drawn.cmds, affine.MIRROR)
        for site in self.sites:
            site.x = -site.x
        self.anchors = {name: (-x, y) for name, (x, y) in self.anchors.items()}
