"""Checks of marks: unit codes that are alike, or told apart by a colour that cannot be told apart."""

from itertools import combinations

from ..colour.acuity import seen_difference
from ..colour.vision import SIGHTS, seen_by
from ..design.bearing import device_words
from ..marks.unit_codes import holders, marks_of
from ..scheme.cascade import FigureClass
from .finding import Check, Finding, class_title
from .look import Look

#: strokes that a device is taken to be wide: its colour shows over a quarter of its site
STROKES = 4


def codes(look: Look) -> Check:
    """Formations of one kind that bear the same device in the same colour on the same site."""
    design, army = look.design, look.design.army
    shown: dict[tuple, dict[str, FigureClass]] = {}
    given = {mark.id for system in design.scheme.code_systems for mark in marks_of(system)}
    for one in look.resolution.classes:
        for site, borne in one.borne.items():
            placement = borne.placement
            scope = army.nodes[placement.scope]
            if scope.kind != "army" and not placement.filter.rank and placement.id not in given:
                key = scope.kind, site, placement.device, placement.role
                shown.setdefault(key, {}).setdefault(scope.id, one)
    found = []
    for (kind, site, device, role), bearers in shown.items():
        if len(bearers) < 2:
            continue
        names = [army.nodes[id_].name for id_ in bearers]
        first = next(iter(bearers.values()))
        where = next((area for area, sites in first.plate.sites.items() if site in {one.id for one in sites}), "")
        coloured = f" in {design.scheme.role(role).name}" if role else ""
        said = f"{', '.join(names[:-1])} and {names[-1]} all bear {device_words(design.scheme, device)}{coloured} on {site}"
        key = f"{kind}|{site}|{device.kind}{device.text}|{role}"
        found.append(Finding(said, key, first.unit, first.rank, where, first.ordinals[0], number=len(bearers)))
    found += _told_by_colour_alone(look, shown)
    found += _without(look)
    worst = found[0].what if found else "no two formations of a kind bear the same mark"
    rule = (
        "Formations of one kind that bear a device on the same site bear different ones; where just its colour differs,"
        f" by {design.scheme.aims.threshold('lookalikes'):g} (CIEDE2000) from {look.far:g} m at a quarter of the site's width,"
        f" {design.scheme.aims.threshold('lookalikes_sight'):g} for each dichromacy."
    )
    thresholds = ("lookalikes", "lookalikes_sight")
    return Check("codes", "Unit codes", "look" if found else "clear", worst, tuple(found), rule, thresholds)


def _without(look: Look) -> list[Finding]:
    """Holders of a marking system that have no code, and codes that another mark covers."""
    design, army = look.design, look.design.army
    found = []
    for system in design.scheme.code_systems:
        missing = [(one, name) for one, name in holders(army, system) if one.id not in system.code_of]
        for one, name in missing:
            unit = one.id.split("/")[0]
            known = next((each for each in look.resolution.classes if unit in army.paths[each.unit]), None)
            place = (known.unit, known.rank, "", known.ordinals[0]) if known else ("", "", "", 1)
            found.append(Finding(f"{name} has no code of '{system.name}'", f"none|{system.id}|{one.id}", *place))
        codes_here = {mark.id for mark in marks_of(system)}
        for each in look.resolution.classes:
            mark = each.borne.get(system.site)
            holder = next((id_ for id_ in (each.unit, army.paths[each.unit][-2]) if id_ in system.code_of), None)
            covered = mark and mark.placement.id not in codes_here and system.bearers != "figure"
            if covered and holder and system.type in ("", each.type):
                said = f"{class_title(army, each)} bears {device_words(design.scheme, mark.placement.device)} where its code would be"
                key = f"covered|{system.id}|{each.unit}|{each.rank}"
                found.append(Finding(said, key, each.unit, each.rank, "", each.ordinals[0]))
    return found


def _told_by_colour_alone(look: Look, shown: dict[tuple, dict[str, FigureClass]]) -> list[Finding]:
    """Pairs of marks of one device on one site whose colours cannot be told apart where they are seen from."""
    aims, scheme = look.design.scheme.aims, look.design.scheme
    found = []
    for (one, first), (two, second) in combinations(shown.items(), 2):
        if (
            one[:3] != two[:3]
            or not (one[3] and two[3])
            or not all(scheme.role(role).recipe().steps for role in (one[3], two[3]))
        ):
            continue
        bearer = next(iter(first.values()))
        other = next(iter(second.values()))
        width = bearer.plate.named_sites(one[1])[0][1].width
        width *= look.scale / STROKES
        colours = look.apparent(one[3], bearer.tier), look.apparent(two[3], other.tier)
        apart = seen_difference(*colours, width, look.far)
        by_sight = min(
            (seen_difference(*(seen_by(c, sight) for c in colours), width, look.far), sight) for sight in SIGHTS
        )
        names = " and ".join(look.design.army.nodes[next(iter(bearers))].name for bearers in (first, second))
        if apart < aims.threshold("lookalikes"):
            said = f"{names}: {one[2].words} differs in colour alone, {apart:.0f} apart from {look.far:g} m"
        elif by_sight[0] < aims.threshold("lookalikes_sight"):
            said = f"{names}: {one[2].words} differs in colour alone, {by_sight[0]:.0f} apart for {by_sight[1]} sight"
        else:
            continue
        key = f"{one[0]}|{one[1]}|{one[2].kind}{one[2].text}|{one[3]}|{two[3]}"
        found.append(Finding(said, key, bearer.unit, bearer.rank, "", bearer.ordinals[0], number=apart))
    return found
