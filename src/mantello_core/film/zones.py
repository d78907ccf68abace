"""The zones of a figure that a recipe's places tell apart: points that every step covers alike are followed as one.

Source: docs/methods/places.md.
"""

from dataclasses import dataclass, replace
from functools import cache

import numpy as np

from ..figures.form import Form, kinds_of, odds_of
from ..figures.sample import Sample, usual_sample
from ..memory import remembered
from ..recipes.step import Step
from ..recipes.where import FOLLOW_LIGHT, Where, reach

#: zones at most; soft borders are followed in so many parts, depth in so many
MOST, PARTS, DEPTHS = 16, 4, 3
#: a spray from above as a place, for what the ground is
FROM_ABOVE = Where("sprayed")
#: effects that run into recesses
_POOLING = ("wash", "stain", "recess", "oil")


@dataclass(frozen=True, eq=False)
class Zones:
    """Zones by number. The first one stands for no surface: it is the middling point, open and in middling light, by which
    coats are counted."""

    #: share of the surface, (zones,)
    share: np.ndarray
    #: how much every step covers of it, (steps, zones)
    cover: np.ndarray
    #: 0 open to 1 deepest, and how much a spray from above covers, (zones,)
    depth: np.ndarray
    sprayed: np.ndarray
    #: share of the surface by kind of point, (zones, 16)
    kinds: np.ndarray

    def share_on(self, form: Form | None) -> np.ndarray:
        """Share of the surface of areas that are formed so, (zones,); None as the usual figure."""
        if form is None or form.usual:
            return self.share
        weighed = self.kinds @ odds_of(form)
        return weighed / weighed.sum()


def zones_of(steps: tuple[Step, ...], sprayed: bool, light: str = "") -> Zones:
    """The zones of the usual figure for a recipe.

    sprayed: whether the ground is lighter where a spray came from above; light: plan of places that name none.
    """
    places = tuple(_lit(step.goes, light) for step in steps)
    pooling = any(step.technique.effect in _POOLING for step in steps)
    return _zones(places, pooling, sprayed)


def _lit(place: Where, light: str) -> Where:
    return replace(place, plan=light) if light and place.place in FOLLOW_LIGHT and not place.plan else place


@remembered(4_000)
def _zones(places: tuple[Where, ...], pooling: bool, sprayed: bool) -> Zones:
    return grouped(usual_sample(), places, pooling, sprayed)


def grouped(sample: Sample, places: tuple[Where, ...], pooling: bool, sprayed: bool) -> Zones:
    """The zones of a sample: while there are too many, the smallest is joined to the nearest."""
    covers = np.array([reach(place, sample) for place in places]).reshape(len(places), len(sample.mm2))
    above = reach(FROM_ABOVE, sample) if sprayed else np.zeros(len(sample.mm2))
    table = np.vstack([
        np.round(covers * PARTS) / PARTS,
        np.round((sample.depth if pooling else sample.depth * 0) * DEPTHS) / DEPTHS,
        np.round(above * PARTS) / PARTS,
    ]).T  # fmt: skip
    rows, which = np.unique(table, axis=0, return_inverse=True)
    which, kind = which.ravel(), kinds_of(sample)
    mm2 = np.bincount(which, sample.mm2)
    kinds = np.bincount(16 * which + kind, sample.mm2, 16 * len(rows)).reshape(len(rows), 16)
    while len(rows) > MOST - 1:
        least = int(mm2.argmin())
        apart = np.abs(rows - rows[least]).sum(1) + 0.02 * mm2 / mm2.sum()
        apart[least] = np.inf
        nearest = int(apart.argmin())
        both = mm2[nearest] + mm2[least]
        rows[nearest] = (rows[nearest] * mm2[nearest] + rows[least] * mm2[least]) / both
        mm2[nearest] = both
        kinds[nearest] += kinds[least]
        rows, mm2, kinds = np.delete(rows, least, 0), np.delete(mm2, least), np.delete(kinds, least, 0)
    first = _middling(sample)
    middle = np.concatenate([covers[:, first], [0.0], above[first : first + 1]])
    rows = np.vstack([middle, rows])
    kinds = np.vstack([np.zeros(16), kinds / mm2.sum()])
    return Zones(np.concatenate([[0.0], mm2 / mm2.sum()]), rows[:, : len(places)].T, rows[:, -2], rows[:, -1], kinds)


def grouped_ground(sprayed: bool) -> Zones:
    """The zones of a bare ground."""
    return _zones((), False, sprayed)


@cache
def middling_sprayed() -> float:
    """How much of the middling point a spray from above covers."""
    sample = usual_sample()
    return float(reach(FROM_ABOVE, sample)[_middling(sample)])


def _middling(sample: Sample) -> int:
    """The number of the point that is most like most of a figure: open, far from edges, in middling light."""
    light = sample.light[:, 0]
    far = np.abs(light - np.sort(light)[len(light) // 2]) + sample.depth + (sample.proud < 0.3) + (sample.under < 0.3)
    return int(far.argmin())
