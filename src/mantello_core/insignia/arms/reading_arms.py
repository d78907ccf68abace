"""Arms read: one coat, two side by side, quarters, divisions whose parts are coats of their own."""

from dataclasses import replace

from ...errors import OutOfRange, Unreadable
from .coat import Arms, Charged, Coat, Detail, Element, Field, Impaled, Ordinary, Parted, Plain, Quartered
from .cursor import Cursor, Misfit
from .quarter_numbers import FIELD, is_quarter, numbers_follow
from .reading_again import across_follows, read_across, said_again, small_shield_over_all
from .reading_element import read_element
from .reading_field import read_field
from .reading_group import read_groups
from .tincture import COUNTERCHANGED

#: parts of divisions whose parts are coats
PARTS = {
    "pale": 2,
    "fess": 2,
    "bend": 2,
    "bend-sinister": 2,
    "chevron": 2,
    "saltire": 4,
    "pall": 3,
    "tierced-pale": 3,
    "tierced-fess": 3,
}


def read_arms(cursor: Cursor) -> Arms:
    """Arms.

    Raises: Misfit; Unreadable; OutOfRange.
    """
    cursor.commas()
    if cursor.take("OPEN"):
        found = read_arms(cursor)
        cursor.commas()
        cursor.want("CLOSE")
        return found
    if cursor.kind() == "IMPALING":
        cursor.at += 1
        cursor.commas()
    if cursor.kind() == "SIDE":
        return _sides(cursor)
    if cursor.kind() == "QUARTERLY" and numbers_follow(cursor, 1 + 2 * (cursor.kind(1) == "OF")):
        return _quartered(cursor)
    found: Arms = _coat(cursor)
    if cursor.beyond("IMPALING") and cursor.take("IMPALING"):
        found = Impaled(found, read_arms(cursor))
    return found


def _sides(cursor: Cursor) -> Impaled:
    """'dexter, azure, a lion or; sinister, gules'."""
    parts = {}
    for _ in range(2):
        word = cursor.want("SIDE")
        if word.value in parts:
            raise Unreadable(
                f"'{word.text}' at sign {word.at + 1} was given before; say dexter and sinister once each.",
                f"sign {word.at + 1}",
            )
        parts[word.value] = read_arms(cursor)
        while cursor.kind() in ("COMMA", "SEMICOLON", "AND", "STOP"):
            cursor.at += 1
    return Impaled(parts[1], parts[2])


def _quartered(cursor: Cursor) -> Quartered:
    word = cursor.want("QUARTERLY")
    count = 4
    if cursor.kind() == "OF" and cursor.kind(1) == "NUMBER":
        cursor.at += 2
        count = cursor.words[cursor.at - 1].value
        if count not in (4, 6):
            raise OutOfRange(f"Quarterly of {count}; allowed are 4 and 6.", f"sign {word.at + 1}")
    cursor.quarters += 1
    parts: list[tuple[tuple[int, ...], Arms]] = []
    taken: set[int] = set()
    while len(taken) < count or _fifth_follows(cursor, taken):
        here = cursor.peek(past_commas=True)
        if here is None and taken:
            missing = min(set(range(1, count + 1)) - taken)
            raise OutOfRange(f"Quarter {missing} is not given; each of 1 to {count} comes once.", "quarters")
        numbers = _numbers(cursor)
        twice = sorted(taken & set(numbers))
        if twice:
            raise OutOfRange(
                f"Quarter {twice[0]} is given twice (at sign {here.at + 1}); each comes once.", f"sign {here.at + 1}"
            )
        taken |= set(numbers)
        if max(taken) > 4:
            count = 6
        if max(taken) > 6:
            raise OutOfRange(f"Quarter {max(taken)}; there are 4 or 6.", f"sign {here.at + 1}")
        if cursor.take("AS"):
            _as_before(cursor, parts, numbers)
        else:
            parts.append((numbers, read_arms(cursor)))
        while cursor.kind() in ("COMMA", "SEMICOLON", "STOP"):
            cursor.at += 1
        if cursor.kind() == "AND" and cursor.kind(1) in ("ORDINAL", "THE", "NUMBER"):
            cursor.at += 1
    cursor.quarters -= 1
    across, overall = read_across(cursor), _surtout(cursor)
    return Quartered(tuple(parts), overall, across or read_across(cursor))


def _as_before(cursor: Cursor, parts: list[tuple[tuple[int, ...], Arms]], numbers: tuple[int, ...]) -> None:
    """'third as the second': quarters that are as one before.

    Raises: Misfit; Unreadable for a quarter that is not given yet.
    """
    cursor.take("THE")
    word = cursor.want("NUMBER", "ORDINAL")
    meant = word.value + 1 if word.kind == "ORDINAL" else word.value
    at = next((at for at, (known, _) in enumerate(parts) if meant in known), None)
    if at is None:
        raise Unreadable(
            f"'As {word.text}' at sign {word.at + 1}: quarter {meant} is not given before it.", f"sign {word.at + 1}"
        )
    parts[at] = ((*parts[at][0], *numbers), parts[at][1])


