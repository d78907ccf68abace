"""Checks of contrast: weak neighbours, look-alikes, flat values, focus."""

from collections import defaultdict
from collections.abc import Collection, Iterator, Mapping, Sequence
from functools import partial
from itertools import combinations
from types import MappingProxyType

import numpy as np

from ..colour.acuity import seen_differences
from ..colour.spaces import Lab
from ..colour.vision import SIGHTS, seen_as
from ..design.edit import rows_of
from ..design.rung_edit import set_here
from ..figures.plate import Plate
from ..figures.vocabulary import sideless, spoken
from ..memory import Memory, remembered, size_of
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.rule import Distinction
from ..scheme.selector import areas_named
from .everywhere import everywhere, meetings
from .finding import Check, Finding, Fix, at, of
from .look import Look
from .seams import seams_of
from .stuff import STUFF

_KEPT_BYTES = 1_000_000
#: how far rows of a distinction are apart, by the colours of their marks
_apart = Memory("look-alikes", _KEPT_BYTES)


def neighbours(look: Look) -> Check:
    """Touching areas of different roles whose apparent colours run together."""
    design, aims = look.design, look.design.scheme.aims
    least, seam = aims.threshold("neighbours"), aims.threshold("seam")
    scheme = design.scheme
    seen_cause: dict[tuple, str] = {}
    told = []
    for one, (area, other), sides, gap, figures in _weak(look, least, seam):
        roles = role, beside = one.cells[area].role, one.cells[other].role
        pair = tuple(sorted(roles))
        said = f"{spoken(area)} on {spoken(other).lower()}, {gap:.0f} apart"
        cause = seen_cause.setdefault(pair, f"{scheme.role(role).name} beside {scheme.role(beside).name}")
        mending = partial(_told_apart, look, one, (area, other), least, seam)
        found_here = at(design.army, one, area, said, "|".join((*pair, *sides)), gap, mending)
        told.append(of(found_here, cause, roles, (area, other), figures))
    found = tuple(sorted(told, key=lambda finding: finding.number))
    worst = found[0].what if found else "all touching areas can be told apart"
    rule = f"Touching areas differ by at least {least:g} (CIEDE2000, after all steps of their recipes, under varnish and the army's dirt)."
    return Check(
        "neighbours", "Weak neighbours", "look" if found else "clear", worst, found, rule, ("neighbours", "seam")
    )


def _weak(look: Look, least: float, seam: float) -> Iterator[tuple]:
    """Where roles that meet are less apart: class, areas, these of either side, how far, and the figures that show it; each kind
    once, the first of it."""
    resolution, row = look.resolution, everywhere(look.resolution)
    met = resolution.worn.last("meetings", (seam,), lambda: meetings(resolution, seam))
    apart = np.stack([look.matrix(tier) for tier in row.tiers])[row.tier_of[met.at], met.first, met.second]
    weak = np.flatnonzero(apart < least)
    kinds = met.kind[weak]
    figures = np.bincount(kinds, row.count[met.at[weak]])
    for nth in np.sort(np.unique(kinds, return_index=True)[1]).tolist():
        one = resolution.classes[met.at[weak[nth]]]
        seams, place = seams_of(one.plate, seam), met.place[weak[nth]]
        yield one, seams.pairs[place], seams.sideless[place], apart[weak[nth]], int(figures[kinds[nth]])


def _fitting(one: FigureClass, stuff: str | None) -> tuple[set[str], set[str]]:
    """Roles that a figure wears on a stuff, and on others; no metal's on what is none, of the base's colours none."""
    areas, worn = one.plate.areas, {}
    for name, cell in one.cells.items():
        if cell.role and not name.startswith("base"):
            worn.setdefault(STUFF.get(areas[name].material), set()).add(cell.role)
    alike = worn.get(stuff, set())
    metal = set() if stuff == "metal" else worn.get("metal", set())
    return alike, set().union(*worn.values()) - alike - metal


