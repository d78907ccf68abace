"""How many coats it takes until the ground no longer shows."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..paints.paint import Film
from ..recipes.step import MOST_COATS
from .surface import Surface, coated, solid

#: CIEDE2000 to the opaque colour that counts as covered, for paints that hide ...
COVERED = 2.0
#: ... and as good enough for transparent and semi-transparent ones
GOOD_ENOUGH = 5.0
#: nobody paints more coats than this; beyond it the answer is another ground
LIMIT = 60


@dataclass(frozen=True)
class Coverage:
    """How a paint covers a ground."""

    #: coats until within tolerance; None if not within ``LIMIT``
    coats: int | None
    tolerance: float
    #: CIEDE2000 to the opaque colour left after those coats
    left: float

    @property
    def laid(self) -> int:
        """Coats a painter lays: at least one, at most twelve."""
        return MOST_COATS if self.coats is None else min(max(1, self.coats), MOST_COATS)


def tolerance_of(film: Film) -> float:
    """The difference that counts as covered: 2 for paints that hide, 5 for those that never quite do."""
    return GOOD_ENOUGH if film.opacity in ("transparent", "semi-transparent") else COVERED


def coverage(
    film: Film, ground: Surface, dilution: float = 0.0, tolerance: float | None = None, limit: int = LIMIT
) -> Coverage:
    """Smallest number of brushed coats that brings ``ground`` within tolerance of the opaque colour.

    dilution: parts of water or clear medium to one of paint.
    """
    allowed = tolerance_of(film) if tolerance is None else tolerance
    goal, thickness, surface = solid(film), film.thickness(dilution), ground
    for coats in range(limit + 1):
        left = _left(surface, goal, glints=film.flake is not None)
        if left <= allowed:
            return Coverage(coats, allowed, left)
        surface = coated(surface, film, thickness)
    return Coverage(None, allowed, left)


def _left(surface: Surface, goal: Surface, *, glints: bool) -> float:
    """CIEDE2000 that is left; of a metal from where it differs most, or a grey undercoat would pass for steel."""
    if not glints:
        return difference(surface.colour, goal.colour)
    seen, wanted = surface.views, goal.views
    return max(difference(seen[view], wanted[view]) for view in seen)


def coat_by_coat(film: Film, ground: Surface, dilution: float, coats: int) -> tuple[Lab, ...]:
    """What is seen of ``ground`` and after each of so many coats; ``coats`` + 1 colours."""
    thickness, seen = film.thickness(dilution), [ground]
    for _ in range(coats):
        seen.append(coated(seen[-1], film, thickness))
    return tuple(surface.colour for surface in seen)
