"""A plate as SVG: layered paths, neutral overlay on top; colours come in from outside."""

import re
from collections.abc import Callable
from typing import NamedTuple
from xml.sax.saxutils import escape, quoteattr

import numpy as np
from shapely.geometry import LineString, Polygon

from ..figures.plate import Plate, SeenArea, Site, View
from ..geometry.levels import levels
from ..insignia.devices.worn import WornMark, worn
from ..memory import remembered
from .camouflage_svg import Camouflage, camouflage_group
from .traces import Trace, traces_svg

#: site to what it bears, as pairs
Bearing = tuple[tuple[str, WornMark], ...]


class Lit(NamedTuple):
    """The tones of an area besides its fill, '#rrggbb': in its recesses, near its sharp edges, and on them."""

    recess: str
    ridge: str
    edge: str
    #: chips, scratches, runs and the like on it
    traces: tuple[Trace, ...] = ()
    #: its lights laid broad: the share of it that each reaches from the light, and its colour, the narrowest first, and at
    #: the end the colour of the rest, with share 1; empty where there are none
    bands: tuple[tuple[float, str], ...] = ()
    #: from where they come, x right and y down
    light: tuple[float, float] = (0.0, -1.0)


INK = "#17141c"
#: how wide and how opaque tones are drawn along seams and edges, drawing units: from wide to narrow
RECESS, EDGE = ((11.0, 0.35), (5.0, 0.85)), ((4.6, 0.6), (1.8, 1.0))
#: how soft the border between two broad lights is, as a share of the area
SOFT = 0.12
#: line weights in drawing units, by how large the figure is shown
DETAIL = {
    "large": {"seam": 1.15, "outline": 3.4, "opacity": 0.78},
    "small": {"seam": 1.5, "outline": 5.0, "opacity": 0.7},
    # many figures on paper at about true size: what no printer shows is left out
    "print": {"seam": 1.2, "outline": 3.6, "opacity": 0.75},
    "tiny": {"seam": 0.0, "outline": 8.0, "opacity": 0.0},
}
#: square units below which a patch of light is left out of a print, and how far its border may give way
_SPECK, _CORNER = 12.0, 0.9
_NUMBER = re.compile(r"-?\d+\.?\d*")
_PATTERNS = {
    "mail": (
        5,
        4.4,
        "M0,1.6Q1.25,3.6 2.5,1.6Q3.75,3.6 5,1.6M-1.25,3.8Q0,5.8 1.25,3.8Q2.5,5.8 3.75,3.8Q5,5.8 6.25,3.8",
        0.38,
        0.8,
    ),
    "fur": (9, 9, "M2,1L1.2,4.6M6.4,2.6L5.8,6M3.6,5.6L3,9M8.2,6.4L7.4,9.6", 0.3, 0.9),
    "wood": (40, 11, "M0,3Q10,2 20,3T40,3M6,8Q16,9 26,8", 0.16, 0.8),
    "turf": (22, 9, "M3,3h3M12,6h4M18,2h2M7,7h2", 0.22, 1.1),
}
_TINT = {"lite": "#fff", "dark": "#000", "ink": INK}


def plate_svg(
    plate: Plate,
    view_name: str,
    fill_of: Callable[[str], str],
    *,
    detail: str = "large",
    label: str = "",
    prefix: str = "",
    blur: float = 0.0,
    bearing: Bearing = (),
    lit_of: Callable[[str], Lit | None] | None = None,
    seed: int = 0,
    camouflage: tuple[Camouflage, ...] = (),
) -> str:
    """One view of a plate as an SVG document of its own, the same text for the same colours.

    fill_of: area name to '#rrggbb'. prefix: put before ids, for drawings set inline in one page.
    blur: standard deviation in drawing units, in linear light. lit_of: tones of an area, as ``plate_group`` draws them.
    """
    view = plate.view(view_name)
    box = " ".join(f"{value:g}" for value in view.view_box)
    prefix = prefix or f"{plate.id}-{view.name}-"
    drawn = plate_group(
        plate, view_name, fill_of, detail=detail, prefix=prefix, bearing=bearing, lit_of=lit_of, seed=seed,
        camouflage=camouflage,
    )  # fmt: skip
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="{box}" role="img" aria-label={quoteattr(label or plate.title)}>'
        f"<title>{escape(label or plate.title)}</title>{blurred(drawn, blur, prefix)}</svg>"
    )


def view_svg(view: View, fill_of: Callable[[str], str], label: str) -> str:
    """A view that belongs to no plate, such as one part of the kit, as an SVG document of its own."""
    shape = Plate("view", label, "figure", (view,), {})
    return plate_svg(shape, view.name, fill_of, detail="small", label=label)


