"""How much of an army each role covers, and how much paint that takes."""

from collections import Counter, defaultdict
from collections.abc import Iterator

import numpy as np

from ..figures.by_area import mm2_of
from ..figures.extent import Extent, united
from ..film.ground import Ground
from ..recipes.quantity import millilitres
from .cascade import Cell, Resolution
from .scheme import Scheme


def role_shares(resolution: Resolution, scheme: Scheme | None = None) -> dict[str, float]:
    """Share of the army's visible area that every role takes, 0 to 1, greatest first.

    Visible area is the projected mm² of the plates' views; areas left bare and gaps count in the whole. Of a pattern every ink
    takes its share, where the scheme is given; else its ground takes all.
    """
    patterns = scheme.patterns if scheme else None
    return dict(resolution.worn.last("shares", (patterns,), lambda: _role_shares(resolution, scheme)))


def _role_shares(resolution: Resolution, scheme: Scheme | None) -> dict[str, float]:
    worn = resolution.worn
    # by the numbers of roles; last, at number -1, what no role covers whole
    plain, inked = np.zeros(len(worn.roles) + 1), Counter()
    for one in resolution.classes:
        mm2, on = mm2_of(one.plate) * len(one.ordinals), worn.numbers(one)
        if scheme and (patterned := worn.patterned(one)):
            on = np.array(on)
            for place, area in patterned:
                on[place] = -1
                inked.update({role: float(mm2[place]) * share for role, share in shown_of(one.cells[area], scheme)})
        plain += np.bincount(on % len(plain), mm2, len(plain))
    # of equal shares the one that is met first comes first
    met = dict.fromkeys(role for one in resolution.classes for role in worn.areas(one))
    covered = Counter({role: float(plain[worn.places[role]]) for role in met})
    covered.update(inked)
    whole = float(plain.sum())
    return {role: mm2 / whole for role, mm2 in covered.most_common()}


def shown_of(cell: Cell, scheme: Scheme | None) -> Iterator[tuple[str, float]]:
    """The roles that an area shows with the share of it that each takes."""
    pattern = scheme.pattern_by_id.get(cell.pattern) if scheme and cell.pattern else None
    if pattern:
        yield from ((role, ink.share) for role, ink in zip(cell.inks, pattern.inks, strict=True))
    elif cell.role:
        yield cell.role, 1.0


def _laid_on(cell: Cell, scheme: Scheme) -> Iterator[tuple[str, float]]:
    """The roles that are laid on an area with the share of it that each goes over: a pattern's ground goes everywhere."""
    for at, (role, share) in enumerate(shown_of(cell, scheme)):
        yield role, share if at else 1.0


def painted_surface(resolution: Resolution, scheme: Scheme | None = None) -> dict[tuple[str, str], float]:
    """Painted surface in mm² of every (role, tier) over the army, an estimate; a pattern's inks too where the scheme is given."""
    found: dict[tuple[str, str], float] = defaultdict(float)
    for one in resolution.classes:
        areas = one.plate.areas
        for name, cell in one.cells.items():
            for at, (role, share) in enumerate(shown_of(cell, scheme)):
                found[role, one.tier] += areas[name].surface_mm2 * len(one.ordinals) * (share if at else 1.0)
    return dict(found)


def paint_needed(scheme: Scheme, resolution: Resolution) -> dict[str, float]:
    """Neat ml of every paint that the whole army takes, an estimate, undercoat aside."""
    needed: dict[str, float] = defaultdict(float)
    for paints in paint_by_unit(scheme, resolution).values():
        for paint_id, ml in paints.items():
            needed[paint_id] += ml
    return dict(needed)


def paint_by_unit(scheme: Scheme, resolution: Resolution) -> dict[str, dict[str, float]]:
    """Neat ml of every paint by unit, an estimate, undercoat aside."""
    surfaces: dict[str, dict[tuple[str, str, Ground | None], float]] = defaultdict(lambda: defaultdict(float))
    measured: dict[tuple[str, str, str], list[Extent]] = defaultdict(list)
    any_measured = any(one.plate.measured for one in resolution.classes)
    for one in resolution.classes:
        areas = one.plate.areas
        for name, cell in one.cells.items():
            for role, share in _laid_on(cell, scheme):
                surfaces[one.unit][role, one.tier, one.ground_of(name)] += (
                    areas[name].surface_mm2 * share * len(one.ordinals)
                )
                if any_measured:
                    measured[one.unit, role, one.tier].append(areas[name].extent)
    found: dict[str, dict[str, float]] = {}
    for unit, worn in surfaces.items():
        needed: dict[str, float] = defaultdict(float)
        for (role_id, tier, ground), surface in worn.items():
            recipe, extent = scheme.role(role_id).recipe(tier), united(measured.get((unit, role_id, tier), ()))
            for step, coats in zip(recipe.steps, scheme.coats(recipe, ground), strict=True):
                for paint_id, ml in millilitres(step, surface, coats, extent).items():
                    needed[paint_id] += ml
        found[unit] = dict(needed)
    return found
