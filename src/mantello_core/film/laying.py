"""What the steps of a recipe leave on all places of a piece, and on many grounds, at once."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass, replace

import numpy as np

from ..memory import remembered
from ..paints.paint import Film
from ..recipes.place import usual_places
from ..recipes.step import Recipe, Step
from ..recipes.technique import Technique
from .calibration import Calibration, calibrated_film
from .coverage import Coverage, coverages, coverages_of, tolerance_of
from .finish import varnished, wiped
from .surface import Surface, blended, coated, glazed, stained, wash_thickness, washed

#: a dab is thicker than a brushed coat
DAB = 1.5


@dataclass(frozen=True, eq=False)
class Laid:
    """One step laid on so many grounds: surfaces before and after, (grounds, places, 16)."""

    step: Step
    before: Surface
    after: Surface
    #: coats laid, one a ground
    coats: np.ndarray
    #: how every ground is covered, for steps whose coats are worked out
    covers: tuple[Coverage, ...] | None


@dataclass(frozen=True, eq=False)
class _Reach:
    """Of every place whether a technique reaches it, how much of it is touched, and what places are by themselves."""

    reached: np.ndarray
    touched: np.ndarray
    pools: np.ndarray
    left: np.ndarray


@remembered(200)
def _reach(technique: Technique) -> _Reach:
    places, cover = usual_places(), dict(technique.cover)
    return _Reach(
        np.array([place in technique.places for place in places]),
        np.array([cover.get(place.id, 1.0) for place in places]),
        np.array([place.pools for place in places]),
        np.array([place.left for place in places]),
    )


def followed(recipe: Recipe, start: Surface, calibrations: tuple[Calibration, ...] = ()) -> Iterator[Laid]:
    """The steps of a recipe one after the other on many grounds at once.

    start: (grounds, places, 16). Coats that the recipe leaves open are counted for each ground by how it covers its flats.
    """
    for step in recipe.steps:
        film = calibrated_film(step.mix, calibrations)
        covers = _covers(step, film, start, recipe.even) if counts_coats(step) else None
        coats = np.array(
            [step.coats or one.laid for one in covers] if covers else [step.coats or 1] * len(start.diffuse)
        )
        after = start
        for at in range(int(coats.max())):
            after = (
                after_coat(step, film, after).where((at < coats)[:, None], after)
                if at >= coats.min()
                else after_coat(step, film, after)
            )
        yield Laid(step, start, after, coats, covers)
        start = after


def coats_laid(recipe: Recipe, start: Surface, calibrations: tuple[Calibration, ...] = ()) -> np.ndarray:
    """Coats of every step on many grounds, (grounds, steps), without following what no count depends on."""
    asked = [at for at, step in enumerate(recipe.steps) if counts_coats(step) and step.coats is None]
    told = [[step.coats or 1] * len(start.diffuse) for step in recipe.steps]
    if asked:
        for at, one in enumerate(followed(replace(recipe, steps=recipe.steps[: asked[-1]]), start, calibrations)):
            told[at], start = one.coats.tolist(), one.after
        last = recipe.steps[asked[-1]]
        told[asked[-1]] = [
            one.laid for one in _covers(last, calibrated_film(last.mix, calibrations), start, recipe.even)
        ]
    return np.array(told, int).reshape(len(recipe.steps), len(start.diffuse)).T


def first_covers(
    recipes: Iterable[Recipe], start: Surface, calibrations: tuple[Calibration, ...] = ()
) -> dict[Recipe, tuple[Coverage, ...]]:
    """For recipes that begin with a base, how that covers every ground, (grounds, places, 16), all at once."""
    known = [one for one in dict.fromkeys(recipes) if one.steps and counts_coats(one.steps[0])]
    even = [one for one in known if not one.steps[0].manner.full]
    films = [(calibrated_film(one.steps[0].mix, calibrations), one.steps[0].mix.dilution, one.even) for one in even]
    flats = start.at((slice(None), usual_places().index(usual_places().flats)))
    found = dict(zip(even, coverages_of(films, flats), strict=True))
    for one in known:
        if one not in found:
            found[one] = _covers(one.steps[0], calibrated_film(one.steps[0].mix, calibrations), start, one.even)
    return found


def counts_coats(step: Step) -> bool:
    """Whether a step is laid until it covers: a base of a paint that does; what is transparent by nature never covers."""
    return step.kind == "base" and not all(pot.transparent for pot in step.mix.paints)


def _covers(step: Step, film: Film, start: Surface, even: float) -> tuple[Coverage, ...]:
    """How a step covers the places where it shows most."""
    shown = start.at((slice(None), usual_places().index(step.technique.shown)))
    return coverages(
        film, shown, step.mix.dilution, even, full=tolerance_of(step.mix.film) if step.manner.full else None
    )


def after_coat(step: Step, film: Film, surface: Surface) -> Surface:
    """One coat on all places, (..., places, 16), or whatever the technique does instead."""
    reach = _reach(step.technique)
    new = _spread(step, film, surface, reach)
    return new if reach.reached.all() else new.where(reach.reached, surface)


def _spread(step: Step, film: Film, surface: Surface, reach: _Reach) -> Surface:
    effect, dilution = step.technique.effect, step.mix.dilution
    if effect == "dabs":
        return blended(surface, coated(surface, film, film.thickness(dilution) * DAB), reach.touched)
    if effect == "glaze":
        return glazed(surface, film, dilution)
    if effect in ("wash", "recess"):
        return washed(surface, film, dilution, recess=reach.pools)
    if effect == "stain":
        return stained(surface, film, dilution, recess=reach.pools)
    if effect == "oil":
        raised, recess = wash_thickness(film, dilution)
        return wiped(surface, film, np.where(reach.pools, recess, raised), reach.left)
    if effect == "varnish":
        return varnished(surface, step.mix.paints[0].finish)
    return coated(surface, film, film.thickness(dilution))
