"""What mends a fault of a laid pattern: another layout for one figure, or larger patches for all."""

import math
from collections.abc import Sequence
from dataclasses import replace

from ..camouflage.fleet import far_enough
from ..camouflage.laying import Patterned
from ..camouflage.measuring import measured
from ..camouflage.pattern import MOST_SEED, MOST_SIZE, Pattern
from ..colour.spaces import Lab
from ..scheme.cascade import FigureClass
from .camouflaged import layout_on, layout_seed, metres_of
from .design import Design

#: seeds that are tried
_TRIES = 6
#: how many times as large as they are laid now patches are tried
_LARGER = (1.0, 1.3, 1.7, 2.2)


def other_layout(
    design: Design,
    one: FigureClass,
    ordinal: int,
    pattern: Pattern,
    others: Sequence[Patterned],
    inks: Sequence[Lab],
    ground: Lab | None,
) -> int | None:
    """The seed of a layout without a fault of layout that is unlike ``others``; None where none of the next few is.

    inks, ground: colours, as ``measured`` takes them. Up to a second for every seed on a vehicle.
    """
    seed = layout_seed(pattern, one.unit, one.rank, ordinal)
    for step in range(1, _TRIES + 1):
        tried = (seed + step) % MOST_SEED
        pinned = replace(pattern, layouts=((one.unit, one.rank, ordinal, tried),))
        laid = layout_on(design, one, ordinal, pinned)
        found = measured(laid, inks, ground, metres_of(design))
        if not any(told.help == "layout" for told in found.told) and far_enough(laid, others):
            return tried
    return None


def larger_size(
    design: Design, one: FigureClass, ordinal: int, pattern: Pattern, inks: Sequence[Lab], ground: Lab | None
) -> float | None:
    """The least size in metres, as it is laid now or larger, at which nothing of the size is told of a figure; None where none
    of those that are tried will do.

    inks, ground: colours, as ``measured`` takes them. Up to a second for every size on a vehicle.
    """
    laid = layout_on(design, one, ordinal, pattern)
    now = pattern.size_m * laid.sized.widened
    for times in _LARGER:
        size = math.ceil(now * times * 100) / 100
        if size > MOST_SIZE or size <= pattern.size_m:
            continue
        tried = replace(pattern, size_m=size)
        found = measured(layout_on(design, one, ordinal, tried), inks, ground, metres_of(design))
        if not any(told.help == "size" for told in found.told):
            return size
    return None
