"""Camouflage measured by a worker, kept as JSON and read back for the page."""

from collections.abc import Iterator

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workspace.models import Edition
from mantello.workspace.reading import Reading, reading_of
from mantello_core.army.tree import Figure
from mantello_core.camouflage.measuring import Measures, measured
from mantello_core.camouflage.pattern import Pattern
from mantello_core.colour.spaces import Lab
from mantello_core.design.camouflaged import denominator_of, layout_seed, layouts_on, metres_of, scaled
from mantello_core.formats.document.patterns import write_pattern
from mantello_core.scheme.cascade import FigureClass

#: kind of job
MEASURED = "scheme.camouflage"


def asked_measures(
    army, reading: Reading, pattern: Pattern, one: FigureClass, ordinal: int, address: str, *, again: bool
) -> Job:
    """The job that measures a pattern on one figure as the army stands."""
    seed = layout_seed(pattern, one.unit, one.rank, ordinal)
    told = [
        army.pk, write_pattern(pattern), seed, one.type, sorted(one.patterns[pattern.id]), sorted(one.borne),
        [list(colour) for colour in ink_colours(reading, pattern, one)], list(ground_under(reading, one) or ()),
        denominator_of(reading.design), metres_of(reading.design),
    ]  # fmt: skip
    figure = [one.unit, one.rank, ordinal]
    return answer_to(
        army, MEASURED, told, address, again=again, edition=army.head_id, pattern=pattern.id, figure=figure
    )


def camouflage_measured(job: Job) -> Iterator[Step]:
    """Measure it. The result: shares, measures and what is told, JSON-ready."""
    yield Step(0, 2)
    reading = reading_of(Edition.objects.get(pk=job.asked["edition"]))
    unit, rank, ordinal = job.asked["figure"]
    one = reading.resolution.of(Figure(unit, rank, ordinal))
    pattern = reading.design.scheme.pattern(job.asked["pattern"])
    worn = [each for each in reading.design.scheme.patterns if each.id in one.patterns]
    laid = dict(zip((each.id for each in worn), layouts_on(reading.design, one, ordinal), strict=True))[pattern.id]
    yield Step(1, 2)
    found = measured(laid, ink_colours(reading, pattern, one), ground_under(reading, one), metres_of(reading.design))
    yield Step(2, 2, _written(laid, found, metres_of(reading.design)))


def ink_colours(reading: Reading, pattern: Pattern, one: FigureClass) -> list[Lab]:
    """The colours of a pattern's inks on a class of figures, lightened for the scale."""
    inks = next(cell.inks for cell in one.cells.values() if cell.pattern == pattern.id)
    known = (reading.tones(role, one.tier) for role in inks)
    return [scaled(reading.design, pattern, tones.flats if tones else Lab(60.0, 0.0, 0.0)) for tones in known]


def ground_under(reading: Reading, one: FigureClass) -> Lab | None:
    """The colour of the ground that figures stand on: their own base's, or what most of the army stands on."""
    for each in (one, *reading.resolution.classes):
        cell = each.cells.get("base.ground")
        tones = reading.tones(cell.role, each.tier) if cell and cell.role else None
        if tones:
            return tones.flats
    return None


def _written(laid, found: Measures, metres: float) -> dict:
    agreed = found.agreement
    return {
        "shares": list(laid.shares), "size": laid.sized.size * laid.sized.per_mm, "widened": laid.sized.widened,
        "mm2": laid.mm2 * laid.sized.per_mm**2, "shapes": laid.paths[0],
        "broken": [[one.view, one.broken, one.longest * laid.sized.per_mm] for one in found.outlines if one.mm],
        "runs_on": found.lines.runs_on, "agrees": [agreed.share, agreed.chance] if agreed else None,
        "left": found.afar.left[metres], "flat_beyond": found.afar.flat_beyond, "off_ground": found.afar.off_ground,
        "mean": list(found.afar.mean), "symmetry": found.symmetry, "told": [[one.words, one.help] for one in found.told],
    }  # fmt: skip
