"""Edits of camouflage patterns: kept with where they lie, taken away, single figures laid out otherwise, and three to start from."""

import math
from dataclasses import replace

from ..camouflage.pattern import MOST_PATTERNS, Ink, Pattern, checked_pattern
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import Contradiction, OutOfRange
from ..naming import slug
from ..scheme.cascade import Resolution, resolve
from ..scheme.rule import Rule
from ..scheme.selector import areas_named
from .design import Design
from .edit import with_rule, with_scheme, without_rule

#: CIEDE2000 from which two inks are told from one another across a table
_TOLD_APART = 16.0
#: chroma up to which a colour is dull enough to hide in
_DULL = 26.0
#: areas that one rule names at most
_MOST_AREAS = 120
#: before the id of a pattern in that of the rule that places it
_RULE = "camo-"
#: shares of the inks of a pattern to start from, by how many there are
_SHARES = {2: (0.55, 0.45), 3: (0.5, 0.3, 0.2)}
#: three to start from: name, family, m of a patch, tool, degrees, stretch, rough
_STARTS = (
    ("Soft blotches", "blotch", 0.42, "airbrush", 18.0, 1.5, 0.5), ("Sharp shards", "splinter", 0.55, "mask", 8.0, 1.6, 0.4),
    ("Waving bands", "bands", 0.42, "airbrush", 28.0, 1.4, 0.5),
)  # fmt: skip
#: the same on cloth
_CLOTH_STARTS = (
    ("Hanging strokes", "strokes", 0.11, "brush", 74.0, 4.2, 0.3), ("Cloth shards", "splinter", 0.2, "brush", 60.0, 1.5, 0.4),
    ("Cloth blotches", "blotch", 0.13, "brush", 60.0, 1.3, 0.4),
)  # fmt: skip


def with_pattern(design: Design, pattern: Pattern, rule: Rule) -> Design:
    """The design with a pattern kept, new or changed, and the rule that places it. Without an id it gets one.

    Raises: what ``checked_pattern`` and ``with_rule`` refuse; Contradiction if it would lie on no figure.
    """
    scheme = design.scheme
    if not pattern.id:
        pattern = replace(pattern, id=slug(pattern.name, {one.id for one in scheme.patterns}))
    checked_pattern(pattern, scheme.role_by_id)
    known = pattern.id in scheme.pattern_by_id
    if not known and len(scheme.patterns) >= MOST_PATTERNS:
        raise OutOfRange(f"There are {len(scheme.patterns)} patterns; allowed are up to {MOST_PATTERNS}.", "name")
    kept = tuple(pattern if one.id == pattern.id else one for one in scheme.patterns)
    made = with_scheme(design, replace(scheme, patterns=kept if known else (*kept, pattern)))
    rule = replace(rule, id=_RULE + pattern.id, role="", pattern=pattern.id)
    laid = with_rule(made, rule)
    if not _lies(laid, pattern.id):  # rules of the same rung that name areas win over a tag: so name them too
        exact = _one_by_one(design, rule)
        laid = with_rule(made, replace(rule, select=exact)) if exact else laid
    if not _lies(laid, pattern.id):
        raise Contradiction(
            "No figure there has such an area, or another rule wins on all of them; the pattern would lie on nobody.",
            "select",
        )
    return laid


def _lies(design: Design, pattern_id: str) -> bool:
    return any(pattern_id in one.patterns for one in resolve(design.army, design.scheme).classes)


def _one_by_one(design: Design, rule: Rule) -> tuple[str, ...]:
    """The areas that a rule's selectors mean on the figures of its scope, each by its own name."""
    found: dict[str, None] = {}
    for unit in design.army.node(rule.scope, "scope").walk():
        for rank in unit.ranks:
            if not rule.filter.type or rank.type == rule.filter.type:
                found |= dict.fromkeys(areas_named(design.army.plate(rank.type), rule.select))
    return tuple(f"={name}" for name in found)[:_MOST_AREAS]


def placing_rule(design: Design, pattern_id: str) -> Rule | None:
    """The rule that places a pattern: its own, or the first that names it; None where none does."""
    named = [rule for rule in design.scheme.rules if rule.pattern == pattern_id]
    return next((rule for rule in named if rule.id == _RULE + pattern_id), next(iter(named), None))


