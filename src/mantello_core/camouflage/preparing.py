"""The surface of a plate made ready for patterns: it depends on plate, areas and clear zones, not on a seed."""

from dataclasses import dataclass
from functools import cache
from types import MappingProxyType

import numpy as np

from ..data_table import data_table
from ..figures.plate import Plate
from ..memory import remembered
from .depth import figure_depth, vehicle_depth
from .facets import facets_of, points_of
from .surface import PITCH, Bare, Surface, bare_view, raster_of

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
    names = names_of(plate)
    index = {name: at for at, name in enumerate(names)}
    bare = bare_plate(plate, pitch)
    views = [
        raster_of(data, shown, names, areas, sites, clear, pitch)
        for data, shown in zip(plate.views, bare.views, strict=True)
    ]
    surface = Surface(plate, views, list(names), areas)
    if bare.slope is not None:
        surface.slope = bare.slope
        for view, depth in zip(views, bare.depths, strict=True):
            view.depth = depth
    else:
        figure_depth(surface)
    for view in views:
        view.points = points_of(view)
        view.facets = facets_of(surface, view, index)
    surface.mm2 = sum(view.region.area for view in views)
    surface.clear_mm2 = sum(view.clear.area for view in views)
    return surface


@dataclass(frozen=True, eq=False)
class BarePlate:
    """What of a surface depends on the plate alone: its views on their rasters, and of a vehicle how deep every place lies and
    which areas slope."""

    views: tuple[Bare, ...]
    depths: tuple[np.ndarray, ...] = ()
    #: by area; None on a figure, whose depths follow from what takes the pattern
    slope: np.ndarray | None = None


@remembered(64_000)
def bare_plate(plate: Plate, pitch: float = PITCH) -> BarePlate:
    """The part of a surface that patterns of any kind on a plate share: half a second for a vehicle."""
    names = names_of(plate)
    bare = tuple(bare_view(view, names, pitch) for view in plate.views)
    if all(view.name != "top" for view in plate.views):
        return BarePlate(bare)
    views = [raster_of(data, shown, names, pitch=pitch) for data, shown in zip(plate.views, bare, strict=True)]
    surface = Surface(plate, views, list(names), frozenset())
    vehicle_depth(surface, {name: at for at, name in enumerate(names)}, forms_of(plate))
    return BarePlate(bare, tuple(view.depth for view in views), surface.slope)


def names_of(plate: Plate) -> tuple[str, ...]:
    """The areas of a plate in the order in which rasters number them."""
    return tuple(sorted(plate.areas))


def forms_of(plate: Plate) -> MappingProxyType:
    """Area to form, for those of which the drawing does not tell it; by their tags on own figure types."""
    shipped = _forms().get(plate.id, {})
    tagged = {
        name: tag.removeprefix("form-") for name, tags in plate.tags.items() for tag in tags if tag.startswith("form-")
    }
    return MappingProxyType({name: form for name, form in {**shipped, **tagged}.items() if form in FORMS})


@cache
def _forms() -> dict[str, dict[str, str]]:
    return data_table(__package__, "forms")["form"]
