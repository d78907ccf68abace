"""What a source of light on a figure lights around it: areas within its reach, the nearest most."""

from functools import reduce

from shapely.geometry import Polygon

from ..memory import remembered
from .plate import Plate, SeenArea

#: rings about a source as shares of its reach, and how strong the glow is in each: half as strong each time, widest darkest
RINGS = ((0.25, 1.0), (0.5, 0.5), (1.0, 0.25))
#: glow below which an area counts as dark
LEAST = 0.01
#: drawing units in a millimetre
_UNIT = 10.0


def glow_on(plate: Plate, sources: frozenset[str], reach: float) -> dict[str, float]:
    """How much of every other area glows, 0 to 1, where it glows at all: the share of what is seen of it in each ring about
    the sources, times the ring's strength, the views weighed by what they show.

    sources: areas that shine; reach: mm. Light goes round corners here: what hides a source from an area is not looked at.
    """
    return dict(_glow(plate, sources, reach))


@remembered(2_000)
def _glow(plate: Plate, sources: frozenset[str], reach: float) -> tuple[tuple[str, float], ...]:
    lit: dict[str, float] = {}
    shown: dict[str, float] = {}
    for view in plate.views:
        shining = [_polygon(seen) for seen in view.areas if seen.area in sources]
        if not shining:
            continue
        source = reduce(lambda one, two: one.union(two), shining)
        discs = [(source.buffer(share * reach * _UNIT), strength) for share, strength in RINGS]
        for seen in view.areas:
            if seen.area in sources:
                continue
            shape, inner, glow = _polygon(seen), 0.0, 0.0
            if shape.is_empty or not discs[-1][0].intersects(shape):
                continue
            for disc, strength in discs:
                within = disc.intersection(shape).area
                glow += (within - inner) * strength
                inner = within
            lit[seen.area] = lit.get(seen.area, 0.0) + glow / shape.area * seen.mm2
    for view in plate.views:
        for seen in view.areas:
            shown[seen.area] = shown.get(seen.area, 0.0) + seen.mm2
    return tuple((area, glow / shown[area]) for area, glow in lit.items() if glow / shown[area] > LEAST)


def _polygon(seen: SeenArea):
    rings = [Polygon(ring) for ring in seen.rings if len(ring) > 2]
    whole = Polygon()
    for ring in rings:
        whole = whole.symmetric_difference(ring.buffer(0))
    return whole
