"""Edits of the scheme: each takes a design and gives a new one. Nothing here keeps or draws anything."""

from dataclasses import replace

from ..army.figure_filter import Filter
from ..army.tree import MOST_FIGURES, TIERS, Army, Node
from ..errors import Contradiction, OutOfRange, UnknownName
from ..film.ground import Ground, checked_ground
from ..mixing.starting import started
from ..naming import named, slug
from ..paints.paint import Paint
from ..recipes.first_step import first_step
from ..recipes.step import Recipe, Step, checked
from ..scheme.aim import with_marked, with_share
from ..scheme.part_ground import PartGround, checked_part_grounds
from ..scheme.rule import Column, Distinction, Rule, TableCell
from ..scheme.scheme import Role, Scheme
from ..scheme.selector import checked_selector
from ..scheme.substitution import toned, with_substitution
from .design import Design


def with_recipe_started(design: Design, role_id: str, pot: Paint) -> Design:
    """Start a role's recipes anew from one paint, for every tier it has a recipe for (rank and file if none).

    Raises: UnknownName for the role.
    """
    role = design.scheme.role(role_id, "role")
    for tier in [tier for tier, recipe in role.recipes if recipe.steps] or ["rank"]:
        role = role.with_recipe(tier, started(pot, tier))
    return with_scheme(design, design.scheme.with_role(role))


def with_scheme(design: Design, scheme: Scheme) -> Design:
    """The design with another scheme."""
    return replace(design, scheme=scheme)


def with_new_role(design: Design, name: str, pot: Paint | None = None) -> tuple[Design, Role]:
    """Add a role; with a paint, its recipe starts with one base step of it.

    Raises: Contradiction if a role has that name already.
    """
    name = named(name)
    scheme = design.scheme
    if any(role.name.casefold() == name.casefold() for role in scheme.roles):
        raise Contradiction(f"There is a role called '{name}' already.", "name")
    steps = (first_step(pot),) if pot else ()
    role = Role(slug(name, scheme.role_by_id), name, (("rank", Recipe(steps)),) if steps else ())
    return with_scheme(design, scheme.with_role(role)), role


def with_renamed_role(design: Design, role_id: str, name: str) -> Design:
    """Rename a role."""
    role = design.scheme.role(role_id)
    return with_scheme(design, design.scheme.with_role(replace(role, name=named(name))))


def with_role_provisional(design: Design, role_id: str, *, provisional: bool) -> Design:
    """Leave a role's colour open, or make it firm. Raises: UnknownName."""
    role = design.scheme.role(role_id)
    return with_scheme(design, design.scheme.with_role(replace(role, provisional=provisional)))


def without_role(design: Design, role_id: str) -> Design:
    """Remove a role that nothing names.

    Raises: Contradiction if rules or tables still name it.
    """
    scheme = design.scheme
    role = scheme.role(role_id)
    uses = sum(rule.role == role_id for rule in scheme.all_rules(design.army))
    uses += sum(role_id in (one.role, one.use) for one in scheme.substitutions)
    uses += sum(role_id in one.roles for one in (*scheme.placements, *scheme.code_systems))
    uses += sum(
        bool(step.spot) and step.spot.beside == role_id
        for one in scheme.roles if one.id != role_id for _, recipe in one.recipes for step in recipe.steps
    )  # fmt: skip
    uses += bool(scheme.finishing.glow and scheme.finishing.glow.role == role_id)
    uses += sum(role_id in dict(one.bound).values() for one in scheme.arms)
    uses += sum(role_id in (*one.roles, *one.leaves_roles) for one in scheme.passes)
    uses += sum(role_id in one.roles for one in scheme.patterns)
    if uses:
        raise Contradiction(
            f"'{role.name}' is still named by {uses} rule{'s' * (uses != 1)} or mark{'s' * (uses != 1)}; point them elsewhere first."
        )
    aims = with_share(
        with_marked(with_marked(scheme.aims, role_id, "accents", on=False), role_id, "signatures", on=False),
        role_id,
        None,
    )
    roles = tuple(one for one in scheme.roles if one.id != role_id)
    order = scheme.order.without_role(role_id)
    return with_scheme(design, replace(scheme, roles=roles, aims=aims, order=order))


def with_cell(table: Distinction, row: str, column: str, role_id: str | None, pattern: str = "") -> Distinction:
    """The table with one cell set; None empties it. pattern: worn there instead of one colour."""
    cells = tuple(cell for cell in table.cells if cell[:2] != (row, column))
    return replace(table, cells=cells if role_id is None else (*cells, TableCell(row, column, role_id, pattern)))


