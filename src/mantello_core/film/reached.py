"""What colour a ground lets a transparent first coat reach: a stain on black is black."""

from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..paints.paint import Paint
from ..recipes.step import Recipe
from .calibration import Calibration
from .ground import Ground
from .laying import counts_coats
from .prediction import predicted

#: CIEDE2000 from what a pale ground lets it reach, from which a colour counts as lost on another
LOST = 18.0


@dataclass(frozen=True)
class Reached:
    """What a recipe looks like on a ground, and on the palest one."""

    here: Lab
    pale: Lab

    @property
    def apart(self) -> float:
        """CIEDE2000 between the two."""
        return difference(self.here, self.pale)

    @property
    def lost(self) -> bool:
        """Whether so much of it is lost in the dark that another ground is wanted."""
        return self.here.lightness < self.pale.lightness and self.apart >= LOST


def shows_ground(recipe: Recipe) -> bool:
    """Whether its ground stays to be seen: it begins with a stain or another paint that is transparent by nature."""
    if not recipe.steps:
        return False
    first = recipe.steps[0]
    return first.kind in ("stain", "base") and not counts_coats(first)


def reached(recipe: Recipe, ground: Ground, pale: Paint, calibrations: tuple[Calibration, ...] = ()) -> Reached:
    """What a recipe reaches on a ground, beside a pale undercoat."""
    return Reached(*(predicted(recipe, one, calibrations).apparent for one in (ground, Ground(pale))))
