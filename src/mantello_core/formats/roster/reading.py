"""Rosters as text: separated values with or without a header line, JSON, or plain words.

Nothing is dropped: a line that cannot be taken as it stands comes back with its doubts, each at its
field, and what adds no figures is told with what it was taken for.
"""

from collections.abc import Sequence
from dataclasses import dataclass

from ...errors import OutOfRange, Unreadable
from .line import RosterLine
from .nested import read_nested
from .table import Table, checked_length, read_table, table_of
from .told import Told
from .words import is_plain, read_words

#: the most text a roster may have
MOST_CHARACTERS = 200_000


@dataclass(frozen=True)
class Roster:
    """A list as it was read: every line of it is in one of the two."""

    lines: tuple[RosterLine, ...]
    told: tuple[Told, ...]
    #: its cells and columns, if it is a table
    table: Table | None = None


def read_roster(
    text: str,
    titles: dict[str, str] | None = None,
    header: int | None = None,
    columns: Sequence[str] | None = None,
) -> Roster:
    """Every line of a roster, in order.

    titles: the figure types there are, id to title; the shipped ones if not given. header: the line that names the
    columns, 0 for none; columns: the field of each, '' to leave it out; both as a painter says, else found.
    Raises: Unreadable if there is no line in it; OutOfRange if it is too long.
    """
    if len(text) > MOST_CHARACTERS:
        raise OutOfRange(f"The roster has {len(text)} characters; allowed is up to {MOST_CHARACTERS}.", "roster")
    text = text.lstrip("\ufeff")
    if text.lstrip()[:1] in ("[", "{") and not _framed(text):
        lines, told = read_nested(text, titles)
        return Roster(tuple(lines), tuple(told))
    checked_length(sum(bool(line.strip()) for line in text.splitlines()))
    by_hand = header is not None or columns is not None
    if text.strip() and not by_hand and is_plain(text, titles):
        lines, told = read_words(text, titles)
        table = None
    else:
        table = table_of(text, titles, header, columns) if text.strip() else None
        if table is None or not table.rows:
            raise Unreadable(
                "The roster is empty; write one line for each rank: unit, type, rank, figures, formation.", "roster"
            )
        lines, told = read_table(table, titles)
    if not lines:
        raise Unreadable("The roster has no line that counts figures; it holds headings and remarks only.", "roster")
    return Roster(tuple(lines), tuple(told), table)


def _framed(text: str) -> bool:
    """Whether a text begins with a heading in brackets, as '[Blue Company]', and is no JSON."""
    first = text.lstrip().splitlines()[0].strip()
    return first.startswith("[") and first.endswith("]") and first[1:2].isalpha() and '"' not in first
