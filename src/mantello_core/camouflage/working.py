"""What laying one ink of a pattern takes, from its share, its size and its tool; the same for every layout of it."""

import math
from dataclasses import dataclass
from functools import cache

from ..data_table import data_table
from .pattern import MARKS, Pattern
from .sizing import sized

#: how long a patch's outline is, in mean chords; a mask covers about this many patches at once
_OUTLINE, _PATCHES_A_MASK = 4.0, 2.0


@dataclass(frozen=True)
class InkWork:
    """One ink on one model, for one coat: surface and edge of it, shapes or masks, and what the hand takes."""

    mm2: float
    edge_mm: float
    shapes: int
    masks: int
    #: seconds for every coat, and once for masks on and off
    seconds: float
    masking: float


def ink_work(pattern: Pattern, at: int, mm2: float, denominator: float, metres: float) -> InkWork:
    """What the ink at a place takes on a model of which the pattern covers so many mm²; the first is laid everywhere.

    Edge by Crofton's formula: patches of a share p with mean chord c have pi p / c mm of outline on a mm². Speeds are
    assumptions (``data/work.toml``).
    """
    ink, scale = pattern.inks[at], sized(pattern, denominator, metres)
    if not at:
        return InkWork(mm2, 0.0, 1, 0, 0.0, 0.0)
    chord = scale.size * scale.per_mm * ink.scale
    own, edge = mm2 * ink.share, math.pi * ink.share / chord * mm2
    shapes = max(1, round(edge / (_OUTLINE * chord)))
    speed = _data()["tool"][pattern.tool]
    if pattern.family in MARKS:
        return InkWork(own, edge, shapes, 0, shapes * speed["mark"], 0.0)
    seconds = 60 * (own / speed["surface"] + (edge / speed["edge"] if speed["edge"] else 0.0))
    if not pattern.masked:
        return InkWork(own, edge, shapes, 0, seconds, 0.0)
    mask = _data()["mask"][pattern.tool]
    masks = max(1, round(shapes / _PATCHES_A_MASK))
    masking = masks * (mask["lay"] + mask["off"]) + 60 * edge / mask["cut"]
    return InkWork(own, edge, shapes, masks, seconds, masking)


@cache
def _data() -> dict:
    return data_table(__package__, "work")
