"""Many recipes with metal or varnish in them followed at once, each on a ground of its own."""

from collections.abc import Sequence

import numpy as np

from ..colour.reflectance import BANDS
from ..paints.paint import STANDARD_SOLIDS, Film
from ..recipes.step import Step
from .asked import Asked, Followed, padded
from .coverage import Coverage
from .finish import varnished
from .laying import Spread, counts_coats, covers_of, zones_on
from .surface import FIELDS, Flakes, Surface, blended, coated, metalled


def followed_shining(asked: Sequence[Asked]) -> tuple[Followed, ...]:
    """What the steps of each leave, as ``laying.followed`` tells of one."""
    zones = [zones_on(one.recipe, (one.ground,)) for one in asked]
    wide, long = max(len(one.share) for one in zones), max(len(one.recipe.steps) for one in asked)
    shape = len(asked), long + 1, wide
    every = Surface(*(np.zeros((*shape, BANDS)) for _ in range(3)), np.zeros(shape), np.zeros(shape))
    for at, (one, mine) in enumerate(zip(asked, zones, strict=True)):
        _put(every, (at, 0, slice(len(mine.share))), one.ground.on(mine.sprayed))
    coats: list[list[int]] = [[] for _ in asked]
    covers: list[list[Coverage | None]] = [[] for _ in asked]
    for number in range(long):
        which = [at for at, one in enumerate(asked) if len(one.recipe.steps) > number]
        steps = [asked[at].recipe.steps[number] for at in which]
        for at, step in zip(which, steps, strict=True):
            film, middling, even = asked[at].film(number), every.at(([at], number, 0)), asked[at].recipe.even
            cover = covers_of(step, film, middling, even)[0] if counts_coats(step) else None
            covers[at].append(cover)
            coats[at].append(step.coats or (cover.laid if cover else 1))
        spreads = [
            None if step.technique.effect == "varnish" else asked[at].spread(number, zones[at].depth)
            for at, step in zip(which, steps, strict=True)
        ]
        share = np.array([
            padded(zones[at].cover[number] * step.technique.density, wide) for at, step in zip(which, steps, strict=True)
        ])  # fmt: skip
        laid, rounds = every.at((which, number)), np.array([coats[at][number] for at in which])
        for at in range(int(rounds.max())):
            new = blended(laid, _coated(laid, steps, spreads), share)
            laid = new.where(np.broadcast_to((at < rounds)[:, None], share.shape), laid)
        _put(every, (which, number + 1), laid)
    return tuple(
        Followed(
            mine, every.at((at, slice(len(coats[at]) + 1), slice(len(mine.share)))), tuple(coats[at]), tuple(covers[at])
        )
        for at, mine in enumerate(zones)
    )


def _put(every: Surface, index, some: Surface) -> None:
    for name in FIELDS:
        getattr(every, name)[index] = getattr(some, name)


def _coated(laid: Surface, steps: Sequence[Step], spreads: Sequence[Spread | None]) -> Surface:
    """One coat of one step of each recipe on all its zones, (recipes, zones, 16); None is a varnish."""
    new = Surface(*(getattr(laid, name).copy() for name in FIELDS))
    colours = [at for at, one in enumerate(spreads) if one and one.film.flake is None]
    metals = [at for at, one in enumerate(spreads) if one and one.film.flake]
    if colours:
        film, thick = _stacked([spreads[at] for at in colours], laid.matt.shape[1])
        _put(new, colours, coated(laid.at(colours), film, thick))
    if metals:
        film, thick = _stacked([spreads[at] for at in metals], laid.matt.shape[1])
        _put(new, metals, metalled(laid.at(metals), film, Flakes.of_each([spreads[at].film for at in metals]), thick))
    for at, (step, one) in enumerate(zip(steps, spreads, strict=True)):
        if one is None:
            _put(new, at, varnished(laid.at(at), step.mix.paints[0].finish))
        elif one.matt:
            new.matt[at] = np.maximum(laid.matt[at], one.matt)
    return new


def _stacked(spreads: Sequence[Spread], wide: int) -> tuple[Film, np.ndarray]:
    """The colour of films as one, in an axis before the zones, and how thick each lies, (films, zones)."""
    optics = (np.stack([getattr(one.film, name) for one in spreads])[:, None] for name in ("absorption", "scattering"))
    return Film(*optics, STANDARD_SOLIDS), np.array([padded(one.thickness, wide) for one in spreads])
