"""The fewest paints that reach a whole scheme, in mixes of up to two."""

from collections.abc import Collection
from dataclasses import dataclass
from itertools import combinations

from ..colour.difference import difference
from ..errors import OutOfRange
from ..paints.paint import Paint
from .matching import ranked
from .step import Mix

#: steps of the search after which the best set so far is told, as not proven
MOST_STEPS = 40_000


@dataclass(frozen=True)
class Reached:
    """A wanted mix, what it is mixed from instead, and how far the two are apart (CIEDE2000)."""

    wanted: Mix
    mix: Mix
    apart: float


@dataclass(frozen=True)
class SmallestSet:
    """Paints that reach every wanted mix that can be reached."""

    #: those that are used
    paints: tuple[Paint, ...]
    #: those of them that are not owned
    buy: tuple[Paint, ...]
    reached: tuple[Reached, ...]
    #: with the nearest there is, beyond the tolerance; its paints are not among ``paints``
    beyond: tuple[Reached, ...]
    #: whether no set with fewer to buy exists; if not, the search was cut short
    proven: bool


@dataclass(frozen=True)
class _Option:
    """A set of paints that reaches a target: as bits, and the mix."""

    bits: int
    apart: float
    mix: Mix


def smallest_set(
    wanted: Collection[Mix], pots: Collection[Paint], owned: Collection[str] = (), tolerance: float = 2.0
) -> SmallestSet:
    """The fewest paints to buy, so that with those that are owned every wanted mix is reached, each as near as it can.

    A wanted mix is reached as it is, by one paint, or by two in whole drops up to eight, whose opaque colour lies within
    ``tolerance`` (CIEDE2000, 0.5 to 10); metals by metals alone, flat colours by flat ones. Exact by branch and
    bound unless ``proven`` is false.
    Raises: OutOfRange for the tolerance, or without a paint that could be mixed.
    """
    if not 0.5 <= tolerance <= 10:
        raise OutOfRange(f"A tolerance of {tolerance:g}; allowed is 0.5 to 10.", "tolerance")
    known = [pot for pot in pots if pot.covers]
    if not known:
        raise OutOfRange("There is no paint that could be mixed.", "paints")
    bit = {pot.id: 1 << at for at, pot in enumerate(known)}
    goals = list(dict.fromkeys(wanted))
    every = {mix: _options(mix, known, bit) for mix in goals}
    near = {mix: [one for one in options if one.apart <= tolerance] for mix, options in every.items()}
    own = sum(bit[pot.id] for pot in known if pot.id in owned)
    chosen, proven = _cheapest([_undominated(options) for options in near.values() if options], own)
    reached = [
        _reached(mix, [one for one in options if not one.bits & ~chosen]) for mix, options in near.items() if options
    ]
    used = {id_ for one in reached for id_, _ in one.mix.parts}
    taken = tuple(pot for pot in known if pot.id in used)
    return SmallestSet(
        taken,
        tuple(pot for pot in taken if pot.id not in owned),
        tuple(reached),
        tuple(_reached(mix, every[mix]) for mix, options in near.items() if not options and every[mix]),
        proven,
    )


def _reached(mix: Mix, options: list[_Option]) -> Reached:
    best = min(options, key=lambda one: (round(one.apart, 3), one.bits.bit_count(), one.bits))
    return Reached(mix, best.mix, best.apart)


def _options(mix: Mix, known: list[Paint], bit: dict[str, int]) -> list[_Option]:
    """What could stand for a mix: itself, paints of its kind alone, and flat ones in pairs."""
    film = mix.film
    if film.flake:
        metals = [pot for pot in known if pot.kind == "metallic"]
        found = [(difference(pot.film.masstone, film.masstone), (pot,), (1,)) for pot in metals]
    else:
        flat = [pot for pot in known if pot.mixable]
        found = ranked(film.masstone, [(pot,) for pot in flat])
        found += ranked(film.masstone, list(combinations(flat, 2)))
    itself = (
        [_Option(sum(bit[id_] for id_, _ in mix.parts), 0.0, mix)] if all(id_ in bit for id_, _ in mix.parts) else []
    )
    return itself + [
        _Option(
            sum(bit[pot.id] for pot in some),
            float(apart),
            Mix(tuple((pot.id, float(count)) for pot, count in zip(some, drops, strict=True))),
        )
        for apart, some, drops in found
    ]


def _undominated(options: list[_Option]) -> list[int]:
    """The sets of paints that hold no other one that reaches the same."""
    sets = sorted({one.bits for one in options}, key=int.bit_count)
    kept: list[int] = []
    for bits in sets:
        if not any(small & bits == small for small in kept):
            kept.append(bits)
    return kept


def _cheapest(goals: list[list[int]], own: int) -> tuple[int, bool]:
    """Bits of what is owned and the fewest more that hold one set of every goal; whether the search was finished."""
    best, least, steps = own, float("inf"), 0

    def search(chosen: int, spent: int, open_goals: list[list[int]]) -> None:
        nonlocal best, least, steps
        steps += 1
        if steps > MOST_STEPS:
            return
        left, hardest, bound = [], None, 0
        for goal in open_goals:
            if any(not bits & ~chosen for bits in goal):
                continue
            left.append(goal)
            cheapest = min((bits & ~chosen).bit_count() for bits in goal)
            bound = max(bound, cheapest)
            if hardest is None or (len(goal), -cheapest) < hardest[0]:
                hardest = ((len(goal), -cheapest), goal)
        if spent + bound >= least:
            return
        if hardest is None:
            best, least = chosen, spent
            return
        for bits in sorted(hardest[1], key=lambda one: ((one & ~chosen).bit_count(), one)):
            more = bits & ~chosen
            search(chosen | more, spent + more.bit_count(), left)

    search(own, 0, goals)
    return best, steps <= MOST_STEPS
