"""Who wears what: a cast that meets the shares, in which no neighbours repeat and no two figures are alike."""

import random
from dataclasses import dataclass

from .band import Band, checked_band
from .dealing import dealt
from .settling import restored, settled
from .tally import Tally

#: steps of a search, and how many without gain end it
STEPS, STALL = 6000, 900


@dataclass(frozen=True)
class Fault:
    """What is wrong, in which figures, at which garments: 'clash', 'repeat', 'count', 'twin', 'accents', 'leader'."""

    kind: str
    figures: tuple[int, ...]
    garments: tuple[int, ...] = ()


@dataclass(frozen=True)
class Cast:
    """Options by figure and garment, and everything that is not as wanted; without faults none is better."""

    rows: tuple[tuple[int, ...], ...]
    faults: tuple[Fault, ...]
    steps: int = 0

    def count(self, kind: str) -> int:
        """How many faults of a kind there are."""
        return sum(one.kind == kind for one in self.faults)


def cast(band: Band, steps: int = STEPS) -> Cast:
    """Cast a band: a pure function of the band, its seed included, whatever the machine.

    Source: own local search with a tabu list (after Glover, 1986); limits are counted in steps, never in time.
    Raises: what ``checked_band`` refuses.
    """
    checked_band(band)
    rng = random.Random(band.seed)
    tally = Tally(band, dealt(band, rng), rng)
    used, left = settled(tally, steps, STALL, recolour=True)
    if not left:
        used += restored(tally, steps - used)
    return _judged(tally, used)


def judged(band: Band, rows: tuple[tuple[int, ...], ...]) -> Cast:
    """How good given rows are."""
    return _judged(Tally(band, [list(row) for row in rows], random.Random(0)), 0)


def reinforced(band: Band, known: Cast, more: int) -> tuple[Band, Cast]:
    """The band with more figures: those there are keep everything, the new ones bring the shares of the whole nearest to
    what is wanted."""
    larger = band.larger(more, known.rows)
    return larger, cast(larger)


def _judged(tally: Tally, steps: int) -> Cast:
    band, rows = tally.band, tally.rows
    faults = [
        Fault("clash", (figure,), (one, other))
        for figure, row in enumerate(rows)
        for one, other in band.touching
        if tally.clashing[one, other][row[one]][row[other]]
    ]
    faults += [
        Fault("repeat", (figure, other), (garment,))
        for figure, row in enumerate(rows)
        for other in band.near[figure]
        if other > figure
        for garment, option in enumerate(row)
        if tally.repeating[garment][option][rows[other][garment]]
    ]
    for garment, wanted in enumerate(tally.wanted):
        away = sum(abs(count - asked) for count, asked in zip(tally.counts[garment], wanted, strict=True)) // 2
        faults += [Fault("count", (), (garment,))] * away
    for outfit, times in sorted(tally.outfits.items()):
        if times > 1:
            alike = tuple(figure for figure, row in enumerate(rows) if tuple(row) == outfit)
            faults += [Fault("twin", alike)] * (times - 1)
    faults += [Fault("accents", (figure,)) for figure in range(band.figures) if tally.accents_over(figure)]
    faults += [Fault("leader", (figure,)) for figure in sorted(band.leaders) if tally.dull(figure)]
    return Cast(tuple(map(tuple, rows)), tuple(faults), steps)
