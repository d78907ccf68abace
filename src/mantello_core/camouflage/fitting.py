"""Shares met on the shapes themselves: clipped to the areas, clear zones kept, outlines moved by a hair."""

from dataclasses import dataclass

import shapely

from ..geometry import overlay as safe
from .pattern import Pattern
from .shapes import areal
from .sizing import Sized
from .surface import Surface

#: shares are put right by moving outlines, at most by this part of the narrowest line
MOST_SHIFT = 0.45
#: shares within this much need no putting right
NEAR = 0.0008
MOST_TRIES = 7


@dataclass
class ViewPattern:
    """One view: for every ink its whole shape as it is painted (later inks lie over it), and what stays seen of it."""

    name: str
    laid: list
    seen: list


def fitted(surface: Surface, pattern: Pattern, scale: Sized, raw: list[list]) -> tuple[list[ViewPattern], list[float]]:
    """Clip to areas, keep clear zones, put the shares right by moving outlines a hair, measure."""
    count = len(pattern.inks)
    join = {"join_style": "mitre", "mitre_limit": 2.0}
    free = [safe.difference(v.region, v.clear) if not v.clear.is_empty else v.region for v in surface.views]
    for shape in free:
        shapely.prepare(shape)
    over = [shapely.MultiPolygon() for _ in surface.views]
    laid = [[None] * count for _ in surface.views]
    seen = [[None] * count for _ in surface.views]
    for k in range(count - 1, 0, -1):
        want = pattern.inks[k].share * surface.mm2
        shapes = [raw[at][k] for at in range(len(free))]
        moved, tried, limit = 0.0, [], MOST_SHIFT * scale.line
        for _ in range(MOST_TRIES):
            grown = [shapely.buffer(s, moved, **join) if moved else s for s in shapes]
            clipped = [safe.intersection(s, f) for s, f in zip(grown, free, strict=True)]
            shown = [
                safe.difference(c, o) if not (o.is_empty or c.is_empty) else c
                for c, o in zip(clipped, over, strict=True)
            ]
            total = sum(s.area for s in shown)
            tried.append((moved, total))
            if abs(total - want) <= NEAR * surface.mm2:
                break
            if len(tried) > 1 and abs(tried[-1][0] - tried[-2][0]) > 1e-6:
                slope = (tried[-1][1] - tried[-2][1]) / (tried[-1][0] - tried[-2][0])
            else:
                # about this part of an outline lies inside the region, where moving it gains or loses surface
                slope = 0.62 * sum(s.length for s in shown)
            step = max(-limit, min(limit, moved + (want - total) / max(slope, 1.0)))
            low = max((m for m, t in tried if t < want), default=None)
            high = min((m for m, t in tried if t > want), default=None)
            if low is not None and high is not None and low < high and not low < step < high:
                step = (low + high) / 2
            if abs(step - moved) < 1e-4:
                break
            moved = step
        for at, (c, s) in enumerate(zip(clipped, shown, strict=True)):
            laid[at][k], seen[at][k] = c, s
            over[at] = safe.union(over[at], c) if k > 1 or not over[at].is_empty else c
    shares = [0.0] * count
    views = []
    for at, v in enumerate(surface.views):
        seen[at][0] = safe.difference(v.region, over[at])
        laid[at][0] = v.region
        clear = v.clear
        if pattern.clear_ink and not clear.is_empty:
            seen[at][0] = safe.difference(seen[at][0], clear)
            seen[at][pattern.clear_ink] = safe.union(seen[at][pattern.clear_ink], clear)
            laid[at][pattern.clear_ink] = safe.union(laid[at][pattern.clear_ink], clear)
        seen[at] = [areal(s) for s in seen[at]]
        for k in range(count):
            shares[k] += seen[at][k].area / surface.mm2
        views.append(ViewPattern(v.name, laid[at], seen[at]))
    return views, shares
