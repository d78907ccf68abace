"""What the army's dirt does to the colours of a figure, and which edges it swallows."""

from collections.abc import Callable, Collection, Iterable
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..figures.exposure import exposures
from ..figures.form import Form
from ..figures.glowing import glow_on
from ..figures.vocabulary import group_of
from ..film.ground import Ground
from ..memory import remembered
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
    laid_on: Callable[[FigureClass, str], tuple[Recipe, Form]] | None = None,
) -> dict[str, tuple[Lab, Lab]]:
    """For every painted area of a class of figures its colour clean and dirty, each from where its tones run together.

    laid_on: what lies on an area before dirt, with passes over the figure, and how the areas of its role are formed; its role's recipe on the usual figure if None. level: 0 to 5; as the army has it if None. without: laws that are left out, such as those whose traces are drawn one by
    one. Each pass is laid by the film model over the finished recipe; of the area it
    covers the share that its law reaches, times the level. Estimates.
    """
    level, glow = design.dirt_level if level is None else level, design.scheme.finishing.glow
    sources = frozenset(area for area, cell in one.cells.items() if glow and cell.role == glow.role)
    shining = glow_on(one.plate, sources, glow.reach) if glow and sources else {}
    dirt = design.scheme.finishing.dirt
    reached = {each: exposures(one.plate, each.law, each.height) for each in dirt if each.law not in without}
    found = {}
    for area, cell in one.cells.items():
        recipe, form = Recipe(), None
        if cell.role:
            recipe, form = laid_on(one, area) if laid_on else (design.scheme.role(cell.role).recipe(one.tier), None)
        if not recipe.steps:
            continue
        ground = one.ground_of(area)
        clean = dirty = design.scheme.predicted(recipe, ground, form).apparent
        if area in shining:
            lit = design.scheme.predicted(Recipe((*recipe.steps, glow.step)), ground, form).apparent
            dirty = _partly(dirty, lit, shining[area])
        shares = {each: on[area] for each, on in reached.items()}
        found[area] = clean, _beneath(design, shares, level, dirty, (recipe, ground, form))
    return found


def soiled_role(design: Design, one: FigureClass, role: str, laid: tuple[Recipe, Ground | None, Form | None]) -> Lab:
    """The colour of a role under the army's dirt from where its tones run together, on one class of figures that wears it.

    laid: its recipe there, what that lies on and how its areas are formed. Each pass takes the mean of what it reaches of the
    role's areas, by their surface.
    """
    recipe, ground, form = laid
    clean = design.scheme.predicted(recipe, ground, form).apparent
    if not design.dirt_level or not recipe.steps:
        return clean
    areas = one.plate.areas
    mm2 = [(area, areas[area].surface_mm2) for area, cell in one.cells.items() if cell.role == role]
    whole = sum(size for _, size in mm2)
    shares = {}
    for each in design.scheme.finishing.dirt if whole else ():
        reached = exposures(one.plate, each.law, each.height)
        shares[each] = sum(reached[area] * size for area, size in mm2) / whole
    return _beneath(design, shares, design.dirt_level, clean, laid)


def _beneath(
    design: Design,
    shares: dict[DirtPass, float],
    level: int,
    clean: Lab,
    laid: tuple[Recipe, Ground | None, Form | None],
) -> Lab:
    """A colour beneath passes of dirt that reach so much of it each, 0 to 1, at a level."""
    for each, reached in shares.items():
        share = reached * level / MOST_LEVEL
        if share > 0:
            clean = _partly(clean, _under(design, each, *laid), share)
    return clean


@remembered(500)
def _partly(clean: Lab, dirty: Lab, share: float) -> Lab:
    """The colour of what is dirty for a share of it, 0 to 1."""
    return mean_lab([clean, dirty], [1 - share, share])


def _under(design: Design, each: DirtPass, recipe: Recipe, ground: Ground | None, form: Form | None) -> Lab:
    """The colour where a pass lies over a finished recipe."""
    return design.scheme.predicted(_dirty(recipe, each), ground, form).apparent


def _dirty(recipe: Recipe, each: DirtPass) -> Recipe:
    return Recipe((*recipe.steps, each.step))


def predict_soiled_together(design: Design, laid: Iterable[tuple[Recipe, Ground | None]]) -> None:
    """Work out together what ``soiled_role`` will ask for: recipes, each on its ground, clean and under every pass of dirt."""
    dirt = design.scheme.finishing.dirt if design.dirt_level else ()
    clean = tuple(laid)
    design.scheme.predict_together(
        (*clean, *((_dirty(recipe, each), ground) for recipe, ground in clean if recipe.steps for each in dirt))
    )


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
