"""Fields read: tinctures, divisions, variations, strewn charges."""

from ...errors import OutOfRange, Unreadable
from .coat import Coat, Divided, Field, Parted, Pattern, Plain, Strewn, Varied
from .cursor import Cursor, Misfit
from .tincture import TINCTURES as KNOWN
from .vocabulary import DIVISIONS
from .words import Word

MOST_PIECES = 20
_MOST_ROWS = 6
_GYRONS = (6, 8, 10, 12, 16)
#: how a field, and what is said in place of a tincture, may begin
TINCTURES, PATTERNS = ("TINCTURE", "OF"), ("PER", "PARTY", "QUARTERLY", "GYRONNY", "TIERCED", "VARIED", "BARRULY")


def read_tincture(cursor: Cursor, *, second: bool = False) -> str:
    """A tincture by name, or as 'of the first', 'of the last', 'of the field'. second: of two, where 'of' may be left out.

    Raises: Misfit; Unreadable for a reference to what was not named.
    """
    if word := cursor.take("TINCTURE"):
        return cursor.note(word.value)
    if not (
        second
        and (cursor.kind() == "ORDINAL" or (cursor.kind() == "THE" and cursor.kind(1) in ("ORDINAL", "FIELD", "LAST")))
    ):
        cursor.want("OF")
    cursor.take("THE")
    word = cursor.want("ORDINAL", "FIELD", "LAST")
    if word.kind == "LAST":
        found = cursor.last
    else:
        found = cursor.named_as(word.value if word.kind == "ORDINAL" else 0)
    if not found:
        count = len(cursor.named)
        raise Unreadable(
            f"'Of the {word.text}' at sign {word.at + 1}: only {count} tincture{'s are' if count != 1 else ' is'} named before it.",
            f"sign {word.at + 1}",
        )
    return cursor.note(found)


def tincture_of_difference(cursor: Cursor) -> str:
    """The tincture of a mark 'for difference' that is given none: one that shows on the field's first; '' where no such words follow."""
    if not cursor.named or not cursor.beyond("DIFFERENCE"):
        return ""
    ground = KNOWN.get(cursor.named[0])
    light = ground is not None and ground.kind != "metal" and ground.id not in ("ermine", "erminois")
    choice = ("argent", "or") if light else ("gules", "sable")
    return cursor.note(next((one for one in choice if one not in cursor.named), choice[0]))


def begins_tincture(cursor: Cursor) -> bool:
    """Whether a tincture comes next; 'of' alone may also begin 'of six points'."""
    if cursor.kind() != "OF":
        cursor.asked.setdefault(cursor.at, set()).add("TINCTURE")
        return cursor.kind() == "TINCTURE"
    after = cursor.kind(2) if cursor.kind(1) == "THE" else cursor.kind(1)
    return after in ("ORDINAL", "FIELD", "LAST")


def read_pattern(cursor: Cursor) -> Pattern | None:
    """A division or variation in plain tinctures, where one comes next."""
    if cursor.kind() not in PATTERNS or (cursor.kind() == "PER" and cursor.kind(1) != "ORDINARY"):
        cursor.asked.setdefault(cursor.at, set()).update(("VARIED", "PER"))
        return None
    return cursor.tried(_pattern)


def _pattern(cursor: Cursor) -> Pattern:
    found = _varied(cursor) if cursor.kind() in ("VARIED", "BARRULY") else _divided(cursor)
    if not isinstance(found, Divided | Varied):
        raise Misfit
    return found


def read_strewn_on(cursor: Cursor, tincture: str) -> Strewn | None:
    """What a thing of one tincture is strewn with, or latticed, where that comes next."""
    if cursor.kind() not in ("SEMY", "STREWN", "FRETTY"):
        cursor.asked.setdefault(cursor.at, set()).update(("SEMY", "FRETTY"))
        return None
    found = _strewn(cursor, Plain(tincture))
    return found if isinstance(found, Strewn) else None


