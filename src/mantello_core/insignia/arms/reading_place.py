"""Places read: where charges stand, said before them or after; from which edge they issue; in which rows."""

from .arranging import placed_so
from .cursor import Cursor, Misfit
from .quarter_numbers import is_quarter
from .vocabulary import NUMBERS, ORDINALS

#: what may stand before the name of a charge
BEFORE = ("DETAIL", "SIDE", "ATTITUDE")
#: what a number is of where it is no number of charges
NO_CHARGE = ("ORDINARY", "LINE", "LABEL")


def begins_group(cursor: Cursor, ahead: int = 0) -> bool:
    """Whether a group of charges comes next, its place said first or not."""
    if cursor.kind(ahead) == "ARRANGEMENT":
        ahead += 1 + (cursor.kind(ahead + 1) == "COMMA" or with_follows(cursor, ahead + 1))
    if cursor.kind(ahead) == "IN":
        ahead += 1
        while cursor.kind(ahead) in ("THE", "ORDINAL", "AND"):
            ahead += 1
        ahead += cursor.kind(ahead) in ("QUARTERS", "ORDINARY")
        ahead += cursor.kind(ahead) == "COMMA"
    if cursor.kind(ahead) not in ("NUMBER", "ASMANY"):
        return False
    ahead += 1
    while cursor.kind(ahead) in ("DEMI", "PAIR", *BEFORE):
        ahead += 1
    if not cursor.kind(ahead):
        cursor.asked.setdefault(cursor.at + ahead, set()).add("CHARGE")
    return cursor.kind(ahead) == "CHARGE"


def with_follows(cursor: Cursor, ahead: int) -> bool:
    """Whether the word so many places on is 'with'."""
    return cursor.kind(ahead) == "AND" and cursor.peek(ahead).text.lower() == "with"


#: places that are told by a side alone
SIDES = ("in dexter", "in sinister")


def begins_at_side(cursor: Cursor, ahead: int) -> bool:
    """Whether 'sinister a rose' comes next."""
    return cursor.kind(ahead) == "SIDE" and begins_group(cursor, ahead + 1 + (cursor.kind(ahead + 1) == "COMMA"))


def read_place(cursor: Cursor) -> str:
    """Where something is set, said before it or after it: 'in chief', 'in the second quarter'; '' if nothing is said."""
    if begins_at_side(cursor, 0):
        return SIDES[cursor.want("SIDE").value - 1]
    if word := cursor.take("ARRANGEMENT"):
        return word.value
    if cursor.kind() == "IN":
        cursor.take("IN")
        cursor.take("THE")
        if is_quarter(cursor, 0) and begins_group(cursor, 1):
            cursor.at += 1
            return f"in the {' and '.join(ORDINALS[:4])} quarters"
        numbers = [cursor.want("ORDINAL").value]
        while cursor.take("AND"):
            cursor.take("THE")
            numbers.append(cursor.want("ORDINAL").value)
        if cursor.kind() == "ORDINARY" and cursor.peek().value == "quarter":
            cursor.at += 1
        elif not begins_group(cursor, cursor.kind() == "COMMA"):
            cursor.want("QUARTERS")
        if max(numbers) > 3:
            raise Misfit
        return f"in the {' and '.join(ORDINALS[at] for at in numbers)} quarter{'s' * (len(numbers) > 1)}"
    return ""


def read_edge(cursor: Cursor, *, coloured: bool = False) -> str:
    """'issuing from the sinister', 'out of dexter base', 'from the chief': the place something issues from; '' if it is a thing of its own.

    coloured: whether a tincture that follows is said of what issues.
    """
    ahead = 1 + (cursor.kind(1) == "THE")
    if [cursor.kind(ahead + at) for at in range(3)] == ["SIDE", "AND", "SIDE"] and cursor.kind(ahead + 3) == "ORDINARY":
        # from both sides of the base: from the base
        cursor.at += ahead + 3
        return f"in {cursor.want('ORDINARY').value}"
    side = cursor.peek(ahead) if cursor.kind(ahead) == "SIDE" else None
    end = cursor.peek(ahead + bool(side))
    named = end if end and end.kind == "ORDINARY" and end.value in ("base", "chief") else None
    after = ahead + bool(side) + bool(named)
    own = named and not side and not coloured and cursor.kind(after) in ("TINCTURE", "OF", "LINE", "VARIED", "PER")
    if not (side or named) or own:
        return ""
    cursor.at += after
    words = [("dexter", "sinister")[side.value - 1]] if side else []
    return " ".join(("in", *words, *([named.value] if named else [])))


def read_rows(cursor: Cursor, arrangement: str, count: int) -> str:
    """'three, two and one' or '3, 2, 1' behind a group of six; 'two in saltire and one in pale' of three: how so many stand that were
    already said to stand in an arrangement; '' where nothing such comes next."""
    if across := _across(cursor, arrangement, count):
        return across
    ahead, numbers = 0, []
    while cursor.kind(ahead) in ("COMMA", "AND", "NUMBER"):
        word = cursor.peek(ahead)
        if word.kind == "NUMBER":
            if word.text.lower() in ("a", "an"):
                break
            numbers.append(word.value)
        ahead += 1
        if sum(numbers) == count and len(numbers) > 1:
            break
    if count < 2 or len(numbers) < 2 or sum(numbers) != count or cursor.kind(ahead) in ("CHARGE", "DEMI", *NO_CHARGE):
        return ""
    said = placed_so(arrangement, _row_words(numbers)) if arrangement else _row_words(numbers)
    cursor.at += ahead if said else 0
    return said


def _across(cursor: Cursor, arrangement: str, count: int) -> str:
    """'two in saltire and one in pale': three laid across each other; 'two in chief and one in base': rows."""
    at = cursor.at
    cursor.commas()
    first, second = _so_many_so(cursor), _so_many_so(cursor, "AND")
    good = first and second and not arrangement and first[0] + second[0] == count
    if good and {first[1], second[1]} == {"in saltire", "in pale"}:
        return "in saltire"
    if good and (first[1], second[1]) == ("in chief", "in base"):
        return _row_words([first[0], second[0]])
    cursor.at = at
    return ""


def _so_many_so(cursor: Cursor, behind: str = "") -> tuple[int, str] | None:
    """'two in saltire', 'three in bend in chief': how many, and the last that is said of where; behind: the word before them."""
    if behind and not cursor.take(behind):
        return None
    number = cursor.take("NUMBER")
    places = []
    while number and (place := cursor.take("ARRANGEMENT")):
        places.append(place.value)
    return (number.value, places[-1]) if places else None


def _row_words(numbers: list[int]) -> str:
    words = ["one" if one == 1 else NUMBERS[one - 1] for one in numbers]
    return f"{', '.join(words[:-1])} and {words[-1]}"
