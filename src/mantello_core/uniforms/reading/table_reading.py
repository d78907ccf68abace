"""All that was made of a table: facts, doubts, and what became of every cell."""

import re
from dataclasses import dataclass, field, replace

from ..fact import Fact
from .grid import Grid, Raw
from .heading import Column

#: places of one question that are kept
_MOST_PLACES = 200
_NOTE = re.compile(r"^(?:\[(\d{1,2})\]|\(?([0-9a-h]{1,2})\)|([¹²³⁴⁵⁶⁷⁸⁹]+|[*†‡§]+)|\^(\d{1,2}))\s*(.*)$", re.S)
_LOWERED = str.maketrans("¹²³⁴⁵⁶⁷⁸⁹⁰", "1234567890")


@dataclass(frozen=True)
class Doubt:
    """A question for the painter, with what is done if it is left alone."""

    id: str
    kind: str
    words: str
    default: str
    options: tuple[str, ...] = ()
    places: tuple[tuple[int, int], ...] = ()


@dataclass
class TableReading:
    """All that was made of a table."""

    grid: Grid
    layout: str
    columns: list[Column]
    facts: list[Fact] = field(default_factory=list)
    doubts: list[Doubt] = field(default_factory=list)
    #: (line, column) to header, key, value, said, title, section, note, repeat, doubt
    fates: dict[tuple[int, int], str] = field(default_factory=dict)
    titles: list[str] = field(default_factory=list)
    notes: dict[str, str] = field(default_factory=dict)

    @property
    def lost(self) -> list[Raw]:
        """Cells without a fate: must be empty."""
        return [cell for cell in self.grid.filled if (cell.line, cell.column) not in self.fates]

    def ask(self, id_: str, kind: str, words: str, default: str, options=(), place: Raw | None = None, count: int = 0):
        """Ask the painter something, once; another place of the same question is added to it."""
        places = ((place.line, place.column),) if place is not None else ()
        at = next((at for at, one in enumerate(self.doubts) if one.id == id_), None)
        if at is None:
            self.doubts.append(Doubt(id_, kind, words, default, tuple(options), places))
        elif len(self.doubts[at].places) < _MOST_PLACES:
            self.doubts[at] = replace(self.doubts[at], places=self.doubts[at].places + places)

    def note(self, cell: Raw) -> None:
        """Keep a footnote, by its mark if it has one."""
        found = _NOTE.match(cell.text)
        mark = plain_mark(next(one for one in found.groups()[:4] if one)) if found else f"line {cell.line}"
        self.notes[mark] = found[5] if found else cell.text
        self.met("note", [cell])

    def met(self, fate: str, cells) -> None:
        """Say what became of cells; empty ones need no fate."""
        for cell in cells:
            if cell.text:
                self.fates[cell.line, cell.column] = fate


def plain_mark(mark: str) -> str:
    """A footnote's mark without raised figures."""
    return mark.translate(_LOWERED)
