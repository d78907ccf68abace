"""What workers do for the Scheme room."""

from mantello.jobs.answers import answer_kind
from mantello.jobs.kinds import job_kind

from . import sheets  # noqa: F401  register its papers
from .bringing import BROUGHT, almanac_brought
from .camouflage_checks import CHECKED, camouflage_checked
from .casting import SEARCHED, cast_searched
from .cloth_mixes import MIXED, cloth_mixed
from .lists import READ, list_read
from .measured import MEASURED, camouflage_measured

answer_kind(CHECKED)(camouflage_checked)
answer_kind(MEASURED)(camouflage_measured)
answer_kind(MIXED)(cloth_mixed)
answer_kind(READ)(list_read)
answer_kind(SEARCHED)(cast_searched)
job_kind(BROUGHT, template="jobs/reading.html")(almanac_brought)
