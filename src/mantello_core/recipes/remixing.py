"""Mixes made from mixes, and a little more of one paint: parts stay whole and small."""

from collections.abc import Sequence
from fractions import Fraction
from functools import reduce
from math import gcd

from ..errors import OutOfRange, UnknownName
from ..paints.paint import Paint
from .step import MOST_PARTS, Mix

#: share that a little more of a paint adds to it, of the whole
LITTLE = Fraction(1, 8)


def mixed_of(sides: Sequence[tuple[Mix | Paint, float]]) -> tuple[tuple[Paint, float], ...]:
    """The parts of a mix of paints and mixes: one part of a mix is one part in all, whatever it is mixed from.

    What thins a mix is left out: the new one is thinned as it is laid. Parts come back whole, 12 at most, as near as that
    allows.
    Raises: OutOfRange for no side.
    """
    amounts: dict[Paint, Fraction] = {}
    for side, parts in sides:
        given = Fraction(parts).limit_denominator(100)
        own = side.parts if isinstance(side, Mix) else ((side, 1.0),)
        whole = sum(Fraction(amount).limit_denominator(100) for _, amount in own)
        for pot, amount in own:
            amounts[pot] = amounts.get(pot, Fraction(0)) + given * Fraction(amount).limit_denominator(100) / whole
    if not amounts:
        raise OutOfRange("The mix has no paint in it; name at least one.", "mix")
    return tuple(zip(amounts, map(float, _whole(list(amounts.values()))), strict=True))


def as_thin(mix: Mix, parts: tuple[tuple[Paint, float], ...]) -> Mix:
    """Other paints thinned as a mix is, to a tenth of a part."""
    return Mix(parts, mix.diluent, round(mix.dilution * sum(amount for _, amount in parts), 1))


def with_more_of(mix: Mix, paint_id: str) -> Mix:
    """The mix with a little more of one of its paints, an eighth of the whole; it stays as thin as it was.

    Raises: UnknownName for a paint that is not in it.
    """
    pots = {pot.id: amount for pot, amount in mix.parts}
    if paint_id not in pots:
        raise UnknownName("paint of the mix", paint_id, list(pots), "paint")
    amounts = [Fraction(amount).limit_denominator(100) for amount in pots.values()]
    more = sum(amounts) * LITTLE
    raised = [amount + (more if id_ == paint_id else 0) for id_, amount in zip(pots, amounts, strict=True)]
    parts = [float(one) for one in _whole(raised)]
    thinned = round(mix.dilution * sum(parts), 1) if mix.diluent != "neat" else 0.0
    return Mix(tuple(zip(mix.paints, parts, strict=True)), mix.diluent, min(thinned, 20.0))


def _whole(amounts: list[Fraction]) -> list[int]:
    """Whole numbers up to 12 in the ratio of amounts; where none fit, those that come nearest."""
    common = reduce(lambda one, two: one * two // gcd(one, two), (amount.denominator for amount in amounts))
    exact = [int(amount * common) for amount in amounts]
    exact = [one // reduce(gcd, exact) for one in exact]
    if max(exact) <= MOST_PARTS:
        return exact
    most = max(amounts)

    def off(times: int) -> Fraction:
        return max(abs(amount * times / most - max(1, round(amount * times / most))) for amount in amounts)

    best = min(range(1, MOST_PARTS + 1), key=lambda times: (off(times), times))
    found = [max(1, round(amount * best / most)) for amount in amounts]
    return [one // reduce(gcd, found) for one in found]
