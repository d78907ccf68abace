"""What goes across roles: materials used by reference, and shades that several colours share."""

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.base_mix import base_mix
from mantello_core.design.design import Design
from mantello_core.design.worked_out import with_material, with_shades, without_material
from mantello_core.mixing.shade_group import ShadeGroup, shade_groups
from mantello_core.recipes.material import material, materials
from mantello_core.recipes.step import Mix

from .whole import EVERY, OWNED, pots_for

#: how far from its own best a shared shade may leave the recesses of a colour (CIEDE2000)
TOLERANCES = {"2": "side by side only", "5": "a little off", "10": "clearly off"}


@login_required
@require_safe
def material_list(request, army_id):
    """The library: every material with its tones on this ground, its steps, and where it is used."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    chosen = materials().get(request.GET.get("material", ""), next(iter(materials().values())))
    context = {
        "title": "Materials",
        "groups": _grouped(reading),
        "chosen": chosen,
        "tiers": [(tier, recipe, scheme.predicted(recipe)) for tier, recipe in _recipes_here(scheme, chosen)],
        "used": [role for role in scheme.roles if role.material == chosen.id],
        "others": [role for role in scheme.roles if role.material != chosen.id],
        "asked_role": request.GET.get("role", ""),
    }
    return room_page(request, army, "recipes", "recipes/materials.html", context)


def _grouped(reading):
    found: dict[str, list] = {}
    for one in materials().values():
        recipes = dict(_recipes_here(reading.design.scheme, one))
        tones = reading.design.scheme.predicted(recipes["rank"]).tones
        uses = sum(role.material == one.id for role in reading.design.scheme.roles)
        found.setdefault(one.group, []).append((one, tones, uses))
    return found.items()


def _recipes_here(scheme, chosen):
    """The material's recipes as the army makes it, or as it ships."""
    own = next((role for role in scheme.roles if role.material == chosen.id), None)
    return own.recipes if own else chosen.recipes


@login_required
@require_POST
def use_material(request, army_id):
    """A role is made like a material from now on, or made on its own again."""
    army = army_for(request, army_id)
    role = reading_of(army.head).design.scheme.role(request.POST.get("role", ""), "role")
    if request.POST.get("do") == "part":
        apply(
            request, army, lambda design: without_material(design, role.id), f"{role.name}: its recipe is its own now"
        )
        return redirect("recipe", army.pk, role.id)
    chosen = material(request.POST.get("material", ""), "material")
    apply(
        request,
        army,
        lambda design: with_material(design, role.id, chosen.id),
        f"{role.name}: made as {chosen.name.lower()}",
    )
    return redirect("recipe", army.pk, role.id)


class ShadesForm(forms.Form):
    """How far a shared shade may be from the best, and which washes there are."""

    within = forms.ChoiceField(
        choices=[(value, f"{value}: {words}") for value, words in TOLERANCES.items()],
        label="Recesses may be off by",
        help_text="CIEDE2000, from what the colour's own best shade leaves.",
    )
    pots = forms.ChoiceField(
        choices=[(OWNED, "what is on my shelf"), (EVERY, "all ranges and own paints")], label="Washes that may be used"
    )


@login_required
@require_safe
def shades(request, army_id):
    """Which colours can share one shade, so that few washes are opened."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    form = ShadesForm({"within": request.GET.get("within", "5"), "pots": request.GET.get("pots", EVERY)})
    groups = _shade_groups(design, form.cleaned_data, request.user) if form.is_valid() else ()
    now = {
        step.mix.words
        for role in _shaded(design)
        for _, recipe in role.recipes
        for step in recipe.steps
        if step.kind == "shade"
    }
    context = {
        "title": "Shared shades",
        "form": form,
        "groups": [(group, [(design.scheme.role(one.key), one) for one in group.members]) for group in groups],
        "now": len(now),
        "roles": len(_shaded(design)),
    }
    return room_page(request, army, "recipes", "recipes/shades.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def share_shade(request, army_id):
    """The colours of a group are shaded with one mix; or those of all groups, each with its own."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    form = ShadesForm(request.POST)
    groups = _shade_groups(design, form.cleaned_data, request.user) if form.is_valid() else ()
    wanted = request.POST.get("mix", "")
    chosen = [group for group in groups if wanted in ("", group.mix.words)]
    if not chosen:
        messages.error(request, "Nothing was changed: that group is not there any more.")
        return redirect("shades", army.pk)

    def change(before: Design) -> Design:
        for group in chosen:
            before = with_shades(before, group.mix, tuple(one.key for one in group.members))
        return before

    said = chosen[0].mix.words if len(chosen) == 1 else f"{len(chosen)} shades"
    apply(request, army, change, f"Shades shared: {said} for {sum(len(group.members) for group in chosen)} roles")
    return redirect("shades", army.pk)


def _shaded(design: Design):
    """Roles with a shade over a base."""
    return [
        role
        for role in design.scheme.roles
        if base_mix(role) and any(step.kind == "shade" for _, recipe in role.recipes for step in recipe.steps)
    ]


def _shade_groups(design: Design, given: dict, user) -> tuple[ShadeGroup, ...]:
    bases: dict[str, Mix] = {role.id: base_mix(role) for role in _shaded(design)}
    return shade_groups(bases, pots_for(user, given["pots"]), float(given["within"]))