def _told_apart(look: Look, one: FigureClass, pair: tuple[str, str], least: float, seam: float) -> Fix | None:
    """Another role of this figure for the smaller of the two areas, far enough from all it touches."""
    shape, apart, place = one.plate, look.matrix(one.tier), look.resolution.worn.places
    small = min(pair, key=lambda name: shape.areas[name].mm2)
    beside = {one.cells[name].role for name, length in shape.neighbours[small].items() if length >= seam} - {None, ""}
    touched = [place[role] for role in beside]
    best, gap = None, least
    for roles in _fitting(one, STUFF.get(shape.areas[small].material)):
        for role in sorted(roles - beside - {one.cells[small].role}):
            nearest = float(apart[place[role], touched].min(initial=np.inf)) if touched else 0.0
            if nearest > gap:
                best, gap = role, nearest
        if best is not None:
            break
    if best is None:
        return None
    rung = one.cells[small].rung

    def sides() -> tuple[str, ...]:
        return tuple(name for name in one.cells if sideless(name) == sideless(small))

    words = f"{look.design.scheme.role(best).name} on {spoken(sideless(small)).lower()}, {gap:.0f} from what it touches"
    return Fix(words, lambda now: set_here(now, one.first, sides(), best, rung), best)


def lookalikes(look: Look) -> Check:
    """Values of a distinction whose marks cannot be told apart across the table, also for a dichromat."""
    design = look.design
    aims = design.scheme.aims
    found = []
    nearest = None
    for table in design.scheme.tables:
        names = rows_of(design.army, table.key)
        marks = _marks(look, table, names)
        rows = [row for row, worn in marks.items() if worn]
        pairs = list(combinations(rows, 2))
        distances = _distances([(marks[row], marks[other]) for row, other in pairs], look.far)
        for (row, other), (apart, sight) in zip(pairs, distances, strict=True):
            said = f"{names[row]} and {names[other]}"
            if nearest is None or apart < nearest[0]:
                nearest = apart, said
            if apart < aims.threshold("lookalikes"):
                found.append(
                    Finding(
                        f"{table.name}: {said}, {apart:.0f} apart across the table",
                        f"{table.id}|{row}|{other}",
                        number=apart,
                    )
                )
            elif sight[0] < aims.threshold("lookalikes_sight"):
                said = f"{table.name}: {said}, {sight[0]:.0f} apart for {sight[1]} sight"
                found.append(Finding(said, f"{table.id}|{row}|{other}|{sight[1]}", number=sight[0]))
    found.sort(key=lambda finding: finding.number)
    worst = (
        found[0].what
        if found
        else f"nearest: {nearest[1]}, {nearest[0]:.0f} apart"
        if nearest
        else "no distinctions to confuse"
    )
    rule = (
        f"Two values differ by {aims.threshold('lookalikes'):g} (CIEDE2000) in at least one mark, seen from {look.far:g} m at the mark's"
        f" width; by {aims.threshold('lookalikes_sight'):g} for each dichromacy."
    )
    return Check(
        "lookalikes",
        "Look-alikes",
        "look" if found else "clear",
        worst,
        tuple(found),
        rule,
        ("lookalikes", "lookalikes_sight"),
    )


def _marks(look: Look, table: Distinction, rows: Collection[str]) -> dict[str, dict[str, tuple[Lab, float]]]:
    """Row to column to the colour worn there by the row's figures, and the width of the mark in mm."""
    resolution, paths = look.resolution, look.design.army.paths
    of_class = tuple((one.rank,) if table.key == "rank" else paths[one.unit] for one in resolution.classes)
    worn = resolution.worn.last(
        f"marks of {table.id}",
        (table.columns, tuple(rows), of_class),
        lambda: _worn_marks(resolution, table, rows, of_class),
    )
    return {
        row: {column: (look.apparent(role, tier), wide * look.scale) for column, (role, tier, wide) in marks.items()}
        for row, marks in worn.items()
    }


_Mark = tuple[str, str, float]


