"""The check of camouflage: what was measured on the laid shapes, figure by figure, and another layout where that would mend it.

Measuring takes seconds, so the other checks do not wait for it: who has measured asks here what to make of it.
"""

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ..design.design import Design
from ..design.pattern_edit import with_changed, with_layout
from ..errors import MantelloError
from .finding import Check, Finding, Fix, checked


@dataclass(frozen=True)
class PatternTold:
    """One thing that was measured on one figure in a pattern."""

    pattern: str
    unit: str
    rank: str
    ordinal: int
    words: str
    cause: str
    #: the seed of a layout without it; None where no other layout would help, or none was found
    better: int | None = None
    #: metres of a patch at which it would be mended; None where the size has nothing to do with it, or none was found
    size: float | None = None


def camouflage_check(design: Design, told: Sequence[PatternTold], figures: int) -> Check:
    """What was told of the figures in patterns, the commonest first. figures: how many were measured."""
    causes = Counter((one.pattern, one.cause) for one in told)
    ranked = sorted(told, key=lambda one: -causes[one.pattern, one.cause])
    listed = tuple(finding for one in ranked if (finding := _finding(design, one)) is not None)
    worst = listed[0].what if listed else f"nothing to mend on {figures} figure{'s' * (figures != 1)}"
    rule = (
        "Measured on the finished shapes: shares, size, outline broken, panel lines crossed, views that agree, symmetry, what is"
        " left from where the army stands, and how unlike every other figure each is."
    )
    check = Check("camouflage", "Camouflage", "look" if listed else "clear", worst, listed, rule)
    return checked(check, design.scheme.aims)


def _finding(design: Design, one: PatternTold) -> Finding | None:
    """None for what an edit since has taken away."""
    try:
        pattern, called = design.scheme.pattern(one.pattern), design.army.called(one.unit, one.rank, one.ordinal)
    except MantelloError:
        return None
    return Finding(
        f"{called}: {one.words}",
        f"{one.pattern}|{one.unit}|{one.rank}|{one.ordinal}|{one.cause}",
        one.unit,
        one.rank,
        ordinal=one.ordinal,
        mending=_fix(one, called),
        cause=f"{pattern.name}: {one.cause[:1].lower()}{one.cause[1:]}",
        roles=tuple(ink.role for ink in pattern.inks),
    )


def _fix(one: PatternTold, called: str) -> Fix | None:
    def laid_otherwise(design: Design) -> Design:
        return with_layout(design, one.pattern, one.unit, one.rank, one.ordinal, one.better)

    def larger(design: Design) -> Design:
        return with_changed(design, replace(design.scheme.pattern(one.pattern), size_m=one.size))

    if one.better is not None:
        return Fix(f"lay {called} out otherwise", laid_otherwise)
    if one.size is not None:
        return Fix(f"patches of {one.size * 100:.0f} cm", larger)
    return None
