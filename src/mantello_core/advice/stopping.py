"""Where to stop: what every step is worth from a distance, for the minutes it takes."""

from dataclasses import dataclass

from ..colour.acuity import DISTANCES, seen_differences
from ..film.prediction import Prediction
from ..film.tones import Tones


@dataclass(frozen=True)
class Stop:
    """A recipe stopped after one step."""

    step: str
    #: minutes so far, of one figure
    minutes: float
    #: contrast that is seen, by distance: CIEDE2000 over the pairs of neighbouring tones, added up
    contrast: dict[str, float]
    #: contrast this step adds at arm's length for each of its minutes; negative where it evens out
    gain: float


def stops(prediction: Prediction, minutes: tuple[float, ...], height: float = 28.0) -> tuple[Stop, ...]:
    """What the recipe shows if it is stopped after each step.

    minutes: hands-on minutes of every step of one figure; height: of the figure, mm.
    """
    found: list[Stop] = []
    spent, before = 0.0, 0.0
    for outcome, taken in zip(prediction.outcomes, minutes, strict=True):
        spent += taken
        seen = {name: contrast(outcome.tones, metres, height) for name, metres in DISTANCES.items()}
        gained = seen["arm"] - before
        found.append(Stop(outcome.step.id, spent, seen, gained / taken if taken else 0.0))
        before = seen["arm"]
    return tuple(found)


def contrast(tones: Tones, metres: float, height: float = 28.0) -> float:
    """CIEDE2000 between neighbouring tones that a distance leaves, added up from recess to edge."""
    pairs, scale = tones.places.neighbours, height / 28.0
    ones, others = ([tones[pair[side].id] for pair in pairs] for side in (0, 1))
    widths = [min(one.band, two.band) * scale for one, two in pairs]
    return float(seen_differences(ones, others, widths, metres).sum())
