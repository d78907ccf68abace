"""Where plants stand on a base: dealt by seed, so that no two figures beside each other have the same in one corner."""

from random import Random

from ..scheme.finishing import Basing

#: places on a base, clockwise from the left of the front; nothing stands before the feet
PLACES = ("front left", "left", "rear left", "rear", "rear right", "right", "front right")
#: places from one figure to the next, which brings every place in turn and never the same twice running
_STRIDE = 3


def planted(basing: Basing, unit: str, rank: str, ordinal: int) -> dict[str, str]:
    """Where every kind of plant would stand on a figure's base, by plant id; all different as long as there are places.

    Larger plants choose first. More figures or another plant later change nothing for those there are.
    """
    taken, found = set(), {}
    for plant in basing.plants:
        start = Random(f"{basing.seed}:{plant.id}:{unit}:{rank}:place").randrange(len(PLACES))
        free = (PLACES[(start + _STRIDE * ordinal + turn) % len(PLACES)] for turn in range(len(PLACES)))
        place = next((one for one in free if one not in taken), PLACES[start])
        found[plant.id] = place
        taken.add(place)
    return found


def spare(count: int) -> int:
    """How many plants to have beyond those that are placed: one in ten, and at least two."""
    return max(2, round(count / 10)) if count else 0
