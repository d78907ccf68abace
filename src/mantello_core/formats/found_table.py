"""What was made of a table of dress, JSON-ready: its cells with what became of them, facts, and questions."""

from ..uniforms.fact import Fact
from ..uniforms.garments import title_of
from ..uniforms.reading.heading import Column
from ..uniforms.reading.table_reading import TableReading
from .almanac_document import read_fact, write_fact


def write_reading(reading: TableReading) -> dict:
    """All that was made of a table; see docs/formats/almanac.md."""
    asked: dict[tuple[int, int], list[int]] = {}
    for at, doubt in enumerate(reading.doubts):
        for place in doubt.places:
            asked.setdefault(place, []).append(at)
    said: dict[tuple[int, int], list[str]] = {}
    for fact in reading.facts:
        said.setdefault((fact.line, fact.column), []).append(_told(fact))
    return {
        "layout": reading.layout,
        "encoding": reading.grid.encoding,
        "delimiter": reading.grid.delimiter,
        "columns": [_column(one) for one in reading.columns],
        "rows": [
            {
                "line": row[0].line,
                "cells": [
                    {
                        "column": cell.column, "text": cell.text,
                        "became": reading.fates.get((cell.line, cell.column), "empty"),
                        **({"read": "; ".join(dict.fromkeys(read))} if (read := said.get((cell.line, cell.column))) else {}),
                        **({"asks": at} if (at := asked.get((cell.line, cell.column))) else {}),
                    }
                    for cell in row
                ],
            }
            for row in reading.grid.rows
        ],
        "facts": [write_fact(one) for one in reading.facts],
        "doubts": [
            {"id": one.id, "kind": one.kind, "words": one.words, "default": one.default, "options": list(one.options),
             "places": [list(place) for place in one.places]}
            for one in reading.doubts
        ],
        "titles": list(reading.titles),
        "notes": dict(reading.notes),
    }  # fmt: skip


def facts_of(written: dict) -> tuple[Fact, ...]:
    """The facts of a reading that was written."""
    return tuple(read_fact(one, f"/facts/{at}") for at, one in enumerate(written["facts"]))


def _column(column: Column) -> dict:
    return {"column": column.at + 1, "header": column.header, "kind": column.kind, "is": list(column.ids)} | {
        name: value for name in ("rank", "dress", "of") if (value := getattr(column, name))
    }


def _told(fact: Fact) -> str:
    """A fact in few words: who it is of is told by its row."""
    whole = f"{title_of(fact.garment).lower()} {fact.phrase.words}"
    of = f"{title_of(fact.of).lower()} " if fact.of else ""
    return f"{of}{whole}{f' ({fact.wearer.rank})' if fact.wearer.rank else ''}"