def without_pattern(design: Design, pattern_id: str) -> Design:
    """The design without a pattern, and the rules and cells that place it. Raises: UnknownName."""
    design.scheme.pattern(pattern_id)
    for rule in design.scheme.rules:
        if rule.pattern == pattern_id:
            design = without_rule(design, rule.id)
    tables = tuple(
        replace(table, cells=tuple(cell for cell in table.cells if cell.pattern != pattern_id))
        for table in design.scheme.tables
    )
    patterns = tuple(one for one in design.scheme.patterns if one.id != pattern_id)
    return with_scheme(design, replace(design.scheme, patterns=patterns, tables=tables))


def with_layout(design: Design, pattern_id: str, unit: str, rank: str, ordinal: int, seed: int | None) -> Design:
    """One figure laid out by a seed of its own; None lets it follow from pattern and figure again.

    Raises: UnknownName for pattern, unit or rank; what ``checked_pattern`` refuses.
    """
    pattern = design.scheme.pattern(pattern_id)
    figures = design.army.rank(unit, rank).figures
    if not 1 <= ordinal <= figures:
        raise OutOfRange(f"Figure {ordinal}; there are {figures}.", "figure")
    others = tuple(one for one in pattern.layouts if one[:3] != (unit, rank, ordinal))
    pinned = (*others, (unit, rank, ordinal, seed)) if seed is not None else others
    made = checked_pattern(replace(pattern, layouts=pinned), design.scheme.role_by_id)
    return with_changed(design, made)


def with_changed(design: Design, made: Pattern) -> Design:
    """The design with a pattern in place of the one of its id; the rule that places it stays."""
    patterns = tuple(made if one.id == made.id else one for one in design.scheme.patterns)
    return with_scheme(design, replace(design.scheme, patterns=patterns))


def starts(design: Design, roles: tuple[str, ...], *, cloth: bool) -> tuple[Pattern, ...]:
    """Three patterns in two or three roles of the scheme, the lightest as ground, to start from."""
    scheme = design.scheme

    def light(role: str) -> float:
        recipe = scheme.role(role).recipe()
        return scheme.predicted(recipe).apparent.lightness if recipe.steps else 50.0

    ordered = sorted(dict.fromkeys(roles), key=light, reverse=True)[:3]
    inks = tuple(Ink(role, share) for role, share in zip(ordered, _SHARES[len(ordered)], strict=True))
    return tuple(
        Pattern("", name, family, inks, size, tool, None, turn, stretch, rough)
        for name, family, size, tool, turn, stretch, rough in (_CLOTH_STARTS if cloth else _STARTS)
    )


def rule_to_start(design: Design, resolution: Resolution, select: str) -> Rule | None:
    """Where a new pattern would lie: the first unit that has such areas, one without a pattern if there is any.

    None where nobody has such areas.
    """
    army = design.army
    found = [
        unit.id for unit in army.units if any(areas_named(army.plate(rank.type), (select,)) for rank in unit.ranks)
    ]
    plain = (unit for unit in found if not any(one.patterns for one in resolution.of_unit(unit)))
    unit = next(plain, next(iter(found), None))
    return Rule("", unit, (select,), "") if unit else None


def _shows(colour: Lab, ground: Lab) -> float:
    """How much a colour shows on a ground: its difference, its hue once more, and how much it is not dull."""
    turned = math.hypot(colour.a - ground.a, colour.b - ground.b)
    hue = math.sqrt(max(0.0, turned**2 - (colour.chroma - ground.chroma) ** 2))
    return difference(colour, ground) + hue + max(0.0, colour.chroma - _DULL)


def inks_like(design: Design, ground: Lab) -> tuple[str, ...]:
    """Up to three roles of the scheme to camouflage with on a ground: dull ones near it that are told apart."""
    known = []
    for role in design.scheme.roles:
        recipe = role.recipe()
        if recipe.steps and not any(pot.kind == "metallic" for step in recipe.steps for pot in step.mix.paints):
            known.append((role.id, design.scheme.predicted(recipe).apparent))
    near = sorted(known, key=lambda one: _shows(one[1], ground))
    chosen = [near[0][0]] if near else []
    for id_, colour in near[1:]:
        if all(difference(colour, dict(known)[one]) >= _TOLD_APART for one in chosen):
            chosen.append(id_)
        if len(chosen) == 3:
            break
    return tuple(chosen)
