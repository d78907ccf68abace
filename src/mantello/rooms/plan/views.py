"""The Plan room: calendar, lanes, what is left, and the evenings."""

from dataclasses import replace
from datetime import date

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.record.queries import progress
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import reading_of
from mantello_core.design.brief import days_to_spare
from mantello_core.record.progress import summed

from .better import found_by, last_search
from .desk_page import desk_context
from .drawing import calendar_svg, lanes_svg
from .evening import Evening
from .forms import EveningsForm
from .laying import units_of
from .models import Replan
from .painters import can_plan, painter_in_hand, painter_names


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
    context = {"title": "Plan", "evenings_form": form, "painter": painter, "painters": painter_names(request, design)}
    if not can_plan(army, painter):
        return room_page(request, army, "plan", "plan/nothing.html", context, status)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    search = last_search(army, painter)
    units = units_of(design, painter)
    everyone = {key: one for key, one in progress(army).items() if key[0] in units}
    whole = summed(one.progress for one in everyone.values())
    session = evening.plan.sessions[0]
    tonight = evening.tonight
    context |= desk_context(army, evening, evening.current) | {
        "evening": evening,
        "session": session,
        "tonight": tonight,
        "calendar": mark_safe(calendar_svg(evening, _worked(army))),
        "lanes": mark_safe(lanes_svg(evening, tonight, session)) if tonight else "",
        "whole": whole,
        "units": [
            (unit, design.army.title(unit), summed(one.progress for key, one in everyone.items() if key[0] == unit))
            for unit in units
        ],
        "alone": sum(len(task.atoms) for task in evening.work.tasks),
        "search": search,
        "found": found_by(search),
        "moved": len(evening.evenings.wishes),
        "sessions_left": evening.sessions_left,
        "told": list(dict.fromkeys(said for sheet in reading.sheets for said in sheet.arranged.told))[:4],
        "relaxed": len({one.why for sheet in reading.sheets for one in sheet.arranged.gave_way}),
        "due": _due(reading.design.brief, evening.plan.finish),
        "behind": session.end <= evening.now.replace(tzinfo=None),
    }  # fmt: skip
    return room_page(request, army, "plan", "plan/plan.html", context, status)


def _due(brief, finish):
    """The deadline of the brief, and the days to spare until it; nothing without one."""
    if not (brief and brief.deadline):
        return None
    spare = days_to_spare(brief, finish.date()) if finish else None
    return {"day": date.fromisoformat(brief.deadline), "spare": spare, "late": -spare if spare is not None else None}


def _worked(army):
    hours: dict = {}
    for done_at, minutes, planned in army.entries.standing().values_list("done_at", "minutes", "planned_minutes"):
        day = timezone.localtime(done_at).date()
        hours[day] = hours.get(day, 0.0) + (planned if minutes is None else minutes) / 60
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
