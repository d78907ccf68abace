"""What a recipe looks like after every step, on a given ground."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from functools import cached_property

import numpy as np

from ..colour.difference import difference
from ..colour.lamp import labs_under
from ..colour.reflectance import BANDS, xyz_of
from ..colour.spaces import Lab, labs_of, labs_of_each, mean_lab, xyz_of_each, xyz_of_lab
from ..errors import UnknownName
from ..figures.form import Form
from ..memory import remembered
from ..recipes.step import EVEN, Recipe, Step
from .asked import Asked, Followed
from .calibration import Calibration
from .coverage import Coverage
from .finish import varnished
from .ground import Ground
from .laying import coats_laid
from .surface import FIELDS, Surface, in_a_row
from .together import followed_together
from .tones import Tones, tones_of
from .zones import Zones

#: share of a place below which what is laid there is single traces, whose own colour is told and not their mean with what
#: lies between
SINGLE = 0.5
#: bytes of one outcome: five tones, its surface beneath, two colours
OUTCOME_BYTES = 2_200
#: of it, the surface beneath
_BENEATH_BYTES = 900
#: coats until it is even from which on a mix counts as hard, and on a centrepiece, which is laid evener
HARD, HARD_CENTREPIECE = 4, 6


@dataclass(frozen=True)
class Outcome:
    """What one step does."""

    step: Step
    coats: int
    #: how the ground is covered, for steps whose coats are worked out
    coverage: Coverage | None
    #: colour of the places it touches, before and after
    before: Lab
    after: Lab
    #: the colours by lightness afterwards
    tones: Tones
    #: for a shade: what it does in the recesses
    recess: Lab | None = None
    #: the surface of the middling point before
    beneath: Surface | None = field(default=None, compare=False, repr=False)

    @property
    def hard(self) -> bool:
        """Whether the ground takes many coats to cover, or never is."""
        return self.coverage is not None and is_hard(self.coverage)

    @property
    def change(self) -> float:
        """CIEDE2000 the step is worth on the places it touches."""
        return difference(self.before, self.after)


def is_hard(cover: Coverage) -> bool:
    """Whether a ground takes many coats, or is never covered."""
    return cover.coats is None or cover.coats >= (HARD_CENTREPIECE if cover.allowed < EVEN else HARD)


@dataclass(frozen=True, eq=False)
class _Left:
    """What the steps of a recipe leave on the zones of a figure, whatever its form."""

    zones: Zones
    #: CIELAB of every zone before the first step, after each and under the last coat, (steps + 2, zones, 3)
    labs: np.ndarray
    coats: tuple[int, ...]
    covers: tuple[Coverage | None, ...]
    #: the middling point before every step, in one axis
    beneath: Surface

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept."""
        return self.labs.nbytes + _BENEATH_BYTES * (len(self.coats) + 1)


