"""A coat of arms as a tree: field, ordinaries, groups of charges, quarterings."""

from collections.abc import Iterator
from dataclasses import dataclass


@dataclass(frozen=True)
class Plain:
    """A field of one tincture."""

    tincture: str

    @property
    def tinctures(self) -> tuple[str, ...]:
        """Its tincture alone."""
        return (self.tincture,)


@dataclass(frozen=True)
class Divided:
    """A field parted in two, three or more: 'per pale wavy or and gules', 'gyronny of eight', 'tierced per fess'."""

    #: pale, fess, bend, bend-sinister, chevron, saltire, cross (quarterly; cross-fess, cross-pale: one of its lines alone has the line), gyronny, pall, pall-reversed, tierced-pale, tierced-fess
    kind: str
    tinctures: tuple[str, ...]
    line: str = ""
    #: pieces, for gyronny
    count: int = 0


@dataclass(frozen=True)
class Varied:
    """A field of repeated pieces: 'barry of six', 'checky', 'lozengy', 'vairy', 'compony'."""

    kind: str
    tinctures: tuple[str, str]
    line: str = ""
    count: int = 0
    #: rows of a chequered ordinary; 0 for as usual
    rows: int = 0


@dataclass(frozen=True)
class Strewn:
    """A field strewn with small charges ('semy of stars or'), or covered by a lattice ('fretty or')."""

    #: of the ground; of a parted or varied ground, which is under ``over``, the first
    tincture: str
    charge: str
    of: str
    over: "Divided | Varied | None" = None

    @property
    def tinctures(self) -> tuple[str, ...]:
        """Those of the ground."""
        return self.over.tinctures if self.over else (self.tincture,)


@dataclass(frozen=True)
class Parted:
    """A field parted into fields or whole coats: 'per pale, dexter azure, a lion or, sinister barry or and gules'."""

    #: as of Divided
    kind: str
    #: in the order of the division's parts
    coats: tuple["Arms", ...]
    line: str = ""

    @property
    def tinctures(self) -> tuple[str, ...]:
        """Those of the parts' fields, each once."""
        return tuple(
            dict.fromkeys(one for arms in self.coats for coat in coats_of(arms) for one in coat.field.tinctures)
        )


Field = Plain | Divided | Varied | Strewn | Parted
#: what an ordinary or a charge may have in place of a tincture
Pattern = Divided | Varied | Strewn


@dataclass(frozen=True)
class Detail:
    """What more is said of a charge: 'erased', 'armed and langued gules'."""

    what: tuple[str, ...]
    #: '' where none is said
    tincture: str = ""


@dataclass(frozen=True)
class Group:
    """Charges of one kind: how many, in which attitude and tincture, how they are set, and what they bear."""

    count: int
    charge: str
    #: of a pattern the first
    tincture: str
    attitude: str = ""
    details: tuple[Detail, ...] = ()
    #: 'in pale', 'two and one', 'in chief', 'in the first quarter', or rows such as '4, 3, 2 and 1'; empty for as usual
    arrangement: str = ""
    #: upper half only
    demi: bool = False
    #: teeth, points, rays or towers of each, where they are counted
    parts: int = 0
    pattern: Pattern | None = None
    #: what lies on each of them
    bears: tuple["Group", ...] = ()
    #: what stands beside
    between: tuple["Group", ...] = ()
    #: what it holds before it
    holds: tuple["Group", ...] = ()

    @property
    def manners(self) -> frozenset[str]:
        """Every word of its details."""
        return frozenset(word for detail in self.details for word in detail.what)

    @property
    def tinctures(self) -> tuple[str, ...]:
        """One, or those of its pattern."""
        return self.pattern.tinctures if self.pattern else (self.tincture,)

    def within(self) -> Iterator["Group"]:
        """It and all groups on it and beside it."""
        yield self
        for one in (*self.bears, *self.between, *self.holds):
            yield from one.within()


@dataclass(frozen=True)
class Ordinary:
    """A plain broad figure, or several narrow ones; what it bears, and what it stands between."""

    kind: str
    #: of a pattern the first
    tincture: str
    count: int = 1
    line: str = ""
    bears: tuple[Group, ...] = ()
    between: tuple[Group, ...] = ()
    #: label: how many points
    points: int = 0
    overall: bool = False
    #: cotised, double cotised, voided, fimbriated, couped, flory
    manners: tuple[str, ...] = ()
    #: of its cotises or its hem; '' where they are as itself
    trim: str = ""
    pattern: Pattern | None = None
    #: a narrower one that lies on it
    laid: "Ordinary | None" = None
    #: of its cotises, where they have another than itself
    trim_line: str = ""

    @property
    def tinctures(self) -> tuple[str, ...]:
        """One, or those of its pattern."""
        return self.pattern.tinctures if self.pattern else (self.tincture,)


@dataclass(frozen=True)
class Charged:
    """A group set straight on the field."""

    group: Group
    overall: bool = False


Element = Ordinary | Charged


@dataclass(frozen=True)
class Coat:
    """One coat: a field and what lies on it, from the back to the front."""

    field: Field
    elements: tuple[Element, ...] = ()


@dataclass(frozen=True)
class Quartered:
    """Arms in quarters: which quarters, counted from 1, each fills. Four quarters, or six."""

    parts: tuple[tuple[tuple[int, ...], "Arms"], ...]
    #: a coat on a small shield over the middle
    overall: Coat | None = None
    #: what lies across all quarters: a label, a bordure about the whole
    across: tuple[Element, ...] = ()

    @property
    def quarters(self) -> int:
        """How many quarters there are."""
        return max(number for numbers, _ in self.parts for number in numbers)


@dataclass(frozen=True)
class Impaled:
    """Two coats side by side, the first on the bearer's right."""

    dexter: "Arms"
    sinister: "Arms"


Arms = Coat | Quartered | Impaled


def coats_of(arms: Arms) -> tuple[Coat, ...]:
    """Every coat that arms are made of, the one over all last."""
    if isinstance(arms, Impaled):
        return (*coats_of(arms.dexter), *coats_of(arms.sinister))
    if isinstance(arms, Quartered):
        parts = (coat for _, mine in arms.parts for coat in coats_of(mine))
        whole = Coat(Parted("cross", tuple(mine for _, mine in arms.parts)), arms.across)
        return (*parts, *([whole] if arms.across else []), *([arms.overall] if arms.overall else []))
    if isinstance(arms.field, Parted):
        return (arms, *(coat for part in arms.field.coats for coat in coats_of(part)))
    return (arms,)
