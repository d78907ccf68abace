"""What workers do for the Scheme room."""

from mantello.jobs.answers import answer_kind

from . import sheets  # noqa: F401  register its papers
from .measured import MEASURED, camouflage_measured

answer_kind(MEASURED)(camouflage_measured)
