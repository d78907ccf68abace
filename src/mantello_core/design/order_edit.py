"""Changes of the order of work and of passes over the figure."""

from collections.abc import Sequence
from dataclasses import replace

from ..errors import Contradiction, OutOfRange, UnknownName
from ..naming import slug
from ..scheme.whole_pass import WholePass
from ..scheme.work_order import Moved, OwnRule, Phase, Run, WorkOrder
from .design import Design
from .edit import with_scheme

#: slots of the finish that a phase's place stands for
_SLOT_OF = {"metals": "metals", "skin": "skin", "ground": "base", "base": "base"}


def with_order(design: Design, order: WorkOrder) -> Design:
    """The design with other choices of the order."""
    return with_scheme(design, replace(design.scheme, order=order))


def with_work_moved(design: Design, what: str, phase: str, because: str = "", scope: str = "") -> Design:
    """Put work into a phase; '' lets it stand where the method has it again. what: as ``OwnRule`` names work."""
    order = design.scheme.order
    rest = tuple(one for one in order.moved if (one.what, one.scope) != (what, scope))
    moved = (*rest, Moved(what, phase, because.strip(), scope)) if phase else rest
    return with_order(design, replace(order, moved=moved))


def with_own_rule(design: Design, before: str, after: str, because: str = "", scope: str = "") -> Design:
    """Add a rule: this before that.

    Raises: Contradiction, naming both, if a rule for the same scope says the opposite.
    """
    order = design.scheme.order
    for one in order.rules:
        if (one.before, one.after, one.scope) == (after, before, scope):
            raise Contradiction(
                f"Your rule '{one.because or one.before + ' before ' + one.after}' says the opposite; give it up first."
            )
    rest = tuple(one for one in order.rules if (one.before, one.after, one.scope) != (before, after, scope))
    id_ = slug(f"{before} {after}"[:40], {one.id for one in rest})
    return with_order(design, replace(order, rules=(*rest, OwnRule(id_, before, after, because.strip(), scope))))


def without_own_rule(design: Design, rule_id: str) -> Design:
    """Give up a rule of the painter's own. Raises: UnknownName."""
    order = design.scheme.order
    if rule_id not in [one.id for one in order.rules]:
        raise UnknownName("rule of your own", rule_id, [one.id for one in order.rules], "rule")
    return with_order(design, replace(order, rules=tuple(one for one in order.rules if one.id != rule_id)))


def with_rule_given_up(design: Design, rule_id: str, *, given_up: bool) -> Design:
    """Give up an order rule for the army, or ask for it again."""
    order = design.scheme.order
    rest = tuple(one for one in order.given_up if one != rule_id)
    return with_order(design, replace(order, given_up=(*rest, rule_id) if given_up else rest))


def with_switch(design: Design, switch: str, *, on: bool) -> Design:
    """Turn an order rule on or off against the method."""
    order = design.scheme.order
    rest = {name: was for name, was in order.switches if name != switch}
    return with_order(design, replace(order, switches=tuple(sorted((rest | {switch: on}).items()))))


def with_phase_moved(design: Design, phases: Sequence[Phase], phase_id: str, to: int) -> Design:
    """Move a phase to a place, from 0. phases: as they stand now.

    Raises: UnknownName, OutOfRange.
    """
    one = _phase(phases, phase_id)
    if not 0 <= to < len(phases):
        raise OutOfRange(f"Place {to + 1}; there are places 1 to {len(phases)}.", "to")
    rest = [other for other in phases if other.id != phase_id]
    return _with_phases(design, (*rest[:to], one, *rest[to:]), one.usual)


def with_phase_renamed(design: Design, phases: Sequence[Phase], phase_id: str, name: str) -> Design:
    """Call a phase otherwise; the usual name again if empty. Raises: UnknownName, OutOfRange."""
    one = _phase(phases, phase_id)
    if not name.strip():
        raise OutOfRange("The phase needs a name.", "name")
    renamed = replace(one, name=name.strip())
    return _with_phases(design, tuple(renamed if other.id == phase_id else other for other in phases))


