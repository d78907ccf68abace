"""The grounds of the army: every undercoat compared, one chosen, and other ones for parts of it."""

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, apply_form, army_for, back, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello.workspace.stack import undercoat_cautions
from mantello_core.design import edit
from mantello_core.figures.vocabulary import SUB_ASSEMBLIES, assembly_of
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import HARD
from mantello_core.film.reached import LOST
from mantello_core.formats.document.ground import read_ground
from mantello_core.mixing.undercoat import twin_apart, undercoats
from mantello_core.paints.range import paint, paints
from mantello_core.planning.pot_coat import pot_coat_advice
from mantello_core.recipes.hazard import DEFERENCE

from .comparing import asked_undercoats, compared
from .ground_figures import on_best


class PartGroundForm(forms.Form):
    """Which part of the army starts on what."""

    unit = forms.ChoiceField(required=False, label="Where")
    assembly = forms.ChoiceField(
        required=False, label="What of it",
        choices=[("", "whole figures"), *((name, name.lower()) for name in SUB_ASSEMBLIES)],
    )  # fmt: skip
    undercoat = forms.ChoiceField(label="Undercoat")
    above = forms.ChoiceField(required=False, label="From above")
    pot_coat = forms.ChoiceField(required=False, label="A coat of a pot over it")

    def __init__(self, *arguments, design, **options):
        super().__init__(*arguments, **options)
        sprays = [(pot.id, pot.name) for pot in undercoats()]
        pots = [(pot.id, pot.name) for pot in paints().values() if pot.covers and pot.kind != "spray"]
        self.fields["unit"].choices = [("", "the whole army"), *_nodes(design.army)]
        self.fields["undercoat"].choices = sprays
        self.fields["above"].choices = [("", "nothing"), *sprays]
        self.fields["pot_coat"].choices = [("", "none"), *pots]

    @property
    def ground(self) -> Ground:
        """What was chosen, unchecked."""
        given = self.cleaned_data
        return Ground(
            paint(given["undercoat"]), *(paint(given[name]) if given[name] else None for name in ("above", "pot_coat"))
        )


def _nodes(army):
    """Nodes below the army's root, each with its place in the tree."""
    return [
        (node.id, f"{'· ' * (len(army.paths[node.id]) - 2)}{node.name}")
        for node in army.nodes.values()
        if node.id != army.root.id
    ]


@login_required
@require_safe
def undercoat_choice(request, army_id):
    """Every undercoat for the whole army: coats, minutes, and the colours it makes hard; and for what is kept apart."""
    return _page(request, army_for(request, army_id))


def _page(request, army, form=None, status=200):
    reading = reading_of(army.head)
    job = found = None
    if reading.design.army.figures:
        job = asked_undercoats(army, reading, reverse("undercoats", args=[army.pk]), again="again" in request.GET)
        found = compared(job, catalogue_for(army)) if job.state == Job.State.DONE else None
    advice, ground = found.undercoats if found else (), reading.design.scheme.ground
    now = next((one for one in advice if one.ground == ground), None)
    rows = [(one, one.cost.minutes - now.cost.minutes, one.cost.coats - now.cost.coats) for one in advice]
    context = {
        "title": "Undercoats",
        "kinds": [
            (title, [row for row in rows if _kind(row[0].ground) == kind])
            for kind, title in (
                ("one", "One spray"),
                ("two", "Two tones, the lighter from above"),
                ("pot", "A can, then a coat of its pot"),
            )
        ],
        "job": job,
        "found": found,
        "best": on_best(army, reading, sorted(found.undercoats, key=lambda one: one.ground != found.recommended))
        if found
        else [],
        "parts": _parts(reading),
        "form": form or PartGroundForm(design=reading.design),
        "twins": [(pot, twin_apart(pot)) for pot in undercoats() if pot.twin],
        "pot_coat": pot_coat_advice(reading.design, reading.resolution),
        "ground": ground,
        "hard_from": HARD,
        "lost_from": LOST,
        "undercoat_cautions": undercoat_cautions(reading),
        "deference": DEFERENCE,
    }
    return room_page(request, army, "recipes", "recipes/undercoats.html", context, status)


def _kind(ground: Ground) -> str:
    return "pot" if ground.pot_coat else "two" if ground.above else "one"


def _parts(reading: Reading) -> list[dict]:
    """Every part with a ground of its own: what it is called, how many figures start on it, and a figure that does."""
    found = []
    for part in reading.design.scheme.grounds:
        wearing = [
            one
            for one in reading.resolution.classes
            if any(
                one.ground_of(area) == part.ground and part.assembly in ("", assembly_of(area)) for area in one.cells
            )
        ]
        found.append({
            "part": part, "name": _part_words(reading.design, part.unit, part.assembly),
            "figures": sum(len(one.ordinals) for one in wearing),
        })  # fmt: skip
    return found


def _part_words(design, unit: str, assembly: str) -> str:
    said = [design.army.nodes[unit].name if unit else "", assembly.lower() if unit else assembly]
    return ", ".join(word for word in said if word)


@login_required
@require_POST
def set_undercoat(request, army_id):
    """Choose the undercoat of the whole army."""
    army = army_for(request, army_id)
    ground = read_ground(request.POST.dict(), catalogue_for(army))
    apply(
        request,
        army,
        lambda design: edit.with_undercoat(design, ground.undercoat, ground.above, ground.pot_coat),
        lambda before, after: f"Undercoat is now {after.scheme.ground.words}",
    )
    role = request.POST.get("role", "")
    known = role in reading_of(army.head).design.scheme.role_by_id
    return redirect("recipe", army.pk, role) if known else back(request, "recipes", army.pk)


@login_required
@require_POST
def set_part_ground(request, army_id):
    """Let a unit, a sub-assembly, or one of the other start on another ground; or on the army's again."""
    army = army_for(request, army_id)
    if request.POST.get("do") == "remove":
        unit, assembly = request.POST.get("unit", ""), request.POST.get("assembly", "")
        apply(
            request, army, lambda design: edit.with_part_ground(design, unit, assembly, None),
            "A part starts on the army's undercoat again",
        )  # fmt: skip
        return redirect("undercoats", army.pk)
    form = PartGroundForm(request.POST, design=reading_of(army.head).design)
    if form.is_valid():
        given, ground = form.cleaned_data, form.ground

        def change(design):
            return edit.with_part_ground(design, given["unit"], given["assembly"], ground)

        if apply_form(
            request,
            army,
            form,
            change,
            lambda before, after: f"{_part_words(after, given['unit'], given['assembly'])} on {ground.words}",
        ):
            return redirect("undercoats", army.pk)
    return _page(request, army, form, 422)
