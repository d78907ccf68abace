"""Pots of a cast: how many figures each serves, and in which order they are opened."""

import random
from dataclasses import dataclass

from .band import Band
from .casting import Cast

#: tries with other random numbers, and how much chance has a say in each
_TRIES, _SAY = 12, 0.25


@dataclass(frozen=True)
class Opening:
    """One pot open once, and what it paints: (figure, garment)."""

    pot: str
    work: tuple[tuple[int, int], ...]


def pots_of(band: Band, cast: Cast) -> dict[str, int]:
    """Figures by pot, the most used first."""
    found: dict[str, set[int]] = {}
    for figure, row in enumerate(cast.rows):
        for garment, option in enumerate(row):
            for pot in band.garments[garment].options[option].pots:
                found.setdefault(pot, set()).add(figure)
    return {pot: len(figures) for pot, figures in sorted(found.items(), key=lambda pair: (-len(pair[1]), pair[0]))}


def openings(band: Band, cast: Cast) -> tuple[Opening, ...]:
    """Pot by pot: inner garments of a figure before outer ones, a pattern's ground before its second colour.

    Few openings: greedily the pot of which most work is ready, with seeded restarts.
    """
    tries = (
        _opened(band, cast, random.Random(f"{band.seed}/{attempt}") if attempt else None) for attempt in range(_TRIES)
    )
    return tuple(min(tries, key=len))


def _opened(band: Band, cast: Cast, rng: random.Random | None) -> list[Opening]:
    left = [
        sorted(
            (band.garments[garment].depth, layer, garment, pot)
            for garment, option in enumerate(row)
            for layer, pot in enumerate(band.garments[garment].options[option].pots)
        )
        for row in cast.rows
    ]
    found: list[Opening] = []
    while any(left):
        ready, waiting = _ready(left)
        last = found[-1].pot if found else ""

        def worth(pot: str, ready=ready, waiting=waiting, last=last) -> tuple[bool, float, int]:
            done = len(ready[pot])
            say = _SAY * rng.random() if rng else 0.0
            return pot != last, done / (done + waiting.get(pot, 0)) + say, done

        pot = max(sorted(ready), key=worth)
        for figure, job in ready[pot]:
            left[figure].remove(job)
        found.append(Opening(pot, tuple((figure, job[2]) for figure, job in ready[pot])))
    return found


def _ready(left: list[list[tuple]]) -> tuple[dict[str, list], dict[str, int]]:
    """By pot: jobs that nothing is in the way of, and how many others there are."""
    ready: dict[str, list] = {}
    waiting: dict[str, int] = {}
    for figure, jobs in enumerate(left):
        for job in jobs:
            depth, layer, garment, pot = job
            held = any(one[2] == garment and one[1] < layer for one in jobs)
            if depth == jobs[0][0] and not held:
                ready.setdefault(pot, []).append((figure, job))
            else:
                waiting[pot] = waiting.get(pot, 0) + 1
    return ready, waiting
