"""The mix a role's base is painted with, another in its place, or a bridge beneath it."""

from collections.abc import Mapping
from dataclasses import replace

from ..army.tree import TIERS
from ..errors import Contradiction, OutOfRange, UnknownName
from ..mixing.bridge import Bridge
from ..mixing.starting import started
from ..naming import slug
from ..paints.paint import Paint
from ..recipes.first_step import base_thinned
from ..recipes.step import BENEATH, Mix, Recipe, Step, checked
from ..scheme.scheme import Role
from .design import Design


def base_mix(role: Role) -> Mix | None:
    """The mix of the first step for rank and file, a ground of its own left out; None without a recipe."""
    step = role.recipe().base
    return step.mix if step else None


def with_base_mix(design: Design, role_id: str, parts: tuple[tuple[Paint, float], ...]) -> Design:
    """The design with the role's base mixed from other paints.

    Every tier whose first step used the same mix follows; what thins it and the coats stay as they were.
    A role without a recipe starts one from the first paint.
    Raises: UnknownName for the role; OutOfRange for parts, or without any.
    """
    role = design.scheme.role(role_id, "role")
    if not parts:
        raise OutOfRange("The mix has no paint in it; name at least one.", "parts")
    if base_mix(role) is None:
        role = role.with_recipe("rank", started(parts[0][0], "rank"))
    old = base_mix(role)
    for tier, recipe in role.recipes:
        first = recipe.base
        if first and first.mix == old:
            step = checked(replace(first, mix=replace(first.mix, parts=parts)))
            role = role.with_recipe(tier, recipe.with_step(step))
    return replace(design, scheme=design.scheme.with_role(role))


def with_base_mixes(design: Design, instead: Mapping[Mix, Mix]) -> Design:
    """The design with every base that is mixed like a key of ``instead`` mixed like its value.

    What thins a base, and its coats, stay. Mixes are told apart by their paints and parts alone.
    Raises: what ``with_base_mix`` refuses.
    """
    parts = {old.parts: new.parts for old, new in instead.items()}
    for role in design.scheme.roles:
        mix = base_mix(role)
        if mix and parts.get(mix.parts, mix.parts) != mix.parts:
            design = with_base_mix(design, role.id, parts[mix.parts])
    return design


def with_ground_beneath(design: Design, role_id: str, pot: Paint | None) -> Design:
    """The design with a coat of its own beneath a role's first step, in every tier; None takes it away again.

    Raises: UnknownName for the role; Contradiction without a recipe.
    """
    role = design.scheme.role(role_id, "role")
    if not any(recipe.steps for _, recipe in role.recipes):
        raise Contradiction(f"{role.name} has no recipe that something could lie beneath.", "role")
    for tier, recipe in role.recipes:
        steps = tuple(step for step in recipe.steps if step.id != BENEATH)
        first = (Step(BENEATH, "base", base_thinned(((pot, 1.0),)), where="beneath it all"),) if pot and steps else ()
        role = role.with_recipe(tier, Recipe((*first, *steps)))
    return replace(design, scheme=design.scheme.with_role(role))


def with_bridge(design: Design, role_id: str, tier: str, bridge: Bridge) -> Design:
    """The design with a bridge colour as the first step of a role's recipe for a tier.

    A tier that followed a plainer one gets its own copy first.
    Raises: UnknownName for role or tier; Contradiction if there is no step to lay it under.
    """
    if tier not in TIERS:
        raise UnknownName("tier", tier, list(TIERS), "tier")
    role = design.scheme.role(role_id, "role")
    steps = role.recipe(tier).steps
    if not steps:
        raise Contradiction(f"{role.name} has no step that a bridge could lie under.", "role")
    step = checked(Step(slug("bridge", {one.id for one in steps}), "base", bridge.mix, bridge.coats))
    return replace(design, scheme=design.scheme.with_role(role.with_recipe(tier, Recipe((step, *steps)))))
