"""A figure on its way, handed out: looked at in the army's colours, named, given materials, kept as a type."""

import json

from django.contrib.auth.decorators import login_required
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_POST

from mantello.jobs.models import Job
from mantello.shell.fields import refused
from mantello.workpieces.models import FigurePhotograph, Workpiece
from mantello.workspace.page import apply, army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.figure_types import checked_title, new_type_id, with_type
from mantello_core.errors import MantelloError
from mantello_core.figures.catalogue import materials_of_areas
from mantello_core.figures.own import own_type
from mantello_core.figures.part import MATERIALS
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.formats.drawing import plate_svg
from mantello_core.formats.figure_drawing import usual_material

from .cutting import asked_drawing
from .maker import wearing
from .workpiece_forms import SizeForm, TitleForm

#: the colour of what shows from no side
NOWHERE = "#808080"


def address_of(work: Workpiece, view: str, step: str = "") -> str:
    """The page of one view of a figure, or of its step 'keep'."""
    rest = f"&step={step}" if step else ""
    return f"{reverse('photographed', args=[work.army_id, work.pk])}?view={view}{rest}"


def work_of(army, work_id: int) -> Workpiece:
    """A figure on its way, of this army.

    Raises: Http404.
    """
    return get_object_or_404(Workpiece, pk=work_id, army=army)


@login_required
@require_POST
def change_workpiece(request, army_id, work_id):
    """Another name or size, other materials, one more photograph; or the figure taken away."""
    army = army_for(request, army_id)
    work = work_of(army, work_id)
    if "remove" in request.POST:
        work.delete()
        return redirect("photographs", army.pk)
    form = (TitleForm if work.solid else SizeForm)(request.POST)
    if not form.is_valid():
        return keep_page(request, army, work, 422, form)
    given = form.cleaned_data
    work.title, work.base_mm, work.height_mm = (
        given["title"],
        given.get("base_mm") or 0.0,
        given.get("height_mm") or 0.0,
    )
    materials = {key.removeprefix("mat-"): value for key, value in request.POST.items() if key.startswith("mat-")}
    areas = {area for one in work.photographs.all() for area in one.given.values()}
    work.materials = {area: one for area, one in materials.items() if area in areas and one in MATERIALS}
    work.save()
    return redirect(address_of(work, "front", "keep"))


def keep_page(request, army, work: Workpiece, status=200, form=None):
    """The whole of a figure, to be looked at, sized, and kept."""
    views = list(work.photographs.all())
    areas = sorted({area for one in views for area in one.given.values()})
    job = asked_drawing(army, work, address_of(work, "front", "keep"), again="again" in request.GET) if areas else None
    done = job is not None and job.state == Job.State.DONE
    reading = reading_of(army.head)
    pictures, rows, doubts, colours = [], [], [], ""
    if done:
        plate = own_type("own-tried", work.title, job.result["drawing"], None, job.result["digest"]).plate
        fill = wearing(reading, plate)
        pictures = [(view.name, mark_safe(plate_svg(plate, view.name, fill, prefix=view.name))) for view in plate.views]
        rows = [
            (area, spoken(name), name in materials_of_areas(), plate.measured.get(name))
            for name, area in plate.areas.items()
        ]
        doubts = _doubts(views, plate, job.result.get("unseen", ()))
        if work.solid and work.solid.surface:
            named_areas = job.result.get("names", ())
            colours = json.dumps([fill(name) if name in plate.areas else NOWHERE for name in named_areas])
    kind = TitleForm if work.solid else SizeForm
    initial = {"title": work.title, "base_mm": work.base_mm or None, "height_mm": work.height_mm or None}
    context = {
        "title": work.title, "figure": work, "views": views, "keeping": True, "areas": areas, "job": None if done else job,
        "pictures": pictures, "many": len(pictures) > 2, "rows": rows, "doubts": doubts, "materials": MATERIALS,
        "form": form or kind(initial=initial), "solid": work.solid, "colours": colours,
        "surface": f"{reverse('model-surface', args=[army.pk, work.pk])}?v={job.result['digest'][:12]}" if colours else "",
        "usual": {area: work.materials.get(area) or usual_material(area) for area in areas},
        "counts": {each.view: len(set(each.given.values())) for each in views},
    }  # fmt: skip
    return room_page(request, army, "army", "army/photographed_keep.html", context, status)


def _doubts(views: list[FigurePhotograph], plate, unseen=()) -> list[str]:
    """What a painter would want to look at again before the type is kept. unseen: areas given that show in no view."""
    found = [f"{spoken(name)} shows from no side; it is left out." for name in unseen]
    names = set(plate.areas)
    for name in sorted(names):
        other = ".".join({"left": "right", "right": "left"}.get(step, step) for step in name.split("."))
        if other != name and other not in names:
            found.append(f"{spoken(name)} has no {spoken(other).lower()}.")
    small = [spoken(name).lower() for name, area in plate.areas.items() if area.mm2 < 1]
    if small:
        found.append(f"Under 1 mm², hard to paint apart: {', '.join(small[:8])}.")
    for one in views:
        if one.cut_off and one.cut_off != ["lower"]:
            found.append(f"The {one.view} view runs out of the picture at its {' and '.join(one.cut_off)} edge.")
        if not one.given:
            found.append(f"Nothing of the {one.view} view is given yet; it is left out.")
    pairs = {sideless(name) for name in names}
    if "base.rim" not in pairs and plate.kind == "figure":
        found.append("No base rim: the base is usually its own area.")
    return found


@login_required
@require_POST
def keep_photographed(request, army_id, work_id):
    """Keep the figure as a type of the army, or draw the type it was kept as anew."""
    army = army_for(request, army_id)
    work = work_of(army, work_id)
    job = asked_drawing(army, work, address_of(work, "front", "keep"))
    if job.state != Job.State.DONE:
        return redirect(address_of(work, "front", "keep"))
    force = reading_of(army.head).design.army
    known = work.type_id if any(one.id == work.type_id for one in force.types) else ""
    form = TitleForm({"title": work.title})
    try:
        title = checked_title(force, work.title, known)
        own = own_type(known or new_type_id(force, title), title, job.result["drawing"], None, job.result["digest"])
        source = "a 3D file" if work.solid else "photographs"
        words = f"{title} {'drawn anew from' if known else 'taken from'} {source}: {len(own.plate.areas)} areas"
        apply(request, army, lambda design: with_type(design, own), words)
    except MantelloError as error:
        form.is_valid()
        return keep_page(request, army, work, 422, refused(form, error))
    work.type_id = own.id
    work.save(update_fields=["type_id"])
    return redirect("figure-types", army.pk)
