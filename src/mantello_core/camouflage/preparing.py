"""The surface of a plate made ready for patterns: it depends on plate, areas and clear zones, not on a seed."""

from ..figures.plate import Plate
from ..memory import remembered
from .depth import figure_depth, vehicle_depth
from .facets import facets_of, points_of
from .surface import PITCH, Surface, raster_of


@remembered(48_000)
def surface_of(plate: Plate, areas: frozenset[str], sites: frozenset[str] = frozenset(), clear: float = 0.8) -> Surface:
    """A plate as a surface in space. areas: those that take the pattern; sites: of marks that are kept clear, by so many mm."""
    names = sorted(plate.areas)
    index = {name: at for at, name in enumerate(names)}
    views = [raster_of(view, areas, index, PITCH, sites, clear) for view in plate.views]
    surface = Surface(plate, views, names, areas)
    if any(view.name == "top" for view in views):
        vehicle_depth(surface, index)
    else:
        figure_depth(surface)
    for view in views:
        view.points = points_of(view)
        view.facets = facets_of(surface, view, index)
    surface.mm2 = sum(view.region.area for view in views)
    surface.clear_mm2 = sum(view.clear.area for view in views)
    return surface
