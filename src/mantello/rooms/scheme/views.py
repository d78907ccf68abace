"""The Scheme room: plate with ladder, mapping table, rules and distinctions, checks."""

import csv
from dataclasses import replace
from urllib.parse import parse_qsl, urlencode

from django.contrib.auth.decorators import login_required
from django.http import HttpResponse
from django.shortcuts import redirect, render
from django.template.loader import render_to_string
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST, require_safe

from mantello.shell.download import download, file_of
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.looking import looking
from mantello.workspace.muster import Muster
from mantello.workspace.page import apply, apply_given, army_for, back, room_page
from mantello.workspace.reading import NEUTRAL
from mantello.workspace.readings import reading_of
from mantello_core.checks.finding import class_title
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import hex_of
from mantello_core.design import edit, rung_edit
from mantello_core.design.bearing import device_words
from mantello_core.design.preview import changed
from mantello_core.figures.synonym import synonyms
from mantello_core.figures.vocabulary import spoken
from mantello_core.formats.spreadsheet import harmless
from mantello_core.numerals import whole_number

from .forms import RoleForm
from .ladder import areas_said, effect_of, rows_of
from .mass import mass_svg
from .pick import exact_pick, pick_from
from .placing import site_rows
from .stage import stage_svg
from .table import SHOWS, columns_of, groups_of, usual_formation


@login_required
@require_safe
def scheme(request, army_id):
    """One figure's plate on the stage, roles on the left, the ladder on the right."""
    return _plate_page(request, army_for(request, army_id))


def _plate_page(request, army, status=200, role_form=None):
    reading = reading_of(army.head)
    pick = pick_from(reading, request.GET)
    context = {"title": "Scheme", "role_form": role_form or RoleForm(catalogue_for(army)), "view": "plate"}
    if pick is None:
        return room_page(request, army, "scheme", "scheme/empty.html", context, status)
    panel = _panel(pick)
    context |= panel | {
        "stage": mark_safe(
            mass_svg(pick) if pick.massed else stage_svg(pick, render_to_string("scheme/callout.html", panel))
        ),
        "looking": looking(pick.seeing, dict(parse_qsl(replace(pick, seeing=NEUTRAL).query()))),
        "tried": _base_hex(reading, pick),
        "ranks": _ranks(army, reading, pick),
        "units": [(unit.id, reading.design.army.title(unit.id)) for unit in reading.design.army.units if unit.ranks],
        "neighbours_around": _around(reading, pick),
        "next_gap": _next_gap(reading, pick),
        "areas": [
            (
                name,
                spoken(name),
                _role_words(reading, cell),
                _label(pick, name),
                pick.query(area=name, rung="", role=""),
            )
            for name, cell in pick.figures.cells.items()
        ],
    }
    return room_page(request, army, "scheme", "scheme/plate.html", context, status)


def _base_hex(reading, pick):
    """The base tone of the role in hand, as a colour input takes it."""
    tones = reading.tones(pick.role) if pick.role else None
    return hex_of(tones.flats) if tones else "#808080"


def _panel(pick):
    """What the ladder column shows."""
    reading = pick.reading
    rows = rows_of(pick)
    return {
        "pick": pick,
        "rungs": rows,
        "winner": next((row for row in rows if row.state == "win"), None),
        "worn": reading.tones(pick.cell.role, pick.figures.tier),
        "effect": effect_of(pick) if pick.role else None,
        "area_name": spoken(pick.area),
        "about_area": pick.plate.areas[pick.area],
        "site_rows": site_rows(pick),
        "also_called": synonyms(pick.area)[:4],
        "pick_title": class_title(reading.design.army, pick.figures),
        "roles": [
            (
                group,
                [
                    (role, reading.shares.get(role.id, 0.0), reading.tones(role.id), pick.query(role=role.id))
                    for role in members
                ],
            )
            for group, ids in reading.role_groups
            for members in [[reading.design.scheme.role_by_id[id_] for id_ in ids]]
        ],
        "role_name": reading.design.scheme.role_by_id[pick.role].name if pick.role else "",
        "instead_of": reading.design.scheme.role(pick.cell.instead_of).name if pick.cell.instead_of else "",
        "worn_name": _role_words(reading, pick.cell),
        "worn_paint": _paint_words(reading, pick.cell),
    }


def _paint_words(reading, cell) -> str:
    """The paint of an area's base; of a pattern its inks."""
    roles = reading.design.scheme.role_by_id
    if cell.pattern:
        return ", ".join(roles[ink].name for ink in cell.inks)
    return roles[cell.role].paint_name if cell.role else ""


def _role_words(reading, cell):
    if cell.role is None:
        return "no colour yet"
    if cell.pattern:
        return reading.design.scheme.pattern(cell.pattern).name
    return reading.design.scheme.role_by_id[cell.role].name if cell.role else "left bare"


