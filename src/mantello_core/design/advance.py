"""A formation's distinctions carried on: the next number, and marks that no sibling has."""

import re
from dataclasses import dataclass, replace

from ..colour.acuity import DISTANCES, seen_difference
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..colour.vision import SIGHTS, seen_by
from ..mixing.starting import started
from ..naming import slug
from ..paints.range import paint, paints
from ..scheme.cascade import Resolution, resolve
from ..scheme.rule import Column, Distinction
from ..scheme.scheme import Role, Scheme
from ..scheme.selector import areas_named
from .design import Design
from .muster import with_duplicate

#: a mark must stand off what touches it too, and for every sight: such differences count for this much more,
#: since a line lies between, and a dichromat reads lightness as well
TOUCHING, SIGHTED = 1.5, 1.5
#: mm a mark is taken to be wide where no figure shows it
USUAL_WIDTH = 3.0
#: mm of shared edge from which areas touch
SEAM = 2.0
#: a mark's colour should be at least this far (CIEDE2000) from every sibling's; below it a new role is made
CLEAR = 20.0
#: names that are tried before a plain "copy"
_TRIED = 200
_ROMAN = ("I", "II", "III", "IV", "V", "VI", "VII", "VIII", "IX", "X", "XI", "XII", "XIII", "XIV", "XV", "XVI")


@dataclass(frozen=True)
class CarriedMark:
    """What a copy will wear in one column of a distinction table."""

    table: str
    column: str
    column_name: str
    role: Role
    #: whether the role is made for it
    new: bool
    #: CIEDE2000 to the nearest of siblings' marks and of what touches it, as ``TOUCHING`` and ``SIGHTED`` weigh them
    apart: float


def advanced_name(name: str, taken: set[str]) -> str:
    """The next name in a row: numbers, ordinals, Roman numerals and single letters count on.

    >>> advanced_name("2nd, the Lantern", {"3rd, the Gull"}), advanced_name("Troop B", set()), advanced_name("Line", set())
    ('4th', 'Troop C', 'Line 2')
    """
    candidate = name
    for _ in range(_TRIED):
        candidate = _next(candidate)
        begun = candidate.split(",")[0].casefold()
        if not any(one.casefold() == candidate.casefold() or one.split(",")[0].casefold() == begun for one in taken):
            return candidate
    return f"{name} copy"


def marks_for_copy(design: Design, node_id: str, name: str) -> tuple[CarriedMark, ...]:
    """What a copy of a formation would wear in the tables that tell it from its siblings.

    For every column it has a cell in: the role of the scheme that stands farthest from all siblings' marks
    and has not been spoken for, if that is far enough; else a new role of the paint that stands farthest.
    """
    scheme = design.scheme
    spoken = {role for one in scheme.patterns for role in one.roles}
    spoken |= {rule.role for rule in scheme.rules} | {cell[2] for table in scheme.tables for cell in table.cells}
    free = [role for role in scheme.roles if role.id not in spoken and role.recipe().steps]
    marks: list[CarriedMark] = []
    resolution = resolve(design.army, scheme)
    for table in scheme.tables:
        for column in table.columns:
            if table.key == "rank" or table.role(node_id, column.id) is None:
                continue
            same = next(
                (mark for mark in marks if mark.table == table.id and _alike(table, node_id, column, mark)), None
            )
            if same:
                marks.append(replace(same, column=column.id, column_name=column.name))
                continue
            around = _around(design, resolution, node_id, column, table)
            ranked = sorted(((around.apart(_colour(scheme, role)), role) for role in free), key=lambda one: -one[0])
            if ranked and ranked[0][0] >= CLEAR:
                apart, role = ranked[0]
                free.remove(role)
                marks.append(CarriedMark(table.id, column.id, column.name, role, False, apart))
            else:
                marks.append(_new_mark(design, table.id, column, name, around, marks))
    return tuple(marks)


def with_advanced_copy(design: Design, node_id: str, name: str) -> Design:
    """Add a copy of a formation beside it, with marks of its own where tables tell it from its siblings.

    Raises: what ``with_duplicate`` refuses.
    """
    marks = marks_for_copy(design, node_id, name)
    after = with_duplicate(design, node_id, name)
    made = next(id_ for id_ in _siblings(after, node_id) if id_ not in design.army.nodes)
    scheme = after.scheme
    for mark in marks:
        scheme = scheme.with_role(mark.role)
    wanted = {(mark.table, mark.column): mark.role.id for mark in marks}
    tables = tuple(
        replace(
            table,
            cells=tuple(
                cell._replace(role=wanted.get((table.id, cell.column), cell.role)) if cell.row == made else cell
                for cell in table.cells
            ),
        )
        for table in scheme.tables
    )
    return replace(after, scheme=replace(scheme, tables=tables))


