"""Rules: who, where, and what is worn there."""

from dataclasses import dataclass, field
from typing import NamedTuple

from ..army.figure_filter import Filter


@dataclass(frozen=True)
class Rule:
    """In ``scope``, figures that pass the filter wear ``role``, or a camouflage pattern, on the selected areas."""

    id: str
    scope: str
    select: tuple[str, ...]
    #: role id; empty means left bare
    role: str
    filter: Filter = field(default_factory=Filter)
    binding: bool = False
    on: bool = True
    #: id of the distinction table it comes from, if any
    table: str = ""
    #: id of the pattern that is worn instead of one colour; '' for none
    pattern: str = ""
    #: what it was made by, where no one wrote it: 'dress', or 'cast' for who wears what; '' for a written one or a table's
    made_by: str = ""
    #: whether it is of what is worn over everything else, and so hides what any other rule says
    over: bool = False


def cell_of(rule: Rule) -> tuple[str, str]:
    """Row and column of the cell that a distinction table's rule stands for; a row's id may hold any sign."""
    row, _, column = rule.id.removeprefix(f"{rule.table}/").rpartition("/")
    return row, column


@dataclass(frozen=True)
class Column:
    """One mark of a distinction table and the areas that carry it."""

    id: str
    name: str
    select: tuple[str, ...]


class TableCell(NamedTuple):
    """What one cell of a distinction table holds. row: a node's id, or a rank's."""

    row: str
    column: str
    #: role id; '' is left bare, or where a pattern is worn
    role: str
    #: id of the camouflage pattern that is worn instead of one colour; '' for none
    pattern: str = ""


@dataclass(frozen=True)
class Distinction:
    """A table that tells formations (key = a kind of node) or ranks (key = 'rank') apart."""

    id: str
    name: str
    key: str
    columns: tuple[Column, ...] = ()
    #: row, column, and role or pattern
    cells: tuple[TableCell, ...] = ()

    def __post_init__(self):
        object.__setattr__(self, "cells", tuple(TableCell(*cell) for cell in self.cells))

    def cell(self, row: str, column: str) -> TableCell | None:
        """The cell at a row and a column; None for an empty one."""
        return next((cell for cell in self.cells if cell[:2] == (row, column)), None)

    def role(self, row: str, column: str) -> str | None:
        """The role that a cell holds, '' for left bare; None for an empty one, and for a pattern."""
        found = self.cell(row, column)
        return None if found is None or found.pattern else found.role

    def rules(self, root: str) -> tuple[Rule, ...]:
        """The rules the table is shorthand for."""
        columns = {column.id: column for column in self.columns}
        return tuple(
            Rule(
                f"{self.id}/{row}/{column}",
                root if self.key == "rank" else row,
                columns[column].select,
                role,
                Filter(rank=row) if self.key == "rank" else Filter(),
                table=self.id,
                pattern=pattern,
            )
            for row, column, role, pattern in self.cells
            if column in columns
        )
