"""Chance that depends on nothing but a key: the same on every machine, whatever else is drawn."""

import hashlib
from statistics import NormalDist

#: draws of a normal distribution are cut at so many standard deviations
CUT = 2.0
#: fractional parts that hop evenly and do not march in step: powers of the root of x^7 = x + 1 (Roberts, 2018)
_ROOT = 1.1127756842787055
_STEPS = tuple((1 / _ROOT**power) % 1 for power in (3, 5, 7, 9, 11, 13))


def draw(*key: object) -> float:
    """A number between 0 and 1, ends left out, for a key of texts and whole numbers."""
    digest = hashlib.blake2b("|".join(map(str, key)).encode(), digest_size=7).digest()
    return (int.from_bytes(digest) + 0.5) / 2**56


def normal(*key: object) -> float:
    """A standard normal draw for a key, cut at ``CUT``."""
    normal_ = NormalDist()
    low, high = normal_.cdf(-CUT), normal_.cdf(CUT)
    return normal_.inv_cdf(low + draw(*key) * (high - low))


def dealt(shares: list[tuple[str, float]], ordinal: int, *key: object) -> str:
    """The option the nth figure falls into; shares sum to 1. Every stretch of figures has the shares as nearly as it can,
    and a figure's option depends on its place alone: more figures change nobody.

    >>> counts = [dealt([("a", .25), ("b", .75)], n, 1, "unit", "coat") for n in range(1, 41)].count("a"); 9 <= counts <= 11
    True
    """
    step = _STEPS[int(len(_STEPS) * draw("step", *key[-1:])) % len(_STEPS)]
    at = (draw(*key) + ordinal * step) % 1
    for name, share in shares:
        if at < share:
            return name
        at -= share
    return shares[-1][0]