def set_cell(design: Design, table_id: str, row: str, column: str, role_id: str | None, pattern: str = "") -> Design:
    """Set a cell of a distinction table to a role, or with a role of '' to a pattern; None empties it.

    Raises: UnknownName for table, row, column, role or pattern.
    """
    scheme = design.scheme
    table = find_table(scheme, table_id)
    rows = rows_of(design.army, table.key)
    if row not in rows:
        raise UnknownName(table.key, row, list(rows), "row")
    if column not in {one.id for one in table.columns}:
        raise UnknownName("column", column, [one.id for one in table.columns], "column")
    if role_id:
        scheme.role(role_id, "role")
    if pattern:
        scheme.pattern(pattern, "role")
    return with_scheme(design, with_table(scheme, with_cell(table, row, column, role_id, pattern)))


def with_new_table(design: Design, name: str, key: str) -> tuple[Design, Distinction]:
    """Add an empty distinction table keyed by a kind of formation, or by 'rank'.

    Raises: UnknownName if the army has nothing of that kind.
    """
    kinds = list(dict.fromkeys([*(node.kind for node in design.army.nodes.values() if node.kind != "army"), "rank"]))
    if key not in kinds:
        raise UnknownName("kind of formation", key, kinds, "key")
    table = Distinction(slug(name, {one.id for one in design.scheme.tables}), named(name), key)
    return with_scheme(design, with_table(design.scheme, table)), table


def with_column(design: Design, table_id: str, name: str, select: tuple[str, ...]) -> Design:
    """Add a column to a table, or change the areas of the column of that name.

    Raises: Unreadable for a selector, OutOfRange if there is none.
    """
    table = find_table(design.scheme, table_id)
    if not select:
        raise OutOfRange("The column names no areas; name at least one, such as arm.*.cuff.", "select")
    for selector in select:
        checked_selector(selector, "select")
    name = named(name)
    old = next((column for column in table.columns if column.name.casefold() == name.casefold()), None)
    if old:
        columns = tuple(replace(one, select=select) if one is old else one for one in table.columns)
    else:
        columns = (*table.columns, Column(slug(name, {one.id for one in table.columns}), name, select))
    return with_scheme(design, with_table(design.scheme, replace(table, columns=columns)))


def without_column(design: Design, table_id: str, column: str) -> Design:
    """Remove a column and its cells."""
    table = find_table(design.scheme, table_id)
    kept = replace(
        table,
        columns=tuple(one for one in table.columns if one.id != column),
        cells=tuple(cell for cell in table.cells if cell[1] != column),
    )
    return with_scheme(design, with_table(design.scheme, kept))


def with_rule(design: Design, rule: Rule) -> Design:
    """Replace the written rule of that id, or add it at the end; without an id it gets one.

    Raises: UnknownName for scope, role, type or rank; Unreadable for a selector; OutOfRange for ordinals.
    """
    scheme = design.scheme
    node = design.army.node(rule.scope, "scope")
    if rule.role:
        scheme.role(rule.role, "role")
    if rule.pattern:
        scheme.pattern(rule.pattern, "role")
    for selector in rule.select or ("",):
        checked_selector(selector, "select")
    _check_filter(rule.filter, node)
    if not rule.id:
        rule = replace(rule, id=slug(f"{rule.scope}-{rule.select[0] or 'all'}", {one.id for one in scheme.rules}))
    if any(one.id == rule.id for one in scheme.rules):
        rules = tuple(rule if one.id == rule.id else one for one in scheme.rules)
    else:
        rules = (*scheme.rules, rule)
    return with_scheme(design, replace(scheme, rules=rules))


def _check_filter(given: Filter, node: Node) -> None:
    ranks = {rank.id: rank for unit in node.walk() for rank in unit.ranks}
    if given.rank and given.rank not in ranks:
        raise UnknownName(f"rank in {node.name}", given.rank, list(ranks), "rank")
    types = {rank.type for rank in ranks.values()}
    if given.type and given.type not in types:
        raise UnknownName(f"figure type in {node.name}", given.type, sorted(types), "type")
    if any(not 1 <= ordinal <= MOST_FIGURES for ordinal in given.ordinals) or not 0 <= given.every <= MOST_FIGURES:
        raise OutOfRange(f"Figures are counted from 1 to {MOST_FIGURES}.", "ordinals")
    if given.every and given.first < 1:
        raise OutOfRange(f"Every {given.every} from no. {given.first}; the first figure is no. 1.", "first")


def with_replaced_role(design: Design, scope: str, role_id: str, use: str | None) -> Design:
    """Let one role be worn instead of another within a formation, or (None) no longer.

    Raises: UnknownName for formation or roles; Contradiction for a role instead of itself.
    """
    design.army.node(scope, "scope")
    for role in (role_id, use):
        if role is not None:
            design.scheme.role(role, "use")
    known = with_substitution(design.scheme.substitutions, scope, role_id, use)
    return with_scheme(design, replace(design.scheme, substitutions=known))


