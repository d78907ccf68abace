"""The almanac: what sources say regiments wore, which of them is worn, and why."""

from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.almanacs.models import Almanac
from mantello.almanacs.swatches import swatch
from mantello.shell.download import download, file_of
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.formats.almanac_document import almanac_bytes
from mantello_core.formats.sample import dress_almanac
from mantello_core.numerals import whole_number
from mantello_core.uniforms.almanac import Almanac as Said
from mantello_core.uniforms.almanac import with_certainty, with_settled
from mantello_core.uniforms.bibliography import anachronisms
from mantello_core.uniforms.dress import FIRST_YEAR, LAST_YEAR
from mantello_core.uniforms.fact import CERTAINTIES
from mantello_core.uniforms.garments import title_of
from mantello_core.uniforms.verdict import STATUSES

from .almanac_sheet import RANKS, asked_cell, cloth_of, ladder_of, seen_of, sheet_of, size_of
from .bringing import address_of, bringing

#: years shown on either side of what an almanac tells
_AROUND = 3
#: regiments that are shown at once
_ROWS = 60
#: heights of figures that marks may be looked at, mm
_HEIGHTS = ("6", "10", "15", "20", "28", "54")


def almanac_asked(request, army) -> Almanac | None:
    """The almanac that an address names, else the one the army wears, else the first there is; None for none."""
    mine = Almanac.objects.visible_to(request.user)
    given = request.GET.get("almanac") or request.POST.get("almanac", "")
    if given:
        return get_object_or_404(mine, pk=whole_number(given, 2**62) or 0)
    dress = reading_of(army.head).design.scheme.dress
    worn = mine.filter(pk=whole_number(dress.origin, 2**62)).first() if dress else None
    return worn or mine.first()


def year_asked(given, said: Said) -> int:
    """The year an address names, else the almanac's own, else the last that it tells of."""
    year = whole_number(given.get("year", ""), LAST_YEAR)
    if year is not None and year >= FIRST_YEAR:
        return year
    return said.year or max(_years(said), default=1)


def _years(said: Said) -> list[int]:
    periods = [year for fact in said.facts for year in (fact.period.since, fact.period.until) if year]
    return periods + [one.year for one in said.sources if one.year]


@login_required
@require_safe
def almanac(request, army_id):
    """Regiments by garments in a year; one cell open, with its ladder."""
    army = army_for(request, army_id)
    job, there = bringing(request, army)
    if there:
        return redirect(there)
    kept = almanac_asked(request, army)
    context = {
        "title": "Dress",
        "view": "dress",
        "tab": "almanac",
        "kept": kept,
        "almanacs": Almanac.objects.named_for(request.user),
    }
    if kept is None:
        return room_page(request, army, "scheme", "scheme/almanac_none.html", context | {"job": job})
    said = kept.as_core()
    year = year_asked(request.GET, said)
    years = _years(said) or [year]
    army_height, metres = size_of(reading_of(army.head).design)
    asked_height = request.GET.get("height", "") if request.GET.get("height", "") in _HEIGHTS else ""
    height = float(asked_height or army_height)
    only_open = request.GET.get("only") == "open"
    sheet = sheet_of(kept, year, height, metres, only_open=only_open)
    cell = asked_cell(said, request.GET, year)
    number = whole_number(request.GET["of"], 10**6) if cell else None
    context |= {
        "said": said, "year": year, "first": min(*years, year) - _AROUND, "last": max(*years, year) + _AROUND,
        "across": [(one, title_of(one)) for one in sheet.table.across], "only_open": only_open, "to_settle": sheet.table.to_settle,
        "seen": sheet.seen, "heights": _HEIGHTS, "army_height": army_height, "asked_height": asked_height, "statuses": STATUSES,
        "mistaken": sheet.mistaken, "more_mistaken": sheet.more_mistaken, "height": height, "metres": metres,
        "here_query": _query(kept, year, asked_height, only_open=only_open),
    } | _rows_shown(request, sheet.table.rows, number)  # fmt: skip
    if cell:
        context |= _opened(kept, said, *cell, year, height, metres) | {"number": number}
    return room_page(request, army, "scheme", "scheme/almanac.html", context)


def _rows_shown(request, rows, number: int | None) -> dict:
    """A page of a long table: the one that is asked for, else the one that the open cell is on; and where the others begin."""
    opened = next((at for at, row in enumerate(rows) if row[0] == number), 0)
    begin = min(whole_number(request.GET.get("from", ""), 10**6) or opened, max(0, len(rows) - 1)) // _ROWS * _ROWS
    pages = []
    for at in range(0, len(rows), _ROWS):
        first, last = rows[at][1].called, rows[min(at + _ROWS, len(rows)) - 1][1].called
        pages.append((at, first, last if last != first else "", at == begin))
    return {"rows": rows[begin : begin + _ROWS], "pages": pages if len(pages) > 1 else []}


def _query(kept: Almanac, year: int, height: str, *, only_open: bool) -> str:
    plain = {"almanac": kept.pk, "year": year} | ({"height": height} if height else {})
    return urlencode(plain | ({"only": "open"} if only_open else {}))


def _opened(kept: Almanac, said: Said, who, verdict, year: int, height: float, metres: float) -> dict:
    ground = verdict.value.ground if verdict.value else None
    pictured = set(kept.pictures.values_list("fact", flat=True))
    return {
        "who": who, "cell": swatch(verdict), "ladder": ladder_of(said, verdict),
        "cloth": cloth_of(ground, verdict.garment) if ground and not ground.refers_to else [],
        "sight": seen_of(said, who, verdict, year, height, metres),
        "anachronisms": [words for about, words in anachronisms(said, who, year) if about == (verdict.garment,) or (verdict.garment in about and verdict.status != "assumed")], "certainties": CERTAINTIES, "pictured": pictured, "rank": who.rank, "ranks": RANKS.items(),
        "settled": verdict.status == "settled",
    }  # fmt: skip


@login_required
@require_POST
def settle(request, army_id):
    """Settle a cell on one fact, open it again, or hold a fact for surer or less sure."""
    army = army_for(request, army_id)
    kept = almanac_asked(request, army)
    if kept is None:
        raise Http404
    said = kept.as_core()
    year = year_asked(request.POST, said)
    cell = asked_cell(said, request.POST, year)
    if cell is None:
        raise Http404
    who, verdict = cell
    fact, certainty = request.POST.get("fact", "")[:12], request.POST.get("certainty", "")
    if certainty:
        kept.change(lambda now: with_certainty(now, fact, certainty))
    else:
        kept.change(lambda now: with_settled(now, who, verdict.garment, fact))
    query = {"almanac": kept.pk, "year": year, "of": request.POST["of"], "garment": verdict.garment} | (
        {"rank": who.rank} if who.rank else {}
    )
    return redirect(f"{reverse('almanac', args=[army.pk])}?{urlencode(query)}")


@login_required
@require_POST
def keep_sample(request, army_id):
    """Keep the invented almanac of the year 212, to try things with."""
    army = army_for(request, army_id)
    kept = Almanac.objects.keep(request.user, dress_almanac())
    return redirect(address_of(army, kept.pk))


@login_required
@require_safe
def almanac_file(request, army_id):
    """The almanac as an open document."""
    army = army_for(request, army_id)
    kept = almanac_asked(request, army)
    if kept is None:
        raise Http404
    return download(almanac_bytes(kept.as_core()), file_of(army.name, "almanac.json"), "application/json")
