"""Dress put on the army: who wears which regiment's, what that would change, which cells lose, and the field."""

from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.almanacs.models import Almanac
from mantello.almanacs.swatches import swatch
from mantello.jobs.models import Job
from mantello.shell.download import drawing
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import hex_of
from mantello_core.design.dressing import (
    lost_cells,
    with_cells_first,
    with_departure,
    with_dress,
    without_dress,
    words_used,
)
from mantello_core.design.leaving_out import unseen_parts, with_left_out
from mantello_core.design.preview import changed
from mantello_core.errors import MantelloError
from mantello_core.formats.drawing import plate_svg
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.dress_rules import cell_of_dress
from mantello_core.scheme.sentence import rule_sentence
from mantello_core.uniforms.dress import ACCURACIES, Dress
from mantello_core.uniforms.dye import GRADES, target
from mantello_core.uniforms.garments import lies_on, title_of

from .almanac import almanac_asked, year_asked
from .almanac_sheet import size_of
from .cloth_mixes import asked_mixes, mixes_of
from .proposed_dress import aims_refused, dress_asked, pairs_of, query_of, tried_dress

#: figures that are shown in their dress
_MOST_SHOWN = 14


@login_required
@require_safe
def worn(request, army_id):
    """Who wears what, as the words of the sources say, and what putting it on would change."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, refusal: MantelloError | None = None):
    reading = reading_of(army.head)
    kept = almanac_asked(request, army)
    dress = reading.design.scheme.dress
    given = request.POST if request.method == "POST" else request.GET
    if kept is None and dress is None:
        return redirect("almanac", army.pk)
    said = kept.as_core() if kept else dress.almanac
    asked = dress_asked(reading.design, said, given, year_asked(given, said), origin=str(kept.pk) if kept else "")
    on = dress is not None and _same(asked, dress)
    query = query_of(asked, said)
    shown = dress if on and dress else asked
    address = f"{reverse('worn', args=[army.pk])}?{query}"
    words = words_used(reading.design, reading.resolution, shown)
    refused = aims_refused(shown, given)
    job = asked_mixes(
        army, [(word.key, tier, aim.lab, word.metal, aim.radius) for word in words for tier, aim in word.targets],
        address, again="again" in given,
    ) if words else None  # fmt: skip
    found = (job.result or {}).get("mixes", {}) if job and job.state == Job.State.DONE else {}
    tried = None if on else tried_dress(army, reading, asked, given)
    context = {
        "title": "Dress as worn", "view": "dress", "tab": "worn", "kept": kept, "said": said, "year": asked.year,
        "almanacs": Almanac.objects.named_for(request.user), "on": on, "dress": dress, "asked": asked,
        "pairs": pairs_of(reading.design, said, asked), "accuracies": ACCURACIES, "query": query,
        "words": [(word, _choices(reading, word, given, on), found.get(word.key, {}), [(aim.grade, hex_of(aim.lab)) for _, aim in word.targets], given.get(f"why-{word.key}", shown.why(word.colour, metal=word.metal)), _aim(word, given, refused)) for word in words], "job": job if job and job.state != Job.State.DONE else None,
        "figures": _figures(army, reading, shown, "" if on else query),
        "preview": changed(reading.design, tried.design) if tried else None, "refusal": refusal,
        "here_query": urlencode({"almanac": kept.pk, "year": asked.year} if kept else {}),
        "open": [(reading.design.army.title(node), swatch(one)) for node, one in shown.open],
        "campaign": shown.campaign,
    }  # fmt: skip
    trial = reading if on else tried
    context["lost"] = [_lost(trial.design, one) for one in lost_cells(trial.design, trial.resolution)] if trial else []
    context["waiting"] = sum(not one["first"] for one in context["lost"])
    size = size_of(reading.design)
    context["unseen"] = [
        (one, title_of(one.garment), title_of(one.on))
        for one in unseen_parts(shown, *size)
        if one.garment not in shown.left_out
    ]
    context["left_out"] = [(one, title_of(one), title_of(lies_on(one))) for one in shown.left_out]
    context["height"], context["metres"] = size
    context["departures"] = _departures(reading, dress) if on and dress else []
    return room_page(request, army, "scheme", "scheme/worn.html", context, status)


def _aim(word, given, refused: dict[str, str]) -> dict:
    """The point of a word: as typed or as kept, the middle, points picked from pictures, and what is wrong with it."""
    kept = hex_of(word.aim) if word.aim else ""
    return {
        "text": given.get(f"aim-{word.key}", kept), "middle": hex_of(target(word.colour, metal=word.metal).lab),
        "picked": [(hex_of(lab), target(word.colour, metal=word.metal).off(lab)) for lab in word.picked],
        "wrong": refused.get(word.key, ""),
    }  # fmt: skip


def _same(one: Dress, other: Dress) -> bool:
    """Whether two dresses put the same on the same formations."""
    mine, theirs = ((each.worn, each.year, each.accuracy, each.almanac, each.aims) for each in (one, other))
    return mine == theirs


def _choices(reading: Reading, word, given, on: bool) -> list[tuple[str, str, bool]]:
    """Roles for a word: the near ones first, with how far they lie off, then a new one, then all others."""
    scheme = reading.design.scheme
    chosen = given.get(f"role-{word.key}", word.role if on else word.suggested)
    near = [(id_, f"{scheme.role(id_).name}, {off:.0f} off") for id_, off in word.near]
    others = [(role.id, role.name) for role in scheme.roles if role.id not in dict(near)]
    return [(id_, name, id_ == chosen) for id_, name in (*near, ("", "a new role, mixed to the word"), *others)]


def _figures(army, reading: Reading, dress: Dress, query: str) -> list[tuple[str, list[tuple[str, str]]]]:
    """By formation that wears it, one figure of every rank: its name and where its picture is."""
    found, left = [], _MOST_SHOWN
    for node, who in dress.worn:
        if node not in reading.design.army.nodes:
            continue
        ranks: dict[str, tuple[str, FigureClass]] = {}
        for unit in reading.design.army.nodes[node].walk():
            for one in reading.resolution.of_unit(unit.id):
                ranks.setdefault(one.type + one.rank, (one.rank_name, one))
        row = [
            (
                name,
                f"{reverse('worn-figure', args=[army.pk])}?{urlencode({'unit': one.unit, 'rank': one.rank, 'v': army.head.number})}&{query}",
            )
            for name, one in list(ranks.values())[:left]
        ]
        left -= len(row)
        if row:
            found.append((f"{reading.design.army.title(node)}, as {who.called}", row))
    return found


def _lost(design, one) -> dict:
    army, scheme = design.army, design.scheme
    return {
        "cell": one.cell, "title": title_of(one.cell.garment), "node": army.title(one.cell.node), "swatch": swatch(one.cell.verdict), "wins": one.wins, "loses": one.loses,
        "whole": one.wins == 0, "first": one.cell.key in scheme.dress.first,
        "rules": [rule_sentence(rule, army, scheme) for rule in one.rules],
    }  # fmt: skip


def _departures(reading: Reading, dress: Dress) -> list[tuple[str, str, str, str]]:
    """Key, formation, garment's swatch words and the reason of every cell that was left to other rules."""
    rows = []
    for cell in dress.cells:
        left = dress.departure(cell)
        if left:
            rows.append((cell.key, reading.design.army.title(cell.node), swatch(cell.verdict), left.reason))
    return rows


