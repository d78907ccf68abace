"""How many coats it takes until the eye is content: even, or at the mix's full colour."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..colour.difference import differences
from ..colour.spaces import Lab
from ..memory import Memory
from ..paints.paint import STANDARD_SOLIDS, Film
from ..recipes.step import EVEN, MOST_COATS
from .surface import VIEWS, Surface, coated, solid, stacked

#: how far a brushed coat is thinner or thicker from place to place, as a share of it; coats vary independently of each other
SPREAD = 0.30
#: the same of a metal, whose flakes lie along the strokes
SPREAD_METAL = 0.45
#: CIEDE2000 to the full colour within which a single even coat counts: what is farther is an even veil, no cover
ONE_COAT = 3.0
#: CIEDE2000 to the opaque colour that counts as the full colour of paints that hide ...
COVERED = 2.0
#: ... and of transparent and semi-transparent ones
GOOD_ENOUGH = 5.0
#: nobody paints more coats than this to reach a full colour; beyond it the answer is another ground
LIMIT = 60
#: bytes of all that is kept, and of one answer: measured
_KEPT_BYTES, _TAKES = 3 * 2**18, 184
#: how single grounds were covered: recipes share bases, and with dirt over them are followed again
_known = Memory("coverages", _KEPT_BYTES)
#: most grounds are covered by so many coats; more are tried only where one is not
FEW = 6


@dataclass(frozen=True)
class Coverage:
    """How a paint covers a ground."""

    #: coats until it is even, or within reach of its full colour; None if so many as are tried do not do
    coats: int | None
    #: CIEDE2000 that is allowed: between thin and thick places, or to the full colour
    allowed: float
    #: CIEDE2000 between thin and thick places that is left after those coats
    uneven: float
    #: CIEDE2000 that is left to the full colour after those coats
    apart: float
    #: whether its full colour was asked for
    full: bool = False

    @property
    def laid(self) -> int:
        """Coats a painter lays: at least one, at most twelve."""
        return MOST_COATS if self.coats is None else min(max(1, self.coats), MOST_COATS)

    @property
    def left(self) -> float:
        """CIEDE2000 that is left of what was asked for."""
        return self.apart if self.full else self.uneven


def tolerance_of(film: Film) -> float:
    """The difference within which a colour counts as full: 2 for paints that hide, 5 for those that never quite do."""
    return GOOD_ENOUGH if film.opacity in ("transparent", "semi-transparent") else COVERED


def coverage(
    film: Film, ground: Surface, dilution: float = 0.0, even: float = EVEN, full: float | None = None
) -> Coverage:
    """Smallest number of brushed coats that covers one ground; as ``coverages``."""
    return coverages(film, ground.at(None), dilution, even, full=full)[0]


def coverages(
    film: Film,
    grounds: Surface,
    dilution: float = 0.0,
    even: float = EVEN,
    limit: int = MOST_COATS,
    *,
    full: float | None = None,
) -> tuple[Coverage, ...]:
    """Smallest number of brushed coats that covers each of many grounds, (n, 16).

    dilution: parts of water or clear medium to one of paint; even: CIEDE2000 allowed between where they lie thin and where
    thick; limit: coats that are tried. full: coats are counted until no more CIEDE2000 than this is left to the full colour
    instead, up to ``LIMIT``; ``tolerance_of`` tells what counts as reached.
    After n coats of thickness t thin and thick places have n t (1 -+ 0.3 / sqrt n), 0.45 for a metal, which is looked at from every side.
    """
    if len(grounds.diffuse) == 1:
        asked = _question(film, dilution, even, limit, full, grounds, 0)
        return (_known.answer(asked, lambda: _coverages(film, grounds, dilution, even, limit, full)[0]),)
    return _coverages(film, grounds, dilution, even, limit, full)


def _coverages(
    film: Film, grounds: Surface, dilution: float, even: float, limit: int, full: float | None
) -> tuple[Coverage, ...]:
    split = _by_flash(grounds)
    if split:
        return _merged(split, *(coverages(film, grounds.at(some), dilution, even, limit, full=full) for some in split))
    every, thickness = grounds.at((slice(None), None)), film.thickness(dilution)
    if full is None:
        return _told(*_tried(film, every, thickness, even, limit), even)
    uneven, apart, _ = _seen(film, every, thickness, np.arange(1, LIMIT + 1))
    return _told(apart <= full, uneven, apart, full, full=True)


def coverages_of(
    films: Sequence[tuple[Film, float, float]], grounds: Surface, limit: int = MOST_COATS
) -> tuple[tuple[Coverage, ...], ...]:
    """``coverages`` of many films at once over the same grounds, (n, 16). films: each with its dilution and unevenness."""
    split = _by_flash(grounds)
    if split:
        parts = [coverages_of(films, grounds.at(some), limit) for some in split]
        return tuple(_merged(split, *both) for both in zip(*parts, strict=True))
    flat = [at for at, (film, _, _) in enumerate(films) if film.flake is None]
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
        even = np.array([films[at][2] for at in flat])[:, None, None]
        seen = _tried(stack, grounds.at((None, slice(None), None)), thick, even, limit)
        found = {at: _told(*one, films[at][2]) for at, *one in zip(flat, *seen, strict=True)}
    return tuple(
        found[at] if at in found else coverages(film, grounds, dilution, even, limit)
        for at, (film, dilution, even) in enumerate(films)
    )


def coverages_each(films: Sequence[tuple[Film, float, float]], grounds: Surface) -> tuple[Coverage, ...]:
    """``coverages`` of as many films as there are grounds, (n, 16), one on each; nothing in them of metal.

    films: each with its dilution and unevenness.
    """
    asked = [_question(*film, MOST_COATS, None, grounds, at) for at, film in enumerate(films)]
    places = {one: at for at, one in enumerate(asked)}
    found = {one: _known.get(one) for one in places}
    new = [at for one, at in places.items() if found[one] is None]
    if new:
        counted = _counted([films[at] for at in new], grounds.at(new))
        found |= {asked[at]: _known.put(asked[at], one, _TAKES) for at, one in zip(new, counted, strict=True)}
    return tuple(found[one] for one in asked)


def _question(
    film: Film, dilution: float, even: float, limit: int, full: float | None, grounds: Surface, at: int
) -> tuple:
    """How a film covers one of some grounds, as what the answer depends on by value: of metal beneath all that is kept of it."""
    one = grounds.at(at)
    metal = (
        b"".join(np.asarray(some, float).tobytes() for some in (one.lobe, one.veil, one.matt)) if one.glints else b""
    )
    return (
        film.absorption.tobytes(), film.scattering.tobytes(), film.flake, film.flake_share, film.thickness(dilution), even,
        limit, full, one.diffuse.tobytes(), metal,
    )  # fmt: skip


def _counted(films: Sequence[tuple[Film, float, float]], grounds: Surface) -> tuple[Coverage, ...]:
    """As ``coverages_each``, not from memory."""
    found: dict[int, Coverage] = {}
    left = list(range(len(films)))
    for most in (FEW, MOST_COATS):
        some = [films[at] for at in left]
        stack = Film(
            *(np.stack([getattr(film, name) for film, _, _ in some])[:, None] for name in ("absorption", "scattering")),
            STANDARD_SOLIDS,
        )
        thick = np.array([film.thickness(dilution) for film, dilution, _ in some])[:, None]
        even = np.array([limit for *_, limit in some])[:, None]
        seen = _good(stack, grounds.at((left, None)), thick, even, most)
        for at, *one in zip(left, *seen, strict=True):
            if most == MOST_COATS or one[0].any():
                found[at] = _told(*(each[None] for each in one), films[at][2])[0]
        left = [at for at in left if at not in found]
        if not left:
            break
    return tuple(found[at] for at in range(len(films)))


def _tried(film: Film, every: Surface, thickness, even, limit: int) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """Which numbers of coats are even enough, with ``_seen``'s unevenness and distance: few of them where those do."""
    for most in sorted({min(FEW, limit), limit}):
        found = _good(film, every, thickness, even, most)
        if found[0].any(-1).all():
            break
    return found


