"""Rosters read and written, and the design written out."""

from dataclasses import dataclass

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_http_methods, require_safe

from mantello.shell.download import download, file_of
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import TIERS
from mantello_core.army.tree import Army as CoreArmy
from mantello_core.army.types_found import types_found
from mantello_core.design import muster as tree
from mantello_core.errors import MantelloError
from mantello_core.formats.document.design import design_bytes
from mantello_core.formats.roster.line import FIELDS, REPEAT, RosterLine, read_line
from mantello_core.formats.roster.reading import Roster, read_roster
from mantello_core.formats.roster.repeats import with_repeats_asked
from mantello_core.formats.roster.table import MOST_LINES
from mantello_core.formats.roster.writing import write_roster, write_roster_json
from mantello_core.numerals import whole_number

from .forms import RosterForm

#: figure types that are offered for a word that is none
_OFFERED = 4
#: rows of a table that are shown where its columns are chosen, and the most columns that a page sends
_SHOWN, _MOST_COLUMNS = 10, 60
#: what ticked lines can be given at once
_BULK = ("type", "figures", "formation", "tier")


@dataclass(frozen=True)
class Row:
    """One line on the page, with what was ticked at it."""

    at: int
    line: RosterLine
    near: tuple[str, ...] = ()
    skip: bool = False
    more: bool = False
    pick: bool = False


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def roster(request, army_id):
    """Paste or upload a roster; lines in doubt come back for correction."""
    army = army_for(request, army_id)
    force = reading_of(army.head).design.army
    if request.method != "POST":
        return room_page(request, army, "army", "army/roster.html", _roster(force, RosterForm(army=force)))
    if "line" in request.POST:
        return _corrected(request, army)
    if "columns" in request.POST:
        return _by_hand(request, army)
    form = RosterForm(request.POST, request.FILES, army=force)
    if not form.is_valid():
        return room_page(request, army, "army", "army/roster.html", _roster(force, form), 422)
    return taken(request, army, form.cleaned_data["roster"], form.cleaned_data["source"])


def _roster(force, form):
    return {"form": form, "title": "Roster", "types_list": force.type_titles.items()}


def taken(request, army, found: Roster, source: str):
    """Take a roster that was read; what is in doubt, or should be looked at, comes back and nothing is taken yet."""
    rows, clear = looked_at(found, reading_of(army.head).design.army)
    if not clear:
        return asked_back(request, army, rows, found, source)
    return _added(request, army, rows, found, source)


def looked_at(found: Roster, force: CoreArmy) -> tuple[list[Row], bool]:
    """The lines of a roster for an army, and whether they can be taken without another look."""
    rows = _rows(with_repeats_asked(found.lines, force), force)
    return rows, all(row.line.entry for row in rows) and not any(one.matters for one in found.told)


def _by_hand(request, army):
    """The list read again by the columns that the painter chose."""
    source = request.POST.get("source", "")
    form = RosterForm({"text": source}, army=reading_of(army.head).design.army)
    found = None
    try:
        found = _read_again(request, army)
        refused = "" if found else "The list itself did not come along; paste it again."
    except MantelloError as error:
        refused = error.message
    if found is None:
        if form.is_valid():
            form.add_error("text", refused)
        return room_page(request, army, "army", "army/roster.html", _roster(form.army, form), 422)
    rows, _ = looked_at(found, form.army)
    return asked_back(request, army, rows, found, source)


def _read_again(request, army) -> Roster | None:
    """The list that the lines were read from, by columns as chosen; None if it did not come along."""
    source = request.POST.get("source", "")
    if not source.strip():
        return None
    header = request.POST.get("header", "")
    columns = [request.POST.get(f"column-{at}") for at in range(_MOST_COLUMNS)]
    chosen = [one for one in columns if one is not None] or None
    return read_roster(
        source,
        reading_of(army.head).design.army.type_titles,
        whole_number(header, 10**4),
        chosen,
    )


