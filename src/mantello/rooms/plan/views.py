"""The Plan room: calendar, lanes, what is left, and the evenings."""

from collections import defaultdict
from dataclasses import replace
from datetime import date

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.record.log import log_of
from mantello.record.queries import progress
from mantello.trials.trial import untested
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.design.brief import days_to_spare
from mantello_core.design.order_edit import with_order, with_units_alone, with_units_joined
from mantello_core.numerals import whole_number
from mantello_core.planning.joining import lots_of, together_advice
from mantello_core.planning.plan import BREAK
from mantello_core.planning.varied import pot_by_pot, varied_roles
from mantello_core.record.progress import summed
from mantello_core.scheme.work_order import MOST_IN_RUN

from .better import found_by, last_search
from .confirming import confirmed_now
from .desk_page import desk_context
from .drawing import calendar_svg, lanes_svg
from .evening import Evening
from .forms import EveningsForm
from .laying import units_of
from .models import Replan
from .painters import can_plan, painter_in_hand, painter_names
from .pots import pots_of

#: pairs of units that are offered to be joined
_MOST_TOGETHER = 3


@login_required
@require_safe
def plan(request, army_id):
    """The calendar, tonight's lanes, and the batch at the desk."""
    return _plan_page(request, army_for(request, army_id))


def _plan_page(request, army, status=200, evenings_form=None):
    reading = reading_of(army.head)
    design = reading.design
    painter = painter_in_hand(request, army)
    form = evenings_form or EveningsForm.showing(design.evenings)
    context = {
        "title": "Plan",
        "evenings_form": form,
        "painter": painter,
        "painters": painter_names(request, army, design),
    }
    if not can_plan(army, painter):
        return room_page(request, army, "plan", "plan/nothing.html", context, status)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    search = last_search(army, painter)
    units = units_of(design, painter)
    session = evening.plan.sessions[0]  # first of all: what it is laid from tells how far the figures are, too
    tonight = evening.tonight
    everyone = {key: one for key, one in progress(army, log=evening.log).items() if key[0] in units}
    whole = summed(one.progress for one in everyone.values())
    context |= desk_context(army, evening, evening.current, confirmed=confirmed_now(request)) | {
        "evening": evening,
        "session": session,
        "tonight": tonight,
        "pots": pots_of(evening, tonight),
        "calendar": mark_safe(calendar_svg(evening, _worked(army))),
        "lanes": mark_safe(lanes_svg(evening, tonight, session)) if tonight else "",
        "whole": whole,
        "units": _units(evening, units, everyone),
        "tiers": _tiers(design, everyone),
        "until_due": _minutes_until(evening, design.brief),
        "together": [
            (one, *(design.army.title(unit) for unit in one.units))
            for one in together_advice(design, reading.sheets)[:_MOST_TOGETHER]
        ],
        "runs": [(at, [design.army.title(unit) for unit in run.units if unit in design.army.nodes]) for at, run in enumerate(design.scheme.order.runs)],
        "by_themselves": design.scheme.order.alone,
        "alone": sum(len(task.atoms) for task in evening.work.tasks),
        "varied": [
            (design.army.title(one.unit), one)
            for one in pot_by_pot(evening.plan.blocks, varied_roles(design.scheme, design.army))
        ],
        "search": search,
        "found": found_by(search),
        "moved": len(evening.evenings.wishes),
        "sessions_left": evening.sessions_left,
        "open_roles": _open_roles(evening),
        "gates": _gates(army, evening),
        "told": list(dict.fromkeys(said for sheet in reading.sheets for said in sheet.arranged.told))[:4],
        "faults": len(evening.faults),
        "waiting": evening.plan.idle - sum(evening.plan.breaks),
        "break_minutes": sum(evening.plan.breaks),
        "break": f"{BREAK:g}",
        "relaxed": len({one.why for sheet in reading.sheets for one in sheet.arranged.gave_way}),
        "due": _due(reading.design.brief, evening.plan.finish),
        "behind": session.end <= evening.now.replace(tzinfo=None),
    }  # fmt: skip
    return room_page(request, army, "plan", "plan/plan.html", context, status)


def _units(evening: Evening, units, everyone) -> list:
    """Every unit with its title, what is left, when it is finished, when it is wanted and whether that is late, and its lots."""
    army, due = evening.reading.design.army, dict(evening.reading.design.evenings.due)
    ends: dict[str, date] = {}
    for block in evening.plan.blocks:
        ends[block.task.unit] = max(ends.get(block.task.unit, block.end.date()), block.end.date())
    rows = []
    for unit in units:
        wanted = date.fromisoformat(due[unit]) if unit in due else None
        left = summed(one.progress for key, one in everyone.items() if key[0] == unit)
        lots = lots_of(army.nodes[unit].figures, evening.evenings.attention)
        late = bool(wanted and ends.get(unit) and ends[unit] > wanted)
        rows.append((unit, army.title(unit), left, ends.get(unit), wanted, late, lots))
    return rows


