"""Draft a plate: from a figure's parts to the drawing and the measurements the product keeps.

Composing takes about a second a view, so it is done once, when a part changes; the outcome is
kept as data beside this package and read by ``catalogue``.
"""

from dataclasses import asdict

from shapely.ops import unary_union

from ..errors import UnknownName
from ..geometry import affine
from ..geometry.outline import number, to_d
from ..geometry.polygon import path_of, pieces_of
from .assembly import Assembly
from .edging import Edging, edging_of
from .figure import Figure
from .overlap import UNIT_MM, Layers
from .part import PARTS, Draw
from .shading import Overlay, Shade, laid_over, overlay

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
        "views": [drafted_view(stacked(figure, view)) for view in figure.views],
    }


def sketched(figure: Figure) -> dict:
    """The plate of a figure drawn at once, without shading and measurements: for a look while choosing parts."""
    return {
        "id": figure.id,
        "title": figure.title,
        "kind": figure.kind,
        "parts": [use.part for use in figure.uses],
        "views": [_sketch(Assembly(figure, view)) for view in figure.views],
    }


def sketched_part(part_id: str, side: str = "left") -> dict:
    """One part alone as a sketched view, from the side that shows it.

    Raises: UnknownName.
    """
    if part_id not in PARTS:
        raise UnknownName("part", part_id, list(PARTS))
    for view in ("front", "left", "back"):
        drawing = Draw(part_id, view, side)
        PARTS[part_id].draw(drawing)
        if sum(len(area.cmds) for area in drawing.areas) > 3 and (view != "front" or _fronted(part_id, drawing)):
            break
    if side == "right":
        drawing.apply(affine.MIRROR)
    return _sketch(drawing)


def _fronted(part_id: str, drawing: Draw) -> bool:
    """Whether the front shows what the part is; what is carried on the back does not."""
    back = Draw(part_id, "back", drawing.side)
    PARTS[part_id].draw(back)
    return len(drawing.areas) * 2 >= len(back.areas)


def _sketch(assembly: Assembly | Draw) -> dict:
    pieces = sorted((area for area in assembly.areas if area.cmds), key=lambda area: area.z)
    points = [point for area in pieces for step in area.cmds for point in step[1:]]
    across, down = zip(*points, strict=True)
    unmeasured = dict.fromkeys(("mm2", "surface_mm2", "alone_mm2", "outline_mm", "covered_mm", "rim_mm", "room"), 1.0)
    return {
        "name": assembly.view,
        "view_box": _box(min(across), min(down), max(across), max(down)),
        "silhouette": "".join(to_d(area.cmds) for area in pieces),
        "silhouette_mm2": 1.0,
        "layers": [_layer(area) for area in pieces],
        "textures": [],
        "shades": [],
        "areas": [
            {"area": name, "material": area.mat, "part": area.part, **unmeasured,
             "pieces": 1, "label": [0, 0], "true_colour": 1.0, "visible": ""}
            for name, area in {area.name: area for area in reversed(pieces)}.items()
        ],
        "seams": [],
        "sites": [],
    }  # fmt: skip


def _box(left: float, top: float, right: float, bottom: float) -> list[float]:
    return [round(value, 1) for value in (left - PAD, top - PAD, right - left + 2 * PAD, bottom - top + 2 * PAD)]


def _layer(area) -> dict:
    return {"area": area.name, "z": float(number(area.z)), "d": to_d(area.cmds), **_tags(area)}


def stacked(figure: Figure, view: str) -> Layers:
    """One view of a figure as stacked pieces."""
    assembly = Assembly(figure, view)
    return Layers(view, assembly.areas, assembly.marks, assembly.sites)


def drafted_view(stack: Layers, light: list[Shade] | None = None) -> dict:
    """One view as a JSON-ready mapping: drawing, overlay and measurements. light: the overlay, where it is known already."""
    overlaid, edging = overlay(stack) if light is None else laid_over(stack, light), edging_of(stack)
    textures = sorted({area.tex for area in stack.areas if area.tex})
    return {
        "name": stack.view,
        "view_box": _box(*stack.silhouette.bounds),
        "silhouette": path_of(stack.silhouette, 0.25),
        "silhouette_mm2": round(stack.silhouette.area * UNIT_MM**2, 1),
        "layers": [_layer(area) for area in stack.areas],
        "textures": [
            {"name": name, "d": path_of(unary_union([a.vis for a in stack.areas if a.tex == name]), 0.25)}
            for name in textures
        ],
        "shades": [
            {"kind": shade.kind, "name": shade.name, "alpha": shade.alpha, "d": path_of(shade.shape, 0.15)}
            for shade in overlaid.shades
        ],
        "areas": [_measured(stack, name, overlaid, edging[name]) for name in stack.names()],
        "seams": [list(seam) for seam in stack.seams()],
        "sites": [
            {
                "id": site.id, "area": site.area, "x": round(site.x, 1), "y": round(site.y, 1),
                "width": site.w, "height": site.h, "shape": site.shape, "curve": site.curve,
            }
            for site in stack.sites
        ],
    }  # fmt: skip


def _tags(area):
    return {"tags": list(area.tags)} if area.tags else {}


def _measured(stack, name, overlaid: Overlay, edging: Edging):
    shape = stack.seen(name)
    first = next(area for area in stack.areas if area.name == name)
    x, y, radius = stack.label_point(name)
    mm2 = shape.area * UNIT_MM**2
    outline, covered, rim = stack.edges(name)
    return {
        "area": name, "material": first.mat, "part": first.part, "mm2": round(mm2, 2),
        "surface_mm2": round(mm2 * RELIEF[first.shade], 2), "pieces": len(pieces_of(shape)),
        "alone_mm2": round(stack.alone_mm2(name), 2), "outline_mm": outline, "covered_mm": covered, "rim_mm": rim,
        "label": [x, y], "room": round(radius * 2 * UNIT_MM, 2),
        "true_colour": round(overlaid.bare[name], 2), "visible": path_of(shape, 0.3), **asdict(edging),
    }  # fmt: skip
