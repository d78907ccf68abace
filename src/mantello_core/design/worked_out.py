"""Edits of how roles are made: whole recipes, materials, shades, routes, where to stop, and what a test piece taught."""

from collections.abc import Mapping
from dataclasses import replace

from ..army.tree import TIERS
from ..errors import Contradiction, UnknownName
from ..film.calibration import Calibration, checked_calibration, with_learned
from ..mixing.route import Route, parts_route, route
from ..naming import slug
from ..paints.paint import Paint
from ..recipes.material import material
from ..recipes.remixing import with_more_of
from ..recipes.step import Mix, Recipe, Step, checked
from ..scheme.scheme import Role
from .design import Design

#: kinds of step a route rewrites, in the order of its mixes
ROUTED = ("layer", "drybrush", "overbrush", "highlight", "edge", "dot")


def with_recipes(design: Design, role_id: str, recipes: Mapping[str, Recipe]) -> Design:
    """The design with a role's recipes for some tiers replaced; it no longer follows a material.

    Raises: UnknownName for role or tier; what ``checked`` refuses.
    """
    role = replace(design.scheme.role(role_id, "role"), material="")
    for tier, recipe in recipes.items():
        role = role.with_recipe(_tier(tier), Recipe(tuple(checked(step) for step in recipe.steps)))
    return _with_role(design, role)


def with_material(design: Design, role_id: str, material_id: str) -> Design:
    """The design with a role made like a material: as the army makes it already, or as it ships.

    Raises: UnknownName for role or material.
    """
    role, chosen = design.scheme.role(role_id, "role"), material(material_id, "material")
    own = next((one for one in design.scheme.roles if one.material == chosen.id and one.id != role_id), None)
    recipes = own.recipes if own else chosen.recipes
    return _with_role(design, replace(role, recipes=recipes, material=chosen.id))


def without_material(design: Design, role_id: str) -> Design:
    """The design with a role's recipes its own: later changes of the material leave it alone.

    Raises: UnknownName for the role.
    """
    return _with_role(design, replace(design.scheme.role(role_id, "role"), material=""))


def with_shades(design: Design, mix: Mix, role_ids: tuple[str, ...]) -> Design:
    """The design with the shades of some roles laid with one mix, in every tier; a role without one keeps none.

    Raises: UnknownName for a role.
    """
    for role_id in role_ids:
        role = design.scheme.role(role_id, "role")
        for tier, recipe in role.recipes:
            steps = tuple(replace(step, mix=mix) if step.kind == "shade" else step for step in recipe.steps)
            role = role.with_recipe(tier, Recipe(tuple(checked(step) for step in steps)))
        design = _with_role(design, role)
    return design


def ladder_start(recipe: Recipe) -> Step | None:
    """The step that a ladder starts from where none is named: the one that ends on most of the area; None without steps.

    That is the last one that lays a panel again, else the base.
    """
    laid = [step for step in recipe.steps if step.relays or step.kind in ("base", "stain")]
    return laid[-1] if laid else next(iter(recipe.steps), None)


def with_route(design: Design, role_id: str, tier: str, along: Route, start: str = "") -> Design:
    """The design with a role's lights for a tier mixed along a route: the darkest mix for the first of them.

    start: the step that the route begins at; lights before it stay.

    Lights beyond the route's mixes take its last; thinning and coats stay. A recipe without lights gets a layer,
    a highlight and an edge.
    Raises: UnknownName for role or tier; Contradiction without a base.
    """
    role = design.scheme.role(role_id, "role")
    steps = role.recipe(_tier(tier)).steps
    if not steps:
        raise Contradiction(f"{role.name} has no base that could be lightened.", "role")
    first = next((at for at, step in enumerate(steps) if step.id == start), -1)
    lit = [step.id for step in _lights(steps[first + 1 :])]
    if not lit:
        taken = {step.id for step in steps}
        added = [Step(slug(kind, taken), kind, role.recipe(tier).base.mix) for kind in ("layer", "highlight", "edge")]
        steps, lit = (*steps, *added), [step.id for step in added]
    mixes = dict(zip(lit, _spread(along.mixes, len(lit)), strict=True))
    made = tuple(
        checked(replace(step, mix=replace(step.mix, parts=mixes[step.id].parts))) if step.id in mixes else step
        for step in steps
    )
    return _with_role(design, role.with_recipe(tier, Recipe(made)))


