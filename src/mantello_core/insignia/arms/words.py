"""The words of blazon: which phrase is which kind of token, however it is spelled."""

import re
import unicodedata
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from difflib import get_close_matches
from functools import cache

from ...errors import Unreadable
from .charge import CHARGES, FACE, HEAD
from .tincture import COUNTERCHANGED, PROPER, TINCTURES
from .vocabulary import (
    ALSO,
    ARRANGEMENTS,
    DETAILS,
    INSTEAD,
    LINES,
    NUMBERS,
    ORDINALS,
    ORDINARIES,
    PARTS,
    STREWN,
    TINCTURED,
    VARIED,
)

MOST_SIGNS = 1600
#: how long a word must be to be taken for a detail that nobody told of, and how near to a known one it is a slip
_DETAIL_SIGNS, _SLIP = 5, 0.8
#: words of a phrase at most
_LONGEST = 6
_WORD = re.compile(r"\d+(?:st|nd|rd|th)?|[a-z&']+|[^\s\-]")
_ROMAN = {"i": 1, "ii": 2, "iii": 3, "iv": 4, "iiii": 4, "v": 5, "vi": 6}
#: said for the eye, and left out
_SILENT = {"plain", "each", "field is", "respectively", "towards", "heraldic", "all", "both", "also", "two and all"}


@dataclass(frozen=True)
class Word:
    """One token: its kind, what it stands for, what was written and where (signs from the start)."""

    kind: str
    value: object
    text: str
    at: int


def words_of(text: str) -> list[Word]:
    """The tokens of a blazon.

    Raises: Unreadable for a word that blazon does not have, with its place and the nearest there is.
    """
    if len(text) > MOST_SIGNS:
        raise Unreadable(f"The blazon has {len(text)} signs; allowed is up to {MOST_SIGNS}.", "blazon")
    plain = _plain(text)
    found = [(match.group().replace("'", ""), match.start(), match.end()) for match in _WORD.finditer(plain)]
    found = [one for one in found if one[0]]
    tokens, at = [], 0
    while at < len(found):
        entry, length = _longest([word for word, _, _ in found[at : at + _LONGEST]])
        if entry and entry[0] == "SILENT":
            at += length
        elif entry:
            tokens.append(Word(*entry, text[found[at][1] : found[at + length - 1][2]], found[at][1]))
            at += length
        else:
            word, start, end = found[at]
            if _sounds_like_a_detail(word):
                tokens.append(Word("DETAIL", word, text[start:end], start))
            elif word not in _SILENT:
                raise _unknown(text[start:end], word, start)
            at += 1
    while tokens and tokens[-1].kind in ("STOP", "COMMA", "SEMICOLON"):
        tokens.pop()
    return tokens


def _longest(words: list[str]) -> tuple[tuple[str, object] | None, int]:
    """The longest phrase that some words begin with, as it is spelled, else as it sounds; its kind and value and how many words."""
    for entry_of in (phrases().get, _entry):
        for length in range(len(words), 0, -1):
            if entry := entry_of(" ".join(words[:length])):
                return entry, length
    return None, 0


def _entry(phrase: str) -> tuple[str, object] | None:
    """Kind and value of a phrase that nobody spells so: figures, or what sounds like one that is known."""
    if figures := re.fullmatch(r"(\d{1,6})(st|nd|rd|th)?", phrase, re.ASCII):
        return ("ORDINAL", int(figures[1]) - 1) if figures[2] else ("NUMBER", int(figures[1]))
    if phrase in _ROMAN:
        return "NUMBER", _ROMAN[phrase]
    return _sounds().get(_sound(phrase)) if len(phrase) > 3 else None


def _plain(text: str) -> str:
    """Lower case without accents, sign for sign, so that places stay."""
    signs = []
    for sign in text:
        base = unicodedata.normalize("NFD", sign)[0].lower()
        signs.append(base if len(base) == 1 else sign)
    return "".join(signs).replace("\u2019", "'").replace("\u2018", "'")


def _unknown(said: str, word: str, at: int) -> Unreadable:
    meant = INSTEAD.get(word)
    near = [meant] if meant else get_close_matches(word, list(phrases()), 3, 0.6)
    more = f"; {'say' if meant else 'near it:'} {', '.join(near)}" if near else ""
    return Unreadable(f"'{said[:40]}' at sign {at + 1} is no word of blazon{more}.", f"sign {at + 1}")


def _sounds_like_a_detail(word: str) -> bool:
    """Whether an unknown word says how something is, as 'bristled' does: kept and written back, told as not drawn. A word that is
    nearly one that is known is a slip of the pen and none."""
    return (
        word.endswith("ed") and len(word) >= _DETAIL_SIGNS and word not in INSTEAD and not get_close_matches(word, list(phrases()), 1, _SLIP)
    )  # fmt: skip


