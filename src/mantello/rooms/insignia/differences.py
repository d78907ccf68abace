"""Differences of arms: a set proposed for sub-units, each as far from the others as can be, to be kept one by one."""

from urllib.parse import urlencode

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.errors import MantelloError
from mantello_core.formats.arms_svg import arms_svg
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.cadency import cadency
from mantello_core.insignia.arms.coat import Coat
from mantello_core.insignia.arms.differencing import MOST
from mantello_core.marks.named_arms import with_arms

from .differing import asked_differences, found_differences
from .views import colours_of, inked


class DifferenceForm(forms.Form):
    """How many, and which set of several equally good ones."""

    way = forms.ChoiceField(
        label="Chosen", choices=[("apart", "as unlike as can be"), ("cadency", "by custom: marks of cadency")]
    )
    count = forms.IntegerField(
        min_value=1, max_value=MOST, label="How many",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), f"Write 1 to {MOST}."),
    )  # fmt: skip
    seed = forms.IntegerField(
        min_value=0, max_value=9999, label="Set number",
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 0 to 9999."),
    )  # fmt: skip


@login_required
@require_safe
def differences(request, army_id, arms):
    """The set, each coat with how it differs and which of the others it comes nearest."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    one = reading.design.scheme.named_arms(arms)
    form = DifferenceForm({
        "way": request.GET.get("way", "apart"), "count": request.GET.get("count", "4"), "seed": request.GET.get("seed", "0"),
    })  # fmt: skip
    pinned = request.GET.getlist("pin")[:MOST]
    colour = colours_of(one, reading)
    found, told, job = None, "", None
    if form.is_valid():
        try:
            pins = [read_blazon(text) for text in pinned]
            if not isinstance(one.tree, Coat) or not all(isinstance(pin, Coat) for pin in pins):
                told = (
                    "Quartered and impaled arms are not differenced as a whole; difference the coat they are made of."
                )
            elif form.cleaned_data["way"] == "cadency":
                found = cadency(one.tree, form.cleaned_data["count"], colour)
            else:
                count, seed = form.cleaned_data["count"], form.cleaned_data["seed"]
                asked = {name: request.GET[name] for name in ("way", "count", "seed") if name in request.GET}
                address = (
                    f"{reverse('differences', args=[army.pk, arms])}?{urlencode(asked | {'pin': pinned}, doseq=True)}"
                )
                job = asked_differences(army, one, count, seed, pins, address, again="again" in request.GET)
                found = found_differences(job, one.tree) if job.state == Job.State.DONE else None
        except MantelloError as error:
            form.add_error("count", error.message)

    def svg(tree, prefix: str) -> str:
        return mark_safe(arms_svg(drawn_arms(tree), inked(one, reading), prefix=prefix))

    rows = [
        (at + 1, each, svg(each.arms, f"d{at}"), each.blazon in pinned, each.nearest_to + 1) for at, each in enumerate(found.differences)
    ] if found else []  # fmt: skip
    context = {
        "title": f"Differences of {one.name}",
        "arms": one,
        "parent": svg(one.tree, "parent"),
        "form": form,
        "found": found,
        "told": told,
        "rows": rows,
        "job": job,
    }
    return room_page(request, army, "insignia", "insignia/differences.html", context, 422 if form.errors else 200)


@login_required
@require_POST
def keep_difference(request, army_id, arms):
    """A difference becomes arms of the scheme, with the parent's bindings."""
    army = army_for(request, army_id)
    one = reading_of(army.head).design.scheme.named_arms(arms)
    names = {each.name for each in reading_of(army.head).design.scheme.arms}
    name = next(f"{one.name}, {number}" for number in range(2, 200) if f"{one.name}, {number}" not in names)
    blazon = request.POST.get("blazon", "")
    bound = dict(one.bound)
    apply(request, army, lambda design: with_arms(design, "", name, blazon, "", bound), f"Arms of {name} kept")
    return redirect(f"{reverse('insignia', args=[army.pk])}?arms={reading_of(army.head).design.scheme.arms[-1].id}")
