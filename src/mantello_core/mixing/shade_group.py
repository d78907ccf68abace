"""Which colours can share one shade, so that few washes are opened and each is laid in one go."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..paints.paint import Paint
from ..recipes.step import Mix
from .choosing import shade_choices

#: how far a shared shade may leave a colour's recesses from its own best (CIEDE2000)
TOLERANCE = 5.0


@dataclass(frozen=True)
class Shaded:
    """One colour in a group: what the shared shade makes of its recesses, and what its own best would."""

    key: str
    recess: Lab
    best: Lab
    #: CIEDE2000 between the two
    apart: float


@dataclass(frozen=True)
class ShadeGroup:
    """A shade and the colours that share it."""

    mix: Mix
    members: tuple[Shaded, ...]


def shade_groups(
    bases: Mapping[str, Mix], pots: tuple[Paint, ...], tolerance: float = TOLERANCE
) -> tuple[ShadeGroup, ...]:
    """Few shades that leave every colour's recesses about as its own best would, the largest group first.

    bases: key to the mix it is painted with; those too dark to shade are left out. Greedy: again and again the shade
    that serves most of the colours that are left, at a tie the one that serves them best; so never more shades than
    colours, and not always the fewest.
    Raises: OutOfRange for a tolerance not in 0 to 30.
    """
    if not 0 <= tolerance <= 30:
        raise OutOfRange(f"A tolerance of {tolerance:g}; allowed is 0 to 30.", "tolerance")
    left = {key: served for key, base in bases.items() if (served := _served(key, Mix(base.parts), pots, tolerance))}
    found = []
    while left:
        serves: dict[Mix, list[Shaded]] = {}
        for known in left.values():
            for mix, one in known.items():
                serves.setdefault(mix, []).append(one)
        chosen = max(serves, key=lambda mix: (len(serves[mix]), -sum(one.apart for one in serves[mix]), mix.words))
        found.append(ShadeGroup(chosen, tuple(serves[chosen])))
        for one in serves[chosen]:
            del left[one.key]
    return tuple(sorted(found, key=lambda group: (-len(group.members), group.mix.words)))


def _served(key: str, base: Mix, pots: tuple[Paint, ...], tolerance: float) -> dict[Mix, Shaded]:
    """Every shade that serves a colour, with what it does."""
    choices = shade_choices(base, pots)
    best = min(choices, key=lambda one: one.cost, default=None)
    apart = {one.mix: difference(one.recess, best.recess) for one in choices} if best else {}
    return {
        one.mix: Shaded(key, one.recess, best.recess, apart[one.mix]) for one in choices if apart[one.mix] <= tolerance
    }
