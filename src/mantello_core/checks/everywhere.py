"""All areas of all figures of an army in one row, and the seams between them, for checks that go over every one."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..figures.by_area import mm2_of, off_base
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.selector import areas_named
from .look import Look
from .seams import seams_of

#: mm of edge from which two areas are taken to touch, where the eye compares them
_TOUCHING = 1.0
#: more than there are pairs of names of areas that touch
_PAIRS = 10**6


@dataclass(frozen=True, eq=False)
class Everywhere:
    """The areas of n places: one class of figures after the other, each in its plate's order; it follows from what is worn."""

    tiers: tuple[str, ...]
    #: where the areas of every class begin, (classes + 1), its tier by its place among ``tiers``, and its figures, (classes)
    starts: np.ndarray
    tier_of: np.ndarray
    count: np.ndarray
    #: the class of every area, the number of its role, whether it is of the figure rather than its base, and its mm², (n)
    at: np.ndarray
    roles: np.ndarray
    off_base: np.ndarray
    mm2: np.ndarray
    #: areas that touch, by their places in the row, (seams)
    first: np.ndarray
    second: np.ndarray

    def lightness(self, look: Look) -> np.ndarray:
        """L* of every area of a figure, (n); NaN where it has no role and on bases."""
        by_tier = np.stack([look.lightness(tier) for tier in self.tiers])
        return np.where(self.off_base, by_tier[self.tier_of[self.at], self.roles], np.nan)

    def places_named(self, classes: Sequence[FigureClass], selectors: tuple[str, ...]) -> tuple[np.ndarray, np.ndarray]:
        """The areas that selectors name, one class after the other, and the class of each, (named)."""
        named, place = [], {}
        for start, one in zip(self.starts.tolist(), classes, strict=False):
            if id(one.plate) not in place:
                at = {name: number for number, name in enumerate(one.plate.areas)}
                place[id(one.plate)] = np.array([at[name] for name in areas_named(one.plate, selectors)], np.int32)
            named.append(place[id(one.plate)] + start)
        return _joined(named, np.int32), np.repeat(np.arange(len(named)), list(map(len, named)))


def everywhere(resolution: Resolution) -> Everywhere:
    """All areas of a resolution; kept with it."""
    return resolution.worn.last("everywhere", (), lambda: _in_a_row(resolution))


def _in_a_row(resolution: Resolution) -> Everywhere:
    classes, worn = resolution.classes, resolution.worn
    tiers = tuple(dict.fromkeys(one.tier for one in classes)) or ("rank",)
    sizes = np.array([len(one.plate.areas) for one in classes], np.int32)
    starts = np.concatenate([[0], sizes.cumsum()]).astype(np.int32)
    seams = [(start, seams_of(one.plate, _TOUCHING)) for start, one in zip(starts.tolist(), classes, strict=False)]
    return Everywhere(
        tiers, starts, np.array([tiers.index(one.tier) for one in classes], np.int32),
        np.array([len(one.ordinals) for one in classes], np.int32), np.repeat(np.arange(len(classes), dtype=np.int32), sizes),
        _joined([worn.numbers(one) for one in classes], np.int32), _joined([off_base(one.plate) for one in classes], bool),
        _joined([mm2_of(one.plate) for one in classes], float), _joined([start + one.first for start, one in seams], np.int32),
        _joined([start + one.second for start, one in seams], np.int32),
    )  # fmt: skip


def _joined(rows: list[np.ndarray], kind: type) -> np.ndarray:
    return np.concatenate([np.zeros(0, kind), *rows])


@dataclass(frozen=True, eq=False)
class Meetings:
    """The seams at which one role meets another, class after class, (n)."""

    #: the class, and the place among the seams of its plate
    at: np.ndarray
    place: np.ndarray
    #: the numbers of the two roles, and a number for what is the same pair of roles on the same pair of areas, of either side
    first: np.ndarray
    second: np.ndarray
    kind: np.ndarray


def meetings(resolution: Resolution, least: float) -> Meetings:
    """Where roles meet along at least so many mm, on any figure."""
    worn, names, sides = resolution.worn, {}, {}
    rows: list[np.ndarray] = [np.zeros((5, 0), np.int64)]
    for at, one in enumerate(resolution.classes):
        seams, on = seams_of(one.plate, least), worn.numbers(one)
        if id(one.plate) not in sides:  # which its class holds
            sides[id(one.plate)] = np.array([names.setdefault(pair, len(names)) for pair in seams.sideless], np.int64)
        first, second = on[seams.first], on[seams.second]
        place = np.flatnonzero((first != second) & (first >= 0) & (second >= 0))
        first, second = first[place], second[place]
        pair = np.minimum(first, second).astype(np.int64) * len(worn.roles) + np.maximum(first, second)
        kind = pair * _PAIRS + sides[id(one.plate)][place]
        rows.append(np.stack([np.full(len(place), at), place, first, second, kind]))
    *met, kinds = np.concatenate(rows, axis=1)
    return Meetings(*(one.astype(np.int32) for one in (*met, np.unique(kinds, return_inverse=True)[1])))
