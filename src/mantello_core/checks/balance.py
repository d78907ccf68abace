"""Checks of balance: accents, shares, common ground, signatures, metals, materials, paint trouble."""

from collections import defaultdict
from collections.abc import Mapping
from functools import partial

import numpy as np

from ..army.tree import Army
from ..design.edit import with_undercoat
from ..figures.by_area import mm2_of
from ..figures.plate import Plate, PlateArea
from ..figures.vocabulary import sideless, spoken
from ..film.reached import reached, shows_ground
from ..memory import remembered
from ..mixing.undercoat import best_undercoat, palest
from ..paints.paint import Paint
from ..recipes.step import Step
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.share import role_shares
from .finding import Check, Finding, Fix, at, of
from .look import Look
from .seams import Seams, seams_of
from .stuff import STUFF

#: stuffs whose colour nothing else beside them has, and mm² from which two other pieces merge
_NEVER_SHARED, LARGE_MM2 = {"metal", "skin"}, 25.0


def _share(one: FigureClass, roles: set[str]) -> float:
    areas = one.plate.areas
    whole = sum(area.mm2 for name, area in areas.items() if not name.startswith("base"))
    mine = sum(
        areas[name].mm2 for name, cell in one.cells.items() if cell.role in roles and not name.startswith("base")
    )
    return mine / whole if whole else 0.0


def accents(look: Look) -> Check:
    """The share of the accent roles on every figure."""
    design, resolution = look.design, look.resolution
    aims = design.scheme.aims
    least, most = aims.threshold("accent_least"), aims.threshold("accent_most")
    rule = (
        f"Accent roles take {100 * least:.0f} % to {100 * most:.0f} % of every figure's visible area, its base aside."
    )
    thresholds = ("accent_least", "accent_most")
    if not aims.accents:
        return Check("accents", "Accent share", "clear", "no role is marked as an accent", (), rule, thresholds)
    found = []
    for one in resolution.classes:
        share = _share(one, set(aims.accents))
        if not least <= share <= most:
            area = next((name for name, cell in one.cells.items() if cell.role in aims.accents), next(iter(one.cells)))
            said = f"accents take {100 * share:.1f} %, {'too little' if share < least else 'too much'}"
            found.append(at(design.army, one, area, said, f"{one.unit}|{one.rank}", abs(share - (least + most) / 2)))
    found.sort(key=lambda finding: -finding.number)
    worst = found[0].what if found else "accents keep their share on every figure"
    return Check("accents", "Accent share", "look" if found else "clear", worst, tuple(found), rule, thresholds)


def shares(look: Look) -> Check:
    """Roles against their wanted shares of the army's visible area."""
    design, resolution = look.design, look.resolution
    aims, worn = design.scheme.aims, role_shares(resolution, design.scheme) if resolution.classes else {}
    near = aims.threshold("share")
    found = []
    for role, target in aims.shares:
        if role in design.scheme.role_by_id and abs(worn.get(role, 0.0) - target) > near:
            said = (
                f"{design.scheme.role(role).name} takes {100 * worn.get(role, 0.0):.0f} %, wanted {100 * target:.0f} %"
            )
            found.append(Finding(said, role, number=abs(worn.get(role, 0.0) - target)))
    found.sort(key=lambda finding: -finding.number)
    worst = found[0].what if found else "wanted shares are met" if aims.shares else "no shares are wanted"
    rule = f"A role with a wanted share lies within {100 * near:.0f} % of it."
    return Check("shares", "Wanted shares", "look" if found else "clear", worst, tuple(found), rule, ("share",))


def common(look: Look) -> Check:
    """The share of the army that is decided at the army's own rung."""
    design, resolution = look.design, look.resolution
    aims = design.scheme.aims
    low, high = aims.threshold("common_least"), aims.threshold("common_most")
    whole, mine = resolution.worn.last("common", (), lambda: _common(resolution))
    share = mine / whole if whole else 0.0
    found = ()
    if whole and not low <= share <= high:
        why = "too little to hold the army together" if share < low else "so much that formations vanish"
        found = (Finding(f"{100 * share:.0f} % is decided at the army's rung, {why}", "common", number=share),)
    worst = found[0].what if found else f"{100 * share:.0f} % is common to the whole army"
    rule = f"{100 * low:.0f} % to {100 * high:.0f} % of the visible area is decided at the army's rung."
    return Check(
        "common", "Common ground", "look" if found else "clear", worst, found, rule, ("common_least", "common_most")
    )


