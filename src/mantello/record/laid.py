"""How many coats every figure really got of every step."""

from collections import defaultdict

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading

from .log import log_of


def coats_laid(army: Army, reading: Reading) -> dict[tuple[str, str, str], list[int]]:
    """Coats of every figure that has a role's step wholly, by (role, tier, step); what is logged for whole ranks at once
    away from the desk, whose coats nobody counted, is left out."""
    tiers = {(unit.id, rank.id): rank.tier for unit in reading.design.army.units for rank in unit.ranks}
    found: dict[tuple[str, str, str], list[int]] = defaultdict(list)
    for (unit, rank, role, step), coats in log_of(army).coats.items():
        if (unit, rank) in tiers:
            found[role, tiers[unit, rank], step] += coats
    return dict(found)
