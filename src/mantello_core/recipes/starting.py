"""A recipe to start from: one paint as base, with a shade and lights chosen for it from the ranges."""

import math
from functools import lru_cache

from ..colour.spaces import Lab
from ..errors import UnknownName
from ..paints.paint import Paint
from ..paints.range import paint, paints
from .step import Mix, Recipe, Step
from .surface import solid, washed

#: how much darker a shade should be in recesses, L*; and how much lighter the paint a light is mixed with
SHADE_DROP, LIGHT_RISE = 16.0, 18.0
#: what one degree of turned hue costs, for colours of full chroma, in L*
HUE_COST = 0.35


#: what each method lays over a base for rank and file, and for leaders and centrepieces
METHOD_STEPS = {
    "classic": (("shade", "layer"), ("shade", "layer", "highlight", "edge")),
    "stains": (("shade", "drybrush"), ("shade", "drybrush", "edge")),
    "airbrush": (("layer",), ("layer", "highlight", "edge")),
    "stipple": (("shade", "drybrush"), ("shade", "drybrush", "highlight")),
    "oil": (("shade", "highlight"), ("shade", "layer", "highlight", "edge")),
    "overbrush": (("drybrush", "shade"), ("drybrush", "shade", "edge")),
    "glaze": (("layer", "glaze"), ("layer", "glaze", "highlight", "edge")),
    "speed": (("shade",), ("shade", "highlight")),
}
#: parts of the colour and of its light in every lightening mix, and of water
_LIGHTENED = {"layer": (3, 1, 2), "drybrush": (1, 1, 0), "highlight": (1, 1, 1), "edge": (1, 3, 1)}


@lru_cache(maxsize=2048)
def started(paint_id: str, tier: str = "rank", method: str = "classic") -> Recipe:
    """A base and what the method lays over it; for leaders and centrepieces more than for rank and file.

    The shade is the wash whose dried recess is about 16 L* darker at the least turn of hue; lights are mixed
    with the paint about 18 L* lighter at the least turn of hue. A painter's start, not the last word.
    Raises: UnknownName for paint or method.
    """
    pot = paint(paint_id, "paint")
    if method not in METHOD_STEPS:
        raise UnknownName("method", method, list(METHOD_STEPS), "method")
    if pot.kind == "metallic":
        return _metal(pot)
    steps = [Step("base", "base", Mix(((paint_id, 1.0),), "water", 1.0))]
    for kind in METHOD_STEPS[method][tier != "rank"]:
        mix = _mix(kind, paint_id)
        if mix:
            steps.append(Step(kind, kind, mix))
    return Recipe(tuple(steps))


def _mix(kind: str, paint_id: str) -> Mix | None:
    """The mix of one step; None where there is no room to darken or to lighten."""
    if kind in ("shade", "glaze"):
        wash = shade_for(paint_id)
        thinned = wash and Mix(wash.parts, "medium", wash.diluent_parts + 2.0)
        return thinned if kind == "glaze" else wash
    light = light_for(paint_id)
    if light is None:
        return None
    own, other, water = _LIGHTENED[kind]
    diluent = ("water", float(water)) if water else ("neat", 0.0)
    return Mix(((paint_id, float(own)), (light, float(other))), *diluent)


@lru_cache(maxsize=512)
def shade_for(paint_id: str) -> Mix | None:
    """The wash that shades a colour most evenly; None for near-blacks, which have no room to darken."""
    ground = solid(paint(paint_id).film)
    if ground.colour.lightness < 14:
        return None
    mixes = [
        Mix(((wash.id, 1.0),), *thinned)
        for wash in paints().values()
        if wash.kind == "wash"
        for thinned in (("neat", 0.0), ("medium", 1.0), ("medium", 2.0), ("medium", 4.0))
    ]
    wanted = min(SHADE_DROP, ground.colour.lightness - 6)

    def cost(mix: Mix) -> float:
        dried = washed(ground, mix.film, mix.dilution, recess=True).colour
        drop = ground.colour.lightness - dried.lightness
        return abs(drop - wanted) + _turned(ground.colour, dried) + 0.2 * max(0, ground.colour.chroma - dried.chroma)

    return min(mixes, key=cost)


@lru_cache(maxsize=512)
def light_for(paint_id: str) -> str | None:
    """The paint to lighten a colour with; None where nothing is lighter."""
    own = solid(paint(paint_id).film).colour

    def cost(pot: Paint) -> float:
        other = solid(pot.film).colour
        return abs(other.lightness - own.lightness - LIGHT_RISE) + _turned(own, other)

    lighter = [
        pot
        for pot in paints().values()
        if pot.kind == "acrylic" and solid(pot.film).colour.lightness > own.lightness + 5
    ]
    return min(lighter, key=cost).id if lighter else None


def _metal(pot: Paint) -> Recipe:
    brightest = max((one for one in paints().values() if one.kind == "metallic"), key=lambda one: one.swatch.lightness)
    warm = pot.swatch.b > 8
    steps = [
        Step("base", "base", Mix(((pot.id, 1.0),))),
        Step("shade", "shade", Mix((("amber-wash" if warm else "tar-wash", 1.0),))),
    ]
    if brightest.id != pot.id:
        steps.append(Step("highlight", "highlight", Mix(((brightest.id, 1.0),))))
    return Recipe(tuple(steps))


def _turned(one: Lab, other: Lab) -> float:
    """What a turn of hue costs; greys have none to turn."""
    if one.chroma < 6 or other.chroma < 6:
        return 1.2 * abs(other.chroma - one.chroma)
    degrees = abs((one.hue - other.hue + 180) % 360 - 180)
    return HUE_COST * degrees * min(1.0, math.sqrt(one.chroma * other.chroma) / 40)
