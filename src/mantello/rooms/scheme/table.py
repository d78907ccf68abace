"""The mapping table: areas by classes of figures, a view of the cascade."""

from dataclasses import dataclass

from mantello.workspace.reading import Reading
from mantello_core.figures.synonym import synonyms
from mantello_core.figures.vocabulary import GROUPS, group_of, sideless, spoken
from mantello_core.scheme.cascade import Cell, FigureClass

#: columns from which a table starts with one formation
MOST_AT_ONCE = 16
SHOWS = {"all": "All", "gaps": "Gaps", "overrides": "Overrides"}


@dataclass(frozen=True)
class TableCell:
    """One area of one class; ``area`` is the first of the areas it stands for."""

    one: FigureClass
    area: str
    cell: Cell
    #: whether left and right differ
    split: bool


@dataclass(frozen=True)
class TableRow:
    """One area over all classes; None where a class has no such area."""

    key: str
    name: str
    cells: tuple[TableCell | None, ...]
    #: what the filter looks at
    words: str


@dataclass(frozen=True)
class Column:
    """One class of figures that no rule tells apart."""

    one: FigureClass
    rank: str
    unit: str
    figures: int


def columns_of(reading: Reading, within: str = "") -> list[Column]:
    """The classes of a formation, or of the whole army, in tree order."""
    army = reading.design.army
    return [
        Column(one, one.rank_name, army.title(one.unit), len(one.ordinals))
        for one in reading.resolution.classes
        if not within or within in army.paths[one.unit]
    ]


def usual_formation(reading: Reading, unit_id: str) -> str:
    """Where a table of a large army starts: the outermost formation of a unit; '' where all columns fit."""
    path = reading.design.army.paths[unit_id]
    return path[1] if len(reading.resolution.classes) > MOST_AT_ONCE and len(path) > 2 else ""


def groups_of(
    reading: Reading, classes: list[FigureClass], show: str = "all", query: str = "", *, differing: bool = False
) -> list[tuple[str, list[TableRow]]]:
    """Rows of the table by group, in the order of the body; ``show`` and ``query`` leave rows out.

    differing: just the rows in which the classes differ.
    """
    scheme = reading.design.scheme
    by_class = [_sides(one) for one in classes]
    keys = dict.fromkeys(key for sides in by_class for key in sides)
    groups: dict[str, list[TableRow]] = {group: [] for group in dict.fromkeys(GROUPS.values())}
    places = {group: at for at, group in enumerate(GROUPS)}
    for key in sorted(keys, key=lambda one: (places[one.partition(".")[0]], one)):
        cells = tuple(_cell(one, sides.get(key)) for one, sides in zip(classes, by_class, strict=True))
        roles = {cell.cell.role for cell in cells if cell}
        said = [scheme.role_by_id[role] for role in roles if role]
        words = " ".join(
            [
                spoken(key),
                key,
                *synonyms(key),
                *(f"{role.name} {role.paint_name}" for role in said),
                "gap" if None in roles else "",
            ]
        ).lower()
        if differing and len({cell.cell.role if cell else "none" for cell in cells}) < 2:
            continue
        if show == "gaps" and None not in roles:
            continue
        if show == "overrides" and not any(cell and cell.cell.rung > 2 for cell in cells):
            continue
        if query and not all(word in words for word in query.lower().split()):
            continue
        groups.setdefault(group_of(key), []).append(TableRow(key, spoken(key), cells, words))
    return [(name, rows) for name, rows in groups.items() if rows]


def _sides(one: FigureClass) -> dict[str, list[str]]:
    found: dict[str, list[str]] = {}
    for area in one.cells:
        found.setdefault(sideless(area), []).append(area)
    return found


def _cell(one: FigureClass, areas: list[str] | None) -> TableCell | None:
    if not areas:
        return None
    gap = next((area for area in areas if one.cells[area].role is None), areas[0])
    return TableCell(one, gap, one.cells[gap], len({one.cells[area].role for area in areas}) > 1)
