"""Names and notes that painters give, and the ids made of names."""

import re
import unicodedata
from difflib import SequenceMatcher

from .errors import OutOfRange

LONGEST_NAME = 80
#: how alike a misspelt word must be to count as found
_ALIKE = 0.78
#: signs that join or part letters in many scripts and in pictures made of several: zero-width joiner and non-joiner, word joiner
_JOINERS = "\u200d\u200c\u2060"
#: marks that say which way a neighbour reads
_DIRECTIONS = "\u200e\u200f\u061c"
#: beginnings of a piece that reads its own way, and its end
_ISOLATES, _ISOLATE_END = "\u2066\u2067\u2068", "\u2069"
#: what turns all that follows it about
_TURNS = "\u202a\u202b\u202c\u202d\u202e"


def slug(text: str, taken=()) -> str:
    """An id made of a name, not one of ``taken``."""
    base = re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:40] or "item"
    candidate, number = base, 2
    while candidate in taken:
        candidate, number = f"{base}-{number}", number + 1
    return candidate


def named(text: str, where: str = "name") -> str:
    """A name trimmed and checked.

    Raises: OutOfRange if it is empty, too long, or holds signs that cannot be kept.
    """
    name = noted(text, where, "name")
    if not 1 <= len(name) <= LONGEST_NAME:
        raise OutOfRange(f"The name has {len(name)} characters; allowed is 1 to {LONGEST_NAME}.", where)
    return name


def noted(text: str, where: str = "note", what: str = "note") -> str:
    """A text of one line: tabs and line breaks become blanks, and what cannot be kept is refused.

    Raises: OutOfRange.
    """
    line = " ".join(text.split())
    if found := strange_in(line):
        raise OutOfRange(f"The {what} holds {sign_words(*found)}.", where)
    return line


def strange_in(text: str) -> tuple[str, str] | None:
    r"""The first sign of a line that cannot be kept, and why; None if all of it can.

    Letters, marks and pictures of every script can, and what they need within: joiners between two signs, marks of
    direction, isolates that are closed, tags behind a flag. Source: Unicode Standard 15, chapters 9, 12 and 23;
    Unicode Technical Report 36 on turning marks.

    >>> strange_in("می\u200cخواهم"), strange_in("a\u200d"), strange_in("half\ud800")[1]
    (None, ('\u200d', 'a joiner with nothing to join'), 'half of a sign')
    """
    open_at: list[str] = []
    for at, sign in enumerate(text):
        if sign.isprintable() or sign == " ":
            continue
        if sign in _ISOLATES:
            open_at.append(sign)
        elif sign == _ISOLATE_END:
            if not open_at:
                return sign, "the end of a piece that was not begun"
            open_at.pop()
        elif why := _refused(text, at):
            return sign, why
    return (open_at[0], "the beginning of a piece that is not ended") if open_at else None


def sign_words(sign: str, why: str) -> str:
    """What ``strange_in`` found, in words."""
    return f"the sign U+{ord(sign):04X}, {why}"


def _refused(text: str, at: int) -> str:
    """Why a sign that is not printed by itself cannot be kept where it stands, or ''."""
    sign = text[at]
    kind = unicodedata.category(sign)
    if sign in _DIRECTIONS:
        return ""
    if sign in _JOINERS:
        joined = 0 < at < len(text) - 1 and not text[at - 1].isspace() and not text[at + 1].isspace()
        return "" if joined else "a joiner with nothing to join"
    if sign in _TURNS:
        return "which would turn about all that is written after it"
    if "\U000e0020" <= sign <= "\U000e007f":
        before = text[at - 1 : at]
        return (
            "" if before == "\U0001f3f4" or "\U000e0020" <= before <= "\U000e007e" else "a tag that belongs to no flag"
        )
    if kind == "Cs":
        return "half of a sign"
    if kind == "Cc":
        return "which is for machines and cannot be written or printed"
    if kind == "Co":
        return "which looks different in every font"
    if kind == "Cn":
        return "which is no sign at all" if _no_sign(sign) else ""
    if kind == "Cf" and not unicodedata.name(sign, "").startswith(("ARABIC", "SYRIAC", "KAITHI")):
        return "which cannot be seen"
    return ""


def _no_sign(sign: str) -> bool:
    """Whether a place in the alphabet is set aside for ever; other empty ones may be signs newer than this list."""
    return ord(sign) & 0xFFFE == 0xFFFE or 0xFDD0 <= ord(sign) <= 0xFDEF


def folded(text: str) -> str:
    """A text as it is compared: without capitals, its words a blank apart."""
    return " ".join(text.casefold().split())


def match_rank(asked: str, name: str) -> int | None:
    """How well a name fits what was asked: 0 begins so, 1 a word begins so, 2 holds it, 3 is spelt nearly so; None if not.

    asked: as ``folded`` gives it.
    """
    plain = folded(name)
    if plain.startswith(asked):
        return 0
    if all(any(word.startswith(each) for word in plain.replace("-", " ").split()) for each in asked.split()):
        return 1
    if asked in plain:
        return 2
    if len(asked) > 3 and any(SequenceMatcher(None, asked, word).ratio() >= _ALIKE for word in (plain, *plain.split())):
        return 3
    return None
