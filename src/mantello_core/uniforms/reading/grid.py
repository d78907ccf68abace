"""Bytes to a grid of cells that know where they stood: delimiter, fixed columns, pipes."""

import csv
import io
import re
from collections import Counter
from dataclasses import dataclass
from itertools import pairwise

from ...errors import OutOfRange, Unreadable
from .decoding import decoded

MOST_BYTES, MOST_ROWS, MOST_COLUMNS, MOST_IN_CELL = 2_000_000, 5000, 200, 4000


@dataclass(frozen=True)
class Raw:
    """One cell as it came; line and column count from 1."""

    text: str
    line: int
    column: int


@dataclass(frozen=True)
class Grid:
    """Rows of cells, and how they were told apart."""

    rows: tuple[tuple[Raw, ...], ...]
    encoding: str
    delimiter: str
    #: what was mended, in words
    mended: tuple[str, ...] = ()

    @property
    def filled(self) -> list[Raw]:
        """Cells with something in them."""
        return [cell for row in self.rows for cell in row if cell.text.strip()]


def grid_of(data: bytes, delimiter: str = "", encoding: str = "") -> Grid:
    """The grid in a file. Raises: Unreadable for what is empty, too large, or no text."""
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The list has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "table")
    text, encoding, mended = decoded(data, encoding)
    text = text.replace("\r\n", "\n").replace("\r", "\n").replace("\x0b", "\n")
    text = text.replace("\x1a", "").replace("\x0c", "\n")
    if not text.strip():
        raise Unreadable("The list is empty.", "table")
    if any(ord(c) < 9 or 13 < ord(c) < 32 for c in text):
        raise Unreadable("The list holds control signs; it is no text table.", "table")
    if max(map(len, text.split("\n"))) > MOST_COLUMNS * MOST_IN_CELL // 4:
        raise Unreadable("A line of the file is far too long for a table.", "table")
    try:
        delimiter = delimiter or _delimiter(text)
        return _grid(text, delimiter, encoding, mended)
    except csv.Error as error:
        raise Unreadable(f"The list cannot be told into cells: {error}.", "table") from error


def _grid(text: str, delimiter: str, encoding: str, mended: tuple[str, ...]) -> Grid:
    rows = _fixed(text) if delimiter == "columns" else _pipes(text) if delimiter == "|" else _separated(text, delimiter)
    if len(rows) > MOST_ROWS or max(map(len, rows), default=0) > MOST_COLUMNS:
        raise OutOfRange(
            f"The list has {len(rows)} rows and up to {max(map(len, rows))} columns; allowed are {MOST_ROWS} and {MOST_COLUMNS}.",
            "table",
        )
    longest = max((cell for row in rows for cell in row), key=lambda cell: len(cell.text), default=None)
    if longest is not None and len(longest.text) > MOST_IN_CELL:
        raise OutOfRange(
            f"The cell in line {longest.line}, column {longest.column} has {len(longest.text)} signs; allowed is up to {MOST_IN_CELL}. Is a quotation mark left open?",
            "table",
        )
    trimmed = _trimmed(rows)
    if not trimmed:
        raise Unreadable("The list is empty.", "table")
    return Grid(trimmed, encoding, delimiter, mended)


def _delimiter(text: str) -> str:
    lines = [line for line in text.split("\n") if line.strip()]
    if sum(line.lstrip().startswith("|") for line in lines) >= 0.6 * len(lines):
        return "|"
    best = ("columns", 0.0)
    for one in (";", "\t", ",", "|"):
        counts = Counter(len(row) for row in _split(text, one) if any(cell.strip() for cell in row))
        wide = {width: n for width, n in counts.items() if width > 1}
        if not wide:
            continue
        usual = max(wide, key=lambda width: (wide[width], width))
        steady = sum(n for width, n in counts.items() if width == usual) / sum(counts.values())
        score = steady * min(usual, 8) ** 0.5
        if score > best[1] + 1e-9:
            best = (one, score)
    fixed = _cuts(lines)
    if best[1] < 1.0 and fixed:
        return "columns"
    return best[0] if best[1] else ("columns" if fixed else ",")


def _split(text: str, delimiter: str) -> list[list[str]]:
    return list(csv.reader(io.StringIO(text), delimiter=delimiter, skipinitialspace=True))


def _separated(text: str, delimiter: str) -> list[list[Raw]]:
    reader = csv.reader(io.StringIO(text), delimiter=delimiter, skipinitialspace=True)
    rows, line = [], 1
    for row in reader:
        rows.append([Raw(cell.strip(), line, column) for column, cell in enumerate(row, 1)])
        line = reader.line_num + 1
    return rows


def _pipes(text: str) -> list[list[Raw]]:
    rows = []
    for line, one in enumerate(text.split("\n"), 1):
        if re.fullmatch(r"[\s|:+=-]*", one):
            continue
        cells = one.strip().removeprefix("|").removesuffix("|").split("|") if "|" in one else [one]
        rows.append([Raw(cell.strip(), line, column) for column, cell in enumerate(cells, 1)])
    return rows


def _cuts(lines: list[str]) -> list[tuple[int, int]]:
    """Where fixed columns begin and end: gaps of two blanks and more that nearly every line has."""
    body = [line.expandtabs(8) for line in lines if len(re.findall(r"\S {2,}\S", line.expandtabs(8))) >= 2]
    if len(body) < 3:
        return []
    width = max(map(len, body))
    blank = [sum(at >= len(line) or line[at] == " " for line in body) / len(body) for at in range(width)]
    spans, start = [], None
    for at, share in enumerate([*blank, 1.0]):
        full = share < 0.97
        if full and start is None:
            start = at
        if not full and start is not None and (at >= width or all(share >= 0.97 for share in blank[at : at + 2])):
            spans.append((start, at))
            start = None
    return spans if len(spans) > 1 else []


def _fixed(text: str) -> list[list[Raw]]:
    lines = text.split("\n")
    spans = _cuts([line for line in lines if line.strip()])
    rows = []
    for number, line in enumerate(lines, 1):
        line = line.expandtabs(8)
        if not line.strip() or re.fullmatch(r"[\s=_+-]{4,}", line):
            continue
        if len(re.findall(r"\S {2,}\S", line)) < 1 or not spans:
            rows.append([Raw(line.strip(), number, 1)])
            continue
        edges = [0, *(start for start, _ in spans[1:]), len(line) + 1]
        rows.append([Raw(line[a:b].strip(), number, column) for column, (a, b) in enumerate(pairwise(edges), 1)])
    return rows


def _trimmed(rows: list[list[Raw]]) -> tuple[tuple[Raw, ...], ...]:
    """Without empty rows, padded to one width, without empty last columns."""
    rows = [row for row in rows if any(cell.text for cell in row)]
    width = max((max((at for at, cell in enumerate(row) if cell.text), default=0) + 1 for row in rows), default=0)
    return tuple(
        tuple([*row, *(Raw("", row[0].line, at + 1) for at in range(len(row), width))][:width]) for row in rows
    )
