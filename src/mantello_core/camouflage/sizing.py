"""What tools, scale and the eye make of a pattern's size. Lengths on the model are mm, real ones metres."""

import math
from dataclasses import dataclass

from ..colour.spaces import Lab
from .pattern import SHEET, Pattern

#: per tool: narrowest line mm, smallest island mm², smallest radius mm, usual feather mm
_MADE_BY = {
    "brush": (0.6, 0.5, 0.2, 0.0), "sponge": (0.8, 0.5, 0.3, 0.2), "mask": (1.0, 1.5, 0.0, 0.0), "putty": (2.0, 6.0, 0.8, 0.3),
    "airbrush": (2.0, 5.0, 0.8, 1.2),
}  # fmt: skip
#: mm seen per metre of distance; a patch is at least twice that
SEEN_MM_PER_M = 0.29
#: the denominator that shipped drawings stand for
DRAWN_AT = 56.0
#: a patch whose mean width is the narrowest line would be narrower in half its places
_BODY, _BODY_SHEET = 2.0, 1.5
#: L* of the pale grey that a scaled colour goes towards, the most of the way that it goes, and the denominators where it starts and ends
PALE, _MOST_LIGHTER, _FROM, _TO = 85.0, 0.15, 10.0, 300.0


@dataclass(frozen=True)
class Sized:
    """What a pattern's size comes to on one model. Lengths in mm of the drawing, which is the model at 1:56."""

    size: float
    line: float
    island: float
    radius: float
    feather: float
    #: how many times wider than true it had to be; 1 if not
    widened: float
    #: mm on the real model for one of the drawing
    per_mm: float
    #: what a painter should know of it
    told: tuple[str, ...] = ()


def sized(pattern: Pattern, denominator: float = DRAWN_AT, metres: float = 1.2) -> Sized:
    """The size of a pattern on a model of 1:denominator seen from so many metres, held to what its tool makes and the eye sees."""
    per_mm = DRAWN_AT / denominator
    line, island, radius, usual = _MADE_BY[pattern.tool]
    feather = usual if pattern.feather is None else pattern.feather
    true = pattern.size_m * 1000 / denominator
    eye = 2 * SEEN_MM_PER_M * metres
    body = _BODY_SHEET if pattern.family in SHEET else _BODY
    floor = max(line, eye) * body / min(ink.scale for ink in pattern.inks)
    widened = max(1.0, floor / true)
    told = []
    if widened > 1:
        why = (
            f"the {pattern.tool} makes no line under {line:g} mm"
            if line >= eye
            else f"less is not seen from {metres:g} m"
        )
        told.append(
            f"A patch of {pattern.size_m * 100:.0f} cm is {true:.1f} mm at 1:{denominator:g}; widened {widened:.1f} times to"
            f" {true * widened:.1f} mm: {why}."
        )
    if feather > 0.5 * true * widened:
        told.append(
            f"An edge that fades over {feather:g} mm eats patches of {true * widened:.1f} mm: spray nearer, or make the edge harder."
        )
    return Sized(
        true * widened / per_mm,
        line / per_mm,
        island / per_mm**2,
        radius / per_mm,
        feather / per_mm,
        widened,
        per_mm,
        tuple(told),
    )


def lightening(denominator: float) -> float:
    """Share of the way to a pale grey for a model of 1:denominator: 0 at 1:10, 15 % from 1:300 on, by the logarithm.

    Source: the scale effect as painters practise it; unmeasured.
    """
    return min(_MOST_LIGHTER, max(0.0, _MOST_LIGHTER * math.log(max(denominator, 1.0) / _FROM) / math.log(_TO / _FROM)))


def lightened(colour: Lab, share: float) -> Lab:
    """A colour moved that share of the way to a pale neutral grey, in CIELAB."""
    return Lab(colour.lightness + share * (PALE - colour.lightness), colour.a * (1 - share), colour.b * (1 - share))
