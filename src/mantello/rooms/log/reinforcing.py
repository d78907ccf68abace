"""Reinforcements: more figures like finished ones, from what the log says was really used."""

from dataclasses import replace
from urllib.parse import urlencode

from django import forms
from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.record.queries import progress
from mantello.shelf.models import OwnedPaint
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.design.muster import with_rank
from mantello_core.order.subject import subject_of
from mantello_core.paints.range import paints
from mantello_core.recipes.step import Mix
from mantello_core.record.reinforcing import Logged, PaintedStep, as_painted


class MoreForm(forms.Form):
    """How many figures come."""

    unit = forms.CharField(widget=forms.HiddenInput)
    rank = forms.CharField(widget=forms.HiddenInput)
    more = forms.IntegerField(
        min_value=1, max_value=200, label="More of them", initial=5,
        error_messages=dict.fromkeys(("invalid", "min_value", "max_value", "required"), "Write 1 to 200."),
    )  # fmt: skip


@login_required
@require_safe
def reinforcements(request, army_id):
    """Ranks with painted figures; of one, the recipe as it was painted."""
    return _page(request, army_for(request, army_id), request.GET)


def _page(request, army, given, status=200, form=None):
    reading = reading_of(army.head)
    ranks = _ranks(army, reading)
    chosen = next((one for one in ranks if (one["unit"], one["rank"]) == (given.get("unit"), given.get("rank"))), None)
    chosen = chosen or next((one for one in ranks if one["finished"]), ranks[0] if ranks else None)
    steps = _steps(request, army, reading, chosen) if chosen else []
    scheme = reading.design.scheme
    context = {
        "title": "Reinforcements",
        "ranks": ranks,
        "chosen": chosen,
        "steps": [(step, _today(reading, chosen, step)) for step in steps],
        "gone": sorted({name for step in steps for name in step.gone}),
        "to_buy": sorted({name for step in steps for name in step.to_buy}),
        "patch": [
            scheme.role_by_id[role] for role in dict.fromkeys(step.role for step in steps) if role in scheme.role_by_id
        ],
        "form": form
        or (MoreForm(initial={"unit": chosen["unit"], "rank": chosen["rank"], "more": 5}) if chosen else None),
    }
    return room_page(request, army, "log", "log/reinforcements.html", context, status)


def _ranks(army, reading: Reading) -> list[dict]:
    """Ranks with anything painted, the most finished first."""
    found: dict[tuple[str, str], dict] = {}
    for (unit, rank, ordinal), one in progress(army).items():
        row = found.setdefault(
            (unit, rank),
            {
                "unit": unit,
                "rank": rank,
                "name": reading.design.army.rank(unit, rank).name,
                "title": reading.design.army.title(unit),
                "finished": [],
                "begun": [],
                "figures": 0,
            },
        )
        row["figures"] += 1
        if one.state == "finished":
            row["finished"].append(ordinal)
        elif one.state != "bare":
            row["begun"].append(ordinal)
    rows = [row for row in found.values() if row["finished"] or row["begun"]]
    return sorted(rows, key=lambda row: (-len(row["finished"]), -len(row["begun"]), row["title"]))


def _steps(request, army, reading: Reading, chosen: dict) -> tuple[PaintedStep, ...]:
    entries = [
        Logged(
            one.role, one.step, one.name, one.mix, tuple((each["paint"], each["name"], each["parts"]) for each in one.paints),
            one.coats, tuple(one.ordinals), one.done_at, one.version.number, one.note,
        )
        for one in army.entries.standing().filter(unit=chosen["unit"], rank=chosen["rank"]).select_related("version")
    ]  # fmt: skip
    shelf = OwnedPaint.objects.of(request.user)
    tier = reading.design.army.rank(chosen["unit"], chosen["rank"]).tier
    versions = {one.number: one for one in army.versions.select_related("edition")}

    def mix_of(role: str, step: str, version: int) -> Mix | None:
        scheme = reading_of(versions[version].edition).design.scheme
        known = scheme.role_by_id.get(role)
        return next((one.mix for one in known.recipe(tier).steps if one.id == step), None) if known else None

    usable = [
        pot
        for pot in paints().values()
        if not (pot.id in shelf and shelf[pot.id].discontinued and not shelf[pot.id].pots)
    ]
    return as_painted(entries, chosen["finished"] or chosen["begun"], shelf, catalogue_for(army), usable, mix_of)


def _today(reading: Reading, chosen: dict, step: PaintedStep) -> str:
    """How the scheme makes the step today, where that is not as it was painted; '' where it is."""
    known = reading.design.scheme.role_by_id.get(step.role)
    if known is None:
        return "this role is gone from the scheme" if subject_of(step.role).role else ""
    tier = reading.design.army.rank(chosen["unit"], chosen["rank"]).tier
    now = next((one for one in known.recipe(tier).steps if one.id == step.step), None)
    if now is None:
        return "the recipe has no such step today"
    return "" if now.mix.words == step.mix else f"today {now.mix.words}"


@login_required
@require_POST
def muster_more(request, army_id):
    """So many figures more are mustered in the rank, to be painted like the others."""
    army = army_for(request, army_id)
    form = MoreForm(request.POST)
    if not form.is_valid():
        return _page(request, army, request.POST, 422, form)
    unit, id_, more = (form.cleaned_data[key] for key in ("unit", "rank", "more"))
    rank = reading_of(army.head).design.army.rank(unit, id_)
    grown = replace(rank, figures=rank.figures + more)
    kept = apply_form(
        request, army, form, lambda design: with_rank(design, unit, grown), f"{more} more of {rank.name} mustered"
    )
    if not kept:
        return _page(request, army, request.POST, 422, form)
    return redirect(f"{reverse('reinforcements', args=[army.pk])}?{urlencode({'unit': unit, 'rank': id_})}")
