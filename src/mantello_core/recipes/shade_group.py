"""Which colours can share one shade, so that few washes are opened and each is laid in one go."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..paints.paint import Paint
from .choosing import shade_costs
from .step import Mix
from .surface import solid, washed

#: how much worse than its best a shade may serve a colour and still be shared (L*, as ``shade_costs`` counts)
TOLERANCE = 6.0


@dataclass(frozen=True)
class Shaded:
    """One colour in a group: what the shared shade makes of its recesses, and what its own best would."""

    key: str
    recess: Lab
    best: Lab
    #: how much worse the shared one serves it than its best
    worse: float

    @property
    def apart(self) -> float:
        """CIEDE2000 between the two."""
        return difference(self.recess, self.best)


@dataclass(frozen=True)
class ShadeGroup:
    """A shade and the colours that share it."""

    mix: Mix
    members: tuple[Shaded, ...]


def shade_groups(
    bases: Mapping[str, Mix], pots: tuple[Paint, ...], tolerance: float = TOLERANCE
) -> tuple[ShadeGroup, ...]:
    """The fewest shades that serve every colour about as well as its own best, the largest group first.

    bases: key to the mix it is painted with; those too dark to shade are left out. Greedy: again and again the shade
    that serves most of the colours that are left, at a tie the one that serves them best; so never more shades than
    colours, and not always the fewest.
    Raises: OutOfRange for a tolerance not in 0 to 30.
    """
    if not 0 <= tolerance <= 30:
        raise OutOfRange(f"A tolerance of {tolerance:g}; allowed is 0 to 30.", "tolerance")
    costs = {key: {mix: cost for cost, mix in shade_costs(Mix(base.parts), pots)} for key, base in bases.items()}
    left = {key: min(known.values()) for key, known in costs.items() if known}
    found = []
    while left:
        serves: dict[Mix, list[tuple[str, float]]] = {}
        for key, least in left.items():
            for mix, cost in costs[key].items():
                if cost <= least + tolerance:
                    serves.setdefault(mix, []).append((key, cost - least))
        chosen = max(serves, key=lambda mix: (len(serves[mix]), -sum(worse for _, worse in serves[mix]), mix.words))
        found.append(
            ShadeGroup(
                chosen, tuple(_shaded(key, bases[key], chosen, costs[key], worse) for key, worse in serves[chosen])
            )
        )
        for key, _ in serves[chosen]:
            del left[key]
    return tuple(sorted(found, key=lambda group: (-len(group.members), group.mix.words)))


def _shaded(key: str, base: Mix, mix: Mix, costs: Mapping[Mix, float], worse: float) -> Shaded:
    ground = solid(base.film)
    best = min(costs, key=lambda one: costs[one])
    recess, own = (washed(ground, one.film, one.dilution, recess=True).colour for one in (mix, best))
    return Shaded(key, recess, own, worse)