def _fifth_follows(cursor: Cursor, taken: set[int]) -> bool:
    """Whether there are six quarters though nobody said so."""
    word = cursor.peek(past_commas=True)
    fifth = bool(word) and (word.kind, word.value) in (("NUMBER", 5), ("ORDINAL", 4))
    return taken == {1, 2, 3, 4} and fifth and cursor.words[cursor.at - 1].kind in ("SEMICOLON", "COMMA", "AND", "STOP")


def _numbers(cursor: Cursor) -> tuple[int, ...]:
    """'1 and 4', 'first and fourth', 'in the second quarter'.

    Raises: Misfit.
    """
    while cursor.kind() in ("COMMA", "IN", "THE", "STOP", "SEMICOLON"):
        cursor.at += 1
    found = []
    word = cursor.want("NUMBER", "ORDINAL")
    while word:
        found.append(word.value + 1 if word.kind == "ORDINAL" else word.value)
        while cursor.kind() in ("COMMA", "AND", "THE", "STOP"):
            cursor.at += 1
        word = cursor.take("NUMBER", "ORDINAL")
    while is_quarter(cursor, 0) or cursor.kind() in ("COMMA", "STOP"):
        cursor.at += 1
    return tuple(found)


def _surtout(cursor: Cursor) -> Coat | None:
    at = cursor.at
    while cursor.kind() in ("COMMA", "SEMICOLON", "STOP", "AND"):
        cursor.at += 1
    if cursor.take("SURTOUT"):
        cursor.commas()
        return _coat(cursor)
    if cursor.take("OVERALL"):
        cursor.commas()
        cursor.take("ON")
        if cursor.kind() == "NUMBER" and cursor.kind(1) == "ORDINARY" and cursor.peek(1).value == "inescutcheon":
            cursor.at += 2
            return _coat(cursor, small_shield=True)
    if small_shield_over_all(cursor):
        cursor.at += 3
        return _coat(cursor, small_shield=True)
    cursor.at = at
    return None


def _coat(cursor: Cursor, *, small_shield: bool = False) -> Coat:
    """A field and what lies on it; a small shield may also be 'charged with' it."""
    cursor.new_coat()
    field: Field = _parted(cursor) or read_field(cursor)
    elements: list[Element] = []
    if small_shield and cursor.beyond("BEARING") and cursor.take("BEARING"):
        elements += [Charged(group) for group in read_groups(cursor)]
    while True:
        at = cursor.at
        between = ("COMMA", "AND", "STOP") if cursor.quarters else ("COMMA", "AND", "STOP", "SEMICOLON")
        while cursor.kind() in between:
            cursor.at += 1
        if said_again(cursor, elements):
            continue
        if not _element_follows(cursor):
            cursor.at = at
            break
        element = read_element(cursor)
        if isinstance(field, Plain) and _changed(cursor, element) and _lies_on_one(elements):
            # what is counterchanged on a plain field changes with what lies beneath it
            element = replace(element, overall=True)
        if elements and not cursor.behind and _one_of_a_pair(elements[-1], element):
            elements[-1], element = _laid_across(elements[-1], element)
        elements += [*cursor.behind, element]
        cursor.behind.clear()
    cursor.settled()
    coat = Coat(field, tuple(elements))
    plain = isinstance(field, Plain | Parted)
    if plain and any(
        _changed(cursor, one) for at, one in enumerate(elements) if not (one.overall and _lies_on_one(elements[:at]))
    ):
        raise Unreadable(
            "Counterchanged wants a field of two tinctures, parted, varied or strewn; this one is plain.", "tincture"
        )
    return coat


def _changed(cursor: Cursor, one: Element) -> bool:
    return any(COUNTERCHANGED in cursor.filled.get(tincture, tincture) for tincture in _tinctures_of(one))


def _lies_on_one(beneath: list[Element]) -> bool:
    """Whether what lies over all of this may be counterchanged with it: an ordinary in one tincture on the plain field."""
    return any(isinstance(one, Ordinary) and one.pattern is None and one.tincture != COUNTERCHANGED for one in beneath)


def _one_of_a_pair(one: Element, other: Element) -> bool:
    """Whether two charges were said to lie across each other: 'a sword and a key in saltire'."""
    return (
        isinstance(one, Charged) and isinstance(other, Charged) and one.group.count == other.group.count == 1
        and other.group.arrangement == "in saltire" and not one.group.arrangement
    )  # fmt: skip


def _laid_across(one: Charged, other: Charged) -> tuple[Charged, Charged]:
    turned = []
    for each, way in ((one, "bendwise"), (other, "bendwise sinister")):
        bare = next((detail.what for detail in each.group.details if not detail.tincture), ())
        rest = tuple(detail for detail in each.group.details if detail.tincture)
        turned.append(replace(each, group=replace(each.group, arrangement="", details=(Detail((*bare, way)), *rest))))
    return turned[0], turned[1]


def _tinctures_of(one: Element) -> tuple[str, ...]:
    if isinstance(one, Charged):
        return tuple(each.tincture for each in one.group.within())
    return (one.tincture, *(each.tincture for group in (*one.bears, *one.between) for each in group.within()))


