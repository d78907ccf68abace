"""A mix for a colour of cloth or metal: from what is owned where that comes near enough, else from every paint."""

from collections.abc import Sequence

from ..colour.spaces import Lab
from ..paints.paint import Paint
from .matching import Match, matches

#: a mix of owned paints this much of the word's reach off its colour is as good as any
_NEAR = 0.4


def cloth_mix(colour: Lab, *, metal: bool, reach: float, pots: Sequence[Paint], owned: frozenset[str]) -> Match | None:
    """The mix that comes nearest a colour; None if no paint could.

    metal: only what glints will do, and nothing that glints otherwise. reach: how far a colour may lie and still be faithful,
    CIEDE2000. owned: ids of the paints that are there; they are asked first.
    """
    fit = [pot for pot in pots if (pot.kind == "metallic") == metal and (metal or pot.mixable)]
    mine = [pot for pot in fit if pot.id in owned]
    for shelf, near_enough in ((mine, _NEAR * reach), (fit, float("inf"))):
        best = matches(colour, shelf, limit=1)[0] if shelf else None
        if best and best.apart <= near_enough:
            return best
    return None
