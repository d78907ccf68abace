"""Which paints, alone or mixed in whole drops, come nearest a colour."""

from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations
from math import gcd

import numpy as np

from ..colour.difference import difference, differences
from ..colour.film import opaque
from ..colour.lamp import lamp_lab
from ..colour.reflectance import to_air, xyz_of
from ..colour.spaces import Lab, labs_of
from ..errors import OutOfRange
from ..paints.paint import Film, Paint
from ..paints.range import paint
from .coverage import COVERED, GOOD_ENOUGH, coverage
from .step import Mix
from .surface import solid

#: drops in one mix at most
MOST_DROPS = 8
#: a mix of one paint more is worth it only if it comes this much nearer (CIEDE2000)
WORTH = 0.5
#: pairs of paints that are tried with every third one
BEAM = 20


@dataclass(frozen=True)
class Match:
    """A mix, the colour it dries to when opaque, and how far that lies from what was wanted."""

    mix: Mix
    colour: Lab
    apart: float
    #: coats over the undercoat until it covers; None if it never does, or no undercoat was given
    coats: int | None
    opacity: str

    @property
    def metallic(self) -> bool:
        """Whether it glints: no stand-in for a flat colour, however near."""
        return self.mix.film.flake is not None

    @property
    def verdict(self) -> str:
        """How the difference is seen: 1, and the tolerances of ``coverage``, are the limits."""
        limits = ((1.0, "not told apart"), (COVERED, "told apart only side by side"), (GOOD_ENOUGH, "near"))
        return next((words for limit, words in limits if self.apart <= limit), "another colour")


def matches(target: Lab, pots: list[Paint], undercoat: str = "", limit: int = 8) -> tuple[Match, ...]:
    """The nearest mixes of one, two and three paints, the nearest first.

    pots: those that may be used; metals count alone, washes and mediums not at all. All mixes of one and two
    paints in whole drops, up to eight together, are compared, and the best of each set is told. Three paints: every third one is tried with the
    20 nearest pairs, in all whole drops; so the best of three is exact unless none of its pairs is among them.
    A mix of one paint more is listed only where it comes 0.5 nearer than the best of fewer.
    Raises: OutOfRange if there is nothing to mix, or for the limit.
    """
    if not 1 <= limit <= 40:
        raise OutOfRange(f"{limit} matches; allowed is 1 to 40.", "limit")
    flat = [pot for pot in pots if pot.mixable]
    metals = [pot for pot in pots if pot.kind == "metallic"]
    if not flat and not metals:
        raise OutOfRange("There is no paint that could be mixed.", "paints")
    singles = sorted(ranked(target, [(pot,) for pot in flat]) + _metals(target, metals), key=_order)
    pairs = ranked(target, list(combinations(flat, 2)))
    triples = ranked(target, _with_thirds(pairs, flat))
    kept: list[tuple[float, tuple[Paint, ...], tuple[int, ...]]] = []
    best = float("inf")
    for found in (singles, pairs, triples):
        worth = [one for one in found if one[0] < best - WORTH][:limit]
        kept += worth
        best = min([best, *(one[0] for one in worth)])
    kept.sort(key=_order)
    return tuple(_match(apart, pots_, drops, undercoat) for apart, pots_, drops in kept[:limit])


def apart_under_lamp(one: Film, other: Film) -> float:
    """CIEDE2000 of two opaque films under an incandescent lamp (CIE A)."""
    return difference(lamp_lab(solid(one).seen), lamp_lab(solid(other).seen))


def _order(one) -> tuple:
    apart, pots, drops = one
    return round(apart, 2), len(pots), sum(drops), tuple(pot.id for pot in pots)


def _metals(target: Lab, metals: list[Paint]):
    """Metals by the colour of their flake at a middling angle."""
    if not metals:
        return []
    apart = differences(np.array([pot.swatch for pot in metals]), target)
    return [(float(one), (pot,), (1,)) for one, pot in zip(apart, metals, strict=True)]


@lru_cache(maxsize=8)
def _drops(count: int) -> list[tuple[int, ...]]:
    """Whole drops that are not a multiple of fewer."""
    if count == 1:
        return [(1,)]
    if count == 2:
        pairs = [(a, b) for a in range(1, MOST_DROPS) for b in range(1, MOST_DROPS) if a + b <= MOST_DROPS]
        return [(a, b) for a, b in pairs if gcd(a, b) == 1]
    triples = [
        (a, b, c)
        for a in range(1, MOST_DROPS - 1)
        for b in range(1, MOST_DROPS - 1)
        for c in range(1, MOST_DROPS - 1)
        if a + b + c <= MOST_DROPS
    ]
    return [one for one in triples if gcd(gcd(one[0], one[1]), one[2]) == 1]


def _with_thirds(pairs, flat: list[Paint]) -> list[tuple[Paint, ...]]:
    """The nearest different pairs, each with every other paint; a set of three is tried once."""
    nearest = [pots for _, pots, _ in pairs[:BEAM]]
    order = {pot.id: at for at, pot in enumerate(flat)}
    found = {
        tuple(sorted((*two, third), key=lambda pot: order[pot.id])): None
        for two in nearest
        for third in flat
        if third not in two
    }
    return list(found)


def ranked(target: Lab, sets: list[tuple[Paint, ...]]) -> list[tuple[float, tuple[Paint, ...], tuple[int, ...]]]:
    """Sets of flat paints, each with the drops that come nearest the target and how near; the nearest first.

    sets: all of one size, one to three.
    """
    if not sets:
        return []
    drops = _drops(len(sets[0]))
    colours = _known_colours(tuple(sets)) if len(sets[0]) < 3 else _colours(sets)
    apart = differences(colours.reshape(-1, 3), target).reshape(colours.shape[:2])
    nearest = apart.argmin(1)
    found = [(float(apart[at, best]), sets[at], drops[best]) for at, best in enumerate(nearest)]
    return sorted(found, key=_order)


@lru_cache(maxsize=8)
def _known_colours(sets: tuple[tuple[Paint, ...], ...]) -> np.ndarray:
    """Colours of singles and pairs: the same for every target, so kept."""
    return _colours(sets)


def _colours(sets: Sequence[tuple[Paint, ...]]) -> np.ndarray:
    """CIELAB of every set in every ratio, opaque: (sets, ratios, 3)."""
    pots = {pot.id: pot for one in sets for pot in one}
    index = {id_: at for at, id_ in enumerate(pots)}
    absorbed = np.array([pot.film.absorption * pot.film.solids for pot in pots.values()])
    scattered = np.array([pot.film.scattering * pot.film.solids for pot in pots.values()])
    members = np.array([[index[pot.id] for pot in one] for one in sets])
    weights = np.array(_drops(len(sets[0])), float)
    mixed = [np.einsum("sib,ri->srb", part[members], weights) for part in (absorbed, scattered)]
    return labs_of(xyz_of(to_air(opaque(*mixed))))


def _match(apart: float, pots: tuple[Paint, ...], drops: tuple[int, ...], undercoat: str) -> Match:
    mix = Mix(tuple((pot.id, float(count)) for pot, count in zip(pots, drops, strict=True)))
    film = mix.film
    coats = coverage(film, solid(paint(undercoat).film)).coats if undercoat else None
    return Match(mix, solid(film).colour, apart, coats, film.opacity)
