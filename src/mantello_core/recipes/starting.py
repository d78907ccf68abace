"""A recipe to start from: one paint as base, with a shade and lights chosen for it from the ranges."""

import math
from functools import lru_cache

from ..colour.spaces import Lab
from ..paints.paint import Paint
from ..paints.range import paint, paints
from .step import Mix, Recipe, Step
from .surface import solid, washed

#: how much darker a shade should be in recesses, L*; and how much lighter the paint a light is mixed with
SHADE_DROP, LIGHT_RISE = 16.0, 18.0
#: what one degree of turned hue costs, for colours of full chroma, in L*
HUE_COST = 0.35


@lru_cache(maxsize=512)
def started(paint_id: str, tier: str = "rank") -> Recipe:
    """Base, shade and a layer for rank and file; a highlight and an edge more for leaders and centrepieces.

    The shade is the wash whose dried recess is about 16 L* darker at the least turn of hue; lights are mixed
    with the paint about 18 L* lighter at the least turn of hue. A painter's start, not the last word.
    Raises: UnknownName.
    """
    pot = paint(paint_id, "paint")
    if pot.kind == "metallic":
        return _metal(pot)
    steps = [Step("base", "base", Mix(((paint_id, 1.0),), "water", 1.0))]
    wash = shade_for(paint_id)
    if wash:
        steps.append(Step("shade", "shade", wash))
    light = light_for(paint_id)
    if light:
        ladder = [("layer", 3, 1, 2), ("highlight", 1, 1, 1), ("edge", 1, 3, 1)]
        for kind, own, other, water in ladder[: 1 if tier == "rank" else 3]:
            steps.append(Step(kind, kind, Mix(((paint_id, float(own)), (light, float(other))), "water", float(water))))
    return Recipe(tuple(steps))


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