def _common(resolution: Resolution) -> tuple[float, float]:
    """The army's visible mm², and of them those decided at the army's own rung."""
    whole = mine = 0.0
    for one in resolution.classes:
        mm2, cells = mm2_of(one.plate), one.cells
        whole += float(mm2.sum()) * len(one.ordinals)
        mine += float(mm2[[cells[name].rung == 1 for name in one.plate.areas]].sum()) * len(one.ordinals)
    return whole, mine


def signatures(look: Look) -> Check:
    """Whether every figure carries at least two of the army's signature roles."""
    design, resolution = look.design, look.resolution
    wanted = [role for role in design.scheme.aims.signatures if role in design.scheme.role_by_id]
    least = min(2, len(wanted))
    found = []
    for one in resolution.classes if wanted else ():
        worn = {cell.role for cell in one.cells.values()}
        missing = [design.scheme.role(role).name for role in wanted if role not in worn]
        if len(wanted) - len(missing) < least:
            found.append(
                at(
                    design.army,
                    one,
                    next(iter(one.cells)),
                    f"lacks {', '.join(missing)}",
                    f"{one.unit}|{one.rank}",
                    len(missing),
                )
            )
    worst = found[0].what if found else "every figure carries them" if wanted else "no role is marked as a signature"
    rule = "Every figure carries at least two of the roles marked as signatures (one, if only one is marked)."
    return Check("signatures", "Signatures", "look" if found else "clear", worst, tuple(found), rule)


def materials(look: Look) -> Check:
    """One role on touching areas of different stuff, so that cloth, leather and metal merge."""
    design, resolution = look.design, look.resolution
    names, seam = tuple((role.id, role.name) for role in design.scheme.roles), design.scheme.aims.threshold("seam")
    listed = resolution.worn.last(
        "materials", (design.army, names, seam), lambda: _merging(design.army, resolution, dict(names), seam)
    )
    worst = listed[0].what if listed else "no touching materials share a colour"
    return Check(
        "materials",
        "Same colour, other stuff",
        "look" if listed else "clear",
        worst,
        listed,
        f"Metal and skin share their colour with no other stuff beside them; other stuff only where both lie in less than {LARGE_MM2:g} mm².",
        ("seam",),
    )


def _merging(army: Army, resolution: Resolution, names: Mapping[str, str], seam: float) -> tuple[Finding, ...]:
    """Areas of one role and other stuff that touch along so many mm, the longest first."""
    found: dict[str, Finding] = {}
    for one in resolution.classes:
        areas, on = one.plate.areas, resolution.worn.numbers(one)
        seams = seams_of(one.plate, seam)
        alike = seams.where((on[seams.first] == on[seams.second]) & (on[seams.first] >= 0) & _matter(one.plate, seams))
        for (area, other), length in zip(alike.pairs, alike.length.tolist(), strict=True):
            role = one.cells[area].role
            stuff = STUFF[areas[area].material], STUFF[areas[other].material]
            key = "|".join((role, *sorted((sideless(area), sideless(other)))))
            if key in found:
                continue
            said = f"{spoken(area)} ({stuff[0]}) and {spoken(other).lower()} ({stuff[1]}) share {names[role]}"
            finding = at(army, one, area, said, key, length)
            found[key] = of(
                finding, f"{names[role]} on {' and '.join(sorted(stuff))}", (role,), (area, other), len(one.ordinals)
            )
    return tuple(sorted(found.values(), key=lambda finding: -finding.number))


@remembered(1_000)
def _matter(shape: Plate, seams: Seams) -> np.ndarray:
    """Of every seam whether the stuffs beside it in one colour are worth a word."""
    areas = shape.areas
    return np.array([_matters(areas[one], areas[other]) for one, other in seams.pairs], bool)


