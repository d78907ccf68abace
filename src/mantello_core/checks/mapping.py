"""Checks of the mapping: gaps, dead rules, marks lost to deeper rules, ranks that cannot be told apart."""

from collections.abc import Mapping
from dataclasses import replace
from functools import partial

from ..army.tree import Army
from ..design.design import Design
from ..design.edit import without_role, without_rule
from ..design.rung_edit import set_here
from ..figures.vocabulary import sideless, spoken
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.rule import Rule
from ..scheme.selector import areas_named
from ..scheme.sentence import areas_words
from .finding import Check, Finding, Fix, at, class_title, of
from .look import Look


def unmapped(look: Look) -> Check:
    """Areas that no rule speaks of; the fix is what the same area, or the same material, wears elsewhere."""
    design, resolution = look.design, look.resolution
    names = tuple((role.id, role.name) for role in design.scheme.roles)
    found, kinds = resolution.worn.last(
        "gaps", (design.army, names), lambda: _gaps(design.army, resolution, dict(names))
    )
    worst = ", ".join(kinds[:3]) if found else "every area of every figure has a colour"
    rule = "Every visible area of every figure resolves to a role, or is left bare on purpose."
    return Check("unmapped", "Unmapped areas", "wrong" if found else "clear", worst, found, rule)


def _gaps(army: Army, resolution: Resolution, names: Mapping[str, str]) -> tuple[tuple[Finding, ...], tuple[str, ...]]:
    """The gaps of an army, and what areas they are, in words."""
    gaps = resolution.gaps
    usual, by_material = resolution.worn.usual if gaps else ({}, {})
    found = []
    for one, area in gaps:
        role = usual.get(sideless(area)) or by_material.get(one.plate.areas[area].material)
        fix = partial(_mapped, names[role], one, area, role) if role else None
        finding = at(army, one, area, spoken(area), f"{one.unit}|{one.rank}|{area}", len(one.ordinals), fix)
        found.append(of(finding, f"{class_title(army, one)}: no colour yet", (), (area,), len(one.ordinals)))
    return tuple(found), tuple(dict.fromkeys(spoken(sideless(area)) for _, area in gaps))


def _mapped(name: str, one: FigureClass, area: str, role: str) -> Fix:
    sides = tuple(each for each in one.cells if sideless(each) == sideless(area) and one.cells[each].role is None)
    return Fix(f"{name} for the whole army", lambda now: set_here(now, one.first, sides, role, 1), role)


def dead(look: Look) -> Check:
    """Rules that win nowhere, and roles that no rule names."""
    design, resolution = look.design, look.resolution
    rules = resolution.dead_rules(design.scheme, design.army)
    named = {rule.role for rule in design.scheme.all_rules(design.army)}
    named |= {one.role for one in design.scheme.placements}
    named |= {role for pattern in design.scheme.patterns for role in pattern.roles}
    named |= {role for arms in design.scheme.arms for _, role in arms.bound}
    found = [
        Finding(
            f"Wins nowhere: {_said(rule, design)}",
            f"rule|{rule.id}",
            mending=_removed(rule),
            cause="Rules that win nowhere",
        )
        for rule in rules
    ]
    found += [
        Finding(f"No rule names the role {role.name}", f"role|{role.id}", mending=Fix(f"remove {role.name}", lambda now, id_=role.id: without_role(now, id_)), cause="Roles that no rule names")
        for role in design.scheme.roles
        if role.id not in named
    ]  # fmt: skip
    worst = found[0].what if found else "every rule wins somewhere, every role is named"
    return Check(
        "dead",
        "Dead rules",
        "look" if found else "clear",
        worst,
        tuple(found),
        "Every rule wins somewhere and every role is named by a rule.",
    )


def _said(rule: Rule, design: Design) -> str:
    role = design.scheme.role_by_id.get(rule.role)
    return f"{role.name if role else 'bare'} on {areas_words(rule.select)}"


