"""How the stage is looked at: distance, light, sight, values only, the table it stands on. Never alters data."""

import math
from dataclasses import dataclass

from mantello_core.colour.acuity import DISTANCES, blur_millimetres
from mantello_core.colour.light import in_light
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.colour.vision import seen_by
from mantello_core.memory import remembered

#: how far along the work is that is looked at
MOMENT_WORDS = {"shade": "After the shade", "painted": "Painted", "finished": "Varnished and dirty"}
DISTANCE_WORDS = {"hand": "In hand", "arm": "Arm's length", "table": "Across the table"}
LIGHT_WORDS = {"window": "Window", "booth": "Booth", "lamp": "Desk lamp", "tube": "Cold tube"}
SIGHT_WORDS = {"full": "Full", "protan": "Protan", "deutan": "Deutan", "tritan": "Tritan"}
SEVERITIES = {"100": "severe", "60": "medium", "30": "mild"}
GROUND_WORDS = {
    "neutral": "Neutral grey",
    "turf": "Turf green",
    "moss": "Dark green",
    "mud": "Mud brown",
    "sand": "Sand",
}


@dataclass(frozen=True)
class Seeing:
    """One way of looking. The defaults are the neutral one: in hand, by the window, with full sight."""

    distance: str = "hand"
    light: str = "window"
    sight: str = "full"
    severity: str = "100"
    values: bool = False
    ground: str = "neutral"
    moment: str = "painted"

    @property
    def metres(self) -> float:
        """Standing distance."""
        return DISTANCES[self.distance]

    @property
    def apparent(self) -> bool:
        """Whether tones of one area have run together."""
        return self.distance != "hand"

    @property
    def blur(self) -> float:
        """Standard deviation of the blur to draw, in drawing units (0.1 mm): what the distance adds to the hand's."""
        far, near = blur_millimetres(self.metres), blur_millimetres(DISTANCES["hand"])
        return 10 * math.sqrt(max(far * far - near * near, 0))

    @property
    def note(self) -> str:
        """What is said on the stage when it is not looked at neutrally; empty when it is."""
        said = [DISTANCE_WORDS[self.distance].lower()] if self.distance != "hand" else []
        said += [f"{LIGHT_WORDS[self.light].lower()} light"] if self.light != "window" else []
        said += [f"{SEVERITIES[self.severity]} {self.sight} sight"] if self.sight != "full" else []
        said += ["values only"] if self.values else []
        said += [MOMENT_WORDS[self.moment].lower()] if self.moment != "painted" else []
        return f"seen {', '.join(said)}" if said else ""

    def hex(self, colour: Lab) -> str:
        """A colour as it is looked at."""
        return _seen(colour, self.light, self.sight, self.severity, values=self.values)

    def query(self, **changes) -> dict[str, str]:
        """What differs from the neutral way, as a query's members."""
        usual = Seeing()
        now = {name: getattr(self, name) for name in self.__dataclass_fields__} | changes
        return {name: "yes" if value is True else value for name, value in now.items() if value != getattr(usual, name)}


def seeing_from(asked) -> Seeing:
    """The way of looking that a query asks for; what is unknown in it is neutral."""

    def one_of(name, known):
        return asked.get(name) if asked.get(name) in known else getattr(Seeing, name)

    return Seeing(
        one_of("distance", DISTANCE_WORDS),
        one_of("light", LIGHT_WORDS),
        one_of("sight", SIGHT_WORDS),
        one_of("severity", SEVERITIES),
        asked.get("values") == "yes",
        one_of("ground", GROUND_WORDS),
        one_of("moment", MOMENT_WORDS),
    )


@remembered(3_000)
def _seen(colour: Lab, light: str, sight: str, severity: str, *, values: bool) -> str:
    if light != "window":
        colour = in_light(colour, light)
    if sight != "full":
        colour = seen_by(colour, sight, int(severity) / 100)
    return hex_of(Lab(colour.lightness, 0, 0) if values else colour)
