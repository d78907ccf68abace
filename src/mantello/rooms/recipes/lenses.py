"""Lenses and gems of an army by their size, tier and number: how many values each is worth, and painted so."""

from collections import defaultdict
from dataclasses import dataclass

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.colour.spaces import hex_of
from mantello_core.design.worked_out import with_recipes
from mantello_core.figures.vocabulary import sideless
from mantello_core.mixing.lens import HUES, LensAdvice, lens_advice, lens_recipe
from mantello_core.recipes.step import Recipe


class HueForm(forms.Form):
    """What colour a lens shines in."""

    hue = forms.ChoiceField(choices=[(name, name) for name in HUES], label="Colour")


@dataclass(frozen=True)
class LensRow:
    """Lenses of one role and tier."""

    role: object
    tier: str
    tier_name: str
    #: mm, the largest of them
    diameter: float
    count: int
    advice: LensAdvice
    recipe: Recipe
    picture: str
    #: how many other areas wear the role, which would be painted so too
    elsewhere: int


@login_required
@require_safe
def lenses(request, army_id):
    """The page: every kind of lens with its picture, larger than life, and how it would be painted."""
    army = army_for(request, army_id)
    form = HueForm({"hue": request.GET.get("hue", "amber")})
    hue = form.cleaned_data["hue"] if form.is_valid() else "amber"
    context = {
        "title": "Lenses and gems",
        "form": form,
        "rows": _rows(reading_of(army.head), hue, _pots(army)),
        "hue": hue,
    }
    return room_page(request, army, "recipes", "recipes/lenses.html", context, 422 if form.errors else 200)


def _pots(army):
    return tuple(pot for pot in catalogue_for(army) if pot.kind in ("acrylic", "air"))


def _rows(reading: Reading, hue: str, pots) -> list[LensRow]:
    design = reading.design
    scale = design.brief.scale if design.brief else 1.0
    size: dict[tuple[str, str], float] = {}
    many: dict[tuple[str, str], int] = defaultdict(int)
    elsewhere: dict[str, set[str]] = defaultdict(set)
    for one in reading.resolution.classes:
        for area, cell in one.cells.items():
            extent = one.plate.areas[area].extent
            if cell.role and extent.lenses:
                key = cell.role, one.tier
                size[key] = max(size.get(key, 0.0), extent.room_mm * scale)
                many[key] += extent.lenses * len(one.ordinals)
            elif cell.role:
                elsewhere[cell.role].add(sideless(area))
    whole, found = sum(many.values()), []
    for (role, tier), diameter in size.items():
        advice = lens_advice(max(diameter, 0.05), tier, whole)
        recipe = lens_recipe(HUES[hue], advice.values, pots, design.scheme.finishing.light)
        found.append(
            LensRow(
                design.scheme.role(role),
                tier,
                TIERS[tier],
                diameter,
                many[role, tier],
                advice,
                recipe,
                _picture(recipe),
                len(elsewhere[role]),
            )
        )
    return sorted(found, key=lambda row: (-row.diameter, row.role.name, list(TIERS).index(row.tier)))


def _picture(recipe: Recipe) -> str:
    """A lens as its values lie on it, larger than life."""
    shades = {step.kind: hex_of(step.mix.film.masstone) for step in recipe.steps}
    parts = [
        f'<circle cx="50" cy="50" r="40" fill="{shades["base"]}" stroke="{shades.get("line", "none")}" stroke-width="9"/>'
    ]
    if "layer" in shades:
        parts.append(f'<path d="M12 56A40 40 0 0 0 88 56Q50 40 12 56Z" fill="{shades["layer"]}"/>')
    if "edge" in shades:
        parts.append(f'<path d="M24 75A38 38 0 0 0 76 75Q50 86 24 75Z" fill="{shades["edge"]}"/>')
    parts.append(f'<circle cx="36" cy="32" r="7" fill="{shades["dot"]}"/>')
    return mark_safe(
        f'<svg class="lens" viewBox="0 0 100 100" role="img" aria-label="{len(recipe.steps)} values">{"".join(parts)}</svg>'
    )


@login_required
@require_POST
def paint_lens(request, army_id, role):
    """A role's lenses are painted so, for one tier."""
    army = army_for(request, army_id)
    form, tier = HueForm(request.POST), request.POST.get("tier", "rank")
    if form.is_valid():
        hue = form.cleaned_data["hue"]
        row = next(
            (
                one
                for one in _rows(reading_of(army.head), hue, _pots(army))
                if (one.role.id, one.tier) == (role, tier) and not one.elsewhere
            ),
            None,
        )
        if row:
            apply(
                request, army, lambda design: with_recipes(design, role, {tier: row.recipe}),
                f"{row.role.name}, {row.tier_name.lower()}: {hue}, in {row.advice.values} values",
            )  # fmt: skip
    return redirect(
        f"{reverse('lenses', args=[army.pk])}?hue={form.data.get('hue', '')}"
        if form.is_valid()
        else reverse("lenses", args=[army.pk])
    )
