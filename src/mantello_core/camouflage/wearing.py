"""A seasonal layer over a pattern, such as whitewash: covering a stated share, worn off where it would wear."""

from dataclasses import dataclass

import numpy as np
import shapely

from ..geometry import overlay as safe
from .contour import contour
from .laying import Patterned
from .pattern import Overlay
from .surface import Surface, SurfaceView
from .waves import Waves, generator

#: mm from an edge within which it wears; parts of names that hands and feet touch; share of the height that is low
_EDGE, _TOUCHED, _LOW = 0.7, ("hatch", "guard", "rail", "door", "cupola", "tread"), 0.55
#: how much coverage may be off, and how often it is tried; mm² of the smallest piece; mm to spare round clear zones
_NEAR, _TRIES, _LEAST, _SPARE = 0.002, 5, 0.2, 0.4


@dataclass(frozen=True)
class Worn:
    """A layer as it lies: its shape in every view, and the share of the pattern that it covers."""

    shapes: tuple[tuple[str, object], ...]
    cover: float

    def shape(self, view: str):
        """Its shape in a view."""
        return dict(self.shapes)[view]


def worn_over(result: Patterned, overlay: Overlay) -> Worn:
    """The layer over a layout. More wear takes away from the same shapes: what is bare at 60 % is bare at 30 %.

    Source: our own model; weights and half-life are assumptions.
    """
    surface = result.surface
    wear = [_wear(surface, view, overlay, result.sized.per_mm) for view in surface.views]
    free = [view.camo & ~view.clear_mask for view in surface.views]
    every = np.concatenate([values[mask] for values, mask in zip(wear, free, strict=True)])
    wanted = overlay.left
    target, shapes, cover = wanted, [], 0.0
    for _ in range(_TRIES):
        height = float(np.quantile(every, min(max(target, 0.001), 0.999)))
        shapes = [_lies(view, values, height) for view, values in zip(surface.views, wear, strict=True)]
        cover = sum(shape.area for shape in shapes) / surface.mm2
        if abs(cover - wanted) < _NEAR:
            break
        target += wanted - cover
    return Worn(tuple((view.name, shape) for view, shape in zip(surface.views, shapes, strict=True)), cover)


def _lies(view: SurfaceView, wear: np.ndarray, height: float):
    grid = np.where(view.near, height - wear, -1.0)
    pitch = float(view.x[1] - view.x[0])
    shape = safe.intersection(contour(grid, *view.origin, pitch, 0.25, 0.05), view.region)
    if not view.clear.is_empty:
        shape = safe.difference(shape, shapely.buffer(view.clear, _SPARE, quad_segs=3))
    return shapely.MultiPolygon(
        [part for part in shapely.get_parts(shape) if part.geom_type == "Polygon" and part.area > _LEAST]
    )


def _wear(surface: Surface, view: SurfaceView, overlay: Overlay, per_mm: float) -> np.ndarray:
    """How soon every node of a view wears: larger is sooner."""
    pitch, own = float(view.x[1] - view.x[0]), view.owner
    worn = overlay.edges * np.exp(-_from_edges(own, pitch) / _EDGE)
    touched = np.array([any(part in name.split(".") for part in _TOUCHED) for name in surface.names])
    worn += overlay.touch * 0.5 * (touched[np.maximum(own, 0)] & (own >= 0))
    if view.name != "top":
        height = -view.y[:, None] / max(float(-view.y.min()), 1.0)
        worn = worn + overlay.low * np.clip(_LOW - height, 0, 1) * 2
    rng = generator("overlay", overlay.role, overlay.seed)
    size = overlay.size_m * 1000 / 56 / per_mm
    fine = Waves(rng, 2.2 * size, rough=0.9, stretch=overlay.streak, along=(0, 0, 1))
    broad = Waves(rng, 7 * size, rough=0.5)
    return worn + overlay.chance * (0.55 * fine.at(view.points) + 0.4 * broad.at(view.points))


def _from_edges(own: np.ndarray, pitch: float) -> np.ndarray:
    """How far every node is from where areas meet, mm; 9 for far."""
    front = np.zeros(own.shape, bool)
    front[:-1] |= own[:-1] != own[1:]
    front[:, :-1] |= own[:, :-1] != own[:, 1:]
    far = np.full(own.shape, 9.0)
    for step in range(8):
        far[front & (far > 8.9)] = step * pitch
        grown = front.copy()
        grown[1:] |= front[:-1]
        grown[:-1] |= front[1:]
        grown[:, 1:] |= front[:, :-1]
        grown[:, :-1] |= front[:, 1:]
        front = grown
    return far
