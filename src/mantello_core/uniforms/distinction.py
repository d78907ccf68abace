"""Regiments that would be mistaken for each other: by what sources say, and by what can be seen."""

from dataclasses import dataclass
from itertools import combinations

from ..colour.acuity import seen_on
from ..colour.difference import difference
from ..colour.spaces import Lab
from .almanac import Almanac
from .colour_word import ColourWord
from .dye import target
from .fact import Wearer
from .garments import garments, title_of
from .phrase import Phrase
from .verdict import Verdict
from .visible import READS, model_width
from .worn import DISTINCTIVE, worn

#: a second colour of a mark counts with this part of its width
_SECOND = 1 / 3
#: what is left where one wears it and the other does not, if it is wider than 1 mm
_THERE_OR_NOT = 30.0
#: what marks lie on, and what that is like where it is not known
_ON, _MIDDLING = "coat", Lab(45.0, 2.0, 4.0)


@dataclass(frozen=True)
class Mistaken:
    """Two regiments that cannot be told apart. kind: same (sources agree), alike (too small or too near), unknown (a gap hides it)."""

    first: Wearer
    second: Wearer
    kind: str
    #: the mark that does best, and the CIEDE2000 left of it
    best: str
    left: float
    words: str


def mistaken(
    almanac: Almanac, year: int, height: float = 28.0, metres: float = 1.2, among: tuple[Wearer, ...] = ()
) -> tuple[Mistaken, ...]:
    """Pairs of one arm whose marks are the same or cannot be told apart at a size and distance, the worst first.

    among: regiments to compare; all of the almanac if none are given.
    """
    marks = {who: _marks(almanac, who, year) for who in among or almanac.regiments}
    found = [
        pair
        for one, other in combinations(marks, 2)
        if one.arm == other.arm and (pair := _compared(one, other, marks[one], marks[other], height, metres))
    ]
    return tuple(sorted(found, key=lambda one: one.left))


def _marks(almanac: Almanac, who: Wearer, year: int) -> dict[str, Verdict]:
    found = {garment: worn(almanac, who, garment, year) for garment in (*DISTINCTIVE, _ON)}
    return {
        garment: verdict
        for garment, verdict in found.items()
        if verdict.value and verdict.value.kind in ("colour", "none")
    }


def _compared(
    one: Wearer, other: Wearer, mine: dict[str, Verdict], theirs: dict[str, Verdict], height: float, metres: float
) -> Mistaken | None:
    both = [garment for garment in DISTINCTIVE if garment in mine and garment in theirs]
    grounds = [_coat(mine), _coat(theirs)]
    left = {garment: _left(garment, mine[garment], theirs[garment], grounds, height, metres) for garment in both}
    best = max(both, key=left.__getitem__, default="")
    if best and left[best] >= READS:
        return None
    differ = [garment for garment in both if _parts(mine[garment]) != _parts(theirs[garment])]
    gaps = [garment for garment in DISTINCTIVE if (garment in mine) != (garment in theirs)]
    kind = "alike" if differ else "unknown" if gaps else "same"
    return Mistaken(
        one, other, kind, best, left.get(best, 0.0), _words(kind, differ, gaps, left.get(best, 0.0), height, metres)
    )


def _coat(marks: dict[str, Verdict]) -> Lab:
    """What marks lie on: the coat, or a middling cloth where nothing is known of it."""
    coat = marks[_ON].value.ground if _ON in marks and marks[_ON].value else None
    return _lab(coat) or _MIDDLING


def _words(kind: str, differ: list[str], gaps: list[str], left: float, height: float, metres: float) -> str:
    if kind == "same":
        return "They wear the same marks, and the sources say so."
    named = ", ".join(title_of(garment).lower() for garment in (differ or gaps))
    if kind == "alike":
        return f"They differ in {named} only, of which {left:.0f} is left at {height:g} mm from {metres:g} m ({READS:g} reads)."
    return f"Nothing that is known tells them apart; of one of them nothing is told of {named}."


def _parts(verdict: Verdict) -> tuple:
    return verdict.value.parts if verdict.value else ()


def _left(garment: str, one: Verdict, other: Verdict, grounds: list[Lab], height: float, metres: float) -> float:
    """What is left of the difference of two regiments' marks."""
    if one.value is None or other.value is None:
        return 0.0
    width = model_width(garment, height)
    if (one.value.kind == "none") != (other.value.kind == "none"):
        return _THERE_OR_NOT if width > 1 else READS
    metal = garments()[garment].metal
    own = [_lab(phrase.ground, metal=metal) for phrase in (one.value, other.value)]
    best = _seen_apart(own, grounds, width, metres)
    seconds = [_seconds(phrase) for phrase in (one.value, other.value)]
    if seconds[0] != seconds[1]:
        pair = [_lab(second[0][1]) if second else ground for second, ground in zip(seconds, own, strict=True)]
        best = max(
            best,
            _seen_apart(
                pair, [lab or ground for lab, ground in zip(own, grounds, strict=True)], width * _SECOND, metres
            ),
        )
    return best


def _seen_apart(marks: list[Lab | None], grounds: list[Lab], width: float, metres: float) -> float:
    """CIEDE2000 between two marks, each blurred into what it lies on; 0 where one is not known."""
    known = [(mark, ground) for mark, ground in zip(marks, grounds, strict=True) if mark]
    if len(known) < len(marks):
        return 0.0
    return difference(*(seen_on(mark, ground, width, metres) for mark, ground in known))


def _seconds(phrase: Phrase) -> list[tuple[str, ColourWord]]:
    return [(part.relation, part.colour) for part in phrase.parts if part.relation != "ground"]


def _lab(colour: ColourWord | None, *, metal: bool = False) -> Lab | None:
    return target(colour, metal=metal).lab if colour and not colour.refers_to else None
