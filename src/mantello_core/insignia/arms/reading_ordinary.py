"""Ordinaries and labels read: their line, tincture and details, what they stand between, what lies on them."""

from dataclasses import dataclass, field, replace

from ...errors import OutOfRange, Unreadable
from .coat import Charged, Group, Ordinary, Pattern
from .cursor import Cursor
from .reading_field import begins_tincture, read_pattern, read_strewn_on, read_tincture, tincture_of_difference
from .reading_group import read_borne, read_count, read_group, read_groups
from .reading_place import read_edge, read_rows
from .vocabulary import DETAILS, NUMBERS, ORDINARIES
from .words import Word

MOST_POINTS, MOST_ORDINARIES = 7, 6
#: details that an ordinary may have
OF_ORDINARIES = (
    "cotised",
    "double cotised",
    "voided",
    "fimbriated",
    "couped",
    "flory",
    "enhanced",
    "abased",
    "throughout",
    "reversed",
    "rompu",
    "quarter pierced",
    "in point",
    "interlaced",
    "braced",
)
#: variations that make a row of charges of an ordinary
_LOZENGES = {"lozengy": "lozenge", "fusily": "fusil", "masculy": "mascle"}
#: of them those that take a tincture of their own
_TRIMMED = ("cotised", "double cotised", "fimbriated")


@dataclass
class _Said:
    line: str = ""
    tincture: str = ""
    pattern: Pattern | None = None
    manners: list[str] = field(default_factory=list)
    trim: str = ""
    trim_line: str = ""
    between: tuple[Group, ...] = ()
    bears: tuple[Group, ...] = ()
    laid: Ordinary | None = None


def ordinary_follows(cursor: Cursor) -> bool:
    return cursor.kind() == "ANOTHER" or counted_ordinary_follows(cursor)


def counted_ordinary_follows(cursor: Cursor) -> bool:
    return cursor.kind() == "NUMBER" and cursor.kind(1 + (cursor.kind(1) == "LINE")) == "ORDINARY"


def read_narrower(cursor: Cursor, kind: str) -> Ordinary:
    """An ordinary that lies on another: 'another' of its kind, or one that is named."""
    if not cursor.take("ANOTHER"):
        return read_ordinary(cursor)
    if cursor.kind() == "ORDINARY" and cursor.peek().value == kind:
        cursor.at += 1
    line = cursor.take("LINE")
    tincture = read_tincture(cursor)
    return Ordinary(kind, tincture, 1, line.value if line else "")


def read_ordinary(cursor: Cursor, kinds: tuple[str, ...] = ()) -> Ordinary | Charged:
    number = cursor.peek()
    count = 1
    if cursor.kind() in ("NUMBER", "ASMANY"):
        count = read_count(cursor)
    elif not (cursor.kind() == "ORDINARY" and cursor.peek().text.lower() in ("flaunches", "flanches", "flasques")):
        cursor.want("NUMBER")
    said = _Said()
    if word := cursor.take("LINE"):
        said.line = word.value
    if cursor.take("LABEL"):
        return _label(cursor)
    word = cursor.want("ORDINARY")
    kind = word.value
    if kinds and kind not in kinds:
        raise Unreadable(
            f"'{word.text}' at sign {word.at + 1} does not belong there: a coat stands within a bordure, an orle or a tressure.",
            f"sign {word.at + 1}",
        )
    if kind == "orle" and cursor.kind() == "OF":
        return _orle_of(cursor)
    if kind == "double tressure flory":
        kind = "double tressure"
        said.manners.append("flory")
    if lozenges := _of_lozenges(cursor, kind):
        return lozenges
    if kind == "flaunch":
        count = 1
    if count > 1 and not ORDINARIES[kind]:
        raise OutOfRange(
            f"{count} of {kind}; there is one, or none. Several are bars, pallets, bendlets or chevronels.",
            f"sign {number.at + 1}",
        )
    if not 1 <= count <= MOST_ORDINARIES:
        raise OutOfRange(
            f"{count} {ORDINARIES[kind] or kind}; allowed are 1 to {MOST_ORDINARIES}.", f"sign {number.at + 1}"
        )
    rows = ""
    while (kind == "inescutcheon" and not rows and (rows := read_rows(cursor, "", count))) or _goes_on(
        cursor, said, kind
    ):
        pass
    if said.pattern:
        said.tincture = said.pattern.tinctures[0]
    if rows:
        # several small shields in rows stand as charges do
        return Charged(
            Group(
                count,
                "escutcheon",
                said.tincture or cursor.later(),
                "",
                (),
                rows,
                pattern=said.pattern,
                bears=said.bears,
            )
        )
    return Ordinary(
        kind, said.tincture or cursor.later(), count, said.line, said.bears, said.between, 0, False, tuple(said.manners), said.trim,
        said.pattern, said.laid, said.trim_line,
    )  # fmt: skip


