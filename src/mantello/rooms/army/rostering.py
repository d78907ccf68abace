"""Rosters read and written, and the design written out."""

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_http_methods, require_safe

from mantello.shell.download import download
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.reading import reading_of
from mantello_core.army.types_found import types_found
from mantello_core.design import muster as tree
from mantello_core.errors import MantelloError
from mantello_core.formats.document.design import design_bytes
from mantello_core.formats.roster import FIELDS, read_line, write_roster, write_roster_json

from .forms import RosterForm

#: figure types that are offered for a word that is none
_OFFERED = 4


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
    form = RosterForm(request.POST, request.FILES, army=force)
    if not form.is_valid():
        return room_page(request, army, "army", "army/roster.html", _roster(force, form), 422)
    return taken(request, army, form.cleaned_data["lines"])


def _roster(force, form):
    return {"form": form, "title": "Roster", "types_list": force.type_titles.items()}


def _corrected(request, army):
    numbers = request.POST.getlist("line")[:2000]
    kept = [number for number in numbers if not request.POST.get(f"skip-{number}")]
    titles = reading_of(army.head).design.army.type_titles
    tapped = _tapped(request, kept)
    lines = []
    for number in kept:
        if number.isdigit() and len(number) < 9:
            values = {field: request.POST.get(f"{field}-{number}", "") for field in FIELDS}
            values["type"] = tapped.get(values["type"].strip().casefold(), values["type"])
            lines.append(read_line(int(number), values, titles))
    return taken(request, army, lines)


def _tapped(request, numbers) -> dict[str, str]:
    """The type whose picture was tapped, by the word that it stands for: one answer for every line that has the word."""
    found = {}
    for number in numbers:
        word, type_id = (
            request.POST.get(f"type-{number}", "").strip().casefold(),
            request.POST.get(f"near-{number}", ""),
        )
        if type_id:
            found.setdefault(word, type_id)
    return found


def _near(force, lines) -> dict[int, tuple[str, ...]]:
    """Types that a line's word may mean, at the first line that has the word."""
    seen, found = set(), {}
    for line in lines:
        word = line.values["type"].casefold()
        if "type" in line.doubts and word not in seen:
            seen.add(word)
            found[line.number] = types_found(force, word, _OFFERED) or tuple(force.type_titles)[:_OFFERED]
    return found


def taken(request, army, lines):
    """Take lines into an army; those in doubt come back for correction and nothing is taken yet."""
    if any(line.entry is None for line in lines):
        return asked_back(request, army, lines)
    entries = [line.entry for line in lines]
    figures = sum(entry.figures for entry in entries)
    try:
        apply(
            request,
            army,
            lambda design: tree.with_entries(design, entries),
            f"Roster added: {figures} figures in {len(entries)} lines",
        )
    except MantelloError as error:
        return asked_back(request, army, lines, error)
    return redirect("army", army.pk)


def asked_back(request, army, lines, refusal=None):
    """The page of lines that need a decision."""
    doubtful = [line for line in lines if line.entry is None]
    force = reading_of(army.head).design.army
    context = {
        "near": _near(force, doubtful) if doubtful else {},
        "lines": lines,
        "doubtful": doubtful,
        "types": force.type_titles.items(),
        "title": "Roster",
        "refusal": refusal,
    }
    return room_page(request, army, "army", "army/roster_lines.html", context, 422)


@login_required
@require_safe
def export_design(request, army_id):
    """The army and its scheme as an open document."""
    army = army_for(request, army_id)
    return download(design_bytes(reading_of(army.head).design), f"mantello-army-{army.pk}.json", "application/json")


@login_required
@require_safe
def export_roster(request, army_id):
    """The army as a roster."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    text = write_roster(design.army, dict(design.evenings.due))
    return download(text, f"mantello-roster-{army.pk}.csv", "text/csv; charset=utf-8")


@login_required
@require_safe
def export_roster_json(request, army_id):
    """The army as a JSON roster."""
    army = army_for(request, army_id)
    design = reading_of(army.head).design
    text = write_roster_json(design.army, dict(design.evenings.due))
    return download(text, f"mantello-roster-{army.pk}.json", "application/json")