def blurred(drawn: str, blur: float, prefix: str = "") -> str:
    """A drawing as an eye sees it that does not resolve it: blurred in linear light. blur: drawing units."""
    if not blur:
        return drawn
    return (
        f'<filter id="{prefix}blur" x="-10%" y="-10%" width="120%" height="120%" color-interpolation-filters="linearRGB">'
        f'<feGaussianBlur stdDeviation="{blur:.2f}"/></filter><g filter="url(#{prefix}blur)">{drawn}</g>'
    )


def plate_group(
    plate: Plate,
    view_name: str,
    fill_of: Callable[[str], str],
    *,
    detail: str = "large",
    prefix: str = "",
    said_of: Callable[[str], str] | None = None,
    bearing: Bearing = (),
    lit_of: Callable[[str], Lit | None] | None = None,
    seed: int = 0,
    camouflage: tuple[Camouflage, ...] = (),
) -> str:
    """The drawing without its frame, in drawing units (0.1 mm), soles on y = 0.

    said_of: attributes to add to every area's group, such as its role. bearing: site to what it bears. lit_of: the tones
    that a large drawing shows in an area's seams and on its sharp edges; None for an area that has but one. seed: deals traces.
    camouflage: what lies over whole areas, beneath their marks.
    """
    view, weight = plate.view(view_name), DETAIL[detail]
    parts = [_patterns(view, prefix) if detail != "tiny" else ""]
    parts.append(
        f'<path class="silhouette" d="{view.silhouette}" fill="{INK}" stroke="{INK}" stroke-width="{weight["outline"]:g}"'
        ' stroke-linejoin="round"/>'
    )
    parts.append(
        f'<g class="areas" stroke="{INK}" stroke-opacity="{weight["opacity"]:g}" stroke-width="{weight["seam"]:g}" stroke-linejoin="round">'
    )
    last = {layer.area: at for at, layer in enumerate(view.layers)}
    marks = _marks(view, dict(bearing), prefix)
    seen = {one.area: one for one in view.areas} if lit_of and detail != "tiny" else {}
    covered = frozenset().union(*(one.areas for one in camouflage))
    over: list[str] = []
    for at, layer in enumerate(view.layers):
        more = said_of(layer.area) if said_of else ""
        parts.append(f'<path data-area="{layer.area}"{more} fill="{fill_of(layer.area)}" d="{layer.d}"/>')
        if last[layer.area] == at:
            if layer.area in covered:
                over += marks.get(layer.area, ())
                continue
            if layer.area in seen and (lit := lit_of(layer.area)):
                parts.append(_lit(seen[layer.area], lit, f"{prefix}lit{at}", seed, tones=detail == "large"))
            parts += marks.get(layer.area, ())
    parts += (camouflage_group(one, f"{prefix}camo{at}") for at, one in enumerate(camouflage))
    if covered:
        parts += (f'<path fill="none" d="{one.visible}"/>' for one in view.areas if one.area in covered)
    parts += over
    parts.append("</g>")
    parts.append(_overlay(view, prefix, detail))
    return "".join(parts)


def _lit(seen: SeenArea, lit: Lit, clip: str, seed: int, *, tones: bool) -> str:
    strokes = [(seen.foot_d, lit.recess, *how) for how in RECESS]
    strokes += [(seen.sharp_d, colour, *how) for colour, how in zip((lit.ridge, lit.edge), EDGE, strict=True)]
    drawn = "".join(
        f'<path d="{d}" stroke="{colour}" stroke-width="{width:g}" stroke-opacity="{opacity:g}"/>'
        for d, colour, width, opacity in strokes
        if d and tones
    ) + traces_svg(seen, lit.traces, seed)
    graded = ""
    if tones and lit.bands:
        graded = (
            _graded(seen, lit, f"{clip}-light")
            + f'<path d="{seen.visible}" fill="url(#{clip}-light)" fill-rule="evenodd" stroke="none"/>'
        )
    drawn = graded + drawn
    if not drawn:
        return ""
    return (
        f'<clipPath id="{clip}"><path clip-rule="evenodd" d="{seen.visible}"/></clipPath>'
        f'<g class="tones" clip-path="url(#{clip})" fill="none" pointer-events="none">{drawn}</g>'
    )


def _graded(seen: SeenArea, lit: Lit, id_: str) -> str:
    """The broad lights as a gradient across an area: bands with soft borders, each over its own share of what is seen."""
    return f'<linearGradient id="{id_}" {_stops(seen.visible, lit.light, lit.bands)}</linearGradient>'


