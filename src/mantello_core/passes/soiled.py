"""What the army's dirt does to the colours of a figure, and which edges it swallows."""

from collections import defaultdict
from collections.abc import Callable, Collection, Iterable, Sequence
from dataclasses import dataclass
from functools import partial
from itertools import chain

from ..colour.difference import difference
from ..colour.spaces import Lab, mean_lab
from ..design.design import Design
from ..figures.exposure import exposure_of, exposures
from ..figures.form import Form
from ..figures.glowing import glow_on
from ..figures.plate import Plate
from ..figures.vocabulary import group_of
from ..film.calibration import Calibration
from ..film.ground import Ground
from ..film.prediction import predict_together, predicted, tell_apparent
from ..memory import remembered
from ..recipes.step import Recipe, Step
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

    laid_on: what lies on an area before dirt, with passes over the figure, and how the areas of its role are formed; its role's
    recipe on the usual figure if None. level: 0 to 5; as the army has it if None. without: laws that are left out, such as those
    whose traces are drawn one by one. Each pass is laid by the film model over the finished recipe; of the area it covers the
    share that its law reaches, times the level. Estimates.
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
        laid = _laid(((each, on[area]) for each, on in reached.items()), level)
        predicted_under = partial(_predicted_under, design, recipe, ground, form)
        found[area] = clean, _beneath(dirty, laid, predicted_under)
    return found


@dataclass(frozen=True)
class Shown:
    """A role where it is looked at: its recipe there, what that lies on (the army's ground if None) and how its areas are formed,
    with the plate and the areas of it by which dirt reaches the role; no plate where none does."""

    recipe: Recipe
    ground: Ground | None
    form: Form | None
    plate: Plate | None = None
    areas: tuple[str, ...] = ()


def soiled_roles(asked: Sequence[tuple[Design, Sequence[Shown]]]) -> list[list[Lab]]:
    """The colours of roles of designs under varnish and dirt of each from where their tones run together, in the order given.

    Each pass takes the mean of what it reaches of the role's areas, by their surface. What is not known yet is followed
    together.
    """
    every = [[_asked(design, one) for one in shown] for design, shown in asked]
    new = [one for one in dict.fromkeys(chain.from_iterable(every)) if _soiled.memory.get(one) is None]
    if len(new) > 1:
        laid = [
            (recipe, *rest)
            for whole, *rest, dirt in new
            for recipe in (whole, *(_dirty(whole, each) for each, _ in dirt))
        ]
        found: dict[tuple, list[tuple[Recipe, Ground]]] = defaultdict(list)
        for recipe, ground, *under, _ in laid:
            found[tuple(under)].append((recipe, ground))
        for under, some in found.items():
            predict_together(some, *under)
        tell_apparent(predicted(*one) for one in laid)
    return [[_soiled(*one) for one in some] for some in every]


def _asked(design: Design, shown: Shown) -> tuple:
    """What the colour of a role depends on, by value."""
    scheme, level, dirt = design.scheme, design.dirt_level, ()
    if level and shown.plate and shown.recipe.steps:
        reached = (
            (each, exposure_of(shown.plate, shown.areas, each.law, each.height)) for each in scheme.finishing.dirt
        )
        dirt = _laid(reached, level)
    laid = scheme.lit(shown.recipe), shown.ground or scheme.ground, scheme.calibrations
    return *laid, scheme.finishing.varnish, shown.form, dirt


@remembered(1_000, each=140)
def _soiled(
    recipe: Recipe,
    ground: Ground,
    calibrations: tuple[Calibration, ...],
    varnish: str,
    form: Form | None,
    dirt: tuple[tuple[Step, float], ...],
) -> Lab:
    """The colour of a recipe under so much of each step of dirt, 0 to 1."""
    clean = predicted(recipe, ground, calibrations, varnish, form).apparent
    return _beneath(
        clean, dirt, lambda step: predicted(_dirty(recipe, step), ground, calibrations, varnish, form).apparent
    )


def _laid(passes: Iterable[tuple[DirtPass, float]], level: int) -> tuple[tuple[Step, float], ...]:
    """The steps of passes that reach so much each, 0 to 1, with how much of it they cover at a level; none that covers nothing."""
    shares = ((each.step, reached * level / MOST_LEVEL) for each, reached in passes)
    return tuple((step, share) for step, share in shares if share > 0)


def _beneath(clean: Lab, dirt: Iterable[tuple[Step, float]], under: Callable[[Step], Lab]) -> Lab:
    """A colour under so much of each step of dirt, 0 to 1. under: the colour where all of it is covered by one."""
    for step, share in dirt:
        clean = _partly(clean, under(step), share)
    return clean


@remembered(500, each=140)
def _partly(clean: Lab, dirty: Lab, share: float) -> Lab:
    """The colour of what is dirty for a share of it, 0 to 1."""
    return mean_lab([clean, dirty], [1 - share, share])


def _predicted_under(design: Design, recipe: Recipe, ground: Ground | None, form: Form | None, step: Step) -> Lab:
    """The colour where a step of dirt lies over a finished recipe."""
    return design.scheme.predicted(_dirty(recipe, step), ground, form).apparent


def _dirty(recipe: Recipe, step: Step) -> Recipe:
    return Recipe((*recipe.steps, step), light=recipe.light)


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
