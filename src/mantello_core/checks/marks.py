"""Checks of what figures bear: types without room for it, marks that vanish on their ground, arms against custom."""

from collections.abc import Iterable
from functools import partial

import numpy as np

from ..bearers.allotment import Allotment, allotments, lacks
from ..colour.acuity import seen_difference, seen_differences
from ..design.bearing import device_words, with_manner
from ..design.design import Design
from ..insignia.arms.appearance import contrasts
from ..insignia.arms.arms_drawing import drawn_arms
from ..insignia.arms.retinue import alike, livery_of
from ..insignia.arms.tincture_rule import breaches
from ..insignia.devices.device import ARMS, MARGIN
from ..insignia.devices.freehand import FINEST_LINE
from ..insignia.devices.stroke import device_stroke
from ..insignia.devices.worn import surface_for, width_on
from ..marks.placement import Placement, site_ids
from ..scheme.cascade import FigureClass
from .finding import Check, Finding, Fix, class_title
from .look import Look

#: mm a line round a mark is tried at, the finest first
_LINES = (0.3, 0.4, 0.5, 0.6, 0.8, 1.0)
#: L* that a line stands off its mark; CIEDE2000 that a mm of line more must be worth
STEP, _COST = 30.0, 40.0


def sites(look: Look) -> Check:
    """Marks given to figures whose type has no room for them, and that show them nowhere else."""
    design, army = look.design, look.design.army
    found = []
    for one in design.scheme.marks:
        if one.device is None or one.scope not in army.nodes:
            continue
        spoken = [each for each in look.resolution.classes if _speaks(design, one, each)]
        showing = [each for each in spoken if one.device in _devices(each)]
        # arms go to those who may bear them; who of a house's people lacks them is told by the check of arms
        lacking = [] if one.device.kind == ARMS and showing else [each for each in spoken if each not in showing]
        lacking = [each for each in lacking if not each.plate.named_sites(one.site)]
        if not lacking:
            continue
        first, words = lacking[0], device_words(design.scheme, one.device)
        types = list(dict.fromkeys(each.plate.title for each in lacking))
        said = (
            f"{_capital(words)} of {army.nodes[one.scope].name}: no {one.site.replace('.', ' ')} on {', '.join(types)}"
        )
        said += "" if showing else "; it shows nowhere"
        room = list(dict.fromkeys(site for each in lacking for site in site_ids(each.plate)))
        said += f". They have {', '.join(name.replace('.', ' ') for name in room[:4])}" if room else ""
        found.append(
            Finding(
                said, one.id, first.unit, first.rank, "", first.ordinals[0], number=len(lacking) + 100 * (not showing)
            )
        )
    found.sort(key=lambda finding: -finding.number)
    worst = found[0].what if found else "every mark has its place on those who bear it"
    verdict = "clear" if not found else "wrong" if found[0].number >= 100 else "look"
    rule = "A figure that is given a mark has the site for it, or shows the same mark elsewhere."
    return Check("sites", "Room for marks", verdict, worst, tuple(found), rule)


def emblems(look: Look) -> Check:
    """Marks that vanish on their ground from where they are seen, or are finer than a brush."""
    aims = look.design.scheme.aims
    found = []
    for one in allotments(look.resolution):
        found += _arms_read(look, one) if one.device.kind == ARMS else _mark_reads(look, one)
        found += _fine(look, one)
        found += _unseen(look, one)
    found.sort(key=lambda finding: finding.number)
    worst = found[0].what if found else "every mark reads on its ground"
    step, left = aims.threshold("emblem"), aims.threshold("emblem_left")
    rule = (
        f"A mark stands {step:g} L* off its ground, or {2 * left:g} (CIEDE2000) are left of it from {look.far:g} m; {left:g}"
        f" are left in any case. Painted by hand, its thinnest stroke is {FINEST_LINE:g} mm at least."
    )
    thresholds = ("emblem", "emblem_left")
    return Check(
        "emblems", "Marks on their ground", "look" if found else "clear", worst, tuple(found), rule, thresholds
    )


