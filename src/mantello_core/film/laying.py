"""What the steps of a recipe leave on all zones of a figure, and on many grounds, at once."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from ..paints.paint import Film
from ..recipes.step import Recipe, Step
from .calibration import Calibration, calibrated_film
from .coverage import Coverage, coverages, coverages_of, tolerance_of
from .finish import left_of, varnished
from .ground import Ground
from .surface import (
    GLAZE,
    WASH_MATT,
    Surface,
    blended,
    coated,
    settled,
    stacked,
    stain_pooled,
    wash_pooled,
    wash_thickness,
)
from .zones import Zones, zones_of

#: of many grounds the middling point, the first of the zones
_MIDDLING = slice(None), 0
#: a dab is thicker than a brushed coat
DAB = 1.3
#: and a mist coat from an airbrush is thinner
MIST = 0.45
#: what these leave of a coat
_PARTS = {"dabs": DAB, "mist": MIST, "glaze": GLAZE}
#: share of an oil or enamel film that wiping leaves in the open, and more in the deepest recess
LEFT_OPEN, LEFT_DEEP = 0.02, 0.68


@dataclass(frozen=True, eq=False)
class Laid:
    """One step laid on so many grounds: surfaces before and after, (grounds, zones, 16)."""

    step: Step
    before: Surface
    after: Surface
    #: coats laid, one a ground
    coats: np.ndarray
    #: how every ground is covered, for steps whose coats are worked out
    covers: tuple[Coverage, ...] | None
    #: how much of every zone it covers, (zones,)
    cover: np.ndarray


def zones_on(recipe: Recipe, grounds: Sequence[Ground]) -> Zones:
    """The zones that a recipe tells apart on some grounds."""
    return zones_of(recipe.steps, any(ground.above for ground in grounds), recipe.light)


def followed(
    recipe: Recipe, grounds: Sequence[Ground], calibrations: tuple[Calibration, ...] = (), zones: Zones | None = None
) -> Iterator[Laid]:
    """The steps of a recipe one after the other on many grounds at once.

    Coats that the recipe leaves open are counted for each ground by how it covers the middling point. zones: from
    ``zones_on``, or of a recipe that this one is the beginning of.
    """
    zones = zones or zones_on(recipe, grounds)
    start = _start(grounds, zones)
    for step, cover in zip(recipe.steps, zones.cover, strict=False):
        film = calibrated_film(step.mix, calibrations)
        covers = covers_of(step, film, start.at(_MIDDLING), recipe.even) if counts_coats(step) else None
        coats = np.array([step.coats or one.laid for one in covers] if covers else [step.coats or 1] * len(grounds))
        after = start
        for at in range(int(coats.max())):
            new = after_coat(step, film, after, cover, zones.depth)
            after = new.where((at < coats)[:, None], after) if at >= coats.min() else new
        yield Laid(step, start, after, coats, covers, cover)
        start = after


def _start(grounds: Sequence[Ground], zones: Zones) -> Surface:
    """What lies beneath the first step, (grounds, zones, 16)."""
    found = [ground.on(zones.sprayed) for ground in grounds]
    return found[0].at(None) if len(found) == 1 else stacked(found)


def coats_laid(recipe: Recipe, grounds: Sequence[Ground], calibrations: tuple[Calibration, ...] = ()) -> np.ndarray:
    """Coats of every step on many grounds, (grounds, steps), without following what no count depends on."""
    asked = [at for at, step in enumerate(recipe.steps) if counts_coats(step) and step.coats is None]
    told = [[step.coats or 1] * len(grounds) for step in recipe.steps]
    if asked:
        zones = zones_on(recipe, grounds)
        start = _start(grounds, zones)
        first = replace(recipe, steps=recipe.steps[: asked[-1]])
        for at, one in enumerate(followed(first, grounds, calibrations, zones)):
            told[at], start = one.coats.tolist(), one.after
        last = recipe.steps[asked[-1]]
        film = calibrated_film(last.mix, calibrations)
        told[asked[-1]] = [one.laid for one in covers_of(last, film, start.at(_MIDDLING), recipe.even)]
    return np.array(told, int).reshape(len(recipe.steps), len(grounds)).T


def first_covers(
    recipes: Iterable[Recipe], grounds: Sequence[Ground], calibrations: tuple[Calibration, ...] = ()
) -> dict[Recipe, tuple[Coverage, ...]]:
    """For recipes that begin with a base, how that covers every ground, all at once."""
    known = [one for one in dict.fromkeys(recipes) if one.steps and counts_coats(one.steps[0])]
    middling = stacked([ground.flat for ground in grounds])
    # roles and tiers share bases: each is counted once
    first = {one: (one.steps[0].mix, one.even, one.steps[0].manner.full) for one in known}
    asked = dict.fromkeys(first.values())
    even = [key for key in asked if not key[2]]
    films = [(calibrated_film(mix, calibrations), mix.dilution, limit) for mix, limit, _ in even]
    covers = dict(zip(even, coverages_of(films, middling), strict=True))
    for key in asked:
        if key not in covers:
            mix, limit, _ = key
            film = calibrated_film(mix, calibrations)
            covers[key] = coverages(film, middling, mix.dilution, limit, full=tolerance_of(mix.film))
    return {one: covers[key] for one, key in first.items()}


def counts_coats(step: Step) -> bool:
    """Whether a step is laid until it covers: a base of a paint that does; what is transparent by nature never covers."""
    return step.kind == "base" and not all(pot.transparent for pot in step.mix.paints)


def covers_of(step: Step, film: Film, middling: Surface, even: float) -> tuple[Coverage, ...]:
    """How a step covers middling points, (n, 16), as its manner asks: even, or at its full colour."""
    full = tolerance_of(step.mix.film) if step.manner.full else None
    return coverages(film, middling, step.mix.dilution, even, full=full)


@dataclass(frozen=True, eq=False)
class Spread:
    """One coat of a step as it lies."""

    film: Film
    #: dry µm, the same everywhere or one a zone
    thickness: float | np.ndarray
    #: how far it takes a metal's flash at least
    matt: float = 0.0


def spread_of(step: Step, film: Film, depth: np.ndarray) -> Spread:
    """One coat of a step that is no varnish. depth: of every zone, 0 open to 1 deepest, (zones,)."""
    effect, dilution = step.technique.effect, step.mix.dilution
    if effect in ("wash", "recess"):
        return Spread(settled(film), wash_pooled(film, dilution, depth), WASH_MATT)
    if effect == "stain":
        return Spread(film, stain_pooled(film, dilution, depth))
    if effect == "oil":
        raised, recess = wash_thickness(film, dilution)
        return Spread(film, left_of(raised + (recess - raised) * depth, LEFT_OPEN + LEFT_DEEP * depth))
    return Spread(film, film.thickness(dilution) * _PARTS.get(effect, 1.0))


def after_coat(step: Step, film: Film, surface: Surface, cover: np.ndarray, depth: np.ndarray) -> Surface:
    """One coat on all zones, (..., zones, 16), each covered so far; what is covered in part is a speckle of both.

    cover, depth: (zones,).
    """
    if step.technique.effect == "varnish":
        new = varnished(surface, step.mix.paints[0].finish)
    else:
        spread = spread_of(step, film, depth)
        new = coated(surface, spread.film, spread.thickness)
        new = replace(new, matt=np.maximum(surface.matt, spread.matt)) if spread.matt else new
    return blended(surface, new, cover * step.technique.density)
