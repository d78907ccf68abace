"""What the Army room does in the background."""

from collections.abc import Iterator

from django.urls import reverse

from mantello.jobs.answers import answer_kind
from mantello.jobs.kinds import Step, done_by, job_kind
from mantello.jobs.models import Job
from mantello.workspace.models import Edition

from . import guide  # noqa: F401  registers its papers
from .cutting import CUT, DRAWN, MODELLED
from .drawn_types import TYPE_DRAWN, type_drawn
from .faces import FACES, draw_faces
from .proposing import SCHEMES, schemes_proposed


@job_kind(FACES, lambda job: reverse("armies"), "army/faces.html")
def faces_drawn(job: Job) -> Iterator[Step]:
    """Draw the faces of an edition."""
    yield Step(0, 1)
    draw_faces(Edition.objects.get(pk=job.asked["edition"]))
    yield Step(1, 1)


#: cutting up takes libraries that pages do without
_CUTTING_UP = f"{__package__}.cutting_up"
answer_kind(CUT)(done_by(_CUTTING_UP, "photograph_cut"))
answer_kind(DRAWN)(done_by(_CUTTING_UP, "figure_drawn"))
job_kind(MODELLED, template="army/modelled_answer.html")(done_by(_CUTTING_UP, "model_cut"))
job_kind(TYPE_DRAWN, lambda job: f"{job.asked['address']}?drawn={job.pk}", "army/drawn_type.html")(type_drawn)
job_kind(SCHEMES, template="army/proposing.html")(schemes_proposed)
