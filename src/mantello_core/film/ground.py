"""What a recipe starts on: the undercoat, perhaps with a lighter one from above, or a pot's coat over it."""

from dataclasses import dataclass
from functools import cached_property

from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..paints.paint import Paint
from ..paints.range import paint
from ..recipes.technique import ZONES, Technique, techniques
from .surface import Surface, blended, coated, solid

#: share of each zone that a spray from above reaches; an estimate
FROM_ABOVE = {"shade": 0.08, "base": 0.5, "layer": 0.8, "highlight": 0.95, "edge": 1.0}
#: coats of the pot laid over the aerosol
POT_COATS = 1


@dataclass(frozen=True)
class GroundCoat:
    """One thing laid on the whole figure before any role's recipe starts."""

    step: str
    #: kind of technique
    kind: str
    name: str
    paint_id: str

    @property
    def paint(self) -> Paint:
        """The paint it is laid with."""
        return paint(self.paint_id)

    @property
    def technique(self) -> Technique:
        """Tool, speed and drying."""
        return techniques()[self.kind]

    @property
    def words(self) -> str:
        """What it is laid with; a pot is thinned 1 : 1."""
        return self.paint.name if self.kind == "undercoat" else f"{self.paint.name} 1, water 1"


@dataclass(frozen=True)
class Ground:
    """Paint ids of what lies beneath the first step of every recipe."""

    undercoat: str
    #: a second spray, from above only; empty for none
    above: str = ""
    #: a pot whose coat is brushed over it all, so that touch-ups match; empty for none
    pot_coat: str = ""

    @cached_property
    def surfaces(self) -> dict[str, Surface]:
        """The surface of every zone; sprays count as opaque where they fall."""
        dark = solid(paint(self.undercoat).film)
        zones = dict.fromkeys(ZONES, dark)
        if self.above:
            light = solid(paint(self.above).film)
            zones = {zone: blended(dark, light, FROM_ABOVE[zone]) for zone in ZONES}
        if self.pot_coat:
            film = paint(self.pot_coat).film
            for _ in range(POT_COATS):
                zones = {zone: coated(surface, film, film.thickness(1.0)) for zone, surface in zones.items()}
        return zones

    @property
    def flat(self) -> Surface:
        """The surface of the flats, which most of an area is."""
        return self.surfaces["base"]

    @property
    def colour(self) -> Lab:
        """The colour of the flats."""
        return self.flat.colour

    @property
    def paints(self) -> tuple[Paint, ...]:
        """What it is made of, in the order it is laid."""
        return tuple(paint(id_) for id_ in (self.undercoat, self.above, self.pot_coat) if id_)

    @property
    def coats(self) -> tuple["GroundCoat", ...]:
        """What is laid, in order."""
        laid = (
            GroundCoat("undercoat", "undercoat", "Undercoat", self.undercoat),
            GroundCoat("above", "undercoat", "Spray from above", self.above),
            GroundCoat("pot-coat", "base", "Pot coat", self.pot_coat),
        )
        return tuple(one for one in laid if one.paint_id)

    def coat(self, step: str) -> "GroundCoat | None":
        """The coat of that step id, if the ground has it."""
        return next((one for one in self.coats if one.step == step), None)

    @property
    def words(self) -> str:
        """As in 'Undercoat Soot, Undercoat Linen from above'."""
        said = [paint(self.undercoat).name]
        if self.above:
            said.append(f"{paint(self.above).name} from above")
        if self.pot_coat:
            said.append(f"a coat of {paint(self.pot_coat).name}")
        return ", ".join(said)


def checked_ground(ground: Ground, where: str = "") -> Ground:
    """The ground, if everything in it is allowed.

    Raises: UnknownName for a paint; OutOfRange for a spray that is none, twice the same, or a pot that is no paint
    that covers.
    """
    for name in ("undercoat", "above"):
        id_ = getattr(ground, name)
        if id_ and paint(id_, f"{where}{name}").kind != "spray":
            raise OutOfRange(
                f"{paint(id_).name} is of kind {paint(id_).kind}; an undercoat is a spray.", f"{where}{name}"
            )
    if ground.above == ground.undercoat:
        raise OutOfRange(
            f"{paint(ground.above).name} over itself; choose another to spray from above.", f"{where}above"
        )
    if ground.pot_coat and not paint(ground.pot_coat, f"{where}pot_coat").covers:
        raise OutOfRange(
            f"{paint(ground.pot_coat).name} is a {paint(ground.pot_coat).kind_words}; a pot coat is of a paint that covers.",
            f"{where}pot_coat",
        )
    return ground
