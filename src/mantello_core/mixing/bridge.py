"""A bridge colour: another paint laid first, so that a weak hider needs fewer coats."""

from dataclasses import dataclass

from ..film.coverage import LIMIT, coverage
from ..film.ground import Ground
from ..film.surface import coated
from ..memory import remembered
from ..paints.range import paints
from ..recipes.step import Mix, Step

#: coats of the bridge that are tried, and how it is thinned
MOST_BRIDGE_COATS, THINNED = 3, 1.0
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
        return (LIMIT if self.without is None else self.without) - self.coats - self.then


@remembered(4_000)
def bridge_for(mix: Mix, start: Ground) -> Bridge | None:
    """The bridge with the fewest coats in all; at a tie the one that leaves fewest coats of the mix.

    Every paint that can be mixed is tried, 1 to 3 coats thinned 1:1; then the mix as it is thinned until it
    covers. None if that saves no coat.
    """
    film, ground = mix.film, start.flat
    without = coverage(film, ground, mix.dilution).coats
    most = (LIMIT if without is None else without) - WORTH_COATS
    best: Bridge | None = None
    for pot in (pot for pot in paints().values() if pot.mixable and mix.parts != ((pot, 1.0),)):
        bridge = Mix(((pot, 1.0),), "water", THINNED)
        surface, laid = ground, bridge.film
        for coats in range(1, min(MOST_BRIDGE_COATS, most) + 1):
            surface = coated(surface, laid, laid.thickness(THINNED))
            then = coverage(film, surface, mix.dilution, limit=max(0, most - coats)).coats
            if then and (best is None or (coats + then, then) < (best.coats + best.then, best.then)):
                best, most = Bridge(bridge, coats, then, without), min(most, coats + then)
    return best


def bridge_beneath(step: Step, ground: Ground) -> Bridge | None:
    """The bridge for a recipe's first step; none for a step whose coats the painter has set, or that is no base."""
    return bridge_for(step.mix, ground) if step.kind == "base" and step.coats is None else None
