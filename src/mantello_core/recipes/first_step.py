"""How a paint is laid where it is the first one of a role: thinned by its body, in small whole parts."""

from ..paints.paint import Paint
from .step import Mix, Step

#: parts of paint to one of water that a pot's base coat takes; what is thin by nature, or shines, is laid neat
TO_WATER = 3


def base_thinned(parts: tuple[tuple[Paint, float], ...]) -> Mix:
    """Paints in parts, thinned for a base coat: about three to one for pots, neat for what is thin or shines already."""
    if all(pot.body != "heavy" for pot, _ in parts):
        return Mix(parts)
    total = sum(amount for _, amount in parts)
    if total < TO_WATER:
        parts = tuple((pot, amount * TO_WATER) for pot, amount in parts)
        total *= TO_WATER
    return Mix(parts, "water", float(max(1, round(total / TO_WATER))))


def first_step(pot: Paint) -> Step:
    """The first step of a recipe with one paint: a base, or one coat of a stain."""
    if pot.kind == "stain":
        return Step("stain", "stain", Mix(((pot, 1.0),)))
    return Step("base", "base", base_thinned(((pot, 1.0),)))
