"""What workers do for the Paints room."""

from mantello.jobs.answers import answer_kind

from .searching import FEWEST, fewest_searched

answer_kind(FEWEST)(fewest_searched)
