"""Camouflage: patterns, how they lie on the figures, and what they do."""

from dataclasses import replace
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shell.download import drawing
from mantello.workspace.page import apply, apply_form, army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.camouflage.pattern import Pattern
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.design.camouflaged import denominator_of, layout_seed
from mantello_core.design.design import Design
from mantello_core.design.pattern_edit import (
    inks_like,
    placing_rule,
    rule_to_start,
    starts,
    with_layout,
    with_pattern,
    without_pattern,
)
from mantello_core.numerals import whole_number
from mantello_core.passes.ink_order import SCHOOLS, InkLaid, inks_laid, with_inks_ordered
from mantello_core.scheme.cascade import FigureClass
from mantello_core.scheme.rule import Rule
from mantello_core.scheme.scheme import Scheme

from .camouflage_form import CamouflageForm
from .fleet import fleet_of, key_of, wearing
from .ink_swatch import ink_swatch
from .laying import tried_address
from .measured import asked_measures, ground_under

#: models of a fleet that are shown, and other layouts that are offered
_MOST_FLEET, _OFFERED = 12, 4


@login_required
@require_safe
def camouflage(request, army_id):
    """The patterns, one of them large on a model, its fleet, and its measures."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    scheme = reading.design.scheme
    asked = request.POST.get("pattern") if request.method == "POST" else request.GET.get("pattern", "")
    new = asked == "new" or not scheme.patterns
    pattern = None if new else scheme.pattern_by_id.get(asked) or scheme.patterns[0]
    offered = _starts(reading) if new else ()
    context = {
        "title": "Camouflage", "view": "camouflage", "patterns": [(one, ink_swatch(reading, one)) for one in scheme.patterns],
        "pattern": pattern, "denominator": denominator_of(reading.design), "pick": None,
        "starts": _offered(army, reading, offered) if new else [],
    }  # fmt: skip
    if pattern:
        fleet = fleet_of(reading, pattern.id)
        context |= {
            "form": form or CamouflageForm.showing(reading.design, pattern, placing_rule(reading.design, pattern.id))
        }
        if fleet:
            context |= _shown(request, army, reading, pattern, fleet)
    elif offered:
        at = whole_number(request.GET.get("start", ""), len(offered) - 1) or 0
        context |= {"start": None if form else at, "form": form or CamouflageForm.showing(reading.design, *offered[at])}
    return room_page(request, army, "scheme", "scheme/camouflage.html", context, status)


def _starts(reading: Reading) -> tuple[tuple[Pattern, Rule], ...]:
    """Patterns to start from with where they would lie, in roles of the scheme that are near the army's ground; none
    without two such roles."""
    ground = next(
        (found for one in reading.resolution.classes if (found := ground_under(reading, one))), Lab(45.0, 4.0, 14.0)
    )
    design, roles = reading.design, inks_like(reading.design, ground)
    if len(roles) < 2:
        return ()
    hull, cloth = (rule_to_start(design, reading.resolution, select) for select in ("#camo", "cloak"))
    if not hull and not cloth:
        hull = Rule("", design.army.root.id, ("#camo",), "")
    return tuple((one, rule) for rule in (hull, cloth) if rule for one in starts(design, roles, cloth=rule is cloth))


def _offered(army, reading: Reading, offered) -> list[tuple[int, Pattern, str]]:
    return [(at, one, tried_address(army, one, rule, reading)) for at, (one, rule) in enumerate(offered)]


def _shown(request, army, reading: Reading, pattern: Pattern, fleet) -> dict:
    """One figure large, the others small, other layouts, and the measures as far as they are known."""
    given = request.GET.get("figure", "")
    one, ordinal = wearing(reading, given, pattern.id) or fleet[0]
    address = _page_address(army, pattern.id, key_of(one, ordinal))
    job = asked_measures(army, reading, pattern, one, ordinal, address, again="again" in request.GET)
    seed = layout_seed(pattern, one.unit, one.rank, ordinal)
    called = reading.design.army.called
    return {
        "one": one, "ordinal": ordinal, "figure": key_of(one, ordinal), "seed": seed,
        "views": [(view.name, _address(army, pattern, one, ordinal, view.name, reading)) for view in one.plate.views],
        "fleet": [
            (key_of(each, number), called(each.unit, each.rank, number), _address(army, pattern, each, number, each.plate.views[0].name, reading))
            for each, number in fleet[:_MOST_FLEET]
        ],
        "more": max(0, len(fleet) - _MOST_FLEET),
        "masked": pattern.masked,
        "said": called(one.unit, one.rank, ordinal),
        "pinned": any(each[:3] == (one.unit, one.rank, ordinal) for each in pattern.layouts),
        "others": [
            (seed + step, _address(army, pattern, one, ordinal, one.plate.views[0].name, reading, seed + step))
            for step in range(1, _OFFERED + 1)
        ],
        "laid": _laid(reading, pattern, one), "schools": SCHOOLS.items(),
        "job": job, "found": _found(reading, pattern, one, job) if job.state == Job.State.DONE else None,
    }  # fmt: skip


def _laid(reading: Reading, pattern: Pattern, one: FigureClass) -> list[tuple[str, str, InkLaid]]:
    """Name and colour of every ink with what laying it takes on one figure."""
    scheme = reading.design.scheme
    return [
        (scheme.role(each.role).name, reading.ink(pattern, each.role, one.tier), each)
        for each in inks_laid(reading.design, one, pattern)
    ]


def _found(reading: Reading, pattern: Pattern, one: FigureClass, job: Job) -> dict:
    """The measures with what the page shows beside them."""
    said, called = job.result, reading.design.army.called
    roles = [reading.design.scheme.role(ink.role).name for ink in pattern.inks]
    rows = zip(roles, ink_swatch(reading, pattern), said["shares"], pattern.inks, strict=True)
    return said | {
        "mean_hex": hex_of(Lab(*said["mean"])),
        "inks": [(name, colour, share * 100, ink.share * 100) for name, (colour, *_), share, ink in rows],
        "symmetry": said["symmetry"].items(),
        "beside": called(one.unit, one.rank, said["nearest"][0]) if "nearest" in said else "",
    }


def _page_address(army, pattern_id: str, figure: str = "") -> str:
    """The page of a pattern, with one figure of it large."""
    query = {"pattern": pattern_id} | ({"figure": figure} if figure else {})
    return f"{reverse('camouflage', args=[army.pk])}?{urlencode(query)}"


def _address(
    army, pattern: Pattern, one: FigureClass, ordinal: int, view: str, reading: Reading, seed: int | None = None
) -> str:
    """Where a picture is: the same address for as long as it looks the same."""
    query = {"pattern": pattern.id, "figure": key_of(one, ordinal), "v": army.head.number} | (
        {"seed": seed} if seed is not None else {}
    )
    return f"{reverse('camouflage-view', args=[army.pk, view])}?{urlencode(query)}"


@login_required
@require_safe
def camouflage_view(request, army_id, view):
    """One figure from one side in its pattern; with a seed as it would be laid out by that."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    pattern = request.GET.get("pattern", "")
    worn = wearing(reading, request.GET.get("figure", ""), pattern)
    if worn is None or view not in [each.name for each in worn[0].plate.views]:
        raise Http404
    one, ordinal = worn
    seed = whole_number(request.GET.get("seed", ""), 10**7)
    if seed is not None:
        tried = with_layout(reading.design, pattern, one.unit, one.rank, ordinal, seed % 1_000_000)
        reading = _with(reading, tried.scheme)
    svg = reading.drawn(one, view, detail="small", seed=ordinal)
    return drawing(svg, request)


