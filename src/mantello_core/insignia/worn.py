"""Marks as figures wear them: outlines on a site of a plate, in the colours they are painted in."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache

from shapely import affinity
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ..figures import affine
from ..figures.geometry import path_data
from ..figures.outline import to_d
from ..figures.plate import SeenArea, Site
from .arms_drawing import arms_on
from .coat import Arms
from .device import MARGIN, Device, device_outline
from .shape import SHAPES, shape_polygon

#: share of an area that a site must take for arms to cover the area whole
WHOLE = 0.45
#: the surface that a site's shape stands for
_SURFACES = {"shield": "heater", "disc": "roundel", "oval": "oval", "rect": "banner"}
#: views that show the other side of what is seen from two sides
_REVERSES = ("back", "right")


@dataclass(frozen=True)
class WornMark:
    """What one site bears: a device in one colour, or arms in the colours of their tinctures."""

    device: Device
    fill: str = ""
    arms: Arms | None = None
    #: tincture to '#rrggbb', for arms
    colours: tuple[tuple[str, str], ...] = ()


def worn(mark: WornMark, site: Site, under: Sequence[SeenArea], view: str) -> tuple[tuple[str, str], ...]:
    """Fill and path data of every piece of a mark, back to front, in the units of the plate.

    under: what it lies on, one area or the several that make one face. Arms cover it all where the site takes
    most of it, as a shield's face; else they lie on it as a shield, roundel or
    panel of their own with a margin. On backs and right sides they are mirrored, so that beasts face pole and prow.
    """
    if mark.arms is None:
        outline = affine.transform(device_outline(mark.device, site.width, site.height), (1, 0, 0, 1, site.x, site.y))
        return ((mark.fill, to_d(outline)),)
    colours, visible, mm2 = dict(mark.colours), "".join(one.visible for one in under), sum(one.mm2 for one in under)
    return tuple((colours[tincture], d) for tincture, d in _pieces(mark.arms, site, visible, mm2, view in _REVERSES))


def surface_for(site: Site) -> str:
    """The surface that arms of their own shape have on a site."""
    return _SURFACES.get(site.shape, "banner")


def scale_on(site: Site, surface: BaseGeometry) -> tuple[float, float]:
    """mm to one unit of a surface, across and down, as large as a site allows; only panels are stretched."""
    left, top, right, bottom = surface.bounds
    across, down = site.width * MARGIN / (right - left), site.height * MARGIN / (bottom - top)
    return (across, down) if site.shape == "rect" else (min(across, down),) * 2


@lru_cache(maxsize=512)
def _pieces(arms: Arms, site: Site, visible: str, mm2: float, mirrored: bool) -> tuple[tuple[str, str], ...]:
    if site.width * site.height >= WHOLE * mm2:
        shown = _polygon(visible)
        hull = shown.convex_hull
        surface = hull if hull.area < 1.3 * shown.area else shown
        low = -0.09 * (surface.bounds[3] - surface.bounds[1]) if site.shape == "shield" else 0.0
    else:
        shape = surface_for(site)
        plain = shape_polygon(shape)
        left, top, right, bottom = plain.bounds
        wide, tall = (10 * scale for scale in scale_on(site, plain))
        surface = affinity.translate(
            affinity.scale(plain, wide, tall, origin=((left + right) / 2, (top + bottom) / 2)),
            site.x - (left + right) / 2, site.y - (top + bottom) / 2,
        )  # fmt: skip
        shown, low = surface, SHAPES[shape].low * tall
    pieces = arms_on(arms, surface, low, mirrored)
    return tuple(
        (piece.tincture, d) for piece in pieces if (d := path_data(piece.shape.intersection(shown).simplify(0.05)))
    )


def _polygon(d: str) -> BaseGeometry:
    """The polygon of path data that has straight lines only, as plates keep for what is seen."""
    rings = []
    for part in d.replace("Z", "").replace("z", "").split("M"):
        numbers = [float(value) for value in part.replace("L", " ").replace(",", " ").split()]
        points = list(zip(numbers[::2], numbers[1::2], strict=True))
        if len(points) > 2:
            rings.append(Polygon(points).buffer(0))
    return unary_union(rings)
