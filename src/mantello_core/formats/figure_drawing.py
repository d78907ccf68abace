"""A painter's own SVG as the drawing of a figure type: shapes read, named, scaled and measured.

Only geometry is taken from the file; nothing that it says is ever shown or run as it came.
"""

import math
import re
from dataclasses import dataclass, replace

from ..errors import OutOfRange, UnknownName, Unreadable
from ..figures.catalogue import materials_of_areas
from ..figures.drafting import drafted_view
from ..figures.height import LEAST_MM, MOST_MM
from ..figures.overlap import Layers
from ..figures.part import MATERIALS, Area
from ..figures.plate import Plate
from ..figures.synonym import areas_called
from ..figures.vocabulary import GROUPS, fault, own_name, sideless, spoken
from ..geometry import affine
from ..geometry.outline import to_d, to_rings
from ..geometry.polygon import merged, polygon_of
from .vector.shapes import VIEWS, Found, read_shapes

#: what areas are usually made of, where no shipped plate tells
_USUAL = {
    "head": "cloth", "torso": "cloth", "arm": "cloth", "hand": "skin", "leg": "cloth", "cloak": "cloth", "gear": "leather",
    "weapon": "metal", "shield": "paint", "flag": "cloth", "mount": "hair", "beast": "skin", "vehicle": "paint", "base": "ground",
}  # fmt: skip


#: what a name ends with that says nothing of the area
_AFTERTHOUGHTS = {"copy", "kopie", "copie", "clone", "shape", "path", "layer", "area", "fill", "group"}
_SIDE_WORDS = {
    "l": "left",
    "lt": "left",
    "lft": "left",
    "lh": "left",
    "r": "right",
    "rt": "right",
    "rgt": "right",
    "rh": "right",
}


@dataclass(frozen=True)
class Shape:
    """One shape of a drawing and what it is called."""

    #: tells it apart from all others of the file: 'front-3'
    key: str
    view: str
    #: what the file calls it
    given: str
    #: the area it is; empty if that must be asked
    area: str
    #: an area it may be, where that must be asked
    suggestion: str
    commands: tuple


@dataclass(frozen=True)
class Drawing:
    """The shapes of a file, view by view, the lowest first, and what was left out."""

    shapes: tuple[Shape, ...]
    left_out: tuple[str, ...]

    @property
    def views(self) -> tuple[str, ...]:
        """The views it has, in the usual order."""
        had = {shape.view for shape in self.shapes}
        return tuple(view for view in VIEWS if view in had)

    @property
    def unnamed(self) -> tuple[Shape, ...]:
        """Shapes that no area is known for."""
        return tuple(shape for shape in self.shapes if not shape.area)


def read_drawing(data: bytes) -> Drawing:
    """The drawing in an SVG file.

    Raises: Unreadable if it is none, or holds what no drawing needs (scripts, outside references, entities);
    OutOfRange if it is too large.
    """
    found, left_out = read_shapes(data)
    if not found:
        raise Unreadable("The file has no closed shape with a fill, so there is no area to paint.", "file")
    shapes, counts = [], {}
    for one in found:
        counts[one.view] = counts.get(one.view, 0) + 1
        shapes.append(_shape(one, f"{one.view}-{counts[one.view]}"))
    return Drawing(tuple(shapes), left_out)


def area_meant(text: str, where: str = "") -> str:
    """The area a painter means: a name of the vocabulary, or words that mean just one.

    Raises: UnknownName or Unreadable, saying what is near.
    """
    written = text.strip()
    name = ".".join(written.lower().replace("/", ".").split())
    if name and fault(name) is None:
        return name
    known = list(materials_of_areas())
    words = in_words(written)
    dotted = words.replace(" ", ".")
    if dotted in known and fault(dotted) is None:
        return dotted
    words = _side_first(words)
    called = areas_called(words, known)
    if called and (
        spoken(called[0]).casefold() == words
        or all(one == called[0] or one.startswith(f"{called[0]}.") for one in called)
    ):
        return called[0]
    if called:
        raise Unreadable(f"'{written[:60]}' may mean {', '.join(called[:3])}; write one of them.", where)
    if written.split(".")[0] in GROUPS:
        raise Unreadable(f"'{written[:60]}' is no area name: {fault(name)}.", where)
    raise UnknownName("area", written[:60], known, where)


