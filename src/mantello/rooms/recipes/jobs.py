"""What workers do for the Recipes room."""

from mantello.jobs.kinds import job_kind

from .comparing import UNDERCOATS, undercoats_compared

job_kind(UNDERCOATS, lambda job: job.asked["address"], "jobs/answer.html")(undercoats_compared)