def _worn_marks(
    resolution: Resolution, table: Distinction, rows: Collection[str], of_class: Sequence[tuple[str, ...]]
) -> dict[str, dict[str, _Mark]]:
    """Row to column to the role and tier that are worn on the widest mark there, and how wide that is in its drawing, mm.
    of_class: what every class of figures belongs to, rows among it."""
    found: dict[str, dict[str, _Mark]] = {row: {} for row in rows}
    for one, belongs in zip(resolution.classes, of_class, strict=True):
        mine = [found[row] for row in belongs if row in found]
        for column in table.columns if mine else ():
            select = column.select
            role, wide = resolution.worn.told(("widest", select), one, partial(_widest, one, select))
            for marks in mine:
                if role and (column.id not in marks or wide > marks[column.id][2]):
                    marks[column.id] = role, one.tier, wide
    return found


def _widest(one: FigureClass, select: tuple[str, ...]) -> tuple[str, float]:
    """The role on the widest of the areas that are selected, and how wide that is, mm; no role where none of them wears one."""
    areas = [name for name in areas_named(one.plate, select) if one.cells[name].role]
    room = _room(one.plate)
    widest = max(areas, key=room.__getitem__, default=None)
    return (one.cells[widest].role, room[widest]) if widest else ("", 0.0)


@remembered(400)
def _room(plate: Plate) -> Mapping[str, float]:
    """How wide every area is, mm: in the last view that shows it."""
    return MappingProxyType({seen.area: seen.room for view in plate.views for seen in view.areas})


_Shared = tuple[tuple[Lab, Lab, float], ...]
_Distance = tuple[float, tuple[float, str]]


def _distances(pairs: Sequence[tuple[dict, dict]], far: float) -> list[_Distance]:
    """For every pair of rows the greatest difference over the marks that both have, for full sight and for the worst dichromacy;
    those that are not known yet are worked out together."""
    asked = [
        tuple(
            (one[column][0], other[column][0], min(one[column][1], other[column][1]))
            for column in one
            if column in other
        )
        for one, other in pairs
    ]
    found = {shared: _apart.get((shared, far)) if shared else (100.0, (100.0, "")) for shared in asked}
    new: dict[int, list[_Shared]] = defaultdict(list)
    for shared, known in found.items():
        if known is None:
            new[len(shared)].append(shared)
    for alike in new.values():
        for shared, made in zip(alike, _greatest(alike, far), strict=True):
            found[shared] = _apart.put((shared, far), made, size_of((shared, made)))
    return [found[shared] for shared in asked]


def _greatest(pairs: Sequence[_Shared], far: float) -> Iterator[_Distance]:
    """The same of pairs with as many marks each: their two colours, and how many mm wide they are."""
    both = np.array([[[one, other] for one, other, _ in shared] for shared in pairs], float)
    widths = np.array([[wide for *_, wide in shared] for shared in pairs])
    seen = np.stack([both, *(seen_as(both, sight) for sight in SIGHTS)])
    left = seen_differences(seen[..., 0, :], seen[..., 1, :], widths, far).max(-1)
    for full, *by_sight in left.T.tolist():
        yield full, min(zip(by_sight, SIGHTS, strict=True))


def values(look: Look) -> Check:
    """The army's spread of lightness by area."""
    design, resolution = look.design, look.resolution
    least = design.scheme.aims.threshold("values")
    rule = (
        f"Lightness spans at least {least:g} L* between the 10th and 90th percentile of the figures' area, bases aside."
    )
    row = everywhere(resolution)
    lightness = row.lightness(look)
    mapped = ~np.isnan(lightness)
    if not mapped.any():
        return Check("values", "Values", "clear", "nothing to weigh yet", (), rule, ("values",))
    weight = row.mm2 * row.count[row.at]
    low, middle, high = _percentiles(lightness[mapped], weight[mapped], (0.1, 0.5, 0.9))
    found = ()
    if high - low < least:
        tone = "dark" if middle < 35 else "pale" if middle > 70 else "middling"
        found = (
            Finding(f"All {tone}: L* {low:.0f} to {high:.0f}, a span of {high - low:.0f}", "flat", number=high - low),
        )
    worst = found[0].what if found else f"L* {low:.0f} to {high:.0f}, half of it under {middle:.0f}"
    return Check("values", "Values", "look" if found else "clear", worst, found, rule, ("values",))