def _good(film: Film, every: Surface, thickness, even, most: int) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """As ``_tried``, of all numbers of coats up to so many."""
    counts = np.arange(1, most + 1)
    uneven, apart, veil = _seen(film, every, thickness, counts)
    return (uneven <= even) & ~((counts == 1) & veil), uneven, apart


def _by_flash(grounds: Surface) -> tuple[np.ndarray, np.ndarray] | None:
    """The numbers of flat grounds and of those with metal, where there are both: coats over metal are laid one by one."""
    shiny = np.broadcast_to(grounds.lobe.any(-1), grounds.diffuse.shape[:-1])
    return (np.flatnonzero(~shiny), np.flatnonzero(shiny)) if shiny.any() and not shiny.all() else None


def _merged(split: tuple[np.ndarray, np.ndarray], *parts: tuple[Coverage, ...]) -> tuple[Coverage, ...]:
    """Answers for some grounds and the others, in the order of all."""
    found = {
        at: one
        for numbers, part in zip(split, parts, strict=True)
        for at, one in zip(numbers.tolist(), part, strict=True)
    }
    return tuple(found[at] for at in range(len(found)))


def _seen(film: Film, every: Surface, thickness, counts: np.ndarray) -> tuple[np.ndarray, np.ndarray, np.ndarray]:
    """After each number of coats: CIEDE2000 between thin and thick places, that to the full colour, and whether it is a
    veil: beyond reach of that colour and not because it is brighter and more saturated; each (..., grounds, counts).

    every: grounds with an axis for the counts before the bands.
    """
    goal = solid(film)
    swing = (SPREAD_METAL if film.flake else SPREAD) / np.sqrt(counts)
    # thin, mean and thick places, all at once
    factor = np.stack([1 - swing, np.ones(len(counts)), 1 + swing]).reshape(
        3, *(1,) * (every.diffuse.ndim - 2), len(counts)
    )
    laid = _laid(every, film, thickness, counts, factor)
    uneven = apart = livelier = None
    for view in VIEWS if film.flake else ("middling",):
        thin, seen, thick = laid.labs_from(view)
        wanted = np.broadcast_to(goal.labs_from(view), seen.shape)
        ragged, left = differences(np.stack([thin, seen]), np.stack([thick, wanted]))
        uneven = ragged if uneven is None else np.maximum(uneven, ragged)
        apart = left if apart is None else np.maximum(apart, left)
        if view == "middling":
            livelier = (seen[..., 0] >= wanted[..., 0]) & (_chroma(seen) >= _chroma(wanted))
    return uneven, apart, (apart > ONE_COAT) & ~livelier


