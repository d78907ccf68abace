"""Which paints, alone or mixed in whole drops, come nearest a colour."""

from dataclasses import dataclass

import numpy as np

from ..colour.difference import difference, differences
from ..colour.lamp import lab_under
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..film.coverage import COVERED, GOOD_ENOUGH, coverage
from ..film.ground import Ground
from ..film.surface import solid
from ..paints.paint import BODIES, Film, Paint
from ..recipes.step import Mix
from .mix_index import FAR, Mixed, index_of, order_of

#: a mix of one paint more is worth it only if it comes this much nearer (CIEDE2000)
WORTH = 0.5
#: pairs of paints that are tried with every third one
BEAM = 20
#: a stock so small that three paints are tried however far the target is
SMALL = 40


@dataclass(frozen=True)
class Match:
    """A mix, the colour it dries to when opaque, and how far that lies from what was wanted."""

    mix: Mix
    colour: Lab
    apart: float
    #: coats over the undercoat until it covers; None if it never does, or no ground was given
    coats: int | None
    opacity: str

    @property
    def metallic(self) -> bool:
        """Whether it glints: no stand-in for a flat colour, however near."""
        return self.mix.film.flake is not None

    @property
    def finish(self) -> str:
        """What it dries to: that of its paints, the glossiest that is at least half of it."""
        whole = sum(parts for _, parts in self.mix.parts)
        shares = dict.fromkeys(("gloss", "metallic", "satin", "matt"), 0.0)
        for pot, parts in self.mix.parts:
            shares[pot.finish] += parts / whole
        return next((finish for finish, share in shares.items() if share >= 0.5), "satin")

    @property
    def body(self) -> str:
        """How stiff it is: that of its stiffest paint."""
        return min((pot.body for pot in self.mix.paints), key=tuple(BODIES).index)

    @property
    def verdict(self) -> str:
        """How the difference is seen: 1, and the tolerances of ``coverage``, are the limits."""
        limits = ((1.0, "not told apart"), (COVERED, "told apart only side by side"), (GOOD_ENOUGH, "near"))
        return next((words for limit, words in limits if self.apart <= limit), "another colour")


def matches(target: Lab, pots: list[Paint], ground: Ground | None = None, limit: int = 8) -> tuple[Match, ...]:
    """The nearest mixes of one, two and three paints, the nearest first.

    pots: those that may be used; metals count alone, washes and mediums not at all. Of all mixes of one and
    two paints in whole drops, up to eight together, the nearest are found, each set of paints in its best drops;
    exact (``mix_index``). Three paints: every third one is tried with the 20 nearest pairs, in all whole drops; so the
    best of three is exact unless none of its pairs is among them. Where nothing comes within 12 (CIEDE2000), pairs are
    ranked only among those nearest by plain distance, and three of more than 40 paints are not tried.
    A mix of one paint more is listed only where it comes 0.5 nearer than the best of fewer.
    Raises: OutOfRange if there is nothing to mix, or for the limit.
    """
    if not 1 <= limit <= 40:
        raise OutOfRange(f"{limit} matches; allowed is 1 to 40.", "limit")
    flat = tuple(pot for pot in pots if pot.mixable)
    metals = [pot for pot in pots if pot.kind == "metallic"]
    if not flat and not metals:
        raise OutOfRange("There is no paint that could be mixed.", "paints")
    near = index_of(flat).nearest(target, max(BEAM, limit)) if flat else []
    singles = sorted([one for one in near if len(one[1]) == 1] + _metals(target, metals), key=order_of)
    pairs = [one for one in near if len(one[1]) == 2]
    kept: list[Mixed] = []
    best = float("inf")
    for found in (singles, pairs):
        worth = [one for one in found if one[0] < best - WORTH][:limit]
        kept += worth
        best = min([best, *(one[0] for one in worth)])
    if pairs and best > WORTH and (best < FAR or len(flat) <= SMALL):
        kept += index_of(flat).thirds(target, pairs[:BEAM], best - WORTH, limit)
    kept.sort(key=order_of)
    return tuple(sorted((_match(target, one, ground) for one in kept[:limit]), key=lambda one: one.apart))


def apart_under_lamp(one: Film, other: Film) -> float:
    """CIEDE2000 of two opaque films under an incandescent lamp (CIE A)."""
    return difference(*(lab_under(solid(film).seen, "lamp") for film in (one, other)))


def _metals(target: Lab, metals: list[Paint]):
    """Metals by the colour of their flake at a middling angle."""
    if not metals:
        return []
    apart = differences(np.array([pot.swatch for pot in metals]), target)
    return [(float(one), (pot,), (1,)) for one, pot in zip(apart, metals, strict=True)]


def _match(target: Lab, found: Mixed, ground: Ground | None) -> Match:
    _, pots, drops = found
    mix = Mix(tuple((pot, float(count)) for pot, count in zip(pots, drops, strict=True)))
    film = mix.film
    colour = solid(film).colour
    coats = coverage(film, ground.flat).coats if ground else None
    return Match(mix, colour, difference(target, colour), coats, film.opacity)
