"""What may be done with fresh paint, and from when: lifted, left alone, judged."""

from dataclasses import dataclass

from ..recipes.drying import cured
from ..recipes.step import Step

#: kinds that dry to another colour than they are laid, so that nothing is judged before
_TURNS = ("base", "stain", "shade", "recess", "glaze", "layer", "oil")


@dataclass(frozen=True)
class Waits:
    """Minutes from the last stroke on: until pools can be lifted, until it must be left alone, until it may be judged, until
    it is cured; 0 for none."""

    lift: float
    leave: float
    judge: float
    cured: float


def waits_of(step: Step) -> Waits:
    """What fresh paint of a step asks for. A colour is judged dry: wet paint looks darker and stronger."""
    judge = step.drying if step.kind in _TURNS else 0.0
    return Waits(step.window, step.leave, judge, cured(step))
