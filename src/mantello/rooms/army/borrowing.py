"""Own figure types of a painter's other armies, to be taken in."""

from dataclasses import dataclass

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db.models import F
from django.shortcuts import redirect
from django.views.decorators.http import require_POST

from mantello.workspace.models import Army
from mantello.workspace.page import apply, army_for, seen_army
from mantello.workspace.readings import reading_of
from mantello_core.design.figure_types import own_of, with_type_of
from mantello_core.errors import MantelloError
from mantello_core.numerals import whole_number

#: types that are offered at most
_MOST = 60


@dataclass(frozen=True)
class Offered:
    """One type of another army."""

    army: int
    army_name: str
    id: str
    title: str


def offered(army: Army, known: set[str]) -> list[Offered]:
    """Types of the painter's other armies whose drawings are not here yet, each drawing once. known: digests that are here."""
    others = Army.objects.visible_to(army.owner).exclude(pk=army.pk).annotate(types=F("head__document__army__types"))
    found, seen = [], set(known)
    for one in others.values("pk", "name", "types"):
        for told in one["types"] or ():
            if told["drawing"] not in seen:
                seen.add(told["drawing"])
                found.append(Offered(one["pk"], one["name"], told["id"], told["title"]))
    return found[:_MOST]


@login_required
@require_POST
def take_type(request, army_id):
    """Take a type of another army in, as a copy that is this army's own."""
    army = army_for(request, army_id)
    number = request.POST.get("army", "")
    other = seen_army(request, whole_number(number, 2**62) or 0)
    theirs = reading_of(other.head).design.army
    type_id = request.POST.get("type", "")[:120]
    try:
        title = own_of(theirs, type_id).title
        apply(
            request, army, lambda design: with_type_of(design, theirs, type_id, other.name)[0],
            f"{title} taken in from {other.name}",
        )  # fmt: skip
    except MantelloError as error:
        messages.error(request, error.message)
    return redirect("figure-types", army.pk)