def with_toned_role(design: Design, role_id: str, name: str, pot: Paint, parts: float) -> tuple[Design, Role]:
    """Add a role like another, with some parts of one paint in every opaque mix: 'as Field, but darker'.

    Raises: Contradiction if a role has that name; what ``toned`` refuses.
    """
    like = design.scheme.role(role_id)
    design, role = with_new_role(design, name)
    recipes = tuple((tier, toned(recipe, pot, parts)) for tier, recipe in like.recipes)
    role = replace(role, recipes=recipes)
    return with_scheme(design, design.scheme.with_role(role)), role


def with_rule_on(design: Design, rule_id: str, *, on: bool) -> Design:
    """Switch a written rule on or off."""
    rules = tuple(replace(rule, on=on) if rule.id == rule_id else rule for rule in design.scheme.rules)
    return with_scheme(design, replace(design.scheme, rules=rules))


def without_rule(design: Design, rule_id: str) -> Design:
    """Remove a written rule."""
    kept = tuple(rule for rule in design.scheme.rules if rule.id != rule_id)
    return with_scheme(design, replace(design.scheme, rules=kept))


def with_undercoat(
    design: Design, undercoat: Paint, above: Paint | None = None, pot_coat: Paint | None = None
) -> Design:
    """Choose the undercoat of the force; above: sprayed over it from above; pot_coat: brushed over both.

    Raises: what ``checked_ground`` refuses.
    """
    return with_scheme(design, replace(design.scheme, ground=checked_ground(Ground(undercoat, above, pot_coat))))


def with_part_ground(design: Design, unit: str, assembly: str, ground: Ground | None) -> Design:
    """Let a unit, a sub-assembly or one of the other start on another ground than the army; None: on the army's again.

    Raises: what ``checked_part_grounds`` refuses.
    """
    rest = tuple(one for one in design.scheme.grounds if (one.unit, one.assembly) != (unit, assembly))
    grounds = (*rest, PartGround(ground, unit, assembly)) if ground else rest
    return with_scheme(design, replace(design.scheme, grounds=checked_part_grounds(grounds, design.army.nodes)))


def with_step(design: Design, role_id: str, tier: str, step: Step) -> Design:
    """Replace a step of a role's recipe for a tier, or add it at the end.

    A tier that had followed a plainer one gets its own copy first.
    Raises: what ``recipes.step.checked`` refuses; UnknownName for the tier.
    """
    role, recipe = _own(design, role_id, tier)
    if step.spot and step.spot.beside:
        design.scheme.role(step.spot.beside, "place/beside")
    if not step.id:
        step = replace(step, id=slug(step.kind, {one.id for one in recipe.steps}))
    return _with_recipe(design, role, tier, recipe.with_step(checked(step)))


def without_step(design: Design, role_id: str, tier: str, step_id: str) -> Design:
    """Remove a step."""
    role, recipe = _own(design, role_id, tier)
    return _with_recipe(design, role, tier, Recipe(tuple(step for step in recipe.steps if step.id != step_id)))


def with_step_moved(design: Design, role_id: str, tier: str, step_id: str, by: int) -> Design:
    """Move a step up (negative) or down its recipe."""
    role, recipe = _own(design, role_id, tier)
    steps = list(recipe.steps)
    at = next((index for index, step in enumerate(steps) if step.id == step_id), None)
    if at is None:
        raise UnknownName("step", step_id, [step.id for step in steps], "step")
    to = min(max(at + by, 0), len(steps) - 1)
    steps.insert(to, steps.pop(at))
    return _with_recipe(design, role, tier, Recipe(tuple(steps)))


def rows_of(army: Army, key: str) -> dict[str, str]:
    """The rows a table keyed so may have: row id to its name."""
    if key == "rank":
        return army.rank_names
    return {node.id: node.name for node in army.nodes.values() if node.kind == key}


def find_table(scheme: Scheme, table_id: str) -> Distinction:
    """The table of that id.

    Raises: UnknownName.
    """
    found = next((table for table in scheme.tables if table.id == table_id), None)
    if found is None:
        raise UnknownName("distinction table", table_id, [table.id for table in scheme.tables], "table")
    return found


def _own(design: Design, role_id: str, tier: str) -> tuple[Role, Recipe]:
    if tier not in TIERS:
        raise UnknownName("tier", tier, list(TIERS), "tier")
    role = design.scheme.role(role_id)
    return role, role.recipe(tier)


def _with_recipe(design: Design, role: Role, tier: str, recipe: Recipe) -> Design:
    return with_scheme(design, design.scheme.with_role(role.with_recipe(tier, recipe)))


def with_table(scheme: Scheme, table: Distinction) -> Scheme:
    """The scheme with a distinction table in place of the one of its id, or added."""
    if any(old.id == table.id for old in scheme.tables):
        return replace(scheme, tables=tuple(table if old.id == table.id else old for old in scheme.tables))
    return replace(scheme, tables=(*scheme.tables, table))
