"""Which figure of an army is looked at."""

from dataclasses import dataclass
from urllib.parse import urlencode

from mantello.rooms.army.reading import Reading


@dataclass(frozen=True)
class Chosen:
    """The figure that is looked at."""

    unit: str
    rank: str
    ordinal: int
    title: str
    count: int

    @property
    def query(self) -> str:
        """Its address' query."""
        return urlencode({"unit": self.unit, "rank": self.rank, "figure": self.ordinal})


def chosen_figure(reading: Reading, given) -> Chosen | None:
    """The figure that is asked for, the army's first if none is there of that name; None for an army without figures."""
    army = reading.design.army
    ranks = [(unit, rank) for unit in army.units for rank in unit.ranks if rank.figures]
    if not ranks:
        return None
    unit, rank = next(((u, r) for u, r in ranks if (u.id, r.name) == (given.get("unit"), given.get("rank"))), ranks[0])
    number = given.get("figure", "1")
    ordinal = int(number) if number.isdigit() and len(number) < 6 and 1 <= int(number) <= rank.figures else 1
    return Chosen(unit.id, rank.name, ordinal, army.title(unit.id), rank.figures)
