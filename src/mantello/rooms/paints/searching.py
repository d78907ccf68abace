"""The fewest paints searched by a worker, kept as JSON and read back for the page."""

from collections.abc import Iterator

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.shelf.models import OwnedPaint
from mantello.workspace.models import Edition
from mantello.workspace.readings import reading_of
from mantello_core.design.base_mix import base_mix
from mantello_core.design.design import Design
from mantello_core.mixing.smallest_set import Reached, SmallestSet, smallest_set
from mantello_core.paints.catalogue import Catalogue
from mantello_core.paints.range import paints
from mantello_core.recipes.step import Mix
from mantello_core.scheme.scheme import Role

#: kind of job
FEWEST = "paints.fewest"


def wanted_mixes(design: Design) -> dict[Mix, list[Role]]:
    """Bases by their paints and parts, with the roles that are painted so."""
    found: dict[Mix, list[Role]] = {}
    for role in design.scheme.roles:
        mix = base_mix(role)
        if mix:
            found.setdefault(Mix(mix.parts), []).append(role)
    return found


def asked_fewest(army, within: str, address: str, *, again: bool = False) -> Job:
    """The job that searches for the army as it stands, from what is on the shelf."""
    owned = sorted(OwnedPaint.objects.stocked(army.owner))
    told = [[_parts(mix) for mix in wanted_mixes(reading_of(army.head).design)], owned, within]
    return answer_to(army, FEWEST, told, address, again=again, edition=army.head_id, owned=owned, within=within)


def fewest_searched(job: Job) -> Iterator[Step]:
    """Search; see ``found_fewest`` for the result."""
    yield Step(0, 1)
    wanted = tuple(wanted_mixes(reading_of(Edition.objects.get(pk=job.asked["edition"])).design))
    found = smallest_set(wanted, list(paints().values()), frozenset(job.asked["owned"]), float(job.asked["within"]))
    yield Step(1, 1, {
        "paints": [pot.id for pot in found.paints], "buy": [pot.id for pot in found.buy], "proven": found.proven,
        "least": found.least,
        **{name: [[_parts(one.wanted), _parts(one.mix), one.apart] for one in getattr(found, name)] for name in ("reached", "beyond")},
    })  # fmt: skip


def found_fewest(job: Job, catalogue: Catalogue) -> SmallestSet:
    """What a job that is done found."""
    said = job.result

    def pots(name: str):
        return tuple(catalogue.paint(one) for one in said[name])

    def rows(name: str):
        return tuple(Reached(_mix(wanted, catalogue), _mix(mix, catalogue), apart) for wanted, mix, apart in said[name])

    return SmallestSet(pots("paints"), pots("buy"), rows("reached"), rows("beyond"), said["proven"], said["least"])


def _parts(mix: Mix) -> list:
    return [[pot.id, parts] for pot, parts in mix.parts]


def _mix(parts: list, catalogue: Catalogue) -> Mix:
    return Mix(tuple((catalogue.paint(id_), amount) for id_, amount in parts))
