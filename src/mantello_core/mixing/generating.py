"""A whole recipe for a colour, worked out from the paints that may be used, by a method and for a tier."""

from dataclasses import dataclass, replace

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange, UnknownName
from ..film.finish import VARNISHES
from ..film.surface import grey, solid, stained
from ..memory import remembered
from ..paints.paint import Paint
from ..recipes.first_step import base_thinned
from ..recipes.method import METHODS
from ..recipes.step import Manner, Mix, Recipe, Step
from .choosing import light_order, shade_mix
from .matching import matches
from .route import Route, route

#: pieces of work that take their mix from the ladder of lights, the darkest first
LIGHTS = ("overbrush", "stipple", "layer", "drybrush", "highlight", "edge", "dot")
#: L* that one step of light should gain on a figure for gaming
STEP_RISE = 10.0
#: lights that are tried as the end of the ladder, of those that turn the colour least
TRIED = 8
#: how much lighter than the last step the paint is that lights are mixed with, as a factor on the rise
REACH = 1.3
#: what a difference in lightness counts, beside one in colour, when a transparent paint is chosen for a hue
BY_HUE = 0.3
#: what chips, lining, dirt and the pale coat under a stain look like
CHIP, LINE, DUST, PALE = Lab(22, 8, 9), Lab(8, 0, 0), Lab(58, 5, 18), Lab(90, 1, 8)
#: the ground a stain is chosen on
PALE_GROUND = grey(0.78)
#: parts of diluent at most
MOST_WATER = 20.0
#: thinning of each piece of work: diluent and parts to one of paint
_THINNED = {
    "layer": ("water", 1.0), "highlight": ("water", 0.5),
    "edge": ("water", 0.34), "dot": ("water", 0.34), "line": ("water", 0.5), "pale": ("water", 0.5),
}  # fmt: skip
_RELAID = Manner(share=0.8)


@dataclass(frozen=True)
class Generated:
    """A recipe, and what had to be left out for want of a paint."""

    recipe: Recipe
    missing: tuple[str, ...]
    #: CIEDE2000 from the colour that was wanted to the base; None if a mix was given
    apart: float | None = None


def generated(target: Lab | Mix, pots: tuple[Paint, ...], tier: str = "rank", method: str = "classic") -> Generated:
    """The recipe that a method lays for a colour or a base mix with these paints, for a tier.

    The base is the nearest mix (``matches``); the shade is the wash whose recess is about 16 L* darker at the least
    turn of hue; lights are near-equal steps (``route``) towards the paint that turns hue and chroma least, about
    10 L* each. What the paints cannot do is left out and told.
    Raises: UnknownName for method or tier; OutOfRange if no paint can be mixed.
    """
    if method not in METHODS:
        raise UnknownName("method", method, list(METHODS), "method")
    if tier not in ("rank", "leader", "centrepiece"):
        raise UnknownName("tier", tier, ("rank", "leader", "centrepiece"), "tier")
    apart = None
    if isinstance(target, Mix):
        base = target
    else:
        best = matches(target, list(pots), limit=1)[0]
        base, apart = best.mix, best.apart
    if base.film.flake:
        recipe, missing = _metal(base, pots, tier)
    else:
        recipe, missing = _worked(Mix(base.parts), pots, METHODS[method].work(tier))
    return Generated(recipe, missing, apart)


@remembered(12_000)
def _worked(base: Mix, pots: tuple[Paint, ...], work: tuple[str, ...]) -> tuple[Recipe, tuple[str, ...]]:
    lit = [piece for piece in work if piece in LIGHTS]
    ladder = _ladder(base, pots, max(1, len(lit)))
    lights = dict(zip(lit, ladder.mixes, strict=True)) if ladder else {}
    steps: list[Step] = []
    missing: list[str] = []
    for piece in work:
        step = _step(piece, base, pots, lights)
        if step is None:
            missing.append(piece)
        else:
            steps.append(replace(step, id=piece))
    if not any(step.kind in ("base", "stain") for step in steps):
        raise OutOfRange("There is no paint for a base among these.", "paints")
    return Recipe(tuple(steps)), tuple(missing)


def _ladder(base: Mix, pots: tuple[Paint, ...], steps: int) -> Route | None:
    """The lights: as many steps as are wanted, by 10 L* each, or by less where the paints are not light enough."""
    for rise in (STEP_RISE, STEP_RISE * 0.7, STEP_RISE * 0.4):
        wanted = max(5.0, min(60.0, rise * steps))
        found = [route(base, pot, steps, wanted) for pot in light_order(base, pots, wanted * REACH)[:TRIED]]
        known = [one for one in found if one]
        if known:
            return min(known, key=lambda one: abs(one.hue_drift) + abs(one.chroma_drift) / 2 + abs(one.gain - wanted))
    return None