def _open_roles(evening: Evening) -> list:
    """Roles whose colour is open, with the day by which it must be firm: that of their first step."""
    return _first_days(evening, {role.id for role in evening.reading.design.scheme.roles if role.provisional})


def _gates(army, evening: Evening) -> list:
    """Days on which colours begin that nobody tried yet, with those colours: a test piece is wanted before."""
    found: dict[date, list] = {}
    for role, day in _first_days(evening, set(untested(army, evening.reading, evening.log.roles))):
        found.setdefault(day, []).append(role)
    return list(found.items())


def _first_days(evening: Evening, roles: set[str]) -> list:
    """Roles with the day of their first step, in its order; without those that are not planned."""
    first: dict[str, date] = {}
    for block in evening.plan.blocks if roles else ():
        for atom in block.task.atoms:
            if atom.subject.role in roles:
                first.setdefault(atom.subject.role, block.start.date())
    return [(evening.reading.design.scheme.role(id_), day) for id_, day in first.items()]


def _tiers(design, everyone) -> list:
    """Minutes left by tier."""
    tier_of = {(unit.id, rank.id): rank.tier for unit in design.army.units for rank in unit.ranks}
    return [
        (name, summed(one.progress for key, one in everyone.items() if tier_of.get(key[:2]) == tier).minutes_left)
        for tier, name in TIERS.items()
        if any(tier_of.get(key[:2]) == tier for key in everyone)
    ]


def _minutes_until(evening: Evening, brief) -> float | None:
    """Minutes of evenings until the deadline; None without one."""
    if not (brief and brief.deadline):
        return None
    day = date.fromisoformat(brief.deadline)
    return sum(one.seconds for one in evening.plan.sessions if one.start.date() <= day) / 60


def _due(brief, finish):
    """The deadline of the brief, and the days to spare until it; nothing without one."""
    if not (brief and brief.deadline):
        return None
    spare = days_to_spare(brief, finish.date()) if finish else None
    return {"day": date.fromisoformat(brief.deadline), "spare": spare, "late": -spare if spare is not None else None}


@login_required
@require_POST
def join_units(request, army_id):
    """Units that share pots are painted together, or apart again."""
    army = army_for(request, army_id)
    units = tuple(dict.fromkeys(request.POST.getlist("unit")))[:MOST_IN_RUN]
    apart = request.POST.get("do") == "apart"
    if request.POST.get("do") == "alone":
        chosen = tuple(dict.fromkeys(request.POST.getlist("unit")))
        apply(request, army, lambda design: with_units_alone(design, chosen), "Units painted by themselves")
        return redirect("plan", army.pk)

    def change(design):
        for unit in units:
            design.army.node(unit, "unit")
        if apart:
            at = whole_number(request.POST.get("run", ""), 10**6) or 0
            runs = tuple(run for number, run in enumerate(design.scheme.order.runs) if number != at)
            return with_order(design, replace(design.scheme.order, runs=runs))
        return with_units_joined(design, units, "same pots")

    apply(request, army, change, "Units painted apart again" if apart else "Units painted together")
    return redirect("plan", army.pk)


def _worked(army) -> dict[date, float]:
    """Hours at the desk by the painter's own days."""
    hours: dict[date, float] = defaultdict(float)
    days: dict[int, date] = {}
    for one in log_of(army).lines:
        # what differs from zone to zone differs by quarters of an hour
        quarter = int(one.done_at.timestamp() // 900)
        if quarter not in days:
            days[quarter] = timezone.localtime(one.done_at).date()
        hours[days[quarter]] += one.spent / 60
    return hours


@login_required
@require_POST
def again(request, army_id):
    """Plan anew from now; what is logged stays."""
    army = army_for(request, army_id)
    Replan.objects.update_or_create(army=army, defaults={"start": timezone.now()})
    messages.success(request, "Planned anew from now. What is logged stays done.")
    return redirect("plan", army.pk)


@login_required
@require_POST
def set_evenings(request, army_id):
    """Change the weekly pattern."""
    army = army_for(request, army_id)
    form = EveningsForm(request.POST)
    if not form.is_valid():
        return _plan_page(request, army, 422, form)
    given = form.cleaned_data

    def change(design):
        return replace(
            design,
            evenings=replace(
                design.evenings,
                pattern=given["pattern"],
                attention=given["attention"],
                pace=given["pace"] or design.evenings.pace,
            ),
        )

    apply(request, army, change, f"Evenings changed: {len(given['pattern'])} a week")
    return redirect("plan", army.pk)
