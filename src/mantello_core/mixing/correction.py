"""A colour that came out wrong: what thin layer over it brings it back to what was wanted."""

from collections.abc import Iterable
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..film.surface import Surface, coated, solid
from ..paints.estimate import CardReading, estimated
from ..paints.paint import Film, Paint
from ..paints.range import paint
from ..recipes.step import Mix

#: dilutions that are tried, by diluent, and coats of each
TRIED = (("water", 1.0), ("water", 3.0), ("medium", 4.0), ("medium", 8.0))
MOST_COATS = 3
#: CIEDE2000 a correction must bring it nearer, to be worth a layer
WORTH = 1.0
_WHITE = "gull-white"


@dataclass(frozen=True)
class Correction:
    """A layer that brings a colour nearer to what was wanted."""

    mix: Mix
    coats: int
    #: what it would be then, and how far from what was wanted (CIEDE2000)
    then: Lab
    apart: float

    @property
    def kind(self) -> str:
        """What a painter calls it."""
        if self.mix.dilution >= 3:
            return "a thin glaze"
        return "a thinned coat" if self.coats == 1 else f"{self.coats} thinned coats"


def corrections(seen: Lab, wanted: Lab, pots: Iterable[Paint], limit: int = 3) -> tuple[Correction, ...]:
    """The layers that bring a seen colour nearest to the wanted one, the nearest first; none if none is worth it.

    Each paint that mixes or stains is tried thinned 1 : 1 and 1 : 3 with water and 1 : 4 and 1 : 8 with medium, one to
    three coats. The surface's reflectance is estimated from its colour alone, so this is a rough guide.
    Raises: OutOfRange for the limit.
    """
    if not 1 <= limit <= 20:
        raise OutOfRange(f"{limit} corrections; allowed is 1 to 20.", "limit")
    now, surface = difference(seen, wanted), _surface_of(seen)
    best: dict[str, Correction] = {}
    for pot in pots:
        if pot.flake or not (pot.mixable or pot.kind in ("stain", "wash")):
            continue
        for diluent, parts in TRIED:
            mix, layered = Mix(((pot, 1.0),), diluent, parts), surface
            for coats in range(1, MOST_COATS + 1):
                layered = coated(layered, pot.film, pot.film.thickness(parts))
                apart = difference(layered.colour, wanted)
                if apart < now - WORTH and apart < (best[pot.id].apart if pot.id in best else now):
                    best[pot.id] = Correction(mix, coats, layered.colour, apart)
    return tuple(sorted(best.values(), key=lambda one: (round(one.apart, 1), one.coats, one.mix.words))[:limit])


def _surface_of(colour: Lab) -> Surface:
    """A surface that is seen so: the opaque film of the likeliest paint of that colour."""
    optics = estimated([CardReading("opaque", colour)], paint(_WHITE).film)
    return solid(Film(*optics, 0.36))
