"""Undercoats compared by a worker, kept as JSON and read back for the page."""

from collections.abc import Iterator
from dataclasses import dataclass

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workspace.models import Edition
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.colour.spaces import Lab
from mantello_core.film.ground import Ground
from mantello_core.film.reached import Reached
from mantello_core.formats.document.ground import read_ground, write_ground
from mantello_core.paints.catalogue import Catalogue
from mantello_core.planning.cost import Cost
from mantello_core.planning.undercoating import AssemblyAdvice, HardRole, LostRole, UndercoatAdvice

#: kind of job
UNDERCOATS = "recipes.undercoats"


@dataclass(frozen=True)
class Compared:
    """All undercoats for an army, what could be sprayed apart, and what is recommended with the reason."""

    undercoats: tuple[UndercoatAdvice, ...]
    assemblies: tuple[AssemblyAdvice, ...]
    recommended: Ground
    reason: str


def asked_undercoats(army, reading: Reading, address: str, *, again: bool) -> Job:
    """The job that compares them for the army as it stands."""
    told = [army.pk, reading.timeless, reading.design.evenings.pace, "by zone"]
    return answer_to(army, UNDERCOATS, told, address, again=again, edition=army.head_id)


def undercoats_compared(job: Job) -> Iterator[Step]:
    """Compare them; see ``compared`` for the result."""
    yield Step(0, 2)
    reading = reading_of(Edition.objects.get(pk=job.asked["edition"]))
    known = reading.undercoats
    yield Step(1, 2)
    best = reading.recommended
    result = {
        "undercoats": [_written(one) for one in known],
        "assemblies": [
            {"name": one.name, "figures": one.figures, "now": one.now, "then": one.then, "best": write_ground(one.best)}
            for one in reading.assemblies
        ],
        "recommended": write_ground(best.advice.ground), "reason": best.reason,
    }  # fmt: skip
    yield Step(2, 2, result)


def compared(job: Job, catalogue: Catalogue) -> Compared:
    """What a job that is done found."""
    said = job.result
    return Compared(
        tuple(_read(one, catalogue) for one in said["undercoats"]),
        tuple(
            AssemblyAdvice(**one | {"best": read_ground(one["best"], catalogue)}) for one in said["assemblies"]
        ),
        read_ground(said["recommended"], catalogue), said["reason"],
    )  # fmt: skip


def _written(one: UndercoatAdvice) -> dict:
    lost = [[role.id, role.name, vars(role.reached)] for role in one.lost]
    return {
        "ground": write_ground(one.ground), "colour": list(one.colour), "look": one.look, "cost": vars(one.cost),
        "hard": [vars(role) for role in one.hard], "lost": lost, "glare": one.glare,
    }  # fmt: skip


def _read(said: dict, catalogue: Catalogue) -> UndercoatAdvice:
    lost = tuple(
        LostRole(id_, name, Reached(Lab(*seen["here"]), Lab(*seen["pale"]), seen["apart"], seen["share"]))
        for id_, name, seen in said["lost"]
    )
    return UndercoatAdvice(
        read_ground(said["ground"], catalogue), Lab(*said["colour"]), said["look"], Cost(**said["cost"]),
        tuple(HardRole(**one) for one in said["hard"]), lost, said["glare"],
    )  # fmt: skip