@login_required
@require_safe
def worn_figure(request, army_id):
    """One figure as its dress's words say, or as it is painted where nothing is tried."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    ranks = reading.resolution.of_rank(request.GET.get("unit", ""), request.GET.get("rank", ""))
    if not ranks:
        raise Http404
    one, view = ranks[0], ranks[0].plate.views[0].name
    if request.GET.get("year"):
        kept = almanac_asked(request, army)
        said = kept.as_core() if kept else None
        if said is None:
            raise Http404
        tried = tried_dress(
            army, reading, dress_asked(reading.design, said, request.GET, year_asked(request.GET, said)), request.GET
        )
        if tried is None:
            raise Http404
        svg = _as_told(tried, next(each for each in tried.resolution.of_rank(one.unit, one.rank)), view)
    else:
        svg = reading.drawn(one, view, detail="small", seed=one.ordinals[0])
    return drawing(svg, request, lasting=False)


def _as_told(reading: Reading, one: FigureClass, view: str) -> str:
    """A figure with its cloth in the colours that the words mean for its grade."""
    dress = reading.design.scheme.dress

    def filled(area: str) -> str:
        cell = cell_of_dress(dress, one.cells[area].rule) if one.cells[area].rule else None
        if cell is None:
            return reading.fill(one, area)
        return hex_of(dress.aimed(cell.colour, GRADES[one.tier], metal=cell.metal).lab)

    return plate_svg(one.plate, view, filled, detail="small", bearing=reading.bearing(one))


@login_required
@require_POST
def put_on(request, army_id):
    """Put the dress on, or take it off."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    if request.POST.get("do") == "off":
        apply(request, army, without_dress, "The dress is off; roles made for it stay")
        return redirect("worn", army.pk)
    kept = almanac_asked(request, army)
    if kept is None:
        raise Http404
    said = kept.as_core()
    asked = dress_asked(reading.design, said, request.POST, year_asked(request.POST, said), origin=str(kept.pk))
    if aims_refused(asked, request.POST):
        return _page(request, army, 422)
    words = words_used(reading.design, reading.resolution, asked)
    job = asked_mixes(
        army, [(word.key, tier, aim.lab, word.metal, aim.radius) for word in words for tier, aim in word.targets],
        f"{reverse('worn', args=[army.pk])}?{query_of(asked, said)}", again=False,
    )  # fmt: skip
    chosen = {word.key: request.POST.get(f"role-{word.key}", word.suggested) for word in words}
    reasons = {word.key: request.POST[f"why-{word.key}"] for word in words if f"why-{word.key}" in request.POST}
    try:
        apply(
            request, army, lambda design: with_dress(design, reading.resolution, asked, chosen, mixes_of(army, job), reasons),
            f"Dress of {asked.year} put on {len(asked.worn)} formation{'s' * (len(asked.worn) != 1)}",
        )  # fmt: skip
    except MantelloError as error:
        return _page(request, army, 422, error)
    return redirect("worn", army.pk)


