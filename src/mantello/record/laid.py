"""How many coats every figure really got of every step."""

from collections import defaultdict

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.planning.done import step_of


def coats_laid(army: Army, reading: Reading) -> dict[tuple[str, str, str], list[int]]:
    """Coats of every figure that has a role's step wholly, by (role, tier, step); what is logged for whole ranks at once
    away from the desk, whose coats nobody counted, is left out."""
    per_figure: dict[tuple, list] = defaultdict(lambda: [0, False])
    for entry in army.entries.standing().exclude(note="Done away from the desk."):
        if not entry.subject.role:
            continue
        step = step_of(entry.step)
        for ordinal in entry.ordinals:
            one = per_figure[entry.unit, entry.rank, ordinal, entry.subject.role, step]
            one[0] += entry.coats
            one[1] = one[1] or entry.step == step
    nodes = reading.design.army.nodes
    found: dict[tuple[str, str, str], list[int]] = defaultdict(list)
    for (unit, rank_id, _, role, step), (coats, whole) in per_figure.items():
        rank = next((one for one in nodes[unit].ranks if one.id == rank_id), None) if unit in nodes else None
        if whole and rank:
            found[role, rank.tier, step].append(coats)
    return dict(found)
