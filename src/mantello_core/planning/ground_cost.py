"""What all the work of an army costs on each of many grounds: compiled once, since a ground changes only coats."""

from collections.abc import Sequence
from typing import NamedTuple

import numpy as np

from ..design.design import Design
from ..film.coats_on import CoatsOn
from ..film.ground import Ground
from ..order.nodes import ground_pot
from ..passes.ground_work import laid_grounds
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.share import painted_surface
from .compiling import whole_steps
from .cost import Cost, cost_of


class GroundCosts:
    """A design's work on each of some grounds."""

    def __init__(self, design: Design, resolution: Resolution, grounds: Sequence[Ground]):
        self.grounds = tuple(grounds)
        #: role and tier of everything that is painted
        self.worn = sorted(painted_surface(resolution, design.scheme))
        recipes = {key: design.scheme.recipe(*key) for key in self.worn}
        self.laid = CoatsOn(grounds, recipes.values(), design.scheme.calibrations)
        atoms = whole_steps(design, resolution)
        self._around = design.around
        self._ranks = _ranks(resolution)
        own, rest = [], []
        for atom in atoms:
            if atom.subject.role:
                elsewhere = resolution.ground_under(atom.subject.role, self._ranks[atom.unit, atom.rank].tier)
                (rest if elsewhere else own).append(atom)
            elif not atom.subject.is_ground:
                rest.append(atom)
        self._rest = cost_of(rest)
        self._pots = {atom.pot for atom in (*own, *rest)}
        counts = np.zeros(len(self.grounds))
        seconds = np.zeros(len(self.grounds))
        for atom in own:
            recipe = recipes[atom.subject.role, self._ranks[atom.unit, atom.rank].tier]
            coats = self.laid.of(recipe)[:, [step.id for step in recipe.steps].index(atom.step)] * len(atom.ordinals)
            counts += coats
            seconds += atom.seconds / atom.coats * coats
        self._coats, self._seconds = counts, seconds

    def cost(self, at: int) -> Cost:
        """The cost on the ground of that number."""
        rest, ground = self._rest, self.grounds[at]
        laying = sum(
            figures * laid.coat.seconds(laid.extent, self._around(one.tier, figures))
            for one, figures in self._ranks.values()
            for laid in laid_grounds(ground, one)
        )
        pots = self._pots | {ground_pot(coat) for coat in ground.coats}
        minutes = rest.minutes + (self._seconds[at] + laying) / 60
        return Cost(rest.coats + int(self._coats[at]), float(minutes), len(pots))


class _Rank(NamedTuple):
    """A rank by its first class of figures, and how many figures it has."""

    first: FigureClass
    figures: int

    @property
    def tier(self) -> str:
        return self.first.tier


def _ranks(resolution: Resolution) -> dict[tuple[str, str], _Rank]:
    found: dict[tuple[str, str], _Rank] = {}
    for one in resolution.classes:
        first, figures = found.get((one.unit, one.rank), (one, 0))
        found[one.unit, one.rank] = _Rank(first, figures + len(one.ordinals))
    return found
