"""Another colour tried on a role: shown at once in the browser, then the paints that come near it."""

import math
from dataclasses import dataclass

from django.contrib.auth.decorators import login_required
from django.http import HttpResponseBadRequest
from django.shortcuts import render
from django.views.decorators.http import require_GET, require_POST

from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, back
from mantello.workspace.readings import reading_of
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.design.edit import with_recipe_started
from mantello_core.errors import MantelloError
from mantello_core.film.surface import solid
from mantello_core.paints.paint import Paint
from mantello_core.paints.range import paints

#: paints shown beside a tried colour
NEAREST = 4


@dataclass(frozen=True)
class Near:
    """A paint, and how far its opaque colour lies from the one that was tried."""

    pot: Paint
    colour: Lab
    apart: float


def near_paints(colour: Lab) -> list[Near]:
    """The paints that come nearest a colour when opaque, the nearest first.

    Ranked by plain distance in CIELAB: CIEDE2000, which is told beside it, is made for small differences and
    ranks greys before purples where the tried colour is far from every paint.
    """
    pots = [pot for pot in paints().values() if pot.covers]
    found = [Near(pot, solid(pot.film).colour, difference(solid(pot.film).colour, colour)) for pot in pots]
    return sorted(found, key=lambda one: math.dist(one.colour, colour))[:NEAREST]


@login_required
@require_GET
def near(request, army_id):
    """The paints near a colour: the fragment under the colour that is tried."""
    army = army_for(request, army_id)
    try:
        colour = lab_of_hex(request.GET.get("colour", ""))
        role = reading_of(army.head).design.scheme.role(request.GET.get("role", ""))
    except MantelloError as error:
        return HttpResponseBadRequest(error.message)
    context = {"army": army, "near": near_paints(colour), "role": role, "base": army.head.number}
    return render(request, "scheme/near.html", context)


@login_required
@require_POST
def start_recipe(request, army_id, role):
    """Start a role's recipes anew from one paint."""
    army = army_for(request, army_id)
    known = reading_of(army.head).design.scheme.role(role, "role")
    pot = catalogue_for(army).paint(request.POST.get("paint", ""), "paint")
    said = f"{known.name} made anew from {pot.name}"
    apply(request, army, lambda design: with_recipe_started(design, role, pot), said)
    return back(request, "scheme", army.pk)
