"""What the Insignia room does in the background: its papers, and sets of differences."""

from mantello.jobs.answers import answer_kind

from . import freehand, transfers  # noqa: F401  register them
from .differing import DIFFERENCES, differences_searched

answer_kind(DIFFERENCES)(differences_searched)
