"""A scheme in the whole manner of its brief's method: every role's recipe, the passes over the figure, the finish."""

from dataclasses import replace

from ..design.design import Design
from ..design.edit import with_scheme
from ..design.method_work import with_method_work
from ..film.ground import Ground
from ..mixing.generating import generated
from ..mixing.starting import started
from ..paints.range import paint, paints
from ..recipes.method import METHODS
from ..recipes.step import Recipe, Step
from ..scheme.scheme import Role, Scheme

#: what the whole figure gets, by passes and finish, and no role by itself
_OVER_FIGURE = ("varnish", "oil", "sponge", "powder")
#: roles that are painted their own way, whatever the method
_APART = frozenset({"glass", "water", "ground", "rim"})
#: soft roles that dark lines and rough brushes are kept off: the work that a method has for them instead
_SOFT, _ROUGH, _LINED = frozenset({"flesh"}), ("overbrush", "stipple", "drybrush"), ("line",)
#: the role that rank and file are lined on; leaders are on every hard one
_LINED_ON_RANK = "field"
#: what a method of transparent colours starts on
_PALE_GROUND = "undercoat-linen"


def with_whole_method(design: Design) -> Design:
    """The design with whole recipes of its brief's method in place of those it was started with, its passes and its finish.

    Recipes that were changed since stay as they are, and so does everything of a scheme that has passes or a varnish.
    """
    if design.brief is None or design.scheme.passes or design.scheme.finishing.varnish:
        return design
    return with_method_work(with_scheme(design, _recipes(design.scheme, design.brief.method)))


def _recipes(scheme: Scheme, method: str) -> Scheme:
    ground = Ground(paint(_PALE_GROUND)) if METHODS[method].works_on_ground else scheme.ground
    return replace(scheme, ground=ground, roles=tuple(_whole(role, method) for role in scheme.roles))


def _whole(role: Role, method: str) -> Role:
    """The role with the method's whole recipe for every tier whose recipe is still the one it was started with."""
    if role.id in _APART:
        return role
    made = role
    for tier, recipe in role.recipes:
        base = recipe.base
        pot = base.mix.paints[0] if base else None
        if pot is None or recipe.steps != started(pot, tier, method).steps:
            continue
        whole = generated(base.mix, tuple(paints().values()), tier, method).recipe
        made = made.with_recipe(tier, Recipe(tuple(_kept(whole.steps, role, tier))))
    return made


def _kept(steps: tuple[Step, ...], role: Role, tier: str) -> list[Step]:
    """Steps of a whole recipe that belong to the role: what is pale is the army's ground, not a coat of every colour."""
    leaves = {*_OVER_FIGURE}
    if role.id in _SOFT or (tier == "rank" and role.id != _LINED_ON_RANK):
        leaves |= set(_LINED)
    left = [step for step in steps if step.kind not in leaves and step.id != "pale"]
    if role.id in _SOFT:
        return [replace(step, kind="highlight") if step.kind in _ROUGH else step for step in left]
    return left
