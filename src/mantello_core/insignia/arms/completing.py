"""What may come next in a blazon: the words that fit where the writer stands."""

import re
from dataclasses import dataclass
from functools import cache

from ...errors import MantelloError
from .blazon import stand_of
from .charge import CHARGES
from .reading_ordinary import OF_ORDINARIES
from .vocabulary import NUMBERS
from .words import Word, phrases, words_of

#: how many are offered, and how many words of a phrase may be begun
MOST, _WORDS = 8, 4
#: kinds in the order they are offered where nothing is begun
_ORDER = (
    "TINCTURE",
    "NUMBER",
    "LINE",
    "ORDINARY",
    "CHARGE",
    "ATTITUDE",
    "ARRANGEMENT",
    "BETWEEN",
    "SEMY",
    "VARIED",
    "PER",
)


@dataclass(frozen=True)
class Completion:
    """A phrase that fits, its kind, and the sign from which on it stands in place of what is written."""

    phrase: str
    kind: str
    start: int


def completions(text: str) -> tuple[Completion, ...]:
    """Phrases that may stand at the end of a blazon, the begun ones finished; none where the blazon before cannot be read.

    >>> [one.phrase for one in completions("azure, a fess wa")]
    ['wavy']
    """
    found: dict[tuple[str, object], Completion] = {}
    starts = [match.start() for match in re.finditer(r"[^\W\d_][\w'&-]*", text)][-_WORDS:]
    if not text or text[-1].isspace() or text[-1] in ",;:(":
        starts = [*starts, len(text)]
    for start in sorted(starts):
        begun = " ".join(text[start:].lower().split()) + (" " if start < len(text) and text[-1].isspace() else "")
        wanted = _wanted(text[:start])
        if wanted is None:
            continue
        kinds, last = wanted
        for phrase, (kind, value) in _canonical_first():
            if kind in kinds and phrase.startswith(begun) and phrase != begun and _suits(phrase, kind, value, last):
                found.setdefault((kind, value), Completion(phrase, kind, start))
    order = {kind: at for at, kind in enumerate(_ORDER)}
    known = sorted(
        found.values(), key=lambda one: (-one.start if one.start < len(text) else 1, order.get(one.kind, 99))
    )
    return tuple(known[:MOST]) if starts and starts[-1] < len(text) else _spread(known)


@cache
def _canonical_first() -> tuple[tuple[str, tuple[str, object]], ...]:
    """Every phrase, those that are written back before those that are only understood."""
    usual = {name: at for at, name in enumerate(NUMBERS)}

    def understood(item: tuple[str, tuple[str, object]]) -> tuple[bool, int]:
        phrase, (kind, value) = item
        return (phrase not in usual if kind == "NUMBER" else phrase != value, usual.get(phrase, 0))

    return tuple(sorted(phrases().items(), key=understood))


def _spread(known: list[Completion]) -> tuple[Completion, ...]:
    """Of many kinds some each, so that the writer sees what is possible."""
    chosen, taken = [], {}
    for one in known:
        if taken.setdefault(one.kind, 0) < 3:
            taken[one.kind] += 1
            chosen.append(one)
    return tuple(chosen[: MOST + 4])


def _wanted(text: str) -> tuple[set[str], list[Word]] | None:
    """Kinds of token that may follow, and the tokens before; None if those cannot be read."""
    try:
        words = words_of(text)
    except MantelloError:
        return None
    if not words:
        return {"TINCTURE", "PER", "QUARTERLY", "VARIED", "GYRONNY"}, words
    stand = stand_of(words)
    return (set(stand.kinds), words) if stand.readable and stand.kinds else None


def _suits(phrase: str, kind: str, value, last: list[Word]) -> bool:
    """Whether number and attitude agree with what stands before."""
    if kind == "CHARGE":
        number = last[-1].value if last and last[-1].kind == "NUMBER" else 2
        charge = CHARGES.get(value[0])
        return charge is not None and phrase == (charge.name if number == 1 else charge.plural)
    if kind == "ATTITUDE":
        return bool(last) and last[-1].kind == "CHARGE" and value in CHARGES[last[-1].value[0]].attitudes
    if kind == "DETAIL":
        told = next((word.kind for word in reversed(last) if word.kind in ("CHARGE", "ORDINARY")), "CHARGE")
        return phrase == value and (told == "CHARGE" or value in OF_ORDINARIES)
    if kind == "NUMBER" and value == 1:
        return phrase == "a"
    if kind == "LABEL":
        return bool(last) and last[-1].value == 1
    return True
