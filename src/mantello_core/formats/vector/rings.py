"""Rings of a path: which enclose, which are holes, by the rule that fills them."""

import numpy as np
from shapely.geometry import Polygon

from ...geometry.outline import to_rings
from ...geometry.rings import signed_area


def closed_rings(commands: list[tuple], rule: str) -> tuple[tuple, ...]:
    """The commands of a path with every ring closed: 'Z' where it encloses, 'z' where it is a hole.

    rule: 'nonzero' or 'evenodd', as in a fill rule: a ring is a hole if the point just within it is not filled.
    The largest ring comes first, so that what lies in a hole is added after it.
    """
    rings: list[list[tuple]] = []
    for step in commands:
        if step[0] == "M":
            rings.append([])
        if rings:
            rings[-1].append(step)
    kept = []
    for ring in rings:
        body = [step for step in ring if step[0] not in "Zz"]
        points = [step[-1] for step in body]
        if len(points) < 3 and not any(step[0] == "C" for step in body):
            continue
        shape = Polygon([point for sampled, _ in to_rings([*body, ("Z",)]) for point in sampled][:400] or points)
        way = 1 if signed_area(np.array(shape.exterior.coords)) >= 0 else -1
        kept.append((body, shape if shape.is_valid else shape.buffer(0), way))
    out: list[tuple[float, int, list[tuple]]] = []
    for at, (body, shape, way) in enumerate(kept):
        around = [
            (other, turn) for place, (_, other, turn) in enumerate(kept)
            if place != at and _holds(other, shape) and (other.area, -place) > (shape.area, -at)
        ]  # fmt: skip
        hole = (
            bool(len(around) % 2) if rule == "evenodd" else bool(around) and sum(turn for _, turn in around) + way == 0
        )
        out.append((-shape.area, at, [*body, ("z",) if hole else ("Z",)]))
    return tuple(step for *_, steps in sorted(out) for step in steps)


def _holds(outer, inner) -> bool:
    if inner.is_empty or outer.is_empty:
        return False
    low, high = outer.bounds[:2], outer.bounds[2:]
    box = inner.bounds
    if box[0] < low[0] - 1e-9 or box[1] < low[1] - 1e-9 or box[2] > high[0] + 1e-9 or box[3] > high[1] + 1e-9:
        return False
    return outer.intersection(inner).area > 0.98 * inner.area
