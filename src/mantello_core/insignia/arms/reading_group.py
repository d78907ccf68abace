"""Groups of charges read: how many, what, in which attitude and tincture, with what details, set where."""

from dataclasses import dataclass, field, replace

from ...errors import OutOfRange, Unreadable
from .charge import CHARGES, FACE, Charge
from .coat import Charged, Detail, Group, Pattern, Varied
from .cursor import Cursor, Misfit
from .reading_field import PATTERNS, TINCTURES, begins_tincture, read_pattern, read_strewn_on, read_tincture
from .vocabulary import NUMBERS, ORDINALS
from .words import Word

MOST_CHARGES, MOST_PARTS = 20, 16
#: what may stand before the name of a charge
_BEFORE = ("DETAIL", "SIDE", "ATTITUDE")
#: charges that rise without being birds
_RISE = ("sun", "full moon", "crescent")
#: charges that are also counted as parts of others
_PART_CHARGES = {"tower": "towers", "ray": "rays"}
#: what a number is of where it is no number of charges
_NO_CHARGE = ("ORDINARY", "LINE", "LABEL")


@dataclass
class _Said:
    """What was said of a group so far."""

    tincture: str = ""
    attitude: str = ""
    details: list[Detail] = field(default_factory=list)
    arrangement: str = ""
    parts: int = 0
    pattern: Pattern | None = None
    bears: tuple[Group, ...] = ()
    between: tuple[Group, ...] = ()
    holds: tuple[Group, ...] = ()


def read_count(cursor: Cursor) -> int:
    """How many: a number, 'as many', 'a pair of'.

    Raises: Misfit.
    """
    if cursor.take("ASMANY"):
        return cursor.number
    count = cursor.want("NUMBER").value
    if pair := cursor.take("PAIR"):
        count *= pair.value
    cursor.number = count
    return count


def begins_group(cursor: Cursor, ahead: int = 0) -> bool:
    """Whether a group of charges comes next, its place said first or not."""
    if cursor.kind(ahead) == "ARRANGEMENT":
        ahead += 1 + (cursor.kind(ahead + 1) == "COMMA")
    if cursor.kind(ahead) == "IN":
        ahead += 1
        while cursor.kind(ahead) in ("THE", "ORDINAL", "AND"):
            ahead += 1
        ahead += 1 + (cursor.kind(ahead + 1) == "COMMA")
    if cursor.kind(ahead) not in ("NUMBER", "ASMANY"):
        return False
    ahead += 1
    while cursor.kind(ahead) in ("DEMI", "PAIR", *_BEFORE):
        ahead += 1
    if not cursor.kind(ahead):
        cursor.asked.setdefault(cursor.at + ahead, set()).add("CHARGE")
    return cursor.kind(ahead) == "CHARGE"


def read_groups(cursor: Cursor) -> tuple[Group, ...]:
    """One group or two joined by 'and'."""
    found = [read_group(cursor)]
    at = cursor.at
    cursor.commas()
    if cursor.kind() == "AND" and begins_group(cursor, 1):
        cursor.take("AND")
        found.append(read_group(cursor))
    else:
        cursor.at = at
        cursor.asked.setdefault(cursor.at, set()).add("AND")
    return tuple(found)


def read_place(cursor: Cursor) -> str:
    """Where something is set, said before it or after it: 'in chief', 'in the second quarter'; '' if nothing is said."""
    if word := cursor.take("ARRANGEMENT"):
        return word.value
    if cursor.kind() == "IN":
        cursor.take("IN")
        cursor.take("THE")
        numbers = [cursor.want("ORDINAL").value]
        while cursor.take("AND"):
            cursor.take("THE")
            numbers.append(cursor.want("ORDINAL").value)
        if cursor.kind() == "ORDINARY" and cursor.peek().value == "quarter":
            cursor.at += 1
        else:
            cursor.want("QUARTERS")
        if max(numbers) > 3:
            raise Misfit
        return f"in the {' and '.join(ORDINALS[at] for at in numbers)} quarter{'s' * (len(numbers) > 1)}"
    return ""


