"""A base made livelier with an ink, a stain or another clear paint: chroma won, hue turned, coats it then takes.

Source: docs/methods/recipes.md, 'A base made livelier'.
"""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import OutOfRange
from ..film.coverage import coat_by_coat, coverage, coverages_of
from ..film.ground import Ground
from ..film.surface import Surface
from ..memory import remembered
from ..paints.paint import Paint
from ..recipes.remixing import as_thin, mixed_of
from ..recipes.step import EVEN, Mix

#: parts of the base to parts of what makes it livelier that are tried, the least of it first
RATIOS = ((12, 1), (8, 1), (6, 1), (5, 1), (4, 1), (3, 1), (2, 1), (3, 2), (1, 1))
#: kinds of paint that carry colour and hide little; anything clear that can be mixed counts too
CLEAR = ("ink", "stain")
#: chroma that must be won for a second pot to be worth opening, and below which a colour has no hue to keep
WON, GREY = 2.0, 6.0
#: what may be asked: chroma to be won, coats at most, degrees of hue
MOST_MORE, MOST_ASKED_COATS, MOST_TURN = 60.0, 8, 60.0
#: L* within which it is still the same colour: what pales it more is a light, what darkens it more a shade
SHIFT = 8.0
#: degrees of hue that pass for the same colour, livelier
TURN = 12.0


@dataclass(frozen=True)
class Lift:
    """A base with a clear paint in it."""

    pot: Paint
    mix: Mix
    #: the colour of the base as it dries after its own coats, and that of the mix after its coats
    before: Lab
    colour: Lab
    #: coats until it is even; None if it never is
    coats: int | None
    #: whether it wins the chroma that was asked for, within the coats and the turn of hue allowed
    meets: bool

    @property
    def won(self) -> float:
        """Chroma won."""
        return self.colour.chroma - self.before.chroma

    @property
    def turned(self) -> float:
        """Degrees the hue turns, positive from red towards yellow; 0 where the base is too grey to have one."""
        if self.before.chroma < GREY:
            return 0.0
        return self.before.turn_to(self.colour)

    @property
    def darker(self) -> float:
        """L* lost."""
        return self.before.lightness - self.colour.lightness

    @property
    def parts(self) -> tuple[int, int]:
        """Parts of the base, and of what is added to it."""
        added = sum(parts for pot, parts in self.mix.parts if pot == self.pot)
        return round(sum(parts for _, parts in self.mix.parts) - added), round(added)


def clear_paints(pots: Iterable[Paint]) -> tuple[Paint, ...]:
    """Of paints those that lift a colour: inks, stains, and flat colours that hide little."""
    return tuple(
        pot for pot in pots if pot.kind in CLEAR or (pot.mixable and pot.film.opacity in ("transparent", "semi-transparent"))
    )  # fmt: skip


@remembered(1_000)
def lifts(
    base: Mix, ground: Ground, pots: tuple[Paint, ...], more: float, coats: int, turn: float = TURN, even: float = EVEN
) -> tuple[Lift, ...]:
    """For every clear paint the ratio that meets both wishes, those that do first, then by chroma won.

    more: chroma to be won, C*; coats: allowed over the ground; turn: degrees the hue may turn. Of the ratios that meet the wishes
    the one with the least of the clear paint is taken; where none does, the liveliest that keeps to coats and hue. Paints that
    win less than 2 that way, or change its lightness by more than 8, are left out.
    Raises: OutOfRange for what is asked.
    """
    for value, most, name in ((more, MOST_MORE, "more"), (coats, MOST_ASKED_COATS, "coats"), (turn, MOST_TURN, "turn")):
        if not 0 < value <= most:
            raise OutOfRange(f"{value:g} asked; allowed is over 0 to {most:g}.", name)
    surface = ground.flat
    before = _laid(base, surface, coverage(base.film, surface, base.dilution, even).coats)
    tried = [
        (pot, as_thin(base, parts))
        for pot in pots if pot not in base.paints
        for parts in dict.fromkeys(mixed_of([(base, of_base), (pot, of_pot)]) for of_base, of_pot in RATIOS)
    ]  # fmt: skip
    if not tried:
        return ()
    covers = coverages_of([(mix.film, mix.dilution, even) for _, mix in tried], surface.at(None))
    found: dict[Paint, list[Lift]] = {}
    for (pot, mix), (cover,) in zip(tried, covers, strict=True):
        if cover.coats is None or cover.coats > coats:
            continue
        one = Lift(pot, mix, before, _laid(mix, surface, cover.coats), cover.coats, meets=False)
        if abs(one.turned) <= turn and abs(one.darker) <= SHIFT:
            found.setdefault(pot, []).append(replace(one, meets=one.won >= more))
    best = [next((one for one in some if one.meets), max(some, key=lambda one: one.won)) for some in found.values()]
    return tuple(
        sorted((one for one in best if one.won >= WON), key=lambda one: (not one.meets, _cost(one), one.pot.id))
    )


def _cost(one: Lift) -> float:
    """What speaks against one: colour changed otherwise than asked where it meets the wishes, else chroma that lacks."""
    if one.meets:
        return round(difference(_with_chroma(one.before, one.colour.chroma), one.colour), 3)
    return round(-one.won, 3)


def _with_chroma(colour: Lab, chroma: float) -> Lab:
    """A colour with another chroma, its lightness and hue kept; a grey stays as it is."""
    if colour.chroma < GREY:
        return colour
    share = chroma / colour.chroma
    return Lab(colour.lightness, colour.a * share, colour.b * share)


def _laid(mix: Mix, ground: Surface, coats: int | None) -> Lab:
    return coat_by_coat(mix.film, ground, mix.dilution, coats or MOST_ASKED_COATS)[-1]
