"""Palettes for a brief: a field, its marks and pale cloth, chosen among the shipped paints by how they look on the table."""

from collections.abc import Callable, Iterator
from dataclasses import dataclass

import numpy as np

from ..colour.acuity import seen_differences
from ..colour.difference import differences
from ..colour.spaces import Lab
from ..colour.vision import SIGHTS, seen_as
from ..design.brief import ACCURACIES, GENRES, Brief
from ..memory import remembered
from ..paints.range import paints
from .on_grounds import OnGround, on_grounds

#: schools of harmony: id to title, and the hue steps from the field that its marks look for, degrees
SCHOOLS = {
    "opposite": ("Near hues, one opposite", (180, 20, -20, 40)),
    "contrast": ("Strong contrasts", (120, 180, -120, 60)),
    "split": ("Split opposites", (150, -150, 180, 0)),
    "triad": ("Three hues", (120, -120, 60, -60)),
    "near": ("Near hues", (25, -25, 45, -45)),
}
#: mm that a mark is taken to be wide on a 28 mm figure
MARK_MM = 3.0
#: lightness that pale cloth keeps below, so that lights still show; less with every level of dirt
PALEST, DIRT_STEP = 90.0, 5.0
#: the paint that faces and hands start from
FLESH = "harbour-rose"
#: a difference by the weakest sight counts for this much more: a dichromat reads lightness as well
SIGHTED = 1.5
#: differences beyond these (CIEDE2000) are worth no more: between marks, between a mark and what it touches, cloth and field
APART_ENOUGH, BESIDE_ENOUGH, CLOTH_ENOUGH = 30.0, 30.0, 35.0
#: what a difference counts as where there is nothing to differ from
ALONE = 40.0
#: chroma below which a colour has no hue to lie in a school, and how well it fits then
HUELESS, HUELESS_FIT = 10.0, 0.35
#: chroma that quiet cloth stays below, and its least lightness
QUIET_CHROMA, QUIET_LIGHTNESS = 32.0, 45.0


@dataclass(frozen=True)
class Palette:
    """Paints for the parts a scheme is made of."""

    school: str
    field: str
    #: one for each formation; for two large colours, pairs follow each other
    marks: tuple[str, ...]
    cloth: str
    undercoat: str
    score: float
    apart: float
    beside: float


def palettes_for(brief: Brief, school: str, formations: int, seeds: tuple[Lab, ...]) -> Iterator[Palette]:
    """A palette for every field that the genre and the accuracy allow."""
    genre, most_chroma = GENRES[brief.genre], ACCURACIES[brief.accuracy][1]
    cloths = [pot for pot in paints().values() if pot.kind == "acrylic" and pot.film.opacity != "transparent"]
    tame = [pot for pot in cloths if pot.swatch.chroma <= most_chroma]
    fields = [
        pot
        for pot in tame
        if genre.lightness[0] <= pot.swatch.lightness <= genre.lightness[1]
        and genre.chroma[0] <= pot.swatch.chroma <= genre.chroma[1]
    ]
    if seeds:
        apart = differences([pot.swatch for pot in cloths], seeds[0])
        fields = [cloths[at] for at in np.argsort(apart, kind="stable")[:3]]
    count = formations * (2 if genre.two_colours else 1)
    places = next(iter(on_grounds(brief.method).values())).places
    pool = np.array([places[pot.id] for pot in (cloths if seeds else tame)])
    yield from _palettes(brief, school, [places[pot.id] for pot in fields], pool, count, seeds)


def _palettes(
    brief: Brief, school: str, fields: list[int], pool: np.ndarray, count: int, seeds: tuple[Lab, ...]
) -> Iterator[Palette]:
    """A palette for every field; what fields on one undercoat have in common is worked out for all of them."""
    undercoats_of, on = _undercoats(brief.method), {}
    for undercoat in dict.fromkeys(undercoats_of[field] for field in fields):
        here = [field for field in fields if undercoats_of[field] == undercoat]
        seen = on_grounds(brief.method)[undercoat]
        fits, cloths = _fits(seen.labs[here], seen.labs, school), _cloths(brief, undercoat, here, pool)
        on |= {field: (undercoat, fit, cloth) for field, fit, cloth in zip(here, fits, cloths, strict=True)}
    for field in fields:
        yield _Choice(brief, school, field, pool, *on[field]).palette(count, seeds)


@remembered(100)
def _undercoats(method: str) -> tuple[str, ...]:
    """For every paint the undercoat on which its whole recipe asks for the fewest coats."""
    known = on_grounds(method)
    ids = sorted(known)
    return tuple(ids[at] for at in np.argmin([known[id_].coats for id_ in ids], axis=0))


@remembered(3_000)
def _far(undercoat: str, method: str, width: float, metres: float) -> np.ndarray:
    """What is left of the difference of any two paints where it is seen from, by the weakest sight, (n, n)."""
    labs = on_grounds(method)[undercoat].labs
    sights = np.stack([labs, *(seen_as(labs, sight) for sight in SIGHTS)])
    found = _of_pairs(sights, lambda ones, others: seen_differences(ones, others, width, metres))
    return np.minimum(found[0], SIGHTED * found[1:].min(0))


@remembered(3_000)
def _near(undercoat: str, method: str) -> np.ndarray:
    """CIEDE2000 of any two paints, (n, n)."""
    return _of_pairs(on_grounds(method)[undercoat].labs, differences)


