"""Many recipes with metal or varnish in them followed at once, each on a ground of its own."""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from ..colour.reflectance import BANDS, to_air, to_film
from ..paints.paint import STANDARD_SOLIDS, Film
from ..recipes.step import Step
from .asked import Asked, Followed, padded
from .coverage import Coverage, coverages, tolerance_of
from .finish import VARNISHES
from .laying import Spread, counts_coats, zones_on
from .surface import Surface, coated, flake_hiding

_FIELDS = ("diffuse", "lobe", "veil", "matt", "haze")


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
            covers[at].append(_cover(asked[at], number, every.at(([at], number, 0))))
            coats[at].append(step.coats or (covers[at][-1].laid if covers[at][-1] else 1))
        spreads = [
            None if step.technique.effect == "varnish" else asked[at].spread(number, zones[at].depth)
            for at, step in zip(which, steps, strict=True)
        ]
        share = np.array([
            padded(zones[at].cover[number] * step.technique.density, wide) for at, step in zip(which, steps, strict=True)
        ])  # fmt: skip
        laid, rounds = every.at((which, number)), np.array([coats[at][number] for at in which])
        for at in range(int(rounds.max())):
            new = _speckled(laid, _coated(laid, steps, spreads), share)
            laid = new.where(np.broadcast_to((at < rounds)[:, None], share.shape), laid)
        _put(every, (which, number + 1), laid)
    return tuple(
        Followed(
            mine, every.at((at, slice(len(coats[at]) + 1), slice(len(mine.share)))), tuple(coats[at]), tuple(covers[at])
        )
        for at, mine in enumerate(zones)
    )


def _put(every: Surface, index, some: Surface) -> None:
    for name in _FIELDS:
        getattr(every, name)[index] = getattr(some, name)


def _cover(one: Asked, number: int, middling: Surface) -> Coverage | None:
    """How a step covers the middling point, where coats are counted by it. middling: (1, 16)."""
    step = one.recipe.steps[number]
    if not counts_coats(step):
        return None
    full = tolerance_of(step.mix.film) if step.manner.full else None
    return coverages(one.film(number), middling, step.mix.dilution, one.recipe.even, full=full)[0]


def _coated(laid: Surface, steps: Sequence[Step], spreads: Sequence[Spread | None]) -> Surface:
    """One coat of one step of each recipe on all its zones, (recipes, zones, 16); None is a varnish."""
    wide = laid.matt.shape[1]
    new = Surface(*(getattr(laid, name).copy() for name in _FIELDS))
    colours = [at for at, one in enumerate(spreads) if one and one.film.flake is None]
    metals = [at for at, one in enumerate(spreads) if one and one.film.flake]
    for which, lay in ((colours, coated), (metals, _metalled)):
        if which:
            films = [spreads[at].film for at in which]
            thick = np.array([padded(spreads[at].thickness, wide) for at in which])
            _put(new, which, lay(laid.at(which), _stacked(films) if lay is coated else films, thick))
    for at, (step, one) in enumerate(zip(steps, spreads, strict=True)):
        if one is None:
            haze, matt = VARNISHES[step.mix.paints[0].finish]
            new.haze[at] = haze
            new.matt[at] = np.maximum(laid.matt[at], matt)
        elif one.matt:
            new.matt[at] = np.maximum(laid.matt[at], one.matt)
    return new


def _stacked(films: Sequence[Film]) -> Film:
    """Films of colour as one, in an axis before the zones."""
    optics = (np.stack([getattr(one, name) for one in films])[:, None] for name in ("absorption", "scattering"))
    return Film(*optics, STANDARD_SOLIDS)


def _metalled(laid: Surface, films: Sequence[Film], thick: np.ndarray) -> Surface:
    """``surface.coated`` for a film of metal on each of many surfaces, (films, zones, 16)."""
    colour, thick = _stacked(films), np.asarray(thick)
    own = np.array([one.flake_share for one in films])[:, None]
    cover = own * (1 - np.exp(-thick / np.array([flake_hiding(one) for one in films])[:, None]))
    ground = replace(laid, haze=np.zeros(thick.shape))
    mixed = np.broadcast_to(own < 1, thick.shape)
    if mixed.any():
        ground = coated(ground, colour, thick).where(mixed, ground)
    tinted = (colour.absorption + 2 * colour.scattering) * thick[..., None] * (1 - own[..., None]) / 2
    diffuse = np.array([one.flake.diffuse for one in films])[:, None, None]
    lobe, covered = np.stack([one.flake.lobe for one in films])[:, None], cover[..., None]
    return Surface(
        covered * diffuse * np.exp(-2 * tinted) + (1 - covered) * ground.diffuse,
        covered * lobe * np.exp(-tinted) + (1 - covered) * ground.lobe * np.exp(-ground.veil),
        matt=ground.matt * (1 - cover),
        haze=ground.haze,
    )


def _speckled(one: Surface, other: Surface, share: np.ndarray) -> Surface:
    """``surface.blended`` of many, (recipes, zones, 16), share of the other on each zone."""
    if not ((share > 0) & (share < 1)).any():
        return one.where(share <= 0, other)
    kept, laid = (1 - share)[..., None], share[..., None]
    mean = Surface(
        to_film(kept * to_air(one.diffuse) + laid * to_air(other.diffuse)),
        kept * one.lobe * np.exp(-one.veil) + laid * other.lobe * np.exp(-other.veil),
        matt=(1 - share) * one.matt + share * other.matt,
        haze=(1 - share) * one.haze + share * other.haze,
    )
    return one.where(share <= 0, other.where(share >= 1, mean))
