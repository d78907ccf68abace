"""Lenses, gems and eyes: how many values one is worth, and what they are mixed from."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..paints.paint import Paint
from ..recipes.step import Mix, Recipe, Step

#: mm across from which a lens is worth a lower light, a crescent besides, and a dark surround; one tier up counts as so much more
LIT_FROM, CRESCENT_FROM, ROUNDED_FROM, A_TIER = 0.6, 1.2, 2.0, 0.5
#: lenses in the army from which each gets one value less than it could have
MANY = 120
#: colours by their name, at full strength
HUES = {
    "red": Lab(42, 58, 38), "amber": Lab(66, 24, 68), "yellow": Lab(82, 4, 78), "green": Lab(52, -46, 32), "blue": Lab(44, 2, -48),
    "violet": Lab(38, 36, -36), "white": Lab(88, 0, 2),
}  # fmt: skip
#: L* of dark, lit and crescent beside the colour itself, and chroma of the dark and of the crescent as a share of it
_DARKER, _LIGHTER, _DARK_CHROMA, _PALE_CHROMA = 22.0, 16.0, 0.6, 0.75
#: where the dot sits by light plan
DOTS = {
    "": "at the top, opposite the light below", "left": "upper left, opposite the light below",
    "right": "upper right, opposite the light below", "lamps": "four small ones round the middle",
}  # fmt: skip
_TIERS = ("rank", "leader", "centrepiece")


@dataclass(frozen=True)
class LensAdvice:
    """How one size of lens is painted."""

    #: 2 to 5: colour and dot; dark; lower light; crescent; surround
    values: int
    reason: str


def lens_advice(diameter: float, tier: str, count: int) -> LensAdvice:
    """How many values a lens is worth. diameter: mm on the painted figure; count: lenses in the whole army.

    Raises: OutOfRange unless the diameter is 0.05 to 30 mm.
    """
    if not 0.05 <= diameter <= 30:
        raise OutOfRange(f"A lens of {diameter:g} mm; allowed is 0.05 to 30.", "diameter")
    seen = diameter + A_TIER * _TIERS.index(tier)
    values = 2 + sum(seen >= least for least in (LIT_FROM, CRESCENT_FROM, ROUNDED_FROM))
    many = count >= MANY and values > 2 and tier == "rank"
    said = f"{diameter:.1f} mm, {count} in the army"
    return LensAdvice(values - many, said + ("; one value less, for there are many" if many else ""))


def lens_recipe(colour: Lab, values: int, pots: tuple[Paint, ...], light: str = "") -> Recipe:
    """A lens in so many values: dark above, light below, a white dot where the lamp hits; the other way round from cloth.

    light: the army's light plan; where the dot sits follows it. Raises: OutOfRange for values (2 to 5), or if none of the paints covers.
    """
    if not 2 <= values <= 5:
        raise OutOfRange(f"{values} values; allowed is 2 to 5.", "values")
    known = [pot for pot in pots if pot.kind in ("acrylic", "air")]
    if not known:
        raise OutOfRange("There is no paint for a lens among these.", "paints")

    def pot(lightness: float, chroma: float) -> Paint:
        wanted = Lab(lightness, colour.a * chroma, colour.b * chroma)
        return min(known, key=lambda one: (difference(one.swatch, wanted), one.id))

    def step(kind: str, one: Paint, where: str, water: float = 0.5) -> Step:
        return Step(kind, kind, Mix(((one, 1.0),), "water", water), None if kind == "base" else 1, where)

    full = pot(colour.lightness, 1.0)
    dark = pot(max(8.0, colour.lightness - _DARKER), _DARK_CHROMA)
    steps = [step("base", full if values == 2 else dark, "all of it", 0.33)]
    if values == 5:
        steps.append(step("line", pot(6.0, 0.2), "round the lens"))
    if values >= 3:
        steps.append(step("layer", full, "lower half"))
    if values >= 4:
        steps.append(step("edge", pot(min(94.0, colour.lightness + _LIGHTER), _PALE_CHROMA), "lowest crescent", 0.3))
    steps.append(step("dot", pot(97.0, 0.0), DOTS.get(light, DOTS[""]), 0.3))
    return Recipe(tuple(steps))
