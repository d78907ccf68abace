"""Regiments that would be mistaken for each other: by what sources say, and by what can be seen."""

import math
from dataclasses import dataclass
from itertools import combinations

import numpy as np

from ..colour.acuity import seen_on
from ..colour.difference import differences
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
#: regiments that are compared at most, each with every other
MOST_COMPARED = 500
_UNKNOWN = Lab(math.nan, math.nan, math.nan)
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

    among: regiments to compare; all of the almanac if none are given. Of more than ``MOST_COMPARED`` the first are.
    """
    marks = {who: _marks(almanac, who, year) for who in (among or almanac.regiments)[:MOST_COMPARED]}
    wearers = list(marks)
    pairs = [
        (one, other) for one, other in combinations(range(len(wearers)), 2) if wearers[one].arm == wearers[other].arm
    ]
    if not pairs:
        return ()
    # what is left of each mark's difference, marks by pairs; less than nothing where one of the two does not tell of it
    grounds = [_coat(one) for one in marks.values()]
    verdicts = {garment: [one.get(garment) for one in marks.values()] for garment in DISTINCTIVE}
    first, second = np.array(pairs).T
    left = np.array([
        _left(garment, told, grounds, first, second, height, metres) for garment, told in verdicts.items()
    ])  # fmt: skip
    best = left.argmax(axis=0)
    most = left[best, np.arange(len(pairs))]
    found = []
    for at in np.flatnonzero(most < READS).tolist():
        one, other = (wearers[each] for each in pairs[at])
        mark, kept = (DISTINCTIVE[best[at]], float(most[at])) if most[at] >= 0 else ("", 0.0)
        found.append(_told(one, other, marks[one], marks[other], mark, kept, height, metres))
    return tuple(sorted(found, key=lambda one: one.left))


def _marks(almanac: Almanac, who: Wearer, year: int) -> dict[str, Verdict]:
    found = {garment: worn(almanac, who, garment, year) for garment in (*DISTINCTIVE, _ON)}
    return {
        garment: verdict
        for garment, verdict in found.items()
        if verdict.value and verdict.value.kind in ("colour", "none")
    }


def _told(
    one: Wearer, other: Wearer, mine: dict[str, Verdict], theirs: dict[str, Verdict], best: str, left: float, height: float,
    metres: float,
) -> Mistaken:  # fmt: skip
    differ = [
        name for name in DISTINCTIVE if name in mine and name in theirs and _parts(mine[name]) != _parts(theirs[name])
    ]
    gaps = [name for name in DISTINCTIVE if (name in mine) != (name in theirs)]
    kind = "alike" if differ else "unknown" if gaps else "same"
    return Mistaken(one, other, kind, best, left, _words(kind, differ, gaps, left, height, metres))


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


def _left(
    garment: str, told: list[Verdict | None], grounds: list[Lab], first: np.ndarray, second: np.ndarray, height: float,
    metres: float,
) -> np.ndarray:  # fmt: skip
    """What is left of the difference of one mark, for pairs of regiments; -1 where one of them does not tell of it.

    told, grounds: of every regiment its verdict, and what the mark lies on; first, second: numbers of the pairs' regiments.
    """
    width, metal = model_width(garment, height), garments()[garment].metal
    phrases = [one.value if one else None for one in told]
    own = [_lab(one.ground, metal=metal) if one else None for one in phrases]
    best = _seen_apart(own, grounds, width, metres, first, second)
    seconds = [_seconds(one) if one else [] for one in phrases]
    joined = [_lab(some[0][1]) if some else lab for some, lab in zip(seconds, own, strict=True)]
    under = [lab or ground for lab, ground in zip(own, grounds, strict=True)]
    numbers: dict[tuple, int] = {}
    which = np.array([numbers.setdefault(tuple(some), len(numbers)) for some in seconds])
    apart = _seen_apart(joined, under, width * _SECOND, metres, first, second)
    best = np.where(which[first] != which[second], np.maximum(best, apart), best)
    bare = np.array([one is not None and one.kind == "none" for one in phrases])
    best = np.where(bare[first] != bare[second], _THERE_OR_NOT if width > 1 else READS, best)
    known = np.array([one is not None for one in phrases])
    return np.where(known[first] & known[second], best, -1.0)


def _seen_apart(
    marks: list[Lab | None], grounds: list[Lab], width: float, metres: float, first: np.ndarray, second: np.ndarray
) -> np.ndarray:
    """CIEDE2000 between the marks of pairs, each blurred into what it lies on; 0 where one is not known."""
    seen = np.array([
        seen_on(mark, ground, width, metres) if mark else _UNKNOWN for mark, ground in zip(marks, grounds, strict=True)
    ])  # fmt: skip
    return np.nan_to_num(differences(seen[first], seen[second]))


def _seconds(phrase: Phrase) -> list[tuple[str, ColourWord]]:
    return [(part.relation, part.colour) for part in phrase.parts if part.relation != "ground"]


def _lab(colour: ColourWord | None, *, metal: bool = False) -> Lab | None:
    return target(colour, metal=metal).lab if colour and not colour.refers_to else None
