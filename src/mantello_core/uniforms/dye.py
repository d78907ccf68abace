"""Words for cloth to colours: what good cloth was, what poorer cloth is, what months in the field do, how far pieces lie apart.

In lightness L, chroma C and hue h of CIELAB:

    word      Lab of the term, moved by its shade                     its radius is picked in once, for the army
    grade     L + g0, C g1, h + g2                                    for private and sergeant; officers' cloth is the reference
    fading    s = 1 - 2^(-months/half): L + s w0, C (1 - s (1 - w1)), h + s w2
    lot       normal, cut at 2 sigma: one draw for a unit's issue
    piece     the same for a figure; sigma grows by 1 + s, since wear is uneven
"""

import math
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import UnknownName
from ..memory import remembered
from .colour_word import ColourWord, shades, terms
from .lots import CUT, normal
from .word_lists import word_list

#: grades of cloth by the tier that is painted with them
GRADES = {"rank": "private", "leader": "sergeant", "centrepiece": "officer"}
#: colour words of metal things
_METALS = {"white": "pewter", "yellow": "brass", "buff": "brass", "silver": "pewter", "gold": "brass"}
_TINT = 0.3
#: lightness that cloth can have, and below which chroma a hue means little
_DARKEST, _LIGHTEST, _NEUTRAL = 4.0, 97.0, 12.0


@dataclass(frozen=True)
class Target:
    """Where a colour lies, and how far from there the truth, a lot and a piece may be."""

    lab: Lab
    term: str
    dye: str
    grade: str
    months: float
    #: CIEDE2000 of what the word leaves open and of what is not known of the dye
    word_radius: float
    dye_doubt: float
    #: standard deviations in lightness, chroma, hue
    lot: tuple[float, float, float]
    piece: tuple[float, float, float]
    reasons: tuple[str, ...]

    @property
    def radius(self) -> float:
        """A colour within it (CIEDE2000) is faithful to the word."""
        return math.hypot(self.word_radius, self.dye_doubt)

    def off(self, picked: Lab) -> float:
        """How far a colour lies from it, CIEDE2000."""
        return difference(self.lab, picked)


@remembered(2_000)
def target(colour: ColourWord, grade: str = "private", months: float = 0.0, *, metal: bool = False) -> Target:
    """The colour target of a word. metal: white and yellow mean pewter and brass there.

    >>> new, worn = target(ColourWord("red"), "officer"), target(ColourWord("red"), "private", 12.0)
    >>> worn.lab.lightness > new.lab.lightness + 5
    True

    Raises: UnknownName for the word or the grade.
    """
    term = _METALS.get(colour.term, colour.term) if metal else colour.term
    if term not in terms():
        raise UnknownName("colour word", colour.term, list(terms()))
    if grade not in GRADES.values():
        raise UnknownName("grade of cloth", grade, list(GRADES.values()))
    about = terms()[term]
    dye = word_list("dyes")["dye"][about["dye"]]
    lab = Lab(*map(float, about["lab"]))
    reasons = [f"'{colour.words}': {dye['title']}, good cloth L* {lab.lightness:.0f} a* {lab.a:.0f} b* {lab.b:.0f}"]
    if colour.tint in terms():
        tint = terms()[colour.tint]["lab"]
        lab = Lab(*((1 - _TINT) * one + _TINT * other for one, other in zip(lab, tint, strict=True)))
    if colour.shade in shades():
        lift, factor, turn = shades()[colour.shade]["shift"]
        lab = _moved(lab, lift, factor, turn)
    if grade != "officer":
        lift, factor, turn = dye["grade"][grade]
        lab = _moved(lab, lift, factor, turn)
        reasons.append(f"{grade}'s cloth: L* {lift:+g}, chroma x {factor:g}, hue {turn:+g} degrees")
    share = 1 - 2 ** (-months / dye["half"])
    if months:
        lift, factor, turn = dye["worn"]
        lab = _moved(lab, share * lift, 1 - share * (1 - factor), share * turn)
        half = dye["half"]
        reasons.append(f"{months:g} months out: {100 * share:.0f} % of the way to faded (half after {half:g} months)")
    reasons.append(dye["why"])
    lot, piece = (tuple(map(float, dye[name])) for name in ("lot", "piece"))
    uneven = tuple(sigma * (1 + share) for sigma in piece)
    return Target(lab, term, about["dye"], grade, months, about["radius"], dye["doubt"], lot, uneven, tuple(reasons))


def issued(aim: Target, seed: int, unit: str, spread: float = 1.0) -> Lab:
    """The colour of a unit's issue. spread: 0 is the target itself, 1 as far as the dye list says."""
    steps = [spread * sigma * normal(seed, aim.dye, unit, axis) for axis, sigma in enumerate(aim.lot)]
    return _stepped(aim.lab, steps)


def bounds(aim: Target, spread: float = 1.0) -> tuple[Lab, Lab]:
    """The least and the greatest lightness and chroma that a piece of an issue may have."""
    reach = [spread * CUT * (one + other) for one, other in zip(aim.lot, aim.piece, strict=True)]
    return _moved(aim.lab, -reach[0], 1, 0, -reach[1]), _moved(aim.lab, reach[0], 1, 0, reach[1])


def _stepped(lab: Lab, steps: list[float]) -> Lab:
    """A step in lightness, chroma and hue; near neutral the hue step shrinks with the chroma."""
    lift, chroma, turn = steps
    return _moved(lab, lift, 1, turn * min(1.0, lab.chroma / _NEUTRAL), chroma)


def _moved(lab: Lab, lightness: float, factor: float, turn: float, chroma: float = 0.0) -> Lab:
    """Lightness added, chroma multiplied then added to, hue turned, within what cloth can be."""
    far = max(0.0, lab.chroma * factor + chroma)
    angle = math.radians(lab.hue + turn)
    return Lab(min(max(lab.lightness + lightness, _DARKEST), _LIGHTEST), far * math.cos(angle), far * math.sin(angle))
