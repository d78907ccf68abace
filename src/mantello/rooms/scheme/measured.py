"""Camouflage measured by a worker, kept as JSON and read back for the page."""

from collections.abc import Iterator

from mantello.jobs.answers import answer_to
from mantello.jobs.kinds import Step
from mantello.jobs.models import Job
from mantello.workspace.models import Edition
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.camouflage.fleet import APART, set_apart
from mantello_core.camouflage.measuring import Measures, Told, measured
from mantello_core.camouflage.pattern import Pattern
from mantello_core.colour.spaces import Lab
from mantello_core.design.camouflaged import denominator_of, layout_on, layout_seed, metres_of, scaled
from mantello_core.formats.document.patterns import write_pattern
from mantello_core.scheme.cascade import FigureClass

#: others of its kind that a figure is compared with
_MOST_BESIDE = 11
#: kind of job
MEASURED = "scheme.camouflage"


def asked_measures(
    army, reading: Reading, pattern: Pattern, one: FigureClass, ordinal: int, address: str, *, again: bool
) -> Job:
    """The job that measures a pattern on one figure as the army stands."""
    seed = layout_seed(pattern, one.unit, one.rank, ordinal)
    beside = [layout_seed(pattern, one.unit, one.rank, other) for _, other in _beside(reading, pattern, one, ordinal)]
    told = [army.pk, seed, *measured_from(reading, pattern, one), beside]
    figure = [one.unit, one.rank, ordinal]
    return answer_to(
        army, MEASURED, told, address, again=again, edition=army.head_id, pattern=pattern.id, figure=figure
    )


def measured_from(reading: Reading, pattern: Pattern, one: FigureClass) -> list:
    """All that the measures of a pattern on a class of figures follow from, but for the layout's seed; JSON-ready."""
    return [
        write_pattern(pattern), one.type, sorted(one.patterns[pattern.id]), sorted(one.borne),
        [list(colour) for colour in ink_colours(reading, pattern, one)], list(ground_under(reading, one) or ()),
        denominator_of(reading.design), metres_of(reading.design),
    ]  # fmt: skip


def camouflage_measured(job: Job) -> Iterator[Step]:
    """Measure it, and how unlike it is to the others beside it. The result: shares, measures and what is told, JSON-ready."""
    reading = reading_of(Edition.objects.get(pk=job.asked["edition"]))
    unit, rank, ordinal = job.asked["figure"]
    one = reading.resolution.of(Figure(unit, rank, ordinal))
    pattern = reading.design.scheme.pattern(job.asked["pattern"])
    others = _beside(reading, pattern, one, ordinal)
    yield Step(0, len(others) + 2)
    laid = layout_on(reading.design, one, ordinal, pattern)
    yield Step(1, len(others) + 2)
    nearest, least = None, 1.0
    for number, (kin, other) in enumerate(others, 2):
        away = set_apart(laid, layout_on(reading.design, kin, other, pattern))
        nearest, least = (other, away) if nearest is None or away < least else (nearest, least)
        yield Step(number, len(others) + 2)
    found = measured(laid, ink_colours(reading, pattern, one), ground_under(reading, one), metres_of(reading.design))
    written = _written(laid, found, metres_of(reading.design))
    if nearest is not None:
        written["nearest"] = [nearest, least]
    if nearest is not None and least < APART:
        told = much_like(reading, one, nearest)
        written["told"] = [*written["told"], [told.words, told.help]]
    yield Step(len(others) + 2, len(others) + 2, written)


def much_like(reading: Reading, one: FigureClass, ordinal: int) -> Told:
    """What is told where a layout is nearer than ``APART`` to that of another figure of the rank, by its number."""
    called = reading.design.army.called(one.unit, one.rank, ordinal)
    return Told(f"It is laid out much like {called}.", "layout", "Laid out much like another")


def _beside(reading: Reading, pattern: Pattern, one: FigureClass, ordinal: int) -> list[tuple[FigureClass, int]]:
    """The figures of a rank that one is compared with, at most ``_MOST_BESIDE``."""
    rank = reading.resolution.of_rank(one.unit, one.rank)
    kin = [(each, other) for each in rank if pattern.id in each.patterns for other in each.ordinals if other != ordinal]
    return kin[:_MOST_BESIDE]


def ink_colours(reading: Reading, pattern: Pattern, one: FigureClass) -> list[Lab]:
    """The colours of a pattern's inks on a class of figures, lightened for the scale."""
    inks = one.inks_of(pattern.id)
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
