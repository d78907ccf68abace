"""Rules: who, where, and what is worn there."""

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Filter:
    """Which figures below a scope a rule speaks of; all given conditions must hold."""

    type: str = ""
    #: id of a rank
    rank: str = ""
    tag: str = ""
    #: single figures, counted from 1
    ordinals: tuple[int, ...] = ()
    #: every nth figure ...
    every: int = 0
    #: ... from this one on
    first: int = 1

    @property
    def by_ordinal(self) -> bool:
        """Whether it tells figures of one rank apart."""
        return bool(self.ordinals or self.every)

    @property
    def narrowness(self) -> tuple[bool, bool, bool, bool]:
        """Compared as a tuple: ordinal > rank > tag > type > none."""
        return (self.by_ordinal, bool(self.rank), bool(self.tag), bool(self.type))

    def admits(self, type_id: str, rank: str, tags: tuple[str, ...]) -> bool:
        """Whether figures of that type, rank and tags can pass, ordinals aside."""
        return (
            (not self.type or self.type == type_id)
            and (not self.rank or self.rank == rank)
            and (not self.tag or self.tag in tags)
        )

    def admits_ordinal(self, ordinal: int) -> bool:
        """Whether the nth figure passes."""
        if self.ordinals and ordinal not in self.ordinals:
            return False
        return not self.every or (ordinal >= self.first and (ordinal - self.first) % self.every == 0)

    def words(self, rank_names: Mapping[str, str]) -> str:
        """The conditions in plain words; empty if there are none. rank_names: as ``Army.rank_names`` gives them."""
        said = [f"of type {self.type}"] if self.type else []
        said += [f"tagged {self.tag}"] if self.tag else []
        said += [f"of rank {rank_names.get(self.rank, self.rank)}"] if self.rank else []
        said += [f"no. {', '.join(map(str, self.ordinals))}"] if self.ordinals else []
        said += [f"every {self.every} from no. {self.first}"] if self.every else []
        return ", ".join(said)


@dataclass(frozen=True)
class Rule:
    """In ``scope``, figures that pass the filter wear ``role`` on the selected areas."""

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


@dataclass(frozen=True)
class Distinction:
    """A table that tells formations (key = a kind of node) or ranks (key = 'rank') apart."""

    id: str
    name: str
    key: str
    columns: tuple[Column, ...] = ()
    #: (row, column id) to role id; a row is a node's id, or a rank's
    cells: tuple[tuple[str, str, str], ...] = ()

    def role(self, row: str, column: str) -> str | None:
        """What a cell holds."""
        return next((role for r, c, role in self.cells if (r, c) == (row, column)), None)

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
            )
            for row, column, role in self.cells
            if column in columns
        )
