"""Mixes for a colour of cloth or metal: from what is owned where that comes near enough, of few paints, one for several grades."""

from collections.abc import Mapping, Sequence

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..paints.paint import Paint
from .matching import Match, matches

#: a mix this much of the word's reach off its colour is as good as any nearer one of more paints, or of paints to buy
_NEAR = 0.4
#: a coarser grade's mix this much of the reach off a finer grade's colour does for both: lights tell them apart
_SERVES = 0.6
_OFFERED = 12


def cloth_mix(colour: Lab, *, metal: bool, reach: float, pots: Sequence[Paint], owned: frozenset[str]) -> Match | None:
    """The mix for a colour; None if no paint could.

    metal: only what glints will do, and nothing that glints otherwise. reach: how far a colour may lie and still be faithful,
    CIEDE2000. owned: ids of the paints that are there; they are asked first. Of mixes near enough that of fewest paints is taken.
    """
    fit = [
        pot for pot in pots if (pot.kind == "metallic") == metal and (metal or (pot.mixable and not pot.transparent))
    ]
    mine = [pot for pot in fit if pot.id in owned]
    found: list[Match] = []
    for shelf in (mine, fit):
        found = list(matches(colour, shelf, limit=_OFFERED)) if shelf else []
        near = [one for one in found if one.apart <= _NEAR * reach]
        if near:
            return min(near, key=lambda one: (len(one.mix.parts), one.apart))
    return found[0] if found else None


def graded_mixes(
    wanted: Sequence[tuple[str, Lab]], *, metal: bool, reach: float, pots: Sequence[Paint], owned: frozenset[str]
) -> Mapping[str, Match]:
    """Mixes by tier for a colour's grades of cloth, the plainest first; a tier that an earlier one's mix does for has none."""
    found: dict[str, Match] = {}
    for tier, lab in wanted:
        if any(difference(one.colour, lab) <= _SERVES * reach for one in found.values()):
            continue
        best = cloth_mix(lab, metal=metal, reach=reach, pots=pots, owned=owned)
        if best:
            found[tier] = best
    return found
