"""A scheme: roles with recipes, rules and distinction tables; and the design that joins it to an army."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, field, replace
from functools import cached_property

from ..army.tree import TIERS, Army
from ..camouflage.pattern import Pattern
from ..errors import UnknownName
from ..figures.form import Form
from ..film.calibration import Calibration, drying_factor
from ..film.ground import Ground
from ..film.prediction import Prediction, coats_of, predict_together, predicted
from ..insignia.devices.device import Device
from ..marks.named_arms import NamedArms
from ..marks.placement import Placement
from ..marks.unit_codes import CodeSystem, marks_of
from ..paints.catalogue import SHIPPED, Catalogue
from ..paints.paint import Paint
from ..paints.range import paint
from ..recipes.step import EVEN, EVEN_CENTREPIECE, Recipe, Step
from ..uniforms.dress import Dress
from .aim import Aims
from .dress_rules import dress_rules
from .finishing import PLAIN_FINISHING, Finishing
from .part_ground import PartGround
from .rule import Distinction, Rule
from .substitution import Substitution
from .unit_cast import UnitCast
from .whole_pass import WholePass
from .work_order import PLAIN_ORDER, WorkOrder

#: the undercoat of a scheme that says nothing of it
USUAL_GROUND = Ground(paint("undercoat-slate"))


@dataclass(frozen=True)
class Role:
    """A named slot of the scheme: Field, Facing, Lace. Rules name roles, never paints."""

    id: str
    name: str
    #: tier to recipe; a tier without one takes the next plainer tier's
    recipes: tuple[tuple[str, Recipe], ...] = ()
    #: id of the material whose recipes these are; roles of one material are changed together
    material: str = ""
    #: whether its colour is not decided yet; firm before its first step
    provisional: bool = False

    def recipe(self, tier: str = "rank") -> Recipe:
        """The recipe for a tier, falling back towards rank and file, then to any there is."""
        return self._by_tier[tier]

    @cached_property
    def _by_tier(self) -> dict[str, Recipe]:
        known, order, found = dict(self.recipes), list(TIERS), {}
        for at, tier in enumerate(order):
            nearest = (*reversed(order[: at + 1]), *order)
            recipe = next((known[name] for name in nearest if name in known), Recipe())
            found[tier] = replace(recipe, even=EVEN_CENTREPIECE) if tier == "centrepiece" else recipe
        return found

    def own_recipe(self, tier: str) -> Recipe | None:
        """The recipe written for just this tier."""
        return dict(self.recipes).get(tier)

    def with_recipe(self, tier: str, recipe: Recipe) -> "Role":
        """This role with the tier's recipe replaced."""
        known = dict(self.recipes) | {tier: replace(recipe, even=EVEN)}
        return replace(self, recipes=tuple((name, known[name]) for name in TIERS if name in known))

    def without_steps(self, leaves: Callable[[Step], bool]) -> "Role":
        """This role without the steps that leave, in every recipe written for it."""
        role = self
        for tier, recipe in self.recipes:
            role = role.with_recipe(tier, Recipe(tuple(step for step in recipe.steps if not leaves(step))))
        return role

    @property
    def paint_name(self) -> str:
        """The first paint of its base; empty if there is no recipe yet."""
        base = self.recipe().base
        return base.mix.paints[0].name if base else ""


def _follows(old: Role, role: Role) -> Role:
    if old.id == role.id:
        return role
    return replace(old, recipes=role.recipes) if role.material and old.material == role.material else old


