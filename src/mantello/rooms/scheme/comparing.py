"""Variants of a scheme, side by side on the same figures, with their checks and cost."""

from dataclasses import dataclass, replace
from urllib.parse import parse_qsl, urlencode

from django.contrib.auth.decorators import login_required
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace import editing as actions
from mantello.workspace.looking import looking
from mantello.workspace.models import Variant, large_of
from mantello.workspace.page import army_for, base_of, room_page
from mantello.workspace.reading import NEUTRAL, Reading
from mantello.workspace.readings import reading_of
from mantello_core.errors import MantelloError
from mantello_core.scheme.change import changes, relaid

from .pick import Pick, pick_from


@dataclass(frozen=True)
class Compared:
    """One variant as a column: pictures of the same figures, checks, cost, and what it changes."""

    variant: Variant
    reading: Reading
    pictures: tuple[tuple[str, int, int], ...]
    wrong: int
    look: int
    difference: str


@login_required
@require_safe
def variants(request, army_id):
    """Up to six variants side by side."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, refusal=None):
    reading = reading_of(army.head)
    pick = pick_from(reading, request.GET)
    known = list(army.variants.select_related("edition").defer(*large_of("edition")))
    shown = [one for one in known if one.state != Variant.State.REJECTED][: actions.MOST_VARIANTS]
    context = {
        "title": "Variants",
        "view": "variants",
        "pick": pick,
        "columns": [_compared(army, reading, one, pick) for one in shown] if pick else [],
        "rejected": [one for one in known if one.state == Variant.State.REJECTED],
        "seeing": pick.seeing if pick else NEUTRAL,
        "looking": looking(pick.seeing, dict(parse_qsl(replace(pick, seeing=NEUTRAL).query()))) if pick else None,
        "refusal": refusal,
        "typed": request.POST.get("name", ""),
    }
    return room_page(request, army, "scheme", "scheme/variants.html", context, status)


def _compared(army, here: Reading, variant: Variant, pick: Pick) -> Compared:
    reading = here if variant.edition_id == army.head_id else reading_of(variant.edition)
    checks = [check.verdict for check in reading.checks]
    preview = changes(here.resolution, reading.resolution, relaid(here.design.scheme, reading.design.scheme))
    said = "as it is worked on" if variant.edition_id == army.head_id else f"{preview.words} differ"
    pictures = tuple(_pictures(army, reading, variant, pick))
    return Compared(variant, reading, pictures, checks.count("wrong"), checks.count("look"), said)


def _pictures(army, reading: Reading, variant: Variant, pick: Pick):
    """The picked figure, then one of each other rank and unit, at most four; the same for every variant."""
    kinds = {(pick.figure.unit, pick.figure.rank): pick.figure.ordinal}
    for one in pick.reading.resolution.classes:
        kinds.setdefault((one.unit, one.rank), one.ordinals[0])
    for (unit, rank), ordinal in list(kinds.items())[:4]:
        node = reading.design.army.nodes.get(unit)
        found = next((one for one in node.ranks if one.id == rank), None) if node else None
        if found is None or ordinal > found.figures:
            continue
        view = reading.design.army.plate(found.type).views[0]
        _, _, width, tall = view.view_box
        scale = min(150 / tall, 240 / width)
        query = {
            "unit": unit,
            "rank": rank,
            "figure": ordinal,
            "edition": variant.edition.number,
            "v": 1,
        } | pick.seeing.query(ground="neutral")
        address = reverse("figure", args=[army.pk, view.name])
        yield f"{address}?{urlencode(query)}", round(width * scale), round(tall * scale)


@login_required
@require_POST
def new_variant(request, army_id):
    """Branch: keep the scheme so far, and work on a variant of it."""
    army = army_for(request, army_id)
    try:
        actions.branch(army, base_of(request), request.POST.get("name", ""))
    except MantelloError as error:
        return _page(request, army, 422, error)
    return redirect("variants", army.pk)


@login_required
@require_POST
def change_variant(request, army_id, variant_id):
    """Work on a variant, adopt it, or reject it."""
    army = army_for(request, army_id)
    variant = get_object_or_404(army.variants, pk=variant_id)
    do, reason = request.POST.get("do", ""), request.POST.get("reason", "")
    try:
        if do == "adopt":
            actions.adopt(army, base_of(request), variant, reason)
        elif do == "reject":
            actions.reject(variant, reason)
        else:
            actions.work_on(army, base_of(request), variant)
    except MantelloError as error:
        return _page(request, army, 422, error)
    return redirect("variants", army.pk)
