"""Another layout for a figure whose own has a fault that another seed mends."""

from collections.abc import Sequence
from dataclasses import replace

from ..camouflage.fleet import far_enough
from ..camouflage.laying import Patterned
from ..camouflage.measuring import measured
from ..camouflage.pattern import MOST_SEED, Pattern
from ..colour.spaces import Lab
from ..scheme.cascade import FigureClass
from .camouflaged import layout_on, layout_seed, metres_of
from .design import Design

#: seeds that are tried
_TRIES = 6


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
