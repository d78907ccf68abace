"""The Plan room and the desk."""

import uuid
from dataclasses import replace
from datetime import date

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.template.loader import render_to_string
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
from mantello.shell.printing import pdf
from mantello_core.planning.progress import summed
from mantello_core.recipes.hazard import DEFERENCE
from mantello_core.recipes.mishap import MISHAPS, mishaps_at, repair
from mantello_core.recipes.step import Recipe
from mantello_core.schemes.army import Figure
from mantello_core.schemes.brief import days_to_spare

from .desk import areas_to_paint, areas_words, desk_svg, lap_of, pot_of
from .drawing import calendar_svg, lanes_svg
from .evening import Batch, Evening
from .forms import DoneForm, EveningsForm, pressed_at
from .laying import units_of
from .models import Replan
from .painters import painter_in_hand, painter_names
from .searching import last_search

#: kinds of step that tire hand and eyes
FINE = ("highlight", "edge", "dot", "line", "recess")
#: batches that the desk holds ready for when the server is out of reach; cards printed at once
AHEAD, MOST_CARDS = 8, 24


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
    if not design.army.figures or not design.evenings.of_painter(painter).pattern:
        return room_page(request, army, "plan", "plan/nothing.html", context, status)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    units = units_of(design, painter)
    everyone = {key: one for key, one in progress(army).items() if key[0] in units}
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
            (unit, design.army.title(unit), summed(one.progress for key, one in everyone.items() if key[0] == unit))
            for unit in units
        ],
        "search": last_search(army, painter),
        "moved": len(evening.evenings.wishes),
        "sessions_left": evening.sessions_left,
        "relaxed": len({one.why for one in evening.plan.relaxed}),
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
    evenings = reading_of(army.head).design.evenings
    painter = painter_in_hand(request, army)
    if not reading_of(army.head).design.army.figures or not evenings.of_painter(painter).pattern:
        return redirect("plan", army.pk)
    evening = Evening(army, timezone.now(), painter)
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
    following = evening.after(batch, AHEAD)
    muster = Muster(army, reading, everyone, log_mark(army), painted=True)
    unit = reading.design.army.nodes[batch.block.task.unit]
    step = evening.step(batch)
    return {
        "batch": batch,
        "untested": [reading.design.scheme.role(role) for role in _untested(army, reading, batch)],
        "step": step,
        "how": evening.how(batch),
        "hints": evening.hints(batch),
        "portion": evening.portion(batch) if batch.left else None,
        "fine": batch.atoms[0].kind in FINE or bool(batch.atoms[0].mark),
        "airing": evening.airing(),
        "form": form or DoneForm(initial={"minutes": round(batch.minutes_left)}),
        "picture": mark_safe(desk_svg(reading, batch, figure, everyone[unit.id, *figure].done)),
        "where": areas_words(areas_to_paint(reading, batch, figure)) if batch.atoms[0].role else "The whole figure",
        "lap": lap_of(reading, batch),
        "pot": pot_of(reading, batch, step),
        "coats": batch.atoms[0].coats,
        "cautions": evening.cautions(batch),
        "deference": DEFERENCE,
        "aged": aged(army, reading, log.mix_words(reading, batch.atoms[0]), evening.now) if step else None,
        "dry_at": evening.drying_until(batch),
        "drying": evening.still_drying(),
        "following": following[:3],
        "ahead": [one.id for one in following],
        "forgotten": _forgotten(evening, batch),
        "repairs": _repairs(reading, batch),
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


def _forgotten(evening: Evening, batch: Batch) -> list[str]:
    """Figures of a batch that lack a step which the others of it have had."""
    atoms = {atom.id: atom for atom in evening.reading.work.atoms}
    mine, unit = {atom.id for atom in batch.atoms}, batch.block.task.unit
    before = {edge.before for edge in evening.reading.work.edges if edge.after in mine and edge.rule.hard}
    had: dict[tuple[str, str], int] = {}
    lacking: dict[tuple[str, str], list[str]] = {}
    names: dict[tuple[str, str], str] = {}
    for id_ in sorted(before - mine):
        atom = atoms[id_]
        key = atom.role, atom.step
        names[key] = atom.name
        for rank, ordinal in batch.left:
            if rank == atom.rank and ordinal in atom.ordinals:
                if (unit, rank, ordinal, *key) in evening.done:
                    had[key] = had.get(key, 0) + 1
                else:
                    lacking.setdefault(key, []).append(f"{rank} {ordinal}")
    return [f"{', '.join(figures)}: no {names[key]} yet" for key, figures in lacking.items() if had.get(key)]


def _repairs(reading, batch: Batch) -> list:
    """What may go wrong at a batch, with what another coat would do where coats are counted."""
    atom = batch.atoms[0]
    known = mishaps_at(atom.kind if atom.role else "undercoat")
    if not atom.recipe_role or atom.kind != "base":
        return [(one, None) for one in known]
    tier = reading.design.army.rank(atom.unit, atom.rank).tier
    recipe = reading.design.scheme.role(atom.recipe_role).recipe(tier)
    more = Recipe(tuple(replace(one, coats=atom.coats + 1) if one.id == atom.step else one for one in recipe.steps))
    at = next(number for number, one in enumerate(recipe.steps) if one.id == atom.step)
    now, then = (reading.design.scheme.predicted(one).outcomes[at].after for one in (recipe, more))
    wanted = recipe.steps[at].mix.film.masstone
    return [(one, repair(wanted, now, then) if one.id in ("pale", "patchy") else None) for one in known]


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
    moment = pressed_at(request.POST.get("pressed", ""), timezone.now())
    ticked = {
        (rank, int(ordinal))
        for rank, _, ordinal in (one.rpartition("|") for one in request.POST.getlist("figure"))
        if ordinal.isdigit() and len(ordinal) < 6
    }
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    batch = evening.find(request.POST.get("batch", ""))
    if batch is None or batch.done:
        return _late(request, army, evening, ticked, moment, token, to)
    if _untested(army, evening.reading, batch):
        messages.error(request, "This batch waits for a test piece. Record one, or start without; nothing was logged.")
        return redirect(to, army.pk)
    form = DoneForm(request.POST)
    figures = ticked & set(batch.left)
    if not figures and form.is_valid():
        form.add_error(None, "No figure is ticked; tick those that were painted.")
    if not form.is_valid():
        return _desk_page(request, army, batch.id, 422, form)
    log.record(army, batch.atoms, figures, form.cleaned_data["minutes"], moment, token, _noted(form), evening.painter)
    messages.success(request, f"{batch.title}: {len(figures)} figure{'s' * (len(figures) != 1)} logged.")
    return redirect(to, army.pk)


def _noted(form: DoneForm) -> str:
    """The note, with what went wrong before it."""
    mishap = MISHAPS.get(form.cleaned_data.get("mishap", ""))
    said = form.cleaned_data.get("note", "")
    return f"Went wrong: {mishap.name}. {said}".strip() if mishap else said


def _late(request, army, evening: Evening, ticked, moment, token, to: str):
    """Work that was done at a desk out of reach, for a plan that has moved on meanwhile: its steps are logged by name.

    What is logged already is not logged again; minutes or a mishap that cannot be read do not keep the work out.
    """
    wanted = set(request.POST.getlist("atom"))
    atoms = [atom for atom in evening.reading.work.atoms if atom.id in wanted and request.POST.get("pressed")]
    open_of = {
        atom: tuple(
            ordinal
            for ordinal in atom.ordinals
            if (atom.unit, atom.rank, ordinal, atom.role, atom.step) not in evening.done
        )
        for atom in atoms
    }
    figures = ticked & {(atom.rank, ordinal) for atom, ordinals in open_of.items() for ordinal in ordinals}
    form = DoneForm(request.POST)
    readable = form.is_valid()
    if figures:
        lacking = [replace(atom, ordinals=ordinals) for atom, ordinals in open_of.items() if ordinals]
        log.record(
            army, lacking, figures, form.cleaned_data.get("minutes"), moment, token, _noted(form), evening.painter
        )
        if not readable:
            told = " ".join(
                f"{form[name].label} '{request.POST.get(name, '')[:40]}'. {texts[0]}"
                for name, texts in form.errors.items()
            )
            messages.error(request, f"What could not be read was left out of the log: {told}")
        messages.success(
            request,
            f"{atoms[0].name}: {len(figures)} figure{'s' * (len(figures) != 1)} logged, as of {timezone.localtime(moment):%H:%M}.",
        )
    elif atoms:
        messages.success(request, "That was logged already; nothing was logged twice.")
    else:
        messages.error(
            request,
            "The plan has changed since this page was opened, so nothing was logged. This is the batch that comes now.",
        )
    return redirect(to, army.pk)


@login_required
@require_POST
def take_back_last(request, army_id):
    """The last press of 'done' is taken back; its entries stay in the log, struck through."""
    army = army_for(request, army_id)
    last = army.entries.standing().order_by("-done_at", "-pk").first()
    if last is None:
        messages.error(request, "Nothing is logged yet that could be taken back.")
        return redirect("desk", army.pk)
    entries = list(army.entries.standing().filter(batch=last.batch))
    for entry in entries:
        log.take_back(entry)
    messages.success(
        request, f"Taken back: {last.name}, {sum(len(one.ordinals) for one in entries)} figures and steps."
    )
    return redirect("desk", army.pk)


@login_required
@require_safe
def cards(request, army_id):
    """The batches of the session as cards to lay beside the palette, as PDF."""
    army = army_for(request, army_id)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    everyone = progress(army)
    printed = []
    for batch in [one for one in evening.tonight if not one.done][:MOST_CARDS]:
        figure = (batch.left or batch.block.figures)[0]
        unit = batch.block.task.unit
        step = evening.step(batch)
        printed.append({
            "batch": batch, "step": step, "how": evening.how(batch), "hints": evening.hints(batch), "portion": evening.portion(batch), "cautions": evening.cautions(batch),
            "where": areas_words(areas_to_paint(evening.reading, batch, figure)) if batch.atoms[0].role else "The whole figure",
            "picture": mark_safe(desk_svg(evening.reading, batch, figure, everyone[unit, *figure].done)),
            "figures": ", ".join(f"{rank} {ordinal}" for rank, ordinal in batch.left),
        })  # fmt: skip
    session = evening.plan.sessions[0]
    html = render_to_string(
        "plan/cards.html", {"army": army, "cards": printed, "session": session, "deference": DEFERENCE}
    )
    return pdf(html, "desk-cards.pdf", "cards.css")


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
