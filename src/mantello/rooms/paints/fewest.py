"""The fewest paints for the whole scheme: what it takes, what must be bought, and what each role is mixed from."""

from dataclasses import dataclass

from django import forms
from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shelf.models import OwnedPaint
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.base_mix import with_base_mixes
from mantello_core.mixing.smallest_set import Reached
from mantello_core.recipes.step import Mix
from mantello_core.scheme.scheme import Role

from .searching import asked_fewest, found_fewest, wanted_mixes

#: differences that may be allowed (CIEDE2000), with how they are seen
TOLERANCES = {"1": "not told apart", "2": "side by side only", "3": "a little off", "5": "near"}


class FewestForm(forms.Form):
    """How far a colour may lie from what is wanted."""

    within = forms.ChoiceField(
        choices=[(value, f"{value}: {words}") for value, words in TOLERANCES.items()],
        label="A colour may be off by",
        help_text="CIEDE2000, between the opaque colours.",
    )


@dataclass(frozen=True)
class ReachedRow:
    """Roles that share a base, and what it would be mixed from."""

    roles: tuple[Role, ...]
    reached: Reached
    #: whether it is mixed from other paints than now
    changes: bool

    @property
    def words(self) -> str:
        """What it would be mixed from, as in 'Reed Bank 2, Harbour Rose 3'."""
        return self.reached.mix.words.removesuffix(", neat")


@login_required
@require_safe
def fewest(request, army_id):
    """The page: the tolerance and the paints on the left, the mixes beside them."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    form = FewestForm({"within": request.GET.get("within", "2")})
    wanted = wanted_mixes(design)
    context = {"title": "Fewest paints", "form": form, "now": len(_used(wanted))}
    job = _job(request, army, form.cleaned_data["within"]) if form.is_valid() and wanted else None
    if job and job.state != Job.State.DONE:
        context["job"] = job
    elif job:
        found = found_fewest(job, catalogue_for(army))
        owned = {pot.id for pot in found.paints} - {pot.id for pot in found.buy}
        rows = [_row(one, wanted) for one in found.reached]
        context |= {
            "found": found,
            "used": sorted(found.paints, key=lambda pot: pot not in found.buy),
            "owned": owned,
            "now_buy": len(_used(wanted) - OwnedPaint.objects.stocked(request.user)),
            "rows": sorted(rows, key=lambda row: (not row.changes, -row.reached.apart)),
            "beyond": [_row(one, wanted) for one in found.beyond],
            "changed": sum(row.changes for row in rows),
        }
    return room_page(request, army, "paints", "paints/fewest.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def take_fewest(request, army_id):
    """Every base is mixed from the fewest paints; one edit, which can be undone."""
    army = army_for(request, army_id)
    form = FewestForm(request.POST)
    if not form.is_valid() or not wanted_mixes(reading_of(army.head).design):
        messages.error(request, "Nothing was changed: choose how far a colour may be off.")
        return redirect("fewest", army.pk)
    job = _job(request, army, form.cleaned_data["within"])
    if job.state != Job.State.DONE:
        messages.error(request, "Nothing was changed: bases or shelf are others by now, and the search goes on.")
        return redirect(job.asked["address"])
    found = found_fewest(job, catalogue_for(army))
    instead = {one.wanted: one.mix for one in found.reached}
    apply(
        request,
        army,
        lambda design: with_base_mixes(design, instead),
        f"Bases are mixed from {len(found.paints)} paints",
    )
    return redirect("recipes", army.pk)


def _used(wanted) -> set[str]:
    return {pot.id for mix in wanted for pot in mix.paints}


def _job(request, army, within: str) -> Job:
    address = f"{reverse('fewest', args=[army.pk])}?within={within}"
    return asked_fewest(army, within, address, again="again" in request.GET)


def _row(one: Reached, wanted: dict[Mix, list[Role]]) -> ReachedRow:
    return ReachedRow(tuple(wanted[one.wanted]), one, one.mix.parts != one.wanted.parts)
