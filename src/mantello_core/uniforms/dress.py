"""The dress that formations of an army wear: an almanac's regiments by formation, in a year, and what that says of each garment."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from functools import cached_property

from ..colour.spaces import Lab
from ..errors import OutOfRange, UnknownName
from .almanac import Almanac
from .campaign import Campaign, checked_campaign
from .colour_word import ColourWord, terms
from .dye import Target, target
from .fact import Wearer
from .garments import garments, lies_on
from .phrase import Part
from .verdict import Verdict
from .worn import sheet

#: how firmly dress is worn, with what that does
ACCURACIES = {
    "strict": "it binds; nothing below may change it, and what is open is a finding",
    "plausible": "ordinary rules, which narrower ones may change, and advice",
    "free": "ordinary rules, and silence",
}
MOST_WORN, FIRST_YEAR, LAST_YEAR = 200, 1, 9999
#: garments that a second colour of a phrase is of; plain words for the others stay on the sheet
_SECOND = {
    "tipped": {"plume": "plume_tip"}, "piped": {"": "piping"}, "laced": {"": "lace", "hat": "hat_lace"},
    "faced": {"": "facing"}, "lined": {"": "turnback"}, "flapped": {"": "cuff_flap"}, "buttoned": {"": "buttons"},
}  # fmt: skip


@dataclass(frozen=True)
class Departure:
    """A cell that the painter leaves to other rules, with the reason. rank: as the almanac calls it, '' for all."""

    node: str
    rank: str
    garment: str
    reason: str


@dataclass(frozen=True)
class DressCell:
    """What one garment of a formation's figures is worn in, and why. rank: as the almanac calls it, '' for all."""

    node: str
    rank: str
    garment: str
    colour: ColourWord
    verdict: Verdict

    @property
    def metal(self) -> bool:
        """Whether it is of metal."""
        return garments()[self.garment].metal or bool(terms()[self.colour.term].get("metal"))

    @property
    def key(self) -> str:
        """What names it among the cells of a dress."""
        return f"{self.node}/{self.rank}/{self.garment}"


@dataclass(frozen=True)
class DressRole:
    """The role a colour word is painted by."""

    colour: ColourWord
    metal: bool
    role: str
    #: 'faded' and the like for a tone of the field; '' for the regulation
    tone: str = ""
    #: why just this colour within the word's reach, in the painter's words
    why: str = ""


