"""Groups of charges read: how many, what, in which attitude and tincture, with what details, set where."""

from dataclasses import dataclass, field, replace

from ...errors import OutOfRange, Unreadable
from .arranging import placed_so
from .charge import CHARGES, FACE, Charge
from .coat import Charged, Detail, Group, Pattern, Varied
from .cursor import Cursor
from .reading_field import (
    PATTERNS,
    TINCTURES,
    begins_tincture,
    read_pattern,
    read_strewn_on,
    read_tincture,
    tincture_of_difference,
)
from .reading_place import (
    BEFORE,
    NO_CHARGE,
    SIDES,
    begins_at_side,
    begins_group,
    read_edge,
    read_place,
    read_rows,
    with_follows,
)
from .vocabulary import NUMBERS
from .words import Word

MOST_CHARGES, MOST_PARTS = 20, 16
#: charges that rise without being birds
_RISE = ("sun", "full moon", "crescent")
#: charges that are also counted as parts of others
_PART_CHARGES = {"tower": "towers", "ray": "rays"}
#: what bears as many fruits or leaves as are said
_BRANCHES = ("branch", "tree", "oak leaf", "laurel leaf", "bunch of grapes", "wreath")
#: ordinaries that also stand as charges where no ordinary can lie, and the charge that is drawn
_AS_CHARGES = {"inescutcheon": "escutcheon", "cross": "cross couped", "saltire": "saltire couped"}
#: what a charge is without its being said, as it is drawn
BY_NATURE = (("sun", "in splendour"), ("arm", "embowed"), ("dolphin", "embowed"))
#: what is gold where nobody says a tincture
_GOLD = ("sun in splendour", "suns in splendour")


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


def read_groups(cursor: Cursor) -> tuple[Group, ...]:
    """One group or two joined by 'and'."""
    found = [read_group(cursor)]
    at = cursor.at
    cursor.commas()
    if cursor.kind() == "AND" and (begins_group(cursor, 1) or begins_at_side(cursor, 1)):
        cursor.take("AND")
        found.append(read_group(cursor))
    elif found[0].arrangement in SIDES and cursor.at > at and begins_at_side(cursor, 0):
        found.append(read_group(cursor))
    else:
        cursor.at = at
        cursor.asked.setdefault(cursor.at, set()).add("AND")
    return tuple(found)


def read_group(cursor: Cursor) -> Group:
    """A group of charges.

    Raises: Misfit; Unreadable for what goes against the charge or was said twice; OutOfRange for numbers.
    """
    cursor.commas()
    said = _Said(arrangement=read_place(cursor))
    cursor.commas()
    if said.arrangement and with_follows(cursor, 0):
        # 'on the sinister with a star'
        cursor.at += 1
    number = cursor.peek()
    count = read_count(cursor)
    demi = bool(cursor.take("DEMI"))
    before = []
    while more := cursor.take(*BEFORE):
        before.append(more)
        demi = demi or bool(cursor.take("DEMI"))
    word = cursor.want("CHARGE", *(["ORDINARY"] if stands_as_charge(cursor) else []))
    id_, inherent = word.value if word.kind == "CHARGE" else (_AS_CHARGES[word.value], "")
    if id_ == "fountain":
        id_, inherent, said.pattern = "roundel", "", Varied("barry", ("argent", "azure"), "wavy", 6)
    if inherent == FACE:
        inherent = ""
        said.details.append(Detail(("cabossed",)))
    charge = CHARGES[id_]
    if id_ == "pair of wings" and word.text.lower().startswith("wings") and count % 2 == 0:
        count //= 2  # 'two wings conjoined' are one pair
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
    if (
        not said.tincture
        and not said.pattern
        and " ".join(word.text.lower().split()) in _GOLD
        and _stands_alone(cursor)
    ):
        said.tincture = cursor.note("or")
    if not said.tincture and not said.pattern:
        said.tincture = tincture_of_difference(cursor)
    if said.pattern:
        said.tincture = said.pattern.tinctures[0]
    usual = charge.attitudes[0] if charge.attitudes else ""
    return Group(
        count, id_, said.tincture or cursor.later(), said.attitude or usual, _merged(said.details), said.arrangement, demi, said.parts,
        said.pattern, said.bears, said.between, said.holds,
    )  # fmt: skip


