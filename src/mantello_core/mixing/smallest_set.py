"""The fewest paints that reach a whole scheme, in mixes of up to two."""

from collections.abc import Collection
from dataclasses import dataclass
from functools import reduce
from operator import or_

from ..colour.difference import difference
from ..errors import OutOfRange
from ..paints.paint import Paint
from ..recipes.step import Mix
from .mix_index import Mixed, index_of

#: steps of the search after which the best set so far is told, as not proven
MOST_STEPS = 4_000
#: options of open goals that make a step as long as an empty one
_AT_ONCE = 200


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
    #: no set has fewer to buy than this
    least: int


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
    near = {mix: _options(mix, known, bit, tolerance) for mix in goals}
    own = sum(bit[pot.id] for pot in known if pot.id in owned)
    chosen, proven, least = _cheapest([_undominated(options) for options in near.values() if options], own)
    reached = [
        _reached(mix, [one for one in options if not one.bits & ~chosen]) for mix, options in near.items() if options
    ]
    used = {pot.id for one in reached for pot in one.mix.paints}
    taken = tuple(pot for pot in known if pot.id in used)
    return SmallestSet(
        taken,
        tuple(pot for pot in taken if pot.id not in owned),
        tuple(reached),
        tuple(_beyond(mix, known, bit) for mix, options in near.items() if not options),
        proven,
        least,
    )


def _reached(mix: Mix, options: list[_Option]) -> Reached:
    best = min(options, key=lambda one: (round(one.apart, 3), one.bits.bit_count(), one.bits))
    return Reached(mix, best.mix, best.apart)


def _beyond(mix: Mix, known: list[Paint], bit: dict[str, int]) -> Reached:
    """The nearest there is, of any kind."""
    flat = tuple(pot for pot in known if pot.mixable)
    metals = [pot for pot in known if pot.kind == "metallic"]
    if (mix.film.flake and metals) or not flat:
        return _reached(mix, [_metal(mix, pot, bit) for pot in metals])
    return _reached(mix, [_option(one, bit) for one in index_of(flat).nearest(mix.film.masstone, 4)])


def _options(mix: Mix, known: list[Paint], bit: dict[str, int], tolerance: float) -> list[_Option]:
    """What could stand for a mix: itself, paints of its kind alone, and flat ones in pairs."""
    itself = (
        [_Option(sum(bit[pot.id] for pot in mix.paints), 0.0, mix)] if all(pot.id in bit for pot in mix.paints) else []
    )
    if mix.film.flake:
        found = [_metal(mix, pot, bit) for pot in known if pot.kind == "metallic"]
        return itself + [one for one in found if one.apart <= tolerance]
    flat = tuple(pot for pot in known if pot.mixable)
    return (
        itself + [_option(one, bit) for one in index_of(flat).within(mix.film.masstone, tolerance)] if flat else itself
    )


def _metal(mix: Mix, pot: Paint, bit: dict[str, int]) -> _Option:
    return _Option(bit[pot.id], difference(pot.film.masstone, mix.film.masstone), Mix(((pot, 1.0),)))


def _option(found: Mixed, bit: dict[str, int]) -> _Option:
    apart, pots, drops = found
    parts = tuple((pot, float(count)) for pot, count in zip(pots, drops, strict=True))
    return _Option(sum(bit[pot.id] for pot in pots), apart, Mix(parts))


def _undominated(options: list[_Option]) -> list[int]:
    """The sets of paints that hold no other one that reaches the same."""
    return _undominated_bits(sorted({one.bits for one in options}, key=int.bit_count))


def _undominated_bits(sets: list[int]) -> list[int]:
    """Of sets, the smallest first, those that hold no other one."""
    kept: list[int] = []
    for bits in sets:
        if not any(small & bits == small for small in kept):
            kept.append(bits)
    return kept


def _least_more(goals: list[list[int]]) -> int:
    """Paints that goals ask for at least: those that share no paint with each other add up."""
    taken, least, largest = 0, 0, 0
    unions = [(reduce(or_, goal), goal[0].bit_count()) for goal in goals]
    for union, cheapest in sorted(unions, key=lambda one: (one[0].bit_count(), one[0])):
        largest = max(largest, cheapest)
        if not union & taken:
            taken |= union
            least += cheapest
    return max(least, largest)


def _cheapest(goals: list[list[int]], own: int) -> tuple[int, bool, int]:
    """Bits of what is owned and the fewest more that hold one set of every goal; whether that is proven; the least."""
    best, least, steps = own, float("inf"), 0

    def search(chosen: int, spent: int, open_goals: list[list[int]]) -> None:
        nonlocal best, least, steps
        steps += 1 + sum(map(len, open_goals)) // _AT_ONCE
        if steps > MOST_STEPS:
            return
        left, hardest = [], None
        for goal in open_goals:
            more = sorted({bits & ~chosen for bits in goal}, key=int.bit_count)
            if not more[0]:
                continue
            left.append(more)
            cheapest = more[0].bit_count()
            if hardest is None or (len(left[-1]), -cheapest) < hardest[0]:
                hardest = ((len(left[-1]), -cheapest), left[-1])
        bound = _least_more(left)
        if spent + bound >= least:
            return
        if hardest is None:
            best, least = chosen, spent
            return
        for more in sorted(
            hardest[1],
            key=lambda one: (one.bit_count(), -sum(any(not bits & ~one for bits in goal) for goal in left), one),
        ):
            search(chosen | more, spent + more.bit_count(), left)

    open_at_first = [sorted({bits & ~own for bits in goal}, key=int.bit_count) for goal in goals]
    bound = _least_more([goal for goal in open_at_first if goal[0]])
    search(own, 0, goals)
    proven = steps <= MOST_STEPS or least == bound
    return best, proven, int(least) if proven else bound
