"""Every mix of one and two flat paints in whole drops, kept sorted, so that the nearest are found without measuring all."""

from collections.abc import Sequence
from itertools import combinations, product
from math import gcd

import numpy as np

from ..colour.difference import box_of, differences
from ..colour.reflectance import INNER, WEIGHTS, WHITE
from ..colour.spaces import Lab, labs_of
from ..memory import remembered
from ..paints.paint import Paint

#: drops in one mix at most
MOST_DROPS = 8
#: how much nearer than asked is also measured, for what single precision leaves open (CIEDE2000)
SLACK = 0.01
#: sets of three that are mixed at once, so that they stay in the processor's cache
_BLOCK = 192
#: mixes near by plain distance, for each that is wanted, from which the reach is told
_TRIED = 40
#: from here on (CIEDE2000) nothing comes near, and only what is nearest by plain distance is ranked
FAR = 12.0
#: paints in a mix with its difference: how far apart, which paints, in which drops
Mixed = tuple[float, tuple[Paint, ...], tuple[int, ...]]


class MixIndex:
    """The mixes of some paints, all of which can be mixed."""

    def __init__(self, pots: tuple[Paint, ...]):
        self.pots = pots
        count = len(pots)
        self._absorbed = np.array([pot.film.absorption * pot.film.solids for pot in pots], np.float32).reshape(
            count, -1
        )
        self._scattered = np.array([pot.film.scattering * pot.film.solids for pot in pots], np.float32).reshape(
            count, -1
        )
        self._sets = [(at,) for at in range(count)] + list(combinations(range(count), 2))
        first, second = np.triu_indices(count, 1)
        colours = [self._labs(self._absorbed, self._scattered)]
        owners, ratios = [np.arange(count)], [np.full(count, -1)]
        for at, (a, b) in enumerate(drops_of(2)):
            colours.append(
                self._labs(*(a * part[first] + b * part[second] for part in (self._absorbed, self._scattered)))
            )
            owners.append(count + np.arange(len(first)))
            ratios.append(np.full(len(first), at))
        labs = np.concatenate(colours)
        order = np.argsort(labs[:, 0], kind="stable")
        self._labs_sorted = np.ascontiguousarray(labs[order].T)
        self._owner, self._ratio = np.concatenate(owners)[order], np.concatenate(ratios)[order]

    def within(self, target: Lab, radius: float) -> list[Mixed]:
        """Every set of one or two paints that comes within ``radius`` (CIEDE2000), in its best drops; nearest first."""
        box = box_of(target, radius + SLACK)
        start, end = np.searchsorted(self._labs_sorted[0], [target[0] - box[0], target[0] + box[0]])
        part = self._labs_sorted[:, start:end]
        inside = (np.abs(part[1] - target[1]) <= box[1]) & (np.abs(part[2] - target[2]) <= box[2])
        rows = start + np.flatnonzero(inside)
        apart = differences(self._labs_sorted[:, rows].T, target)
        return self._best(rows[apart <= radius], apart[apart <= radius])

    def nearest(self, target: Lab, count: int) -> list[Mixed]:
        """The ``count`` nearest sets of one, and as many of two paints, nearest first; exact where they lie within ``FAR``."""
        apart = ((self._labs_sorted - np.array(target, np.float32)[:, None]) ** 2).sum(0)
        rows = np.argpartition(apart, min(count * _TRIED, len(apart) - 1))[: count * _TRIED]
        found = self._best(rows, differences(self._labs_sorted[:, rows].T, target))
        pairs = [one for one in found if len(one[1]) == 2]
        reach = pairs[min(count, len(pairs)) - 1][0] if pairs else 0.0
        singles = self._best(*self._alone(target))[:count]
        if reach <= FAR:
            pairs = [one for one in self.within(target, reach + SLACK) if len(one[1]) == 2]
        pairs = pairs[:count]
        return sorted(singles + pairs, key=order_of)

    def _alone(self, target: Lab):
        rows = np.flatnonzero(self._ratio < 0)
        return rows, differences(self._labs_sorted[:, rows].T, target)

    def thirds(self, target: Lab, pairs: Sequence[Mixed], radius: float, count: int) -> list[Mixed]:
        """Each pair with every other paint in all whole drops; the ``count`` nearest sets within ``radius``."""
        at = {pot.id: number for number, pot in enumerate(self.pots)}
        triples: dict[tuple[int, ...], None] = {}
        for _, pots, _ in pairs:
            one, two = sorted(at[pot.id] for pot in pots)
            triples |= {(third, one, two): None for third in range(one)}
            triples |= {(one, third, two): None for third in range(one + 1, two)}
            triples |= {(one, two, third): None for third in range(two + 1, len(self.pots))}
        return self._searched(target, np.array(list(triples), int).reshape(-1, 3), radius, count)

    def _searched(self, target: Lab, triples: np.ndarray, radius: float, count: int) -> list[Mixed]:
        """The nearest mixes of sets of three; most leave by their Y alone, the box shrinks as better ones turn up."""
        ratios = np.array(drops_of(3), np.float32)
        low, high = _xyz_box(target, radius + SLACK)
        best: dict[tuple[int, ...], tuple[float, int]] = {}
        for start in range(0, len(triples), _BLOCK):
            block = triples[start : start + _BLOCK]
            seen = _opaque(
                ratios @ self._absorbed[block.T].reshape(3, -1), ratios @ self._scattered[block.T].reshape(3, -1)
            ).reshape(-1, _RELATIVE.shape[0])
            bright = seen @ _RELATIVE[:, 1]
            rows = np.flatnonzero((bright >= low[1]) & (bright <= high[1]))
            xyz = seen[rows] @ _RELATIVE
            inside = ((xyz >= low) & (xyz <= high)).all(1)
            rows = rows[inside]
            apart = differences(labs_of(xyz[inside] * WHITE), target) if len(rows) else np.empty(0)
            for at in np.flatnonzero(apart <= radius)[np.argsort(apart[apart <= radius])].tolist():
                ratio, member = divmod(int(rows[at]), len(block))
                key = tuple(block[member].tolist())
                if key not in best:  # each set comes once, and its best drops first
                    best[key] = float(apart[at]), ratio
                if len(best) >= 4 * count:
                    break
            if len(best) >= count:
                best = dict(sorted(best.items(), key=lambda one: one[1])[:count])
                kept = max(one for one, _ in best.values())
                if kept < 0.9 * radius:
                    radius = kept
                    low, high = _xyz_box(target, radius + SLACK)
        found = [(one, tuple(self.pots[at] for at in key), drops_of(3)[ratio]) for key, (one, ratio) in best.items()]
        return sorted(found, key=order_of)[:count]

    def _labs(self, absorbed, scattered) -> np.ndarray:
        return labs_of(_opaque(absorbed, scattered) @ WEIGHTS.astype(np.float32)).astype(np.float32)

    def _best(self, rows: np.ndarray, apart: np.ndarray) -> list[Mixed]:
        """Of the rows of each set, the nearest."""
        order = np.argsort(apart, kind="stable")
        owners, first = np.unique(self._owner[rows[order]], return_index=True)
        chosen = order[first]
        found = []
        for owner, at in zip(owners.tolist(), chosen.tolist(), strict=True):
            ratio = int(self._ratio[rows[at]])
            drops = drops_of(2)[ratio] if ratio >= 0 else (1,)
            found.append((float(apart[at]), tuple(self.pots[one] for one in self._sets[owner]), drops))
        return sorted(found, key=order_of)


