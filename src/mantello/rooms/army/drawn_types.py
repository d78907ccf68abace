"""Figure types put together, or drawn elsewhere, are drawn and measured by a worker, which hangs them on the wall: that takes seconds."""

import base64
import hashlib
import json
from collections.abc import Iterator

from django.http import QueryDict
from django.urls import reverse

from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.jobs.queue import asked_for
from mantello.shell.refusal import StaleEdit
from mantello.workspace.editing import edit
from mantello.workspace.models import Army
from mantello.workspace.signals import edited
from mantello_core.design.design import Design
from mantello_core.design.figure_types import checked_title, new_type_id, with_type
from mantello_core.design.locking import refuse_changed_locks
from mantello_core.figures.kit import Making
from mantello_core.figures.own import made_type, own_type
from mantello_core.formats.figure_drawing import Drawing, measured, read_drawing, with_names

from .maker import maker_from

#: kind of job
TYPE_DRAWN = "figure-type"
#: such jobs that are kept of an army once they ended, and how often one is hung anew where the army moved on meanwhile
_MOST_KEPT, _TRIES = 4, 5


def type_to_draw(army: Army, title: str, said: str, **source) -> Job:
    """The job that draws a figure type, as its ``source`` says, and keeps it in the army.

    source: ``choice``, a figure maker's query, with ``type``, the id of the type that is drawn anew; or ``sent``, what the page
    of a drawing posted, its file under ``kept``, with ``height_mm``.
    """
    key = hashlib.sha256(json.dumps([army.pk, title, source], sort_keys=True).encode()).hexdigest()
    Job.objects.filter(army=army, kind=TYPE_DRAWN).keep_newest(_MOST_KEPT - 1)
    address = reverse("figure-types", args=[army.pk])
    return asked_for(army.owner, TYPE_DRAWN, key, army, address=address, title=title, said=said, **source)


def type_drawn(job: Job) -> Iterator[Step]:
    """Draw a figure type, measure it, and keep it in the army as that is by then."""
    asked = job.asked
    yield Step(0, 2)
    if "choice" in asked:
        making = maker_from(QueryDict(asked["choice"])).making
        _, views = made_type("own-drawn", asked["title"], making)
    else:
        making, views = None, _measured(dict(asked["sent"]), asked["height_mm"])
    yield Step(1, 2)
    told = _hung(job.army, asked, views, making)
    yield Step(2, 2, {"told": told})


def named_shapes(sent: dict[str, str], drawing: Drawing) -> dict[str, str]:
    """The names that the page of a drawing posted for its shapes, by shape; '' for one that is left out."""
    named = {key.removeprefix("name-"): value for key, value in sent.items() if key.startswith("name-")}
    return named | {shape.key: "" for shape in drawing.shapes if sent.get(f"skip-{shape.key}")}


def _measured(sent: dict[str, str], height_mm: float) -> dict:
    drawing = read_drawing(base64.b64decode(sent["kept"]))
    drawing = with_names(drawing, named_shapes(sent, drawing))
    materials = {shape.area: sent[f"mat-{shape.key}"] for shape in drawing.shapes if sent.get(f"mat-{shape.key}")}
    return measured(drawing, height_mm, materials)


def _hung(army: Army, asked: dict, views: dict, making: Making | None) -> list[str]:
    """Keep the type; what is to be told of the change.

    Raises: what ``checked_title``, ``with_type`` and ``refuse_changed_locks`` refuse; StaleEdit if the army keeps moving on.
    """

    def change(design: Design) -> Design:
        force = design.army
        old = asked.get("type", "") if asked.get("type") in {one.id for one in force.types} else ""
        title = checked_title(force, asked["title"], old)
        after = with_type(design, own_type(old or new_type_id(force, title), title, views, making))
        refuse_changed_locks(design, after)
        return after

    for left in reversed(range(_TRIES)):
        army = Army.objects.with_head().get(pk=army.pk)
        before = army.head
        try:
            after = edit(army, before.number, change, asked["said"])
            break
        except StaleEdit:
            if not left:
                raise
    if after == before:
        return ["It is there already, drawn just so."]
    return [said for _, some in edited.send(Army, army=army, before=before, after=after) for said in some]
