"""The rows below the header, read one after the other."""

import re
from collections import Counter
from dataclasses import replace

from ..folding import fold
from ..garments import certainty_words, garments, rank_of
from ..period import Period, read_period
from ..phrase import ditto_rest
from .cells import CellReader
from .grid import Raw
from .heading import Column, looks_like_colour, read_header
from .key_cell import read_key_cell
from .looking_back import looked_back
from .table_reading import TableReading
from .wearers import WearerReader

_FOOT = re.compile(r"^(?:[¹²³⁴⁵⁶⁷⁸⁹]+|[*†‡§]+|\[\d{1,2}\]|\(?[0-9a-h]{1,2}\)|\^\d{1,2}|#)\s*\S")
_FOOT_WORD = re.compile(
    r"^(?:notes?|nb|n\.b\.|source[sn]?|quellen?|anm(?:erkung(?:en)?)?|fonte|fonti|fuente|remarques?|nota|bemerkung(?:en)?|legend|key|abbreviations)\b\s*[:.]",
    re.I,
)


def read_body(reading: TableReading, decisions: dict[str, str], body: list) -> None:
    """Read the rows below the header into facts; what is doubtful is asked."""
    _Body(reading, decisions).read(body)


class _Body:
    """The rows below the header, read one after the other."""

    def __init__(self, reading: TableReading, decisions: dict[str, str]):
        self.reading, self.decisions = reading, decisions
        self.columns = reading.columns
        self.keys = [column for column in self.columns if column.kind == "key"]
        self.garments = [column for column in self.columns if column.kind == "garment"]
        self.meta = {name: column for column in self.columns if column.kind == "meta" for name in column.ids}
        self.headers = {fold(column.header.split("/")[-1]) for column in self.columns if column.header}
        self.section = {}
        self.cells = CellReader(reading, decisions)
        self.keyed = WearerReader(reading, decisions)
        #: the usual number of cells of a row, where some rows have more
        self.narrow = 0
        title_year = next(
            (
                read_period(found[0])
                for title in reading.titles
                if (found := re.search(r"\b\d{3,4}\b(?:\s*[-–]\s*\d{1,4}\b)?", title))
            ),
            None,
        )
        self.period = title_year if title_year and decisions.get("year") != "any year" else Period()
        if title_year and not {"year", "since", "until"} & set(self.meta):
            reading.ask(
                "year",
                "year",
                f"No column gives years; the title says {title_year.words}, which is taken for all rows.",
                title_year.words,
                (title_year.words, "any year"),
            )

    def read(self, body: list) -> None:
        widths = Counter(
            max(at for at, cell in enumerate(row) if cell.text) + 1 for row in body if any(cell.text for cell in row)
        )
        usual = widths.most_common(1)[0][0] if widths else 0
        self.narrow = usual if widths and max(widths) > usual and self.reading.layout != "transposed" else 0
        last_full = max(
            (at for at, row in enumerate(body) if sum(bool(cell.text) for cell in row) > 1 and not self._is_foot(row)),
            default=-1,
        )
        for at, row in enumerate(body):
            filled = [cell for cell in row if cell.text]
            if self._is_foot(row) and (
                len(filled) == 1
                or at > last_full
                or (
                    filled[0] is row[0]
                    and filled[0].text.startswith("#")
                    and "number" not in {name for column in self.keys for name in column.ids}
                )
            ):
                whole = Raw(
                    f"{self._delimiter()} ".join(cell.text for cell in filled), filled[0].line, filled[0].column
                )
                self.reading.note(whole)
                self.reading.met("note", filled)
            elif len(filled) == 1 and self._is_section(row, filled[0], at, last_full):
                self._section(filled[0])
            elif len(filled) > 1 and sum(fold(cell.text) in self.headers for cell in filled) >= 0.7 * len(filled):
                self.reading.met("header", filled)
            else:
                self._row(row, filled)
        looked_back(self.reading, self.decisions, body)

    def _delimiter(self) -> str:
        return {"columns": " ", "\t": " "}.get(self.reading.grid.delimiter, self.reading.grid.delimiter)

    def _is_foot(self, row) -> bool:
        text = next((cell.text for cell in row if cell.text), "")
        return bool(
            (
                _FOOT.match(text)
                and not re.match(r"^\(?\d{1,2}[.)]?$", text.strip())
                and not (self.keys and read_key_cell(text).numbers and not re.match(r"^(?:\[|\(|\^|\d{1,2}\))", text))
            )
            or _FOOT_WORD.match(text)
        )

    def _is_section(self, row, cell: Raw, at: int, last_full: int) -> bool:
        if at > last_full:
            return True
        numbered = (
            any("number" in column.ids for column in self.keys)
            and cell.column - 1 == next(column.at for column in self.keys if "number" in column.ids)
            if self.reading.layout != "transposed"
            else False
        )
        return (
            cell is row[0]
            and not (numbered and read_key_cell(cell.text).numbers)
            and not read_key_cell(cell.text).numbers
        )

    def _section(self, cell: Raw) -> None:
        text = cell.text.strip(" :-–—=*")
        column = read_header(text)
        if rank := rank_of(text):
            self.section = {"rank": rank}
        elif column.kind == "context" and column.dress:
            self.section = {**self.section, "dress": column.dress}
        else:
            self.section = {"arm": text}
        self.reading.met("section", [cell])

    def _text(self, row, column: Column) -> str:
        return row[column.at].text if column.at < len(row) else ""

    def _unshifted(self, row):
        """A row with a cell too many: a delimiter stood inside a value. The joint that makes most cells fit their columns is taken."""
        named = [
            column
            for column in self.columns
            if column.kind in ("garment", "key") or column.ids in (("certainty",), ("year",))
        ]
        if len(self.columns) < 3 or (not self.narrow) or not any(cell.text for cell in row[self.narrow :]):
            return row

        def fit(cells):
            return sum(self._fits(column, cells[column.at].text) for column in named if column.at < len(cells))

        best, found = fit(row), None
        for at in range(len(row) - 1):
            if row[at].text and row[at + 1].text:
                one = replace(row[at], text=f"{row[at].text}, {row[at + 1].text}")
                cells = (*row[:at], one, *row[at + 2 :], Raw("", row[at].line, row[-1].column))
                score = fit(cells) + 0.5 * (looks_like_colour(row[at].text) and looks_like_colour(row[at + 1].text))
                if score > best:
                    best, found = score, (cells, row[at + 1], one)
        if found is None:
            return row
        cells, moved, one = found
        words = f"Line {moved.line} has a cell too many; '{one.text}' is taken for one value."
        self.reading.ask(f"shift:{moved.line}", "shift", words, "join", ("join", "leave"), moved)
        if self.decisions.get(f"shift:{moved.line}") == "leave":
            return row
        self.reading.met("value", [moved])
        return cells

    def _fits(self, column: Column, text: str) -> bool:
        if not text:
            return False
        if column.ids == ("certainty",):
            return fold(text) in certainty_words()
        if column.kind == "garment":
            return looks_like_colour(text) or ditto_rest(text) is not None
        return True

    def _row(self, row, filled) -> None:
        row = self._unshifted(row)
        wearers = self.keyed.read(row, filled, self.section)
        certainty = self._certainty(row)
        source = self._said(row, "source")
        if page := self._said(row, "page"):
            source = f"{source}, p. {page}" if source else f"p. {page}"
        note = "; ".join(
            self._text(row, column)
            for column in self.columns
            if column.kind == "meta" and column.ids == ("note",) and self._text(row, column)
        )
        period = self._period(row)
        self.reading.met(
            "said", [row[column.at] for column in self.columns if column.kind == "meta" and column.at < len(row)]
        )
        about = {"certainty": certainty, "source": source, "note": note, "period": period}
        if self.reading.layout == "long":
            self._long(row, wearers, about)
        for column in self.garments:
            if column.at < len(row):
                self.cells.read(self._as_decided(row[column.at], column), column, wearers, about)
        over = [cell for cell in filled if (cell.line, cell.column) not in self.reading.fates]
        for cell in over:
            self.reading.ask(
                "loose",
                "loose",
                "Cells stand where no column is; they are kept as notes of their row.",
                "note",
                ("note", "shift left"),
                cell,
            )
            self.reading.met("doubt", [cell])

    def _as_decided(self, cell: Raw, column: Column) -> Raw:
        """A blank cell, as the painter said that blanks of its column are to be read."""
        meant = {"none": "none", "as above": "ditto"}.get(self.decisions.get(f"blank:{column.at + 1}", ""), "")
        return replace(cell, text=meant) if meant and not cell.text else cell

    def _said(self, row, name: str) -> str:
        column = self.meta.get(name)
        text = self._text(row, column) if column else ""
        if ditto_rest(text) == "" and text:
            text = self.cells.last.get(("said", name), "")
        if text:
            self.cells.last["said", name] = text
        return text

    def _certainty(self, row) -> str:
        text = self._said(row, "certainty")
        if not text:
            return ""
        grade = certainty_words().get(fold(text)) or next(
            (certainty_words()[word] for word in fold(text).split() if word in certainty_words() and len(word) > 1), ""
        )
        if not grade:
            grade = "guess" if "?" in text else ""
            if not grade:
                self.reading.ask(
                    f"certainty:{fold(text)}",
                    "certainty",
                    f"'{text}' says nothing known of how sure a row is.",
                    "inferred",
                    ("documented", "inferred", "guess", "disputed"),
                    row[self.meta["certainty"].at],
                )
                grade = self.decisions.get(f"certainty:{fold(text)}", "inferred")
        return grade

    def _period(self, row) -> Period:
        found = self.period
        for name in ("year", "since", "until"):
            text = self._said(row, name)
            if not text:
                continue
            span = read_period(text)
            if span is None:
                self.reading.ask(
                    f"date:{text}",
                    "date",
                    f"'{text}' is no year or span of years; the row counts for any year.",
                    "any year",
                    (),
                    row[self.meta[name].at],
                )
            elif name == "year":
                found = span
            elif name == "since":
                found = Period(span.since, found.until if "until" in self.meta else None, span.about)
            else:
                found = Period(found.since if "since" in self.meta else None, span.until, span.about or found.about)
        return found

    def _long(self, row, wearers, about) -> None:
        area, value = self.meta["area"], self.meta["value"]
        text = self._text(row, area)
        if (ditto_rest(text) == "" and text) or not text:
            text = self.cells.last.get("area", "")
        self.cells.last["area"] = text
        column = read_header(text, value.at)
        if (answer := self.decisions.get(f"area:{fold(text)}", "keep")) in garments():
            column = Column(value.at, text, "garment", (answer,))
        if column.kind != "garment" or f"area:{fold(text)}" in self.decisions:
            column = column if column.kind == "garment" else Column(value.at, text, "garment", (f"?{fold(text)}",))
            self.reading.ask(
                f"area:{fold(text)}",
                "area",
                f"'{text}' is no garment that is known; its rows are kept under that name.",
                "keep",
                tuple(garments()),
                row[area.at],
            )
        self.cells.read(row[value.at], column, wearers, about)
