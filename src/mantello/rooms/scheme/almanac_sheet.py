"""An almanac as a table of swatches: regiments by garments, with what tells how each is known."""

from dataclasses import dataclass, replace

from mantello.almanacs.models import Almanac as KeptAlmanac
from mantello.almanacs.swatches import Swatch, colours_of, swatch
from mantello.shell.soon import kept_beside
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.design.camouflaged import metres_of
from mantello_core.design.design import Design
from mantello_core.memory import Memory
from mantello_core.numerals import whole_number
from mantello_core.recipes.handwork import USUAL_HEIGHT
from mantello_core.uniforms.almanac import Almanac
from mantello_core.uniforms.colour_word import ColourWord
from mantello_core.uniforms.distinction import Mistaken, mistaken
from mantello_core.uniforms.dye import target
from mantello_core.uniforms.fact import Fact, Wearer
from mantello_core.uniforms.garments import garments
from mantello_core.uniforms.verdict import Rung, Verdict
from mantello_core.uniforms.visible import Sight, sighted, sights
from mantello_core.uniforms.worn import sheet, worn

#: ranks whose dress may be looked at, with their names
RANKS = {"": "Private", "sergeant": "Sergeant", "drummer": "Drummer", "officer": "Officer"}
#: pairs of regiments that would be mistaken that are shown, and the marks shown of them
_PAIRS, _MARKS = 12, ("facing", "turnback", "buttons", "plume", "lace")
#: months at which the field's fading is shown beside cloth as issued
FADED = 12.0
#: what marks lie on where the almanac does not tell of the coat
_MIDDLING = Lab(45.0, 2.0, 4.0)
#: what a cell takes in memory, measured
_CELL_BYTES = 1_500
_sheets = Memory("almanac sheets", 6 * 2**20)


@dataclass(frozen=True)
class Told:
    """One rung of a cell's ladder as the page shows it."""

    rung: Rung
    source: str
    colours: tuple[str, ...]
    worn: bool
    #: the colour that was picked from its picture, and how far it lies from the word; none for words alone
    picked: str = ""
    off: float = 0.0


@dataclass(frozen=True)
class Table:
    """An almanac in a year. across: ids of garments; rows: of every regiment its number in the almanac and its cells, None where a
    garment is not its own; to_settle: cells that have to be looked up, of all regiments."""

    across: tuple[str, ...]
    rows: tuple[tuple[int, Wearer, tuple[Swatch | None, ...]], ...]
    to_settle: int


def table_of(almanac: Almanac, year: int, *, only_open: bool = False) -> Table:
    """Regiments by garments in a year; only those of which something has to be looked up, if so asked."""
    sheets = {who: {one.garment: one for one in sheet(almanac, who, year)} for who in almanac.regiments}
    across = tuple(dict.fromkeys(garment for cells in sheets.values() for garment in cells))
    rows, to_settle = [], 0
    for at, (who, cells) in enumerate(sheets.items()):
        unsettled = sum(one.to_settle for one in cells.values())
        to_settle += unsettled
        if unsettled or not only_open:
            rows.append((at, who, tuple(swatch(cells[name]) if name in cells else None for name in across)))
    return Table(across, tuple(rows), to_settle)


@dataclass(frozen=True)
class SheetShown:
    """All that a page shows of an almanac in a year. more_mistaken: pairs that are not shown."""

    table: Table
    seen: tuple["SeenMark | None", ...]
    mistaken: tuple[tuple[Mistaken, tuple[Swatch, ...], tuple[Swatch, ...]], ...]
    more_mistaken: int


def sheet_of(kept: KeptAlmanac, year: int, height: float, metres: float, *, only_open: bool = False) -> SheetShown:
    """An almanac in a year, seen at a height of figures in mm from a distance in m.

    Raises: BeingWorkedOut while a page is asked for that can wait for it.
    """
    said = kept.as_core()
    key = kept.pk, kept.number, year, height, metres, only_open

    def laid_out() -> SheetShown:
        table = table_of(said, year, only_open=only_open)
        seen = tuple(seen_marks(said, table, year, height, metres))
        return SheetShown(table, seen, *mistaken_of(said, year, height, metres))

    return kept_beside(_sheets, key, laid_out, _size_of, little=kept.is_little)


def _size_of(shown: SheetShown) -> int:
    return _CELL_BYTES * (len(shown.table.across) * len(shown.table.rows) + 100)


def ladder_of(almanac: Almanac, verdict: Verdict) -> list[Told]:
    """Everything that speaks of a cell, what is worn first."""
    return [
        Told(
            rung,
            almanac.cite(rung.fact),
            colours_of(rung.fact.phrase, verdict.garment),
            at == 0 and not verdict.assumed,
            *_picked(rung.fact),
        )
        for at, rung in enumerate(verdict.ladder)
    ]


