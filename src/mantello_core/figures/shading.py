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

from ..geometry.polygon import GRID, difference, only_area, pieces_of, polygon_of, united

#: direction of a cast shadow per unit of lift
CAST = (0.62, 1.0)
#: areas of at least this many square units keep at least this share of their surface bare
TRUE_FROM, TRUE_SHARE = 100, 0.3
#: a form's turning away: the share of its inscribed radius that lies in shade, and the slope of the light
TURN = {"ball": (0.42, 0.75), "cyl": (0.58, 0.12)}
#: what form gives, in drawing order: kind and name
_FORMED = (("dark", "form"), ("dark", "core"), ("lite", "sheen"), ("lite", "edge"))
ALPHA = {"form": 0.13, "core": 0.12, "sheen": 0.22, "edge": 0.20, "cast": 0.26}


@dataclass
class Shade:
    """One translucent shape of the overlay."""

    kind: str
    name: str
    alpha: float
    shape: object


@dataclass(frozen=True)
class Overlay:
    """Shades over a stack in drawing order, none of them empty."""

    shades: list[Shade]
    #: how much of every area no shade touches: there the fill is seen as it is
    bare: dict[str, float]


#: of one shade, by area, the pieces that lie on it: nothing that is seen lies on two
_Pieces = dict[str, list]
#: shades in drawing order, by kind, name and alpha
_Light = dict[tuple[str, str, float], _Pieces]


def overlay(stack) -> Overlay:
    """The overlay of a stack, as light falls on it."""
    light: _Light = {(kind, name, ALPHA[name]): {} for kind, name in _FORMED}
    _turn_forms(stack.areas, *light.values())
    inks: _Light = {}
    for mark in stack.marks:
        if drawn := _drawn(stack, mark):
            of_kind, name = (inks, "ink") if mark.kind == "ink" else (light, "fold")
            _put(of_kind.setdefault((mark.kind, name, mark.alpha), {}), drawn)
    light["dark", "cast", ALPHA["cast"]] = _cast_shadows(stack.areas)
    light |= inks
    bare = {name: _relieved(stack.seen(name), name, light) for name in stack.names()}
    shades = [
        Shade(*shade, unary_union([one for found in on.values() for one in found])) for shade, on in light.items()
    ]
    return Overlay([shade for shade in shades if not shade.shape.is_empty], bare)


def laid_over(stack, shades: list[Shade]) -> Overlay:
    """Shades that are known already as the overlay of a stack."""
    pieces = np.array([piece for one in shades for piece in pieces_of(one.shape)], dtype=object)
    tree, bare = STRtree(pieces), {}
    for name in stack.names():
        shape = stack.seen(name)
        near = pieces[tree.query(shape, predicate="intersects")]
        bare[name] = _bare_share(shape, shapely.intersection(near, shape, grid_size=GRID))
    return Overlay([shade for shade in shades if not shade.shape.is_empty], bare)


def _bare_share(shape, pieces) -> float:
    return 1 - shapely.union_all(pieces).area / shape.area


def _relieved(shape, name: str, light: _Light) -> float:
    """Take form shading, then folds, off an area of which too little would show its true colour; how much of it is bare then."""

    def bare() -> float:
        return _bare_share(shape, [piece for on in light.values() for piece in on.get(name, ())])

    share = bare()
    if shape.area >= TRUE_FROM:
        for names in (("core", "form"), ("sheen", "fold"), ("edge",)):
            if share >= TRUE_SHARE:
                break
            for (_, shade, _), on in light.items():
                if shade in names:
                    on.pop(name, None)
            share = bare()
    return share


def _cut(shape, areas) -> list[tuple[str, object]]:
    """A shape cut up by what is seen of areas: their names, and what of it lies on them."""
    shapely.prepare(shape)
    seen = np.array([area.vis for area in areas], dtype=object)
    touched = np.flatnonzero(shapely.intersects(shape, seen))
    pieces = map(only_area, shapely.intersection(seen[touched], shape, grid_size=GRID))
    return [(areas[at].name, piece) for at, piece in zip(touched, pieces, strict=True) if not piece.is_empty]


def _put(on: _Pieces, cut: list[tuple[str, object]]) -> None:
    for name, piece in cut:
        on.setdefault(name, []).append(piece)


def _turn_forms(areas, form: _Pieces, core: _Pieces, sheen: _Pieces, edge: _Pieces) -> None:
    """What of forms turns away from the light, what shines, and the edges that are lit."""
    forms = {}
    for area in areas:
        forms.setdefault((area.form, area.shade), []).append(area)
    for (_, kind), group in forms.items():
        full = united([area.poly for area in group])
        if kind == "none" or full.area < 20:
            continue
        biggest = max(pieces_of(full), key=lambda piece: piece.area)
        radius = shapely.maximum_inscribed_circle(biggest, tolerance=1).length
        turn, slope = TURN.get(kind, (0, 0))
        shift = min(radius * turn, 18)
        if shift > 0.8:
            _put(form, _cut(difference(full, affinity.translate(full, -shift, -shift * slope)), group))
            half = shift * 0.48
            _put(core, _cut(difference(full, affinity.translate(full, -half, -half * slope)), group))
        rim = min(1.3, radius * 0.22) if kind == "flat" else min(2.4, radius * 0.16)
        if rim > 0.35:
            _put(edge, _cut(difference(full, affinity.translate(full, rim, rim * 0.8)), group))
        if kind != "flat" and radius > 3.2 and any(area.mat in ("metal", "plate") for area in group):
            left, top, right, bottom = full.bounds
            width = right - left
            _put(sheen, _cut(box(left + width * 0.24, top - 1, left + width * 0.37, bottom + 1), group))


def _cast_shadows(areas) -> _Pieces:
    cast: _Pieces = {}
    for index, area in enumerate(areas):
        if area.lift <= 0 or area.poly.is_empty:
            continue
        shadow = affinity.translate(area.poly, CAST[0] * area.lift, CAST[1] * area.lift)
        _put(cast, _cut(difference(shadow, area.poly), areas[:index]))
    return cast


def _drawn(stack, mark) -> list[tuple[str, object]]:
    """What is seen of a mark that the part's author drew."""
    return _cut(polygon_of(mark.cmds), [area for area in stack.areas if _named(area.name, mark.on)])


def _named(name, patterns):
    return any(name == p or name.startswith(p + ".") or fnmatchcase(name, p) for p in patterns)
