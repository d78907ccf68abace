"""How many figures to take through a whole recipe together, so that no phase of it leaves the hands idle."""

from collections import defaultdict
from dataclasses import dataclass

from .batch import batch_size
from .compiling import RankSheet

#: minutes of drying from which a step is left for later, and makes no batch larger
_OVERNIGHT = 45.0
#: seconds a figure from which on a phase counts: shorter ones are fitted in between
_SHORT = 60.0
#: most figures that a batch is worked out for
_MOST = 400


@dataclass(frozen=True)
class ChainBatch:
    """The batch that never waits, and the phase that asks for it: its place, minutes it dries, minutes a figure."""

    figures: int
    phase: int
    drying: float
    hands_on: float


def chain_batch(sheet: RankSheet, stick: int = 1) -> ChainBatch | None:
    """The largest of the batches that the phases of a rank's figures ask for; None without paint that dries.

    A phase is worked through on one figure after the other: when the last one is done, the slowest paint on the first has
    to be dry; nothing waits for the last phase. What dries for hours is left for another evening, and handwork dries nothing.
    Source: design formula F2, the maximum over the phases, n = 1 + ceil(d / t) with t the hands-on time of the phase.
    """
    hands: dict[int, float] = defaultdict(float)
    drying: dict[int, float] = defaultdict(float)
    for row in sheet.rows:
        atom = row.atom
        if atom.sprayed or atom.pot.startswith("hand|") or atom.drying > _OVERNIGHT * 60:
            continue
        hands[atom.phase] += atom.seconds
        drying[atom.phase] = max(drying[atom.phase], atom.drying)
    last = max((row.atom.phase for row in sheet.rows), default=0)
    found = [
        ChainBatch(batch_size(drying[phase], seconds, _MOST, _MOST, stick), phase, drying[phase] / 60, seconds / 60)
        for phase, seconds in hands.items()
        if seconds >= _SHORT and drying[phase] > 0 and phase < last
    ]
    return max(found, key=lambda one: (one.figures, -one.phase), default=None)
