"""What workers do for the Paints room."""

from mantello.jobs.kinds import job_kind

from .searching import FEWEST, fewest_searched

job_kind(FEWEST, lambda job: job.asked["address"], "jobs/answer.html")(fewest_searched)