def _label(pick, area):
    for number, view in enumerate(pick.plate.views):
        for seen in view.areas:
            if seen.area == area:
                return f"{number} {seen.label[0]:g} {seen.label[1]:g}"
    return ""


def _ranks(army, reading, pick):
    muster = Muster(army, reading, {}, "", painted=False, seeing=pick.seeing)
    return [
        (
            one,
            muster.picture(pick.unit, one, one.ordinals[0], 88),
            pick.query(rank=one.rank, figure=one.ordinals[0], rung=""),
            one == pick.figures,
        )
        for one in reading.resolution.of_unit(pick.figure.unit)
    ]


def _around(reading, pick):
    """Links to the ranks and units before and after, for keys."""
    units = [unit for unit in reading.design.army.units if unit.ranks]
    at = units.index(pick.unit)
    ranks = [rank.id for rank in pick.unit.ranks]
    here = ranks.index(pick.figure.rank)
    return [
        ("[", pick.query(rank=ranks[here - 1], figure=1, rung="")),
        ("]", pick.query(rank=ranks[(here + 1) % len(ranks)], figure=1, rung="")),
        ("{", pick.query(unit=units[at - 1].id, rung="")),
        ("}", pick.query(unit=units[(at + 1) % len(units)].id, rung="")),
    ]


def _next_gap(reading, pick):
    gaps = [(one, area) for one, area in reading.resolution.gaps]
    if not gaps:
        return ""
    places = [(one.unit, one.rank, area) for one, area in gaps]
    here = (pick.figure.unit, pick.figure.rank, pick.area)
    at = (places.index(here) + 1) % len(gaps) if here in places else 0
    one, area = gaps[at]
    return pick.query(unit=one.unit, rank=one.rank, figure=one.ordinals[0], area=area, rung="", role=pick.role)


@login_required
@require_safe
def stage(request, army_id):
    """The stage alone: as the last edit found it, or with front and back in each other's place; nothing where there is no edit."""
    army = army_for(request, army_id)
    edition = army.head.parent if request.GET.get("before") else army.head
    pick = pick_from(reading_of(edition), request.GET) if edition else None
    if pick is None:
        return HttpResponse(status=204)
    return HttpResponse(stage_svg(pick, turned=bool(request.GET.get("turned"))))


@login_required
@require_safe
def table(request, army_id):
    """The mapping table, with the ladder of the chosen cell."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    pick = pick_from(reading, request.GET)
    if pick is None:
        context = {"title": "Scheme", "role_form": RoleForm(catalogue_for(army)), "view": "table"}
        return room_page(request, army, "scheme", "scheme/empty.html", context)
    show = request.GET.get("show") if request.GET.get("show") in SHOWS else "all"
    query = request.GET.get("q", "")[:80]
    muster = Muster(army, reading, {}, "", painted=False)
    columns = columns_of(reading)
    against = _against(request.GET.get("with", ""), columns)
    mine = next(at for at, column in enumerate(columns) if column.one == pick.figures)
    only = (mine, against) if against is not None and against != mine else ()
    within = _within(request.GET.get("in"), reading, pick)
    shown = [columns[at] for at in only] if only else columns_of(reading, within)
    asked = {"in": within or "all"} | ({"with": str(against)} if only else {})
    pictures = [
        muster.picture(reading.design.army.nodes[column.one.unit], column.one, column.one.ordinals[0], 54)
        for column in shown
    ]
    tones = {(cell.role, one.tier) for one in reading.resolution.classes for cell in one.cells.values() if cell.role}
    context = _panel(pick) | {
        "title": "Mapping table",
        "view": "table",
        "columns": list(zip(shown, pictures, strict=True)),
        "all_columns": list(enumerate(columns)),
        "against": against,
        "groups": groups_of(reading, [column.one for column in shown], show, query, differing=bool(only)),
        "within": within,
        "formations": [node for node in reading.design.army.root.children if not node.is_unit],
        "asked": asked.items(),
        "show": show,
        "query": query,
        "shows": [(id_, words, f"{pick.query()}&{urlencode(asked)}&show={id_}") for id_, words in SHOWS.items()],
        "tones": [(f"{role}-{tier}", reading.tones(role, tier)) for role, tier in sorted(tones)],
        "beside": _beside(pick),
        "next_gap": _next_gap(reading, pick),
        "neighbours_around": _around(reading, pick),
    }
    return room_page(request, army, "scheme", "scheme/table.html", context)


def _within(asked, reading, pick):
    """The formation whose columns are shown; '' for the whole army."""
    if asked is None:
        return usual_formation(reading, pick.figure.unit)
    return asked if asked in reading.design.army.nodes else ""


def _against(text, columns):
    """The index of the column to compare with, if one is asked for."""
    return whole_number(text, len(columns) - 1) if columns else None


@login_required
@require_safe
def table_csv(request, army_id):
    """The mapping table as comma-separated values."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    response = download("", file_of(army.name, "mapping.csv"), "text/csv; charset=utf-8")
    writer = csv.writer(response)
    columns = columns_of(reading)
    heads = [f"{column.rank}, {column.unit} ({column.figures})" for column in columns]
    writer.writerow(map(harmless, ["area", "name", *heads]))
    for _, rows in groups_of(reading, [column.one for column in columns]):
        for row in rows:
            writer.writerow(map(harmless, [row.key, row.name, *(_cell_text(reading, cell) for cell in row.cells)]))
    return response


