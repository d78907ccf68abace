"""A plain list read into a distinction table: rows by name or number, marks as columns, colours as roles; nothing dropped unsaid."""

import re
from collections.abc import Mapping
from dataclasses import dataclass, replace

from ..naming import slug
from ..scheme.rule import Column, Distinction, TableCell
from ..uniforms.fact import Fact, Wearer
from ..uniforms.folding import fold
from ..uniforms.garments import garments, rank_of
from ..uniforms.reading.key_cell import read_key_cell
from ..uniforms.reading.table import read_table
from .design import Design
from .edit import find_table, rows_of, with_scheme
from .role_meant import looks_of, role_meant

_NUMBER = re.compile(r"\d{1,3}")


@dataclass(frozen=True)
class Listed:
    """What a list gave a table: the cells it set, and in words what it could not place."""

    cells: int
    left: tuple[str, ...]


def with_list(design: Design, table_id: str, data: bytes) -> tuple[Design, Listed]:
    """The design with a table filled from a list: cells that the list names are set, others stay.

    Raises: UnknownName for the table; what ``read_table`` refuses.
    """
    table = find_table(design.scheme, table_id)
    rows = rows_of(design.army, table.key)
    looks = looks_of(design)
    cells = {cell[:2]: cell for cell in table.cells}
    reading = read_table(data)
    left = [doubt.words for doubt in reading.doubts if doubt.kind == "column"]
    for fact in reading.facts:
        row = _row_of(fact.wearer, rows, by_rank=table.key == "rank")
        table, column = _with_column(table, fact)
        role = role_meant(
            design, fact.phrase, looks, metal=fact.garment in garments() and garments()[fact.garment].metal
        )
        where = f"line {fact.line}, '{fact.phrase.text.strip()}'"
        if row is None:
            left.append(f"{where}: no {table.key} here is {fact.wearer.words}.")
        elif column is None:
            left.append(f"{where}: '{fact.garment.removeprefix('?')}' is no mark that is known.")
        elif role is None:
            left.append(f"{where}: no role is called so, and none is near that colour.")
        else:
            cells[row, column.id] = TableCell(row, column.id, role)
    before = {cell[:2]: cell for cell in table.cells}
    own, used = find_table(design.scheme, table_id).columns, {column for _, column in cells}
    columns = tuple(one for one in table.columns if one in own or one.id in used)
    filled = replace(table, columns=columns, cells=tuple(cells.values()))
    tables = tuple(filled if one.id == table_id else one for one in design.scheme.tables)
    changed = sum(before.get(key) != cell for key, cell in cells.items())
    return with_scheme(design, replace(design.scheme, tables=tables)), Listed(changed, tuple(dict.fromkeys(left)))


def _row_of(who: Wearer, rows: Mapping[str, str], *, by_rank: bool) -> str | None:
    """The row that a wearer is: by number, else by every word of its title; None if none is, or several."""
    if by_rank:
        said = who.rank or rank_of(who.title)
        found = [
            row
            for row, name in rows.items()
            if (said and rank_of(name) == said) or fold(name) == fold(who.title or "-")
        ]
        return found[0] if len(found) == 1 else None
    finer = read_key_cell(who.company)
    number = finer.numbers[0] if len(finer.numbers) == 1 else who.number
    title = set(fold(finer.name or who.title).split())
    numbered = [row for row, name in rows.items() if number is not None and _number(name) == number]
    named = [row for row, name in rows.items() if title and title <= set(fold(name).split())]
    both = [row for row in numbered if row in named]
    for found in (both, named if not numbered else [], numbered if not named else []):
        if len(found) == 1:
            return found[0]
    return None


def _number(name: str) -> int | None:
    found = _NUMBER.search(name)
    return int(found[0]) if found else None


def _with_column(table: Distinction, fact: Fact) -> tuple[Distinction, Column | None]:
    """The table with a column for the garment a fact is of, and that column; None for a garment nobody knows."""
    known = garments().get(fact.garment)
    names = {fold(fact.garment.removeprefix("?"))} | ({fold(known.title)} if known else set())
    for one in table.columns:
        if fold(one.name) in names or one.id in names or (known and one.select == known.select):
            return table, one
    if known is None or not known.select:
        return table, None
    column = Column(slug(known.title, {one.id for one in table.columns}), known.title, known.select)
    return replace(table, columns=(*table.columns, column)), column