def _sound(phrase: str) -> str:
    """What spellings of one phrase have in common: 'lyon' and 'lion', 'passaunt' and 'passant', 'dancettée' and 'dancetty'."""
    return " ".join(map(_word_sound, phrase.split()))


def _word_sound(word: str) -> str:
    word = word.replace("y", "i").replace("au", "a").replace("k", "c").replace("qu", "c").replace("ck", "c")
    word = re.sub(r"(?:ee|ie|ei|i)(s?)$", r"i\1", word)
    word = re.sub(r"(.)\1+", r"\1", word)
    return re.sub(r"e(s?)$", r"\1", word)


@cache
def _sounds() -> dict[str, tuple[str, object]]:
    """What a phrase sounds like to what it is, where no two that mean otherwise sound alike."""
    known = {word: _word_sound(word) for word in {word for phrase in phrases() for word in phrase.split()}}
    found: dict[str, set] = {}
    for phrase, entry in phrases().items():
        if len(phrase) > 3:
            found.setdefault(" ".join(known[word] for word in phrase.split()), set()).add(entry)
    return {sound: next(iter(entries)) for sound, entries in found.items() if len(entries) == 1}


@cache
def phrases() -> dict[str, tuple[str, object]]:
    """Every phrase that is known, in lower case without apostrophes and hyphens."""
    found: dict[str, tuple[str, object]] = {}
    joined: dict[str, tuple[str, object]] = {}

    def know(phrase: str, kind: str, value: object) -> None:
        words = re.findall(_WORD, phrase.replace("'", ""))
        found.setdefault(" ".join(words), (kind, value))
        if kind == "CHARGE" and len(words) > 1:
            joined.setdefault("".join(words), (kind, value))

    for phrase, kind, value in _said():
        know(phrase, kind, value)
    # names of several words are also written as one
    return joined | found


def _said() -> Iterator[tuple[str, str, object]]:
    """Every phrase with its kind and what it stands for; of phrases that are said twice the first counts."""
    yield from ((phrase, *entry) for phrase, entry in ALSO.items())
    for one in TINCTURES.values():
        yield from ((name, "TINCTURE", one.id) for name in (one.id, *one.also))
    yield from ((name, "TINCTURE", name) for name in (PROPER, COUNTERCHANGED))
    yield from ((name, "NUMBER", count) for count, name in enumerate(NUMBERS, 1))
    yield from ((name, "ORDINAL", at) for at, name in enumerate(ORDINALS))
    yield from ((name, "ORDINARY", one) for one, plural in ORDINARIES.items() for name in (one, plural) if name)
    for kind, names in (("LINE", LINES), ("VARIED", VARIED), ("ARRANGEMENT", ARRANGEMENTS), ("DETAIL", DETAILS)):
        yield from _named(kind, names)
    yield from ((name, "CHARGE", entry) for name, entry in TINCTURED.items())
    yield from ((name, "STREWN", entry) for name, entry in STREWN.items())
    for charge in CHARGES.values():
        yield from ((name, "CHARGE", (charge.id, "")) for name in (charge.name, charge.plural, *charge.also))
        yield from ((_plural(name), "CHARGE", (charge.id, "")) for name in (charge.name, *charge.also))
        yield from (
            (f"crosses {name[6:]}", "CHARGE", (charge.id, ""))
            for name in (charge.name, *charge.also)
            if name[:6] == "cross "
        )
        if charge.id.endswith(" head") and not charge.id.endswith(HEAD):
            one = charge.id.removesuffix(" head")
            yield from (
                (name, "CHARGE", (charge.id, "")) for name in (f"{one}'s head", f"{one}s' heads", f"{one}s head")
            )
        if charge.id.endswith(HEAD):
            one = charge.id.removesuffix(HEAD)
            faces = (f"{one}'s face", f"{one} face", f"{one} faces", f"{charge.plural.removesuffix(' heads')} faces")
            called = (
                f"{name.removesuffix('s').removesuffix('head')}{face}"
                for name in charge.also
                for face in ("face", "faces")
            )
            yield from ((name, "CHARGE", (charge.id, FACE)) for name in (*faces, *called))
    attitudes = sorted({attitude for charge in CHARGES.values() for attitude in charge.attitudes})
    yield from ((attitude, "ATTITUDE", attitude) for attitude in attitudes)
    yield from _named("PART", PARTS)


def _plural(name: str) -> str:
    """The usual plural of a name, for names that are known in the singular alone."""
    if name.endswith("f"):
        return f"{name[:-1]}ves"
    return f"{name}es" if name.endswith(("s", "x", "ch", "sh")) else f"{name}s"


def _named(kind: str, names: Mapping[str, tuple[str, ...]]) -> Iterator[tuple[str, str, object]]:
    """Words of a table, each with how else it is said."""
    return ((each, kind, name) for name, also in names.items() for each in (name, *also))