def in_words(text: str) -> str:
    """A name as programs that draw write it, in plain words: parted at capitals, strokes and dots, sides spelt out.

    >>> in_words("LeftCuff_2"), in_words("cuff-L copy 3"), in_words("Lt._x20_boot")
    ('left cuff', 'cuff left', 'left boot')
    """
    text = re.sub(r"_x([0-9a-fA-F]{2})_", lambda found: chr(int(found[1], 16)), text)
    text = re.sub(r"(?<=[a-z0-9])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])", " ", text)
    words = [word for word in re.split(r"[\s_.,:;/()\[\]-]+", text.casefold()) if word]
    while len(words) > 1 and (words[-1].isdigit() or words[-1] in _AFTERTHOUGHTS):
        words.pop()
    words = [re.sub(r"(?<=[^\W\d_])\d+$", "", word) for word in words]
    return " ".join(_SIDE_WORDS.get(word, word) for word in words)


def _side_first(words: str) -> str:
    sides = [word for word in words.split() if word in ("left", "right")]
    return " ".join([*sides, *(word for word in words.split() if word not in sides)]) if len(sides) == 1 else words


def own_area(text: str, where: str = "") -> str:
    """The area a painter means, as ``area_meant`` has it, or a new one of the painter's own under a known head.

    Raises: what ``area_meant`` refuses, for what names no head.
    """
    try:
        return area_meant(text, where)
    except (Unreadable, UnknownName):
        made = own_name(text)
        if not made:
            raise
        return made


def usual_material(area: str) -> str:
    """What an area is usually made of.

    >>> usual_material("weapon.blade"), usual_material("head.face")
    ('metal', 'skin')
    """
    known = materials_of_areas()
    if area in known:
        return known[area]
    alike = next((name for name in known if sideless(name) == sideless(area)), "")
    return known.get(alike) or _USUAL.get(area.split(".")[0], "cloth")


def with_names(drawing: Drawing, names: dict[str, str]) -> Drawing:
    """The drawing with shapes named: shape key to area name or words; an empty one leaves the shape out.

    Raises: what ``area_meant`` refuses, with the shape's key as the place.
    """
    kept = []
    for shape in drawing.shapes:
        written = names.get(shape.key)
        if written is None:
            kept.append(shape)
        elif written.strip():
            kept.append(replace(shape, area=own_area(written, shape.key)))
    if not kept:
        raise OutOfRange("Every shape is left out; name at least one.", "names")
    return Drawing(tuple(kept), drawing.left_out)


def measured(drawing: Drawing, height_mm: float, materials: dict[str, str] | None = None) -> dict:
    """The drawing of a figure type, ``kind`` and ``views``, from one whose shapes are all named.

    height_mm: of the first view, from its lowest to its highest point. materials: area to material, where
    it is not the usual one.
    Raises: OutOfRange for the height; Unreadable if a shape has no name; UnknownName for a material.
    """
    if not (math.isfinite(height_mm) and LEAST_MM <= height_mm <= MOST_MM):
        raise OutOfRange(f"A height of {height_mm:g} mm; allowed is {LEAST_MM:g} to {MOST_MM:g} mm.", "height_mm")
    if drawing.unnamed:
        raise Unreadable(f"{len(drawing.unnamed)} shapes have no name yet.", drawing.unnamed[0].key)
    for area, material in (materials or {}).items():
        if material not in MATERIALS:
            raise UnknownName("material", material, list(MATERIALS), area)
    left, top, right, bottom = _bounds([shape for shape in drawing.shapes if shape.view == drawing.views[0]])
    if bottom - top <= 0:
        raise Unreadable(f"The view '{drawing.views[0]}' has no height.", "file")
    scale = height_mm * 10 / (bottom - top)
    if (right - left) * scale > 8000:
        raise OutOfRange("At that height the drawing would be more than 800 mm wide.", "height_mm")
    views = []
    for view in drawing.views:
        shapes = [shape for shape in drawing.shapes if shape.view == view]
        stack = Layers(view, _areas(shapes, scale, materials or {}))
        if not stack.areas:
            raise Unreadable(f"At that height nothing of the view '{view}' is large enough to paint.", "height_mm")
        views.append(drafted_view(stack))
    return {"kind": "vehicle" if "top" in drawing.views else "figure", "views": views}


