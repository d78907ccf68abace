"""Sets of differences searched by a worker, kept as JSON and read back for the page."""

from collections.abc import Iterator

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workspace.models import Edition
from mantello.workspace.readings import reading_of
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.coat import Coat
from mantello_core.insignia.arms.differencing import Difference, Differenced, differenced
from mantello_core.insignia.arms.writing import write_blazon
from mantello_core.marks.named_arms import NamedArms

from .views import colours_of

#: kind of job
DIFFERENCES = "insignia.differences"


def asked_differences(
    army, one: NamedArms, count: int, seed: int, pins: list[Coat], address: str, *, again: bool
) -> Job:
    """The job that searches a set for the arms in the colours they have now."""
    blazons = [write_blazon(pin) for pin in pins]
    told = [one.blazon, sorted(map(list, one.bound)), reading_of(army.head).timeless, count, seed, blazons]
    return answer_to(
        army,
        DIFFERENCES,
        told,
        address,
        again=again,
        edition=army.head_id,
        arms=one.id,
        count=count,
        seed=seed,
        pins=blazons,
    )


def differences_searched(job: Job) -> Iterator[Step]:
    """Search; see ``found_differences`` for the result."""
    yield Step(0, 1)
    asked = job.asked
    reading = reading_of(Edition.objects.get(pk=asked["edition"]))
    one = reading.design.scheme.named_arms(asked["arms"])
    pins = [read_blazon(text) for text in asked["pins"]]
    found = differenced(one.tree, asked["count"], colours_of(one, reading), asked["seed"], pins)
    rows = [[each.blazon, each.how, each.nearest, each.nearest_weak, each.nearest_to] for each in found.differences]
    yield Step(1, 1, {"rows": rows, "smallest": found.smallest, "weak": found.smallest_weak, "tried": found.tried})


def found_differences(job: Job, parent: Coat) -> Differenced:
    """What a job that is done found."""
    said = job.result
    rows = tuple(Difference(read_blazon(blazon), *rest) for blazon, *rest in said["rows"])
    return Differenced(parent, rows, said["smallest"], said["weak"], said["tried"])
