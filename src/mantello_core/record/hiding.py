"""What the coats that were really laid say of how a paint hides, weighed against what was assumed."""

from collections.abc import Mapping
from dataclasses import dataclass
from statistics import median_low

from ..advice.trial import Done, Lesson, lessons
from ..design.design import Design
from ..film.calibration import Calibration
from ..scheme.cascade import Resolution

#: so many figures weigh as much as what was assumed
PRIOR = 6.0
#: a factor so near to what is in use that it tells nothing new
_NEWS = 0.05


@dataclass(frozen=True)
class Taught:
    """What the log says of one paint: on how many figures, and the factor weighed against what is assumed now."""

    role: str
    tier: str
    lesson: Lesson
    figures: int
    calibration: Calibration


def hiding_taught(
    design: Design, resolution: Resolution, laid: Mapping[tuple[str, str, str], list[int]]
) -> tuple[Taught, ...]:
    """What finished steps say of their paints, those of most figures first; of each paint the most told.

    laid: coats of every figure that has a step, by (role, tier, step). The factor that a test piece would give for the
    middle figure counts n / (n + 6) with n figures, the present one the rest.
    """
    known = {one.paint: one for one in design.scheme.calibrations}
    found: dict[str, Taught] = {}
    for (role_id, tier, step_id), coats in sorted(laid.items(), key=lambda pair: (-len(pair[1]), pair[0])):
        role = design.scheme.role_by_id.get(role_id)
        recipe = role.recipe(tier) if role else None
        if recipe is None or all(step.id != step_id for step in recipe.steps):
            continue
        ground = resolution.ground_under(role_id, tier) or design.scheme.ground
        for lesson in lessons(recipe, ground, {step_id: Done(coats=median_low(coats))}):
            paint = lesson.calibration.paint
            if lesson.step != step_id or paint in found:
                continue
            now = known.get(paint, Calibration(paint))
            weight = len(coats) / (len(coats) + PRIOR)
            hiding = round(now.hiding ** (1 - weight) * lesson.calibration.hiding**weight, 2)
            if abs(hiding - now.hiding) > _NEWS:
                found[paint] = Taught(role_id, tier, lesson, len(coats), Calibration(paint, hiding, now.drying))
    return tuple(found.values())