@remembered(2_000)
def _stops(visible: str, light: tuple[float, float], bands: tuple[tuple[float, str], ...]) -> str:
    """Where such a gradient runs, and its colours along the way."""
    x, y = np.array(light) * sum(map(abs, light)) / np.dot(light, light)
    colours, borders, before = [], [], 0.0
    for share, colour in bands:
        borders += [min(before + SOFT / 2, share), max(share - SOFT / 2, before)]
        colours += [colour, colour]
        before = share
    places = levels(visible, light, borders)
    stops = "".join(
        f'<stop offset="{place:.3f}" stop-color="{colour}"/>' for place, colour in zip(places, colours, strict=True)
    )
    return f'x1="{0.5 + x / 2:g}" y1="{0.5 + y / 2:g}" x2="{0.5 - x / 2:g}" y2="{0.5 - y / 2:g}">{stops}'


def _marks(view: View, bearing: dict[str, WornMark], prefix: str) -> dict[str, list[str]]:
    """For every area, the marks that are drawn once it is, clipped to what they lie on."""
    found: dict[str, list[str]] = {}
    for number, (site_id, mark) in enumerate(bearing.items()):
        site = view.named_site(site_id)
        under = _under(view, site, mark) if site else ()
        if not under:
            continue
        names = {seen.area for seen in under}
        layers = [layer for layer in view.layers if layer.area in names]
        drawn = "".join(f'<path d="{layer.d}"/>' for layer in layers)
        clip = f"{prefix}site{number}"
        found.setdefault(layers[-1].area, []).append(
            f'<clipPath id="{clip}">{drawn}</clipPath>'
            f'<g class="device" clip-path="url(#{clip})" stroke="none" fill-rule="evenodd">{_paths(view, site, mark, under)}</g>'
        )
    return found


def mark_paths(view: View, site: Site, mark: WornMark) -> str:
    """The paths of what a site bears; nothing if the view does not show what it lies on."""
    under = _under(view, site, mark)
    return _paths(view, site, mark, under) if under else ""


def _paths(view: View, site: Site, mark: WornMark, under: tuple[SeenArea, ...]) -> str:
    return "".join(f'<path fill="{fill}" d="{d}"/>' for fill, d in worn(mark, site, under, view.name))


def _under(view: View, site: Site, mark: WornMark) -> tuple[SeenArea, ...]:
    """What a mark lies on: the site's own area, or the areas that one is divided into; arms hide a cast charge too."""
    own = tuple(seen for seen in view.areas if seen.area == site.area)
    own = own or tuple(seen for seen in view.areas if seen.area.startswith(f"{site.area}."))
    if not own or mark.arms is None:
        return own
    steps = site.area.split(".")
    parts = [".".join(steps[:at]) for at in range(1, len(steps))]
    cast = {f"{part}.{name}" for part in parts for name in ("charge", "device")}
    return own + tuple(seen for seen in view.areas if seen.area in cast and seen not in own)


def _patterns(view: View, prefix: str) -> str:
    drawn = []
    for name, _ in view.textures:
        if name in _PATTERNS:
            width, height, d, opacity, stroke = _PATTERNS[name]
            drawn.append(
                f'<pattern id="{prefix}{name}" width="{width}" height="{height}" patternUnits="userSpaceOnUse"><path d="{d}"'
                f' fill="none" stroke="#000" stroke-opacity="{opacity}" stroke-width="{stroke}"/></pattern>'
            )
    return f"<defs>{''.join(drawn)}</defs>" if drawn else ""


@remembered(8_000)
def _overlay(view: View, prefix: str, detail: str) -> str:
    parts = ['<g class="overlay" pointer-events="none" aria-hidden="true">']
    if detail != "tiny":
        parts += [f'<path fill="url(#{prefix}{name})" d="{d}"/>' for name, d in view.textures if name in _PATTERNS]
    for shade in view.shades:
        if detail == "tiny" and shade.name == "edge":
            continue
        if d := _thinned(shade.d) if detail == "print" else shade.d:
            parts.append(f'<path fill="{_TINT[shade.kind]}" fill-opacity="{shade.alpha:g}" d="{d}"/>')
    parts.append("</g>")
    return "".join(parts)


def _thinned(d: str) -> str:
    """Path data of straight-sided patches without corners and specks that no printer shows; with curves, as it is."""
    if set(d) & set("CcQqSsTtAaHhVvml"):
        return d
    kept = []
    for ring in d.split("M")[1:]:
        numbers = [float(one) for one in _NUMBER.findall(ring)]
        points = list(zip(numbers[::2], numbers[1::2], strict=False))
        if len(points) < 3:
            continue
        shape = Polygon(points)
        if shape.area < _SPECK:
            continue
        thin = list(LineString([*points, points[0]]).simplify(_CORNER).coords)[:-1]
        if len(thin) > 2:
            kept.append("M" + " ".join(f"{x:g},{y:g}" for x, y in thin) + "Z")
    return "".join(kept)
