"""Blazon read into a tree; what it says where it cannot be read, and what could come next."""

from contextlib import suppress
from dataclasses import dataclass

from ...errors import OutOfRange, Unreadable
from .coat import Arms
from .cursor import Cursor, Misfit
from .reading_arms import read_arms
from .words import Word, words_of

#: what a kind of token is called when it was expected; the others are not named
_SAID = {
    "TINCTURE": "a tincture", "NUMBER": "a number or 'a'", "ORDINARY": "an ordinary", "CHARGE": "a charge", "LINE": "a line",
    "VARIED": "a variation", "ARRANGEMENT": "an arrangement", "DETAIL": "a detail such as 'armed'", "ATTITUDE": "an attitude",
    "AND": "'and'", "PER": "'per'", "ON": "'on'", "WITHIN": "'within'", "BETWEEN": "'between'", "QUARTERLY": "'quarterly'",
    "GYRONNY": "'gyronny'", "TIERCED": "'tierced'", "LABEL": "'label'", "PART": "'points'", "OVERALL": "'overall'",
    "IMPALING": "'impaling'", "BEARING": "'charged with'", "SEMY": "'semy of'", "FRETTY": "'fretty'", "ORDINAL": "'first', 'second' ...",
    "FIELD": "'field'", "SURTOUT": "'en surtout'", "CLOSE": "')'", "SIDE": "'dexter' or 'sinister'",
}  # fmt: skip
_MOST_SAID = 8


@dataclass(frozen=True)
class Stand:
    """How far words can be read: the arms, if they are whole; kinds that could come at the end; whether they can be read so far."""

    arms: Arms | None
    kinds: frozenset[str]
    readable: bool


def read_blazon(text: str) -> Arms:
    """The arms that a blazon describes. Spelling, capitals, order and punctuation may vary.

    Raises: Unreadable with the place and what was expected; OutOfRange for numbers that cannot be drawn.
    """
    words = words_of(text)
    if not words:
        raise Unreadable("There is no blazon yet; begin with the field, such as 'azure'.", "sign 1")
    cursor = Cursor(words)
    try:
        arms = read_arms(cursor)
    except Misfit:
        raise _unexpected(cursor, text) from None
    while cursor.kind() in ("COMMA", "STOP", "SEMICOLON"):
        cursor.at += 1
    if cursor.at < len(words):
        raise _unexpected(cursor, text)
    return cursor.whole(arms)


def stand_of(words: list[Word]) -> Stand:
    """How far the words of an unfinished blazon can be read."""
    cursor = Cursor(list(words))
    arms = None
    with suppress(Misfit, Unreadable, OutOfRange):
        arms = cursor.whole(read_arms(cursor))
    kinds = frozenset(cursor.asked.get(len(words), ()))
    return Stand(arms, kinds, cursor.at >= len(words) or bool(kinds))


def _unexpected(cursor: Cursor, text: str) -> Unreadable:
    """What does not belong: the farthest word that something was asked for at."""
    at = max((place for place in cursor.asked if place >= cursor.at), default=cursor.at)
    wanted = sorted(
        (_SAID[kind] for kind in cursor.asked.get(at, ()) if kind in _SAID), key=lambda said: (said[0] == "'", said)
    )
    listed = ", ".join(wanted[:_MOST_SAID]) + (" ..." if len(wanted) > _MOST_SAID else "")
    if at >= len(cursor.words):
        last = cursor.words[-1]
        return Unreadable(
            f"The blazon ends too soon, after '{last.text}'; there could follow {listed}.",
            f"sign {len(text.rstrip()) + 1}",
        )
    word = cursor.words[at]
    said = f"; there could stand {listed}" if listed else ""
    if wanted and cursor.asked[at] >= {"TINCTURE"} and at:
        said = f": after '{cursor.words[at - 1].text}' there could stand {listed}"
    return Unreadable(f"'{word.text}' at sign {word.at + 1} does not belong there{said}.", f"sign {word.at + 1}")