def read_group(cursor: Cursor) -> Group:
    """A group of charges.

    Raises: Misfit; Unreadable for what goes against the charge or was said twice; OutOfRange for numbers.
    """
    cursor.commas()
    said = _Said(arrangement=read_place(cursor))
    cursor.commas()
    number = cursor.peek()
    count = read_count(cursor)
    demi = bool(cursor.take("DEMI"))
    before = []
    while more := cursor.take(*_BEFORE):
        before.append(more)
        demi = demi or bool(cursor.take("DEMI"))
    word = cursor.want("CHARGE")
    id_, inherent = word.value
    if id_ == "fountain":
        id_, inherent, said.pattern = "roundel", "", Varied("barry", ("argent", "azure"), "wavy", 6)
    if inherent == FACE:
        inherent = ""
        said.details.append(Detail(("cabossed",)))
    charge = CHARGES[id_]
    if not 1 <= count <= MOST_CHARGES:
        raise OutOfRange(f"{count} {charge.plural}; allowed are 1 to {MOST_CHARGES}.", f"sign {number.at + 1}")
    for one in before:
        if one.kind == "ATTITUDE":
            said.attitude = one.value
        else:
            side = "to sinister" if one.value == 2 else "to dexter"
            said.details.append(Detail((side if one.kind == "SIDE" else one.value,)))
    if said.attitude and said.attitude not in charge.attitudes:
        raise Unreadable(
            f"A {charge.name} is not {said.attitude}; its attitudes: {', '.join(charge.attitudes) or 'none'}.",
            f"sign {word.at + 1}",
        )
    while _goes_on(cursor, charge, said, inherent, count):
        pass
    if inherent and not said.tincture:
        said.tincture = cursor.note(inherent)
    if said.pattern:
        said.tincture = said.pattern.tinctures[0]
    usual = charge.attitudes[0] if charge.attitudes else ""
    return Group(
        count, id_, said.tincture or cursor.later(), said.attitude or usual, _merged(said.details), said.arrangement, demi, said.parts,
        said.pattern, said.bears, said.between, said.holds,
    )  # fmt: skip


def _merged(details: list[Detail]) -> tuple[Detail, ...]:
    """What has no tincture of its own as one, first."""
    bare = tuple(dict.fromkeys(word for detail in details if not detail.tincture for word in detail.what))
    return (*([Detail(bare)] if bare else []), *(detail for detail in details if detail.tincture))


def _goes_on(cursor: Cursor, charge: Charge, said: _Said, inherent: str, count: int) -> bool:
    """Reads one thing more that is said of a group; False where nothing more is."""
    if _rows(cursor, said, count):
        return True
    at = cursor.at
    cursor.commas()
    behind_comma = cursor.at > at
    word = cursor.peek()
    if word is None:
        cursor.asked.setdefault(cursor.at, set()).update(
            ("ATTITUDE", "DETAIL", "ARRANGEMENT", "BETWEEN", "BEARING", "HOLDING")
        )
    if cursor.kind() == "AND" and cursor.kind(1) in ("DETAIL", "ATTITUDE"):
        cursor.at += 1
    for read in (_attitude, _detail, _number_of_parts, _colour, _place, _what_it_bears):
        if read(cursor, charge, said, inherent, behind_comma):
            return True
    cursor.at = at
    return False


