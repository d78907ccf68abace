"""What lies on an area: the steps of its role and the passes over it, in the order of work.

There is no second mechanism: the film model, coats, checks and pictures read a stack where they would read a recipe.
"""

from dataclasses import replace

from ..design.design import Design
from ..figures.exposure import exposure
from ..figures.form import USUAL_FORM, Form
from ..recipes.step import Recipe, Step
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.whole_pass import WholePass
from .beside import measured_beside
from .figure_order import order_of
from .subject import Subject, of_pass, of_role

#: before the id of a pass's step in a stack
OVER = "over-"


class Stacks:
    """The stacks of a design, worked out as they are asked for."""

    def __init__(self, design: Design, resolution: Resolution):
        self.design, self.resolution = design, resolution
        self._known: dict[tuple, dict[str, tuple[str, ...]]] = {}
        self._usual: dict[tuple[str, str], Recipe] = {}

    def recipe(self, one: FigureClass, area: str) -> Recipe:
        """What is laid on an area of a class of figures, in order; the role's recipe where no pass reaches it."""
        role = one.cells[area].role
        if not role:
            return Recipe()
        recipe = self._measured(self.design.scheme.role(role).recipe(one.tier), one, role)
        reaching = {each.id: each for each in one.passes} if one.passes else {}
        if not reaching:
            return recipe
        line = self._lines(one).get(area, ())
        own = {step.id: step for step in recipe.steps}
        steps = [
            own[id_] if sort == role else _laid(reaching[id_], one, area)
            for sort, id_ in line
            if (sort == role and id_ in own) or (sort == "" and id_ in reaching)
        ]
        return replace(recipe, steps=tuple(steps))

    def usual(self, role: str, tier: str) -> Recipe:
        """What lies on most of a role on figures of a tier."""
        key = role, tier
        if key not in self._usual:
            plain = self.design.scheme.role(role).recipe(tier)
            self._usual[key] = self._most(role, tier, plain) if self._differs(plain) else plain
        return self._usual[key]

    def laid_on(self, one: FigureClass, area: str) -> tuple[Recipe, Form]:
        """What is laid on an area of a class of figures, and how the areas of its role are formed there."""
        role = one.cells[area].role
        return self.recipe(one, area), self.resolution.worn.form(one, role) if role else USUAL_FORM

    def all_of(self, role: str, one: FigureClass) -> tuple[Recipe, ...]:
        """Every stack that a role has on a class of figures."""
        if not one.passes:
            return (self._measured(self.design.scheme.role(role).recipe(one.tier), one, role),)
        areas = [area for area, cell in one.cells.items() if cell.role == role]
        return tuple(dict.fromkeys(self.recipe(one, area) for area in areas))

    def _differs(self, recipe: Recipe) -> bool:
        """Whether what lies on a role's areas differs from figure to figure."""
        return bool(self.design.scheme.passes) or recipe.lies_beside

    @staticmethod
    def _measured(recipe: Recipe, one: FigureClass, role: str) -> Recipe:
        if not recipe.lies_beside:
            return recipe
        return replace(recipe, steps=tuple(measured_beside(step, one, role) for step in recipe.steps))

    def _most(self, role: str, tier: str, plain: Recipe) -> Recipe:
        shown: dict[Recipe, float] = {}
        for one in self.resolution.classes:
            if one.tier == tier:
                for area, cell in one.cells.items():
                    if cell.role == role:
                        stack = self.recipe(one, area)
                        size = one.plate.areas[area].surface_mm2 * len(one.ordinals)
                        shown[stack] = shown.get(stack, 0.0) + size
        return max(shown, key=shown.__getitem__, default=plain)

    def _lines(self, one: FigureClass) -> dict[str, tuple[tuple[str, str], ...]]:
        """For every area of a rank (role or '' for a pass, step or pass id) in order."""
        key = one.unit, one.rank
        if key not in self._known:
            classes = self.resolution.of_rank(one.unit, one.rank)
            found: dict[str, list[tuple[str, str]]] = {}
            for node in order_of(self.design, classes).line:
                if node.sort in ("step", "pass"):
                    name = node.id.split("|")[1]
                    for area in node.areas:
                        found.setdefault(area, []).append((node.owner if node.sort == "step" else "", name))
            self._known[key] = {area: tuple(line) for area, line in found.items()}
        return self._known[key]


def laid_as(step: Step, role: str) -> tuple[Subject, str]:
    """What a step of a stack on an area of a role is in records: subject and step."""
    if step.id.startswith(OVER):
        pass_id = step.id.removeprefix(OVER)
        return of_pass(pass_id), pass_id
    return of_role(role), step.id


def is_pass(step: Step) -> bool:
    """Whether a step of a stack is a pass over the figure."""
    return step.id.startswith(OVER)


def _laid(each: WholePass, one: FigureClass, area: str) -> Step:
    """The step of a pass as it reaches an area."""
    step = replace(each.step, id=f"{OVER}{each.id}")
    if each.law == "all":
        return step
    share = exposure(one.plate, area, each.law, each.height)
    if share >= 1:
        return step
    return replace(step, manner=replace(step.manner, share=max(0.005, round(step.share * share, 3))))