def _with(reading: Reading, scheme: Scheme) -> Reading:
    """A reading of the same design in another scheme that resolves alike."""
    made = Reading(replace(reading.design, scheme=scheme))
    made.__dict__["resolution"] = reading.resolution
    return made


@login_required
@require_POST
def keep_pattern(request, army_id):
    """Keep a pattern, new or changed, with where it lies."""
    army = army_for(request, army_id)
    design: Design = reading_of(army.head).design
    form = CamouflageForm(design, request.POST)
    id_ = request.POST.get("pattern", "")
    known = design.scheme.pattern_by_id.get(id_)
    if not form.is_valid():
        return _page(request, army, 422, form)
    pattern = form.pattern(known)
    if not apply_form(
        request, army, form, lambda now: with_pattern(now, pattern, form.rule()), f"Camouflage: {pattern.name}"
    ):
        return _page(request, army, 422, form)
    made = reading_of(army.head).design.scheme.patterns
    kept = pattern.id or made[-1].id
    return redirect(_page_address(army, kept))


@login_required
@require_POST
def change_pattern(request, army_id, pattern):
    """Take a pattern away, put its inks in another order, or lay one figure out otherwise."""
    army = army_for(request, army_id)
    known = reading_of(army.head).design.scheme.pattern_by_id.get(pattern)
    if known is None:
        raise Http404
    if request.POST.get("do") == "remove":
        apply(request, army, lambda design: without_pattern(design, pattern), f"Camouflage taken away: {known.name}")
        return redirect("camouflage", army.pk)
    here = _page_address(army, pattern, request.POST.get("figure", ""))
    if (school := request.POST.get("order", "")) in SCHOOLS:
        apply(
            request, army, lambda design: with_inks_ordered(design, pattern, school), f"{known.name}: {SCHOOLS[school]}"
        )
        return redirect(here)
    unit, rank, ordinal = [*request.POST.get("figure", "").split("|"), "", "", ""][:3]
    seed, number = whole_number(request.POST.get("seed", ""), 10**7), whole_number(ordinal, 10**5) or 0
    wanted = None if seed is None else seed % 1_000_000
    words = f"{known.name}: another layout" if wanted is not None else f"{known.name}: layout by its seed again"
    apply(request, army, lambda design: with_layout(design, pattern, unit, rank, number, wanted), words)
    return redirect(here)
