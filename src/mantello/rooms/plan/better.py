"""Better plans that longer searches found."""

from dataclasses import dataclass

from mantello.jobs.models import Job
from mantello.workspace.models import Army
from mantello_core.planning.style import Style

#: the kind of job that searches
SEARCH = "plan.search"


@dataclass(frozen=True)
class Found:
    """What a search found: desk minutes it spares, and how far its best lies above what no plan can beat, percent."""

    saved: float
    gap: float


def search_key(army: Army, painter: str) -> str:
    """What tells searches for one painter's plan from others; '' is the owner's."""
    return f"{army.pk}:{painter}"


def last_search(army: Army, painter: str) -> Job | None:
    """The newest search for a painter's plan."""
    return Job.objects.filter(army=army, kind=SEARCH, key=search_key(army, painter)).first()


def found_by(job: Job | None) -> Found | None:
    """What a search has found so far; None if it has not tried anything yet."""
    told = job.result if job else None
    if not told or not told.get("best"):
        return None
    return Found(
        (told["started"] or 0.0) - told["best"], (told["best"] / told["bound"] - 1) * 100 if told["bound"] else 0.0
    )


def style_found(army: Army, painter: str) -> Style | None:
    """The style of the newest search that beat the fast plan."""
    searches = Job.objects.filter(army=army, kind=SEARCH, key=search_key(army, painter))
    told = searches.values_list("result", flat=True)
    style = next((one["style"] for one in told if one and one.get("style")), None)
    return Style(**style | {"seeds": tuple(style["seeds"])}) if style else None
