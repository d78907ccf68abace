"""A bridge colour: another paint laid first, so that a weak hider needs fewer coats."""

from dataclasses import dataclass

import numpy as np

from ..film.coverage import coverage, coverages
from ..film.ground import Ground
from ..film.surface import coated, stacked
from ..memory import remembered
from ..paints.paint import STANDARD_SOLIDS, Film
from ..paints.range import paints
from ..recipes.first_step import base_thinned
from ..recipes.step import MOST_COATS, Mix, Step

#: coats of the bridge that are tried, and how it is thinned
MOST_BRIDGE_COATS, THINNED = 3, 1 / 3
#: coats that must be saved for it to be worth opening another pot
WORTH_COATS = 1


@dataclass(frozen=True)
class Bridge:
    """A paint laid first: its coats, and how many the colour then takes instead of ``without``."""

    mix: Mix
    coats: int
    then: int
    #: None if the mix alone never covers
    without: int | None

    @property
    def saved(self) -> int:
        """Coats saved in all; reckoned against the most that are ever counted if the mix alone never covers."""
        return (MOST_COATS if self.without is None else self.without) - self.coats - self.then


@remembered(4_000)
def bridge_for(mix: Mix, start: Ground) -> Bridge | None:
    """The bridge with the fewest coats in all; at a tie the one that leaves fewest coats of the mix.

    Every paint that can be mixed is tried, 1 to 3 coats thinned 3 : 1; then the mix as it is thinned until it
    covers. None if that saves no coat.
    """
    film, ground = mix.film, start.flat
    without = coverage(film, ground, mix.dilution).coats
    most = (MOST_COATS if without is None else without) - WORTH_COATS
    if most < 2:
        return None
    pots = [pot for pot in paints().values() if pot.mixable and mix.parts != ((pot, 1.0),)]
    films = [pot.film for pot in pots]
    stack = Film(
        *(np.stack([getattr(one, name) for one in films]) for name in ("absorption", "scattering")), STANDARD_SOLIDS
    )
    thick, surface, layers = np.array([one.thickness(THINNED) for one in films]), stacked([ground] * len(films)), []
    for _ in range(MOST_BRIDGE_COATS):
        surface = coated(surface, stack, thick)
        layers.append(surface)
    flat = [layer.at(at) for at in range(len(films)) for layer in layers]
    best: Bridge | None = None
    for at, cover in enumerate(coverages(film, stacked(flat), mix.dilution, limit=most - 1)):
        pot, coats = pots[at // MOST_BRIDGE_COATS], at % MOST_BRIDGE_COATS + 1
        then = cover.coats
        if (
            then
            and coats + then <= most
            and (best is None or (coats + then, then) < (best.coats + best.then, best.then))
        ):
            best = Bridge(base_thinned(((pot, 1.0),)), coats, then, without)
    return best


def bridge_beneath(step: Step, ground: Ground) -> Bridge | None:
    """The bridge for a recipe's first step; none for a step whose coats the painter has set, or that is no base."""
    return bridge_for(step.mix, ground) if step.kind == "base" and step.coats is None else None
