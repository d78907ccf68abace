"""Which of some paints shades a colour, and which lighten it."""

import math
from dataclasses import dataclass

from ..colour.spaces import Lab
from ..film.surface import solid, washed_each
from ..memory import remembered
from ..paints.paint import Paint
from ..recipes.step import Mix

#: how much darker a shade should be in recesses, L*
SHADE_DROP = 16.0
#: how much lighter the paint a light is mixed with, L*
LIGHT_RISE = 18.0
#: what one degree of turned hue costs, for colours of full chroma, in L*
HUE_COST = 0.35
#: colours darker than this, L*, have no room to darken
DARKEST = 14.0


@dataclass(frozen=True)
class ShadeChoice:
    """One way to shade a mix: how far it is from 16 L* darker in recesses without a turn, and the recess it leaves."""

    cost: float
    mix: Mix
    recess: Lab


def shade_mix(base: Mix, pots: tuple[Paint, ...]) -> Mix | None:
    """Of the washes, neat or thinned with medium, the one that shades a mix most evenly; None if there is no room or wash."""
    best = min(shade_choices(base, pots), key=lambda one: one.cost, default=None)
    return best.mix if best else None


@remembered(8_000)
def shade_choices(base: Mix, pots: tuple[Paint, ...]) -> tuple[ShadeChoice, ...]:
    """Every way to shade a mix with these washes, neat or thinned with medium; none for a mix too dark to shade."""
    ground = solid(base.film)
    own = ground.colour
    if own.lightness < DARKEST:
        return ()
    wanted = min(SHADE_DROP, own.lightness - 6)
    washes = [
        Mix(((pot, 1.0),), *thinned)
        for pot in pots
        if pot.kind == "wash"
        for thinned in (("neat", 0.0), ("medium", 1.0), ("medium", 2.0), ("medium", 4.0))
    ]
    if not washes:
        return ()
    dried = washed_each(ground, [(mix.paints[0].film, mix.dilution) for mix in washes], recess=True)
    found = []
    for mix, seen in zip(washes, dried.labs.tolist(), strict=True):
        recess = Lab(*seen)
        lost = 0.2 * max(0, own.chroma - recess.chroma)
        cost = abs(own.lightness - recess.lightness - wanted) + turned(own, recess) + lost
        found.append(ShadeChoice(cost, mix, recess))
    return tuple(found)


@remembered(4_000)
def light_order(base: Mix, pots: tuple[Paint, ...], rise: float = LIGHT_RISE) -> tuple[Paint, ...]:
    """Paints that are lighter than a mix, those about ``rise`` L* lighter at the least turn of hue first."""
    own = solid(base.film).colour
    lighter = [
        pot for pot in pots if pot.kind in ("acrylic", "air") and pot.film.masstone.lightness > own.lightness + 5
    ]

    def cost(pot: Paint) -> tuple[float, str]:
        other = pot.film.masstone
        return abs(other.lightness - own.lightness - rise) + turned(own, other), pot.id

    return tuple(sorted(lighter, key=cost))


def turned(one: Lab, other: Lab) -> float:
    """What a turn of hue costs; greys have none to turn."""
    if one.chroma < 6 or other.chroma < 6:
        return 1.2 * abs(other.chroma - one.chroma)
    degrees = abs(other.turn_to(one))
    return HUE_COST * degrees * min(1.0, math.sqrt(one.chroma * other.chroma) / 40)
