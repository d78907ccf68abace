"""Rosters as separated values: which row names the columns, which column is what, what stands between the lines."""

import csv
import io
import re
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import zip_longest

from ...errors import OutOfRange, Unreadable
from ..spreadsheet import said_in
from .line import FIELDS, RosterLine, leads, read_line, types_in
from .told import Told, remark_told, total_in, total_told
from .vocabulary import counted, field_called, list_words

#: the most lines a roster may have
MOST_LINES = 2000
#: fields of a list without a line that names its columns, in their order
_PLAIN = FIELDS[:5]
#: rows among which the names of columns are looked for
_HEAD = 15
#: share of rows in which a column must count, or name types, to be taken for that
_COUNTS, _NAMES = 0.6, 0.5


@dataclass(frozen=True)
class Table:
    """The cells of a list, and what its columns were taken for."""

    #: line number and cells of every row that holds something
    rows: tuple[tuple[int, tuple[str, ...]], ...]
    #: number of the line that names the columns, 0 for none
    header: int
    #: a field of ``FIELDS`` for each column, '' for what is left out
    columns: tuple[str, ...]


def table_of(
    text: str, titles: dict[str, str] | None, header: int | None = None, columns: Sequence[str] | None = None
) -> Table:
    """A text taken apart. header, columns: as a painter says, else found.

    Raises: Unreadable if it cannot be taken apart or has nothing below its header.
    """
    rows = tuple(
        (number, tuple(said_in(cell) for cell in row)) for number, row in _rows(text) if any(map(str.strip, row))
    )
    wide = max((len(row) for _, row in rows), default=0)
    named = {number: _named(row) for number, row in rows[:_HEAD]}
    if header is None:
        header = next((number for number, found in named.items() if len(set(filter(None, found))) >= 2), 0)
    if header and not any(number > header for number, _ in rows):
        raise Unreadable("The roster has a header and no line below it.", "roster")
    if columns is None:
        headings = next((row for number, row in rows if number == header), None)
        columns = _named(headings) if headings else _guessed([row for _, row in rows], titles)
    known = [field if field in FIELDS else "" for field in columns]
    return Table(rows, header, tuple(known[:wide] + [""] * (wide - len(known))) if header else tuple(known[:wide]))


def read_table(table: Table, titles: dict[str, str] | None) -> tuple[list[RosterLine], list[Told]]:
    """The lines of a table and all that it says besides."""
    walk = _Walk(table, titles)
    for at, (number, row) in enumerate(table.rows):
        walk.take(at, number, row)
    return walk.lines, sorted([*walk.told, *walk.columns_told()], key=lambda one: one.number)


class _Walk:
    """The rows of a table one after another, with what stands above each."""

    def __init__(self, table: Table, titles: dict[str, str] | None):
        self.table, self.titles = table, titles
        #: place of the last row that can be no heading
        self.last = max((at for at, (_, row) in enumerate(table.rows) if not _single(row)), default=-1)
        self.lines: list[RosterLine] = []
        self.told: list[Told] = []
        self.sections: list[str] = []
        self.opened = False
        self.above: dict[str, str] = {}
        self.since, self.everything = 0, 0

    def take(self, at: int, number: int, row: tuple[str, ...]) -> None:
        """One row."""
        text = " | ".join(cell for cell in row if cell)[:200]
        if number == self.table.header:
            self.told.append(Told(number, text, "heading", "The names of the columns."))
        elif number < self.table.header:
            self.told.append(Told(number, text, "remark", "It stands above the names of the columns."))
        elif _uncounted(row) and (remark := remark_told(number, text, next(cell for cell in row if cell.strip()))):
            self.told.append(remark)
        elif (says := total_in(list(row))) is not None:
            self.told.append(total_told(number, text, says, self.since, self.everything))
            self.since = 0
        elif self._heads(at, row):
            name = next(cell for cell in row if cell).strip(" :=#*-[]_")
            self.sections = [*self.sections, name] if self.opened else [*self.sections[:-1], name]
            self.opened, self.above = True, {}
            self.told.append(Told(number, text, "heading", f"What follows belongs to '{name}'."))
        else:
            if self.opened:
                self.opened = False
                self.sections = self._open(at)
            self._line(number, row)

    def _open(self, at: int) -> list[str]:
        """The headings above a row: several that stand together replace all before, a single one the last."""
        together = 0
        while at - 1 - together >= 0 and self._heads(at - 1 - together, self.table.rows[at - 1 - together][1]):
            together += 1
        return self.sections[-together:] if together > 1 else self.sections

    def _heads(self, at: int, row: tuple[str, ...]) -> bool:
        """Whether a row is a heading: one cell with letters, and lines below it."""
        if not _single(row) or len(self.table.columns) < 2:
            return False
        return at < self.last

    def _line(self, number: int, row: tuple[str, ...]) -> None:
        values = self._ditto(_fields(row, self.table.columns, bool(self.table.header)))
        section = list(self.sections)
        if not values.get("unit"):
            if self.above.get("unit") and "unit" in self.table.columns:
                values["unit"] = self.above["unit"]
                values["formation"] = values.get("formation") or self.above.get("formation", "")
                self._assume(number, values["unit"])
                section = []
            elif section:
                values["unit"] = section.pop()
        if section and not values.get("formation"):
            values["formation"] = " / ".join(section)
        values = _named_by_others(values, self.titles)
        line = read_line(number, values, self.titles)
        self.lines.append(line)
        self.above = values
        if (figures := counted(line.values["figures"])) is not None:
            self.since += figures
            self.everything += figures

    def _ditto(self, values: dict[str, str]) -> dict[str, str]:
        same = {
            field: self.above.get(field, text)
            for field, text in values.items()
            if text.strip().lower() in list_words()["ditto"]
        }
        return values | same

    def _assume(self, number: int, unit: str) -> None:
        words = f"No unit is named; taken to be of '{unit}', as above."
        self.told.append(Told(number, unit, "assumed", words))

    def columns_told(self) -> list[Told]:
        """What stands in columns that are no field."""
        headings = next((row for number, row in self.table.rows if number == self.table.header), ())
        if not headings:
            return []
        found = []
        for at, field in enumerate(self.table.columns):
            if not field:
                held = [
                    row[at]
                    for number, row in self.table.rows
                    if number > self.table.header and at < len(row) and row[at]
                ]
                name = headings[at] if at < len(headings) and headings[at] else f"column {at + 1}"
                if held:
                    text = "; ".join(dict.fromkeys(held))
                    words = f"The column '{name[:40]}' is no field of a roster; its {len(held)} cell{'s are' if len(held) > 1 else ' is'} not kept."
                    found.append(Told(self.table.header, text[:400], "column", words))
        return found