def _alike(table, node_id: str, column, mark: CarriedMark) -> bool:
    """Whether the copied formation wears one role in both columns, so that its copy should too."""
    return table.role(node_id, column.id) == table.role(node_id, mark.column)


def _siblings(design: Design, node_id: str) -> list[str]:
    parent = design.army.nodes[design.army.paths[node_id][-2]]
    return [child.id for child in parent.children]


def _made(scheme: Scheme, role_id: str) -> bool:
    return bool(scheme.role(role_id).recipe().steps)


def _colour(scheme: Scheme, role: Role) -> Lab:
    """What a role looks like from afar, after all its steps."""
    return scheme.predicted(role.recipe()).apparent


@dataclass(frozen=True)
class _Around:
    """What a mark must stand off: siblings' marks, seen across the table at its width, and what touches it."""

    used: tuple[Lab, ...]
    beside: tuple[Lab, ...]
    width: float

    def apart(self, colour: Lab) -> float:
        """The smallest of all differences, by the weakest sight."""
        far = DISTANCES["table"]
        found = [seen_difference(colour, one, self.width, far) for one in self.used]
        for sight in SIGHTS:
            mine = seen_by(colour, sight)
            found += [SIGHTED * seen_difference(mine, seen_by(one, sight), self.width, far) for one in self.used]
        found += [TOUCHING * difference(colour, one) for one in self.beside]
        return min(found, default=100.0)


def _around(design: Design, resolution: Resolution, node_id: str, column: Column, table: Distinction) -> _Around:
    scheme = design.scheme
    units = {unit.id for unit in design.army.nodes[node_id].walk()}
    marks = {cell.role for cell in table.cells}
    beside: dict[str, None] = {}
    width = 0.0
    for one in resolution.classes:
        if one.unit not in units:
            continue
        mine = areas_named(one.plate, column.select)
        rooms = [seen.room for view in one.plate.views for seen in view.areas if seen.area in mine]
        width = max([width, *rooms])
        for area in mine:
            for other, length in one.plate.neighbours[area].items():
                role = one.cells[other].role
                if other not in mine and length >= SEAM and role and role not in marks and _made(scheme, role):
                    beside[role] = None
    used = [cell.role for cell in table.cells if cell.column == column.id and cell.role and _made(scheme, cell.role)]
    colours = [tuple(_colour(scheme, scheme.role(role)) for role in roles) for roles in (used, beside)]
    return _Around(*colours, width or USUAL_WIDTH)


def _new_mark(
    design: Design, table: str, column: Column, name: str, around: _Around, marks: list[CarriedMark]
) -> CarriedMark:
    made = tuple(_colour(design.scheme, mark.role) for mark in marks if mark.new)
    around = replace(around, used=(*around.used, *made))
    apart, best = max(
        (around.apart(design.scheme.predicted(started(pot)).apparent), pot.id)
        for pot in paints().values()
        if pot.kind == "acrylic" and pot.film.opacity != "transparent"
    )
    taken = {*design.scheme.role_by_id, *(mark.role.id for mark in marks)}
    called = f"{name.split(',')[0]} {column.name.lower()}"[:80]
    role = Role(slug(called, taken), called, tuple((tier, started(paint(best), tier)) for tier in ("rank", "leader")))
    return CarriedMark(table, column.id, column.name, role, True, apart)


def _next(name: str) -> str:
    head = name.split(",")[0]
    number = re.search(r"\d+", head)
    if number:
        value = int(number[0]) + 1
        ending = re.match(r"(st|nd|rd|th)\b", head[number.end() :])
        said = f"{value}{_ordinal(value)}" if ending else str(value)
        return head[: number.start()] + said + head[number.end() + (len(ending[0]) if ending else 0) :]
    words = head.split()
    for at, word in enumerate(words):
        if word in _ROMAN[:-1] and (len(word) > 1 or word in "IVX"):
            return " ".join([*words[:at], _ROMAN[_ROMAN.index(word) + 1], *words[at + 1 :]])
        if len(word) == 1 and "A" <= word < "Z":
            return " ".join([*words[:at], chr(ord(word) + 1), *words[at + 1 :]])
    return f"{head} 2"


def _ordinal(number: int) -> str:
    if 10 <= number % 100 <= 20:
        return "th"
    return {1: "st", 2: "nd", 3: "rd"}.get(number % 10, "th")