def _corrected(request, army):
    given = request.POST
    numbers = given.getlist("line")[:MOST_LINES]
    force = reading_of(army.head).design.army
    places = range(1, len(numbers) + 1)
    picked = {at for at in places if given.get(f"pick-{at}")}
    skipped = {at for at in places if given.get(f"skip-{at}")}
    more = {at for at in places if given.get(f"more-{at}")}
    bulk = given.get("bulk", "")
    if bulk == "leave":
        skipped |= picked
    if bulk == "more":
        more |= picked
    tapped = _tapped(request, [at for at in places if at not in skipped])
    lines = []
    for at, number in zip(places, numbers, strict=True):
        values = {field: given.get(f"{field}-{at}", "") for field in FIELDS}
        values["type"] = tapped.get(values["type"].strip().casefold(), values["type"])
        if bulk == "give" and at in picked:
            values |= {field: said for field in _BULK if (said := given.get(f"bulk-{field}", "").strip())}
        said = whole_number(number, 10**9)
        lines.append(read_line(at if said is None else said, values, force.type_titles))
    kept = [at for at in places if at not in skipped]
    asked = with_repeats_asked(
        [lines[at - 1] for at in kept], force, {place for place, at in enumerate(kept) if at in more}
    )
    for at, line in zip(kept, asked, strict=True):
        lines[at - 1] = line
    rows = _rows(lines, force, skipped, more, picked if bulk else None)
    try:
        found = _read_again(request, army)
    except MantelloError:
        found = None
    source = given.get("source", "")
    if bulk or any(row.line.entry is None and not row.skip for row in rows):
        return asked_back(request, army, rows, found, source)
    return _added(request, army, rows, found, source)


def _tapped(request, places) -> dict[str, str]:
    """The type whose picture was tapped, by the word that it stands for: one answer for every line that has the word."""
    found = {}
    for at in places:
        word, type_id = (
            request.POST.get(f"type-{at}", "").strip().casefold(),
            request.POST.get(f"near-{at}", ""),
        )
        if type_id:
            found.setdefault(word, type_id)
    return found


def _rows(lines, force, skipped=(), more=(), picked=None) -> list[Row]:
    """Lines as rows of the page; types that a word may mean stand at the first line that has it."""
    seen, rows = set(), []
    for at, line in enumerate(lines, 1):
        word, near = line.values["type"].casefold(), ()
        if "type" in line.doubts and word not in seen and at not in skipped:
            seen.add(word)
            near = types_found(force, word, _OFFERED) or tuple(force.type_titles)[:_OFFERED]
        pick = "type" in line.doubts if picked is None else at in picked
        rows.append(Row(at, line, near, at in skipped, at in more, pick))
    return rows


def _added(request, army, rows, found, source):
    entries = [row.line.entry for row in rows if not row.skip]
    figures = sum(entry.figures for entry in entries)
    try:
        apply(
            request,
            army,
            lambda design: tree.with_entries(design, entries),
            f"Roster added: {figures} figures in {len(entries)} lines",
        )
    except MantelloError as error:
        return asked_back(request, army, rows, found, source, error)
    return redirect("army", army.pk)


def asked_back(request, army, rows, found, source, refusal=None):
    """The page of lines that need a decision or a look."""
    doubtful = [row for row in rows if row.line.entry is None and not row.skip]
    force = reading_of(army.head).design.army
    table = found.table if found else None
    context = {
        "rows": rows,
        "doubtful": doubtful,
        "figures": sum(row.line.entry.figures for row in rows if row.line.entry and not row.skip),
        "repeats": any(REPEAT in row.line.doubts for row in rows),
        "told": sorted((one for one in found.told if one.kind != "heading"), key=_urgency) if found else (),
        "table": table,
        "shown": _shown(table) if table else (),
        "fields": FIELDS,
        "tiers": TIERS.items(),
        "source": source,
        "types": force.type_titles.items(),
        "title": "Roster, lines in doubt",
        "refusal": refusal,
    }
    return room_page(request, army, "army", "army/roster_lines.html", context, 422 if doubtful or refusal else 200)


def _urgency(one) -> tuple[bool, bool, int]:
    return one.kind != "missing", not one.matters, one.number


def _shown(table):
    """The rows about the line that names the columns."""
    at = next((at for at, (number, _) in enumerate(table.rows) if number == table.header), 0)
    begin = max(0, at - _SHOWN // 2)
    wide = len(table.columns)
    return [(number, [*row[:wide], *[""] * (wide - len(row))]) for number, row in table.rows[begin : begin + _SHOWN]]


@login_required
@require_safe
def export_design(request, army_id):
    """The army and its scheme as an open document."""
    army = army_for(request, army_id)
    return download(design_bytes(reading_of(army.head).design), file_of(army.name, "design.json"), "application/json")


@login_required
@require_safe
def export_roster(request, army_id):
    """The army as a roster."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    text = write_roster(design.army, dict(design.evenings.due))
    return download(text, file_of(army.name, "roster.csv"), "text/csv; charset=utf-8")


@login_required
@require_safe
def export_roster_json(request, army_id):
    """The army as a JSON roster."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    text = write_roster_json(design.army, dict(design.evenings.due))
    return download(text, file_of(army.name, "roster.json"), "application/json")