def stands_as_charge(cursor: Cursor, ahead: int = 0) -> bool:
    """Whether the word so many places on is an ordinary that is drawn as a charge where no ordinary can lie."""
    return cursor.kind(ahead) == "ORDINARY" and cursor.peek(ahead).value in _AS_CHARGES


def _stands_alone(cursor: Cursor) -> bool:
    """Whether what follows cannot lend its tincture: the end, or a comma behind which it is no number or 'and'."""
    at = cursor.at
    while cursor.kind() in ("COMMA", "SEMICOLON", "STOP"):
        cursor.at += 1
    follows, cursor.at = cursor.kind(), at
    return follows not in ("AND", "TINCTURE") or cursor.kind() == "SEMICOLON"


def _merged(details: list[Detail]) -> tuple[Detail, ...]:
    """What has no tincture of its own as one, first."""
    bare = tuple(dict.fromkeys(word for detail in details if not detail.tincture for word in detail.what))
    return (*([Detail(bare)] if bare else []), *(detail for detail in details if detail.tincture))


def _goes_on(cursor: Cursor, charge: Charge, said: _Said, inherent: str, count: int) -> bool:
    """Reads one thing more that is said of a group; False where nothing more is."""
    if rows := read_rows(cursor, said.arrangement, count):
        said.arrangement = rows
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
    if cursor.kind() == "THE" and cursor.kind(1) == "DETAIL":
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
    word = cursor.take("DETAIL") or _part_named(cursor)
    if word is None:
        return False
    if (charge.id, word.value) in BY_NATURE:
        return True
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


#: parts that are also charges by themselves, and what is said of their bearer
_PARTS_NAMED = {"flag": "flagged", "hand": "fisted", "wing": "winged", "pair of wings": "winged", "leaf": "leaved", "chain": "chained", "crown": "crowned", "sail": "sailed"}  # fmt: skip


def _part_named(cursor: Cursor) -> Word | None:
    """'flags gules', 'the wings or': a part, where no number makes it a thing of its own and a tincture follows."""
    ahead = int(cursor.kind() == "THE")
    word = cursor.peek(ahead)
    if word and word.kind == "CHARGE" and word.text.lower() == "wings displayed":
        cursor.at += ahead + 1
        return replace(word, kind="DETAIL", value="wings elevated")
    if (
        word is None
        or word.kind != "CHARGE"
        or word.value[0] not in _PARTS_NAMED
        or cursor.kind(ahead + 1) != "TINCTURE"
    ):
        return None
    cursor.at += ahead + 1
    return replace(word, kind="DETAIL", value=_PARTS_NAMED[word.value[0]])