def with_copied(design: Design, role_id: str, to: tuple[str, ...], *, lights: bool = False) -> Design:
    """The design with a role's recipes, or only how it is lightened, copied to other roles.

    lights: every tier's lights of the others are mixed again from their own base with the paint that lightens this one most,
    in as many steps. Raises: UnknownName for a role; Contradiction where nothing is lightened.
    """
    role = design.scheme.role(role_id, "role")
    for other in to:
        design.scheme.role(other, "to")
        if not lights:
            design = with_recipes(design, other, dict(role.recipes))
            continue
        for tier, recipe in role.recipes:
            light = lightened_with(recipe)
            if light is None:
                raise Contradiction(
                    f"{role.name} is lightened with no paint of its own that could be taken over.", "role"
                )
            own = design.scheme.role(other).recipe(tier)
            start = ladder_start(own)
            steps = min(len(_lights(own.steps)) or 3, 8)
            if start:
                base = Mix(start.mix.parts)
                made = route(base, light, steps) or parts_route(base, light, steps)
                design = with_route(design, other, tier, made, start.id)
    return design


def lightened_with(recipe: Recipe) -> Paint | None:
    """The paint that a recipe's lights are mixed with: of what its last light has and its start has not, the lightest."""
    start, lights = ladder_start(recipe), _lights(recipe.steps)
    if not start or not lights:
        return None
    added = [pot for pot in lights[-1].mix.paints if pot not in start.mix.paints]
    return max(added, key=lambda pot: pot.film.masstone.lightness, default=None)


def _lights(steps: tuple[Step, ...]) -> list[Step]:
    """The steps that a ladder mixes: lights, not what lays a colour again."""
    return [step for step in steps if step.kind in ROUTED and not step.relays]


def with_more(design: Design, role_id: str, tier: str, step_id: str, paint_id: str) -> Design:
    """The design with a little more of one paint in a step's mix.

    Raises: UnknownName for role, tier, step, or a paint that is not in it.
    """
    role = design.scheme.role(role_id, "role")
    recipe = role.recipe(_tier(tier))
    step = recipe.step(step_id)
    changed = checked(replace(step, mix=with_more_of(step.mix, paint_id)))
    return _with_role(design, role.with_recipe(tier, recipe.with_step(changed)))


def _spread(mixes: tuple[Mix, ...], count: int) -> list[Mix]:
    """So many of the mixes, evenly from the first to the last."""
    if count == 1:
        return [mixes[len(mixes) // 2]]
    return [mixes[round(at * (len(mixes) - 1) / (count - 1))] for at in range(count)]


def with_stop(design: Design, role_id: str, tier: str, step_id: str) -> Design:
    """The design with a role's recipe for a tier ended after a step; the tier gets its own copy if it followed another.

    Raises: UnknownName for role, tier or step.
    """
    role = design.scheme.role(role_id, "role")
    steps = role.recipe(_tier(tier)).steps
    at = next((at for at, step in enumerate(steps) if step.id == step_id), None)
    if at is None:
        raise UnknownName("step", step_id, [step.id for step in steps], "step")
    return _with_role(design, role.with_recipe(tier, Recipe(steps[: at + 1])))


def with_calibration(design: Design, learned: Calibration) -> Design:
    """The design with what was found of a paint; factors of 1 take back what was found before.

    Raises: what ``checked_calibration`` refuses.
    """
    calibrations = with_learned(design.scheme.calibrations, checked_calibration(learned))
    return replace(design, scheme=replace(design.scheme, calibrations=calibrations))


def _tier(tier: str) -> str:
    if tier not in TIERS:
        raise UnknownName("tier", tier, list(TIERS), "tier")
    return tier


def _with_role(design: Design, role: Role) -> Design:
    return replace(design, scheme=design.scheme.with_role(role))
