"""The Plan room and the desk."""

import uuid
from dataclasses import replace
from datetime import date

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.rooms.army.muster import Muster
from mantello.rooms.army.page import apply, army_for, room_page, token_of
from mantello.rooms.army.reading import reading_of
from mantello.rooms.log import actions as log
from mantello.rooms.log.bench import aged
from mantello.rooms.log.queries import log_mark, progress
from mantello.rooms.recipes.trials import untested
from mantello_core.planning.progress import summed
from mantello_core.recipes.hazard import DEFERENCE
from mantello_core.schemes.army import Figure
from mantello_core.schemes.brief import days_to_spare

from .desk import areas_to_paint, areas_words, desk_svg, lap_of
from .drawing import calendar_svg, lanes_svg
from .evening import Batch, Evening
from .forms import DoneForm, EveningsForm
from .models import Replan


@login_required
@require_safe
def plan(request, army_id):
    """The calendar, tonight's lanes, and the batch at the desk."""
    return _plan_page(request, army_for(request, army_id))


def _plan_page(request, army, status=200, evenings_form=None):
    reading = reading_of(army.head)
    form = evenings_form or EveningsForm.showing(reading.design.evenings)
    context = {"title": "Plan", "evenings_form": form}
    if not reading.design.army.figures or not reading.design.evenings.pattern:
        return room_page(request, army, "plan", "plan/nothing.html", context, status)
    evening = Evening(army, timezone.now())
    everyone = progress(army)
    whole = summed(one.progress for one in everyone.values())
    session = evening.plan.sessions[0]
    tonight = evening.tonight
    context |= _desk_context(army, evening, evening.current) | {
        "evening": evening,
        "session": session,
        "tonight": tonight,
        "calendar": mark_safe(calendar_svg(evening, _worked(army))),
        "lanes": mark_safe(lanes_svg(evening, tonight, session)) if tonight else "",
        "whole": whole,
        "units": [
            (reading.design.army.title(unit.id), summed(one.progress for key, one in everyone.items() if key[0] == unit.id))
            for unit in reading.design.army.units
        ],
        "sessions_left": evening.sessions_left,
        "relaxed": list(dict.fromkeys(one.why for one in evening.plan.relaxed))[:4],
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
@require_safe
def desk(request, army_id):
    """One batch, large."""
    return _desk_page(request, army_for(request, army_id), request.GET.get("batch", ""))


def _desk_page(request, army, batch_id="", status=200, form=None):
    reading = reading_of(army.head)
    if not reading.design.army.figures or not reading.design.evenings.pattern:
        return redirect("plan", army.pk)
    evening = Evening(army, timezone.now())
    batch = evening.find(batch_id) or evening.current
    context = {"title": "At the desk", "evening": evening} | _desk_context(army, evening, batch, form)
    return room_page(request, army, "plan", "plan/desk.html", context, status)


def _desk_context(army, evening: Evening, batch: Batch | None, form=None):
    """What the desk shows of a batch; only its neighbours if there is none left."""
    if batch is None:
        return {"batch": None}
    reading = evening.reading
    figure = (batch.left or batch.block.figures)[0]
    everyone = progress(army)
    following = evening.after(batch, 3)
    muster = Muster(army, reading, everyone, log_mark(army), painted=True)
    unit = reading.design.army.nodes[batch.block.task.unit]
    step = evening.step(batch)
    return {
        "batch": batch,
        "untested": [reading.design.scheme.role(role) for role in _untested(army, reading, batch)],
        "step": step,
        "mark_step": evening.mark_step(batch),
        "form": form or DoneForm(initial={"minutes": round(batch.minutes_left)}),
        "picture": mark_safe(desk_svg(reading, batch, figure, everyone[unit.id, *figure].done)),
        "where": areas_words(areas_to_paint(reading, batch, figure)) if batch.atoms[0].role else "The whole figure",
        "lap": lap_of(reading, batch),
        "coats": batch.atoms[0].coats,
        "cautions": evening.cautions(batch),
        "deference": DEFERENCE,
        "aged": aged(army, reading, log.mix_words(reading, batch.atoms[0]), evening.now) if step else None,
        "dry_at": evening.drying_until(batch),
        "drying": evening.still_drying(),
        "following": following,
        "skip_to": following[0] if following else None,
        "batch_token": uuid.uuid4(),
        "in_hand": [
            (
                f"{rank}|{ordinal}",
                f"{rank} {ordinal}",
                muster.picture(unit, reading.resolution.of(Figure(unit.id, rank, ordinal)), ordinal, 84),
                (rank, ordinal) in batch.left,
            )
            for rank, ordinal in batch.block.figures
        ],
    }


def _untested(army, reading, batch: Batch) -> list[str]:
    """Roles of a batch that want a test piece before it may start."""
    wanting = untested(army, reading)
    return [role for role in dict.fromkeys(atom.role for atom in batch.atoms) if role in wanting]


@login_required
@require_POST
def done(request, army_id):
    """Log a batch, or the ticked figures of it, as done."""
    army = army_for(request, army_id)
    to = "plan" if request.POST.get("from") == "plan" else "desk"
    token = token_of(request) or uuid.uuid4()
    if army.entries.filter(batch=token).exists():
        return redirect(to, army.pk)
    evening = Evening(army, timezone.now())
    batch = evening.find(request.POST.get("batch", ""))
    if batch is None or batch.done:
        messages.error(
            request,
            "The plan has changed since this page was opened, so nothing was logged. This is the batch that comes now.",
        )
        return redirect(to, army.pk)
    if _untested(army, evening.reading, batch):
        messages.error(request, "This batch waits for a test piece. Record one, or start without; nothing was logged.")
        return redirect(to, army.pk)
    form = DoneForm(request.POST)
    ticked = {
        (rank, int(ordinal))
        for rank, _, ordinal in (one.rpartition("|") for one in request.POST.getlist("figure"))
        if ordinal.isdigit()
    }
    figures = ticked & set(batch.left)
    if not figures and form.is_valid():
        form.add_error(None, "No figure is ticked; tick those that were painted.")
    if not form.is_valid():
        return _desk_page(request, army, batch.id, 422, form)
    log.record(
        army, batch.atoms, figures, form.cleaned_data["minutes"], timezone.now(), token, form.cleaned_data["note"]
    )
    messages.success(request, f"{batch.title}: {len(figures)} figure{'s' * (len(figures) != 1)} logged.")
    return redirect(to, army.pk)


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
            design, evenings=replace(design.evenings, pattern=given["pattern"], attention=given["attention"])
        )

    apply(request, army, change, f"Evenings changed: {len(given['pattern'])} a week")
    return redirect("plan", army.pk)
