"""What the army's dirt does to the colours of a figure, and which edges it swallows."""

from collections.abc import Callable, Collection
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..figures.exposure import exposure
from ..figures.glowing import glow_on
from ..figures.vocabulary import group_of
from ..film.ground import Ground
from ..recipes.step import Recipe
from ..scheme.cascade import FigureClass
from ..scheme.finishing import MOST_LEVEL, DirtPass


@dataclass(frozen=True)
class Swallowed:
    """Two touching areas that were told apart clean, and are not any more; bases aside, which are told apart by the boots on them."""

    area: str
    other: str
    clean: float
    dirty: float


def soiled(
    design: Design,
    one: FigureClass,
    level: int | None = None,
    without: Collection[str] = (),
    recipe_of: Callable[[FigureClass, str], Recipe] | None = None,
) -> dict[str, tuple[Lab, Lab]]:
    """For every painted area of a class of figures its colour clean and dirty, each from where its tones run together.

    recipe_of: what lies on an area before dirt, with passes over the figure; its role's recipe if None. level: 0 to 5; as the army has it if None. without: laws that are left out, such as those whose traces are drawn one by
    one. Each pass is laid by the film model over the finished recipe; of the area it
    covers the share that its law reaches, times the level. Estimates.
    """
    level, glow = design.dirt_level if level is None else level, design.scheme.finishing.glow
    sources = frozenset(area for area, cell in one.cells.items() if glow and cell.role == glow.role)
    shining = glow_on(one.plate, sources, glow.reach) if glow and sources else {}
    found = {}
    for area, cell in one.cells.items():
        recipe = Recipe()
        if cell.role:
            recipe = recipe_of(one, area) if recipe_of else design.scheme.role(cell.role).recipe(one.tier)
        if not recipe.steps:
            continue
        ground = one.ground_of(area)
        clean = dirty = design.scheme.predicted(recipe, ground).apparent
        if area in shining:
            lit = design.scheme.predicted(Recipe((*recipe.steps, glow.step)), ground).apparent
            dirty = mean_lab([dirty, lit], [1 - shining[area], shining[area]])
        for each in design.scheme.finishing.dirt:
            if each.law in without:
                continue
            share = exposure(one.plate, area, each.law, each.height) * level / MOST_LEVEL
            if share > 0:
                dirty = mean_lab([dirty, _under(design, recipe, each, ground)], [1 - share, share])
        found[area] = clean, dirty
    return found


def _under(design: Design, recipe: Recipe, each: DirtPass, ground: Ground | None) -> Lab:
    """The colour where a pass lies over a finished recipe."""
    return design.scheme.predicted(Recipe((*recipe.steps, each.step)), ground).apparent


def swallowed(design: Design, one: FigureClass, colours: dict[str, tuple[Lab, Lab]]) -> tuple[Swallowed, ...]:
    """Touching areas that dirt takes below the army's threshold for neighbours, the worst first. colours: from ``soiled``."""
    least, seam = design.scheme.aims.threshold("neighbours"), design.scheme.aims.threshold("seam")
    found = []
    for area, beside in one.plate.neighbours.items():
        for other, length in beside.items():
            known = area in colours and other in colours and area < other and length >= seam
            if (
                not known
                or "Base" in (group_of(area), group_of(other))
                or one.cells[area].role == one.cells[other].role
            ):
                continue
            clean = difference(colours[area][0], colours[other][0])
            dirty = difference(colours[area][1], colours[other][1])
            if clean >= least > dirty:
                found.append(Swallowed(area, other, clean, dirty))
    return tuple(sorted(found, key=lambda pair: pair.dirty))
