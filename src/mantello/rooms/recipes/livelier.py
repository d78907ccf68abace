"""A role's base made livelier: inks, stains and clear paints that lift its chroma, and what that costs in coats."""

from urllib.parse import urlencode

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.base_mix import base_mix, with_base_mix
from mantello_core.film.coverage import coverage
from mantello_core.mixing.lifting import MOST_ASKED_COATS, Lift, clear_paints, lifts
from mantello_core.recipes.step import MOST_COATS

from .whole import EVERY, OWNED, DraftForm, pots_for, usual_pots

#: paints shown
MOST_SHOWN = 10


class LivelierForm(forms.Form):
    """How much livelier, and what it may cost."""

    more = forms.ChoiceField(
        choices=[("4", "a little: C* 4"), ("8", "to be seen: C* 8"), ("15", "much: C* 15"), ("60", "as much as there is")],
        label="Livelier by",
    )  # fmt: skip
    coats = forms.ChoiceField(
        choices=[("0", "no coat more"), ("1", "one coat more"), ("2", "two coats more")], label="May cost"
    )
    turn = forms.ChoiceField(
        choices=[("6", "stays, 6 degrees"), ("12", "may turn a little, 12"), ("25", "may turn, 25")], label="The hue"
    )
    pots = DraftForm.base_fields["pots"]


@login_required
@require_safe
def livelier(request, army_id, role):
    """The page: what is asked on the left, the mixes beside it."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = reading.design.scheme.role(role)
    form = LivelierForm(_asked(request.GET, request.user))
    mix, ground = base_mix(chosen), reading.design.scheme.ground
    rows = _lifts(form.cleaned_data, chosen, ground, request.user)[:MOST_SHOWN] if form.is_valid() and mix else ()
    context = {
        "title": f"{chosen.name}, livelier",
        "role": chosen,
        "form": form,
        "base": mix,
        "metallic": bool(mix) and mix.film.flake is not None,
        "coats": coverage(mix.film, ground.flat, mix.dilution).coats if mix else None,
        "rows": rows,
        "every": f"?{urlencode(form.data | {'pots': EVERY})}" if form.data["pots"] == OWNED else "",
        "meeting": sum(one.meets for one in rows),
    }
    return room_page(request, army, "recipes", "recipes/livelier.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def take_lift(request, army_id, role):
    """The livelier mix becomes the role's base."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    chosen = design.scheme.role(role)
    form = LivelierForm(_asked(request.POST, request.user))
    found = None
    if form.is_valid() and base_mix(chosen):
        every = _lifts(form.cleaned_data, chosen, design.scheme.ground, request.user)
        found = next((one for one in every if one.pot.id == request.POST.get("taken")), None)
    if found is None:
        messages.error(request, "That mix is not there any more; the base or the shelf has changed.")
        return redirect("livelier", army.pk, role)
    words = f"{chosen.name}: livelier with {found.pot.name}"
    apply(request, army, lambda design: with_base_mix(design, role, found.mix.parts), words)
    return redirect("recipe", army.pk, role)


def _asked(given, user) -> dict:
    usual = {"more": "8", "coats": "1", "turn": "12", "pots": usual_pots(user)}
    return {name: given.get(name, value) for name, value in usual.items()}


def _lifts(given: dict, role, ground, user) -> tuple[Lift, ...]:
    mix = base_mix(role)
    if mix.film.flake is not None:
        return ()
    own = coverage(mix.film, ground.flat, mix.dilution).coats or MOST_COATS
    coats = max(1, min(own + int(given["coats"]), MOST_ASKED_COATS))
    return lifts(
        mix, ground, clear_paints(pots_for(user, given["pots"])), float(given["more"]), coats, float(given["turn"])
    )