def arms(look: Look) -> Check:
    """Arms that break the rule of tincture, are another's, or are missing on those who should bear them."""
    design, scheme = look.design, look.design.scheme
    found = []
    for one in scheme.arms:
        for breach in breaches(one.tree):
            if breach.excused:
                continue
            found.append(Finding(f"{one.name}: {breach.words}", f"rule|{one.id}|{breach.words}", number=1))
    known: dict[str, str] = {}
    for one in scheme.arms:
        if one.blazon in known:
            found.append(Finding(f"{one.name} and {known[one.blazon]} have the same arms", f"same|{one.id}", number=0))
        known.setdefault(one.blazon, one.name)
    borne = [one for one in scheme.arms if one.bearer]
    for first, second in alike([livery_of(one.tree) for one in borne]):
        names = borne[first].name, borne[second].name
        found.append(
            Finding(f"{names[0]} and {names[1]} wear the same livery", f"livery|{names[0]}|{names[1]}", number=3)
        )
    for lack in lacks(design.army, scheme, look.resolution):
        one = lack.bearer
        said = f"{class_title(design.army, one)} shows the arms of {scheme.named_arms(lack.arms).name} nowhere"
        key = f"lacks|{lack.arms}|{one.unit}|{one.rank}"
        found.append(Finding(said, key, one.unit, one.rank, "", one.ordinals[0], number=2))
    found.sort(key=lambda finding: finding.number)
    worst = found[0].what if found else "arms keep the rule, are each borne by one house, and are shown"
    rule = "Arms keep the rule of tincture; no two houses share arms or livery; leaders show those of their house."
    return Check("arms", "Arms", "look" if found else "clear", worst, tuple(found), rule)


def _speaks(design: Design, placement: Placement, one: FigureClass) -> bool:
    army = design.army
    return placement.scope in army.paths[one.unit] and (
        placement.filter.admits(one.type, one.rank, army.nodes[one.unit].tags)
        and any(placement.filter.admits_ordinal(ordinal) for ordinal in one.ordinals)
    )


def _devices(one: FigureClass) -> set:
    return {borne.placement.device for borne in one.borne.values()}


def _mark_reads(look: Look, one: Allotment) -> Iterable[Finding]:
    aims, scheme, first = look.design.scheme.aims, look.design.scheme, one.bearers[0]
    ground = one.ground
    if not ground or not all(scheme.role(role).recipe(first.tier).steps for role in (one.role, ground)):
        return
    manner = one.manner
    wide = device_stroke(one.device, one.site.width, one.site.height, manner.turn) * look.scale
    step, left = _left(look, one.role, ground, wide, first.tier)
    if manner.outline:
        line = _left(look, manner.outline, one.role, max(wide, manner.line * look.scale), first.tier)
        step, left = max((step, left), line, key=lambda pair: pair[1])
    least = aims.threshold("emblem_left")
    if left >= least and (step >= aims.threshold("emblem") or left >= 2 * least):
        return
    words, on = device_words(scheme, one.device), scheme.role(ground).name
    said = (
        f"{class_title(look.design.army, first)}: {words} in {scheme.role(one.role).name} on {on}: {step:.0f} L* apart,"
        f" {left:.0f} left from {look.far:g} m ({wide:.1f} mm strokes)"
    )
    key = f"{one.site.id}|{one.device.kind}{one.device.text}|{one.role}|{ground}"
    yield Finding(said, key, first.unit, first.rank, one.site.area if one.site.area in first.cells else "",
                  first.ordinals[0], left, partial(_outlined, look, one, ground, wide))  # fmt: skip


def _left(look: Look, role: str, other: str, wide: float, tier: str) -> tuple[float, float]:
    """L* between two roles, and what a distance leaves of their difference at a width."""
    colours = look.apparent(role, tier), look.apparent(other, tier)
    return abs(colours[0].lightness - colours[1].lightness), seen_difference(*colours, wide, look.far)