def _laid(every: Surface, film: Film, thickness, counts: np.ndarray, factor) -> Surface:
    """Every number of coats on every ground, each ``factor`` as thick as usual.

    So many coats of one film are one film so many times as thick, except over metal, where each sees what is left of its
    flash.
    """
    if film.flake or not every.glints:
        return coated(every, film, thickness * counts * factor)
    surface = coated(every, film, thickness * factor * np.ones(len(counts)))
    for at in range(1, int(counts.max())):
        surface = coated(surface, film, thickness * factor).where(counts > at, surface)
    return surface


def _chroma(labs: np.ndarray) -> np.ndarray:
    return np.hypot(labs[..., 1], labs[..., 2])


def _told(
    good: np.ndarray, uneven: np.ndarray, apart: np.ndarray, allowed: float, *, full: bool = False
) -> tuple[Coverage, ...]:
    """Of every ground, (grounds, counts), the first number of coats that is good; what the most leave where none is."""
    found = []
    for at, one in enumerate(good):
        first = int(one.argmax()) if one.any() else -1
        coats = first + 1 if one.any() else None
        found.append(Coverage(coats, allowed, float(uneven[at, first]), float(apart[at, first]), full))
    return tuple(found)


def coat_by_coat(film: Film, ground: Surface, dilution: float, coats: int) -> tuple[Lab, ...]:
    """What is seen of ``ground`` and after each of so many coats; ``coats`` + 1 colours."""
    thickness, seen = film.thickness(dilution), [ground]
    for _ in range(coats):
        seen.append(coated(seen[-1], film, thickness))
    return tuple(Lab(*one) for one in stacked(seen).labs.tolist())
