"""Which wash for the recesses of a colour: deeper of the same hue, brown, black, blue or violet, or the complement."""

import math
from dataclasses import dataclass

from ..colour.spaces import Lab
from ..mixing.choosing import ShadeChoice, shade_choices
from ..paints.paint import Paint
from ..recipes.step import Mix

#: families in the order in which they are told, with why one would take them
FAMILIES = {
    "same": ("deeper, same hue", "the colour stays itself"),
    "brown": ("brown", "warm and worn"),
    "black": ("black or grey", "hard and plain; it takes the colour's life"),
    "blue": ("blue or violet", "cold shadow against warm light"),
    "complement": ("complement", "the liveliest contrast; it greys where it is thin"),
}
#: chroma of a wash below which it is black or grey; degrees of hue that are brown, and blue or violet
DULL, BROWN, BLUE = 12.0, (35.0, 85.0), (230.0, 330.0)
#: degrees from a colour's hue within which a wash is of the same, and beyond which it is its complement; lightest brown, L*
SAME, OPPOSITE, BROWN_BELOW = 35.0, 140.0, 60.0
#: hue that is warmest, degrees; from which share of it on a recess counts as warmer or colder
WARMEST, WARMER = 60.0, 0.12


@dataclass(frozen=True)
class Shading:
    """The best wash of one family for a colour."""

    family: str
    mix: Mix
    recess: Lab
    #: chroma that the recess keeps of the colour's, 0 to 1 and above
    clean: float
    #: -1 colder to 1 warmer than the colour
    warmth: float
    #: how far it is from evenly darker, as ``shade_choices`` tells
    cost: float

    @property
    def name(self) -> str:
        """What its family is called."""
        return FAMILIES[self.family][0]

    @property
    def reason(self) -> str:
        """Why one would take it."""
        return FAMILIES[self.family][1]

    @property
    def words(self) -> str:
        """As in 'clean, warmer'."""
        clean = "clean" if self.clean >= 0.75 else "muted" if self.clean >= 0.4 else "grey"
        warm = "warmer" if self.warmth > WARMER else "colder" if self.warmth < -WARMER else "as warm"
        return f"{clean}, {warm}"


def shadings(base: Mix, pots: tuple[Paint, ...]) -> tuple[Shading, ...]:
    """The best wash of every family for a base, the most even first; none for what is too dark to shade."""
    own = base.film.masstone
    best: dict[str, ShadeChoice] = {}
    for choice in shade_choices(Mix(base.parts), pots):
        family = family_of(choice.mix.paints[0].swatch, own)
        if family and (family not in best or choice.cost < best[family].cost):
            best[family] = choice
    found = (
        Shading(
            name,
            one.mix,
            one.recess,
            one.recess.chroma / max(own.chroma, 1.0),
            _warmth(one.recess) - _warmth(own),
            one.cost,
        )
        for name, one in best.items()
    )
    return tuple(sorted(found, key=lambda one: (one.cost, list(FAMILIES).index(one.family))))


def family_of(wash: Lab, colour: Lab) -> str:
    """The family of a wash for a colour, a key of ``FAMILIES``; '' for what is none of them."""
    if wash.chroma < DULL:
        return "black"
    apart = abs(colour.turn_to(wash))
    if colour.chroma >= DULL and apart <= SAME:
        return "same"
    if BROWN[0] <= wash.hue <= BROWN[1] and wash.lightness < BROWN_BELOW:
        return "brown"
    if BLUE[0] <= wash.hue <= BLUE[1]:
        return "blue"
    return "complement" if colour.chroma >= DULL and apart >= OPPOSITE else ""


def _warmth(colour: Lab) -> float:
    """-1 cold to 1 warm, as far as it is a colour at all."""
    return math.cos(math.radians(colour.hue - WARMEST)) * min(1.0, colour.chroma / 30)
