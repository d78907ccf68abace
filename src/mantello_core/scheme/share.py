"""How much of an army each role covers, and how much paint that takes."""

from collections import defaultdict
from collections.abc import Iterator

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
    covered: dict[str, float] = defaultdict(float)
    total = 0.0
    for one in resolution.classes:
        areas = one.plate.areas
        for name, cell in one.cells.items():
            mm2 = areas[name].mm2 * len(one.ordinals)
            total += mm2
            for role, share in shown_of(cell, scheme):
                covered[role] += mm2 * share
    return {role: mm2 / total for role, mm2 in sorted(covered.items(), key=lambda item: -item[1])}


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