@dataclass(frozen=True)
class Dress:
    """What is worn, copied from an almanac so that a design stands alone."""

    almanac: Almanac
    year: int
    accuracy: str = "plausible"
    #: formation to the regiment whose dress it wears
    worn: tuple[tuple[str, Wearer], ...] = ()
    #: rank of the army to what the almanac calls it
    ranks: tuple[tuple[str, str], ...] = ()
    roles: tuple[DressRole, ...] = ()
    departures: tuple[Departure, ...] = ()
    #: keys of cells that are worn before the written rules of their rung
    first: tuple[str, ...] = ()
    #: id of the account's almanac that it was copied from; '' for none
    origin: str = ""
    campaign: Campaign | None = None
    #: garments that are too small to be painted apart, and wear the colour of what they lie on
    left_out: tuple[str, ...] = ()
    #: (colour word, of metal, its point within the word's reach that the painter chose for rank and file)
    aims: tuple[tuple[ColourWord, bool, Lab], ...] = ()

    @cached_property
    def cells(self) -> tuple[DressCell, ...]:
        """Every garment that is told or assumed, regiment by regiment, then what ranks and companies wear otherwise."""
        return tuple(cell for node, who in self.worn for cell in self._cells_of(node, who))

    @cached_property
    def open(self) -> tuple[tuple[str, Verdict], ...]:
        """Formations with garments of which nobody tells, or of which sources disagree."""
        return tuple((node, one) for node, who in self.worn for one in self.sheet(who) if one.to_settle)

    def sheet(self, who: Wearer) -> tuple[Verdict, ...]:
        """All garments of somebody in the year that is worn."""
        return sheet(self.almanac, who, self.year)

    def role_of(self, colour: ColourWord, *, metal: bool, tone: str = "") -> str:
        """The role of a colour word; '' if it has none yet."""
        return self._role.get((colour, metal, tone), "")

    def departure(self, cell: DressCell) -> Departure | None:
        """The note with which a cell is left to other rules."""
        key = (cell.node, cell.rank, cell.garment)
        return next((one for one in self.departures if (one.node, one.rank, one.garment) == key), None)

    def aim(self, colour: ColourWord, *, metal: bool) -> Lab | None:
        """The point that was chosen for a word; None for its middle."""
        return next((lab for word, of_metal, lab in self.aims if (word, of_metal) == (colour, metal)), None)

    def aimed(self, colour: ColourWord, grade: str = "private", months: float = 0.0, *, metal: bool = False) -> Target:
        """The target of a word, moved as far as the painter's point lies off the word's middle, for every grade and age."""
        found, point = target(colour, grade, months, metal=metal), self.aim(colour, metal=metal)
        if point is None:
            return found
        middle = target(colour, metal=metal).lab
        lift, *turn = (chosen - plain for chosen, plain in zip(point, middle, strict=True))
        return replace(
            found,
            lab=Lab(min(max(found.lab.lightness + lift, 0.0), 100.0), found.lab.a + turn[0], found.lab.b + turn[1]),
        )

    def why(self, colour: ColourWord, *, metal: bool) -> str:
        """Why a colour word is painted by its role, as the painter wrote it."""
        found = (one.why for one in self.roles if (one.colour, one.metal, one.tone) == (colour, metal, ""))
        return next(found, "")

    @cached_property
    def _role(self) -> dict[tuple[ColourWord, bool, str], str]:
        return {(one.colour, one.metal, one.tone): one.role for one in self.roles}

    def _cells_of(self, node: str, who: Wearer) -> Iterator[DressCell]:
        plain = {one.garment: one for one in self.sheet(who)}
        told = set(plain)
        for verdict in plain.values():
            # of a company only what is said of it: the rest comes down from its regiment
            if not who.company or (verdict.fact and verdict.fact.wearer.company):
                yield from self._coloured(node, "", verdict, told)
        for rank in dict.fromkeys(said for _, said in self.ranks if said):
            for verdict in self.sheet(replace(who, rank=rank)):
                same = plain.get(verdict.garment)
                fact = verdict.fact
                if fact and fact.wearer.rank and not verdict.assumed and (same is None or same.value != verdict.value):
                    yield from self._coloured(node, rank, verdict, told)

    def _coloured(self, node: str, rank: str, verdict: Verdict, told: set[str]) -> Iterator[DressCell]:
        """The colours of a garment, each with the garment it is of."""
        for part in verdict.value.parts if verdict.value and verdict.value.kind == "colour" else ():
            garment = _garment_of(verdict.garment, part)
            if garment and not part.colour.refers_to and (garment == verdict.garment or garment not in told):
                yield DressCell(node, rank, garment, part.colour, verdict)


def _garment_of(garment: str, part: Part) -> str:
    """The garment that one colour of a phrase is of; '' where it is only words."""
    if part.relation == "ground":
        return garment
    known = _SECOND.get(part.relation, {})
    return known.get(garment, known.get("", ""))


def checked_dress(dress: Dress, nodes, roles, where: str = "dress") -> Dress:
    """The dress, if everything in it is there and allowed. nodes, roles: ids that the design has.

    Raises: OutOfRange, UnknownName, at the field.
    """
    if not FIRST_YEAR <= dress.year <= LAST_YEAR:
        raise OutOfRange(f"The year {dress.year}; allowed is {FIRST_YEAR} to {LAST_YEAR}.", f"{where}/year")
    if dress.accuracy not in ACCURACIES:
        raise UnknownName("accuracy", dress.accuracy, list(ACCURACIES), f"{where}/accuracy")
    if len(dress.worn) > MOST_WORN:
        raise OutOfRange(f"{len(dress.worn)} formations; allowed are up to {MOST_WORN}.", f"{where}/worn")
    for at, (node, _) in enumerate(dress.worn):
        if node not in nodes:
            raise UnknownName("formation", node, list(nodes), f"{where}/worn/{at}")
    for at, one in enumerate(dress.roles):
        if one.role not in roles:
            raise UnknownName("colour role", one.role, list(roles), f"{where}/roles/{at}")
    if dress.campaign:
        checked_campaign(dress.campaign, f"{where}/campaign")
    for at, garment in enumerate(dress.left_out):
        if not lies_on(garment):
            known = [one for one in garments() if lies_on(one)]
            raise UnknownName("garment that can be left out", garment, known, f"{where}/left_out/{at}")
    return dress