def sheet_svg(drawing: Drawing, view: str) -> str:
    """One view of a drawing in greys, its unnamed shapes hatched dark and every shape numbered as in its key."""
    shapes = [shape for shape in drawing.shapes if shape.view == view]
    left, top, right, bottom = _bounds(shapes)
    size = max(right - left, bottom - top) or 1
    pad, text = size * 0.04, size * 0.026
    parts = []
    for shape in shapes:
        fill = "#d4d4d4" if shape.area else "#6b6b6b"
        parts.append(
            f'<path d="{to_d(shape.commands)}" fill="{fill}" stroke="#1b1b1b" stroke-width="{size / 400:.3f}"/>'
        )
    for shape in shapes:
        if not shape.area:
            x, y = polygon_of(shape.commands).representative_point().coords[0]
            number = shape.key.rpartition("-")[2]
            parts.append(
                f'<text x="{x:.2f}" y="{y:.2f}" font-size="{text:.2f}" text-anchor="middle" dominant-baseline="central"'
                f' fill="#fff" stroke="#1b1b1b" stroke-width="{text / 6:.2f}" paint-order="stroke">{number}</text>'
            )
    box = f"{left - pad:.2f} {top - pad:.2f} {right - left + 2 * pad:.2f} {bottom - top + 2 * pad:.2f}"
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}" role="img" aria-label="{view}">{"".join(parts)}</svg>'
    )


def template_svg(plate: Plate) -> bytes:
    """A plate as an SVG to draw over: one group a view, side by side, every shape with its area as title."""
    groups, x, tall = [], 0.0, max(view.view_box[3] for view in plate.views)
    for view in plate.views:
        left, top, width, height = view.view_box
        shapes = "".join(
            f'<path id="{view.name}-{number}" data-area="{layer.area}" fill="#cfcfcf" stroke="#1b1b1b" stroke-width="1"'
            f' d="{layer.d}"><title>{layer.area}</title></path>\n'
            for number, layer in enumerate(view.layers, 1)
        )
        groups.append(
            f'<g id="{view.name}" transform="translate({x - left:g} {tall - height - top:g})">\n{shapes}</g>\n'
        )
        x += width
    frame = f'viewBox="0 0 {x:g} {tall:g}" width="{x / 10:g}mm" height="{tall / 10:g}mm"'
    return f'<svg xmlns="http://www.w3.org/2000/svg" {frame}>\n{"".join(groups)}</svg>\n'.encode()


def _shape(one: Found, key: str) -> Shape:
    area, suggestion = "", ""
    for given in one.names:
        try:
            area = area_meant(given)
            break
        except (Unreadable, UnknownName):
            near = areas_called(given, list(materials_of_areas()))
            suggestion = suggestion or (near[0] if near else "")
    shown = next(iter(one.names), "")
    return Shape(key, one.view, shown[:80], area, "" if area else suggestion, one.commands)


def _bounds(shapes: list[Shape]) -> tuple[float, float, float, float]:
    boxes = [polygon_of(shape.commands).bounds for shape in shapes]
    boxes = [box for box in boxes if box and not math.isnan(box[0])]
    if not boxes:
        raise Unreadable("The file's shapes enclose nothing.", "file")
    lows, highs = zip(*((box[:2], box[2:]) for box in boxes), strict=True)
    return *map(min, zip(*lows, strict=True)), *map(max, zip(*highs, strict=True))


def _areas(shapes: list[Shape], scale: float, materials: dict[str, str]) -> list[Area]:
    left, _, right, bottom = _bounds(shapes)
    place = (scale, 0, 0, scale, -scale * (left + right) / 2, -scale * bottom)
    areas = []
    for at, shape in enumerate(shapes):
        commands = affine.transform(shape.commands, place)
        if len(to_rings(commands)) > 1:
            commands = merged(commands)
        material = materials.get(shape.area, usual_material(shape.area))
        head = shape.area.split(".")[0]
        areas.append(Area(shape.area, commands, at, material, form=f"{head}:{shape.area}", lift=1.0, part=head))
    return areas
