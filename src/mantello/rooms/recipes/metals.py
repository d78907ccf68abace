"""The metals of an army: what each is for, what lies beneath it, how it is shaded, and which stand out from the main colour."""

from collections import defaultdict

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.muster import moments_of_role
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.advice.metal_choice import BENEATH, beneath_metal, metals_beside
from mantello_core.advice.shading import shadings
from mantello_core.design.base_mix import base_mix, with_base_mix, with_ground_beneath
from mantello_core.design.worked_out import with_shades
from mantello_core.errors import UnknownName
from mantello_core.figures.metalwork import FUNCTIONS, function_of
from mantello_core.recipes.step import Mix

#: metals shown beside the main colour
MOST_SHOWN = 8


@login_required
@require_safe
def metals(request, army_id):
    """The page: the army's metals by function on the left, the chosen one in the middle, other metals beside it."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    worn = _by_function(reading)
    shiny = [role for role in scheme.roles if (mix := base_mix(role)) and mix.film.flake]
    chosen = next((role for role in shiny if role.id == request.GET.get("role")), shiny[0] if shiny else None)
    context = {
        "title": "Metals",
        "roles": [(role, reading.tones(role.id), worn.get(role.id, {})) for role in shiny],
        "functions": FUNCTIONS,
        "role": chosen,
    }
    if chosen:
        ground = reading.resolution.ground_under(chosen.id, "rank") or scheme.ground
        mix = Mix(base_mix(chosen).parts)
        main = _main(reading, request.GET.get("beside", ""))
        pots = tuple(catalogue_for(army))
        context |= {
            "mix": mix,
            "shaded": {step.mix.words for _, recipe in chosen.recipes for step in recipe.steps if step.kind == "shade"},
            "on": ground,
            "beneath": beneath_metal(mix, ground),
            "shades": shadings(mix, pots),
            "main": main,
            "mains": [role for role in scheme.roles if role.recipe().steps and not base_mix(role).film.flake],
            "others": metals_beside(reading.tones(main.id).flats, pots)[:MOST_SHOWN] if main else [],
            "moments": moments_of_role(army, reading, chosen.id, 170),
        }
    return room_page(request, army, "recipes", "recipes/metals.html", context)


def _by_function(reading: Reading) -> dict[str, dict[str, float]]:
    """Role to function to mm² over the army."""
    found: dict[str, dict[str, float]] = defaultdict(lambda: defaultdict(float))
    for one in reading.resolution.classes:
        for area, cell in one.cells.items():
            known = one.plate.areas[area]
            function = function_of(area, known.material)
            if cell.role and function:
                found[cell.role][FUNCTIONS[function]] += known.mm2 * len(one.ordinals)
    return {role: dict(sorted(by.items(), key=lambda item: -item[1])) for role, by in found.items()}


def _main(reading: Reading, asked: str):
    """The role that metals are to stand out from: the one asked for, or the largest that is no metal."""
    scheme = reading.design.scheme
    known = [scheme.role(one) for one in reading.shares if (mix := base_mix(scheme.role(one))) and not mix.film.flake]
    return next((role for role in known if role.id == asked), known[0] if known else None)


@login_required
@require_POST
def lay_beneath_metal(request, army_id, role):
    """Lay a ground of its own beneath a role, in every tier, or take it away again."""
    army = army_for(request, army_id)
    beneath = request.POST.get("beneath", "")
    if beneath not in ("none", *BENEATH):
        raise UnknownName("ground beneath a metal", beneath, ["none", *BENEATH], "beneath")
    pot = catalogue_for(army).paint(BENEATH[beneath]) if beneath != "none" else None
    apply(
        request, army, lambda design: with_ground_beneath(design, role, pot),
        lambda before, after: f"{after.scheme.role(role).name}: {pot.name + ' beneath it' if pot else 'nothing beneath it'}",
    )  # fmt: skip
    return _back_to(army, role)


@login_required
@require_POST
def shade_metal(request, army_id, role):
    """Shade a role with the best wash of a family, wherever it is shaded."""
    army = army_for(request, army_id)
    mix = base_mix(reading_of(army.head).design.scheme.role(role, "role"))
    known = {one.family: one.mix for one in shadings(Mix(mix.parts), tuple(catalogue_for(army)))} if mix else {}
    family = request.POST.get("family", "")
    if family not in known:
        raise UnknownName("family of washes", family, list(known), "family")
    apply(
        request, army, lambda design: with_shades(design, known[family], (role,)),
        lambda before, after: f"{after.scheme.role(role).name}: shaded with {known[family].words}",
    )  # fmt: skip
    return _back_to(army, role)


@login_required
@require_POST
def take_metal(request, army_id, role):
    """Paint a role with another metal."""
    army = army_for(request, army_id)
    pot = catalogue_for(army).paint(request.POST.get("paint", ""), "paint")
    if pot.kind != "metallic":
        messages.error(request, f"{pot.name} is no metal.")
    else:
        apply(
            request, army, lambda design: with_base_mix(design, role, ((pot, 1.0),)),
            lambda before, after: f"{after.scheme.role(role).name} is {pot.name} now",
        )  # fmt: skip
    return _back_to(army, role)


def _back_to(army, role: str):
    return redirect(f"{reverse('metals', args=[army.pk])}?role={role}")