def _step(piece: str, base: Mix, pots: tuple[Paint, ...], lights: dict[str, Mix]) -> Step | None:
    """One piece of work as a step; None if the paints cannot do it."""
    if piece in LIGHTS:
        return Step("", piece, _thinned(lights[piece], piece)) if piece in lights else None
    if piece == "base":
        return Step("", "base", base_thinned(base.parts))
    if piece == "relay":
        return Step(
            "", "layer", base_thinned(base.parts), 1, "raised surfaces, the shade left in the recesses", _RELAID
        )
    if piece in ("shade", "recess"):
        wash = shade_mix(base, pots)
        return Step("", piece, wash) if wash else None
    if piece in ("glaze", "glaze-again"):
        ink = _by_hue(pots, ("ink", "stain"), solid(base.film).colour, lambda pot: pot.swatch)
        thin = ink and Mix(((ink, 1.0),), "medium", 8.0 if piece == "glaze-again" else 5.0)
        return Step("", "glaze", thin) if thin else None
    if piece in VARNISHES:
        kinds = [pot for pot in pots if pot.kind == "varnish" and pot.finish == piece]
        pot = min(kinds, key=lambda one: (one.sprayed, one.id), default=None)
        return Step("", "varnish", Mix(((pot, 1.0),))) if pot else None
    return _pot_step(piece, base, pots)


def _pot_step(piece: str, base: Mix, pots: tuple[Paint, ...]) -> Step | None:
    """Work with one pot that is chosen by its colour."""
    colour = solid(base.film).colour
    if piece == "stain":
        pot = _by_hue(pots, ("stain",), colour, lambda one: stained(PALE_GROUND, one.film, 0.0, recess=False).colour)
        return Step("", "stain", Mix(((pot, 1.0),))) if pot else None
    if piece == "oil":
        darker = Lab(max(5.0, colour.lightness - 25), colour.a * 0.5 + 3, colour.b * 0.5 + 4)
        pot = _nearest(pots, ("oil", "enamel"), darker, lambda one: one.film.masstone)
        thinned = 8.0 if pot and pot.kind == "oil" else 1.0
        return Step("", "oil", Mix(((pot, 1.0),), "thinner", thinned)) if pot else None
    goal, kinds = {
        "sponge": (CHIP, ("acrylic",)), "line": (LINE, ("acrylic", "ink")),
        "powder": (DUST, ("powder",)), "pale": (PALE, ("acrylic", "air")),
    }[piece]  # fmt: skip
    pot = _nearest(pots, kinds, goal, lambda one: one.film.masstone)
    if pot is None:
        return None
    mix = _thinned(Mix(((pot, 1.0),)), piece)
    return Step(
        "",
        "base" if piece == "pale" else piece,
        mix,
        where="all of it, a pale ground for the stain" if piece == "pale" else "",
    )


def _nearest(pots, kinds, goal: Lab, seen) -> Paint | None:
    fit = [pot for pot in pots if pot.kind in kinds]
    return min(fit, key=lambda pot: (difference(seen(pot), goal), pot.id), default=None)


def _by_hue(pots, kinds, goal: Lab, seen) -> Paint | None:
    """The transparent paint whose hue and chroma come nearest; how light it is counts little."""

    def cost(pot: Paint) -> tuple[float, str]:
        colour = seen(pot)
        apart = (
            (colour.a - goal.a) ** 2 + (colour.b - goal.b) ** 2 + (BY_HUE * (colour.lightness - goal.lightness)) ** 2
        )
        return apart, pot.id

    return min((pot for pot in pots if pot.kind in kinds), key=cost, default=None)


def _thinned(mix: Mix, piece: str) -> Mix:
    """The mix thinned as the work wants it, less for paints that are thin already."""
    diluent, parts = _THINNED.get(piece, ("neat", 0.0))
    if diluent == "neat" or all(pot.thinned == 0 for pot in mix.paints):
        return Mix(mix.parts)
    water = parts * sum(amount for _, amount in mix.parts)
    return Mix(mix.parts, diluent, min(MOST_WATER, float(round(water)) if water >= 2 else round(water, 1)))


def _metal(base: Mix, pots: tuple[Paint, ...], tier: str) -> tuple[Recipe, tuple[str, ...]]:
    """A metal: two coats of it, a wash that suits its warmth, and the brightest metal on edges."""
    warm = base.film.masstone.b > 8
    steps, missing = [Step("base", "base", Mix(base.parts))], []
    goal = Lab(30, 18, 26) if warm else Lab(20, 0, 2)
    wash = _nearest(pots, ("wash",), goal, lambda one: one.swatch)
    if wash:
        steps.append(Step("shade", "shade", Mix(((wash, 1.0),))))
    else:
        missing.append("shade")
    metals = [pot for pot in pots if pot.kind == "metallic" and (pot, 1.0) not in base.parts]
    brightest = max(metals, key=lambda pot: (pot.swatch.lightness, pot.id), default=None)
    if brightest and brightest.swatch.lightness > base.film.masstone.lightness + 4:
        steps.append(Step("edge", "edge", Mix(((brightest, 1.0),))))
    elif tier != "rank":
        missing.append("edge")
    if tier != "rank" and wash:
        steps.insert(
            2, Step("relay", "layer", Mix(base.parts), 1, "raised surfaces, the shade left in the recesses", _RELAID)
        )
    return Recipe(tuple(steps)), tuple(missing)