def _of_lozenges(cursor: Cursor, kind: str) -> Charged | None:
    """'a pale fusilly argent', 'a bend of five lozenges sable': charges set along what the ordinary would be."""
    if kind not in ("pale", "fess", "bend", "bend sinister", "cross", "saltire", "chevron"):
        return None
    if cursor.kind() == "VARIED" and cursor.peek().value in _LOZENGES and cursor.kind(2) != "AND":
        charge, count = _LOZENGES[cursor.peek().value], 5
        cursor.at += 1
    elif cursor.kind() == "OF" and cursor.kind(1) == "NUMBER" and cursor.kind(2) == "CHARGE":
        charge, count = cursor.peek(2).value[0], cursor.peek(1).value
        cursor.at += 3
    else:
        return None
    tincture = read_tincture(cursor) if begins_tincture(cursor) else cursor.later()
    beside = read_groups(cursor) if cursor.take("BETWEEN") else ()
    return Charged(Group(count, charge, tincture, "", (), f"in {kind}", between=beside))


def _orle_of(cursor: Cursor) -> Charged:
    """'an orle of eight stars or', 'an orle of stars or'."""
    cursor.take("OF")
    if cursor.kind() == "CHARGE":
        # eight, where nobody says how many
        from_here = cursor.at
        cursor.words.insert(from_here, replace(cursor.peek(), kind="NUMBER", value=8))
    return Charged(replace(read_group(cursor), arrangement="in orle"))


def _goes_on(cursor: Cursor, said: _Said, kind: str) -> bool:
    """Reads one thing more that is said of an ordinary; False where nothing more is."""
    at = cursor.at
    cursor.commas()
    behind_comma = cursor.at > at
    if not said.line and not behind_comma and (word := cursor.take("LINE")):
        said.line = word.value
        return True
    if said.line and tuple(cursor.kind(ahead) for ahead in range(3)) == ("OF", "NUMBER", "PART"):
        said.manners.append(f"of {_points(cursor.peek(1))} points")
        cursor.at += 3
        return True
    if cursor.kind() == "DETAIL" and (cursor.peek().value in OF_ORDINARIES or cursor.peek().value not in DETAILS):
        return _manner(cursor, said, kind)
    cursor.asked.setdefault(cursor.at, set()).add("DETAIL")
    if not (said.tincture or said.pattern):
        if begins_tincture(cursor):
            said.tincture = read_tincture(cursor)
            return True
        said.pattern = read_pattern(cursor)
        if said.pattern:
            return True
    elif said.tincture and not said.pattern and not behind_comma and (strewn := read_strewn_on(cursor, said.tincture)):
        said.pattern = strewn
        return True
    elif begins_tincture(cursor) and not behind_comma:
        word = cursor.peek()
        known = said.tincture or "its pattern"
        raise Unreadable(
            f"'{word.text}' at sign {word.at + 1}: it is {known} already; say one of the two.", f"sign {word.at + 1}"
        )
    if (not said.between and _between(cursor, said)) or (not (said.bears or said.laid) and _borne(cursor, said, kind)):
        return True
    if (
        cursor.kind() == "OVERALL"
        and cursor.peek().text.lower().startswith("surmounted")
        and cursor.kind(1) == "ANOTHER"
    ):
        cursor.at += 1
        said.laid = read_narrower(cursor, kind)
        return True
    if kind in ("pile", "gyron") and cursor.kind() == "OUTOF" and (edge := read_edge(cursor, coloured=True)):
        said.manners += [f"issuant {edge}"] if edge != "in chief" else []
        return True
    cursor.at = at
    return False


