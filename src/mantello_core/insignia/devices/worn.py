"""Marks as figures wear them: outlines on a site of a plate, in the colours they are painted in."""

from collections.abc import Sequence
from dataclasses import dataclass, replace

from shapely import affinity
from shapely.geometry import Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...figures.plate import SeenArea, Site
from ...geometry import affine
from ...geometry.outline import to_d
from ...geometry.polygon import path_data
from ...geometry.rings import Ring
from ...memory import remembered
from ..arms.arms_drawing import arms_on
from ..arms.coat import Arms
from ..arms.fur import fur_marks
from ..arms.shape import SHAPES, shape_polygon
from ..arms.tincture import TINCTURES
from .cloth import cloth_shape
from .device import MARGIN, Device, device_outline, device_shape
from .manner import PLAIN_MANNER, Manner, mirrored

#: share of an area that a site must take for arms to cover the area whole
WHOLE = 0.45
#: units from one tuft of a fur to the next, on figures
FUR = 11.0
#: the surface that a site's shape stands for
_SURFACES = {"shield": "heater", "disc": "roundel", "oval": "oval", "rect": "banner"}


@dataclass(frozen=True)
class WornMark:
    """What one site bears: a device in one colour, or arms in the colours of their tinctures."""

    device: Device
    fill: str = ""
    arms: Arms | None = None
    #: tincture to '#rrggbb', for arms
    colours: tuple[tuple[str, str], ...] = ()
    manner: Manner = PLAIN_MANNER
    #: '#rrggbb' of the patch beneath and of the line round it; '' for none
    ground: str = ""
    outline: str = ""


def worn(mark: WornMark, site: Site, under: Sequence[SeenArea], view: str) -> tuple[tuple[str, str], ...]:
    """Fill and path data of every piece of a mark, back to front, in the units of the plate.

    under: what it lies on, one area or the several that make one face. Arms cover it all where the site takes
    most of it, as a shield's face; else they lie on it as a shield, roundel or
    panel of their own with a margin. On backs and right sides they are mirrored, so that beasts face pole and prow,
    unless the manner says otherwise.
    """
    other_side = mirrored(mark.device, mark.manner, view)
    if mark.device.cloth:
        return ((mark.fill, _cloth(mark.device, _rings(under), mark.manner.turn)),)
    if mark.arms is None:
        return _plain(mark, site, other_side)
    colours, mm2 = dict(mark.colours), sum(one.mm2 for one in under)
    whole = site.width * site.height >= WHOLE * mm2
    shown = _pieces(mark.arms, site, _rings(under) if whole else (), other_side, mark.manner.turn)
    pieces = tuple((colours[tincture], d) for tincture, d in shown)
    return pieces if whole else (*_beneath(mark, site, None), *pieces)


@remembered(8_000)
def _cloth(device: Device, seen: tuple[Ring, ...], turn: float) -> str:
    return path_data(cloth_shape(device.kind, device.cloth, _polygon(seen), turn))


def _plain(mark: WornMark, site: Site, other_side: bool) -> tuple[tuple[str, str], ...]:
    turn = mark.manner.turn
    outline = device_outline(mark.device, site.width, site.height, turn)
    outline = affine.transform(outline, (-1 if other_side else 1, 0, 0, 1, site.x, site.y))
    shape = None
    if mark.outline:
        shape = device_shape(mark.device, site.width, site.height, turn)
        shape = affinity.scale(shape, -1, 1, origin=(0, 0)) if other_side else shape
    return (*_beneath(mark, site, shape), (mark.fill, to_d(outline)))


def _beneath(mark: WornMark, site: Site, shape: BaseGeometry | None) -> tuple[tuple[str, str], ...]:
    """The patch, and the line round a shape about the site's middle; None for the shape of arms."""
    found = []
    if mark.ground:
        patch = _own_surface(site, 0.0)[0]
        found.append((mark.ground, path_data(affinity.scale(patch, 1 / MARGIN, 1 / MARGIN, origin=(site.x, site.y)))))
    if mark.outline:
        edge = _own_surface(site, mark.manner.turn)[0] if shape is None else affinity.translate(shape, site.x, site.y)
        found.append((mark.outline, path_data(edge.buffer(10 * mark.manner.line, quad_segs=4).simplify(0.05))))
    return tuple(found)


def surface_for(site: Site) -> str:
    """The surface that arms of their own shape have on a site."""
    return _SURFACES.get(site.shape, "banner")


def width_on(site: Site) -> float:
    """mm across that a mark takes of a site; half a millimetre at least, for what is drawn smaller is nothing."""
    return max(0.5, site.width * MARGIN)


def scale_on(site: Site, surface: BaseGeometry) -> tuple[float, float]:
    """mm to one unit of a surface, across and down, as large as a site allows; only panels are stretched."""
    left, top, right, bottom = surface.bounds
    across, down = site.width * MARGIN / (right - left), site.height * MARGIN / (bottom - top)
    return (across, down) if site.shape == "rect" else (min(across, down),) * 2


def _own_surface(site: Site, turn: float) -> tuple[BaseGeometry, float]:
    """A shape of its own on a site, as large as fits with a margin, and where the middle of its field lies."""
    plain = shape_polygon(surface_for(site))
    low = SHAPES[surface_for(site)].low
    if turn:
        plain = affinity.rotate(plain, turn, origin=(0, 0))
    left, top, right, bottom = plain.bounds
    wide, tall = (10 * scale for scale in scale_on(site, plain))
    surface = affinity.translate(
        affinity.scale(plain, wide, tall, origin=((left + right) / 2, (top + bottom) / 2)),
        site.x - (left + right) / 2, site.y - (top + bottom) / 2,
    )  # fmt: skip
    return surface, low * tall


@remembered(8_000)
def _pieces(
    arms: Arms, site: Site, seen: tuple[Ring, ...], other_side: bool, turn: float
) -> tuple[tuple[str, str], ...]:
    """seen: the face that they cover whole; nothing for a shape of their own, which may be turned."""
    if seen:
        shown = _polygon(seen)
        hull = shown.convex_hull
        surface = hull if hull.area < 1.3 * shown.area else shown
        low = -0.09 * (surface.bounds[3] - surface.bounds[1]) if site.shape == "shield" else 0.0
        pieces = arms_on(arms, surface, low, other_side)
    else:
        shown, low = _own_surface(site, turn)
        upright = affinity.rotate(shown, -turn, origin=(site.x, site.y)) if turn else shown
        pieces = arms_on(arms, upright, low, other_side)
        if turn:
            pieces = tuple(
                replace(one, shape=affinity.rotate(one.shape, turn, origin=(site.x, site.y))) for one in pieces
            )
    found = []
    for piece in pieces:
        shape = piece.shape.intersection(shown).simplify(0.05)
        made_of = TINCTURES[piece.tincture].made_of
        found.append((made_of[0] if made_of else piece.tincture, path_data(shape)))
        if made_of:
            found.append((made_of[1], path_data(fur_marks(piece.tincture, shape, FUR))))
    return tuple((tincture, d) for tincture, d in found if d)


def _rings(under) -> tuple[Ring, ...]:
    return tuple(ring for one in under for ring in one.rings)


def _polygon(rings: tuple[Ring, ...]) -> BaseGeometry:
    return unary_union([Polygon(ring).buffer(0) for ring in rings if len(ring) > 2])
