"""Variety: who wears what in a unit of irregulars, drawn from few pots by wished shares."""

from dataclasses import replace
from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.template.loader import render_to_string
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.jobs.papers import paper, paper_kind
from mantello.record.queries import done_steps
from mantello.shell.fields import refused
from mantello.workspace.models import Edition
from mantello.workspace.muster import Muster
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import GAP, Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure, Node
from mantello_core.colour.spaces import hex_of
from mantello_core.design.cast_words import counts_of, fault_words, openings_of, pots_worn
from mantello_core.design.casting import Told, told, usual_cast, with_cast, without_cast
from mantello_core.design.design import Design
from mantello_core.design.edit import with_scheme
from mantello_core.errors import MantelloError
from mantello_core.formats.document.casts import write_cast
from mantello_core.numerals import whole_number
from mantello_core.scheme.unit_cast import CastOption, UnitCast
from mantello_core.variety.unavoidable import least_clashes

from .cast_form import CastForm

#: kind of job that searches longer
SEARCHED = "scheme.cast"
#: steps of a search while the painter waits: about a quarter of a second at worst
QUICK = 600
#: height of a figure on its stand, pixels; faults told
_TALL, _MOST_TOLD = 132.0, 8


def _unit_asked(reading: Reading, given: str) -> Node | None:
    """The unit that is asked for, else the first that is cast, else the first whose name or figures are irregular."""
    army, scheme = reading.design.army, reading.design.scheme
    units = [unit for unit in army.units if unit.figures]
    known = next((unit for unit in units if unit.id == given), None)
    cast = next((unit for unit in units for one in scheme.casts if one.unit == unit.id), None)
    return known or cast or max(units, key=lambda unit: unit.figures, default=None)


def _cast_of(design: Design, unit: str) -> UnitCast | None:
    return next((one for one in design.scheme.casts if one.unit == unit), None)


def _painted(army, unit: str) -> frozenset[tuple[str, int]]:
    """Figures of a unit on which something is painted: they stay as they are."""
    return frozenset((rank, ordinal) for where, rank, ordinal, _, _ in done_steps(army) if where == unit)