def _removed(rule: Rule) -> Fix | None:
    if rule.table:
        return None
    return Fix("remove the rule", lambda now: without_rule(now, rule.id))


def overridden(look: Look) -> Check:
    """Rank and figure marks set higher up that lose to a deeper, plainer rule: decided for you."""
    design, resolution = look.design, look.resolution
    army = design.army
    found: dict[tuple[str, str], Finding] = {}
    rules = [rule for rule in design.scheme.all_rules(army) if rule.filter.rank or rule.filter.by_ordinal]
    for one in resolution.classes:
        path = army.paths[one.unit]
        for rule in rules:
            if rule.scope not in path or not rule.filter.admits(one.type, one.rank, army.nodes[one.unit].tags):
                continue
            if not rule.filter.admits_ordinal(one.ordinals[0]):
                continue
            for area in areas_named(one.plate, rule.select):
                winner = one.cells[area].rule
                if winner is None or winner.id == rule.id or winner.binding or rule.binding:
                    continue
                deeper = path.index(winner.scope) > path.index(rule.scope)
                if deeper and winner.filter.narrowness < rule.filter.narrowness and (rule.id, winner.id) not in found:
                    said = f"{spoken(area)} is {_said(winner, design)}, not {_said(rule, design)}"
                    found[rule.id, winner.id] = at(
                        army, one, area, said, f"{rule.id}|{winner.id}", mending=_bound(rule)
                    )
    listed = tuple(found.values())
    worst = listed[0].what if listed else "no mark is lost to a deeper rule"
    rule = "Where a deeper rule overrides a rank's or a figure's mark set higher up, the deeper one was taken: check these."
    return Check("overridden", "Decided for you", "look" if listed else "clear", worst, listed, rule)


def _bound(rule: Rule) -> Fix | None:
    if rule.table:
        return None

    def change(now: Design) -> Design:
        rules = tuple(replace(one, binding=True) if one.id == rule.id else one for one in now.scheme.rules)
        return replace(now, scheme=replace(now.scheme, rules=rules))

    return Fix("let the mark bind those below", change)


def ranks(look: Look) -> Check:
    """Ranks of one unit that are drawn alike and wear the same everywhere."""
    design, resolution = look.design, look.resolution
    army, found = design.army, []
    by_unit: dict[str, list[FigureClass]] = {}
    for one in resolution.classes:
        by_unit.setdefault(one.unit, []).append(one)
    for classes in by_unit.values():
        firsts = {one.rank: one for one in reversed(classes)}
        ids = sorted(firsts)
        for at_, id_ in enumerate(ids):
            for other in ids[at_ + 1 :]:
                one, two = firsts[id_], firsts[other]
                if one.type == two.type and _look_alike(one, two):
                    found.append(
                        Finding(
                            f"{class_title(army, one)} looks like {two.rank_name}",
                            f"{one.unit}|{id_}|{other}",
                            one.unit,
                            id_,
                            next(iter(one.cells)),
                        )
                    )
        leading = [firsts[id_] for id_ in ids if firsts[id_].tier == "leader"]
        if len(leading) > 1:
            one = leading[0]
            names = ", ".join(each.rank_name for each in leading)
            said = f"{army.title(one.unit)} has {len(leading)} ranks that could lead it: {names}; say by their tier which does"
            found.append(Finding(said, f"{one.unit}|leaders", one.unit, one.rank, next(iter(one.cells))))
    worst = found[0].what if found else "ranks of every unit can be told apart"
    return Check(
        "ranks",
        "Rank marks",
        "look" if found else "clear",
        worst,
        tuple(found),
        "Two ranks of a unit differ in their figure, in at least one area, or in a mark; one rank leads it.",
    )


def _look_alike(one: FigureClass, two: FigureClass) -> bool:
    alike = all(one.cells[area].role == two.cells[area].role for area in one.cells)
    return alike and _devices(one) == _devices(two)


def _devices(one: FigureClass) -> dict[str, tuple]:
    return {site: (borne.placement.device, borne.placement.role) for site, borne in one.borne.items()}
