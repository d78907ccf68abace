"""What a recipe looks like after every step, on a given ground."""

from dataclasses import dataclass, field
from functools import cached_property

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import UnknownName
from ..memory import remembered
from ..paints.paint import Film
from ..recipes.place import Place, usual_places
from ..recipes.step import Recipe, Step
from .calibration import Calibration, calibrated_film
from .coverage import Coverage, coverage, tolerance_of
from .finish import varnished, wiped
from .ground import Ground
from .surface import Surface, blended, coated, stained, wash_thickness, washed
from .tones import Tones

#: coats to cover from which on a mix counts as hard
HARD = 5
#: a dab is thicker than a brushed coat
DAB = 1.5
Surfaces = dict[str, Surface]


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
    #: for a shade: what it does in the recesses
    recess: Lab | None = None
    #: the surface of every place afterwards
    surfaces: Surfaces = field(default_factory=dict, compare=False, repr=False)

    @property
    def hard(self) -> bool:
        """Whether the ground takes many coats to cover, or never is."""
        return self.coverage is not None and (self.coverage.coats is None or self.coverage.coats >= HARD)

    @property
    def change(self) -> float:
        """CIEDE2000 the step is worth where it shows most."""
        return difference(self.before, self.after)

    @cached_property
    def tones(self) -> Tones:
        """The colour of every place afterwards."""
        return _tones(self.surfaces)


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


def _tones(surfaces: Surfaces) -> Tones:
    return Tones({place: surface.colour for place, surface in surfaces.items()})


@remembered(48_000)
def predicted(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...] = ()) -> Prediction:
    """Follow a recipe over a ground; the same question is answered from memory.

    Each place of the area carries its own surface; a step lays its film on the places its technique reaches.
    calibrations: what test pieces taught of paints.
    """
    surfaces = ground.surfaces
    outcomes = []
    for step in recipe.steps:
        outcome = _followed(step, surfaces, calibrated_film(step.mix, calibrations))
        outcomes.append(outcome)
        surfaces = outcome.surfaces
    return Prediction(tuple(outcomes), _tones(surfaces))


@remembered(4_000)
def coats_of(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...] = ()) -> tuple[int, ...]:
    """Coats of every step, as ``predicted`` counts them, without following what no count depends on."""
    asked = [at for at, step in enumerate(recipe.steps) if step.kind == "base" and step.coats is None]
    flats, counts = usual_places().flats, []
    surfaces = {flats: ground.flat}
    for at, step in enumerate(recipe.steps):
        if not asked or at > asked[-1]:
            counts.append(step.coats or 1)
            continue
        film = calibrated_film(step.mix, calibrations)
        coats = step.coats or (_covered(step, film, surfaces[flats]).laid if at in asked else 1)
        counts.append(coats)
        for _ in range(coats if at < asked[-1] else 0):
            surfaces = _laid(step, film, surfaces)
    return tuple(counts)


def _followed(step: Step, surfaces: Surfaces, film: Film) -> Outcome:
    technique = step.technique
    shown = technique.shown
    cover = _covered(step, film, surfaces[shown]) if step.kind == "base" else None
    coats = step.coats or (cover.laid if cover else 1)
    after = surfaces
    for _ in range(coats):
        after = _laid(step, film, after)
    recess = after[usual_places().recess].colour if technique.effect in ("wash", "stain", "oil") else None
    return Outcome(step, coats, cover, surfaces[shown].colour, after[shown].colour, recess, after)


def _covered(step: Step, film: Film, ground: Surface) -> Coverage:
    """How a step covers; what counts as covered is told by the mix as predicted, whatever was learned of its paints."""
    return coverage(film, ground, step.mix.dilution, tolerance_of(step.mix.film))


def _laid(step: Step, film: Film, surfaces: Surfaces) -> Surfaces:
    """One coat, or whatever the technique does instead."""
    technique, dilution = step.technique, step.mix.dilution
    effect, thickness = technique.effect, film.thickness(dilution)
    cover, places, reached = dict(technique.cover), usual_places(), technique.places

    def change(place: Place, surface: Surface) -> Surface:
        if place not in reached:
            return surface
        if effect == "dabs":
            return blended(surface, coated(surface, film, thickness * DAB), cover[place.id])
        if effect in ("wash", "recess"):
            return washed(surface, film, dilution, recess=place.pools)
        if effect == "stain":
            return stained(surface, film, dilution, recess=place.pools)
        if effect == "oil":
            return wiped(surface, film, wash_thickness(film, dilution)[place.pools], place)
        if effect == "varnish":
            return varnished(surface, step.mix.paints[0].finish)
        return coated(surface, film, thickness)

    return {id_: change(places[id_], surface) for id_, surface in surfaces.items()}
