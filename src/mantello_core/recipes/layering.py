"""What a recipe looks like after every step, on a given undercoat."""

from dataclasses import dataclass
from functools import lru_cache

from ..colour.difference import difference
from ..colour.spaces import Lab, mean_lab
from ..paints.paint import Paint
from .coverage import Coverage, coverage
from .step import MOST_COATS, Recipe, Step
from .surface import Surface, coated, solid, washed
from .technique import SHARES, ZONES

#: coats to cover from which on a mix counts as hard
HARD = 5


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

    @property
    def hard(self) -> bool:
        """Whether the ground takes many coats to cover, or never is."""
        return self.coverage is not None and (self.coverage.coats is None or self.coverage.coats >= HARD)

    @property
    def change(self) -> float:
        """CIEDE2000 the step is worth where it shows most."""
        return difference(self.before, self.after)


@dataclass(frozen=True)
class Prediction:
    """A recipe over an undercoat: each step's outcome and the five tones it ends in."""

    outcomes: tuple[Outcome, ...]
    #: zone (of ``ZONES``) to colour
    tones: dict[str, Lab]

    @property
    def apparent(self) -> Lab:
        """The colour from where single tones cannot be told apart: the mean in linear light."""
        return mean_lab([self.tones[zone] for zone in ZONES], [SHARES[zone] for zone in ZONES])


@lru_cache(maxsize=4096)
def predicted(recipe: Recipe, undercoat: Paint) -> Prediction:
    """Follow a recipe over an undercoat; the same question is answered from memory.

    The undercoat counts as opaque: it is sprayed until it is. Each zone of the area carries its own
    surface; a step lays its film on the zones its technique reaches.
    """
    ground = solid(undercoat.film)
    surfaces = dict.fromkeys(ZONES, ground)
    outcomes = []
    for step in recipe.steps:
        outcome, surfaces = _followed(step, surfaces)
        outcomes.append(outcome)
    return Prediction(tuple(outcomes), {zone: surface.colour for zone, surface in surfaces.items()})


def _followed(step: Step, surfaces: dict[str, Surface]) -> tuple[Outcome, dict[str, Surface]]:
    film, dilution = step.mix.film, step.mix.dilution
    shown = "base" if step.kind in ("base", "shade", "glaze") else step.technique.zones[0]
    before = surfaces[shown].colour
    if step.kind == "shade":
        coats = step.coats or 1
        after = surfaces
        for _ in range(coats):
            after = {zone: washed(surface, film, dilution, recess=zone == "shade") for zone, surface in after.items()}
        return Outcome(step, coats, None, before, after["base"].colour, after["shade"].colour), after
    cover = coverage(film, surfaces[shown], dilution) if step.kind == "base" else None
    coats = step.coats or (min(max(1, cover.coats or MOST_COATS), MOST_COATS) if cover else 1)
    thickness = film.thickness(dilution)
    after = dict(surfaces)
    for zone in step.technique.zones:
        for _ in range(coats):
            after[zone] = coated(after[zone], film, thickness)
    return Outcome(step, coats, cover, before, after[shown].colour), after
