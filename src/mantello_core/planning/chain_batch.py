"""How many figures to take through a whole recipe together, so that no step of it leaves the hands idle."""

from dataclasses import dataclass

from .batch import batch_size
from .compiling import RankSheet

#: minutes of drying from which a step is left for another evening, and makes no batch larger
_OVERNIGHT = 90.0
#: most figures that a batch is worked out for
_MOST = 400


@dataclass(frozen=True)
class ChainBatch:
    """The batch that never waits, and the step that asks for it: minutes it dries, minutes a figure."""

    figures: int
    step: str
    drying: float
    hands_on: float


def chain_batch(sheet: RankSheet, stick: int = 1) -> ChainBatch | None:
    """The largest of the batches that the steps of a rank's figures ask for, by itself each; None without paint that dries.

    Coats count one by one; what dries for hours is left for another evening. Between colours that do not touch other work
    fills the wait, so it is the most, not the least, that is worth having on the desk.
    Source: design formula F2, the maximum over the steps.
    """
    found: ChainBatch | None = None
    for row in sheet.rows:
        atom = row.atom
        if atom.sprayed or atom.pot.startswith("hand|"):
            continue
        hands = atom.seconds / atom.coats
        drying = row.touch if atom.coats > 1 and row.touch else atom.drying
        if hands <= 0 or not 0 < drying <= _OVERNIGHT * 60:
            continue
        size = batch_size(drying, hands, _MOST, _MOST, stick)
        if found is None or size > found.figures:
            found = ChainBatch(size, atom.name, drying / 60, hands / 60)
    return found