@login_required
@require_POST
def leave_out(request, army_id):
    """Paint parts that nobody would see with what they lie on, or apart again."""
    army = army_for(request, army_id)
    parts = tuple(dict.fromkeys(request.POST.getlist("garment")))
    if reading_of(army.head).design.scheme.dress is None or not parts or not all(lies_on(one) for one in parts):
        raise Http404
    out = request.POST.get("do") != "again"
    words = f"{', '.join(map(title_of, parts))}: {'left out' if out else 'painted apart again'}"
    apply(request, army, lambda design: with_left_out(design, parts, out=out), words)
    return redirect("worn", army.pk)


@login_required
@require_POST
def decide_cell(request, army_id):
    """Let cells be worn before written rules, leave one to them with a reason, or take either back."""
    army = army_for(request, army_id)
    dress = reading_of(army.head).design.scheme.dress
    if dress is None:
        raise Http404
    known = {cell.key for cell in dress.cells}
    keys = tuple(key for key in request.POST.getlist("cell") if key in known)
    if not keys:
        raise Http404
    do, reason = request.POST.get("do", ""), request.POST.get("reason", "")[:300]
    if do in ("first", "after"):
        words = "Worn before the written rules" if do == "first" else "Worn after the written rules again"
        apply(request, army, lambda design: with_cells_first(design, keys, first=do == "first"), words)
    else:
        words = f"Left to other rules: {reason}" if reason.strip() else "Given back to the dress"
        apply(request, army, lambda design: with_departure(design, keys[0], reason), words)
    return redirect("worn", army.pk)