@login_required
@require_safe
def variety(request, army_id):
    """A unit on its stands, what its garments may be, and what is wrong with how they were dealt."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, form=None):
    reading = reading_of(army.head)
    unit = _unit_asked(reading, request.POST.get("unit") or request.GET.get("unit", ""))
    context = {"title": "Variety", "view": "variety", "unit": unit}
    if unit is None:
        return room_page(request, army, "scheme", "scheme/variety.html", context, status)
    known, refusal = _cast_of(reading.design, unit.id), ""
    cast = known
    if cast is None:
        try:
            cast = usual_cast(reading.design, reading.resolution, unit.id)
        except MantelloError as error:
            refusal = error.message
    found = told(reading.design, known) if known else None
    units = [
        (one.id, reading.design.army.title(one.id), one is unit, _cast_of(reading.design, one.id) is not None)
        for one in reading.design.army.units
        if one.figures
    ]
    form = form or (CastForm(reading.design, cast) if cast else None)
    context |= {
        "units": units, "known": known, "refusal": refusal, "form": form, "cast": cast,
        "garments": _garments(reading, form, found) if form else [],
        "stands": _stands(army, reading, unit, cast or UnitCast(unit.id, ())), "new": _new_figures(reading.design, known),
    }  # fmt: skip
    if found and known:
        context |= _judged(request, army, reading, known, found) | _opened(request, reading, known)
    return room_page(request, army, "scheme", "scheme/variety.html", context, status)


def _new_figures(design: Design, cast: UnitCast | None) -> int:
    """Figures that came after the unit was cast."""
    if cast is None:
        return 0
    return sum(rank.figures - len(dict(cast.drawn).get(rank.id, ())) for rank in design.army.nodes[cast.unit].ranks)


def _garments(reading: Reading, form: CastForm, found: Told | None) -> list:
    counts = counts_of(found) if found else {}
    return [
        (
            garment,
            [(row, _colours(reading, row.option), counts.get((garment.id, row.option.id))) for row in rows],
            fields,
        )
        for garment, rows, fields in form.rows()
    ]


def _colours(reading: Reading, option: CastOption) -> list[str]:
    scheme = reading.design.scheme
    roles = [ink.role for ink in scheme.pattern(option.pattern).inks] if option.pattern else [option.role]
    return [_look(reading, role) for role in roles]


def _look(reading: Reading, role: str) -> str:
    """The colour of a role on rank and file."""
    tones = reading.tones(role, "rank") if role else None
    return hex_of(tones.flats) if tones else GAP


def _stands(army, reading: Reading, unit: Node, cast: UnitCast) -> list[list[list]]:
    """Stands, rows of each, and in them the pictures of the figures with number and key."""
    muster = Muster(army, reading, {}, "", painted=False)
    figures = [(rank, ordinal) for rank in unit.ranks for ordinal in range(1, rank.figures + 1)]
    shown = []
    for number, (rank, ordinal) in enumerate(figures, 1):
        one = reading.resolution.of(Figure(unit.id, rank.id, ordinal))
        pinned = any(pin[:2] == (rank.id, ordinal) for pin in cast.pins)
        shown.append((number, f"{rank.id}|{ordinal}", muster.picture(unit, one, ordinal, _TALL), pinned))
    stands = [shown[at : at + cast.stand] for at in range(0, len(shown), cast.stand)]
    return [[stand[at : at + cast.abreast] for at in range(0, len(stand), cast.abreast)] for stand in stands]


def _judged(request, army, reading: Reading, cast: UnitCast, found: Told) -> dict:
    """What is wrong, pots, openings, and the longer search if something is wrong."""
    faults = found.cast.faults
    opened, one_by_one = openings_of(found)
    job = _search(army, reading, cast, again="again" in request.GET) if faults else None
    better = job.result["faults"] if job and job.state == Job.State.DONE else None
    said = dict.fromkeys(fault_words(reading.design, cast, found, one) for one in faults)
    return {
        "told": found, "faults": list(said)[:_MOST_TOLD], "more_faults": max(0, len(said) - _MOST_TOLD),
        "faulty": {figure + 1 for one in faults for figure in one.figures}, "unavoidable": least_clashes(found.band),
        "pots": [(reading.design.scheme.role(pot.role).name, _colours(reading, CastOption("", pot.role))[0], pot) for pot in pots_worn(cast, found)],
        "opened": opened, "one_by_one": one_by_one, "job": job if job and job.state != Job.State.DONE else None,
        "better": better if better is not None and better < len(faults) else None, "count": len(faults),
        "searched": better is not None,
    }  # fmt: skip


def _opened(request, reading: Reading, cast: UnitCast) -> dict:
    """The figure that is open, with what each of its garments is and may be."""
    rank, _, number = request.GET.get("figure", "").partition("|")
    ordinal = whole_number(number, 10**5)
    worn = cast.worn_by(rank, ordinal) if ordinal else ()
    if not worn:
        return {}
    pinned = {(pin[2], pin[3]) for pin in cast.pins if pin[:2] == (rank, ordinal)}
    form = CastForm(reading.design, cast)
    rows = [
        (
            garment,
            [(option.id, form.named(option), option.id == own) for option in garment.options],
            (garment.id, own) in pinned,
        )
        for garment, own in zip(cast.garments, worn, strict=True)
    ]
    return {
        "figure": f"{rank}|{ordinal}",
        "figure_called": reading.design.army.called(cast.unit, rank, ordinal),
        "wears": rows,
    }


def _search(army, reading: Reading, cast: UnitCast, *, again: bool = False) -> Job:
    """The job that searches longer for a cast."""
    kept = sorted(_painted(army, cast.unit))
    looks = [[_colours(reading, option) for option in one.options] for one in cast.garments]
    written = {name: value for name, value in write_cast(cast).items() if name != "drawn"}
    figures = [[rank.id, rank.figures] for rank in reading.design.army.nodes[cast.unit].ranks]
    return answer_to(
        army, SEARCHED, [written, kept, looks, figures], _address(army, cast.unit), again=again, edition=army.head_id, unit=cast.unit,
        kept=[list(one) for one in kept],
    )  # fmt: skip


def cast_searched(job: Job):
    """Search with all the steps there are. The result: what was drawn, and how much is wrong with it."""
    yield Step(0, 1)
    design = reading_of(Edition.objects.get(pk=job.asked["edition"])).design
    cast = _cast_of(design, job.asked["unit"])
    kept = [(rank, ordinal) for rank, ordinal in job.asked["kept"]]
    made = _cast_of(with_cast(design, cast, kept), cast.unit)
    found = told(design, made)
    yield Step(
        1,
        1,
        {"drawn": [[rank, [list(row) for row in rows]] for rank, rows in made.drawn], "faults": len(found.cast.faults)},
    )


def _address(army, unit: str, figure: str = "") -> str:
    query = {"unit": unit} | ({"figure": figure} if figure else {})
    return f"{reverse('variety', args=[army.pk])}?{urlencode(query)}"


@login_required
@require_POST
def draw_cast(request, army_id):
    """Deal anew by the form; deal to new figures; take what a longer search found; or take the cast away."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    unit = next((one for one in reading.design.army.units if one.id == request.POST.get("unit") and one.figures), None)
    if unit is None:
        raise Http404
    known, do = _cast_of(reading.design, unit.id), request.POST.get("do", "draw")
    title = reading.design.army.title(unit.id)
    if do == "off":
        apply(request, army, lambda design: without_cast(design, unit.id), f"{title} is not cast any more")
        return redirect(_address(army, unit.id))
    if do in ("add", "take") and known:
        _go_on(request, army, reading, known, do, title)
        return redirect(_address(army, unit.id))
    form = CastForm(reading.design, known or usual_cast(reading.design, reading.resolution, unit.id), request.POST)
    if not form.is_valid():
        return _page(request, army, 422, form)
    painted = _painted(army, unit.id)

    def change(design: Design) -> Design:
        after, cast = form.changed(design)
        cast = replace(cast, seed=(cast.seed + 1) % 1_000_000) if do == "again" else cast
        return with_cast(after, cast, painted, QUICK)

    try:
        apply(request, army, change, f"{title} cast")
    except MantelloError as error:
        return _page(request, army, 422, refused(form, error))
    return redirect(_address(army, unit.id))


