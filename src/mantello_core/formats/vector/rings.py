"""Rings of a path: which enclose, which are holes, by the rule that fills them."""

from collections.abc import Iterable, Sequence

import numpy as np
from shapely import STRtree
from shapely.geometry import Polygon

from ...errors import OutOfRange
from ...geometry.crossing import crossings_of
from ...geometry.outline import to_rings
from ...geometry.rings import signed_area

#: parts that outlines of a file may have, and how often they may cross
MOST_PARTS, MOST_CROSSINGS = 2_000, 10_000


def closed_rings(commands: list[tuple], rule: str) -> tuple[tuple, ...]:
    """The commands of a path with every ring closed: 'Z' where it encloses, 'z' where it is a hole.

    rule: 'nonzero' or 'evenodd', as in a fill rule: a ring is a hole if the point just within it is not filled.
    The largest ring comes first, so that what lies in a hole is added after it.
    Raises: OutOfRange for a path that crosses itself without end.
    """
    rings: list[list[tuple]] = []
    for step in commands:
        if step[0] == "M":
            rings.append([])
        if rings:
            rings[-1].append(step)
    bodies = [[step for step in ring if step[0] not in "Zz"] for ring in rings]
    bodies = [body for body in bodies if len(body) > 2 or any(step[0] == "C" for step in body)]
    refuse_crossed([[*body, ("Z",)] for body in bodies])
    kept = []
    for body in bodies:
        points = [step[-1] for step in body]
        shape = Polygon([point for sampled, _ in to_rings([*body, ("Z",)]) for point in sampled][:400] or points)
        way = 1 if signed_area(np.array(shape.exterior.coords)) >= 0 else -1
        kept.append((body, shape if shape.is_valid else shape.buffer(0), way))
    near = STRtree([shape for _, shape, _ in kept])
    out: list[tuple[float, int, list[tuple]]] = []
    for at, (body, shape, way) in enumerate(kept):
        around = [
            turn for place, other, turn in ((place, *kept[place][1:]) for place in sorted(near.query(shape)))
            if place != at and _holds(other, shape) and (other.area, -place) > (shape.area, -at)
        ]  # fmt: skip
        hole = bool(len(around) % 2) if rule == "evenodd" else bool(around) and sum(around) + way == 0
        out.append((-shape.area, at, [*body, ("z",) if hole else ("Z",)]))
    return tuple(step for *_, steps in sorted(out) for step in steps)


def refuse_crossed(outlines: Iterable[Sequence[tuple]]) -> None:
    """Nothing, if outlines are not of too many parts, nor cross themselves and each other without end.

    Raises: OutOfRange.
    """
    outlines = list(outlines)
    parts = sum(step[0] in "Zz" for one in outlines for step in one)
    if parts > MOST_PARTS:
        raise OutOfRange(
            f"Outlines in the file have {parts} parts; allowed are {MOST_PARTS}. Leave out hatching and specks.", "file"
        )
    if crossings_of(outlines, MOST_CROSSINGS) > MOST_CROSSINGS:
        raise OutOfRange(
            f"Outlines in the file cross themselves and each other more than {MOST_CROSSINGS} times; unite or simplify them first.",
            "file",
        )


def _holds(outer, inner) -> bool:
    if inner.is_empty or outer.is_empty:
        return False
    low, high = outer.bounds[:2], outer.bounds[2:]
    box = inner.bounds
    if box[0] < low[0] - 1e-9 or box[1] < low[1] - 1e-9 or box[2] > high[0] + 1e-9 or box[3] > high[1] + 1e-9:
        return False
    return outer.intersection(inner).area > 0.98 * inner.area
