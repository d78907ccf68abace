"""The check of metals: one for each function, few on a figure, apart from each other, and large enough to glint."""

from collections import defaultdict
from collections.abc import Iterator, Mapping
from itertools import combinations
from types import MappingProxyType

import numpy as np

from ..army.tree import Army
from ..figures.metalwork import FUNCTIONS, function_of
from ..figures.plate import Plate
from ..figures.vocabulary import sideless, spoken
from ..memory import remembered
from ..scheme.cascade import FigureClass, Resolution
from .everywhere import meetings
from .finding import Check, Finding, at, of
from .look import Look
from .seams import seams_of

#: mm that a piece of metal is wide, on the painted figure, below which it does not glint but freckles
GLINTS = 0.35
#: mm² of one function in another metal from which it is told
TOLD_MM2 = 3.0
#: mm of edge along which two metals are told to adjoin
_ALONG = 3.0


def metals(look: Look) -> Check:
    """Too many metals on one figure, and metals that adjoin."""
    design, resolution = look.design, look.resolution
    most = design.scheme.aims.threshold("metals")
    shiny = {
        role.id
        for role in design.scheme.roles
        if any(pot.kind == "metallic" for _, recipe in role.recipes if recipe.base for pot in recipe.base.mix.paints)
    }
    names = tuple((role.id, role.name) for role in design.scheme.roles if role.id in shiny)
    found = dict(resolution.worn.last(
        "metals", (design.army, names, most, look.scale),
        lambda: _on_figures(design.army, resolution, dict(names), most, look.scale),
    ))  # fmt: skip
    least = design.scheme.aims.threshold("metals_apart")
    worn_anywhere = [role for role in resolution.worn.roles if role in shiny]
    for role, other in combinations(worn_anywhere, 2):
        apart = look.apart(role, other, "rank")
        if apart < least:
            both = design.scheme.role(role).name, design.scheme.role(other).name
            said = f"{both[0]} and {both[1]} are {apart:.0f} apart and may be taken for each other"
            found[f"{role}|{other}"] = Finding(
                said, f"alike|{role}|{other}", number=500 - apart, cause=said, roles=(role, other)
            )
    listed = tuple(sorted(found.values(), key=lambda finding: -finding.number))
    worst = listed[0].what if listed else "few metals, well apart"
    rule = (
        f"One metal for each function (structure, weapon, ornament, fittings); at most {most:g} metals on a figure, any two {least:g} apart (CIEDE2000), none along {_ALONG:g} mm or more of another"
        " without a dark line; metal too small to glint is painted dark grey."
    )
    return Check("metals", "Metals", "look" if listed else "clear", worst, listed, rule, ("metals", "metals_apart"))


def _on_figures(
    army: Army, resolution: Resolution, names: Mapping[str, str], most: float, scale: float
) -> dict[str, Finding]:
    """What is found on figures whatever the metals look like. names: of the roles in metal, by id; scale: as ``Look`` has it."""
    found: dict[str, Finding] = {}
    shines = np.array([role in names for role in resolution.worn.roles], bool)
    for one in resolution.classes:
        worn = names.keys() & resolution.worn.areas(one).keys()
        if len(worn) > most:
            key = f"{one.unit}|{one.rank}"
            found[key] = at(army, one, next(iter(one.cells)), f"{len(worn)} metals", key, 1000)
    meeting = meetings(resolution, _ALONG)
    for nth in np.flatnonzero(shines[meeting.first] & shines[meeting.second]).tolist():
        one, place = resolution.classes[meeting.at[nth]], meeting.place[nth]
        seams = seams_of(one.plate, _ALONG)
        area, other = seams.pairs[place]
        roles = one.cells[area].role, one.cells[other].role
        key = "|".join(sorted((*roles, sideless(area), sideless(other))))
        if key in found:
            continue
        said = f"{spoken(area)} adjoins {spoken(other).lower()}: line them dark"
        finding = at(army, one, area, said, key, float(seams.length[place]))
        cause = f"{' adjoins '.join(names[role] for role in sorted(roles))}: line them dark"
        found[key] = of(finding, cause, roles, (area, other), len(one.ordinals))
    return found | _mixed_functions(army, resolution, names) | _too_small(army, resolution, names, scale)


def _mixed_functions(army: Army, resolution: Resolution, names: Mapping[str, str]) -> dict[str, Finding]:
    """Figures on which one function wears two metals, each kind of figure once."""
    found: dict[str, Finding] = {}
    for one in resolution.classes:
        worn: dict[str, dict[str, list[str]]] = defaultdict(lambda: defaultdict(list))
        functions = _functions(one.plate)
        for role, area in _shining(resolution, one, names):
            if function := functions[area]:
                worn[function][role].append(area)
        for function, roles in worn.items():
            mm2 = {role: sum(one.plate.areas[area].mm2 for area in areas) for role, areas in roles.items()}
            small = [role for role in sorted(mm2, key=mm2.get)[:-1] if mm2[role] >= TOLD_MM2]
            for role in small:
                most = max(mm2, key=mm2.get)
                said = f"{FUNCTIONS[function]}: {names[role]} besides {names[most]}"
                key = f"function|{one.type}|{function}|{role}|{most}"
                finding = at(army, one, roles[role][0], said, key, 400 + mm2[role])
                areas = (*roles[role], *roles[most])
                found.setdefault(
                    key, of(finding, f"{said[0].upper()}{said[1:]}", (role, most), areas, len(one.ordinals))
                )
    return found


def _too_small(army: Army, resolution: Resolution, names: Mapping[str, str], scale: float) -> dict[str, Finding]:
    """Metal that is narrower on the painted figure than what glints, each kind of area once."""
    found: dict[str, Finding] = {}
    for one in resolution.classes:
        for role, area in _shining(resolution, one, names):
            wide = one.plate.areas[area].extent.room_mm * scale
            if wide >= GLINTS:
                continue
            key = f"small|{one.type}|{sideless(area)}"
            if key not in found:
                said = f"{spoken(sideless(area))} is {wide:.2f} mm wide: dark grey reads better than metal"
                finding = at(army, one, area, said, key, 1 - wide)
                cause = "Metal too small to glint: dark grey reads better"
                found[key] = of(finding, cause, (role,), (area,), len(one.ordinals))
    return found


def _shining(resolution: Resolution, one: FigureClass, names: Mapping[str, str]) -> Iterator[tuple[str, str]]:
    """(role, area) of all that a class of figures has in metal, in the plate's order."""
    areas = resolution.worn.areas(one)
    worn = {area: role for role in names.keys() & areas.keys() for area in areas[role]}
    return ((worn[area], area) for area in one.plate.areas if area in worn) if worn else iter(())


@remembered(400, each=5_000)
def _functions(plate: Plate) -> Mapping[str, str | None]:
    """What the metal on every area is for, if it is metal."""
    return MappingProxyType({name: function_of(name, area.material) for name, area in plate.areas.items()})