def _picked(fact: Fact) -> tuple[str, float]:
    """The colour picked from the picture of an entry, and how far it lies from good cloth of its word."""
    if fact.picked is None:
        return "", 0.0
    ground, known = fact.phrase.ground, garments().get(fact.garment)
    if ground is None or ground.refers_to:
        return hex_of(fact.picked), 0.0
    return hex_of(fact.picked), target(ground, "officer", metal=bool(known and known.metal)).off(fact.picked)


def cloth_of(colour: ColourWord, garment: str) -> list[tuple[str, str, str, float]]:
    """Grades of cloth of a colour: name, as issued, after a year in the field, and how far the word reaches."""
    metal = garments()[garment].metal
    rows = []
    for grade in ("private", "sergeant", "officer"):
        new, old = target(colour, grade, metal=metal), target(colour, grade, FADED, metal=metal)
        rows.append((grade, hex_of(new.lab), hex_of(old.lab), new.radius))
    return rows


def size_of(design: Design) -> tuple[float, float]:
    """Height of the army's figures in mm, and from how far it is seen in m."""
    return (design.brief.height_mm if design.brief else USUAL_HEIGHT), metres_of(design)


def seen_of(almanac: Almanac, who: Wearer, verdict: Verdict, year: int, height: float, metres: float) -> Sight | None:
    """How a garment's colour is seen on the coat it lies on; None for the coat, and where no colour is known."""
    mark = _mark_of(verdict, worn(almanac, who, "coat", year))
    return sighted(*mark, height, metres) if mark else None


def _mark_of(verdict: Verdict, coat: Verdict | None) -> tuple[str, Lab, Lab] | None:
    """A garment with its colour and that of the coat it lies on."""
    ground = verdict.value.ground if verdict.value else None
    if ground is None or ground.refers_to or verdict.garment == "coat":
        return None
    on = coat.value.ground if coat and coat.value else None
    beside = target(on).lab if on and not on.refers_to else _MIDDLING
    return verdict.garment, target(ground, metal=garments()[verdict.garment].metal).lab, beside


@dataclass(frozen=True)
class SeenMark:
    """How a garment's colours are seen over all regiments: on how many they read, tint or are gone, and what would help."""

    reads: int
    tints: int
    gone: int
    advice: str

    @property
    def told(self) -> str:
        """In few words."""
        known = ((self.reads, "read"), (self.tints, "tint"), (self.gone, "gone"))
        return ", ".join(f"{count} {words}" for count, words in known if count)


def seen_marks(almanac: Almanac, table: Table, year: int, height: float, metres: float) -> list[SeenMark | None]:
    """For every garment across how it is seen on the regiments that wear it; None for the coat, and where no colour is known."""
    across: list[list[tuple[str, Lab, Lab]]] = [[] for _ in table.across]
    for _, who, cells in table.rows:
        coat = worn(almanac, who, "coat", year)
        for marks, cell in zip(across, cells, strict=True):
            if cell and (mark := _mark_of(cell.verdict, coat)):
                marks.append(mark)
    known = sights((mark for marks in across for mark in marks), height, metres)
    return [_seen([known[mark] for mark in marks]) if marks else None for marks in across]


def _seen(sights_: list[Sight]) -> SeenMark:
    counts = (sum(one.verdict == word for one in sights_) for word in ("reads", "tints", "gone"))
    return SeenMark(*counts, next((one.advice for one in sights_ if one.verdict != "reads"), ""))


def mistaken_of(
    almanac: Almanac, year: int, height: float, metres: float
) -> tuple[tuple[tuple[Mistaken, tuple[Swatch, ...], tuple[Swatch, ...]], ...], int]:
    """Regiments that would be mistaken for each other, the worst, with the marks of both; and how many pairs more."""
    found, pairs = [], mistaken(almanac, year, height, metres)
    for pair in pairs[:_PAIRS]:
        both = (pair.first, pair.second)
        shown = (tuple(swatch(worn(almanac, who, garment, year)) for garment in _MARKS) for who in both)
        found.append((pair, *shown))
    return tuple(found), max(0, len(pairs) - _PAIRS)


def asked_cell(almanac: Almanac, given, year: int) -> tuple[Wearer, Verdict] | None:
    """The regiment and garment that an address names, with the rank if it names one; None for none, and for another rank."""
    number, garment, rank = whole_number(given.get("of", ""), 10**6), given.get("garment", ""), given.get("rank", "")
    if number is None or number >= len(almanac.regiments) or garment not in garments() or rank not in RANKS:
        return None
    who = replace(almanac.regiments[number], rank=rank)
    return who, worn(almanac, who, garment, year)
