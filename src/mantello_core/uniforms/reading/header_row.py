"""Titles, headers and the way a table lies."""

import re

from ..folding import fold
from ..garments import lookup
from .heading import Column, joined, looks_like_colour, read_header
from .table_reading import TableReading


def off_titles(reading: TableReading, rows: list) -> list:
    """Rows above the table that hold one cell: titles, kept."""
    while len(rows) > 2:
        filled = [cell for cell in rows[0] if cell.text]
        wide = max(sum(bool(cell.text) for cell in row) for row in rows)
        loose = len(filled) == 1 and (filled[0].column == 1 or not lookup(fold(filled[0].text))) and wide > 1
        prose = (
            wide > 3
            and len(filled) <= wide // 2
            and _score(rows[0])[0] == 0
            and len(" ".join(cell.text for cell in filled)) > 30
            and not filled[0].text[:1].isdigit()
        )
        if not (loose or prose):
            break
        for cell in filled:
            reading.titles.append(cell.text)
        reading.met("title", filled)
        rows = rows[1:]
    return rows


def is_transposed(rows: list) -> bool:
    if len(rows) < 3 or len(rows[0]) < 3:
        return False
    first = [row[0].text for row in rows if row[0].text and any(cell.text for cell in row[1:])]
    garments = [text for text in first if read_header(text).kind == "garment"]
    known, _, _ = max((_score(row) for row in rows[:4]), key=lambda one: one[0])
    top = [read_header(cell.text).kind for cell in rows[0] if cell.text]
    return (
        len(garments) >= 3
        and len(garments) >= 0.5 * len(first)
        and len({fold(text) for text in garments}) >= 0.8 * len(garments)
        and known < 3
        and top.count("garment") < 2
    )


def turned(reading: TableReading, rows: list) -> list:
    """Rows and columns changed over; single-cell rows below stay behind as notes."""
    kept = []
    for row in rows:
        filled = [cell for cell in row if cell.text]
        if len(filled) == 1 and filled[0] is row[0] and read_header(row[0].text).kind == "unknown":
            reading.note(row[0])
        else:
            kept.append(row)
    return [tuple(column) for column in zip(*kept, strict=True)]


def header_of(reading: TableReading, rows: list, layout: str):
    """The header's cells, the rows below it, and a column for each."""
    best = None
    for at, row in enumerate(rows[:15]):
        known, filled, values = _score(row)
        if known >= 2 and known >= 0.5 * filled and values <= 0.34 * filled:
            best = at
            break
        if layout == "transposed" and at == 0 and known >= 1:
            best = 0
            break
    if best is None:
        return [], rows, [Column(at, "", "unknown") for at in range(len(rows[0]))]
    for row in rows[:best]:
        reading.titles += [cell.text for cell in row if cell.text]
        reading.met("title", row)
    upper, lower, used = rows[best], None, 1
    if layout != "transposed" and best + 1 < len(rows):
        known, filled, values = _score(rows[best + 1])
        grouped = sum(not cell.text for cell in upper) > 0 or len(
            {fold(cell.text) for cell in upper if cell.text}
        ) < sum(bool(cell.text) for cell in upper)
        if known >= 2 and known >= 0.6 * filled and values == 0 and grouped:
            lower, used = rows[best + 1], 2
    if lower is None and best > 0:
        above = [cell for cell in rows[best - 1] if cell.text]
        if above and all(read_header(cell.text).kind in ("garment", "context") for cell in above):
            upper, lower = rows[best - 1], rows[best]
    cells = list(upper) + list(lower or ())
    if lower is None:
        columns = [read_header(cell.text, at) for at, cell in enumerate(upper)]
    else:
        columns, group = [], ""
        for at, (over, under) in enumerate(zip(upper, lower, strict=True)):
            if over.text:
                group = over.text
            over_kind = read_header(group).kind if group else "unknown"
            if not under.text:
                columns.append(read_header(over.text or "", at))
                group = group if not over.text else over.text if over_kind in ("garment", "context") else ""
                continue
            columns.append(
                joined(
                    group if over_kind in ("garment", "context", "unknown") and group else "",
                    read_header(under.text, at),
                )
            )
    return cells, rows[best + used :], columns


def _score(row) -> tuple[int, int, int]:
    """(header words known, filled cells, cells that look like values) of a row."""
    filled = [cell.text for cell in row if cell.text]
    known = values = 0
    for text in filled:
        column = read_header(text)
        if column.kind != "unknown" and not column.doubt:
            known += 1
        elif re.fullmatch(r"\W*\d{1,4}(?:st|nd|rd|th|e|er|\.)?\W*", text) or looks_like_colour(text):
            values += 1
    return known, len(filled), values
