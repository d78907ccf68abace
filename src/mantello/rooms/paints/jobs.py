"""What workers do for the Paints room."""

from mantello.jobs.answers import answer_kind
from mantello.jobs.kinds import job_kind

from .searching import FEWEST, fewest_searched
from .taking import TAKING, paints_taken

answer_kind(FEWEST)(fewest_searched)
job_kind(TAKING, template="paints/taking.html")(paints_taken)