def _cloths(brief: Brief, undercoat: str, fields: list[int], pool: np.ndarray) -> list[int]:
    """For every field pale cloth for shirts and breeches: quiet, well off the field, not too pale for lights or for dirt."""
    palest = PALEST - DIRT_STEP * brief.dirt
    labs = on_grounds(brief.method)[undercoat].labs[pool]
    calm = np.hypot(labs[:, 1], labs[:, 2]) < QUIET_CHROMA
    pale = calm & (labs[:, 0] > QUIET_LIGHTNESS) & (labs[:, 0] <= palest)
    allowed = next(one for one in (pale, calm, np.ones(len(labs), bool)) if one.any())
    worth = np.minimum(_near(undercoat, brief.method)[fields][:, pool], CLOTH_ENOUGH) + 0.2 * labs[:, 0]
    return pool[np.argmax(np.where(allowed, worth, -np.inf), axis=1)].tolist()


def _of_pairs(labs: np.ndarray, apart: Callable[[np.ndarray, np.ndarray], np.ndarray]) -> np.ndarray:
    """A difference of any two of some colours, (..., n, n); it is the same both ways, so that each pair is asked for once."""
    count = labs.shape[-2]
    ones, others = np.triu_indices(count, 1)
    found = np.zeros((*labs.shape[:-1], count))
    found[..., ones, others] = found[..., others, ones] = apart(labs[..., ones, :], labs[..., others, :])
    return found


class _Choice:
    """What is chosen round one field: everything as places among all shipped paints."""

    def __init__(
        self, brief: Brief, school: str, field: int, pool: np.ndarray, undercoat: str, fit: np.ndarray, cloth: int
    ):
        self._brief, self._school, self._undercoat = brief, school, undercoat
        self._seen: OnGround = on_grounds(brief.method)[undercoat]
        self._far = _far(undercoat, brief.method, MARK_MM * brief.scale, brief.metres)
        self._labs, self._ids = self._seen.labs, self._seen.ids
        self._field, self._pool, self._fit, self._cloth = field, pool, fit, cloth
        self._near = _near(undercoat, brief.method)
        self._beside_own = self._near[field]

    def palette(self, count: int, seeds: tuple[Lab, ...]) -> Palette:
        """So many marks: those the painter picked, then one after the other what is worth most."""
        pairs = GENRES[self._brief.genre].two_colours
        chosen = [self._field] if pairs else []
        pool = [at for at in self._pool.tolist() if at not in (self._field, self._cloth)]
        for seed in seeds[1:]:
            if len(chosen) < count and pool:
                chosen.append(pool.pop(int(np.argmin(differences(self._labs[pool], seed)))))
        chosen += self._marks(np.array(pool, int), chosen, count - len(chosen), pairs)
        while len(chosen) < count:
            chosen.append(chosen[len(chosen) % max(1, len(set(chosen)))])
        return self._judged(chosen, list(dict.fromkeys(chosen)))

    def _marks(self, pool: np.ndarray, chosen: list[int], count: int, pairs: bool) -> list[int]:
        """So many more marks from a pool, each the one that is worth most: apart from the others and from what it touches, in
        the school."""
        known = chosen[:]
        apart = np.min([np.full(len(pool), np.inf), *(self._far[pool, one] for one in known)], axis=0)
        around = np.minimum(self._near[pool, self._seen.places[FLESH]], self._near[pool, self._cloth])
        fit, own = self._fit[pool], self._near[pool, self._field]
        free = np.array([0.0 if one not in known else -np.inf for one in pool.tolist()])
        while len(known) < len(chosen) + min(count, len(pool)):
            beside = np.minimum(self._near[pool, known[-1]] if pairs else own, around)
            worth = np.minimum(apart, APART_ENOUGH) / 10 + np.minimum(beside, BESIDE_ENOUGH) / 15 + fit + free
            best = int(np.argmax(worth))
            free[best] = -np.inf
            known.append(int(pool[best]))
            apart = np.minimum(apart, self._far[pool, known[-1]])
        return known[len(chosen) :]

    def _judged(self, chosen: list[int], kept: list[int]) -> Palette:
        others = [at for at in kept if at != self._field]
        apart = float(self._far[kept][:, kept][np.triu_indices(len(kept), 1)].min()) if len(kept) > 1 else ALONE
        beside = float(self._beside_own[others].min()) if others else ALONE
        lightness = self._labs[:, 0]
        span = float(lightness[[*kept, self._cloth]].max() - lightness[[*kept, self._field]].min())
        coats = float(np.mean([self._seen.coats[at] for at in {self._field, self._cloth, *kept}]))
        fit = float(self._fit[kept].mean())
        score = (
            min(apart, APART_ENOUGH) / 10 + min(beside, BESIDE_ENOUGH) / 20 + fit + min(span, 50) / 50 - 0.15 * coats
        )
        names = tuple(self._ids[at] for at in chosen)
        return Palette(
            self._school, self._ids[self._field], names, self._ids[self._cloth], self._undercoat, score, apart, beside
        )


def _fits(own: np.ndarray, labs: np.ndarray, school: str) -> np.ndarray:
    """How well hues lie to those of fields in a school: 1 where the school looks for it, 0 a quarter turn off.

    own: CIELAB of k fields, (k, 3); labs: of n paints, (n, 3). Gives (k, n).
    """
    (own_hues, own_chroma), (hues, chroma) = (
        (np.degrees(np.arctan2(one[:, 2], one[:, 1])), np.hypot(one[:, 1], one[:, 2])) for one in (own, labs)
    )
    wanted = own_hues[:, None] % 360 + np.array(SCHOOLS[school][1])
    off = np.abs((wanted[:, :, None] - hues + 180) % 360 - 180).min(1)
    grey = (chroma < HUELESS) | (own_chroma[:, None] < HUELESS)
    return np.where(grey, HUELESS_FIT, np.maximum(0.0, 1 - off / 90))