def _points(word: Word) -> str:
    """How many points a line has, in words.

    Raises: OutOfRange.
    """
    if not 2 <= word.value <= len(NUMBERS):
        raise OutOfRange(f"A line of {word.value} points; allowed are 2 to {len(NUMBERS)}.", f"sign {word.at + 1}")
    return NUMBERS[word.value - 1]


def _between(cursor: Cursor, said: _Said) -> bool:
    """'between three stars', 'between two cotises', 'between two bars'."""
    if cursor.kind() == "BETWEEN" and _between_cotises(cursor, said):
        return True
    if not cursor.take("BETWEEN"):
        return False
    if not said.tincture and not said.pattern:
        said.tincture = cursor.later()
    if counted_ordinary_follows(cursor):
        cursor.behind.append(read_ordinary(cursor))
    else:
        said.between = read_groups(cursor)
    return True


def _borne(cursor: Cursor, said: _Said, kind: str) -> bool:
    """'charged with a star', 'charged with another gules'."""
    if cursor.kind() != "BEARING":
        cursor.asked.setdefault(cursor.at, set()).add("BEARING")
        return False
    cursor.at += 1
    if ordinary_follows(cursor):
        said.laid = read_narrower(cursor, kind)
    else:
        cursor.at -= 1
        said.bears = read_borne(cursor)
    return True


def _manner(cursor: Cursor, said: _Said, kind: str) -> bool:
    word = cursor.want("DETAIL")
    said.manners.append("interlaced" if word.value == "braced" else word.value)
    if said.manners[-1] == "interlaced" and cursor.kind() == "ARRANGEMENT" and cursor.peek().value == "in base":
        cursor.at += 1  # their limbs cross there anyway
    if word.value in ("cotised", "double cotised") and (said.line or said.tincture or said.pattern):
        line = cursor.take("LINE")
        said.trim_line = line.value if line and line.value != said.line else ""
    if word.value in _TRIMMED and (said.tincture or said.pattern) and begins_tincture(cursor):
        said.trim = read_tincture(cursor)
    if word.value == "voided" and said.tincture and begins_tincture(cursor):
        shown = read_tincture(cursor)
        if shown != cursor.named[0]:
            # of another tincture than the field's it is a narrower one that lies on it
            said.manners.remove("voided")
            said.laid = Ordinary(kind, shown)
    return True


def _between_cotises(cursor: Cursor, said: _Said) -> bool:
    """'between two cotises or'."""
    if cursor.kind(1) != "NUMBER" or cursor.kind(2) != "COTISE":
        return False
    count = cursor.peek(1).value
    cursor.at += 3
    if not said.tincture and not said.pattern:
        said.tincture = cursor.later()
    said.manners.append("double cotised" if count == 4 else "cotised")
    if begins_tincture(cursor):
        said.trim = read_tincture(cursor)
    return True


def _label(cursor: Cursor) -> Ordinary:
    points = 3
    if cursor.kind() == "OF" and cursor.kind(1) == "NUMBER":
        cursor.take("OF")
        word = cursor.want("NUMBER")
        points = word.value
        cursor.want("PART")
        if not 3 <= points <= MOST_POINTS:
            raise OutOfRange(f"A label of {points} points; allowed are 3 to {MOST_POINTS}.", f"sign {word.at + 1}")
    if begins_tincture(cursor):
        tincture = read_tincture(cursor)
    else:
        tincture = tincture_of_difference(cursor) or cursor.later()
    bears = read_groups(cursor) if cursor.beyond("BEARING") and cursor.take("BEARING") else ()
    return Ordinary("label", tincture, 1, "", bears, (), points)