def read_field(cursor: Cursor) -> Field:
    """A field.

    Raises: Misfit; OutOfRange for numbers of pieces that cannot be drawn; Unreadable.
    """
    cursor.commas()
    if cursor.take("VARIED", "BARRULY"):
        cursor.at -= 1
        return _strewn(cursor, _varied(cursor))
    if cursor.take("PER", "PARTY", "QUARTERLY", "GYRONNY", "TIERCED"):
        cursor.at -= 1
        return _strewn(cursor, _divided(cursor))
    if cursor.kind() in ("SEMY", "STREWN"):
        raise Misfit
    return _strewn(cursor, Plain(read_tincture(cursor)))


def _strewn(cursor: Cursor, ground: Field) -> Field:
    """The ground with what is strewn on it, if anything is."""
    following = cursor.peek(past_commas=True)
    drops = following and following.kind == "CHARGE" and following.value[0] == "drop"
    if isinstance(ground, Parted) or not (cursor.beyond("SEMY", "STREWN", "FRETTY") or drops):
        return ground
    cursor.commas()
    word = cursor.want("SEMY", "STREWN", "FRETTY", *(["CHARGE"] if drops else []))
    inherent = ""
    if word.kind == "FRETTY":
        charge = "fret"
    elif word.kind in ("STREWN", "CHARGE"):
        charge, inherent = word.value
    else:
        cursor.take("OF")
        charge, inherent = cursor.want("CHARGE").value
    while cursor.kind() in ("DETAIL", "ATTITUDE"):
        cursor.at += 1
    if begins_tincture(cursor):
        where = cursor.peek()
        of = read_tincture(cursor)
        if inherent and of != inherent:
            raise Unreadable(
                f"'{word.text}' at sign {word.at + 1} says {inherent}, '{where.text}' at sign {where.at + 1} says {of}; leave one out.",
                f"sign {where.at + 1}",
            )
    elif inherent:
        of = cursor.note(inherent)
    elif cursor.kind(past_commas=True) in ("NUMBER", "ON", "ASMANY", "AND"):
        # one tincture serves what is strewn and what lies on it
        of = cursor.later()
    else:
        cursor.want("TINCTURE")
        raise Misfit
    if isinstance(ground, Plain):
        return Strewn(ground.tincture, charge, of)
    return Strewn(ground.tinctures[0], charge, of, ground)


def _line(cursor: Cursor) -> str:
    word = cursor.take("LINE")
    return word.value if word else ""


def _pieces(cursor: Cursor) -> int:
    """'of six', 'of eight pieces'; 0 if nothing is said, or rows are told and not pieces."""
    if cursor.kind() != "OF" or cursor.kind(1) != "NUMBER" or _rows_follow(cursor):
        cursor.asked.setdefault(cursor.at, set()).add("OF")
        return 0
    cursor.take("OF")
    number = cursor.want("NUMBER").value
    cursor.take("PIECES")
    return number


def _rows_follow(cursor: Cursor) -> bool:
    """Whether 'of three rows' comes next."""
    word = cursor.peek(2)
    return (
        cursor.kind() == "OF" and cursor.kind(1) == "NUMBER" and bool(word) and (word.kind, word.value) == ("PIECES", "rows")
    )  # fmt: skip


def _rows(cursor: Cursor, word: Word) -> int:
    """'of three rows' of what is chequered; 0 if nothing is said.

    Raises: OutOfRange.
    """
    if word.value != "checky" or not _rows_follow(cursor):
        return 0
    count = cursor.peek(1).value
    cursor.at += 3
    if not 2 <= count <= _MOST_ROWS:
        raise OutOfRange(f"Checky of {count} rows; allowed are 2 to {_MOST_ROWS}.", f"sign {word.at + 1}")
    return count


def _two(cursor: Cursor) -> tuple[str, str]:
    if last := _last_two(cursor):
        return last
    cursor.commas()
    first = read_tincture(cursor)
    cursor.commas()
    cursor.want("AND")
    return first, read_tincture(cursor, second=True)


def _last_two(cursor: Cursor) -> tuple[str, str] | None:
    """'of the last two', 'of the first two', where that comes next."""
    at = 1 + (cursor.kind(1) == "THE")
    number = cursor.peek(at + 1)
    first = cursor.peek(at)
    if cursor.kind() != "OF" or not number or (number.kind, number.value) != ("NUMBER", 2):
        return None
    if first.kind == "LAST":
        pair = cursor.named[-2:]
    elif (first.kind, first.value) == ("ORDINAL", 0):
        pair = cursor.named[:2]
    else:
        return None
    if len(pair) < 2:
        raise Unreadable(
            f"'{first.text} {number.text}' at sign {first.at + 1}: fewer than two tinctures are named before it.",
            f"sign {first.at + 1}",
        )
    cursor.at += at + 2
    return cursor.note(pair[0]), cursor.note(pair[1])


