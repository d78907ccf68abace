"""Columns that no header names, told from what stands in them or from the painter's answer."""

import re
from dataclasses import replace

from ..folding import fold
from ..garments import certainty_words, garments, known_headers
from ..phrase import ditto_rest
from .heading import Column, looks_like_colour, read_header
from .key_cell import read_key_cell
from .table_reading import TableReading


def decided(column: Column, decisions: dict[str, str]) -> Column:
    answer = decisions.get(f"column:{column.at + 1}")
    if not answer:
        return column
    kind = next((kind for found in known_headers().values() for kind, name in found if name == answer), "unknown")
    return replace(column, kind=kind, ids=(answer,), doubt="")


def guessed(reading: TableReading, columns: list[Column], body: list, layout: str) -> list[Column]:
    """Columns that no header names, told from what stands in them."""
    found = []
    has = {name for column in columns for name in column.ids}
    for column in columns:
        cells = [row[column.at].text for row in body if column.at < len(row) and row[column.at].text]
        if column.doubt:
            reading.ask(
                f"column:{column.at + 1}",
                "column",
                f"Column {column.at + 1}: {column.doubt}.",
                column.ids[0],
                (),
                body[0][column.at] if body else None,
            )
        if column.kind == "context":
            column = replace(column, kind="garment", ids=("facing",), doubt="")
            reading.ask(
                f"column:{column.at + 1}",
                "column",
                f"Column {column.at + 1} ('{column.header}') names no garment; it is taken for the facing.",
                "facing",
                tuple(garments()),
                body[0][column.at] if body else None,
            )
        if (
            column.kind == "meta"
            and column.ids == ("value",)
            and "area" not in has
            and not any(one.kind == "garment" for one in columns if one is not column)
            and layout != "long"
        ):
            holder = next(
                (
                    one
                    for one in columns
                    if one.kind in ("unknown", "key")
                    and _share(body, one.at, lambda text: read_header(text).kind == "garment") > 0.6
                ),
                None,
            )
            if holder is None:
                column = replace(column, kind="garment", ids=("facing",))
                reading.ask(
                    f"column:{column.at + 1}",
                    "column",
                    f"Column {column.at + 1} ('{column.header}') does not say of which garment; it is taken for the facing.",
                    "facing",
                    tuple(garments()),
                    None,
                )
        if column.kind != "unknown" or not cells:
            found.append(column)
            continue
        guess = _content(cells, column.at, has, layout)
        kind, name = guess
        has.add(name)
        shown = column.header or "without a header"
        if column.header or name not in ("number", "regiment"):
            what = {"colours": "a garment that is not known", "note": "a note"}.get(name, name)
            reading.ask(
                f"column:{column.at + 1}",
                "column",
                f"Column {column.at + 1} ({shown}) is not known; by what stands in it, it is taken for {what}.",
                name,
                (*garments(), "note", "source", "certainty", "title", "number", "year"),
                None,
                len(cells),
            )
        found.append(
            replace(column, kind=kind, ids=(f"?{fold(column.header) or column.at + 1}" if name == "colours" else name,))
        )
    return found


def _share(body, at, test) -> float:
    cells = [row[at].text for row in body if at < len(row) and row[at].text]
    return sum(map(bool, map(test, cells))) / len(cells) if cells else 0.0


def _content(cells: list[str], at: int, has: set, layout: str) -> tuple[str, str]:
    share = lambda test: sum(bool(test(cell)) for cell in cells) / len(cells)  # noqa: E731
    if "certainty" not in has and share(lambda text: fold(text) in certainty_words()) > 0.7:
        return "meta", "certainty"
    if share(lambda text: read_header(text).kind == "garment" and not looks_like_colour(text)) > 0.6:
        return "meta", "area"
    if not has & {"number", "regiment"} and share(lambda text: read_key_cell(text).numbers) > 0.6:
        return "key", "number"
    if share(lambda text: re.fullmatch(r"\d{3,4}(?:\s*[-–]\s*\d{1,4})?", text)) > 0.7:
        return "meta", "year"
    if share(lambda text: looks_like_colour(text) or ditto_rest(text) is not None) > 0.6:
        return ("meta", "value") if "area" in has and "value" not in has else ("garment", "colours")
    if at == 0 and not has & {"regiment", "title", "number"}:
        return "key", "regiment"
    return "meta", "note"