def _attitude(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    word = cursor.take("ATTITUDE")
    if word is None:
        return False
    if word.value == "rising" and charge.id in _RISE:
        said.details.append(Detail(("issuant",)))
        return True
    if word.value not in charge.attitudes:
        known = ", ".join(charge.attitudes) or "none"
        raise Unreadable(
            f"A {charge.name} is not {word.text} (at sign {word.at + 1}); its attitudes: {known}.",
            f"sign {word.at + 1}",
        )
    if said.attitude and said.attitude != word.value:
        raise _twice(word, said.attitude, word.value)
    said.attitude = word.value
    return True


def _detail(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    word = cursor.take("DETAIL")
    if word is None:
        return False
    words = [word.value]
    while True:
        at = cursor.at
        if cursor.kind() in ("AND", "COMMA"):
            cursor.at += 1
            if cursor.kind() == "AND":
                cursor.at += 1
        cursor.take("THE")
        more = cursor.take("DETAIL")
        if more is None:
            cursor.at = at
            break
        words.append(more.value)
    coloured = (said.tincture or said.pattern or inherent) and begins_tincture(cursor)
    said.details.append(Detail(tuple(words), read_tincture(cursor) if coloured else ""))
    return True


def _number_of_parts(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    """'of six points', 'with ten teeth', 'and of eight rays'."""
    ahead = 0
    while cursor.kind(ahead) in ("OF", "AND"):
        ahead += 1
    part = cursor.peek(ahead + 1)
    in_base = part and part.kind == "DETAIL" and part.text.lower().endswith(" in base")
    named = part and (
        part.kind == "PART"
        or in_base
        or (part.kind == "CHARGE" and part.value[0] in _PART_CHARGES and charge.counted == _PART_CHARGES[part.value[0]])
    )
    if not ahead or cursor.kind(ahead) != "NUMBER" or not named:
        return False
    word = cursor.peek(ahead)
    cursor.at += ahead + 2
    if not 3 <= word.value <= MOST_PARTS:
        raise OutOfRange(f"A {charge.name} of {word.value}; allowed are 3 to {MOST_PARTS}.", f"sign {word.at + 1}")
    if not charge.counted:
        raise Unreadable(
            f"The parts of a {charge.name} are not counted (at sign {word.at + 1}); leave the number out.",
            f"sign {word.at + 1}",
        )
    said.parts = word.value
    if in_base:
        # 'of six points in base' tells the place, 'points in base' by itself the way it is turned
        said.arrangement = said.arrangement or "in base"
    return True


def _colour(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    if said.tincture or said.pattern:
        if said.tincture and not said.pattern and (strewn := read_strewn_on(cursor, said.tincture)):
            said.pattern = strewn
            return True
        if begins_tincture(cursor) and not behind_comma:
            word = cursor.peek()
            raise _twice(word, said.tincture or "its pattern", word.text)
        return False
    if begins_tincture(cursor):
        word = cursor.peek()
        said.tincture = read_tincture(cursor)
        if inherent and said.tincture != inherent:
            raise Unreadable(
                f"What is named is {inherent} by its name, and '{word.text}' at sign {word.at + 1} says {said.tincture}; leave one out.",
                f"sign {word.at + 1}",
            )
        return True
    if not inherent:
        said.pattern = read_pattern(cursor)
    return said.pattern is not None


def _place(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    if cursor.kind() not in ("ARRANGEMENT", "IN"):
        cursor.asked.setdefault(cursor.at, set()).add("ARRANGEMENT")
        return False
    if cursor.quarters and behind_comma and cursor.kind(1 + (cursor.kind(1) == "COMMA")) in (*TINCTURES, *PATTERNS):
        # it names the next part of a division
        return False
    if begins_group(cursor) or _leads_on(cursor):
        # it says where the next thing stands
        return False
    word = cursor.peek()
    place = read_place(cursor)
    if said.arrangement and said.arrangement != place:
        raise _twice(word, said.arrangement, place)
    said.arrangement = place
    return True


def _leads_on(cursor: Cursor) -> bool:
    """Whether a place is followed by an element of its own."""
    after = 1 + (cursor.kind(1) == "COMMA")
    return cursor.kind(after) in ("ON", "WATER") or (
        cursor.kind(after) == "NUMBER" and cursor.kind(after + 1) in _NO_CHARGE
    )


def _what_it_bears(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    if not said.between and cursor.take("BETWEEN"):
        _wait(cursor, said, inherent)
        said.between = read_groups(cursor)
        return True
    if not said.holds and cursor.take("HOLDING"):
        _wait(cursor, said, inherent)
        cursor.commas()
        said.holds = (read_group(cursor),)
        return True
    if cursor.take("OUTOF"):
        _wait(cursor, said, inherent)
        cursor.behind.append(Charged(replace(read_group(cursor), arrangement="in base")))
        return True
    if not said.bears and cursor.take("BEARING"):
        said.bears = read_groups(cursor)
        return True
    return False


def _wait(cursor: Cursor, said: _Said, inherent: str) -> None:
    """What has no tincture yet shares the next that is named."""
    if not said.tincture and not said.pattern and not inherent:
        said.tincture = cursor.later()


def _rows(cursor: Cursor, said: _Said, count: int) -> bool:
    """'three, two and one' or '3, 2, 1' behind a group of six; 'two in saltire and one in pale' of three."""
    if _across(cursor, said, count):
        return True
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
    if count < 2 or len(numbers) < 2 or sum(numbers) != count or cursor.kind(ahead) in ("CHARGE", "DEMI", *_NO_CHARGE):
        return False
    if said.arrangement:
        return False
    cursor.at += ahead
    said.arrangement = _row_words(numbers)
    return True


def _across(cursor: Cursor, said: _Said, count: int) -> bool:
    """'two in saltire and one in pale': three laid across each other."""
    at = cursor.at
    cursor.commas()
    first, where, _, second, upright = (cursor.peek(ahead) for ahead in range(5))
    kinds = tuple(cursor.kind(ahead) for ahead in range(5))
    good = kinds == ("NUMBER", "ARRANGEMENT", "AND", "NUMBER", "ARRANGEMENT") and not said.arrangement
    if not good or first.value + second.value != count or where.value != "in saltire" or upright.value != "in pale":
        cursor.at = at
        return False
    cursor.at += 5
    said.arrangement = where.value
    return True


def _row_words(numbers: list[int]) -> str:
    words = ["one" if one == 1 else NUMBERS[one - 1] for one in numbers]
    return f"{', '.join(words[:-1])} and {words[-1]}"


def _twice(word: Word, one: str, other: str) -> Unreadable:
    return Unreadable(
        f"'{word.text}' at sign {word.at + 1}: it is {one} already; say {one} or {other}.", f"sign {word.at + 1}"
    )
