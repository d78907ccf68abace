"""A pattern on a surface: closed shapes per ink and view, the same in every view of one model."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np
import shapely

from .fields import field_shapes
from .fitting import ViewPattern, fitted
from .mark_shapes import mark_shapes
from .pattern import MARKS, Pattern
from .sizing import DRAWN_AT, sized
from .surface import Surface
from .tile_shapes import tile_shapes

_FIELDS = ("blotch", "stripes", "bands")
#: difference of a share from which on a painter is told
_TOLD = 0.005


@dataclass(eq=False)
class Patterned:
    """What the engine answers."""

    surface: object
    pattern: object
    sized: object
    views: list
    shares: list
    mm2: float
    told: tuple[str, ...] = ()

    @property
    def error(self) -> float:
        """The largest difference of a share from what was asked."""
        return max(abs(a - i.share) for a, i in zip(self.shares, self.pattern.inks, strict=True))

    @cached_property
    def labels(self) -> tuple[np.ndarray, ...]:
        """Per view which ink each raster node wears, -1 outside; read off the shapes."""
        found = []
        for shown, view in zip(self.surface.views, self.views, strict=True):
            out = np.full(shown.owner.shape, -1, np.int8)
            rows, cols = np.nonzero(shown.camo)
            ink = np.zeros(len(rows), np.int8)
            for k, shape in enumerate(view.seen):
                if k and not shape.is_empty:
                    shapely.prepare(shape)
                    ink[shapely.contains_xy(shape, shown.x[cols], shown.y[rows])] = k
            out[rows, cols] = ink
            found.append(out)
        return tuple(found)

    def view(self, name: str) -> ViewPattern:
        """The view of that name."""
        return next(one for one in self.views if one.name == name)

    @property
    def paths(self) -> tuple[int, int]:
        """Closed paths over all views: as painted, and as seen."""
        laid = sum(len(shapely.get_parts(s)) for v in self.views for s in v.laid[1:])
        seen = sum(len(shapely.get_parts(s)) for v in self.views for s in v.seen[1:])
        return laid, seen


def patterned(surface: Surface, pattern: Pattern, denominator: float = DRAWN_AT, metres: float = 1.2) -> Patterned:
    """Lay a pattern on a surface, for a model of 1:denominator that is seen from so many metres.

    The same surface, pattern and seed give the same bytes. A share that could not be met within 0.5 % is told.
    """
    scale = sized(pattern, denominator, metres)
    if pattern.family in _FIELDS:
        raw = field_shapes(surface, pattern, scale)
    elif pattern.family in MARKS:
        raw = mark_shapes(surface, pattern, scale)
    else:
        raw = tile_shapes(surface, pattern, scale)
    views, shares = fitted(surface, pattern, scale, raw)
    told = list(scale.told)
    worst = max(range(len(shares)), key=lambda k: abs(shares[k] - pattern.inks[k].share))
    if abs(shares[worst] - pattern.inks[worst].share) > _TOLD:
        told.append(
            f"Ink {worst + 1} takes {100 * shares[worst]:.1f} % instead of {100 * (pattern.inks[worst].share):.1f} %: patches of"
            f" {scale.size * scale.per_mm:.1f} mm are too few on {surface.mm2 * scale.per_mm**2:.0f} mm² to come nearer."
        )
    return Patterned(surface, pattern, scale, views, shares, surface.mm2, tuple(told))
