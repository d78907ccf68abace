"""Starting points: a brief, and schemes computed for it."""

from dataclasses import replace
from datetime import date

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import HttpResponseBadRequest, JsonResponse
from django.shortcuts import redirect, render
from django.views.decorators.http import require_http_methods, require_POST

from mantello.shell.fields import CoreField, refused
from mantello.workspace import editing as actions
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.colour.scene_light import scene_light
from mantello_core.colour.spaces import hex_of, lab_of_hex
from mantello_core.design.brief import (
    ACCURACIES,
    GENRES,
    MOST_DIRT,
    MOST_FORMATIONS,
    Brief,
    checked_brief,
    formation_names,
)
from mantello_core.errors import MantelloError
from mantello_core.formats.picked import colour_pointed_at, read_pointed
from mantello_core.naming import named
from mantello_core.proposals.proposal import army_for_brief
from mantello_core.recipes.method import METHODS

from .proposing import asked_schemes, shown, taken


def bounded(field: type[forms.Field], label: str, least: float, most: float, unit: str = "") -> forms.Field:
    """A number within bounds, whose refusals say what is allowed."""
    allowed = f"Write a number from {least:g} to {most:g}{unit}."
    said = dict.fromkeys(("invalid", "min_value", "max_value", "required"), allowed)
    return field(label=label, min_value=least, max_value=most, error_messages=said)


class BriefForm(forms.Form):
    """What a painter says before the first colour."""

    genre = forms.ChoiceField(choices=[(id_, one.title) for id_, one in GENRES.items()], label="What kind of force")
    height_mm = bounded(forms.FloatField, "Figures, mm tall", 6, 120, " mm")
    metres = bounded(forms.FloatField, "Seen from, m", 0.2, 4, " m")
    accuracy = forms.ChoiceField(choices=[(id_, words) for id_, (words, _) in ACCURACIES.items()], label="Accuracy")
    deadline = forms.DateField(required=False, label="Finished by", widget=forms.DateInput(attrs={"type": "date"}))
    dirt = bounded(forms.IntegerField, f"Dirt, 0 to {MOST_DIRT}", 0, MOST_DIRT)
    method = forms.ChoiceField(choices=[(id_, one.title) for id_, one in METHODS.items()], label="Method")
    seeds = forms.CharField(
        required=False,
        max_length=200,
        label="Colours to start from",
        help_text="As #rrggbb with commas between; the first leads the main cloth. Or pick them from a picture below.",
    )

    def clean_seeds(self):
        """The colours as Lab."""
        texts = [one.strip() for one in self.cleaned_data["seeds"].split(",") if one.strip()]
        try:
            return tuple(lab_of_hex(one) for one in texts)
        except MantelloError as error:
            raise forms.ValidationError(error.message) from error

    def brief(self, formations: int) -> Brief:
        """The brief the form tells."""
        given = dict(self.cleaned_data)
        day: date | None = given["deadline"]
        fields = {name: given[name] for name in ("genre", "height_mm", "metres", "accuracy", "dirt", "method")}
        return checked_brief(Brief(**fields, formations=formations, deadline=day.isoformat() if day else ""))


class NewBriefForm(BriefForm):
    """The same for an army that is not there yet."""

    name = CoreField(named, label="Name of the army", max_length=80)
    formations = bounded(forms.IntegerField, "Formations", 1, MOST_FORMATIONS)
    names = forms.CharField(
        required=False,
        max_length=400,
        label="Names of its formations",
        help_text="Commas between them; those left out are numbered.",
    )
    field_order = ("name", "genre", "formations", "names")


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def new_brief(request):
    """Start an army from a brief and one of the schemes computed for it."""
    usual = Brief()
    initial = vars(usual) | {"name": "New army", "names": "", "seeds": ""}
    form = NewBriefForm(request.POST or _asked(request.GET, initial))
    job = None
    if form.is_valid():
        said = form.cleaned_data
        try:
            brief = form.brief(said["formations"])
            army = army_for_brief(said["name"], brief, formation_names(said["names"], brief.formations))
            job = asked_schemes(
                request.user, army, brief, said["seeds"], request.get_full_path(), again="again" in request.GET
            )
        except MantelloError as error:
            refused(form, error)
    if request.method == "POST" and job:
        chosen = taken(job, request.POST)
        if chosen:
            title, design = chosen
            army = actions.keep_design(request.user, design, f"Started from a brief: {title}")
            return redirect("scheme", army.pk)
    context = {"title": "Start from a brief", "form": form} | shown(job, request)
    return render(request, "army/brief.html", context, status=_status(request, job))


def _status(request, job) -> int:
    """A brief that cannot be asked for is told at its fields, and a choice that is none is refused."""
    return 422 if request.method == "POST" else 202 if job and job.on else 200


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def army_brief(request, army_id):
    """An army's brief, and schemes computed for the formations it has."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    formations = max(1, min(MOST_FORMATIONS, sum(not child.is_unit for child in design.army.root.children)))
    known = design.brief or Brief()
    form = BriefForm(request.POST or _asked(request.GET, vars(known) | {"seeds": ""}))
    job = None
    if form.is_valid():
        try:
            brief = form.brief(formations)
            job = asked_schemes(
                request.user,
                design.army,
                brief,
                form.cleaned_data["seeds"],
                request.get_full_path(),
                army,
                again="again" in request.GET,
            )
        except MantelloError as error:
            refused(form, error)
    if request.method == "POST" and job:
        chosen = taken(job, request.POST)
        if chosen:
            title, made = chosen
            said = f"Scheme started from a brief: {title}"
            apply(request, army, lambda now: replace(now, scheme=made.scheme, brief=made.brief), said)
            return redirect("scheme", army.pk)
    context = {"title": "Brief", "form": form, "replaces": len(design.scheme.rules)} | shown(job, request, army)
    return room_page(request, army, "army", "army/brief.html", context, _status(request, job))


def _asked(asked, initial: dict) -> dict:
    """What a query says, and what is usual where it says nothing."""
    return initial | {name: value for name, value in asked.items() if name in initial}


@login_required
@require_POST
def picked(request):
    """A colour picked from a picture, freed of the light that grey marks and the plain ground show; or whether a mark will do."""
    try:
        pointed = read_pointed(request.body)
        if pointed.place is None:
            light = scene_light(pointed.marks, pointed.grid)
            return JsonResponse({"by": light.by, "doubts": light.doubts})
        found = colour_pointed_at(pointed)
    except MantelloError as error:
        return HttpResponseBadRequest(error.message, content_type="text/plain; charset=utf-8")
    if found.colour is None:
        return HttpResponseBadRequest(" ".join(found.doubts), content_type="text/plain; charset=utf-8")
    lab = [round(value, 1) for value in found.colour]
    return JsonResponse({"hex": hex_of(found.colour), "lab": lab, "told": found.told})