def _element_follows(cursor: Cursor) -> bool:
    """Whether something lies on the field; numbers of the next quarter do not."""
    word = cursor.peek()
    cursor.asked.setdefault(cursor.at, set()).update(("NUMBER", "ON", "OVERALL", "WITHIN"))
    if word is None:
        return False
    if word.kind == "WITHIN":
        return not (cursor.quarters and across_follows(cursor))
    if word.kind in ("ON", "ASMANY", "OUTOF", "THEREFROM", "WATER") or (
        word.kind == "ORDINARY" and word.value == "flaunch"
    ):
        return True
    if word.kind == "OVERALL":
        return not (cursor.quarters and (across_follows(cursor) or _small_shield_follows(cursor)))
    if word.kind == "ARRANGEMENT":
        return not (cursor.quarters and cursor.kind(1 + (cursor.kind(1) == "COMMA")) in FIELD)
    if word.kind == "IN":
        return not (cursor.quarters and numbers_follow(cursor, 0))
    return word.kind in ("NUMBER", "DIFFERENCE") and not (cursor.quarters and numbers_follow(cursor, 0))


def _small_shield_follows(cursor: Cursor) -> bool:
    """'over all, on an inescutcheon': whether what lies over all is a small shield with arms of its own."""
    ahead = 1
    while cursor.kind(ahead) in ("COMMA", "ON", "NUMBER"):
        ahead += 1
    word = cursor.peek(ahead)
    if " " not in cursor.peek().text:
        # 'overall' in one word is said of what lies over the quarter's own arms
        return False
    return bool(word) and word.kind == "ORDINARY" and word.value == "inescutcheon"


def _parted(cursor: Cursor) -> Parted | None:
    """'per pale, dexter ..., sinister ...'; 'per saltire, 1 ..., 2 and 3 ..., 4 ...'; None for a field that is parted in tinctures."""
    tierced = cursor.kind() == "TIERCED"
    start = 1 + (tierced and cursor.kind(1) in ("PER", "IN"))
    if cursor.kind() not in ("PER", "TIERCED") or cursor.kind(start) != "ORDINARY":
        return None
    ahead = start + 1 + (cursor.kind(start + 1) == "LINE")
    while cursor.kind(ahead) == "COMMA":
        ahead += 1
    kind = cursor.peek(start).value.replace(" ", "-")
    if tierced and kind != "pall":
        kind = f"tierced-{kind}"
    if kind not in PARTS or not (
        cursor.kind(ahead) == "SIDE" or _names_part(cursor, ahead) or numbers_follow(cursor, ahead)
    ):
        return None
    line = cursor.peek(start + 1).value if cursor.kind(start + 1) == "LINE" else ""
    cursor.at += ahead
    cursor.quarters += 1
    found: dict[int, Arms] = {}
    while len(found) < PARTS[kind]:
        here = cursor.peek()
        for number in _parts(cursor, kind):
            if number in found or number > PARTS[kind]:
                raise OutOfRange(
                    f"Part {number} of a field per {kind} (at sign {here.at + 1}); each of 1 to {PARTS[kind]} comes once.",
                    f"sign {here.at + 1}",
                )
            found[number] = None
        arms = read_arms(cursor)
        found = {number: known or arms for number, known in found.items()}
        while cursor.kind() in ("COMMA", "SEMICOLON", "STOP", "AND"):
            cursor.at += 1
    cursor.quarters -= 1
    return Parted(kind, tuple(found[number] for number in sorted(found)), line)


#: what parts are called besides their numbers
_CALLED = {
    "fess": {"in chief": 1, "in base": 2}, "chevron": {"in chief": 1, "in base": 2}, "saltire": {"in chief": 1, "in dexter": 2, "in sinister": 3, "in base": 4},
    "pall": {"in chief": 1, "in dexter": 2, "in sinister": 3},
}  # fmt: skip


def _edge_named(cursor: Cursor, ahead: int) -> bool:
    """Whether 'the chief', 'the base' names a part."""
    word = cursor.peek(ahead + 1)
    return (
        cursor.kind(ahead) == "THE" and word is not None and word.kind == "ORDINARY" and word.value in ("chief", "base")
    )


def _names_part(cursor: Cursor, ahead: int) -> bool:
    if _edge_named(cursor, ahead):
        return True
    return cursor.kind(ahead) == "ARRANGEMENT" and cursor.kind(ahead + 1 + (cursor.kind(ahead + 1) == "COMMA")) in FIELD


def _parts(cursor: Cursor, kind: str) -> tuple[int, ...]:
    if word := cursor.take("SIDE"):
        return (word.value,)
    if _edge_named(cursor, 0):
        cursor.take("THE")
        return ({"chief": 1, "base": 2}[cursor.want("ORDINARY").value],)
    found = []
    while word := cursor.take("ARRANGEMENT"):
        number = _CALLED.get(kind, {}).get(word.value)
        if number is None:
            raise Misfit
        found.append(number)
        if cursor.kind() == "AND" and cursor.kind(1) == "ARRANGEMENT":
            cursor.at += 1
    if found:
        return tuple(found)
    return _numbers(cursor)
