"""Whole recipes for a role: worked out from paints by a method, made like a material, lightened along a route."""

from dataclasses import dataclass

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.shelf.models import OwnedPaint, OwnPaint
from mantello.shell.fields import CoreField
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.checks.route_conflict import Conflict, conflicts, touching_roles
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.design.base_mix import base_mix
from mantello_core.design.gradient import GRADIENTS, with_gradient
from mantello_core.design.worked_out import ladder_start, with_recipes, with_route
from mantello_core.errors import MantelloError
from mantello_core.film.prediction import Prediction
from mantello_core.mixing.choosing import light_order
from mantello_core.mixing.generating import Generated, generated
from mantello_core.mixing.route import Route, parts_route, routes
from mantello_core.paints.paint import Paint
from mantello_core.paints.range import ranges
from mantello_core.recipes.method import METHODS, Method
from mantello_core.recipes.step import Mix

OWNED, EVERY = "owned", "all"
#: routes shown
MOST_ROUTES = 12


class DraftForm(forms.Form):
    """What a whole recipe is worked out from."""

    method = forms.ChoiceField(choices=[(id_, one.title) for id_, one in METHODS.items()], label="Method")
    pots = forms.ChoiceField(
        choices=[(OWNED, "what is on my shelf"), (EVERY, "all ranges and own paints")], label="Paints that may be used"
    )
    colour = CoreField(
        lab_of_hex, required=False, label="For another colour", widget=forms.TextInput(attrs={"type": "color"})
    )
    aim = forms.ChoiceField(
        choices=[("base", "the mix it has now"), ("colour", "the colour picked below")], label="Worked out for"
    )


#: kinds of paint that lighten
LIGHTENS = ("acrylic", "air")


@dataclass(frozen=True)
class Draft:
    """One tier's recipe as it would be."""

    tier: str
    name: str
    made: Generated
    prediction: Prediction


@login_required
@require_safe
def draft(request, army_id, role):
    """The page: the method and the paints on the left, the recipe of every tier beside them."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    form = DraftForm(_asked(request.GET, reading, chosen, request.user))
    drafts, told = [], ""
    if form.is_valid():
        try:
            drafts = _drafts(form.cleaned_data, reading, chosen, request.user)
        except MantelloError as error:
            form.add_error("pots", f"{error.message} Count your shelf in the Paints room, or use all ranges.")
    context = {
        "title": f"Work out {chosen.name}",
        "role": chosen,
        "form": form,
        "method": METHODS.get(form["method"].value()),
        "drafts": drafts,
        "told": told,
        "query": request.GET.urlencode(),
    }
    return room_page(request, army, "recipes", "recipes/draft.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def take_draft(request, army_id, role):
    """The worked-out recipe becomes the role's, for every tier."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    form = DraftForm(_asked(request.POST, reading, chosen, request.user))
    if not form.is_valid():
        messages.error(request, "Nothing was changed: choose a method and the paints that may be used.")
        return redirect("draft-recipe", army.pk, role)
    made = {one.tier: one.made.recipe for one in _drafts(form.cleaned_data, reading, chosen, request.user)}
    method: Method = METHODS[form.cleaned_data["method"]]
    words = f"{chosen.name}: worked out as {method.title.lower()}"
    apply(request, army, lambda design: with_recipes(design, role, made), words)
    return redirect("recipe", army.pk, role)


def pots_for(user, which: str) -> tuple[Paint, ...]:
    """The paints an account may use: all, with its own, or those of them that it has some of."""
    every = (*OwnPaint.objects.of(user), *(pot for shelf in ranges() for pot in shelf.paints))
    if which == EVERY:
        return every
    owned = OwnedPaint.objects.stocked(user)
    return tuple(pot for pot in every if pot.id in owned)


def usual_pots(user) -> str:
    """Which paints are asked for where nothing is said: what is owned, all while nothing is counted."""
    return OWNED if OwnedPaint.objects.stocked(user) else EVERY


def _asked(given, reading: Reading, role, user) -> dict:
    brief = reading.design.brief
    usual = {
        "method": brief.method if brief else "classic",
        "pots": usual_pots(user),
        "aim": "base" if base_mix(role) else "colour",
        "colour": "#5a6b7c",
    }
    return {name: given.get(name, value) for name, value in usual.items()}


def _drafts(given: dict, reading: Reading, role, user) -> list[Draft]:
    mix = base_mix(role)
    target: Lab | Mix = mix if given["aim"] == "base" and mix else given["colour"] or lab_of_hex("#5a6b7c")
    pots = pots_for(user, given["pots"])
    found = []
    for tier, name in TIERS.items():
        made = generated(target, pots, tier, given["method"])
        found.append(Draft(tier, name, made, reading.design.scheme.predicted(made.recipe)))
    return found


@dataclass(frozen=True)
class RouteRow:
    """One way to lighten a role, with what it runs into."""

    route: Route
    conflicts: tuple[tuple[str, Conflict], ...]

    @property
    def steps(self) -> list[tuple[Mix, Lab, float]]:
        """Mix, colour and difference from the one before, step by step."""
        return list(zip(self.route.mixes, self.route.colours[1:], self.route.steps, strict=True))


