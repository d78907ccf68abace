"""Tiles of a pattern as one shape per ink and view."""

import numpy as np
import shapely

from ..geometry import overlay as safe
from .pattern import Pattern
from .plane_tiles import dazzle_tiles, plane_tiles
from .shapes import areal, sizable
from .sheet_tiles import lozenge_tiles, pixel_tiles
from .sizing import Sized
from .surface import Surface


def tile_shapes(surface: Surface, pattern: Pattern, scale: Sized) -> list[list]:
    """For every view the shape of each ink but the ground."""
    if pattern.family in ("splinter", "blocks"):
        pieces, ink = plane_tiles(surface, pattern, scale.size, pattern.family)
    elif pattern.family == "dazzle":
        pieces, ink = dazzle_tiles(surface, pattern, scale.size)
    elif pattern.family == "lozenge":
        pieces, ink = lozenge_tiles(surface, pattern, scale.size)
    else:
        pieces, ink = pixel_tiles(surface, pattern, scale.size, scale.line)
    raw = []
    for view, mine in zip(surface.views, pieces, strict=True):
        inks = [None] * len(pattern.inks)
        for k in range(1, len(inks)):
            parts = []
            for f in view.facets:
                rings = [ring for number, ring, home in mine if home is f and ink[number] == k]
                if rings:
                    # a hair of overlap, so that seams between tiles and facets close
                    whole = safe.union_all(shapely.buffer(_ring_polygons(rings), 0.004, join_style="mitre"))
                    parts.append(safe.intersection(whole, f.shape))
            shape = (
                safe.union_all([shapely.buffer(p, 0.03, join_style="mitre") for p in parts])
                if parts
                else shapely.MultiPolygon()
            )
            inks[k] = sizable(areal(shape), 0.3 * scale.island)
        raw.append(inks)
    return raw


def _ring_polygons(rings):
    lengths = np.array([len(r) for r in rings])
    if (lengths == lengths[0]).all():
        return shapely.polygons(np.asarray(rings, float))
    owner = np.repeat(np.arange(len(rings)), lengths)
    return shapely.polygons(shapely.linearrings(np.concatenate([np.asarray(r, float) for r in rings]), indices=owner))
