"""What a test piece tells: how the colours came out against what was predicted, and what that says of the paints."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..film.calibration import Calibration, drying_found, hiding_found
from ..film.ground import Ground
from ..film.prediction import predicted
from ..film.tones import Tones
from ..recipes.place import usual_places
from ..recipes.step import Recipe

#: CIEDE2000 between a photograph and a prediction that is as good as a photograph can tell
AGREES = 4.0
#: factors that are so near 1 that they tell nothing
NOTHING = 0.05
#: lights a colour is held to, the first that was photographed
DAYLIGHTS = ("window", "booth")
#: patches by what a painter points at, and the place each is compared with
PATCHES = {"recess": usual_places().recess, "flat": usual_places().flats, "raised": usual_places().raised}


@dataclass(frozen=True)
class Done:
    """What was done of one step; None where the painter did not know."""

    coats: int | None = None
    #: hands-on, and until it was dry
    minutes: float | None = None
    drying: float | None = None


@dataclass(frozen=True)
class Compared:
    """One patch of a photograph against the prediction."""

    patch: str
    seen: Lab
    predicted: Lab

    @property
    def apart(self) -> float:
        """CIEDE2000 between the two."""
        return difference(self.seen, self.predicted)

    @property
    def agrees(self) -> bool:
        """Whether the difference is no more than a photograph can tell."""
        return self.apart <= AGREES

    @property
    def words(self) -> str:
        """How it came out: darker, lighter, duller, brighter, or as predicted."""
        if self.agrees:
            return "as predicted"
        light = self.seen.lightness - self.predicted.lightness
        chroma = self.seen.chroma - self.predicted.chroma
        if abs(light) >= abs(chroma):
            return "lighter than predicted" if light > 0 else "darker than predicted"
        return "more vivid than predicted" if chroma > 0 else "duller than predicted"


@dataclass(frozen=True)
class Lesson:
    """What a step says of a paint."""

    step: str
    calibration: Calibration
    #: coats laid and predicted, minutes dried and predicted; None where it tells nothing
    coats: tuple[int, int] | None
    drying: tuple[float, float] | None


def compared(patches: Mapping[str, Lab], tones: Tones) -> tuple[Compared, ...]:
    """Patches of ``PATCHES`` against the tones that were predicted; others are left out."""
    return tuple(Compared(name, patches[name], tones[zone]) for name, zone in PATCHES.items() if name in patches)


@dataclass(frozen=True)
class Turned:
    """One place under a light against the same place by daylight."""

    patch: str
    #: of ``colour.light.LIGHTS``
    light: str
    by_day: Lab
    here: Lab
    #: CIEDE2000 that was predicted between the two
    expected: float

    @property
    def apart(self) -> float:
        """CIEDE2000 between the two as they were read."""
        return difference(self.by_day, self.here)

    @property
    def holds(self) -> bool:
        """Whether the colour is no other than a photograph can tell."""
        return self.apart <= AGREES


def turned(
    seen: Mapping[str, Mapping[str, Lab]], predictions: Mapping[str, Tones], day: Sequence[str] = DAYLIGHTS
) -> tuple[Turned, ...]:
    """How places look under every light beside how they look by day, the farthest first.

    seen: light to patch to colour, each freed of its light's cast; predictions: the tones under each light; day: lights that
    count as daylight, the first one with a photograph is taken. Nothing without one by day.
    """
    by_day = next((one for one in day if seen.get(one)), None)
    if by_day is None:
        return ()
    rows = [
        Turned(patch, light, seen[by_day][patch], here, difference(predictions[by_day][zone], predictions[light][zone]))
        for light, colours in seen.items() if light != by_day
        for patch, zone in PATCHES.items() if patch in colours and patch in seen[by_day]
        for here in (colours[patch],)
    ]  # fmt: skip
    return tuple(sorted(rows, key=lambda row: -row.apart))


def lessons(recipe: Recipe, ground: Ground, done: Mapping[str, Done]) -> tuple[Lesson, ...]:
    """What the coats and the drying of every step say of its paint, for steps with one paint.

    Coats tell of bases whose coats were left to be counted; of a mix, no one paint is to blame.
    """
    found = []
    for outcome in predicted(recipe, ground).outcomes:
        step, was = outcome.step, done.get(outcome.step.id, Done())
        before = outcome.beneath
        if len(step.mix.parts) > 1:
            continue
        hiding, drying, coats, dried = 1.0, 1.0, None, None
        if was.coats and step.kind == "base" and step.coats is None and was.coats != outcome.coats:
            factor = hiding_found(step.mix, before, was.coats)
            if factor:
                hiding, coats = factor, (was.coats, outcome.coats)
        if was.drying:
            drying, dried = drying_found(step.drying, was.drying), (was.drying, step.drying)
        if abs(hiding - 1) > NOTHING or abs(drying - 1) > NOTHING:
            learned = Calibration(step.mix.paints[0].id, round(hiding, 2), round(drying, 2))
            found.append(Lesson(step.id, learned, coats, dried if abs(drying - 1) > NOTHING else None))
    return tuple(found)