def _number_of_parts(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    """'of six points', 'with ten teeth', 'and of eight rays'."""
    ahead = 0
    while cursor.kind(ahead) in ("OF", "AND"):
        ahead += 1
    part = cursor.peek(ahead + 1)
    in_base = part and part.kind == "DETAIL" and part.text.lower().endswith(" in base")
    if (
        charge.id in _BRANCHES
        and ahead == 1
        and cursor.kind() == "OF"
        and cursor.kind(1) == "NUMBER"
        and part
        and part.kind == "CHARGE"
    ):
        # 'a sprig of three acorns'
        count = min(cursor.peek(1).value, MOST_PARTS)
        fruit = CHARGES[part.value[0]]
        said.details.append(Detail((f"of {NUMBERS[count - 1]} {fruit.plural}",)))
        cursor.at += 3
        return True
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
    if both := placed_so(said.arrangement, place):
        said.arrangement = both
        return True
    if said.arrangement and said.arrangement != place:
        raise _twice(word, said.arrangement, place)
    said.arrangement = place
    return True


def _leads_on(cursor: Cursor) -> bool:
    """Whether a place is followed by an element of its own."""
    after = 1 + (cursor.kind(1) == "COMMA")
    return cursor.kind(after) in ("ON", "WATER") or (
        cursor.kind(after) == "NUMBER" and cursor.kind(after + 1) in NO_CHARGE
    )


def _what_it_bears(cursor: Cursor, charge: Charge, said: _Said, inherent: str, behind_comma: bool) -> bool:
    ordinaries = cursor.kind(1) == "NUMBER" and cursor.kind(2 + (cursor.kind(2) == "LINE")) in ("ORDINARY", "COTISE")
    if not said.between and not (cursor.kind() == "BETWEEN" and ordinaries) and cursor.take("BETWEEN"):
        _wait(cursor, said, inherent)
        said.between = read_groups(cursor)
        return True
    if not said.holds and cursor.take("HOLDING"):
        _wait(cursor, said, inherent)
        cursor.commas()
        if begins_tincture(cursor):
            # 'holding in the hand proper a key'
            said.details.append(Detail(("fisted",), read_tincture(cursor)))
            cursor.commas()
        said.holds = (read_group(cursor),)
        shield = cursor.kind(1) == "HOLDING" and cursor.kind(2) == "NUMBER" and cursor.kind(3) == "ORDINARY"
        if (
            cursor.kind() == "AND"
            and cursor.kind(1) in ("ARRANGEMENT", "HOLDING")
            and (shield or begins_group(cursor, 2))
        ):
            # 'holding in the dexter claw a sword and in the sinister a sceptre'
            cursor.at += 2
            said.holds = (*said.holds, read_group(cursor))
        return True
    if cursor.kind() == "ABOVE" and begins_group(cursor, 1):
        _wait(cursor, said, inherent)
        cursor.at += 1
        said.arrangement = said.arrangement or "in chief"
        beneath = read_group(cursor)
        cursor.behind.append(Charged(replace(beneath, arrangement=beneath.arrangement or "in base")))
        return True
    if cursor.kind() == "AMID" and begins_group(cursor, 1):
        _wait(cursor, said, inherent)
        said.arrangement = said.arrangement or cursor.want("AMID").value
        cursor.behind.append(Charged(read_group(cursor)))
        return True
    if cursor.kind() == "BEFORE" and begins_group(cursor, 1):
        _wait(cursor, said, inherent)
        cursor.at += 1
        cursor.behind.append(Charged(read_group(cursor)))
        return True
    bare = not said.tincture and not said.pattern and not inherent
    if cursor.kind() == "OUTOF" and (edge := read_edge(cursor, coloured=bare)):
        said.details.append(Detail(("issuant",)))
        said.arrangement = said.arrangement or edge
        return True
    if cursor.take("OUTOF"):
        _wait(cursor, said, inherent)
        if cursor.kind() == "CHARGE":
            # 'issuing from clouds'
            cursor.words.insert(cursor.at, replace(cursor.peek(), kind="NUMBER", value=1))
        cursor.behind.append(Charged(replace(read_group(cursor), arrangement="in base")))
        return True
    if not said.bears and cursor.kind() == "BEARING":
        said.bears = read_borne(cursor, charge.id)
        return True
    return False


def read_borne(cursor: Cursor, charge: str = "") -> tuple[Group, ...]:
    """What is 'charged with' lies on something: groups, one of them in the place that is said, or another of the charge itself.

    Raises: Misfit; Unreadable; OutOfRange.
    """
    place = cursor.want("BEARING").value
    if charge and cursor.take("ANOTHER"):
        return (Group(1, charge, read_tincture(cursor)),)
    first, *more = read_groups(cursor)
    if place.startswith("in ") and not first.arrangement:
        first = replace(first, arrangement=place)
    return (first, *more)


def _wait(cursor: Cursor, said: _Said, inherent: str) -> None:
    """What has no tincture yet shares the next that is named."""
    if not said.tincture and not said.pattern and not inherent:
        said.tincture = cursor.later()


def _twice(word: Word, one: str, other: str) -> Unreadable:
    return Unreadable(
        f"'{word.text}' at sign {word.at + 1}: it is {one} already; say {one} or {other}.", f"sign {word.at + 1}"
    )
