"""Colours set and cleared at a rung of a figure's ladder: by a table's cell, a rule that stands there, or a new one."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from ..army.figure_filter import Filter
from ..army.tree import Army, Figure, Rung
from ..errors import Contradiction, OutOfRange, UnknownName
from ..naming import slug
from ..scheme.cascade import Resolution, ladder, resolve, speaking
from ..scheme.change import changes
from ..scheme.rule import Rule, cell_of
from ..scheme.selector import narrowest
from .design import Design
from .edit import find_table, with_cell, with_scheme, with_table


@dataclass(frozen=True)
class Setting:
    """A role to be worn on areas of a figure from one rung of its ladder down; '' leaves them bare."""

    figure: Figure
    areas: tuple[str, ...]
    role: str
    rung: int


def rung_of(army: Army, figure: Figure, number: int) -> Rung:
    """The rung of that number as the figure sees it.

    Raises: OutOfRange if its ladder has no such rung.
    """
    rungs = army.rungs(figure)
    if not 1 <= number <= len(rungs):
        raise OutOfRange(f"Rung {number}; this ladder has rungs 1 to {len(rungs)}.", "rung")
    return rungs[number - 1]


def set_here(design: Design, figure: Figure, areas: tuple[str, ...], role_id: str, rung_number: int) -> Design:
    """Let a role be worn on the areas from one rung of the figure's ladder down.

    Where a distinction table decides just these areas at that rung, its cell is changed; where a
    written rule for just these areas stands there, it is changed; otherwise a rule is added.
    An empty role leaves the areas bare. The same design where the rung says just this already and no figure would change.
    Raises: UnknownName for role or areas, OutOfRange for the rung.
    """
    one = Setting(figure, areas, role_id, rung_number)
    after = _set_at(design, one)
    return design if _said_already(design, after, one) else after


def set_many(design: Design, settings: Iterable[Setting]) -> Design:
    """Many settings at once, each as ``set_here`` makes it: what is said already is left, the rest is written in one go.

    Raises: what ``set_here`` refuses.
    """
    spoken = design.scheme.all_rules(design.army)
    rules: dict[tuple, Setting] = {}
    for one in settings:
        rung = _checked(design, one)
        if rung.reach == "node":
            design = set_here(_written(design, rules), one.figure, one.areas, one.role, one.rung)
            spoken, rules = design.scheme.all_rules(design.army), {}
            continue
        key = rung.scope, _filter_of(rung, one.figure), frozenset(f"={area}" for area in one.areas)
        if key in rules or not _says(design, spoken, one):
            rules[key] = one
    return _written(design, rules)


def _written(design: Design, wanted: dict[tuple, Setting]) -> Design:
    """The design with rules of (scope, filter, selectors) that say what is wanted: those that stand are changed, others added."""
    if not wanted:
        return design
    scheme, left, moved = design.scheme, dict(wanted), {}
    kept = []
    for rule in scheme.rules:
        key = rule.scope, rule.filter, frozenset(rule.select)
        if rule.binding or key not in left:
            kept.append(rule)
        else:
            moved[key] = replace(rule, role=left.pop(key).role, pattern="", on=True)
    ids = {rule.id for rule in scheme.rules}
    for key, one in wanted.items():
        if key not in moved:
            scope, filter_, _ = key
            id_ = slug(f"{scope}-{one.areas[0]}", ids)
            ids.add(id_)
            moved[key] = Rule(id_, scope, tuple(f"={area}" for area in one.areas), one.role, filter_)
    return with_scheme(design, replace(scheme, rules=(*kept, *(moved[key] for key in wanted))))


def _checked(design: Design, one: Setting) -> Rung:
    """The rung that is meant. Raises: UnknownName for role or areas, OutOfRange for the rung or no areas."""
    army = design.army
    if one.role:
        design.scheme.role(one.role, "role")
    known = army.plate(army.rank(one.figure.unit, one.figure.rank).type).areas
    for area in one.areas:
        if area not in known:
            raise UnknownName("area", area, list(known), "areas")
    if not one.areas:
        raise OutOfRange("No areas were named; name at least one.", "areas")
    return rung_of(army, one.figure, one.rung)


def _says(design: Design, spoken: Sequence[Rule], one: Setting) -> bool:
    """Whether what speaks strongest at the rung lets the areas wear that role. spoken: every rule that is on."""
    for area in one.areas:
        verdicts = speaking(design.army, spoken, one.figure, area)
        strongest = next((verdict.rule for verdict in verdicts if verdict.rung == one.rung), None)
        if strongest is None or (strongest.role, strongest.pattern) != (one.role, "") or not strongest.on:
            return False
    return True


def _said_already(design: Design, after: Design, one: Setting) -> bool:
    """Whether the rung says it, and every other area it would reach wears it too."""
    if not _says(design, design.scheme.all_rules(design.army), one):
        return False
    if rung_of(design.army, one.figure, one.rung).reach != "node":
        return True  # figures of one rank are alike up to what names single ones: what speaks for one speaks for all
    before = resolve(design.army, design.scheme)
    return _worn_everywhere(before, design.army, one) or not changes(before, resolve(after.army, after.scheme)).figures


def _worn_everywhere(resolution: Resolution, army: Army, one: Setting) -> bool:
    """Whether every figure that the rung reaches wears the role on the areas it has of them: then saying it changes nothing."""
    scope = rung_of(army, one.figure, one.rung).scope
    reached = (each.cells for each in resolution.classes if scope in army.paths[each.unit])
    worn = (cells[area] for cells in reached for area in one.areas if area in cells)
    return all((cell.role, cell.pattern, cell.instead_of) == (one.role, "", "") for cell in worn)


def _set_at(design: Design, one: Setting) -> Design:
    """The design with the role worn on the areas from the rung down, said by a cell, a rule that stands or a new one."""
    rung = _checked(design, one)
    table = _deciding_cell(design, one.figure, one.areas, rung)
    if table:
        distinction, row, column = table
        return with_scheme(design, with_table(design.scheme, with_cell(distinction, row, column, one.role)))
    key = rung.scope, _filter_of(rung, one.figure), frozenset(f"={area}" for area in one.areas)
    return _written(design, {key: one})


def clear_here(design: Design, figure: Figure, area: str, rung_number: int) -> Design:
    """Take away the rule that speaks for an area at one rung, so that the area falls back.

    Raises: OutOfRange if nothing is set there.
    """
    scheme = design.scheme
    speaking = [one for one in ladder(design.army, scheme, figure, area) if one.rung == rung_number]
    if not speaking:
        raise OutOfRange(f"Nothing is set for this area at rung {rung_number}.", "rung")
    rule = speaking[0].rule
    if rule.made_by:
        page = "Dress" if rule.made_by == "dress" else "Variety"
        raise Contradiction(
            f"This comes of {page.lower()}; change it on the page {page}, or set a colour here over it.", "rung"
        )
    if rule.table:
        table = find_table(scheme, rule.table)
        row, column = cell_of(rule)
        return with_scheme(design, with_table(scheme, with_cell(table, row, column, None)))
    return with_scheme(design, replace(scheme, rules=tuple(one for one in scheme.rules if one.id != rule.id)))


def _filter_of(rung: Rung, figure: Figure) -> Filter:
    if rung.reach == "figure":
        return Filter(rank=figure.rank, ordinals=(figure.ordinal,))
    return Filter(rank=figure.rank) if rung.reach == "rank" else Filter()


def _deciding_cell(design: Design, figure: Figure, areas: tuple[str, ...], rung: Rung):
    """The table cell that decides just these areas of the figure at that rung, if one does."""
    known = design.army.plate(design.army.rank(figure.unit, figure.rank).type).areas
    for table in design.scheme.tables:
        for rule in table.rules(design.army.root.id):
            if rule.scope != rung.scope or rung.reach != "node" or rule.filter != Filter():
                continue
            if {name for name, area in known.items() if narrowest(rule.select, area)} == set(areas):
                return table, *cell_of(rule)
    return None
