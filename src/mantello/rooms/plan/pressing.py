"""Presses of 'done' at the desk, in time or late, and the last one taken back."""

import uuid
from dataclasses import replace

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_POST

from mantello.record import logging as log
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, token_of
from mantello.workspace.readings import reading_of
from mantello_core.advice.mishap import MISHAPS, correction
from mantello_core.advice.weather import judged
from mantello_core.design.edit import with_step
from mantello_core.numerals import whole_number
from mantello_core.planning.done import left_of

from .desk_page import desk_page, untested_roles
from .evening import Evening
from .forms import DoneForm, pressed_at
from .painters import painter_in_hand


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
        (rank, number)
        for rank, _, ordinal in (one.rpartition("|") for one in request.POST.getlist("figure"))
        if (number := whole_number(ordinal, 10**6)) is not None
    }
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    batch = evening.find(request.POST.get("batch", ""))
    if batch is None or batch.done:
        return _late(request, army, evening, ticked, moment, token, to)
    if untested_roles(evening, batch):
        messages.error(request, "This batch waits for a test piece. Record one, or start without; nothing was logged.")
        return redirect(to, army.pk)
    form = DoneForm(request.POST, pots=catalogue_for(army))
    figures = ticked & set(batch.left)
    if not figures and form.is_valid():
        form.add_error(None, "No figure is ticked; tick those that were painted.")
    if not form.is_valid():
        return desk_page(request, army, batch.id, 422, form)
    made = log.record(
        army,
        batch.atoms,
        figures,
        form.cleaned_data["minutes"],
        moment,
        token,
        _noted(form),
        evening.painter,
        form.used,
    )
    _corrected(request, army, batch, form)
    if batch.atoms[0].sprayed:
        for said in judged(form.weather, varnish=batch.atoms[0].kind == "varnish"):
            messages.warning(request, said)
    logged = {(entry.rank, ordinal) for entry in made for ordinal in entry.ordinals}
    if logged:
        messages.success(request, f"{batch.title}: {len(logged)} figure{'s' * (len(logged) != 1)} logged.")
    else:
        messages.success(request, "That was logged already; nothing was logged twice.")
    return redirect(to, army.pk)


def _corrected(request, army, batch, form: DoneForm) -> None:
    """What went wrong mends the recipe too, where the painter asked for it."""
    atom, mishap = batch.atoms[0], form.cleaned_data.get("mishap", "")
    if not form.cleaned_data.get("correct") or not atom.subject.role:
        return
    design = reading_of(army.head).design
    tier = design.army.rank(atom.unit, atom.rank).tier
    found = correction(mishap, design.scheme.role(atom.subject.role).recipe(tier).step(atom.step), atom.of)
    if found:
        words, step = found
        apply(request, army, lambda before: with_step(before, atom.subject.role, tier, step), words)


def _noted(form: DoneForm) -> str:
    """The note, with what went wrong before it."""
    mishap = MISHAPS.get(form.cleaned_data.get("mishap", ""))
    weather = form.weather.words
    said = ". ".join(one for one in (weather and f"Weather: {weather}", form.cleaned_data.get("note", "")) if one)
    return f"Went wrong: {mishap.name}. {said}".strip() if mishap else said


def _late(request, army, evening: Evening, ticked, moment, token, to: str):
    """Work that was done at a desk out of reach, for a plan that has moved on meanwhile: its steps are logged by name.

    What is logged already is not logged again; minutes or a mishap that cannot be read do not keep the work out.
    """
    wanted = set(request.POST.getlist("atom"))
    planned = {atom.id: atom for atom in evening.reading.work.atoms}
    planned |= {atom.id: atom for task in evening.work.tasks for atom in task.atoms}
    atoms = [atom for atom in planned.values() if atom.id in wanted and request.POST.get("pressed")]
    open_of = {atom: left_of(atom, atom.ordinals, evening.done) for atom in atoms}
    figures = ticked & {(atom.rank, ordinal) for atom, ordinals in open_of.items() for ordinal in ordinals}
    form = DoneForm(request.POST, pots=catalogue_for(army))
    readable = form.is_valid()
    if figures:
        lacking = [replace(atom, ordinals=ordinals) for atom, ordinals in open_of.items() if ordinals]
        log.record(
            army,
            lacking,
            figures,
            form.cleaned_data.get("minutes"),
            moment,
            token,
            _noted(form),
            evening.painter,
            form.used,
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
    """One press of 'done' is taken back, the one the page named as the last; its entries stay in the log, struck through."""
    army = army_for(request, army_id)
    given = request.POST.get("pressed_batch", "")
    try:
        batch = uuid.UUID(given)
    except ValueError:
        messages.error(request, "Nothing is logged yet that could be taken back.")
        return redirect("desk", army.pk)
    entries = log.take_back_batch(army, batch)
    if entries:
        figures = sum(len(one.ordinals) for one in entries)
        messages.success(request, f"Taken back: {entries[0].name}, {figures} figures and steps.")
    else:
        messages.info(request, "That was taken back already; nothing else was touched.")
    return redirect("desk", army.pk)