def _percentiles(values: np.ndarray, weights: np.ndarray, shares: tuple[float, ...]) -> list[float]:
    """The values that so much of the weight does not exceed."""
    order = np.argsort(values, kind="stable")
    reached = np.cumsum(weights[order])
    at = np.searchsorted(reached, np.array(shares) * reached[-1])
    return values[order][np.minimum(at, len(values) - 1)].tolist()


def focus(look: Look) -> Check:
    """Whether the areas meant to hold the eye have the strongest contrast, and the quiet ones do not."""
    design, aims = look.design, look.design.scheme.aims
    share = aims.threshold("focus")
    found = []
    for one, local in _outranked(look, share):
        focal = [name for name in areas_named(one.plate, aims.focus) if name in local]
        quiet = [name for name in areas_named(one.plate, aims.quiet) if name in local]
        strongest = max(focal, key=local.get)
        elsewhere = max((name for name in local if name not in focal), key=local.get)
        if local[strongest] < share * local[elsewhere]:
            said = f"{spoken(elsewhere)} ({local[elsewhere]:.0f} L*) outranks {spoken(strongest).lower()} ({local[strongest]:.0f} L*)"
            key = f"{one.unit}|{one.rank}|{elsewhere}"
            found.append(at(design.army, one, elsewhere, said, key, local[elsewhere] - local[strongest]))
        loud = [name for name in quiet if local[name] > local[strongest]]
        found += [
            at(
                design.army,
                one,
                name,
                f"{spoken(name)} is meant to be quiet and is not",
                f"{one.unit}|{one.rank}|quiet|{name}",
            )
            for name in loud[:1]
        ]
    found.sort(key=lambda finding: -finding.number)
    worst = found[0].what if found else "head and chest hold the strongest contrast"
    rule = f"The strongest step in lightness in the focal areas is at least {share:g} of the strongest elsewhere, bases aside."
    return Check("focus", "Focus", "look" if found else "clear", worst, tuple(found), rule, ("focus",))


def _outranked(look: Look, share: float) -> Iterator[tuple[FigureClass, dict[str, float]]]:
    """Classes of figures on which another area is stronger than the focal ones, or a quiet one is; with the greatest step in L*
    from every mapped area to a touching one of another role, bases left out."""
    resolution, aims = look.resolution, look.design.scheme.aims
    row, classes = everywhere(resolution), resolution.classes
    light = row.lightness(look)
    step = np.abs(light[row.first] - light[row.second])
    local = np.full(len(light), np.nan)
    for ends in (row.first, row.second):
        np.fmax.at(local, ends, step)
    strength = np.where(np.isnan(local), -np.inf, local)
    (focal_places, focal_at), (quiet_places, quiet_at) = resolution.worn.last(
        "named",
        (aims.focus, aims.quiet),
        lambda: tuple(row.places_named(classes, what) for what in (aims.focus, aims.quiet)),
    )
    focal = _strongest(strength[focal_places], focal_at, len(classes))
    quiet = _strongest(strength[quiet_places], quiet_at, len(classes))
    strength[focal_places] = -np.inf
    rest = _strongest(strength, row.at, len(classes))
    told = np.isfinite(focal) & np.isfinite(rest) & ((focal < share * rest) | (quiet > focal))
    for number in np.flatnonzero(told).tolist():
        here = local[row.starts[number] : row.starts[number + 1]].tolist()
        names = classes[number].plate.areas
        yield classes[number], {area: value for area, value in zip(names, here, strict=True) if value == value}


def _strongest(values: np.ndarray, at: np.ndarray, count: int) -> np.ndarray:
    """The greatest of the values at each of so many classes, (count); less than any where there is none."""
    found = np.full(count, -np.inf)
    np.maximum.at(found, at, values)
    return found
