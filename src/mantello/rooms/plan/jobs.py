"""What workers do for the Plan room: longer searches for a better plan, calendar files."""

from collections.abc import Iterator

from django.urls import reverse
from django.utils import timezone

from mantello.jobs.kinds import Step, job_kind
from mantello.jobs.models import Job
from mantello_core.planning.search import search
from mantello_core.planning.style import Style

from . import cards, painters  # noqa: F401  register their papers
from .better import SEARCH, found_by
from .busy_times import BUSY, busy_read
from .evening import Evening

job_kind(BUSY, template="plan/busy_reading.html")(busy_read)


@job_kind(
    SEARCH,
    lambda job: reverse("plan", args=[job.army_id]),
    "plan/searching.html",
    lambda job: {"found": found_by(job)},
)
def search_longer(job: Job) -> Iterator[Step]:
    """Try ways of laying a painter's work; every step tells the best so far in desk minutes, and what no plan can beat."""
    evening = Evening(job.army, timezone.now(), job.asked["painter"])
    tries = job.asked["tries"]
    for told in search(evening.work, evening.evenings, timezone.make_naive(evening.start), tries, seed=job.pk):
        yield Step(
            told.tries, tries,
            {"started": told.started, "best": told.best, "bound": told.bound, "style": as_style(told.style)},
        )  # fmt: skip


def as_style(style: Style | None) -> dict | None:
    """A style as it is kept."""
    return vars(style) | {"seeds": list(style.seeds)} if style else None