@dataclass(frozen=True, eq=False)
class Prediction:
    """A recipe over a ground: each step's outcome and the five tones it ends in, told when they are asked for."""

    _steps: tuple[Step, ...]
    _left: _Left
    #: of the surface that every zone takes, (zones,)
    _share: np.ndarray

    @property
    def labs(self) -> np.ndarray:
        """CIELAB of every zone before the first step, after each and under the last coat, (steps + 2, zones, 3)."""
        return self._left.labs

    @cached_property
    def apparent(self) -> Lab:
        """The colour from where single tones cannot be told apart: the mean in linear light."""
        return mean_of(self.labs[-1, 1:], self._share[1:])

    @cached_property
    def tones(self) -> Tones:
        """The colours by lightness that it ends in."""
        return tones_of(self.labs[-1:, 1:], self._share[1:])[0]

    @property
    def coats(self) -> tuple[tuple[Step, int], ...]:
        """Every step with its coats, without telling what else it does."""
        return tuple(zip(self._steps, self._left.coats, strict=True))

    @cached_property
    def outcomes(self) -> tuple[Outcome, ...]:
        """What every step does."""
        return _seen(self._steps, self._left, self._share, tones_of(self.labs[:-1, 1:], self._share[1:]))

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes once all is told, where answers are kept."""
        return self.labs.nbytes + OUTCOME_BYTES * (len(self._steps) + 1)

    def outcome(self, step_id: str) -> Outcome:
        """What the step of that id gives.

        Raises: UnknownName.
        """
        found = next((one for one in self.outcomes if one.step.id == step_id), None)
        if found is None:
            raise UnknownName("step", step_id, [one.step.id for one in self.outcomes], "step")
        return found


def predicted(
    recipe: Recipe,
    ground: Ground,
    calibrations: tuple[Calibration, ...] = (),
    varnish: str = "",
    form: Form | None = None,
) -> Prediction:
    """Follow a recipe over a ground; the same question is answered from memory.

    Zones that the recipe's places tell apart carry a surface each; a step lays its film on what it covers of them.
    calibrations: what test pieces taught of paints. varnish: finish of the last coat, under which the colours it ends in are
    seen; '' for none. form: of the areas that it is laid on, by which the zones take their shares of the surface; as the usual
    figure if None. Coats are the same on every form.
    """
    return _told(recipe, ground, calibrations, varnish, None if form is None or form.usual else form)


@remembered(32_000)
def _told(
    recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...], varnish: str, form: Form | None
) -> Prediction:
    left = _followed(recipe, ground, calibrations, varnish)
    return Prediction(recipe.steps, left, left.zones.share_on(form))


@remembered(20_000)
def _followed(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...], varnish: str) -> _Left:
    found = _follow(Asked(recipe, ground, calibrations))
    labs = found.surface.labs
    return _left(found, labs, varnished(found.surface.at(-1), varnish).labs if varnish else labs[-1])


def _follow(asked: Asked) -> Followed:
    return followed_together((asked,))[0]


def predict_together(
    asked: Iterable[tuple[Recipe, Ground]], calibrations: tuple[Calibration, ...] = (), varnish: str = ""
) -> None:
    """Work out together what ``predicted`` will be asked for: many recipes at once take a fraction of the time."""
    keys = dict.fromkeys((recipe, ground, calibrations, varnish) for recipe, ground in asked if recipe.steps)
    wanted = {key: Asked(*key[:3]) for key in keys if _followed.memory.get(key) is None}
    if len(wanted) > 1:
        every = followed_together(tuple(wanted.values()))
        labs = _labs_at_once([one.surface for one in every])
        last = _labs_at_once([one.surface.at(-1) for one in every], varnish)
        for key, *found in zip(wanted, every, labs, last, strict=True):
            made = _left(*found)
            _followed.memory.put(key, made, made.kept_bytes)


def _labs_at_once(surfaces: Sequence[Surface], varnish: str = "") -> list[np.ndarray]:
    """CIELAB of surfaces of many shapes, (..., 3) each, under a varnish; the same as of each alone, to the last bit."""
    whole = in_a_row(surfaces)
    seen = (varnished(whole, varnish) if varnish else whole).seen
    parts = np.split(seen, np.cumsum([one.diffuse.size // BANDS for one in surfaces])[:-1])
    return labs_of_each([xyz_of(part.reshape(one.diffuse.shape)) for one, part in zip(surfaces, parts, strict=True)])


def tell_apparent(predictions: Iterable[Prediction]) -> None:
    """Work out together the ``apparent`` colours that some predictions will be asked for; the same as of each alone."""
    new = list({id(one): one for one in predictions if "apparent" not in vars(one)}.values())
    if not new:
        return
    shares = [one._share[1:] for one in new]
    xyz = xyz_of_each([one.labs[-1, 1:] for one in new])
    means = [share / sum(share.tolist()) @ part for share, part in zip(shares, xyz, strict=True)]
    for one, lab in zip(new, labs_of_each(means), strict=True):
        vars(one)["apparent"] = Lab(*lab.tolist())


def _left(found: Followed, labs: np.ndarray, last: np.ndarray) -> _Left:
    """labs: of all its zones, (steps + 1, zones, 3); last: of those under the last coat, (zones, 3)."""
    labs = np.concatenate([labs, last[None]])
    labs.setflags(write=False)
    return _Left(found.zones, labs, found.coats, found.covers, _alone(found.surface, (slice(len(found.coats)), 0)))


@remembered(1_000)
def tones_under(recipe: Recipe, ground: Ground, light: str) -> Tones:
    """The tones a recipe ends in under one of ``colour.light.LIGHTS``, to an eye that has adapted to it.

    Raises: UnknownName for the light.
    """
    found = _follow(Asked(recipe, ground))
    return tones_of(labs_under(found.surface.at(-1).seen, light)[None, 1:], found.zones.share[1:])[0]


@remembered(4_000)
def coats_of(recipe: Recipe, ground: Ground, calibrations: tuple[Calibration, ...] = ()) -> tuple[int, ...]:
    """Coats of every step, as ``predicted`` counts them, without following what no count depends on."""
    return tuple(coats_laid(recipe, (ground,), calibrations)[0].tolist())


def _alone(surface: Surface, index) -> Surface:
    """Surfaces at an index as arrays of their own: a part would keep all that was followed with it."""
    one = surface.at(index)
    return replace(one, **{name: np.array(getattr(one, name)) for name in FIELDS})


def _seen(steps: tuple[Step, ...], left: _Left, share: np.ndarray, tones: tuple[Tones, ...]) -> tuple[Outcome, ...]:
    """What every step does, as it is seen where it touches.

    share: of the surface, (zones,); tones: before the first step and after each. What covers none of any zone is told by the
    middling point. Of single traces, which cover little of where they lie, the colour is their own and not their mean with what
    is seen between them.
    """
    if not steps:
        return ()
    covers = left.zones.cover
    weight = share * covers
    weight[weight.sum(1) <= 0, 0] = 1.0
    weight /= weight.sum(1, keepdims=True)
    xyz = xyz_of_lab(left.labs[: len(steps) + 1])
    before, after = (np.einsum("sz,szc->sc", weight, one) for one in (xyz[:-1], xyz[1:]))
    laid_on = (weight * covers).sum(1) * np.array([step.technique.density for step in steps])
    single = (laid_on > 0) & (laid_on < SINGLE)
    alone = np.clip(before + (after - before) / np.where(single, laid_on, 1.0)[:, None], 0.0, None)
    seen = labs_of(np.stack([before, np.where(single[:, None], alone, after)])).tolist()
    told = zip(steps, left.coats, left.covers, *seen, tones[1:], range(len(steps)), strict=True)
    return tuple(
        Outcome(
            step, coats, cover, Lab(*was), Lab(*now), mine,
            mine.recess if step.technique.effect in ("wash", "stain", "oil") else None, _alone(left.beneath, at),
        )
        for step, coats, cover, was, now, mine, at in told
    )  # fmt: skip


def mean_of(labs: np.ndarray, weights: np.ndarray) -> Lab:
    """The mean of CIELAB colours, (n, 3), in linear light."""
    return mean_lab([Lab(*one) for one in labs.tolist()], weights.tolist())
