"""Single marks of a pattern as one shape per ink and view, made larger or smaller until their shares are nearly met."""

import math

import shapely

from ..geometry import overlay as safe
from .marks import drawn, marks
from .pattern import Pattern
from .shapes import areal
from .sizing import Sized
from .surface import Surface


def mark_shapes(surface: Surface, pattern: Pattern, scale: Sized) -> list[list]:
    """For every view the shape of each ink but the ground."""
    made = marks(surface, pattern, scale)
    size = dict.fromkeys(range(1, len(pattern.inks)), 1.0)
    for turn in range(2):
        views = drawn(surface, made, size)
        got, over = {}, [shapely.MultiPolygon()] * len(views)
        for k in range(len(pattern.inks) - 1, 0, -1):
            seen = 0.0
            for at, inks in enumerate(views):
                shape = inks.get(k, shapely.MultiPolygon())
                united = (
                    safe.union(over[at], shape)
                    if not (shape.is_empty or over[at].is_empty)
                    else shape
                    if over[at].is_empty
                    else over[at]
                )
                seen += united.area - over[at].area
                over[at] = united
            got[k] = seen / surface.mm2
        if turn or max(abs(got[k] / pattern.inks[k].share - 1) for k in got) < 0.18:
            break
        for k in got:
            size[k] *= min(1.4, max(0.7, math.sqrt(pattern.inks[k].share / max(got[k], 1e-3))))
    return [
        [None] + [areal(inks.get(k, shapely.MultiPolygon())) for k in range(1, len(pattern.inks))] for inks in views
    ]
