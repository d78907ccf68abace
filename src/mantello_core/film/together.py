"""Many recipes followed at once, each on a ground of its own, as long as no metal and no varnish is among them."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..colour.film import over
from ..colour.reflectance import BANDS, to_air, to_film
from ..recipes.step import Recipe
from .calibration import Calibration, calibrated_film
from .coverage import Coverage, coverages, coverages_each, tolerance_of
from .ground import Ground
from .laying import Spread, counts_coats, spread_of, zones_on
from .surface import BRIGHTEST, Surface
from .zones import Zones


@dataclass(frozen=True)
class Asked:
    """One recipe on one ground."""

    recipe: Recipe
    ground: Ground
    #: what test pieces taught of paints
    calibrations: tuple[Calibration, ...] = ()

    @property
    def plain(self) -> bool:
        """Whether nothing in it glints and nothing is a varnish."""
        pots = (*(pot for step in self.recipe.steps for pot in step.mix.paints), *self.ground.paints)
        effects = {step.technique.effect for step in self.recipe.steps}
        return not any(pot.flake for pot in pots) and "varnish" not in effects


@dataclass(frozen=True, eq=False)
class Followed:
    """What the steps of one recipe leave."""

    zones: Zones
    #: all zones before the first step and after each, (steps + 1, zones, 16)
    surface: Surface
    #: coats of every step, and how the ground is covered by those whose coats are worked out
    coats: tuple[int, ...]
    covers: tuple[Coverage | None, ...]


def followed_together(asked: Sequence[Asked]) -> tuple[Followed, ...]:
    """What the steps of each leave, as ``laying.followed`` tells of one. All of them plain."""
    zones = [zones_on(one.recipe, (one.ground,)) for one in asked]
    wide, long = max(len(one.share) for one in zones), max(len(one.recipe.steps) for one in asked)
    diffuse, matt = np.zeros((len(asked), long + 1, wide, BANDS)), np.zeros((len(asked), long + 1, wide))
    for at, (one, mine) in enumerate(zip(asked, zones, strict=True)):
        diffuse[at, 0, : len(mine.share)] = one.ground.on(mine.sprayed).diffuse
    coats: list[list[int]] = [[] for _ in asked]
    covers: list[list[Coverage | None]] = [[] for _ in asked]
    for number in range(long):
        which = [at for at, one in enumerate(asked) if len(one.recipe.steps) > number]
        told = _coverages([asked[at] for at in which], number, diffuse[which, number, 0])
        for at, cover in zip(which, told, strict=True):
            covers[at].append(cover)
            coats[at].append(asked[at].recipe.steps[number].coats or (cover.laid if cover else 1))
        spreads = [_spread(asked[at], zones[at], number) for at in which]
        share = np.array([_padded(zones[at].cover[number] * _density(asked[at], number), wide) for at in which])
        rounds = np.array([coats[at][number] for at in which])
        laid = _laid(diffuse[which, number], matt[which, number], spreads, share, rounds)
        diffuse[which, number + 1], matt[which, number + 1] = laid
    return tuple(
        Followed(
            mine,
            Surface(
                diffuse[at, : len(coats[at]) + 1, : len(mine.share)],
                matt=matt[at, : len(coats[at]) + 1, : len(mine.share)],
            ),
            tuple(coats[at]),
            tuple(covers[at]),
        )
        for at, mine in enumerate(zones)
    )


def _density(one: Asked, number: int) -> float:
    return one.recipe.steps[number].technique.density


def _spread(one: Asked, zones: Zones, number: int) -> Spread:
    step = one.recipe.steps[number]
    return spread_of(step, calibrated_film(step.mix, one.calibrations), zones.depth)


def _coverages(asked: Sequence[Asked], number: int, middling: np.ndarray) -> list[Coverage | None]:
    """How the steps of that number cover, where coats are counted by it. middling: the middling points, (asked, 16)."""
    counted = [at for at, one in enumerate(asked) if counts_coats(one.recipe.steps[number])]
    found: list[Coverage | None] = [None] * len(asked)
    even = [at for at in counted if not asked[at].recipe.steps[number].manner.full]
    films = [(_spread_film(asked[at], number), _dilution(asked[at], number), asked[at].recipe.even) for at in even]
    for at, cover in zip(even, coverages_each(films, Surface(middling[even])) if even else (), strict=True):
        found[at] = cover
    for at in set(counted) - set(even):
        one = asked[at]
        full = tolerance_of(one.recipe.steps[number].mix.film)
        ground = Surface(middling[at : at + 1])
        found[at] = coverages(_spread_film(one, number), ground, _dilution(one, number), one.recipe.even, full=full)[0]
    return found


def _spread_film(one: Asked, number: int):
    return calibrated_film(one.recipe.steps[number].mix, one.calibrations)


def _dilution(one: Asked, number: int) -> float:
    return one.recipe.steps[number].mix.dilution


def _laid(
    diffuse: np.ndarray, matt: np.ndarray, spreads: Sequence[Spread], share: np.ndarray, rounds: np.ndarray
) -> tuple[np.ndarray, np.ndarray]:
    """Zones of many recipes, (recipes, zones, 16), after so many rounds of one step of each, share of it laid on each zone."""
    wide = share.shape[1]
    absorption, scattering = (
        np.stack([getattr(one.film, name) for one in spreads])[:, None] for name in ("absorption", "scattering")
    )
    thickness = np.array([_padded(one.thickness, wide) for one in spreads])[..., None]
    flatter, laid = np.array([one.matt for one in spreads])[:, None], share[..., None]
    for at in range(int(rounds.max())):
        coat = over(absorption, scattering, thickness, np.minimum(diffuse, BRIGHTEST))
        mean = to_film((1 - laid) * to_air(diffuse) + laid * to_air(coat))
        new = np.where(laid <= 0, diffuse, np.where(laid >= 1, coat, mean))
        duller = np.maximum(matt, flatter)
        mixed = np.where(share <= 0, matt, np.where(share >= 1, duller, (1 - share) * matt + share * duller))
        more = at < rounds
        diffuse, matt = np.where(more[:, None, None], new, diffuse), np.where(more[:, None], mixed, matt)
    return diffuse, matt


def _padded(values, wide: int) -> np.ndarray:
    """Values of zones, or one for all of them, with noughts up to so many."""
    found = np.zeros(wide)
    if np.ndim(values):
        found[: len(values)] = values
    else:
        found[:] = values
    return found
