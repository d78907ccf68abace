"""Starting points: a brief, and schemes computed for it."""

from dataclasses import dataclass
from datetime import date
from html import escape

from django import forms
from django.contrib.auth.decorators import login_required
from django.http import HttpResponseBadRequest, JsonResponse
from django.shortcuts import redirect, render
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_GET, require_http_methods

from mantello.shell.fields import CoreField, refused
from mantello.workspace import editing as actions
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading, reading_of
from mantello_core.calendar.evenings import Evenings
from mantello_core.colour.card import through_card
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
from mantello_core.formats.massing import massed_group
from mantello_core.naming import named
from mantello_core.planning.cost import Cost
from mantello_core.proposals.proposal import SCHOOLS, Proposal, army_for_brief, proposals, with_proposal
from mantello_core.recipes.method import METHODS

#: figures shown on a proposal's card, and their height in pixels
MOST_SHOWN, TALL = 5, 132


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


@dataclass(frozen=True)
class Card:
    """One proposal as the page shows it."""

    number: int
    proposal: Proposal
    school: str
    picture: str
    cost: Cost
    #: what the deadline says, if there is one
    due: str
    roles: list


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def new_brief(request):
    """Start an army from a brief and one of the schemes computed for it."""
    usual = Brief()
    initial = vars(usual) | {"name": "New army", "names": "", "seeds": ""}
    form = NewBriefForm(request.POST or _asked(request.GET, initial))
    made, army = (), None
    if form.is_valid():
        try:
            brief = form.brief(form.cleaned_data["formations"])
            army = army_for_brief(
                form.cleaned_data["name"], brief, formation_names(form.cleaned_data["names"], brief.formations)
            )
            made = proposals(army, brief, form.cleaned_data["seeds"])
        except MantelloError as error:
            refused(form, error)
    if request.method == "POST" and made:
        chosen = _chosen(request, made)
        if chosen:
            army = actions.keep_design(request.user, chosen.design, f"Started from a brief: {chosen.title}")
            return redirect("scheme", army.pk)
    context = {"title": "Start from a brief", "form": form, "cards": _cards(made)}
    return render(request, "army/brief.html", context, status=422 if request.method == "POST" else 200)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def army_brief(request, army_id):
    """An army's brief, and schemes computed for the formations it has."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    formations = max(1, min(MOST_FORMATIONS, sum(not child.is_unit for child in design.army.root.children)))
    known = design.brief or Brief()
    form = BriefForm(request.POST or _asked(request.GET, vars(known) | {"seeds": ""}))
    made = ()
    if form.is_valid():
        try:
            made = proposals(design.army, form.brief(formations), form.cleaned_data["seeds"])
        except MantelloError as error:
            refused(form, error)
    if request.method == "POST" and made:
        chosen = _chosen(request, made)
        if chosen:
            said = f"Scheme started from a brief: {chosen.title}"
            apply(request, army, lambda now: with_proposal(now, chosen), said)
            return redirect("scheme", army.pk)
    context = {"title": "Brief", "form": form, "cards": _cards(made), "replaces": len(design.scheme.rules)}
    return room_page(request, army, "army", "army/brief.html", context, 422 if request.method == "POST" else 200)


def _asked(asked, initial: dict) -> dict:
    """What a query says, and what is usual where it says nothing."""
    return initial | {name: value for name, value in asked.items() if name in initial}


def _chosen(request, made) -> Proposal | None:
    """The proposal that was pressed; none if it is not the one that was shown."""
    number = request.POST.get("choose", "")
    if number.isdigit() and int(number) < len(made) and made[int(number)].title == request.POST.get(f"title-{number}"):
        return made[int(number)]
    return None


def _cards(made) -> list[Card]:
    cards = []
    for number, one in enumerate(made):
        reading = Reading(one.design)
        marks = [
            role
            for role in one.design.scheme.roles
            if role.id in {cell[2] for t in one.design.scheme.tables for cell in t.cells}
        ]
        shown = [
            one.design.scheme.role_by_id["field"],
            *marks,
            one.design.scheme.role_by_id["cloth"],
            one.design.scheme.role_by_id["trim"],
        ]
        roles = [(role, reading.tones(role.id)) for role in dict.fromkeys(shown)][:9]
        due = _due(one.design.brief, reading.cost.minutes, timezone.localdate())
        cards.append(Card(number, one, SCHOOLS[one.school][0], _picture(reading), reading.cost, due, roles))
    return cards


def _due(brief: Brief, minutes: float, today: date) -> str:
    """Whether the usual evenings until the deadline hold the brushwork."""
    if not brief.deadline:
        return ""
    weeks = (date.fromisoformat(brief.deadline) - today).days / 7
    held = weeks * sum(length for _, _, length in Evenings().pattern)
    if weeks <= 0:
        return "The deadline is past."
    verdict = "fits" if held >= minutes else f"{(minutes - held) / 60:.0f} h too much"
    return f"The usual evenings until then hold {held / 60:.0f} h: {verdict}."


def _picture(reading: Reading) -> str:
    """The first figures of every formation beside each other."""
    seen, shown = set(), []
    paths = reading.design.army.paths
    for one in reversed(reading.resolution.classes):
        group = paths[one.unit][1:2] or (one.unit,)
        if group not in seen:
            seen.add(group)
            shown.append(one)
    shown = list(reversed(shown))[:MOST_SHOWN]
    parts, x = [], 0.0
    tall = max(one.plate.views[0].view_box[3] for one in shown)
    for one in shown:
        left, top, width, height = one.plate.views[0].view_box
        drawn = massed_group(
            one.plate, one.plate.views[0].name, lambda area, one=one: "", lambda area, one=one: reading.fill(one, area)
        )
        parts.append(f'<g transform="translate({x - left:.1f} {tall - height - top:.1f})">{drawn}</g>')
        x += width * 0.92
    names = escape(", ".join(reading.design.army.title(one.unit) for one in shown))
    size = f'viewBox="0 0 {x + 0.08 * width + 8:.0f} {tall:.0f}" height="{TALL}"'
    return mark_safe(f'<svg {size} role="img" aria-label="{names}">{"".join(parts)}</svg>')


@login_required
@require_GET
def picked(request):
    """A colour picked from a picture, freed of its light by the grey card in it."""
    try:
        colour = through_card(request.GET.get("colour", ""), request.GET.get("card", ""))
    except MantelloError as error:
        return HttpResponseBadRequest(error.message, content_type="text/plain; charset=utf-8")
    return JsonResponse({"hex": hex_of(colour), "lab": [round(value, 1) for value in colour]})
