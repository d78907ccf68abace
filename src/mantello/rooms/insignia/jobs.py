"""What the Insignia room does in the background: its papers, and sets of differences."""

from mantello.jobs.kinds import job_kind

from . import freehand, transfers  # noqa: F401  register them
from .differing import DIFFERENCES, differences_searched

job_kind(DIFFERENCES, lambda job: job.asked["address"], "jobs/answer.html")(differences_searched)
