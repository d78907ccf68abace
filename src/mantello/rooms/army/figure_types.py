"""Figure types: the shipped ones, and the painter's own, made from parts or drawn elsewhere."""

from dataclasses import dataclass

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db.models import Q
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_GET, require_http_methods, require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shell.download import download, drawing
from mantello.shell.fields import refused
from mantello.workpieces.models import Workpiece
from mantello.workspace.editing import edit
from mantello.workspace.page import apply, army_for, base_of, room_page
from mantello.workspace.readings import reading_of
from mantello_core.army.types_found import types_found
from mantello_core.design.brief import DRAWN_MM
from mantello_core.design.figure_types import (
    checked_title,
    own_of,
    with_type_titled,
    without_type,
)
from mantello_core.design.joining import size_of, small_areas, with_small_joined, without_joined
from mantello_core.errors import MantelloError
from mantello_core.figures.catalogue import materials_of_areas, plate
from mantello_core.figures.own import OwnType
from mantello_core.figures.part import MATERIALS
from mantello_core.formats.drawing import plate_svg
from mantello_core.formats.figure_drawing import (
    Drawing,
    area_meant,
    sheet_svg,
    template_svg,
    usual_material,
    with_names,
)
from mantello_core.numerals import whole_number

from .borrowing import offered
from .drawn_types import TYPE_DRAWN, named_shapes, type_to_draw
from .forms import DrawingForm, TitleForm
from .maker import Maker, maker_from, wearing


@dataclass(frozen=True)
class TypeRow:
    """One figure type as the page shows it."""

    id: str
    title: str
    own: OwnType | None
    areas: int
    mm2: float
    #: whether mm² were measured in space, not projected
    measured: bool
    figures: int
    views: str
    #: areas too small to paint apart at the army's size, and those that are joined
    small: int
    joined: int


@login_required
@require_safe
def figure_types(request, army_id):
    """Every figure type there is, and the ways to a new one."""
    return _types_page(request, army_for(request, army_id), DrawingForm())


def _types_page(request, army, form, status=200, title_form=None, titled=""):
    design = reading_of(army.head).design
    force, joined, size = design.army, dict(design.army.joined), size_of(design)
    counts: dict[str, int] = {}
    for unit in force.units:
        for rank in unit.ranks:
            counts[rank.type] = counts.get(rank.type, 0) + rank.figures
    own = {one.id: one for one in force.types}
    rows, words = [], request.GET.get("q", "")[:80]
    for type_id in types_found(force, words):
        title = force.type_titles[type_id]
        shape = force.plate(type_id)
        views, measured = ", ".join(view.name for view in shape.views), bool(shape.measured)
        mm2 = shape.extent.surface_mm2 if measured else sum(area.mm2 for area in shape.areas.values())
        small = len(small_areas(design, type_id)) if size < 1 and counts.get(type_id) else 0
        rows.append(
            TypeRow(
                type_id, title, own.get(type_id), len(shape.areas), mm2, measured, counts.get(type_id, 0), views, small,
                len(joined.get(type_id, ())),
            )
        )  # fmt: skip
    forms = {
        id_: title_form if id_ == titled else TitleForm(initial={"title": own[id_].title}, auto_id=f"{id_}_%s")
        for id_ in own
    }
    works = dict(Workpiece.objects.filter(army=army, type_id__in=own).order_by("pk").values_list("type_id", "pk"))
    context = {
        "title": "Figure types", "words": words, "rows": rows, "form": form, "title_forms": forms, "works": works,
        "height": round(DRAWN_MM * size, 1),
        "offered": offered(army, {one.digest for one in own.values()}), "drawn": _drawn(request, army),
    }  # fmt: skip
    return room_page(request, army, "army", "army/figure_types.html", context, status)


@login_required
@require_POST
def join_areas(request, army_id, type_id):
    """Paint what is too small on a type with what it lies beside, or apart again."""
    army = army_for(request, army_id)
    force = reading_of(army.head).design.army
    if type_id not in force.type_titles:
        raise Http404
    apart, title = "apart" in request.POST, force.type_titles[type_id]
    change = without_joined if apart else with_small_joined
    words = (
        f"{title}: all areas painted apart again"
        if apart
        else f"{title}: small areas painted with what they lie beside"
    )
    apply(request, army, lambda design: change(design, type_id), words)
    return redirect("figure-types", army.pk)


