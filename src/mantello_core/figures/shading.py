"""The neutral shading overlay: translucent black and white only, so every hue survives.

Light falls from the viewer's upper left in every view. Three sources: every paper layer casts a
small hard shadow (lift), the side turned away from the light darkens and the lit edge brightens
(shade), and the marks the part's author drew. All of it is clipped to what is seen.
"""

from dataclasses import dataclass
from fnmatch import fnmatchcase

import numpy as np
import shapely
from shapely import STRtree, affinity
from shapely.geometry import box
from shapely.ops import unary_union

from ..geometry.polygon import GRID, difference, only_area, overlap, pieces_of, polygon_of, united

#: direction of a cast shadow per unit of lift
CAST = (0.62, 1.0)
#: areas of at least this many square units keep at least this share of their surface bare
TRUE_FROM, TRUE_SHARE = 100, 0.3
#: a form's turning away: the share of its inscribed radius that lies in shade, and the slope of the light
TURN = {"ball": (0.42, 0.75), "cyl": (0.58, 0.12)}
ALPHA = {"form": 0.13, "core": 0.12, "sheen": 0.22, "edge": 0.20, "cast": 0.26}


@dataclass
class Shade:
    """One translucent shape of the overlay."""

    kind: str
    name: str
    alpha: float
    shape: object


def overlay(stack) -> "Overlay":
    """The overlay of a stack, its shades in drawing order."""
    form, core, sheen, edge = _turned_forms(stack.areas)
    shades = [
        Shade("dark", "form", ALPHA["form"], unary_union(form)),
        Shade("dark", "core", ALPHA["core"], unary_union(core)),
        Shade("lite", "sheen", ALPHA["sheen"], unary_union(sheen)),
        Shade("lite", "edge", ALPHA["edge"], unary_union(edge)),
    ]
    marks = _authored(stack)
    shades += [Shade(kind, "fold", alpha, shape) for kind, alpha, shape in marks if kind != "ink"]
    shades.append(Shade("dark", "cast", ALPHA["cast"], unary_union(_cast_shadows(stack.areas))))
    shades += [Shade("ink", "ink", alpha, shape) for kind, alpha, shape in marks if kind == "ink"]
    found = Overlay(stack, shades)
    _relieve(stack, found)
    return found


class Overlay:
    """Shades over a stack, and how much of its areas they leave bare."""

    def __init__(self, stack, shades: list[Shade]):
        self._stack, self._shades = stack, shades
        self._bare: dict[str, float] = {}
        self._pieces = self._tree = None

    @property
    def shades(self) -> list[Shade]:
        """Those of which something is left, in drawing order."""
        return [shade for shade in self._shades if not shade.shape.is_empty]

    def bare_share(self, name: str) -> float:
        """How much of an area no shade touches: there the fill is seen as it is."""
        if name not in self._bare:
            self._bare[name] = self._bare_share(self._stack.seen(name))
        return self._bare[name]

    def taken_off(self, name: str, kinds: tuple[str, ...]) -> None:
        """Take shades of some names off an area. What other areas show stays: nothing that is seen lies on two of them."""
        shape = self._stack.seen(name)
        for shade in self._shades:
            if shade.name in kinds and shade.shape.intersects(shape):
                shade.shape = difference(shade.shape, shape)
        self._bare.pop(name, None)
        self._tree = None

    def _bare_share(self, shape) -> float:
        if self._tree is None:
            self._pieces = np.array([piece for one in self._shades for piece in pieces_of(one.shape)], dtype=object)
            self._tree = STRtree(self._pieces)
        near = self._pieces[self._tree.query(shape, predicate="intersects")]
        return 1 - shapely.union_all(shapely.intersection(near, shape, grid_size=GRID)).area / shape.area


def _turned_forms(areas):
    forms = {}
    for area in areas:
        forms.setdefault((area.form, area.shade), []).append(area)
    form, core, sheen, edge = [], [], [], []
    for (_, kind), group in forms.items():
        full = united([area.poly for area in group])
        seen = united([area.vis for area in group])
        if kind == "none" or seen.is_empty or full.area < 20:
            continue
        biggest = max(pieces_of(full), key=lambda piece: piece.area)
        radius = shapely.maximum_inscribed_circle(biggest, tolerance=1).length
        turn, slope = TURN.get(kind, (0, 0))
        shift = min(radius * turn, 18)
        if shift > 0.8:
            form.append(overlap(difference(full, affinity.translate(full, -shift, -shift * slope)), seen))
            half = shift * 0.48
            core.append(overlap(difference(full, affinity.translate(full, -half, -half * slope)), seen))
        rim = min(1.3, radius * 0.22) if kind == "flat" else min(2.4, radius * 0.16)
        if rim > 0.35:
            edge.append(overlap(difference(full, affinity.translate(full, rim, rim * 0.8)), seen))
        if kind != "flat" and radius > 3.2 and any(area.mat in ("metal", "plate") for area in group):
            left, top, right, bottom = full.bounds
            width = right - left
            sheen.append(overlap(box(left + width * 0.24, top - 1, left + width * 0.37, bottom + 1), seen))
    return form, core, sheen, edge


def _cast_shadows(areas):
    cast, seen = [], np.array([area.vis for area in areas], dtype=object)
    for index, area in enumerate(areas):
        if area.lift <= 0 or area.poly.is_empty:
            continue
        shadow = affinity.translate(area.poly, CAST[0] * area.lift, CAST[1] * area.lift)
        shadow = difference(shadow, area.poly)
        shapely.prepare(shadow)
        below = seen[:index][shapely.intersects(shadow, seen[:index])]
        cast += map(only_area, shapely.intersection(below, shadow, grid_size=GRID))
    return cast


def _authored(stack):
    grouped = {}
    for mark in stack.marks:
        seen = [area.vis for area in stack.areas if _named(area.name, mark.on)]
        if not seen:
            continue
        shape = overlap(polygon_of(mark.cmds), unary_union(seen))
        if not shape.is_empty:
            grouped.setdefault((mark.kind, mark.alpha), []).append(shape)
    return [(kind, alpha, unary_union(shapes)) for (kind, alpha), shapes in grouped.items()]


def _named(name, patterns):
    return any(name == p or name.startswith(p + ".") or fnmatchcase(name, p) for p in patterns)


def _relieve(stack, light: Overlay) -> None:
    """Take form shading, then folds, off areas of which too little would show its true colour."""
    for name in stack.names():
        if stack.seen(name).area < TRUE_FROM:
            continue
        for kinds in (("core", "form"), ("sheen", "fold"), ("edge",)):
            if light.bare_share(name) >= TRUE_SHARE:
                break
            light.taken_off(name, kinds)