@dataclass(frozen=True)
class Scheme:
    """Everything the force's look is decided by."""

    name: str
    roles: tuple[Role, ...] = ()
    rules: tuple[Rule, ...] = ()
    tables: tuple[Distinction, ...] = ()
    #: what every recipe starts on
    ground: Ground = USUAL_GROUND
    #: what parts of the army start on instead
    grounds: tuple[PartGround, ...] = ()
    aims: Aims = field(default_factory=Aims)
    substitutions: tuple[Substitution, ...] = ()
    #: devices on sites
    placements: tuple[Placement, ...] = ()
    #: the painter's own emblems
    devices: tuple[Device, ...] = ()
    #: what test pieces taught of paints
    calibrations: tuple[Calibration, ...] = ()
    #: coats of arms
    arms: tuple[NamedArms, ...] = ()
    #: marking systems with their codes
    code_systems: tuple[CodeSystem, ...] = ()
    #: what every figure gets besides its colours
    finishing: Finishing = PLAIN_FINISHING
    #: steps laid over whole figures, in order
    passes: tuple[WholePass, ...] = ()
    #: what the painter chose of the order of work
    order: WorkOrder = PLAIN_ORDER
    #: ids of units that are painted, and stay as they are
    locked: tuple[str, ...] = ()
    #: camouflage patterns that rules may place
    patterns: tuple[Pattern, ...] = ()
    #: what formations wear by sources; None for none
    dress: Dress | None = None
    #: who wears what in units of irregulars
    casts: tuple[UnitCast, ...] = ()

    @cached_property
    def marks(self) -> tuple[Placement, ...]:
        """All marks: those of the marking systems first, then the placed ones, so that a placed one wins a tie."""
        return tuple(mark for system in self.code_systems for mark in marks_of(system)) + self.placements

    def code_system(self, system_id: str, where: str = "system") -> CodeSystem:
        """The marking system of that id.

        Raises: UnknownName, with near ids.
        """
        found = next((one for one in self.code_systems if one.id == system_id), None)
        if found is None:
            raise UnknownName("marking system", system_id, [one.id for one in self.code_systems], where)
        return found

    @cached_property
    def own_paints(self) -> tuple[Paint, ...]:
        """Own paints that it is painted with, by their first use: in recipes, in dirt and passes, on the ground."""
        steps = [step for role in self.roles for _, recipe in role.recipes for step in recipe.steps]
        over = [one.step for one in self.passes]
        used = [pot for step in (*steps, *self.finishing.steps, *over) for pot in step.mix.paints]
        return tuple(dict.fromkeys(pot for pot in (*used, *self.ground_paints) if pot.said))

    @property
    def ground_words(self) -> str:
        """The army's ground, and those of parts; as in 'Undercoat Soot; Cloak: Undercoat Linen'."""
        told = [
            f"{', '.join(part for part in (one.unit, one.assembly) if part)}: {one.ground.words}"
            for one in self.grounds
        ]
        return "; ".join([self.ground.words, *told])

    @property
    def ground_paints(self) -> tuple[Paint, ...]:
        """The paints of all grounds, each once."""
        grounds = (self.ground, *(one.ground for one in self.grounds))
        return tuple(dict.fromkeys(pot for ground in grounds for pot in ground.paints))

    @property
    def catalogue(self) -> Catalogue:
        """The paints it may name: those that ship, and its own."""
        return SHIPPED.with_own(self.own_paints)

    def predicted(self, recipe: Recipe, ground: Ground | None = None, form: Form | None = None) -> Prediction:
        """What a recipe gives on a ground (the army's if None) and under its last coat, with its paints as test pieces found
        them. form: of the areas it is laid on, None as the usual figure."""
        return predicted(self.lit(recipe), ground or self.ground, self.calibrations, self.finishing.varnish, form)

    def predict_together(self, laid: Iterable[tuple[Recipe, Ground | None]]) -> None:
        """Work out together what ``predicted`` will be asked for: recipes, each on its ground."""
        asked = ((self.lit(recipe), ground or self.ground) for recipe, ground in laid)
        predict_together(asked, self.calibrations, self.finishing.varnish)

    def recipe(self, role_id: str, tier: str) -> Recipe:
        """What a role is painted by for a tier, with its lights by the army's light plan.

        Raises: UnknownName for the role.
        """
        return self.lit(self.role(role_id).recipe(tier))

    def lit(self, recipe: Recipe) -> Recipe:
        """The recipe with its lights by the army's light plan."""
        return replace(recipe, light=self.finishing.light) if self.finishing.light else recipe

    def coats(self, recipe: Recipe, ground: Ground | None = None) -> tuple[int, ...]:
        """Coats of every step of a recipe on a ground, the army's if None."""
        return coats_of(self.lit(recipe), ground or self.ground, self.calibrations)

    def drying(self, step: Step) -> float:
        """Minutes a step dries, with its paints as test pieces found them."""
        return step.drying * drying_factor(step.mix, self.calibrations) if self.calibrations else step.drying

    @cached_property
    def role_by_id(self) -> dict[str, Role]:
        """Roles by id, in order."""
        return {role.id: role for role in self.roles}

    @cached_property
    def pattern_by_id(self) -> dict[str, Pattern]:
        """Patterns by id, in order."""
        return {one.id: one for one in self.patterns}

    def pattern(self, pattern_id: str, where: str = "pattern") -> Pattern:
        """The pattern of that id.

        Raises: UnknownName, with near ids.
        """
        if pattern_id not in self.pattern_by_id:
            raise UnknownName("pattern", pattern_id, list(self.pattern_by_id), where)
        return self.pattern_by_id[pattern_id]

    def role(self, role_id: str, where: str = "") -> Role:
        """The role of that id.

        Raises: UnknownName, with near ids.
        """
        if role_id not in self.role_by_id:
            raise UnknownName("colour role", role_id, list(self.role_by_id), where)
        return self.role_by_id[role_id]

    def named_arms(self, arms_id: str, where: str = "arms") -> NamedArms:
        """The arms of that id.

        Raises: UnknownName, with near ids.
        """
        found = next((one for one in self.arms if one.id == arms_id), None)
        if found is None:
            raise UnknownName("arms", arms_id, [one.id for one in self.arms], where)
        return found

    def with_role(self, role: Role) -> "Scheme":
        """This scheme with the role replaced, or added at its end; roles of its material follow its recipes."""
        if role.id not in self.role_by_id:
            return replace(self, roles=(*self.roles, role))
        return replace(self, roles=tuple(_follows(old, role) for old in self.roles))

    def all_rules(self, army: Army) -> tuple[Rule, ...]:
        """Rules that are on: the dress's first, then the tables', then who wears what, then the written ones, so that a
        written one wins a tie; last what is worn of the dress before them."""
        dressed, first = dress_rules(self.dress, army) if self.dress else ((), ())
        from_tables = [rule for table in self.tables for rule in table.rules(army.root.id)]
        cast = [rule for one in self.casts for rule in one.rules(army)]
        return tuple(rule for rule in (*dressed, *from_tables, *cast, *self.rules, *first) if rule.on)
