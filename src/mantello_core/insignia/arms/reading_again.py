"""What refers back to things that were read: 'on the fess', 'the latter charged with'; and what lies across all quarters."""

from dataclasses import replace

from .coat import Charged, Element, Ordinary
from .cursor import Cursor
from .quarter_numbers import numbers_follow
from .reading_element import read_element
from .reading_group import read_borne, read_groups

#: what may lie across quarters: as it is said of ordinaries, and marks for difference
_ABOUT = ("all within", "the whole within", "all in")


def said_again(cursor: Cursor, elements: list[Element]) -> bool:
    """Reads what is borne by a thing that was named before, and charges it: 'on the fess a roundel or', 'the latter charged with
    eight roses'. False, and nothing read, where nothing refers back.

    Raises: Misfit; Unreadable; OutOfRange.
    """
    ahead = int(cursor.kind() == "ON")
    ahead += cursor.kind(ahead) == "THE"
    if not ahead or (cursor.kind() == "ON" and ahead < 2):
        return False
    word = cursor.peek(ahead)
    if word is None or word.kind not in ("ORDINARY", "CHARGE", "LAST", "LABEL"):
        return False
    meant = next((at for at in reversed(range(len(elements))) if _is_meant(elements[at], word)), None)
    bearing = ahead + 1 + (cursor.kind(ahead + 1) == "COMMA")
    if meant is None or (cursor.kind() != "ON" and cursor.kind(bearing) != "BEARING"):
        return False
    if cursor.kind() == "ON":
        cursor.at += ahead + 1
        cursor.commas()
        borne = read_groups(cursor)
    else:
        cursor.at += bearing
        borne = read_borne(cursor)
    one = elements[meant]
    if isinstance(one, Charged):
        elements[meant] = replace(one, group=replace(one.group, bears=(*one.group.bears, *borne)))
    else:
        elements[meant] = replace(one, bears=(*one.bears, *borne))
    return True


def _is_meant(one: Element, word) -> bool:
    if word.kind == "LAST":
        return True
    if isinstance(one, Ordinary):
        return one.kind == (word.value if word.kind == "ORDINARY" else "label")
    return word.kind == "CHARGE" and one.group.charge == word.value[0]


def across_follows(cursor: Cursor) -> bool:
    """Whether what comes next lies across all quarters: 'over all, a label', 'all within a bordure', or anything behind a semicolon
    that begins no quarter and no small shield."""
    word = cursor.peek()
    if word is None:
        return False
    said = " ".join(word.text.lower().split())
    if word.kind == "WITHIN":
        return said in _ABOUT or _behind_semicolon(cursor)
    if word.kind == "OVERALL":
        ahead = 1
        while cursor.kind(ahead) in ("COMMA", "ON", "NUMBER"):
            ahead += 1
        shield = cursor.peek(ahead)
        small = bool(shield) and shield.kind == "ORDINARY" and shield.value == "inescutcheon"
        return not small and (" " in said or _behind_semicolon(cursor))
    return (
        word.kind in ("NUMBER", "ON", "ARRANGEMENT", "IN", "DIFFERENCE")
        and not small_shield_over_all(cursor)
        and _behind_semicolon(cursor)
        and not (cursor.quarters and numbers_follow(cursor, 0))
    )


def small_shield_over_all(cursor: Cursor) -> bool:
    """Whether 'an inescutcheon over all' comes next."""
    word = cursor.peek(1)
    kinds = tuple(cursor.kind(ahead) for ahead in range(3))
    return kinds == ("NUMBER", "ORDINARY", "OVERALL") and word.value == "inescutcheon"


def read_across(cursor: Cursor) -> tuple[Element, ...]:
    """Everything that lies across all quarters, from here on.

    Raises: Misfit; Unreadable; OutOfRange.
    """
    found: list[Element] = []
    while True:
        at = cursor.at
        while cursor.kind() in ("COMMA", "SEMICOLON", "STOP", "AND"):
            cursor.at += 1
        if not across_follows(cursor):
            cursor.at = at
            cursor.settled()
            return tuple(found)
        found.append(replace(read_element(cursor), overall=False))


def _behind_semicolon(cursor: Cursor) -> bool:
    at = cursor.at - 1
    while at >= 0 and cursor.words[at].kind in ("COMMA", "STOP", "AND"):
        at -= 1
    return at >= 0 and cursor.words[at].kind == "SEMICOLON"
