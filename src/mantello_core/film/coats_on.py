"""Coats of many recipes on many grounds, those that begin with a base all at once."""

from collections.abc import Iterable, Sequence

import numpy as np

from ..recipes.step import Recipe
from .calibration import Calibration
from .coverage import Coverage
from .ground import Ground
from .laying import coats_laid, counts_coats, first_covers


class CoatsOn:
    """Coats of recipes on each of many grounds."""

    def __init__(self, grounds: Sequence[Ground], recipes: Iterable[Recipe], calibrations: tuple[Calibration, ...]):
        self._recipes, self._calibrations = tuple(dict.fromkeys(recipes)), calibrations
        self._grounds = tuple(grounds)
        self._place = {ground: number for number, ground in enumerate(self._grounds)}
        #: how the base that a recipe begins with covers every ground, where it begins with one
        self.covers: dict[Recipe, tuple[Coverage, ...]] = first_covers(self._recipes, self._grounds, calibrations)
        self._coats = {recipe: self._counted(recipe) for recipe in self._recipes}

    def of(self, recipe: Recipe) -> np.ndarray:
        """Coats of every step on every ground, (grounds, steps)."""
        return self._coats[recipe]

    def most(self, recipe: Recipe, grounds: Iterable[Ground | None]) -> np.ndarray:
        """The most coats of every step over some of the grounds, (steps,); None is the first ground."""
        return self._coats[recipe][[self._place[ground] if ground else 0 for ground in grounds]].max(0)

    def _counted(self, recipe: Recipe) -> np.ndarray:
        asked = [at for at, step in enumerate(recipe.steps) if counts_coats(step) and step.coats is None]
        if asked != [0]:
            return coats_laid(recipe, self._grounds, self._calibrations)
        told = [[step.coats or 1] * len(self._grounds) for step in recipe.steps]
        told[0] = [one.laid for one in self.covers[recipe]]
        return np.array(told, int).T
