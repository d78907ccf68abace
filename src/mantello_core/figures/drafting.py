"""Draft a plate: from a figure's parts to the drawing and the measurements the product keeps.

Composing takes about a second a view, so it is done once, when a part changes; the outcome is
kept as data beside this package and read by ``catalogue``.
"""

from shapely.ops import unary_union

from . import library  # noqa: F401  registers the parts
from .assembly import UNIT_MM, Assembly
from .figure import Figure
from .geometry import path_of, pieces_of
from .outline import number, to_d
from .shading import bare_share, overlay

#: units of air round the silhouette
PAD = 14
#: Projected mm² to painted surface: a plate shows a limb's half cylinder as a flat strip (at most
#: pi/2) and a ball as a disc (at most 2). Estimates; the log refines them.
RELIEF = {"none": 1.0, "flat": 1.0, "cyl": 1.4, "ball": 1.5}


def drafted(figure: Figure) -> dict:
    """The plate of a figure as a JSON-ready mapping; see ``plate.Plate`` for what it holds."""
    return {
        "id": figure.id,
        "title": figure.title,
        "kind": figure.kind,
        "parts": [use.part for use in figure.uses],
        "views": [_view(Assembly(figure, view)) for view in figure.views],
    }


def _view(assembly: Assembly) -> dict:
    left, top, right, bottom = assembly.silhouette.bounds
    box = (left - PAD, top - PAD, right - left + 2 * PAD, bottom - top + 2 * PAD)
    shades = overlay(assembly)
    textures = sorted({area.tex for area in assembly.areas if area.tex})
    return {
        "name": assembly.view,
        "view_box": [round(value, 1) for value in box],
        "silhouette": path_of(assembly.silhouette, 0.25),
        "silhouette_mm2": round(assembly.silhouette.area * UNIT_MM**2, 1),
        "layers": [
            {"area": area.name, "z": float(number(area.z)), "d": to_d(area.cmds), **_tags(area)}
            for area in assembly.areas
        ],
        "textures": [
            {"name": name, "d": path_of(unary_union([a.vis for a in assembly.areas if a.tex == name]), 0.25)}
            for name in textures
        ],
        "shades": [
            {"kind": shade.kind, "name": shade.name, "alpha": shade.alpha, "d": path_of(shade.shape, 0.15)}
            for shade in shades
        ],
        "areas": [_measured(assembly, name, shades) for name in assembly.names()],
        "seams": [list(seam) for seam in assembly.seams()],
        "sites": [
            {
                "id": site.id, "area": site.area, "x": round(site.x, 1), "y": round(site.y, 1),
                "width": site.w, "height": site.h, "shape": site.shape, "curve": site.curve,
            }
            for site in assembly.sites
        ],
    }  # fmt: skip


def _tags(area):
    return {"tags": list(area.tags)} if area.tags else {}


def _measured(assembly, name, shades):
    shape = assembly.seen(name)
    first = next(area for area in assembly.areas if area.name == name)
    x, y, radius = assembly.label_point(name)
    mm2 = shape.area * UNIT_MM**2
    return {
        "area": name, "material": first.mat, "part": first.part, "mm2": round(mm2, 2),
        "surface_mm2": round(mm2 * RELIEF[first.shade], 2), "pieces": len(pieces_of(shape)),
        "label": [x, y], "room": round(radius * 2 * UNIT_MM, 2),
        "true_colour": round(bare_share(shape, shades), 2), "visible": path_of(shape, 0.3),
    }  # fmt: skip
