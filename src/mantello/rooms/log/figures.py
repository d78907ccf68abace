"""One figure's history: what was done to it with what, its photographs, the last look, and what was done elsewhere."""

import uuid
from dataclasses import replace

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import get_object_or_404
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.record import logging as actions
from mantello.record.models import AWAY, FigurePhoto
from mantello.record.queries import done_steps, progress
from mantello.shell.download import private_jpeg
from mantello.shell.photograph import PhotoField
from mantello.workspace.models import Army
from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.figures.vocabulary import sideless
from mantello_core.formats.drawing import plate_svg
from mantello_core.planning.done import left_of
from mantello_core.record.last_look import Look, last_look

from .choosing import Chosen, back_to_figure, chosen_figure, posted_figure
from .measuring import measured_on

#: areas of a last look, photographs of one army at most: an archive has to hold them
MOST_LOOKS, MOST_PHOTOS = 14, 200


class FigurePhotoForm(forms.Form):
    """A photograph of a figure, or of all of its rank."""

    photo = PhotoField(label="Photograph")
    caption = forms.CharField(required=False, max_length=200, label="What it shows")
    whole = forms.BooleanField(required=False, label="It shows all of this rank")


@login_required
@require_safe
def figure_history(request, army_id):
    """What was done to a figure, what is still to come, its photographs, and where to look last."""
    army = army_for(request, army_id)
    return _page(request, army, chosen_figure(reading_of(army.head), request.GET))


def _page(request, army, chosen: Chosen | None, status=200, form=None):
    reading = reading_of(army.head)
    context = {"title": "Figures", "chosen": chosen, "ranks": _ranks(reading)}
    if chosen:
        one = reading.resolution.of(Figure(chosen.unit, chosen.rank, chosen.ordinal))
        mine = progress(army)[chosen.unit, chosen.rank, chosen.ordinal]
        entries = [
            entry
            for entry in army.entries.filter(unit=chosen.unit, rank=chosen.rank)
            .select_related("version")
            .order_by("done_at", "pk")
            if chosen.ordinal in entry.ordinals
        ]
        others = {painter.id: painter.name for painter in reading.design.evenings.painters}
        pictures = [
            mark_safe(
                plate_svg(one.plate, view.name, lambda area: reading.painted_fill(one, area, mine.done), detail="small")
            )
            for view in one.plate.views[:2]
        ]
        measured, readable = measured_on(army, reading, chosen)
        context |= {
            "measured": measured,
            "readable": readable,
            "entries": [(entry, others.get(entry.painter, entry.painter)) for entry in entries],
            "numbers": range(1, chosen.count + 1),
            "to_come": [atom for atom in _atoms(reading, chosen) if (atom.subject, atom.logged) not in mine.done],
            "state": mine.state,
            "share": mine.progress.share,
            "pictures": pictures,
            "photos": _photos(army, chosen),
            "form": form or FigurePhotoForm(),
            "looks": _looks(army, reading, one),
            "looked": army.last_looks.filter(unit=chosen.unit, rank=chosen.rank, ordinal=chosen.ordinal).first(),
            "scheme": reading.design.scheme,
        }
    return room_page(request, army, "log", "log/figures.html", context, status)


def _ranks(reading: Reading) -> list[tuple[str, str, str, str, int]]:
    army = reading.design.army
    return [
        (unit.id, rank.id, rank.name, army.title(unit.id), rank.figures)
        for unit in army.units
        for rank in unit.ranks
        if rank.figures
    ]


def _atoms(reading: Reading, chosen: Chosen):
    return [
        atom
        for atom in reading.atoms
        if (atom.unit, atom.rank) == (chosen.unit, chosen.rank) and chosen.ordinal in atom.ordinals
    ]


def _photos(army: Army, chosen: Chosen) -> list[FigurePhoto]:
    known = army.figure_photos.filter(unit=chosen.unit, rank=chosen.rank).defer("jpeg")
    return [one for one in known if chosen.ordinal in one.ordinals]


