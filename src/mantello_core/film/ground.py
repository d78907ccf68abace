"""What a recipe starts on: the undercoat, perhaps with a lighter one from above, or a pot's coat over it."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..figures.extent import Extent
from ..paints.paint import Paint
from ..recipes.first_step import base_thinned
from ..recipes.handwork import Circumstances, ground_seconds, seconds_of
from ..recipes.step import Step
from ..recipes.technique import Technique, techniques
from .surface import Surface, blended, coated, solid, tiled
from .tones import Tones, tones_of
from .zones import grouped_ground, middling_sprayed

#: coats of the pot laid over the aerosol
POT_COATS = 1


@dataclass(frozen=True)
class GroundCoat:
    """One thing laid on the whole figure before any role's recipe starts."""

    step: str
    #: kind of technique
    kind: str
    name: str
    paint: Paint

    @property
    def technique(self) -> Technique:
        """Tool, speed and drying."""
        return techniques()[self.kind]

    def seconds(self, extent: Extent, around: Circumstances) -> float:
        """Hands-on seconds for one figure, all of which is ``extent``."""
        if self.kind == "undercoat":
            return ground_seconds("can", extent.surface_mm2, around)
        return seconds_of(Step(self.step, self.kind, base_thinned(((self.paint, 1.0),))), extent, 1, around)

    @property
    def words(self) -> str:
        """What it is laid with; a pot is thinned as a base is."""
        return self.paint.name if self.kind == "undercoat" else base_thinned(((self.paint, 1.0),)).words


@dataclass(frozen=True)
class Ground:
    """What lies beneath the first step of every recipe."""

    undercoat: Paint
    #: a second spray, from above only
    above: Paint | None = None
    #: a pot whose coat is brushed over it all, so that touch-ups match
    pot_coat: Paint | None = None

    def on(self, sprayed: np.ndarray) -> Surface:
        """The surfaces of zones that a spray from above covers so far, (zones, 16); sprays count as opaque where they fall."""
        found = tiled(solid(self.undercoat.film), len(sprayed))
        if self.above:
            found = blended(found, tiled(solid(self.above.film), len(sprayed)), sprayed)
        if self.pot_coat:
            mix = base_thinned(((self.pot_coat, 1.0),))
            for _ in range(POT_COATS):
                found = coated(found, mix.film, mix.film.thickness(mix.dilution))
        return found

    @cached_property
    def tones(self) -> Tones:
        """The colours of it by lightness."""
        zones = grouped_ground(self.above is not None)
        return tones_of(self.on(zones.sprayed).labs[None, 1:], zones.share[1:])[0]

    @cached_property
    def flat(self) -> Surface:
        """The surface of the middling point, which most of an area is like."""
        return self.on(np.array([middling_sprayed()])).at(0)

    @property
    def colour(self) -> Lab:
        """The colour of the flats."""
        return self.flat.colour

    @property
    def paints(self) -> tuple[Paint, ...]:
        """What it is made of, in the order it is laid."""
        return tuple(pot for pot in (self.undercoat, self.above, self.pot_coat) if pot)

    @property
    def coats(self) -> tuple["GroundCoat", ...]:
        """What is laid, in order."""
        laid = (
            ("undercoat", "undercoat", "Undercoat", self.undercoat),
            ("above", "undercoat", "Spray from above", self.above),
            ("pot-coat", "base", "Pot coat", self.pot_coat),
        )
        return tuple(GroundCoat(*words, pot) for *words, pot in laid if pot)

    def coat(self, step: str) -> "GroundCoat | None":
        """The coat of that step id, if the ground has it."""
        return next((one for one in self.coats if one.step == step), None)

    @property
    def words(self) -> str:
        """As in 'Undercoat Soot, Undercoat Linen from above'."""
        said = [self.undercoat.name]
        if self.above:
            said.append(f"{self.above.name} from above")
        if self.pot_coat:
            said.append(f"a coat of {self.pot_coat.name}")
        return ", ".join(said)


def checked_ground(ground: Ground, where: str = "") -> Ground:
    """The ground, if everything in it is allowed.

    Raises: OutOfRange for a spray that is none, twice the same, or a pot that is no paint
    that covers.
    """
    for name in ("undercoat", "above"):
        pot = getattr(ground, name)
        if pot and pot.kind != "spray":
            raise OutOfRange(f"{pot.name} is of kind {pot.kind}; an undercoat is a spray.", f"{where}{name}")
    if ground.above == ground.undercoat:
        raise OutOfRange(f"{ground.above.name} over itself; choose another to spray from above.", f"{where}above")
    if ground.pot_coat and not ground.pot_coat.covers:
        raise OutOfRange(
            f"{ground.pot_coat.name} is a {ground.pot_coat.kind_words}; a pot coat is of a paint that covers.",
            f"{where}pot_coat",
        )
    return ground
