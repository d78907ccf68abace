"""Units that are painted and locked: what would change them is refused until the lock is lifted with a reason."""

from dataclasses import replace

from ..errors import Contradiction, OutOfRange
from ..scheme.cascade import FigureClass, Resolution, resolve
from .design import Design
from .edit import with_scheme

#: signs of a reason
LEAST_REASON, MOST_REASON = 3, 160


def with_lock(design: Design, unit_id: str) -> Design:
    """Lock a unit as it is painted. Raises: UnknownName for the unit."""
    design.army.node(unit_id, "unit")
    return with_scheme(design, replace(design.scheme, locked=tuple(sorted({*design.scheme.locked, unit_id}))))


def without_lock(design: Design, unit_id: str, reason: str) -> Design:
    """Lift a unit's lock. Raises: OutOfRange without a reason."""
    if not LEAST_REASON <= len(reason.strip()) <= MOST_REASON:
        raise OutOfRange(
            f"A lock is lifted with a reason of {LEAST_REASON} to {MOST_REASON} signs; '{reason.strip()[:20]}' has"
            f" {len(reason.strip())}.",
            "reason",
        )
    return with_scheme(
        design, replace(design.scheme, locked=tuple(one for one in design.scheme.locked if one != unit_id))
    )


def refuse_changed_locks(before: Design, after: Design) -> None:
    """Refuse a change that gives a locked unit another look.

    What a figure wears counts: roles, their recipes, what they start on, marks and passes; names, notes and more figures
    do not. Raises: Contradiction, naming the units.
    """
    locked = [unit for unit in before.scheme.locked if unit in after.scheme.locked]
    if not locked or (before.scheme == after.scheme and before.army == after.army):
        return
    looks = [_looks(design, resolve(design.army, design.scheme), locked) for design in (before, after)]
    changed = [unit for unit in locked if not set(looks[0][unit]) <= set(looks[1].get(unit, ()))]
    if changed:
        names = ", ".join(before.army.title(unit) for unit in changed)
        raise Contradiction(
            f"{names} {'is' if len(changed) == 1 else 'are'} painted and locked, and would look otherwise. Lift the lock in"
            " the Log with a reason, or leave them out of the change.",
        )


def _looks(design: Design, resolution: Resolution, units: list[str]) -> dict[str, list[tuple]]:
    """For every unit the look of each figure: rank, ordinal, and all that it wears."""
    found: dict[str, list[tuple]] = {unit: [] for unit in units}
    for one in resolution.classes:
        if one.unit in found:
            look = _look(design, one)
            found[one.unit] += [(one.rank, ordinal, look) for ordinal in one.ordinals]
    return found


def _look(design: Design, one: FigureClass) -> tuple:
    worn = tuple(sorted((area, role) for area, role in one.roles_worn.items()))
    recipes = tuple(
        (role, design.scheme.role(role).recipe(one.tier)) for role in sorted({role for _, role in worn if role})
    )
    grounds = tuple(sorted(one.grounds.items(), key=lambda pair: pair[0])) or design.scheme.ground
    marks = tuple(sorted((site, repr(borne.placement)) for site, borne in one.borne.items()))
    return one.type, worn, recipes, grounds, marks, one.passes
