"""An evening as a row of pots: batches that use one pot one after another stand together, with the figures at it."""

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import groupby

from mantello.workspace.muster import Muster, Picture
from mantello_core.army.tree import Figure

from .batch import Batch
from .drawing import batch_colour
from .evening import Evening

#: kinds of figure that are drawn at one pot, and px that they are tall
_KINDS, _TALL = 4, 46


@dataclass(frozen=True)
class PotStop:
    """One pot of the evening: its mix and colour, the batches it is used for, and who is at it."""

    mix: str
    #: '#rrggbb' of what is laid
    colour: str
    batches: tuple[Batch, ...]
    #: pictures of the kinds of figure at it, each with how many
    figures: tuple[tuple[Picture, int], ...]

    @property
    def minutes(self) -> float:
        """Hands-on minutes of all its batches."""
        return sum(batch.minutes for batch in self.batches)

    @property
    def count(self) -> int:
        """How many figures get it, each counted once."""
        return len({(batch.block.task.unit, figure) for batch in self.batches for figure in batch.block.figures})

    @property
    def titles(self) -> tuple[str, ...]:
        """What is done with it, each once."""
        return tuple(dict.fromkeys(batch.title for batch in self.batches))

    @property
    def done(self) -> bool:
        """Whether the log has all of it."""
        return all(batch.done for batch in self.batches)


def pots_of(evening: Evening, batches: list[Batch]) -> list[PotStop]:
    """The evening's pots in the order they are used."""
    muster = Muster(evening.army, evening.reading, {}, "", painted=False)
    found = []
    for mix, run in groupby(batches, key=lambda batch: batch.mix):
        mine = tuple(run)
        kinds = list(_kinds(evening, muster, mine))
        found.append(PotStop(mix, batch_colour(evening, mine[0]), mine, tuple(kinds[:_KINDS])))
    return found


def _kinds(evening: Evening, muster: Muster, batches: tuple[Batch, ...]) -> Iterator[tuple[Picture, int]]:
    """Every kind of figure at a pot with how many of it, the most first."""
    army, counts, first = evening.reading.design.army, {}, {}
    for batch in batches:
        unit = batch.block.task.unit
        for rank, ordinal in batch.block.figures:
            one = evening.reading.resolution.of(Figure(unit, rank, ordinal))
            kind = one.type
            counts.setdefault(kind, set()).add((unit, rank, ordinal))
            first.setdefault(kind, (army.nodes[unit], one, ordinal))
    for kind, members in sorted(counts.items(), key=lambda item: -len(item[1])):
        yield muster.picture(*first[kind], _TALL), len(members)
