"""Colours read off a photograph of a figure: area by area against what is predicted there, and kept as readings."""

from dataclasses import dataclass

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.http import Http404
from django.shortcuts import get_object_or_404, redirect
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.record.models import FigurePhoto, Measurement
from mantello.record.queries import progress
from mantello.shell.download import private_jpeg
from mantello.shell.photograph import evened_jpeg, share_of
from mantello.trials.trial import CARD, light_of, scene_of
from mantello.workspace.page import army_for, room_page
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.advice.trial import Compared
from mantello_core.army.tree import Figure
from mantello_core.errors import MantelloError, OutOfRange, UnknownName
from mantello_core.figures.vocabulary import group_of, spoken

from .measuring import expected_colour

#: width a photograph is shown at, CSS pixels, and areas that one photograph may tell of
SHOWN, MOST_PLACES = 560, 40
#: grey marks, and in words
GREYS = {CARD: "the grey card", "card 2": "a second grey mark", "card 3": "a third grey mark"}


@dataclass(frozen=True)
class Pictured:
    """One area that was pointed at: its words, its role, and how it came out beside the prediction."""

    area: str
    words: str
    role: str
    role_name: str
    #: None where its colour cannot be told, or nothing is predicted there
    compared: Compared | None
    #: why not
    why: str = ""


@login_required
@require_safe
def pictured(request, army_id, pk):
    """A photograph with what was pointed at in it."""
    army = army_for(request, army_id)
    photo = get_object_or_404(army.figure_photos.defer("jpeg"), pk=pk)
    reading = reading_of(army.head)
    one = _class_of(reading, photo)
    rows, why, light = ([], "", None) if one is None else _rows(army, reading, photo, one)
    tall = round(SHOWN * photo.height / photo.width)
    areas: dict[str, list[tuple[str, str, str]]] = {}
    for name, cell in one.cells.items() if one else ():
        if cell.role:
            areas.setdefault(group_of(name), []).append(
                (name, spoken(name), reading.design.scheme.role(cell.role).name)
            )
    context = {
        "title": "Colours of a photograph",
        "photo": photo,
        "rank_name": reading.design.army.rank(photo.unit, photo.rank).name if one else photo.rank,
        "shown": SHOWN,
        "tall": tall,
        "marks": [(name, SHOWN * x, tall * y) for name, (x, y) in photo.patches.items()],
        "greys": GREYS.items(),
        "groups": areas.items(),
        "point": next((name for name in (CARD, *(one.cells if one else ())) if name not in photo.patches), CARD),
        "rows": rows,
        "why": why,
        "even": light is not None,
        "keepable": sum(row.compared is not None for row in rows),
        "figure": photo.ordinals[0] if photo.ordinals else 1,
    }
    return room_page(request, army, "log", "log/pictured.html", context, 200)


@login_required
@require_POST
def point_at(request, army_id, pk):
    """A place in a photograph is the area that the painter says it is."""
    army = army_for(request, army_id)
    photo = get_object_or_404(army.figure_photos, pk=pk)
    one = _class_of(reading_of(army.head), photo)
    name = request.POST.get("point", "")
    known = [*GREYS, *(area for area, cell in (one.cells.items() if one else ()) if cell.role)]
    if name not in known:
        raise UnknownName("place", name, known, "point")
    sizes = {"x": SHOWN, "y": round(SHOWN * photo.height / photo.width)}
    place = [share_of(request.POST.get(f"at.{axis}", ""), size) for axis, size in sizes.items()]
    if name not in photo.patches and len(photo.patches) >= MOST_PLACES:
        raise OutOfRange(f"{MOST_PLACES} places are pointed at already; point at one of them anew.", "point")
    read = light_of(bytes(photo.jpeg), {name: place}, photo.light)
    with transaction.atomic():
        # another place may have been pointed at in the meantime
        held = FigurePhoto.objects.select_for_update().only("patches", "light").get(pk=photo.pk)
        held.patches[name] = place
        patches = (held.light or {}).get("patches", {}) | {name: read["patches"][name]}
        held.light = {"grid": read["grid"], "patches": patches}
        held.save(update_fields=["patches", "light"])
    return redirect("pictured", army.pk, pk)


@login_required
@require_POST
def keep_readings(request, army_id, pk):
    """What the photograph tells is kept with the figure's measured colours, and compared over units like those."""
    army = army_for(request, army_id)
    photo = get_object_or_404(army.figure_photos.defer("jpeg"), pk=pk)
    reading = reading_of(army.head)
    one = _class_of(reading, photo)
    rows = [row for row in (_rows(army, reading, photo, one)[0] if one else ()) if row.compared]
    now = timezone.now()
    Measurement.objects.bulk_create(
        Measurement(
            army=army, unit=photo.unit, rank=photo.rank, ordinal=photo.ordinals[0], role=row.role, lightness=row.compared.seen.lightness,
            a=row.compared.seen.a, b=row.compared.seen.b, measured_at=now,
        )
        for row in rows
    )  # fmt: skip
    if rows:
        messages.success(request, f"{len(rows)} reading{'s' * (len(rows) != 1)} kept with the figure.")
    else:
        messages.error(request, "No colour can be told yet; nothing was kept.")
    return redirect("pictured", army.pk, pk)


@login_required
@require_safe
def evened_photo(request, army_id, pk):
    """A photograph in even daylight, by its grey marks and its plain ground; 404 where they do not tell the light."""
    army = army_for(request, army_id)
    photo = get_object_or_404(army.figure_photos, pk=pk)
    light = _scene(photo)[0]
    if light is None:
        raise Http404
    return private_jpeg(evened_jpeg(bytes(photo.jpeg), light))


def _scene(photo: FigurePhoto):
    """The light, the places freed of it, and why there are none."""
    if CARD not in photo.patches:
        return None, {}, "Point at the grey card first: without it the lamp's colour stays in."
    light = photo.light if photo.light and set(photo.patches) <= set(photo.light["patches"]) else None
    try:
        return *scene_of(light or light_of(bytes(photo.jpeg), photo.patches, photo.light), photo.patches), ""
    except MantelloError as error:
        return None, {}, error.message


def _rows(army, reading: Reading, photo: FigurePhoto, one):
    """Every area that was pointed at and is still there, why there are none, and the light."""
    light, freed, why = _scene(photo)
    done = progress(army)[photo.unit, photo.rank, photo.ordinals[0]].done
    rows = []
    for area, found in freed.items():
        cell = one.cells.get(area)
        if cell is None or not cell.role:
            continue
        expected = expected_colour(reading, one.tier, cell.role, done)
        said = " ".join(found.doubts) or ("" if expected else "It is not painted with its role yet, as the log tells.")
        compared = Compared(area, found.colour, expected) if found.colour and expected else None
        rows.append(Pictured(area, spoken(area), cell.role, reading.design.scheme.role(cell.role).name, compared, said))
    return rows, why, light


def _class_of(reading: Reading, photo: FigurePhoto):
    """The figure that a photograph shows, the first of several; None if the army has it no more."""
    try:
        return reading.resolution.of(Figure(photo.unit, photo.rank, photo.ordinals[0]))
    except (MantelloError, IndexError):
        return None
