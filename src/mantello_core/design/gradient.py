"""Lights laid as a gradient, as fire, heat and glow are: the darkest widest, each over half of the one before.

Source: docs/methods/recipes.md, 'Gradients'.
"""

from dataclasses import replace

from ..errors import Contradiction, OutOfRange, UnknownName
from ..mixing.route import Route
from ..naming import slug
from ..recipes.remixing import as_thin
from ..recipes.step import Recipe, Step, checked
from ..recipes.where import Where
from .design import Design
from .worked_out import ROUTED

#: from where a gradient grows narrower, and in words
GRADIENTS = {
    "middle": "to the middle: embers, lamps",
    "lower": "to the foot: flames",
    "upper": "to the top: heated metal",
}
#: share of the area that the first light takes, and of that one the next
HALF = 0.5
#: steps at most: the next would be finer than a hair
MOST_STEPS = 5


def with_gradient(design: Design, role_id: str, tier: str, along: Route, place: str, start: str = "") -> Design:
    """The design with a role's lights for a tier laid as a gradient along a route, in place of those it had after a step.

    place: one of ``GRADIENTS``; start: the step that the gradient lies on, the first one if empty.
    Raises: UnknownName for role or place; OutOfRange for too many steps; Contradiction without a base.
    """
    if place not in GRADIENTS:
        raise UnknownName("gradient", place, tuple(GRADIENTS), "laid")
    if len(along.mixes) > MOST_STEPS:
        raise OutOfRange(f"{len(along.mixes)} steps of a gradient; allowed are up to {MOST_STEPS}.", "steps")
    role = design.scheme.role(role_id, "role")
    steps = role.recipe(tier).steps
    if not steps:
        raise Contradiction(f"{role.name} has no base that a gradient could lie on.", "role")
    at = next((at for at, step in enumerate(steps) if step.id == start), 0) + 1
    kept = [*steps[:at], *(step for step in steps[at:] if step.kind not in ROUTED)]
    taken, base, made = {step.id for step in kept}, role.recipe(tier).base.mix, []
    for number, mix in enumerate(along.mixes, 1):
        id_ = slug("layer", taken | {step.id for step in made})
        thinned = as_thin(base, mix.parts)
        made.append(checked(Step(id_, "layer", thinned, 1, spot=Where(place, share=round(HALF**number, 4)))))
    recipe = Recipe((*kept[:at], *made, *kept[at:]))
    return replace(design, scheme=design.scheme.with_role(role.with_recipe(tier, recipe)))