def with_phase_added(design: Design, phases: Sequence[Phase], after: str, name: str, like: str) -> Design:
    """Add a phase behind another; like: the usual phase it repeats. Raises: UnknownName, OutOfRange."""
    at = [one.id for one in phases].index(_phase(phases, after).id) + 1
    if not name.strip():
        raise OutOfRange("The phase needs a name.", "name")
    taken = {one.id for one in phases}
    id_ = like if like not in taken and not any(one.usual == like for one in phases) else slug(name, taken)[:40]
    made = Phase(id_, name.strip(), "" if id_ == like else like)
    return _with_phases(design, (*phases[:at], made, *phases[at:]))


def without_phase(design: Design, phases: Sequence[Phase], phase_id: str) -> Design:
    """Take a phase away; what was put into it stands where the method has it. Raises: UnknownName, OutOfRange."""
    one = _phase(phases, phase_id)
    if len(phases) < 2:
        raise OutOfRange("One phase must be left.", "phase")
    moved = tuple(each for each in design.scheme.order.moved if each.phase != phase_id)
    design = with_order(design, replace(design.scheme.order, moved=moved))
    return _with_phases(design, tuple(other for other in phases if other.id != phase_id), one.usual)


def with_method_phases(design: Design) -> Design:
    """Let the phases be as the method has them again."""
    known = {one.id for one in design.scheme.order.phases if one.like}
    moved = tuple(each for each in design.scheme.order.moved if each.phase not in known)
    return with_order(design, replace(design.scheme.order, phases=(), moved=moved))


def with_pass(design: Design, one: WholePass) -> Design:
    """Replace the pass of that id and scope, or add it at the end."""
    passes = design.scheme.passes
    key = one.id, one.scope, one.filter
    if any((each.id, each.scope, each.filter) == key for each in passes):
        passes = tuple(one if (each.id, each.scope, each.filter) == key else each for each in passes)
    else:
        passes = (*passes, one)
    return with_scheme(design, replace(design.scheme, passes=passes))


def without_pass(design: Design, pass_id: str, scope: str = "") -> Design:
    """Take a pass of a scope away; that of the whole army takes all others of its id with it. Raises: UnknownName."""
    scheme = design.scheme
    if not any(one.id == pass_id and one.scope == scope for one in scheme.passes):
        raise UnknownName("pass", pass_id, [one.id for one in scheme.passes], "pass")
    passes = tuple(one for one in scheme.passes if one.id != pass_id or (scope and one.scope != scope))
    order = scheme.order if any(one.id == pass_id for one in passes) else scheme.order.without_pass(pass_id)
    return with_scheme(design, replace(scheme, passes=passes, order=order))


def with_units_joined(design: Design, units: tuple[str, ...], because: str = "") -> Design:
    """Let units be painted together; they leave runs they were in."""
    order = design.scheme.order
    runs = [replace(run, units=tuple(one for one in run.units if one not in units)) for run in order.runs]
    kept = tuple(run for run in runs if len(run.units) > 1)
    alone = tuple(one for one in order.alone if one not in units)
    return with_order(
        design, replace(order, runs=(*kept, Run(units, because)) if len(units) > 1 else kept, alone=alone)
    )


def with_units_alone(design: Design, units: tuple[str, ...]) -> Design:
    """Let units, and no others, be painted by themselves; they leave runs they were in.

    Raises: UnknownName for one that is not there.
    """
    for unit in units:
        design.army.node(unit, "unit")
    order = design.scheme.order
    runs = (replace(run, units=tuple(one for one in run.units if one not in units)) for run in order.runs)
    kept = tuple(run for run in runs if len(run.units) > 1)
    return with_order(design, replace(order, runs=kept, alone=tuple(dict.fromkeys(units))))


def _phase(phases: Sequence[Phase], phase_id: str) -> Phase:
    found = next((one for one in phases if one.id == phase_id), None)
    if found is None:
        raise UnknownName("phase", phase_id, [one.id for one in phases], "phase")
    return found


def _with_phases(design: Design, phases: tuple[Phase, ...], placed: str = "") -> Design:
    """The painter's own list; a slot of the finish that placed the phase that moved says nothing any more."""
    design = with_order(design, replace(design.scheme.order, phases=phases))
    slot = _SLOT_OF.get(placed)
    if slot and getattr(design.scheme.finishing.slots, slot):
        finishing = design.scheme.finishing
        return with_scheme(
            design, replace(design.scheme, finishing=replace(finishing, slots=replace(finishing.slots, **{slot: ""})))
        )
    return design
