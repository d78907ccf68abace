"""Camouflage among the checks: every figure in a pattern is measured by a worker, and another layout looked for where that helps."""

from collections.abc import Iterator, Sequence
from dataclasses import asdict

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workspace.models import Edition
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.camouflage.fleet import APART, set_apart
from mantello_core.camouflage.laying import Patterned
from mantello_core.camouflage.measuring import measured
from mantello_core.camouflage.pattern import Pattern
from mantello_core.checks.finding import Check
from mantello_core.checks.patterned import PatternTold, camouflage_check
from mantello_core.design.camouflaged import layout_on, layout_seed, metres_of
from mantello_core.design.other_layout import larger_size, other_layout
from mantello_core.scheme.cascade import FigureClass

from .fleet import fleet_of
from .measured import ground_under, ink_colours, measured_from, much_like

#: kind of job, and figures of one pattern that are measured at most
CHECKED = "scheme.camouflage.checked"
MOST_MEASURED = 12

#: a figure's class and number, and how its pattern is laid on it
Laid = tuple[FigureClass, int, Patterned]


def asked_checks(army, reading: Reading, address: str, *, again: bool) -> Job | None:
    """The job that measures all patterns as the army stands; None where no figure wears one."""
    told = [
        [*measured_from(reading, pattern, one), layout_seed(pattern, one.unit, one.rank, ordinal), [one.unit, one.rank, ordinal]]
        for pattern, one, ordinal in _worn(reading)
    ]  # fmt: skip
    if not told:
        return None
    return answer_to(army, CHECKED, told, address, again=again, edition=army.head_id)


def check_of(reading: Reading, job: Job | None) -> Check | None:
    """What the measures say as one of the checks; None while they are not there."""
    if job is None or job.state != Job.State.DONE:
        return None
    return camouflage_check(reading.design, [PatternTold(**one) for one in job.result["told"]], job.result["figures"])


def camouflage_checked(job: Job) -> Iterator[Step]:
    """Measure them one by one. The result: how many figures, and what is told of each, JSON-ready."""
    reading = reading_of(Edition.objects.get(pk=job.asked["edition"]))
    worn, told, laid, sizes = _worn(reading), [], {}, {}
    for number, (pattern, one, ordinal) in enumerate(worn):
        yield Step(number, len(worn))
        kin = laid.setdefault((pattern.id, one.type), [])
        mine = layout_on(reading.design, one, ordinal, pattern)
        told += [asdict(each) for each in _told(reading, pattern, one, ordinal, mine, kin, sizes)]
        kin.append((one, ordinal, mine))
    yield Step(len(worn), len(worn), {"figures": len(worn), "told": told})


def _told(
    reading: Reading,
    pattern: Pattern,
    one: FigureClass,
    ordinal: int,
    mine: Patterned,
    kin: Sequence[Laid],
    sizes: dict,
) -> Iterator[PatternTold]:
    """What is told of one figure; kin: those of its type before it; sizes: of larger patches found so far, by pattern and type."""
    inks, ground = ink_colours(reading, pattern, one), ground_under(reading, one)
    found = list(measured(mine, inks, ground, metres_of(reading.design)).told)
    alike = next(((its, other) for its, other, laid in kin if set_apart(mine, laid) < APART), None)
    if alike is not None:
        found.append(much_like(reading, *alike))
    better = None
    if any(each.help == "layout" for each in found):
        better = other_layout(reading.design, one, ordinal, pattern, [laid for _, _, laid in kin], inks, ground)
    size = None
    if any(each.help == "size" for each in found):
        key = pattern.id, one.type
        if key not in sizes:
            sizes[key] = larger_size(reading.design, one, ordinal, pattern, inks, ground)
        size = sizes[key]
    for each in found:
        seed, metres = (better if each.help == "layout" else None), (size if each.help == "size" else None)
        yield PatternTold(pattern.id, one.unit, one.rank, ordinal, each.words, each.cause, seed, metres)


def _worn(reading: Reading) -> list[tuple[Pattern, FigureClass, int]]:
    """The figures that are measured, pattern by pattern."""
    return [
        (pattern, one, ordinal)
        for pattern in reading.design.scheme.patterns
        for one, ordinal in fleet_of(reading, pattern.id)[:MOST_MEASURED]
    ]
