"""Several models in one pattern: laid out otherwise, alike in statistics."""

import math
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from .chances import chance
from .laying import Patterned

#: how far two models of a fleet are apart at least, as a share of what two unrelated layouts are; mirrored a little less
APART, MIRRORED = 0.75, 0.9
#: layouts that are thrown away at most for each that is kept
_MOST_TRIES = 10


@dataclass(frozen=True)
class Kinship:
    """How alike the statistics of a fleet are."""

    #: mean run of a colour, mm, and how much it varies from model to model, as a share
    run: float
    varies: float
    #: least that two are apart, and that one is from another's mirror image; largest error of a share
    apart: float
    mirrored: float
    share_error: float


def apart(one: Patterned, other: Patterned, *, mirrored: bool = False) -> float:
    """How differently two models of a type are laid out: 0 the same, 1 as unlike as chance makes them."""
    differ = count = 0
    views = {view.name: ink for view, ink in zip(other.surface.views, other.labels, strict=True)}
    for view, a in zip(one.surface.views, one.labels, strict=True):
        b = views[view.name]
        if mirrored and view.name in ("left", "right"):
            b = views["right" if view.name == "left" else "left"][:, ::-1]
            a, b = a[:, : b.shape[1]], b[:, : a.shape[1]]
        elif mirrored:
            b = b[::-1] if view.name == "top" else b[:, ::-1]
        both = (a >= 0) & (b >= 0)
        differ += int((a[both] != b[both]).sum())
        count += int(both.sum())
    return differ / max(count, 1) / (1 - (chance(one.shares) + chance(other.shares)) / 2)


def set_apart(one: Patterned, other: Patterned) -> float:
    """How far two layouts are apart, and from each other's mirror image, whichever is less; from ``APART`` on it is enough."""
    return min(apart(one, other), apart(one, other, mirrored=True) / MIRRORED)


def far_enough(one: Patterned, others: Sequence[Patterned]) -> bool:
    """Whether a layout is unlike every other, and unlike every other's mirror image."""
    return all(set_apart(one, each) >= APART for each in others)


def fleet(make: Callable[[int], Patterned], seeds: Sequence[int]) -> Iterator[tuple[int, Patterned]]:
    """A layout for every seed; one that is too like another is drawn again with the next seed that is free.

    make: seed to layout. The same seeds give the same fleet, and more of them change none of those before.
    """
    kept: list[Patterned] = []
    for seed in seeds:
        for tried in range(_MOST_TRIES):
            candidate = make(seed + 1000 * tried)
            if far_enough(candidate, kept) or tried == _MOST_TRIES - 1:
                break
        kept.append(candidate)
        yield candidate.pattern.seed, candidate


def kinship(models: Sequence[Patterned]) -> Kinship:
    """How alike the models of a fleet are in what makes them one scheme, and how unlike in layout."""
    runs = np.array([_mean_run(one) for one in models])
    pairs = [(one, two) for at, one in enumerate(models) for two in models[at + 1 :]]
    errors = [abs(share - ink.share) for one in models for share, ink in zip(one.shares, one.pattern.inks, strict=True)]
    return Kinship(
        float(runs.mean()), float(runs.std() / runs.mean()), min((apart(*pair) for pair in pairs), default=1.0),
        min((apart(*pair, mirrored=True) for pair in pairs), default=1.0), max(errors),
    )  # fmt: skip


def _mean_run(result: Patterned) -> float:
    """Mean length of one colour along rows and columns, mm."""
    edges = nodes = 0
    for ink in result.labels:
        for grid in (ink, ink.T):
            both = (grid[:, 1:] >= 0) & (grid[:, :-1] >= 0)
            edges += int(((grid[:, 1:] != grid[:, :-1]) & both).sum())
            nodes += int(both.sum())
    pitch = float(result.surface.views[0].x[1] - result.surface.views[0].x[0])
    return nodes / max(edges, 1) * pitch if edges else math.inf
