"""Of whom the rows of a table speak."""

import re
from collections.abc import Mapping
from dataclasses import replace

from ..fact import Wearer
from ..folding import fold
from ..garments import DRESS, rank_of
from ..phrase import ditto_rest
from .grid import Raw
from .key_cell import Named, read_key_cell
from .table_reading import TableReading

_MARK_BEHIND = re.compile(r"(?<=\w)(?:[¹²³*†‡]+|\[\d+\])$")


class WearerReader:
    """Reads the keys of rows; what a row leaves out, it takes from the row above."""

    def __init__(self, reading: TableReading, decisions: Mapping[str, str]):
        self.reading, self.decisions = reading, decisions
        self.keys = [column for column in reading.columns if column.kind == "key"]
        self.last: dict[str, str] = {}

    def read(self, row: tuple[Raw, ...], filled: list[Raw], section: Mapping[str, str]) -> list[Wearer]:
        """The wearers a row names. section: what a line above it says of all below."""
        values = self._values(row, filled, section)
        numbers, title = (), values.get("title", "")
        arm = values.get("arm", "") or section.get("arm", "")
        for name in ("number", "regiment"):
            if not values.get(name):
                continue
            named = read_key_cell(_MARK_BEHIND.sub("", values[name]))
            self._ask(named, values[name], filled[0])
            title = "(all others)" if named.others else title
            numbers = numbers or named.numbers
            if named.name and not title:
                title = named.name
            elif named.name and fold(named.name) != fold(title):
                arm = arm or named.name
            if len(named.numbers) > 1 and named.spread and self.decisions.get("spread") == "keep as one":
                numbers, title = (), named.spread
        if title and not numbers and (inside := read_key_cell(title)).numbers and "number" not in values:
            numbers, title = inside.numbers, inside.name
        rank = rank_of(values.get("rank", "")) or values.get("rank", "") or section.get("rank", "")
        dress = _dress(values.get("dress", "")) or section.get("dress", "")
        plain = [values.get(name, "") for name in ("force", "battalion", "company")]
        one = Wearer(plain[0], arm, None, title, plain[1], plain[2], rank, dress)
        return [replace(one, number=number) for number in numbers] or [one]

    def _values(self, row: tuple[Raw, ...], filled: list[Raw], section: Mapping[str, str]) -> dict[str, str]:
        """The texts of a row's keys, filled down where they are left out."""
        values: dict[str, str] = {}
        for column in self.keys:
            text = row[column.at].text if column.at < len(row) else ""
            for name in column.ids:
                if text and ditto_rest(text) == "":
                    text = self.last.get(name, text)
                values[name] = text
        self.reading.met("key", [row[column.at] for column in self.keys if column.at < len(row)])
        main = any(values.get(name) for name in ("number", "regiment", "title"))
        finer = any(values.get(name) for name in ("battalion", "company", "rank"))
        if not main and (finer or self.reading.layout == "long" or not self.keys) and self.last:
            for name in ("force", "arm", "number", "regiment", "title"):
                values[name] = values.get(name) or self.last.get(name, "")
        elif not main and not finer:
            words = "Rows name nobody; they are kept under 'line N' until you say whose they are."
            self.reading.ask("keyless", "key", words, "keep", (), filled[0])
            values["title"] = f"line {filled[0].line}"
        for name in ("force", "arm"):
            if name in values and not values[name] and not section.get(name):
                values[name] = self.last.get(name, "")
        self.last = dict(values)
        return values

    def _ask(self, named: Named, text: str, place: Raw) -> None:
        if named.others:
            words = f"'{text}' means all that have no row of their own; it is used where nothing narrower speaks."
            self.reading.ask("others", "others", words, "fallback", (), place)
        if named.spread and len(named.numbers) > 1:
            words = "Rows for several regiments at once were spread over each of them."
            self.reading.ask("spread", "spread", words, "spread", ("spread", "keep as one"), place)


def _dress(text: str) -> str:
    return next((name for name, words in DRESS.items() if fold(text) in words), text)