@remembered(32_000)
def index_of(pots: tuple[Paint, ...]) -> MixIndex:
    """The index of those paints; the latest ones are kept (about 40 bytes a mix)."""
    return MixIndex(pots)


@remembered(500)
def drops_of(count: int) -> tuple[tuple[int, ...], ...]:
    """Whole drops of so many paints, together up to eight, that are not a multiple of fewer."""
    if count == 1:
        return ((1,),)
    every = product(range(1, MOST_DROPS), repeat=count)
    return tuple(one for one in every if sum(one) <= MOST_DROPS and gcd(*one) == 1)


def order_of(one: Mixed) -> tuple:
    """Nearest first; at a tie fewer paints, fewer drops, then by id, so that the order is always the same."""
    apart, pots, drops = one
    return round(apart, 2), len(pots), sum(drops), tuple(pot.id for pot in pots)


_RELATIVE = (WEIGHTS / WHITE).astype(np.float32)


def _opaque(absorbed: np.ndarray, scattered: np.ndarray) -> np.ndarray:
    """Seen reflectance of opaque films: ``to_air(opaque(...))`` in one line, in place and in single precision."""
    ratio, passed = absorbed / scattered, np.float32(1 - INNER)
    depth = ratio + np.float32(2)
    depth *= ratio
    np.sqrt(depth, out=depth)
    depth += ratio
    depth += passed
    return np.divide(passed, depth, out=depth)


def _xyz_box(target: Lab, radius: float) -> tuple[np.ndarray, np.ndarray]:
    """Least and greatest XYZ, relative to the white, of every colour within ``radius``."""
    box = box_of(target, radius)

    def linear(value: float) -> float:
        return value**3 if value > 6 / 29 else (116 * value - 16) * 27 / 24389

    bright = [(target[0] + sign * box[0] + 16) / 116 for sign in (-1, 1)]
    low = [bright[0] + (target[1] - box[1]) / 500, bright[0], bright[0] - (target[2] + box[2]) / 200]
    high = [bright[1] + (target[1] + box[1]) / 500, bright[1], bright[1] - (target[2] - box[2]) / 200]
    return tuple(
        np.array([linear(one) for one in side], np.float32) + sign * 1e-6 for side, sign in ((low, -1), (high, 1))
    )
