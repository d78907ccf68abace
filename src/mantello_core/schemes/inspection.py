"""Inspection: small checks of a design, each with a finding that says what, where and how much."""

from collections import defaultdict
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..figures.catalogue import plate
from ..figures.vocabulary import sideless, spoken
from ..paints.range import paint
from ..recipes.layering import predicted
from .army import Army
from .cascade import FigureClass, Resolution
from .scheme import Design

#: CIEDE2000 of touching areas below which they run together at arm's length (design formula F16: 20,
#: less what a painted dark line between them gives)
WEAK_NEIGHBOURS = 12.0
#: mm of shared edge that make two areas matter to each other
SEAM_THAT_MATTERS = 2.0
#: more coats than this on one role is worth another undercoat or a bridge colour
MANY_COATS = 4
VERDICTS = ("clear", "look", "wrong")


@dataclass(frozen=True)
class Finding:
    """One place that a check points at."""

    what: str
    #: unit, rank and area to open on the plate; empty where there is none
    unit: str = ""
    rank: str = ""
    area: str = ""
    ordinal: int = 1
    number: float = 0.0


@dataclass(frozen=True)
class Check:
    """One check and what it found, worst first."""

    id: str
    name: str
    verdict: str
    #: the worst case in one line, or why all is well
    worst: str
    findings: tuple[Finding, ...] = ()
    #: what the check asks, with its threshold
    rule: str = ""


def inspect(design: Design, resolution: Resolution) -> tuple[Check, ...]:
    """Every check of a design, in a fixed order."""
    return (
        _unmapped(design.army, resolution),
        _weak_neighbours(design, resolution),
        _coats(design, resolution),
        _dead(design, resolution),
    )


def class_title(army: Army, one: FigureClass) -> str:
    """A class of figures in words: rank, then where it stands.

    >>> from ..formats.sample import calvessa
    >>> from .cascade import resolve
    >>> class_title(calvessa().army, resolve(calvessa().army, calvessa().scheme).classes[0])
    'Sergeant, 1st, the Harbour'
    """
    return f"{one.rank}, {army.title(one.unit)}"


def _finding(army: Army, one: FigureClass, area: str, said: str, number: float = 0.0) -> Finding:
    return Finding(f"{class_title(army, one)}: {said}", one.unit, one.rank, area, one.ordinals[0], number)


def _unmapped(army: Army, resolution: Resolution) -> Check:
    found = [_finding(army, one, area, spoken(area), len(one.ordinals)) for one, area in resolution.gaps]
    kinds = list(dict.fromkeys(spoken(sideless(area)) for _, area in resolution.gaps))
    worst = ", ".join(kinds[:3]) if found else "every area of every figure has a colour"
    return Check(
        "unmapped",
        "Unmapped areas",
        "wrong" if found else "clear",
        worst,
        tuple(found),
        "Every visible area of every figure resolves to a role.",
    )


def _weak_neighbours(design: Design, resolution: Resolution) -> Check:
    apparent = _apparent(design, resolution)
    seen: dict[tuple, Finding] = {}
    for one in resolution.classes:
        shape = plate(one.type)
        for area, beside in shape.neighbours.items():
            for other, length in beside.items():
                pair = tuple(sorted((one.cells[area].role or "", one.cells[other].role or "")))
                if length < SEAM_THAT_MATTERS or area > other or not pair[0] or pair[0] == pair[1]:
                    continue
                apart = difference(apparent[pair[0], one.tier], apparent[pair[1], one.tier])
                key = (*pair, sideless(area), sideless(other))
                if apart < WEAK_NEIGHBOURS and key not in seen:
                    said = f"{spoken(area)} on {spoken(other).lower()}, {apart:.0f} apart"
                    seen[key] = _finding(design.army, one, area, said, apart)
    found = sorted(seen.values(), key=lambda finding: finding.number)
    worst = found[0].what if found else "all touching areas can be told apart"
    rule = f"Touching areas differ by at least {WEAK_NEIGHBOURS:g} (CIEDE2000, after all steps of their recipes)."
    return Check("neighbours", "Weak neighbours", "look" if found else "clear", worst, tuple(found), rule)


def _apparent(design: Design, resolution: Resolution) -> dict[tuple[str, str], Lab]:
    undercoat = paint(design.scheme.undercoat)
    worn = {(cell.role, one.tier) for one in resolution.classes for cell in one.cells.values() if cell.role}
    return {(role, tier): predicted(design.scheme.role(role).recipe(tier), undercoat).apparent for role, tier in worn}


def _coats(design: Design, resolution: Resolution) -> Check:
    undercoat = paint(design.scheme.undercoat)
    worn: dict[str, FigureClass] = {}
    for one in resolution.classes:
        for cell in one.cells.values():
            if cell.role:
                worn.setdefault(cell.role, one)
    found, bare = [], []
    for role_id, one in worn.items():
        role = design.scheme.role(role_id)
        outcomes = predicted(role.recipe(one.tier), undercoat).outcomes
        area = next(name for name, cell in one.cells.items() if cell.role == role_id)
        if not outcomes:
            bare.append(Finding(f"{role.name} has no recipe yet", one.unit, one.rank, area, one.ordinals[0], 99))
        elif (most := max(outcome.coats for outcome in outcomes)) > MANY_COATS:
            found.append(
                Finding(
                    f"{role.name}: {most} coats over {undercoat.name}", one.unit, one.rank, area, one.ordinals[0], most
                )
            )
    found = bare + sorted(found, key=lambda finding: -finding.number)
    worst = found[0].what if found else f"no role needs more than {MANY_COATS}"
    rule = f"No step takes more than {MANY_COATS} coats on the undercoat; every role that is worn has a recipe."
    return Check(
        "coats", "Coats needed", ("wrong" if bare else "look") if found else "clear", worst, tuple(found), rule
    )


def _dead(design: Design, resolution: Resolution) -> Check:
    by_rule: dict[str, str] = {}
    for rule in resolution.dead_rules(design.scheme, design.army):
        by_rule[rule.id] = f"{rule.role or 'bare'} on {', '.join(rule.select[:2]) or 'everything'}"
    named = defaultdict(int)
    for rule in design.scheme.all_rules(design.army.root.id):
        named[rule.role] += 1
    unused = [role for role in design.scheme.roles if not named[role.id]]
    found = [Finding(f"Rule wins nowhere: {said}") for said in by_rule.values()]
    found += [Finding(f"No rule names the role {role.name}") for role in unused]
    worst = found[0].what if found else "every rule wins somewhere, every role is named"
    rule = "Every rule wins somewhere and every role is named by a rule."
    return Check("dead", "Dead rules, unused roles", "look" if found else "clear", worst, tuple(found), rule)