def _outlined(look: Look, one: Allotment, ground: str, wide: float) -> Fix | None:
    """The line round the mark that is narrowest and reads: it stands off the mark, or makes a wider mark of it."""
    first, scheme = one.bearers[0], look.design.scheme
    others = (role for role in look.resolution.worn.roles if role not in (one.role, ground))
    roles = [role for role in others if scheme.role(role).recipe(first.tier).steps]
    if not roles:
        return None
    labs = np.array([look.apparent(role, first.tier) for role in roles])[:, None]
    mark, beneath = look.apparent(one.role, first.tier), look.apparent(ground, first.tier)
    lines = np.array(_LINES) * look.scale
    to_mark = seen_differences(labs, mark, np.maximum(wide, lines), look.far)
    to_ground = seen_differences(labs, beneath, wide + 2 * lines, look.far)
    score = np.minimum(to_mark, to_ground)
    steep = np.abs(labs[..., 0] - mark.lightness) >= STEP
    good = steep & (score >= scheme.aims.threshold("emblem_left"))
    found = [
        (float(score[at, line_]) - _COST * _LINES[line_], _LINES[line_], roles[at])
        for at, line_ in enumerate(good.argmax(1).tolist())
        if good[at, line_]
    ]
    if not found:
        return None
    _, line, role = max(found)
    return Fix(
        f"a line {line:g} mm wide round it in {scheme.role(role).name}",
        lambda now: with_manner(now, one.placement.id, outline=role, line=line),
    )


def _arms_read(look: Look, one: Allotment) -> Iterable[Finding]:
    scheme, first = look.design.scheme, one.bearers[0]
    named = scheme.named_arms(one.device.text)
    roles = {id_: named.role_of(id_) for id_ in named.tinctures}
    if not all(roles.values()) or not all(scheme.role(role).recipe(first.tier).steps for role in roles.values()):
        return
    wide = one.site.width * MARGIN * look.scale
    faint = contrasts(
        drawn_arms(named.tree, surface_for(one.site)),
        lambda id_: look.tincture(named, id_, first.tier), max(0.5, wide), look.far,
    )  # fmt: skip
    for each in faint[:1]:
        if not each.reads:
            said = (
                f"Arms of {named.name} on {one.site.id.replace('.', ' ')}: {each.of} {each.tincture} on {each.ground},"
                f" {each.left:.0f} left from {look.far:g} m"
            )
            yield Finding(
                said, f"{one.site.id}|{named.id}|{each.of}", first.unit, first.rank, "", first.ordinals[0], each.left
            )


def _fine(look: Look, one: Allotment) -> Iterable[Finding]:
    """Marks by hand that are finer than a brush; the fix makes them transfers."""
    first = one.bearers[0]
    if one.manner.method != "freehand":
        return
    if one.device.kind == ARMS:
        named = look.design.scheme.named_arms(one.device.text)
        width = width_on(one.site)
        thin = drawn_arms(named.tree, surface_for(one.site)).thinnest(width)[0]
    else:
        thin = device_stroke(one.device, one.site.width, one.site.height, one.manner.turn)
    if thin * look.scale >= FINEST_LINE:
        return
    words = device_words(look.design.scheme, one.device)
    said = (
        f"{_capital(words)} on {one.site.id.replace('.', ' ')} of {class_title(look.design.army, first)}: strokes of"
        f" {thin * look.scale:.2f} mm, a brush draws {FINEST_LINE:g}"
    )

    key = f"fine|{one.site.id}|{one.device.kind}{one.device.text}"
    yield Finding(
        said,
        key,
        first.unit,
        first.rank,
        "",
        first.ordinals[0],
        50 + thin,
        Fix("make it a transfer", lambda now: with_manner(now, one.placement.id, method="transfer")),
    )


def _unseen(look: Look, one: Allotment) -> Iterable[Finding]:
    """Parts of arms of which nothing is left at the size they are borne at, however they are made; details that are never drawn are told
    with the arms."""
    if one.device.kind != ARMS:
        return
    first, named = one.bearers[0], look.design.scheme.named_arms(one.device.text)
    width = width_on(one.site)
    drawing = drawn_arms(named.tree, surface_for(one.site))
    gone = [of for of in drawing.unseen(width) if of not in drawing.undrawn]
    if gone:
        said = (
            f"Arms of {named.name} on {one.site.id.replace('.', ' ')} of {class_title(look.design.army, first)}:"
            f" said, but not seen at {width:.1f} mm: {'; '.join(gone[:4])}"
        )
        yield Finding(said, f"unseen|{one.site.id}|{named.id}", first.unit, first.rank, "", first.ordinals[0], 60.0)


def _capital(words: str) -> str:
    return words[:1].upper() + words[1:]