class RouteForm(forms.Form):
    """How far the lights go, and what with."""

    rise = forms.ChoiceField(
        choices=[("15", "15 L*, quiet"), ("25", "25 L*, usual"), ("35", "35 L*, strong"), ("45", "45 L*, for display")],
        label="Gains",
    )
    steps = forms.ChoiceField(choices=[(str(one), str(one)) for one in (2, 3, 4, 5, 6)], label="In steps")
    by = forms.ChoiceField(
        choices=[("even", "alike to the eye"), ("parts", "more and more of it, part by part")], label="Steps are"
    )
    laid = forms.ChoiceField(
        choices=[("lights", "as lights"), *((id_, f"gradient {words}") for id_, words in GRADIENTS.items())],
        label="Laid",
        help_text="A gradient is darkest and widest first; each next one lies on half of it.",
    )  # fmt: skip
    start = forms.ChoiceField(required=False, label="From")
    light = forms.ChoiceField(required=False, label="With")
    pots = DraftForm.base_fields["pots"]

    def __init__(self, *arguments, steps=(), lights=(), **options):
        super().__init__(*arguments, **options)
        named = [(step.id, f"{step.technique.verb}: {step.mix.words}") for step in steps]
        self.fields["start"].choices = [("", "what most of it ends in"), *named]
        self.fields["light"].choices = [("", "whatever lightens it"), *((pot.id, pot.name) for pot in lights)]


@login_required
@require_safe
def route_choice(request, army_id, role):
    """Every way to lighten a role's base: steps, drift of hue and chroma, and what the last step runs into."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    form = _route_form(request.GET, chosen, request.user)
    begun = _start(form, chosen) if form.is_valid() else ladder_start(chosen.recipe())
    rows = _routes(form.cleaned_data, reading, chosen, request.user, begun) if form.is_valid() and begun else []
    context = {
        "title": f"Highlight routes of {chosen.name}",
        "role": chosen,
        "form": form,
        "base": begun.mix if begun else None,
        "rows": rows,
        "tiers": [(tier, name) for tier, name in TIERS.items() if chosen.own_recipe(tier) is not None]
        or [("rank", TIERS["rank"])],
    }
    return room_page(request, army, "recipes", "recipes/routes.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def take_route(request, army_id, role):
    """A route rewrites the lights of a role for one tier."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    form = _route_form(request.POST, chosen, request.user)
    light, tier = request.POST.get("taken", ""), request.POST.get("tier", "rank")
    begun = _start(form, chosen) if form.is_valid() else None
    rows = _routes(form.cleaned_data, reading, chosen, request.user, begun, MOST_ROUTES * 20) if begun else []
    found = next((row.route for row in rows if row.route.light.id == light), None)
    if found is None:
        messages.error(request, "That route is not there any more; the base or the shelf has changed.")
        return redirect("routes", army.pk, role)
    laid = form.cleaned_data["laid"]
    words = f"{chosen.name}, {TIERS.get(tier, tier).lower()}: {'lightened' if laid == 'lights' else 'a gradient'} with {found.light.name}"

    def change(design):
        if laid == "lights":
            return with_route(design, role, tier, found, begun.id)
        return with_gradient(design, role, tier, found, laid, begun.id)

    apply(request, army, change, words)
    return redirect("recipe", army.pk, role)


def _route_asked(given, user) -> dict:
    usual = {
        "rise": "25",
        "steps": "4",
        "by": "even",
        "laid": "lights",
        "start": "",
        "light": "",
        "pots": usual_pots(user),
    }
    return {name: given.get(name, value) for name, value in usual.items()}


def _route_form(given, role, user) -> RouteForm:
    """The form as asked; paints that lighten are offered by name."""
    asked = _route_asked(given, user)
    lights = [pot for pot in pots_for(user, asked["pots"] if asked["pots"] == OWNED else EVERY) if pot.kind in LIGHTENS]
    return RouteForm(asked, steps=role.recipe().steps, lights=sorted(lights, key=lambda pot: pot.name))


def _start(form: RouteForm, role):
    """The step the ladder begins at."""
    named = form.cleaned_data["start"]
    return role.recipe().step(named) if named else ladder_start(role.recipe())


def _routes(given: dict, reading: Reading, role, user, start, limit: int = MOST_ROUTES) -> list[RouteRow]:
    lights = [pot for pot in pots_for(user, given["pots"]) if pot.kind in LIGHTENS and given["light"] in ("", pot.id)]
    scheme = reading.design.scheme
    touching = touching_roles(reading.resolution, role.id) if reading.design.army.figures else ()

    def colour_of(role_id: str) -> Lab | None:
        tones = reading.tones(role_id)
        return tones.flats if tones else None

    base, steps = Mix(start.mix.parts), int(given["steps"])
    if given["by"] == "parts":
        order = light_order(base, tuple(lights), float(given["rise"])) or tuple(lights)
        found = tuple(parts_route(base, pot, steps) for pot in order[:limit])
    else:
        found = routes(base, lights, steps, float(given["rise"]))
    return [
        RouteRow(one, tuple((scheme.role(hit.role).name, hit) for hit in conflicts(one, touching, colour_of)))
        for one in found[:limit]
    ]
