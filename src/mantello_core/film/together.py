"""Many recipes followed at once, each on a ground of its own."""

from collections.abc import Sequence

import numpy as np

from ..colour.film import over
from ..colour.reflectance import BANDS, to_air, to_film
from .asked import Asked, Followed, padded
from .coverage import Coverage, coverages_each
from .laying import Spread, counts_coats, covers_of, zones_on
from .shining import followed_shining
from .surface import BRIGHTEST, Surface


def followed_together(asked: Sequence[Asked]) -> tuple[Followed, ...]:
    """What the steps of each leave, as ``laying.followed`` tells of one."""
    plain = [one.plain for one in asked]
    found: list[Followed | None] = [None] * len(asked)
    for follow, which in (
        (_followed_plain, [at for at, one in enumerate(plain) if one]),
        (followed_shining, [at for at, one in enumerate(plain) if not one]),
    ):
        if which:
            for at, one in zip(which, follow([asked[at] for at in which]), strict=True):
                found[at] = one
    return tuple(found)


def _followed_plain(asked: Sequence[Asked]) -> tuple[Followed, ...]:
    """The same of recipes without metal and varnish: all of a surface but its body stays as it is."""
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
        spreads = [asked[at].spread(number, zones[at].depth) for at in which]
        share = np.array(
            [padded(zones[at].cover[number] * asked[at].recipe.steps[number].technique.density, wide) for at in which]
        )
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


def _coverages(asked: Sequence[Asked], number: int, middling: np.ndarray) -> list[Coverage | None]:
    """How the steps of that number cover, where coats are counted by it. middling: the middling points, (asked, 16)."""
    steps = [one.recipe.steps[number] for one in asked]
    counted = [at for at, step in enumerate(steps) if counts_coats(step)]
    found: list[Coverage | None] = [None] * len(asked)
    even = [at for at in counted if not steps[at].manner.full]
    films = [(asked[at].film(number), steps[at].mix.dilution, asked[at].recipe.even) for at in even]
    for at, cover in zip(even, coverages_each(films, Surface(middling[even])) if even else (), strict=True):
        found[at] = cover
    for at in set(counted) - set(even):
        ground = Surface(middling[at : at + 1])
        found[at] = covers_of(steps[at], asked[at].film(number), ground, asked[at].recipe.even)[0]
    return found


def _laid(
    diffuse: np.ndarray, matt: np.ndarray, spreads: Sequence[Spread], share: np.ndarray, rounds: np.ndarray
) -> tuple[np.ndarray, np.ndarray]:
    """Zones of many recipes, (recipes, zones, 16), after so many rounds of one step of each, share of it laid on each zone."""
    wide = share.shape[1]
    absorption, scattering = (
        np.stack([getattr(one.film, name) for one in spreads])[:, None] for name in ("absorption", "scattering")
    )
    thickness = np.array([padded(one.thickness, wide) for one in spreads])[..., None]
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
