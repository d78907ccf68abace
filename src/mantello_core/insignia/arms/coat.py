"""A coat of arms as a tree: field, ordinaries, groups of charges, quarterings."""

from dataclasses import dataclass


@dataclass(frozen=True)
class Plain:
    """A field of one tincture."""

    tincture: str


@dataclass(frozen=True)
class Divided:
    """A field parted in two, three or more: 'per pale wavy or and gules', 'gyronny of eight', 'tierced per fess'."""

    #: pale, fess, bend, bend-sinister, chevron, saltire, cross (quarterly), gyronny, pall, tierced-pale, tierced-fess
    kind: str
    tinctures: tuple[str, ...]
    line: str = ""
    #: pieces, for gyronny
    count: int = 0


@dataclass(frozen=True)
class Varied:
    """A field of repeated pieces: 'barry of six', 'checky', 'lozengy'."""

    kind: str
    tinctures: tuple[str, str]
    line: str = ""
    count: int = 0


@dataclass(frozen=True)
class Strewn:
    """A field strewn with small charges ('semy of stars or'), or covered by a lattice ('fretty or')."""

    tincture: str
    charge: str
    of: str


Field = Plain | Divided | Varied | Strewn


@dataclass(frozen=True)
class Group:
    """Charges of one kind: how many, in which attitude and tincture, and how they are set."""

    count: int
    charge: str
    tincture: str
    attitude: str = ""
    #: what is armed, langued and so on, and in which tincture
    detail: tuple[str, ...] = ()
    detail_tincture: str = ""
    #: 'in pale', 'two and one', 'in chief'; empty for as usual
    arrangement: str = ""


@dataclass(frozen=True)
class Ordinary:
    """A plain broad figure, or several narrow ones; what it bears, and what it stands between."""

    kind: str
    tincture: str
    count: int = 1
    line: str = ""
    bears: tuple[Group, ...] = ()
    between: tuple[Group, ...] = ()
    #: label: how many points
    points: int = 0
    overall: bool = False


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
    """Coats in quarters: which quarters, counted from 1, each coat fills. Four quarters, or six."""

    parts: tuple[tuple[tuple[int, ...], Coat], ...]
    #: a coat on a small shield over the middle
    overall: Coat | None = None

    @property
    def quarters(self) -> int:
        """How many quarters there are."""
        return max(number for numbers, _ in self.parts for number in numbers)


@dataclass(frozen=True)
class Impaled:
    """Two coats side by side, the first on the bearer's right."""

    dexter: Coat
    sinister: Coat


Arms = Coat | Quartered | Impaled


def coats_of(arms: Arms) -> tuple[Coat, ...]:
    """Every coat that arms are made of, the one over all last."""
    if isinstance(arms, Impaled):
        return arms.dexter, arms.sinister
    if isinstance(arms, Quartered):
        return (*(coat for _, coat in arms.parts), *([arms.overall] if arms.overall else []))
    return (arms,)
