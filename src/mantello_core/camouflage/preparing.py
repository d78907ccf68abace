"""The surface of a plate made ready for patterns: it depends on plate, areas and clear zones, not on a seed."""

import tomllib
from functools import cache
from importlib.resources import files
from types import MappingProxyType

import numpy as np

from ..figures.plate import Plate
from ..memory import remembered
from .depth import figure_depth, vehicle_depth
from .facets import facets_of, points_of
from .surface import PITCH, Surface, raster_of

#: how an area is formed where the drawing does not tell: 'flat', 'slope' inwards to what is above, 'round' about its long axis
FORMS = ("flat", "slope", "round")


@remembered(48_000)
def surface_of(
    plate: Plate,
    areas: frozenset[str],
    sites: frozenset[str] = frozenset(),
    clear: float = 0.8,
    pitch: float = PITCH,
) -> Surface:
    """A plate as a surface in space. areas: those that take the pattern; sites: of marks that are kept clear, by so many mm;
    pitch: mm between the places that are looked at."""
    names = tuple(sorted(plate.areas))
    index = {name: at for at, name in enumerate(names)}
    views = [raster_of(view, names, areas, sites, clear, pitch) for view in plate.views]
    surface = Surface(plate, views, list(names), areas)
    if any(view.name == "top" for view in views):
        depths, slope = _depths(plate, pitch)
        surface.slope = slope
        for view, depth in zip(views, depths, strict=True):
            view.depth = depth
    else:
        figure_depth(surface)
    for view in views:
        view.points = points_of(view)
        view.facets = facets_of(surface, view, index)
    surface.mm2 = sum(view.region.area for view in views)
    surface.clear_mm2 = sum(view.clear.area for view in views)
    return surface


@remembered(24_000)
def _depths(plate: Plate, pitch: float) -> tuple[tuple[np.ndarray, ...], np.ndarray]:
    """Depth of every view of a vehicle, and which areas slope: they depend on the plate alone."""
    names = tuple(sorted(plate.areas))
    views = [raster_of(view, names, frozenset(), frozenset(), 0.0, pitch) for view in plate.views]
    bare = Surface(plate, views, list(names), frozenset())
    vehicle_depth(bare, {name: at for at, name in enumerate(names)}, forms_of(plate))
    return tuple(view.depth for view in views), bare.slope


def forms_of(plate: Plate) -> MappingProxyType:
    """Area to form, for those of which the drawing does not tell it; by their tags on own figure types."""
    shipped = _forms().get(plate.id, {})
    tagged = {
        name: tag.removeprefix("form-") for name, tags in plate.tags.items() for tag in tags if tag.startswith("form-")
    }
    return MappingProxyType({name: form for name, form in {**shipped, **tagged}.items() if form in FORMS})


@cache
def _forms() -> dict[str, dict[str, str]]:
    return tomllib.loads((files(__package__) / "data" / "forms.toml").read_text(encoding="utf-8"))["form"]