@login_required
@require_http_methods(["GET", "HEAD", "POST"])
def make_type(request, army_id):
    """The figure maker: parts chosen, the picture live; saved, they are a type of the painter's own."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    asked = request.POST if request.method == "POST" else request.GET
    old = next((one for one in reading.design.army.types if one.id == asked.get("type")), None)
    maker = maker_from(asked, old)
    if request.method != "POST":
        initial = {"title": old.title if old else asked.get("title", "")[:80]}
        return _maker_page(request, army, maker, TitleForm(initial=initial), old)
    form = TitleForm(request.POST)
    if form.is_valid() and not maker.refusal:
        force = reading.design.army
        try:
            title = checked_title(force, form.cleaned_data["title"], old.id if old else "")
            said = f"{title} drawn anew" if old else f"{title} made from {len(maker.making.parts)} parts"
            if old:  # what somebody else made of it in the meantime is looked at first
                edit(army, base_of(request), lambda design: design, said)
            return _shown_drawing(army, type_to_draw(army, title, said, choice=maker.query, type=old.id if old else ""))
        except MantelloError as error:
            refused(form, error)
    return _maker_page(request, army, maker, form, old, 422)


def _shown_drawing(army, job: Job):
    """To the wall, where the type appears once it is drawn."""
    return redirect(f"{reverse('figure-types', args=[army.pk])}?drawn={job.pk}")


def _drawn(request, army) -> list[Job]:
    """The types that are being drawn, and the one that the address names, however it ended."""
    asked = whole_number(request.GET.get("drawn", ""), 10**12)
    jobs = Job.objects.visible_to(request.user).filter(army=army, kind=TYPE_DRAWN)
    return list(jobs.filter(Q(pk=asked) | Q(pk__in=jobs.going_on().values("pk"))).order_by("pk"))


def _maker_page(request, army, maker: Maker, form, old, status=200):
    context = {
        "title": "Figure maker",
        "maker": maker,
        "pictures": maker.pictures(reading_of(army.head)),
        "form": form,
        "old": old,
    }
    return room_page(request, army, "army", "army/maker.html", context, status)


@login_required
@require_POST
def take_drawing(request, army_id):
    """A painter's own SVG: read, its shapes named, scaled, and kept as a figure type."""
    army = army_for(request, army_id)
    form = DrawingForm(request.POST, request.FILES)
    if not form.is_valid():
        return _types_page(request, army, form, 422)
    drawing = form.cleaned_data["drawing"]
    named = named_shapes(request.POST, drawing)
    faults = _faults(drawing, named)
    if not faults and not _left_unnamed(drawing, named) and "look" not in request.POST:
        try:
            areas = with_names(drawing, named).shapes
            title, height = form.cleaned_data["title"], form.cleaned_data["height_mm"]
            title = checked_title(reading_of(army.head).design.army, title)
            said = f"{title} taken in: {len({shape.area for shape in areas})} areas"
            sent = {key: value for key, value in request.POST.items() if key.startswith(("name-", "mat-", "skip-"))}
            sent |= {"kept": form.cleaned_data["kept"], "title": title, "height_mm": f"{height:g}"}
            job = type_to_draw(army, title, said, sent=list(sent.items()), height_mm=height)
            return _shown_drawing(army, job)
        except MantelloError as error:
            refused(form, error)
            if set(form.errors) & {"title", "file"}:
                return _types_page(request, army, form, 422)
    return _naming_page(request, army, form, drawing, named, faults)


def _left_unnamed(drawing: Drawing, named: dict[str, str]) -> bool:
    return any(shape.key not in named for shape in drawing.unnamed)


def _faults(drawing: Drawing, named: dict[str, str]) -> dict[str, str]:
    """What is wrong with the names that were typed, by shape."""
    faults = {}
    for shape in drawing.shapes:
        written = named.get(shape.key, "").strip()
        try:
            area_meant(written) if written else None
        except MantelloError as error:
            faults[shape.key] = error.message
    return faults


def _naming_page(request, army, form, drawing, named, faults):
    rows = []
    for shape in drawing.shapes:
        written = named.get(shape.key, shape.area or shape.suggestion)
        material = request.POST.get(f"mat-{shape.key}") or (usual_material(written) if written else "cloth")
        left_out = shape.key in named and not named[shape.key]
        rows.append((shape, written, material, faults.get(shape.key, ""), left_out))
    rows.sort(key=lambda row: bool(row[0].area) and not row[3])
    context = {
        "title": "Name the areas",
        "form": form,
        "drawing": drawing,
        "rows": rows,
        "sheets": [(view, mark_safe(sheet_svg(drawing, view))) for view in drawing.views],
        "materials": MATERIALS,
        "areas": sorted(materials_of_areas()),
        "kept": form.cleaned_data["kept"],
    }
    return room_page(request, army, "army", "army/drawing.html", context, 422)


@login_required
@require_POST
def change_type(request, army_id, type_id):
    """Rename an own type, or remove it."""
    army = army_for(request, army_id)
    try:
        own = own_of(reading_of(army.head).design.army, type_id)
    except MantelloError as error:
        raise Http404 from error
    if "remove" in request.POST:
        try:
            apply(request, army, lambda design: without_type(design, type_id), f"{own.title} removed")
        except MantelloError as error:
            if error.where != "type":
                raise
            messages.error(request, error.message)
        return redirect("figure-types", army.pk)
    form = TitleForm(request.POST, auto_id=f"{type_id}_%s")
    if form.is_valid():
        title = form.cleaned_data["title"]
        try:
            apply(
                request,
                army,
                lambda design: with_type_titled(design, type_id, title),
                f"{own.title} renamed to {title}",
            )
            return redirect("figure-types", army.pk)
        except MantelloError as error:
            refused(form, error)
    return _types_page(request, army, DrawingForm(), 422, form, type_id)


@login_required
@require_GET
def type_picture(request, army_id, type_id):
    """A figure type in the army's colours, as far as its rules reach every figure."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    if type_id not in reading.design.army.type_titles:
        raise Http404
    shape = reading.design.army.plate(type_id)
    svg = plate_svg(shape, shape.views[0].name, wearing(reading, shape), detail="small")
    return drawing(svg, request)


@login_required
@require_GET
def drawing_template(request):
    """A shipped plate as an SVG to draw over: groups for the views, every shape named."""
    return download(template_svg(plate("gunner")), "figure-template.svg", "image/svg+xml")