def _cell_text(reading, cell):
    if cell is None:
        return ""
    words = _role_words(reading, cell.cell)
    paint = reading.design.scheme.role_by_id[cell.cell.role].paint_name if cell.cell.role else ""
    sites = cell.one.plate.sites.get(cell.area, ())
    marks = [
        device_words(reading.design.scheme, cell.one.borne[site.id].placement.device)
        for site in sites
        if site.id in cell.one.borne
    ]
    return "".join([words, f": {paint}" if paint else "", f"; bears {', '.join(marks)}" if marks else ""])


def _beside(pick):
    """The areas that touch the picked one, and how different they look."""
    reading, cells = pick.reading, pick.figures.cells
    mine = pick.cell.role
    found = []
    for name, seam in sorted(pick.plate.neighbours[pick.area].items(), key=lambda item: -item[1]):
        other = cells[name].role
        if not other or not mine or other == mine:
            continue
        one, two = (reading.prediction(role, pick.figures.tier).apparent for role in (mine, other))
        apart = difference(one, two)
        found.append(
            (
                spoken(name),
                one,
                two,
                apart,
                "clear" if apart >= reading.design.scheme.aims.threshold("neighbours") else "look",
                seam,
            )
        )
    return found[:6]


@login_required
@require_safe
def preview(request, army_id):
    """What setting the role in hand at a rung would change: the fragment under the ladder."""
    army = army_for(request, army_id)
    pick = exact_pick(reading_of(army.head), request.GET)
    context = {"effect": effect_of(pick), "pick": pick, "area_name": spoken(pick.area)}
    return render(request, "scheme/preview.html", context)


@login_required
@require_POST
def set_here(request, army_id):
    """Let the role in hand be worn on the picked areas from a rung down."""
    army = army_for(request, army_id)
    pick = exact_pick(reading_of(army.head), request.POST)

    apply(request, army, pick.set_in, _told(pick.rung, pick, "set"))
    return back(request, "scheme", army.pk)


@login_required
@require_POST
def clear_here(request, army_id):
    """Take away what is set for the picked area at a rung, so that it falls back."""
    army = army_for(request, army_id)
    pick = exact_pick(reading_of(army.head), request.POST)
    apply(
        request,
        army,
        lambda design: rung_edit.clear_here(design, pick.figure, pick.area, pick.rung),
        _told(pick.rung, pick, "cleared"),
    )
    return back(request, "scheme", army.pk)


def _told(rung, pick, verb):
    """Words of an edit of the ladder: what, where, and how many figures and areas it changed."""

    def words(before, after):
        counts = changed(before, after)
        kind = pick.rungs[rung - 1].kind.capitalize()
        role = before.scheme.role_by_id[pick.role].name if pick.role else "Bare"
        what = f"{role} set" if verb == "set" else "Cleared"
        areas = (*pick.areas, *(area for _, area in pick.also))
        return f"{what} on {areas_said(areas)} at {rung} {kind}: {counts.words} changed"

    return words


@login_required
@require_POST
def new_role(request, army_id):
    """Add a colour role."""
    army = army_for(request, army_id)
    form = RoleForm(catalogue_for(army), request.POST)
    if apply_given(
        request,
        army,
        form,
        lambda design, given: edit.with_new_role(
            design, given["name"], form.catalogue.paint(given["paint"]) if given["paint"] else None
        )[0],
        "Role {name} added",
    ):
        word = form.cleaned_data["word"]
        if word is None:
            return back(request, "scheme", army.pk)
        made = reading_of(army.head).design.scheme.roles[-1].id
        return redirect(
            f"{reverse('match', args=[army.pk])}?{urlencode({'word': word.words, 'role': made, 'colour': ''})}"
        )
    return _plate_page(request, army, 422, role_form=form)


@login_required
@require_POST
def rename_role(request, army_id, role):
    """Rename a colour role."""
    army = army_for(request, army_id)
    name = request.POST.get("name", "")
    apply(request, army, lambda design: edit.with_renamed_role(design, role, name), f"Role renamed to {name.strip()}")
    return back(request, "recipes", army.pk)


@login_required
@require_POST
def remove_role(request, army_id, role):
    """Remove a colour role that nothing names."""
    army = army_for(request, army_id)
    name = reading_of(army.head).design.scheme.role(role).name
    apply(request, army, lambda design: edit.without_role(design, role), f"Role {name} removed")
    return redirect("recipes", army.pk)
