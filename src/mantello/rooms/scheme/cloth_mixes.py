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
from mantello_core.mixing.cloth_mix import graded_mixes
from mantello_core.mixing.matching import Match
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
    words: dict[str, list] = {}
    for key, tier, lab, metal, reach in job.asked["wanted"]:
        words.setdefault(key, []).append((tier, Lab(*lab), metal, reach))
    found = {}
    for at, (key, wanted) in enumerate(words.items()):
        yield Step(at, len(words))
        _, _, metal, reach = wanted[0]
        grades = graded_mixes(
            [(tier, lab) for tier, lab, _, _ in wanted], metal=metal, reach=reach, pots=pots, owned=owned
        )
        found[key] = {tier: _written(best, owned) for tier, best in grades.items()}
    yield Step(len(words), len(words), {"mixes": found})


def _written(best: Match, owned: frozenset[str]) -> dict:
    """A mix, JSON-ready: paints, how far it lies off, in words, and what of it is to be bought."""
    return {
        "parts": [[pot.id, count] for pot, count in best.mix.parts], "apart": best.apart,
        "words": best.mix.words.removesuffix(", neat"), "buy": sorted(pot.name for pot in best.mix.paints if pot.id not in owned),
    }  # fmt: skip


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