def _matters(one: PlateArea, other: PlateArea) -> bool:
    """Whether two touching stuffs in one colour are worth a word: cords, laces and bindings in the colour of what they hold are
    ordinary work; metal and skin are not, nor are two large pieces that merge."""
    stuff = STUFF.get(one.material), STUFF.get(other.material)
    if None in stuff or stuff[0] == stuff[1]:
        return False
    return bool(set(stuff) & _NEVER_SHARED) or min(one.mm2, other.mm2) >= LARGE_MM2


def _first_worn(resolution: Resolution) -> dict[tuple[str, str], tuple[FigureClass, str]]:
    """Every role in every tier in which it is worn, with the first class that wears it and the area where it does."""
    worn: dict[tuple[str, str], tuple[FigureClass, str]] = {}
    for one in resolution.classes:
        for role, areas in resolution.worn.areas(one).items():
            worn.setdefault((role, one.tier), (one, areas[0]))
    return worn


def trouble(look: Look) -> Check:
    """Steps of many coats, mixes of many paints, and roles that are worn without a recipe."""
    design, resolution = look.design, look.resolution
    aims = design.scheme.aims
    worn = resolution.worn.last("first worn", (), lambda: _first_worn(resolution))
    found: dict[str, Finding] = defaultdict()
    for (role_id, tier), (one, area) in worn.items():
        role, place = (
            design.scheme.role(role_id),
            {"unit": one.unit, "rank": one.rank, "area": area, "ordinal": one.ordinals[0]},
        )
        ground = resolution.ground_under(role_id, tier) or design.scheme.ground
        laid = design.scheme.predicted(role.recipe(tier), ground, resolution.worn.usual_form(role_id, tier)).coats
        if not laid:
            found[f"none|{role_id}"] = Finding(f"{role.name} has no recipe yet", f"none|{role_id}", **place, number=99)
            continue
        step, most = max(laid, key=lambda one: one[1])
        if most > aims.threshold("coats"):
            said = f"{role.name}: {most} coats over {ground.words}"
            found.setdefault(
                f"coats|{role_id}",
                Finding(said, f"coats|{role_id}", **place, number=most, mending=partial(_kinder, step, most)),
            )
        recipe = role.recipe(tier)
        if shows_ground(recipe) and f"dark|{role_id}" not in found:
            pale = palest()
            seen = reached(recipe, ground, pale, design.scheme.calibrations)
            if seen.lost:
                said = f"{role.name} cannot show over {ground.words}: L* {seen.here.lightness:.0f}, over {pale.name} {seen.pale.lightness:.0f}"
                found[f"dark|{role_id}"] = Finding(
                    said, f"dark|{role_id}", **place, number=50, mending=partial(_paler, pale)
                )
        many = max(len(step.mix.parts) for step, _ in laid)
        if many > aims.threshold("paints"):
            found.setdefault(
                f"paints|{role_id}",
                Finding(f"{role.name}: {many} paints in one mix", f"paints|{role_id}", **place, number=many),
            )
    listed = tuple(sorted(found.values(), key=lambda finding: -finding.number))
    wrong = any(finding.key.startswith("none|") for finding in listed)
    worst = listed[0].what if listed else f"no step takes more than {aims.threshold('coats'):g} coats"
    rule = (
        f"No step takes more than {aims.threshold('coats'):g} coats on the undercoat, no mix more than {aims.threshold('paints'):g} paints;"
        " a transparent colour lies on a ground that lets it show; every role that is worn has a recipe."
    )
    return Check(
        "coats",
        "Coats needed",
        "wrong" if wrong else "look" if listed else "clear",
        worst,
        listed,
        rule,
        ("coats", "paints"),
    )


def _paler(pale: Paint) -> Fix:
    return Fix(
        f"{pale.name} for the army: stains show their colour, other roles change too",
        lambda now: with_undercoat(now, pale),
    )


def _kinder(step: Step, coats: int) -> Fix | None:
    best = best_undercoat(step.mix)
    if best.coverage.coats is None or best.coverage.coats >= coats:
        return None
    words = f"{best.undercoat.name} for the army: {best.coverage.coats} coats here, other roles change too"
    return Fix(words, lambda now: with_undercoat(now, best.undercoat))
