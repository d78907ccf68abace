"""A dress table as found, read into facts with doubts to be decided. Nothing is dropped: every cell that holds something has a fate."""

from .body import read_body
from .columns import decided, guessed
from .grid import grid_of
from .header_row import header_of, is_transposed, off_titles, turned
from .table_reading import TableReading


def read_table(data: bytes, decisions: dict[str, str] | None = None) -> TableReading:
    """Read a file. decisions: doubt id to the painter's answer. Raises: Unreadable."""
    decisions = decisions or {}
    grid = grid_of(data, decisions.get("delimiter", ""), decisions.get("encoding", ""))
    rows, layout = list(grid.rows), "wide"
    reading = TableReading(grid, layout, [])
    rows = off_titles(reading, rows)
    if is_transposed(rows):
        layout, rows = "transposed", turned(reading, rows)
    header, body, columns = header_of(reading, rows, layout)
    columns = [decided(column, decisions) for column in columns]
    columns = guessed(reading, columns, body, layout)
    if {"area", "value"} <= {name for column in columns if column.kind == "meta" for name in column.ids} and any(
        "area" in column.ids for column in columns
    ):
        layout = "long"
    reading.layout, reading.columns = layout, columns
    read_body(reading, decisions, body)
    for cell in header:
        if cell.text:
            reading.fates.setdefault((cell.line, cell.column), "header")
    _ask_about_grid(reading)
    return reading


def _ask_about_grid(reading: TableReading) -> None:
    for words in reading.grid.mended:
        reading.ask("encoding", "encoding", words, reading.grid.encoding, ("utf-8", "cp1252", "cp850", "mac_roman"))
