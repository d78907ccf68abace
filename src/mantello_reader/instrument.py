"""What the simulated reader reads: the colour of a sample as it is held, with noise, and now and then a fault."""

import random
import tomllib
from dataclasses import dataclass, field
from functools import cache
from importlib.resources import files

from mantello_core.colour.film import over
from mantello_core.colour.pigment import optics_of
from mantello_core.colour.reflectance import to_air, xyz_of
from mantello_core.colour.spaces import Lab, lab_of
from mantello_core.film.surface import solid
from mantello_core.paints.paint import BLACK_CARD, STANDARD_COAT, STANDARD_SOLIDS, WHITE_CARD, Film, mixed
from mantello_core.paints.range import paint

#: how a sample is held: thick, one coat over black or white card, or one drop with one of the reference white
HELD = ("opaque", "black", "white", "tint")
#: spread of one reading, CIELAB units on every axis
NOISE = 0.35
#: spread of a painter's hand from what is predicted, on every axis, for areas of painted figures
HAND = 1.0
#: what may go wrong, how often, and what the instrument says
FAULTS = {
    "moved": (0.05, "The reading head moved; hold it still and read again."),
    "dark": (0.03, "Too little light came back; is the head flat on the sample?"),
}
REFERENCE_WHITE = "gull-white"


class Fault(Exception):
    """A reading that failed; the message is the instrument's."""

    def __init__(self, code: str, message: str):
        super().__init__(message)
        self.code = code


@dataclass(frozen=True, eq=False)
class Sample:
    """A pot whose paint can be read."""

    id: str
    name: str
    film: Film


@cache
def samples() -> dict[str, Sample]:
    """What can be held under it, by id."""
    data = tomllib.loads((files(__package__) / "samples.toml").read_text(encoding="utf-8"))
    return {
        row["id"]: Sample(
            row["id"], row["name"], Film(*optics_of(row["pigments"], row.get("fineness", 1.0)), row["solids"])
        )
        for row in data["sample"]
    }


@dataclass
class Instrument:
    """One instrument; the same seed gives the same readings in the same order."""

    seed: int | None = None
    noise: float = NOISE
    faults: bool = True
    _chance: random.Random = field(init=False)

    def __post_init__(self):
        self._chance = random.Random(self.seed)

    def read(self, sample: str, held: str) -> Lab:
        """One reading of a sample.

        Raises: KeyError for a sample or way of holding it that there is not; Fault.
        """
        return self._seen(true_colour(samples()[sample].film, held))

    def read_figure(self, sample: str, expected: Lab) -> Lab:
        """One reading of an area of a painted figure, which nobody really holds there: what is expected of it, as a
        painter's hand gave it. sample: names the area; the same one was always painted the same.

        Raises: Fault.
        """
        hand = random.Random(sample)
        return self._seen(Lab(*(value + hand.gauss(0, HAND) for value in expected)))

    def _seen(self, true: Lab) -> Lab:
        if self.faults:
            for code, (share, said) in FAULTS.items():
                if self._chance.random() < share:
                    raise Fault(code, said)
        noisy = [value + self._chance.gauss(0, self.noise) for value in true]
        return Lab(min(100.0, max(0.0, noisy[0])), noisy[1], noisy[2])


def true_colour(film: Film, held: str) -> Lab:
    """What a perfect instrument would read.

    Raises: KeyError for a way of holding it that there is not.
    """
    if held not in HELD:
        raise KeyError(held)
    if held == "opaque":
        return solid(film).colour
    if held == "tint":
        return solid(mixed([(film, 1.0), (paint(REFERENCE_WHITE).film, 1.0)])).colour
    card = BLACK_CARD if held == "black" else WHITE_CARD
    thickness = STANDARD_COAT * film.solids / STANDARD_SOLIDS
    return lab_of(xyz_of(to_air(over(film.absorption, film.scattering, thickness, card))))
