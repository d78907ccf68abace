"""What a recipe looks like after every step, on a given ground."""

from dataclasses import dataclass, field

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import UnknownName
from ..memory import remembered
from ..recipes.step import EVEN, Recipe, Step
from .calibration import Calibration
from .coverage import Coverage
from .ground import Ground
from .laying import Laid, coats_laid, followed
from .surface import Surface, stacked
from .tones import Tones, tones_of

#: coats until it is even from which on a mix counts as hard, and on a centrepiece, which is laid evener
HARD, HARD_CENTREPIECE = 4, 6


@dataclass(frozen=True)
class Outcome:
    """What one step does."""

    step: Step
    coats: int
    #: how the ground is covered, for steps whose coats are worked out
    coverage: Coverage | None
    #: colour where the step shows most, before and after
    before: Lab
    after: Lab
    #: the colour of every place afterwards
    tones: Tones
    #: for a shade: what it does in the recesses
    recess: Lab | None = None
    #: the surfaces of all places before and afterwards, (places, 16)
    beneath: Surface | None = field(default=None, compare=False, repr=False)
    surface: Surface | None = field(default=None, compare=False, repr=False)

    @property
    def hard(self) -> bool:
        """Whether the ground takes many coats to cover, or never is."""
        return self.coverage is not None and is_hard(self.coverage)

    @property
    def change(self) -> float:
        """CIEDE2000 the step is worth where it shows most."""
        return difference(self.before, self.after)


def is_hard(cover: Coverage) -> bool:
    """Whether a ground takes many coats, or is never covered."""
    return cover.coats is None or cover.coats >= (HARD_CENTREPIECE if cover.allowed < EVEN else HARD)


@dataclass(frozen=True)
class Prediction:
    """A recipe over a ground: each step's outcome and the five tones it ends in."""

    outcomes: tuple[Outcome, ...]
    tones: Tones

    def outcome(self, step_id: str) -> Outcome:
        """What the step of that id gives.

        Raises: UnknownName.
        """
        found = next((one for one in self.outcomes if one.step.id == step_id), None)
        if found is None:
            raise UnknownName("step", step_id, [one.step.id for one in self.outcomes], "step")
        return found

    @property
    def apparent(self) -> Lab:
        """The colour from where single tones cannot be told apart: the mean in linear light."""
        return self.tones.apparent


@remembered(48_000)
def predicted(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...] = ()) -> Prediction:
    """Follow a recipe over a ground; the same question is answered from memory.

    Each place of the area carries its own surface; a step lays its film on the places its technique reaches.
    calibrations: what test pieces taught of paints.
    """
    start = ground.surface.at(None)
    laid = tuple(followed(recipe, start, calibrations))
    tones = tones_of(stacked([start, *(one.after for one in laid)]).at((slice(None), 0)).labs)
    outcomes = tuple(_outcome(one, before, after) for one, before, after in zip(laid, tones, tones[1:], strict=False))
    return Prediction(outcomes, tones[-1])


@remembered(4_000)
def coats_of(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...] = ()) -> tuple[int, ...]:
    """Coats of every step, as ``predicted`` counts them, without following what no count depends on."""
    return tuple(coats_laid(recipe, ground.surface.at(None), calibrations)[0].tolist())


def _outcome(laid: Laid, before: Tones, after: Tones) -> Outcome:
    technique = laid.step.technique
    shown = technique.shown
    recess = after.recess if technique.effect in ("wash", "stain", "oil") else None
    cover = laid.covers[0] if laid.covers else None
    return Outcome(
        laid.step,
        int(laid.coats[0]),
        cover,
        before[shown],
        after[shown],
        after,
        recess,
        laid.before.at(0),
        laid.after.at(0),
    )
