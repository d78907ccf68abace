"""What colour a ground lets a transparent first coat reach: a stain on black is black."""

from dataclasses import dataclass

from ..colour.difference import differences
from ..colour.spaces import Lab
from ..figures.form import Form
from ..memory import remembered
from ..paints.paint import Paint
from ..recipes.step import Recipe
from .calibration import Calibration
from .ground import Ground
from .laying import counts_coats, followed, zones_on
from .prediction import mean_of

#: CIEDE2000 from what a pale ground lets it reach, from which a colour counts as lost on another
LOST = 18.0


@dataclass(frozen=True)
class Reached:
    """What a recipe looks like on a ground, and on the palest one; compared zone by zone, since a stain may show on what a
    lighter spray reached and be lost below."""

    here: Lab
    pale: Lab
    #: CIEDE2000 between the two, the mean over the surface
    apart: float
    #: share of the surface on which they are so far apart that it is lost
    share: float

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


@remembered(1_000)
def reached(
    recipe: Recipe,
    ground: Ground,
    pale: Paint,
    calibrations: tuple[Calibration, ...] = (),
    form: Form | None = None,
) -> Reached:
    """What a recipe of at least one step reaches on a ground, beside a pale undercoat. form: of the areas it is laid on."""
    grounds = ground, Ground(pale)
    zones = zones_on(recipe, grounds)
    *_, last = followed(recipe, grounds, calibrations, zones)
    here, there = last.after.labs[:, 1:]
    share = zones.share_on(form)[1:]
    apart = differences(here, there)
    darker = (apart >= LOST) & (here[:, 0] < there[:, 0])
    return Reached(
        mean_of(here, share), mean_of(there, share), float((apart * share).sum()), float(share[darker].sum())
    )
