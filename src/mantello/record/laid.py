"""How many coats every figure really got of every step."""

from collections import defaultdict

from mantello.workspace.models import Army
from mantello.workspace.reading import Reading
from mantello_core.order.subject import subject_of
from mantello_core.planning.done import step_of

from .log import Log, log_of


def coats_laid(army: Army, reading: Reading) -> dict[tuple[str, str, str], list[int]]:
    """Coats of every figure that has a role's step wholly, by (role, tier, step)."""
    tiers = {(unit.id, rank.id): rank.tier for unit in reading.design.army.units for rank in unit.ranks}
    found: dict[tuple[str, str, str], list[int]] = defaultdict(list)
    for (unit, rank, role, step), coats in coats_of(log_of(army)).items():
        if (unit, rank) in tiers:
            found[role, tiers[unit, rank], step] += coats
    return dict(found)


def coats_of(log: Log) -> dict[tuple[str, str, str, str], list[int]]:
    """By (unit, rank, role, step) the coats of every figure that has all of the step; what is logged for whole ranks at once away
    from the desk, whose coats nobody counted, is left out."""
    laid: dict[tuple, list] = defaultdict(lambda: [0, False])
    roles = {role: subject_of(role).role for role in log.roles}
    for line in log.lines:
        if line.away or not roles[line.role]:
            continue
        step = step_of(line.step)
        for ordinal in line.ordinals:
            figure = laid[line.unit, line.rank, ordinal, roles[line.role], step]
            figure[0] += line.coats
            figure[1] = figure[1] or line.step == step
    found: dict[tuple[str, str, str, str], list[int]] = defaultdict(list)
    for (unit, rank, _, role, step), (coats, whole) in laid.items():
        if whole:
            found[unit, rank, role, step].append(coats)
    return dict(found)
