"""Who a row speaks of: numbers in many hands, ranges, lists, and names."""

import re
from dataclasses import dataclass

from ..folding import fold

_ROMAN = r"(?:XC|XL|L?X{0,3})(?:IX|IV|V?I{0,3})"
_END = r"(?:st|nd|rd|th|er|re|e|ème|eme|ième|ieme|ter|te|\.|º|°|ª|ste|de)?"
_ONE = rf"(?:(?:no|nr|n°|nº|num|n)\.?\s*)?(?:(\d{{1,3}})(?:{_END})(?![\w])|({_ROMAN})(?:{_END})(?![\w]))"
_TO = r"\s*(?:-|–|—|to|through|bis|à|au|a|al|until|t/m|tot|…|\.\.\.?)\s*"
_AND = r"\s*(?:,|;|\+|&|/|and|und|et|e|y|en)\s*"
_LEAD = r"(?:the|die|das|der|du|le|les|dal|il|regts?\.?|regiments?|rgt\.?|reggimento|régiment|regimiento|ir|battalions?|bataillon|companies|company|kompanie|compagnie)\s+"
MOST_IN_RANGE = 120
_REST = {
    "others",
    "all others",
    "the others",
    "rest",
    "the rest",
    "remainder",
    "alle ubrigen",
    "alle anderen",
    "ubrige",
    "les autres",
    "autres",
    "gli altri",
    "los demas",
    "overige",
    "all",
    "alle",
    "tous",
    "tutti",
    "todos",
    "all regiments",
}


@dataclass(frozen=True)
class Named:
    """What a key cell names: numbers (several for a range), a name, or 'others'."""

    numbers: tuple[int, ...] = ()
    name: str = ""
    others: bool = False
    #: how it was written, when more than one was meant
    spread: str = ""


def roman(text: str) -> int | None:
    """The value of a Roman number of at least one sign.

    >>> roman("XIV"), roman("IIX"), roman("")
    (14, None, None)
    """
    if not text or not re.fullmatch(_ROMAN, text):
        return None
    values = {"I": 1, "V": 5, "X": 10, "L": 50, "C": 100, "D": 500, "M": 1000}
    total = 0
    for one, following in zip(text, [*text[1:], ""], strict=True):
        total += -values[one] if following and values[following] > values[one] else values[one]
    return total


def read_key_cell(text: str) -> Named:
    """Numbers and name in a key cell.

    >>> read_key_cell("1st–4th").numbers, read_key_cell("I. bis III.").numbers, read_key_cell("2, 3 & 7").numbers
    ((1, 2, 3, 4), (1, 2, 3), (2, 3, 7))
    >>> read_key_cell("12th (Harbour)"), read_key_cell("Lantern Guard").name, read_key_cell("du 1er au 3e").numbers
    (Named(numbers=(12,), name='Harbour', others=False, spread=''), 'Lantern Guard', (1, 2, 3))
    """
    raw = " ".join(text.replace("\u00a0", " ").split())
    if fold(raw) in _REST:
        return Named(others=True, spread=raw)
    rest, numbers, spread = re.sub(rf"^(?:{_LEAD})+", "", raw, flags=re.I), [], False
    while True:
        found = re.match(_ONE, rest, re.I if rest[:1].isdigit() or rest[:1] in "nN" else 0)
        value = _value(found)
        if value is None:
            break
        rest = rest[found.end() :]
        range_ = re.match(rf"{_TO}(?:the\s+|au\s+|al\s+)?(?=\d|[IVXL])", rest, re.I)
        if range_:
            end = re.match(_ONE, rest[range_.end() :])
            last = _value(end)
            if last is not None and value < last <= value + MOST_IN_RANGE:
                numbers += range(value, last + 1)
                rest, spread = rest[range_.end() + end.end() :], True
                value = None
        if value is not None:
            numbers.append(value)
        more = re.match(_AND, rest, re.I)
        if not more or not re.match(_ONE, rest[more.end() :]) or _value(re.match(_ONE, rest[more.end() :])) is None:
            break
        rest, spread = rest[more.end() :], True
    name = rest.strip(" .,:;-–—")
    if m := re.fullmatch(r"\((.*)\)", name):
        name = m[1]
    if not numbers:
        return Named(name=raw)
    return Named(tuple(dict.fromkeys(numbers)), name, spread=raw if spread else "")


def _value(found) -> int | None:
    if not found:
        return None
    return int(found[1]) if found[1] else roman(found[2] or "")
