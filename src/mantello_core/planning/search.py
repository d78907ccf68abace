"""Longer search for a better plan: other ways of laying the same work, each tried whole, the best kept."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import datetime
from random import Random

from ..calendar.evenings import Evenings
from .plan import Plan, Prepared, laid_as, laid_out
from .style import PATIENCE, Style

#: share of the tries that draw all claims anew; after them the best is changed a little, again and again
_WIDE = 0.25
#: seeds a style may carry: each has to be drawn again whenever the plan is laid
MOST_SEEDS = 40
_PATIENCES = (PATIENCE, 0.5 * PATIENCE, 1.6 * PATIENCE, 2.4 * PATIENCE)
#: wider jitter than this only worsens a plan
_SPREADS = (0.02, 0.05, 0.1)


@dataclass(frozen=True)
class Found:
    """How a search stands."""

    tries: int
    #: None while no style beats the fast plan
    style: Style | None
    #: desk minutes of the fast plan, of the best one, and those that no plan can beat
    started: float
    best: float
    bound: float

    @property
    def gap(self) -> float:
        """How far the best lies above the bound, as a share of it."""
        return self.best / self.bound - 1 if self.bound else 0.0


def search(work: Prepared, evenings: Evenings, start: datetime, tries: int, seed: int = 1) -> Iterator[Found]:
    """Try so many ways of laying the work, telling after each how it stands; may be left at any time.

    First all claims of tasks are jittered anew, then a tenth of the best ones', kept if the plan gets no worse.
    Deterministic: the same seed finds the same. Raises: OutOfRange if no evening is marked.
    """
    chance = Random(seed)
    fast = laid_out(work, evenings, start)
    best: Plan = fast
    style: Style | None = None
    for number in range(1, tries + 1):
        tried = _next(chance, style, wide=number <= _WIDE * tries or style is None)
        candidate = laid_as(work, evenings, start, tried)
        if candidate.rating < best.rating:
            best, style = candidate, tried
        yield Found(number, style, fast.desk_minutes, best.desk_minutes, fast.bound)


def _next(chance: Random, style: Style | None, *, wide: bool) -> Style:
    seed = chance.randrange(1, 1_000_000)
    if wide or len(style.seeds) >= MOST_SEEDS:
        return Style(chance.choice(_PATIENCES), spread=chance.choice(_SPREADS), seeds=(seed,))
    return replace(style, seeds=(*style.seeds, seed))
