"""A plate as a surface in space: every point of every view gets its place on the model, so that a pattern thought of in space, or on
a sheet laid over it, is the same pattern in all views. All lengths mm of the drawing.

Axes: X along (bow or wearer's right negative), Y to the model's left, Z up. The left view sees (X, Z) with X to the right, the
right view the same with X to the left, the top view (X, Y) with Y down.
"""

from collections.abc import Mapping
from dataclasses import dataclass, field
from types import MappingProxyType

import numpy as np
import shapely

from ..figures.plate import Plate, Site, View
from ..geometry import overlay as safe
from ..geometry.rings import Ring, rings_of
from .contour import polygons

#: raster pitch, mm
PITCH = 0.35
#: mm of a raster for a glance, on which shapes are rough but soon there
COARSE = 3 * PITCH


def shape_of(rings: tuple[Ring, ...]):
    """The polygons of rings in drawing units, in mm."""
    found = [np.array(ring) / 10 for ring in rings if len(ring) >= 3]
    return shapely.make_valid(polygons(found), method="structure")


@dataclass
class Facet:
    """A piece of a view that is taken as flat: a physical body, or one sloping panel of it."""

    part: str
    areas: tuple[str, ...]
    shape: object
    #: solid: depth = a + b * (the view's own height: Z in side views, |Y| in the top view), signed by side
    a: float
    b: float
    side: int
    #: sheet: v = v0 + dv * y of the view; u = su * x + u0
    v0: float
    dv: float
    su: float
    u0: float = 0.0


@dataclass
class SurfaceView:
    """One view on its raster."""

    name: str
    box: tuple
    flip: int
    x: np.ndarray
    y: np.ndarray
    owner: np.ndarray
    camo: np.ndarray
    near: np.ndarray
    region: object
    silhouette: object
    shapes: dict
    points: np.ndarray = None
    depth: np.ndarray = None
    facets: list = field(default_factory=list)
    clear: object = None
    clear_mask: np.ndarray = None

    @property
    def origin(self):
        return float(self.x[0]), float(self.y[0])


@dataclass
class Surface:
    """A plate, ready to be patterned."""

    plate: Plate
    views: list
    names: list
    camo_names: frozenset
    mm2: float = 0.0
    clear_mm2: float = 0.0
    #: per area whether it slopes inwards to something above
    slope: np.ndarray = None

    def view(self, name: str) -> SurfaceView:
        """The view of that name."""
        return next(one for one in self.views if one.name == name)


@dataclass(frozen=True, eq=False)
class Bare:
    """One view on its raster, whatever it wears: coordinates of its nodes, which area owns each, the areas' shapes."""

    name: str
    box: tuple[float, float, float, float]
    x: np.ndarray
    y: np.ndarray
    owner: np.ndarray
    shapes: Mapping[str, object]
    silhouette: object


def bare_view(data: View, names: tuple[str, ...], pitch: float = PITCH) -> Bare:
    """A view on its raster of a pitch in mm. names: of all areas of its plate, by whose places nodes name their owners."""
    index = {name: at for at, name in enumerate(names)}
    x0, y0, w, h = (v / 10 for v in data.view_box)
    x, y = np.arange(x0, x0 + w + pitch, pitch), np.arange(y0, y0 + h + pitch, pitch)
    owner = np.full((len(y), len(x)), -1, np.int16)
    shapes = {}
    for seen in data.areas:
        shape = shape_of(seen.rings)
        shapes[seen.area] = shape
        if shape.is_empty:
            continue
        bx0, by0, bx1, by1 = shape.bounds
        c0, c1 = np.searchsorted(x, (bx0, bx1))
        r0, r1 = np.searchsorted(y, (by0, by1))
        if c1 <= c0 or r1 <= r0:
            continue
        shapely.prepare(shape)
        gx, gy = np.meshgrid(x[c0:c1], y[r0:r1])
        owner[r0:r1, c0:c1][shapely.contains_xy(shape, gx, gy)] = index[seen.area]
    return Bare(data.name, (x0, y0, w, h), x, y, owner, MappingProxyType(shapes), shape_of(rings_of(data.silhouette)))


def raster_of(
    data: View,
    bare: Bare,
    names: tuple[str, ...],
    camo: frozenset[str] = frozenset(),
    sites: frozenset[str] = frozenset(),
    clear: float = 0.0,
    pitch: float = PITCH,
) -> SurfaceView:
    """One view, given as it is drawn and bare, on its raster: what takes the pattern, what is kept clear of it."""
    index = {name: at for at, name in enumerate(names)}
    x, y, owner, shapes = bare.x, bare.y, bare.owner, bare.shapes
    region = safe.union_all([shapes[n] for n in shapes if n in camo])
    if not region.is_empty:
        # hairs between areas are closed; what that adds in corners is taken away again
        region = shapely.buffer(shapely.buffer(region, 0.02, join_style="mitre"), -0.02, join_style="mitre")
        region = shapely.make_valid(shapely.simplify(region, max(0.01, 0.4 * (pitch - PITCH))), method="structure")
    wanted = np.array([index[n] for n in camo if n in index], np.int16)
    mask = np.isin(owner, wanted)
    near = mask.copy()
    for _ in range(5):
        near = _grown(near)
    flip = -1 if data.name in ("right", "back") else 1
    view = SurfaceView(
        data.name, bare.box, flip, x, y, owner, mask, near, region, bare.silhouette, shapes,
    )  # fmt: skip
    zones = [_zone(site, clear) for site in data.sites if site.id in sites]
    view.clear = safe.intersection(safe.union_all(zones), region) if zones else shapely.MultiPolygon()
    view.clear_mask = np.zeros_like(mask)
    if not view.clear.is_empty:
        shapely.prepare(view.clear)
        rows, cols = np.nonzero(mask)
        view.clear_mask[rows, cols] = shapely.contains_xy(view.clear, x[cols], y[rows])
    return view


def _zone(site: Site, clear: float):
    """The box of a mark's site, grown by so many mm."""
    x, y, wide, tall = site.x / 10, site.y / 10, site.width / 2, site.height / 2
    return shapely.buffer(shapely.box(x - wide, y - tall, x + wide, y + tall), clear, quad_segs=4)


def _grown(mask):
    out = mask.copy()
    out[1:] |= mask[:-1]
    out[:-1] |= mask[1:]
    out[:, 1:] |= mask[:, :-1]
    out[:, :-1] |= mask[:, 1:]
    return out