def _uncounted(row: Sequence[str]) -> bool:
    """Whether no cell but the first is a count."""
    return all(counted(cell) is None for cell in row[1:])


def _single(row: Sequence[str]) -> bool:
    """Whether just one cell holds something, and that has letters and is no count."""
    held = [cell for cell in row if cell.strip()]
    return len(held) == 1 and bool(re.search(r"[^\W\d_]", held[0])) and counted(held[0]) is None and "\n" not in held[0]


def _named_by_others(values: dict[str, str], titles: dict[str, str] | None) -> dict[str, str]:
    """A line whose type, rank or unit is told by another of its fields."""
    values = dict(values)
    if not values.get("type"):
        for field in ("rank", "unit"):
            if values.get(field) and len(found := types_in(values[field], titles)) == 1:
                values["type"] = found[0]
                break
    elif not values.get("rank") and len(values["type"].split()) > 1 and leads(values["type"]):
        values["rank"] = values["type"]
    return values


def _named(row: Sequence[str]) -> list[str]:
    """Fields that headings name; of two columns for one field the second gives way, a second name to the rank."""
    found: list[str] = []
    for cell in row:
        field = field_called(cell)
        if field in found:
            field = "rank" if field == "unit" and "rank" not in found else ""
        found.append(field)
    return found


def _guessed(rows: Sequence[Sequence[str]], titles: dict[str, str] | None) -> list[str]:
    """Fields of columns without names: as usual, unless another column counts or names types."""
    full = [row for row in rows if sum(bool(cell.strip()) for cell in row) > 1][:200]
    wide = max((len(row) for row in full), default=0)

    def share(at: int, fits) -> float:
        return sum(at < len(row) and fits(row[at]) for row in full) / len(full)

    counts = [share(at, lambda cell: counted(cell) is not None) for at in range(wide)]
    if not counts or max(counts) < _COUNTS or (len(counts) > 3 and counts[3] >= _COUNTS):
        return list(_PLAIN)
    figures = counts.index(max(counts))
    types = [0 if at == figures else share(at, lambda cell: len(types_in(cell, titles)) == 1) for at in range(wide)]
    exact = [0 if at == figures else share(at, lambda cell: _is_type(cell, titles)) for at in range(wide)]
    type_at = (
        exact.index(max(exact)) if max(exact) >= _NAMES else types.index(max(types)) if max(types) >= _NAMES else -1
    )
    rest = [at for at in range(wide) if at not in (figures, type_at)]
    if not rest:
        return ["figures" if at == figures else "type" for at in range(wide)]
    fields = dict(zip(rest, ("unit", "rank", "formation"), strict=False)) | {figures: "figures"}
    if type_at >= 0:
        fields[type_at] = "type"
    return [fields.get(at, "") for at in range(wide)]


def _is_type(cell: str, titles: dict[str, str] | None) -> bool:
    return len(types_in(cell, titles)) == 1 and len(cell.split()) == 1


def _fields(row: Sequence[str], columns: Sequence[str], headed: bool) -> dict[str, str]:
    """Cells by field; what stands beyond the columns under 'extra', what a heading left out under nothing."""
    values: dict[str, str] = {}
    for field, cell in zip_longest(columns, row[: len(columns)], fillvalue=""):
        if not field and headed:
            continue
        field = field or "extra"
        values[field] = f"{values[field]} / {cell}" if values.get(field) and cell else values.get(field) or cell
    if beyond := " / ".join(filter(None, row[len(columns) :])):
        values["extra"] = " / ".join(filter(None, (values.get("extra"), beyond)))
    return values


def _rows(text: str) -> list[tuple[int, list[str]]]:
    try:
        reader = csv.reader(io.StringIO(text, newline=None), delimiter=delimiter_of(text), skipinitialspace=True)
        rows, begins = [], 1
        for row in reader:
            rows.append((begins, row))
            begins = reader.line_num + 1
        return rows
    except csv.Error as error:
        raise Unreadable(
            f"The roster cannot be taken apart: {error}. Is a quotation mark left open?", "roster"
        ) from error


def delimiter_of(text: str) -> str:
    """What stands between cells: a tab, semicolon, comma or upright stroke, whichever most lines have most alike."""
    lines = [line for line in text.splitlines()[:200] if line.strip()]
    return max(
        ("\t", ";", ",", "|"), key=lambda sign: (sum(bool(line.count(sign)) for line in lines), text.count(sign))
    )


def checked_length(lines: int) -> None:
    """Refuse a roster that is too long. Raises: OutOfRange."""
    if lines > MOST_LINES:
        raise OutOfRange(f"The roster has {lines} lines; allowed is up to {MOST_LINES}.", "roster")