def _go_on(request, army, reading: Reading, known: UnitCast, do: str, title: str) -> None:
    """Deal to new figures while nobody else changes, or take what the longer search found."""
    if do == "add":
        there = [(rank, ordinal) for rank, rows in known.drawn for ordinal in range(1, len(rows) + 1)]
        apply(
            request,
            army,
            lambda design: with_cast(design, known, there, QUICK),
            f"{title}: new figures cast, nobody else changed",
        )
        return
    job = _search(army, reading, known)
    if job.state != Job.State.DONE:
        raise Http404
    drawn = tuple((rank, tuple(map(tuple, rows))) for rank, rows in job.result["drawn"])

    def taken(design: Design) -> Design:
        casts = tuple(replace(one, drawn=drawn) if one.unit == known.unit else one for one in design.scheme.casts)
        return with_scheme(design, replace(design.scheme, casts=casts))

    apply(request, army, taken, f"{title} cast by the longer search")


@login_required
@require_POST
def pin_figure(request, army_id):
    """Choose what one figure wears, and keep it so; everybody else stays."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    known = _cast_of(reading.design, request.POST.get("unit", ""))
    figure = request.POST.get("figure", "")
    rank, _, number = figure.partition("|")
    ordinal = whole_number(number, 10**5) or 0
    if known is None or not known.worn_by(rank, ordinal or 10**6):
        raise Http404
    others = tuple(pin for pin in known.pins if pin[:2] != (rank, ordinal))
    chosen = {garment.id: request.POST.get(f"wear-{garment.id}", "") for garment in known.garments}
    if any(garment.option(chosen[garment.id]) is None for garment in known.garments):
        raise Http404
    pins = (
        ()
        if request.POST.get("do") == "free"
        else tuple((rank, ordinal, id_, option) for id_, option in chosen.items())
    )
    rest = [(id_, at) for id_, rows in known.drawn for at in range(1, len(rows) + 1) if (id_, at) != (rank, ordinal)]
    words = f"{reading.design.army.called(known.unit, rank, ordinal)}: {'chosen' if pins else 'dealt anew'}"
    apply(request, army, lambda design: with_cast(design, replace(known, pins=(*others, *pins)), rest, QUICK), words)
    return redirect(_address(army, known.unit, figure))


@login_required
@require_safe
def cast_sheet(request, army_id):
    """Who wears what, to print."""
    army = army_for(request, army_id)
    unit = request.GET.get("unit", "")[:80]
    if _cast_of(reading_of(army.head).design, unit) is None:
        raise Http404
    return paper(request, army, "cast", "who-wears-what.pdf", unit=unit)


@paper_kind("cast", "Who wears what")
def cast_page(army, asked) -> str:
    """The list pot by pot and figure by figure, with the stands drawn."""
    reading = reading_of(army.head)
    cast = _cast_of(reading.design, asked["unit"])
    unit = reading.design.army.nodes[cast.unit]
    found = told(reading.design, cast)
    form = CastForm(reading.design, cast)
    figures = []
    for number, (rank, ordinal) in enumerate(found.figures if found else (), 1):
        one = reading.resolution.of(Figure(unit.id, rank, ordinal))
        worn = cast.worn_by(rank, ordinal)
        rows = [
            (garment.name, form.named(garment.option(own))) for garment, own in zip(cast.garments, worn, strict=True)
        ]
        figures.append(
            (
                number,
                reading.design.army.called(unit.id, rank, ordinal),
                mark_safe(reading.drawn(one, one.plate.views[0].name, detail="small", seed=ordinal)),
                rows,
            )
        )
    pots = [(reading.design.scheme.role(pot.role).name, pot) for pot in pots_worn(cast, found)] if found else []
    context = {"title": reading.design.army.title(unit.id), "army": army, "figures": figures, "pots": pots}
    return render_to_string("scheme/cast_sheet.html", context)
