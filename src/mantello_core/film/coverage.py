"""How many coats it takes until the ground no longer shows."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..colour.difference import differences
from ..colour.film import opaque
from ..colour.reflectance import to_air, xyz_of
from ..colour.spaces import Lab, labs_of
from ..paints.paint import STANDARD_SOLIDS, Film
from ..recipes.step import MOST_COATS
from .surface import VIEWS, Surface, coated, solid, stacked

#: CIEDE2000 to the opaque colour that counts as covered, for paints that hide ...
COVERED = 2.0
#: ... and as good enough for transparent and semi-transparent ones
GOOD_ENOUGH = 5.0
#: nobody paints more coats than this; beyond it the answer is another ground
LIMIT = 60
#: most answers are at most this; more coats are tried only where these do not cover
USUAL = 12


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
    one = ground.at(None)
    return coverages(film, one, dilution, tolerance, limit)[0]


def coverages(
    film: Film, grounds: Surface, dilution: float = 0.0, tolerance: float | None = None, limit: int = LIMIT
) -> tuple[Coverage, ...]:
    """``coverage`` of many grounds, (n, 16), at once."""
    allowed = tolerance_of(film) if tolerance is None else tolerance
    left = _left_after(film, grounds, film.thickness(dilution), min(limit, USUAL), allowed)
    if limit > USUAL and (left.min(1) > allowed).any():
        left = _left_after(film, grounds, film.thickness(dilution), limit, allowed)
    return _told(left, allowed)


def coverages_of(
    films: Sequence[tuple[Film, float, float]], grounds: Surface, limit: int = LIMIT
) -> tuple[tuple[Coverage, ...], ...]:
    """``coverages`` of many films at once over the same grounds, (n, 16). films: each with its dilution and tolerance."""
    flat = [at for at, (film, _, _) in enumerate(films) if film.flake is None] if not grounds.glints else []
    found: dict[int, tuple[Coverage, ...]] = {}
    if flat:
        stack = Film(
            *(
                np.stack([getattr(films[at][0], name) for at in flat])[:, None, None]
                for name in ("absorption", "scattering")
            ),
            STANDARD_SOLIDS,
        )
        thick = np.array([films[at][0].thickness(films[at][1]) for at in flat])[:, None, None]
        every = grounds.at((None, slice(None), None))
        layers = coated(every, stack, thick * np.arange(1, USUAL + 1))
        first = np.broadcast_to(every.labs, (len(flat), *every.labs.shape[1:]))
        goals = labs_of(xyz_of(to_air(opaque(stack.absorption, stack.scattering))))
        left = differences(np.concatenate([first, layers.labs], 2), goals)
        for at, one in zip(flat, left, strict=True):
            allowed = films[at][2]
            if (one.min(1) <= allowed).all():
                found[at] = _told(one, allowed)
    return tuple(
        found[at] if at in found else coverages(film, grounds, dilution, tolerance, limit)
        for at, (film, dilution, tolerance) in enumerate(films)
    )


def _told(left: np.ndarray, allowed: float) -> tuple[Coverage, ...]:
    """The first of the coats that leave so much, (n, coats + 1), that is within the tolerance."""
    within = left <= allowed
    found = []
    for at, first in enumerate(within.argmax(1).tolist()):
        covers = bool(within[at, first])
        found.append(Coverage(first if covers else None, allowed, float(left[at, first if covers else -1])))
    return tuple(found)


def _left_after(film: Film, grounds: Surface, thickness: float, most: int, allowed: float) -> np.ndarray:
    """CIEDE2000 that is left to the opaque colour after no coat, one, and so on, (n, most + 1).

    So many coats of a flat film over a ground without metal are one film so many times as thick: all are seen at once.
    Where there is metal coats are laid one by one, until all grounds are within ``allowed``.
    """
    goal = solid(film)
    if film.flake is None and not grounds.glints:
        every = grounds.at((slice(None), None))
        layers = coated(every, film, thickness * np.arange(1, most + 1))
        seen = np.concatenate([every.labs, layers.labs], 1)
        return differences(seen, goal.labs)
    views = tuple(VIEWS) if film.flake else ("middling",)
    surface, left = grounds, []
    for _ in range(most + 1):
        left.append(_left(surface, goal, views))
        if (np.min(left, 0) <= allowed).all():
            break
        surface = coated(surface, film, thickness)
    return np.stack(left, 1)


def _left(surface: Surface, goal: Surface, views: tuple[str, ...]) -> np.ndarray:
    """CIEDE2000 that is left; of a metal from where it differs most, or a grey undercoat would pass for steel."""
    return np.max([differences(surface.labs_from(view), goal.labs_from(view)) for view in views], 0)


def coat_by_coat(film: Film, ground: Surface, dilution: float, coats: int) -> tuple[Lab, ...]:
    """What is seen of ``ground`` and after each of so many coats; ``coats`` + 1 colours."""
    thickness, seen = film.thickness(dilution), [ground]
    for _ in range(coats):
        seen.append(coated(seen[-1], film, thickness))
    return tuple(Lab(*one) for one in stacked(seen).labs.tolist())
