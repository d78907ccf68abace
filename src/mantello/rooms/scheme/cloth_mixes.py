"""Mixes for the colour words of a dress, worked out by a worker."""

from collections.abc import Iterable, Iterator, Mapping

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.shelf.models import OwnedPaint
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.models import Army
from mantello_core.colour.spaces import Lab
from mantello_core.errors import UnknownName
from mantello_core.mixing.cloth_mix import cloth_mix
from mantello_core.paints.paint import Paint

#: kind of job
MIXED = "scheme.cloth"
Parts = tuple[tuple[Paint, float], ...]


def asked_mixes(army, wanted: Iterable[tuple[str, str, Lab, bool, float]], address: str, *, again: bool) -> Job:
    """The job that mixes colours: (key, tier, colour, whether of metal, reach)."""
    told = [
        [key, tier, [round(value, 2) for value in lab], metal, round(reach, 2)]
        for key, tier, lab, metal, reach in wanted
    ]
    owned = sorted(OwnedPaint.objects.stocked(army.owner))
    own = sorted(pot.id for pot in catalogue_for(army).own)
    return answer_to(army, MIXED, [told, owned, own], address, again=again, wanted=told)


def cloth_mixed(job: Job) -> Iterator[Step]:
    """Mix them. The result: by key and tier the paints, how far they lie off, and in words."""
    army = Army.objects.get(pk=job.army_id)
    pots, owned = tuple(catalogue_for(army)), OwnedPaint.objects.stocked(army.owner)
    wanted, found = job.asked["wanted"], {}
    for at, (key, tier, lab, metal, reach) in enumerate(wanted):
        yield Step(at, len(wanted))
        best = cloth_mix(Lab(*lab), metal=metal, reach=reach, pots=pots, owned=owned)
        if best:
            parts = [[pot.id, count] for pot, count in best.mix.parts]
            bought = sorted(pot.name for pot in best.mix.paints if pot.id not in owned)
            found.setdefault(key, {})[tier] = {
                "parts": parts, "apart": best.apart, "words": best.mix.words.removesuffix(", neat"), "buy": bought,
            }  # fmt: skip
    yield Step(len(wanted), len(wanted), {"mixes": found})


def mixes_of(army, job: Job) -> Mapping[str, Mapping[str, Parts]]:
    """The paints that a job found, by key and tier; nothing while it is not done, or of paints that are gone."""
    catalogue, found = catalogue_for(army), {}
    for key, tiers in ((job.result or {}).get("mixes", {}) if job.state == Job.State.DONE else {}).items():
        try:
            found[key] = {
                tier: tuple((catalogue.paint(id_), float(count)) for id_, count in one["parts"])
                for tier, one in tiers.items()
            }
        except UnknownName:
            continue
    return found
