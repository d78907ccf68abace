"""Photographs and 3D files of figures: a worker is asked to cut them up, and to make the drawing of a type of what was given."""

from mantello.jobs.answers import answer_to
from mantello.jobs.models import Job
from mantello.workpieces.models import FigureModel, FigurePhotograph, Workpiece

#: kinds of job
CUT, DRAWN, MODELLED = "army.cut", "army.photographed", "army.modelled"
#: marks of strokes
FIGURE, TABLE, BORDER = "figure", "table", "border"


def asked_cut(army, one: FigurePhotograph, address: str, *, again: bool = False) -> Job:
    """The job that cuts a photograph up."""
    told = ["cut", one.pk, len(one.jpeg), one.strokes]
    return answer_to(army, CUT, told, address, again=again, photograph=one.pk)


def asked_drawing(army, work: Workpiece, address: str, *, again: bool = False) -> Job:
    """The job that makes the drawing of a type from what was given."""
    views = [[one.view, one.pk, sorted(one.given.items())] for one in work.photographs.exclude(pieces=b"")]
    told = ["drawn", work.pk, work.base_mm, work.height_mm, sorted(work.materials.items()), views]
    return answer_to(army, DRAWN, told, address, again=again, workpiece=work.pk)


def asked_model(army, one: FigureModel, address: str, *, again: bool = False) -> Job:
    """The job that cuts a 3D file up."""
    told = ["model", one.pk, one.up, one.quarters, one.height_mm]
    return answer_to(army, MODELLED, told, address, again=again, model=one.pk)
