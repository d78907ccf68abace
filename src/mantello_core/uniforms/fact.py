"""What one source says of one garment of somebody."""

from dataclasses import dataclass

from ..colour.spaces import Lab
from .folding import fold
from .period import ALWAYS, Period
from .phrase import Phrase

#: how firmly a source speaks, the firmest first
CERTAINTIES = ("documented", "inferred", "guess", "disputed")
#: kinds of source, those nearest the cloth first
KINDS = ("object", "roll", "order", "ledger", "diary", "letter", "picture", "memoir")
#: who is meant by all that have no row of their own
OTHERS = "(all others)"
#: what a narrower entry counts: of a regiment, a company, a rank, an order of dress
_NARROW = (8, 4, 2, 1)


@dataclass(frozen=True)
class Wearer:
    """Who wears it; what is left empty is anyone."""

    force: str = ""
    arm: str = ""
    number: int | None = None
    title: str = ""
    battalion: str = ""
    company: str = ""
    rank: str = ""
    dress: str = ""

    @property
    def key(self) -> tuple:
        """What makes two rows speak of the same wearers: a number tells more than a title."""
        who = self.number if self.number is not None else fold(self.title)
        return (fold(self.force), fold(self.arm), who, fold(self.battalion), fold(self.company), self.rank, self.dress)

    @property
    def regiment(self) -> tuple:
        """What makes two wearers of one regiment."""
        return fold(self.arm), self.number if self.number is not None else fold(self.title)

    @property
    def called_by_name(self) -> bool:
        """Whether it is some regiment, and not all of an arm or all others."""
        return self.number is not None or self.title not in ("", OTHERS)

    @property
    def called(self) -> str:
        """The regiment, as it is printed.

        >>> Wearer(arm="Tidewall Fusiliers", number=2, title="Lantern").called
        'Tidewall Fusiliers 2, Lantern'
        """
        number = f"{self.number}" if self.number is not None else ""
        named = dict.fromkeys(one for one in (f"{self.arm} {number}".strip(), self.title) if one)
        return ", ".join(named) or "everyone"

    @property
    def words(self) -> str:
        """Everything that is said of them."""
        parts = (self.battalion and f"battalion {self.battalion}", self.company and f"company {self.company}")
        return ", ".join(one for one in (self.called, *parts, self.rank, self.dress) if one)


@dataclass(frozen=True)
class Source:
    """One thing that was read or looked at. kind: of ``KINDS``, or ''."""

    id: str
    title: str
    kind: str = ""
    year: int | None = None
    note: str = ""


@dataclass(frozen=True)
class Fact:
    """One thing that one source says of one garment of somebody."""

    wearer: Wearer
    garment: str
    phrase: Phrase
    #: where it stood in its table, from 1; 0 for a note written by hand
    line: int = 0
    column: int = 0
    #: the garment it is part of: piping of the cuff
    of: str = ""
    period: Period = ALWAYS
    #: id of its source, or what the table wrote of it
    source: str = ""
    certainty: str = ""
    note: str = ""
    #: how it came, if not written there: 'ditto of line 4', 'as 3'
    by: str = ""
    #: what names it in its almanac
    id: str = ""
    #: a colour picked from a picture, judged as such; None where only words are known
    picked: Lab | None = None


def narrowness(fact: Fact, who: Wearer) -> int | None:
    """How narrowly a fact speaks of somebody; None if it does not."""
    one, narrow = fact.wearer, 0
    if one.arm and fold(one.arm) != fold(who.arm):
        return None
    if one.number is not None:
        if one.number != who.number:
            return None
        narrow += _NARROW[0]
    elif one.title and one.title != OTHERS:
        if fold(one.title) != fold(who.title):
            return None
        narrow += _NARROW[0]
    pairs = ((one.company, who.company), (one.rank, who.rank), (one.dress, who.dress))
    for (mine, asked), weight in zip(pairs, _NARROW[1:], strict=True):
        if mine:
            if fold(mine) != fold(asked):
                return None
            narrow += weight
    return narrow
