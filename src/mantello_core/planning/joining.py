"""Which units are better painted together, since they share pots; and in how many lots a large unit goes."""

from collections import defaultdict
from collections.abc import Sequence
from dataclasses import dataclass

from ..design.design import Design
from .compiling import RankSheet
from .desk_room import desk_limit

#: share of the pots of the smaller unit from which two units are worth joining
WORTH_JOINING = 0.6


@dataclass(frozen=True)
class Together:
    """Two units that share pots: ids, pots in common, and what share of the smaller one's that is."""

    units: tuple[str, str]
    pots: int
    share: float


def together_advice(design: Design, sheets: Sequence[RankSheet]) -> tuple[Together, ...]:
    """Pairs of units worth painting in one run and not joined yet, those that share most first; none that would not find
    room on the desk together."""
    pots: dict[str, set[str]] = defaultdict(set)
    for sheet in sheets:
        pots[sheet.unit].update(
            row.atom.pot for row in sheet.rows if row.atom.pot and not row.atom.pot.startswith("hand|")
        )
    joined = [set(run.units) for run in design.scheme.order.runs]
    figures = {unit.id: unit.figures for unit in design.army.units}
    alone = design.scheme.order.alone
    units, found = [one for one in pots if pots[one] and one not in alone], []
    for at, one in enumerate(units):
        for two in units[:at]:
            common = len(pots[one] & pots[two])
            share = common / min(len(pots[one]), len(pots[two]))
            fits = figures[one] + figures[two] <= desk_limit(design)
            if share >= WORTH_JOINING and fits and not any({one, two} <= run for run in joined):
                found.append(Together((two, one), common, share))
    return tuple(sorted(found, key=lambda pair: (-pair.share, -pair.pots, pair.units)))


def lots_of(figures: int, attention: int) -> tuple[int, ...]:
    """The even lots in which figures of a unit go through.

    >>> lots_of(33, 12), lots_of(8, 10)
    ((11, 11, 11), (8,))
    """
    count = max(1, -(-figures // attention))
    return tuple(figures * (at + 1) // count - figures * at // count for at in range(count))