def _varied(cursor: Cursor) -> Varied:
    word = cursor.want("VARIED", "BARRULY")
    kind, usual = ("barry", 10) if word.kind == "BARRULY" else (word.value, 0)
    line = _line(cursor)
    count = _pieces(cursor) or usual
    rows = _rows(cursor, word)
    line = line or _line(cursor)
    if count and not (4 <= count <= MOST_PIECES and count % 2 == 0):
        raise OutOfRange(
            f"{kind.capitalize()} of {count}; allowed are even numbers from 4 to {MOST_PIECES}.", f"sign {word.at + 1}"
        )
    return Varied(kind, _two(cursor), line, count, rows)


def _divided(cursor: Cursor) -> Divided | Parted:
    if cursor.take("QUARTERLY"):
        return _halves(cursor, *_quarterly(cursor))
    if word := cursor.take("GYRONNY"):
        count = _pieces(cursor) or 8
        if count not in _GYRONS:
            raise OutOfRange(f"Gyronny of {count}; allowed are 6, 8, 10, 12 and 16.", f"sign {word.at + 1}")
        return Divided("gyronny", _two(cursor), _line(cursor), count)
    if cursor.take("TIERCED"):
        cursor.take("PER", "IN")
        word = cursor.want("ORDINARY")
        if word.value == "pall":
            return Divided(_pall(cursor), _three(cursor), "")
        if word.value not in ("pale", "fess"):
            raise _misplaced(word, "a field is tierced per pale, per fess or per pall")
        line = _line(cursor)
        return Divided(f"tierced-{word.value}", _three(cursor), line)
    if cursor.take("PARTY"):
        # party alone is parted down the middle
        return Divided("pale", _two(cursor))
    cursor.want("PER")
    line = _line(cursor)
    word = cursor.want("ORDINARY")
    if word.value not in DIVISIONS:
        raise _misplaced(word, f"a field is parted per {', '.join(DIVISIONS)}")
    line = line or _line(cursor)
    kind = _pall(cursor) if word.value == "pall" else word.value.replace(" ", "-")
    if kind == "pall-reversed":
        return Divided(kind, _three(cursor), line)
    if kind == "pall" and (three := cursor.tried(_three)):
        return Divided("pall", three, line)
    return _halves(cursor, kind, line)


def _quarterly(cursor: Cursor) -> tuple[str, str]:
    """The kind and the line of quarters: both of their lines are alike, or one of them alone is told, 'per fess indented'."""
    word = cursor.peek(1)
    if cursor.kind() == "PER" and word and (word.kind, word.value) in (("ORDINARY", "fess"), ("ORDINARY", "pale")):
        cursor.at += 2
        return f"cross-{word.value}", _line(cursor)
    return "cross", _line(cursor)


def _pall(cursor: Cursor) -> str:
    """'pall', or 'pall-reversed' where that is said behind it."""
    word = cursor.peek()
    if word is None or (word.kind, word.value) != ("DETAIL", "reversed"):
        return "pall"
    cursor.at += 1
    return "pall-reversed"


def _three(cursor: Cursor) -> tuple[str, str, str]:
    found = []
    for at in range(3):
        cursor.commas()
        if at == 2:
            cursor.want("AND")
        found.append(read_tincture(cursor))
    return tuple(found)


def _halves(cursor: Cursor, kind: str, line: str) -> Divided | Parted:
    """Two tinctures; or two fields, where one of them is more than a tincture."""
    if two := cursor.tried(_two):
        return Divided(kind, two, line)
    cursor.commas()
    first = read_field(cursor)
    cursor.commas()
    cursor.want("AND")
    second = read_field(cursor)
    return Parted(kind, (Coat(first), Coat(second)), line)


def _misplaced(word, said: str) -> Unreadable:
    return Unreadable(f"'{word.text}' at sign {word.at + 1} does not belong there: {said}.", f"sign {word.at + 1}")
