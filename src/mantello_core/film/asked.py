"""What is asked of many recipes at once, and what is told of each."""

from dataclasses import dataclass

import numpy as np

from ..paints.paint import Film
from ..recipes.step import Recipe
from .calibration import Calibration, calibrated_film
from .coverage import Coverage
from .ground import Ground
from .laying import Spread, spread_of
from .surface import Surface
from .zones import Zones


@dataclass(frozen=True)
class Asked:
    """One recipe on one ground."""

    recipe: Recipe
    ground: Ground
    #: what test pieces taught of paints
    calibrations: tuple[Calibration, ...] = ()

    @property
    def plain(self) -> bool:
        """Whether nothing in it glints and nothing is a varnish."""
        pots = (*(pot for step in self.recipe.steps for pot in step.mix.paints), *self.ground.paints)
        effects = {step.technique.effect for step in self.recipe.steps}
        return not any(pot.flake for pot in pots) and "varnish" not in effects

    def film(self, number: int) -> Film:
        """What the step of that number is laid with, as its paints were found."""
        return calibrated_film(self.recipe.steps[number].mix, self.calibrations)

    def spread(self, number: int, depth: np.ndarray) -> Spread:
        """One coat of the step of that number on zones of such depth."""
        return spread_of(self.recipe.steps[number], self.film(number), depth)


@dataclass(frozen=True, eq=False)
class Followed:
    """What the steps of one recipe leave."""

    zones: Zones
    #: all zones before the first step and after each, (steps + 1, zones, 16)
    surface: Surface
    #: coats of every step, and how the ground is covered by those whose coats are worked out
    coats: tuple[int, ...]
    covers: tuple[Coverage | None, ...]


def padded(values, wide: int) -> np.ndarray:
    """Values of zones, or one for all of them, with noughts up to so many."""
    found = np.zeros(wide)
    if np.ndim(values):
        found[: len(values)] = values
    else:
        found[:] = values
    return found