def _looks(army: Army, reading: Reading, one) -> list[tuple[Look, str]]:
    """Where to look last, with the role that belongs there; what was missed on any figure counts for all."""
    missed: dict[str, int] = {}
    for names in army.last_looks.values_list("missed", flat=True):
        for name in names:
            missed[sideless(name)] = missed.get(sideless(name), 0) + 1
    return [(look, reading.design.scheme.role(look.role).name) for look in last_look(one, missed, MOST_LOOKS)]


@login_required
@require_POST
def keep_photo(request, army_id):
    """A photograph is kept with a figure or its rank."""
    army, _, chosen = posted_figure(request, army_id)
    form = FigurePhotoForm(request.POST, request.FILES)
    if form.is_valid() and army.figure_photos.count() >= MOST_PHOTOS:
        form.add_error("photo", f"There are {MOST_PHOTOS} photographs of this army already; remove some first.")
    if not form.is_valid():
        return _page(request, army, chosen, 422, form)
    jpeg, width, height = form.cleaned_data["photo"]
    ordinals = list(range(1, chosen.count + 1)) if form.cleaned_data["whole"] else [chosen.ordinal]
    FigurePhoto.objects.create(
        army=army, unit=chosen.unit, rank=chosen.rank, ordinals=ordinals, caption=form.cleaned_data["caption"].replace("\x00", ""),
        jpeg=jpeg, width=width, height=height, taken_at=timezone.now(),
    )  # fmt: skip
    return back_to_figure(army, chosen)


@login_required
@require_safe
def figure_photo(request, army_id, pk):
    """A photograph of figures."""
    army = army_for(request, army_id)
    found = get_object_or_404(army.figure_photos, pk=pk)
    return private_jpeg(found.jpeg)


@login_required
@require_POST
def remove_photo(request, army_id, pk):
    """A photograph is removed."""
    army, _, chosen = posted_figure(request, army_id)
    get_object_or_404(army.figure_photos, pk=pk).delete()
    messages.success(request, "The photograph is removed.")
    return back_to_figure(army, chosen)


@login_required
@require_POST
def keep_look(request, army_id):
    """A last look: what was not ticked is to be painted yet, and is looked for first on the figures after it."""
    army, reading, chosen = posted_figure(request, army_id)
    one = reading.resolution.of(Figure(chosen.unit, chosen.rank, chosen.ordinal))
    listed = [look for look, _ in _looks(army, reading, one)]
    missed = [look.area for look in listed if look.area not in request.POST.getlist("seen")]
    army.last_looks.create(unit=chosen.unit, rank=chosen.rank, ordinal=chosen.ordinal, missed=missed)
    if missed:
        messages.info(
            request,
            f"{len(missed)} area{'s' * (len(missed) != 1)} still to paint; on the next figures they are looked for first.",
        )
    else:
        messages.success(request, "Nothing was forgotten.")
    return back_to_figure(army, chosen)


@login_required
@require_POST
def log_elsewhere(request, army_id):
    """Steps that were done away from the desk are logged for a figure, or for all of its rank that lack them; minutes
    stay unknown."""
    army, reading, chosen = posted_figure(request, army_id)
    wanted = set(request.POST.getlist("atom"))
    atoms = [atom for atom in _atoms(reading, chosen) if atom.id in wanted]
    if not atoms:
        messages.error(request, "No step is ticked; nothing was logged.")
        return back_to_figure(army, chosen)
    done = done_steps(army)
    whole = request.POST.get("of") == "rank"
    lacking = []
    for atom in atoms:
        ordinals = atom.ordinals if whole else (chosen.ordinal,)
        left = left_of(atom, ordinals, done)
        lacking.append(replace(atom, ordinals=left))
    figures = {(atom.rank, ordinal) for atom in lacking for ordinal in atom.ordinals}
    note = request.POST.get("note", "").replace("\x00", "").strip()[:300]
    actions.record(
        army,
        [atom for atom in lacking if atom.ordinals],
        figures,
        None,
        timezone.now(),
        uuid.uuid4(),
        note or AWAY,
    )
    messages.success(
        request,
        f"{len(atoms)} step{'s' * (len(atoms) != 1)} logged for {len(figures)} figure{'s' * (len(figures) != 1)}.",
    )
    return back_to_figure(army, chosen)
