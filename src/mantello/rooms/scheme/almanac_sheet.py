"""An almanac as a table of swatches: regiments by garments, with what tells how each is known."""

from dataclasses import dataclass, replace

from mantello.almanacs.swatches import Swatch, colours_of, swatch
from mantello_core.colour.spaces import Lab, hex_of
from mantello_core.design.camouflaged import metres_of
from mantello_core.design.design import Design
from mantello_core.numerals import whole_number
from mantello_core.recipes.handwork import USUAL_HEIGHT
from mantello_core.uniforms.almanac import Almanac
from mantello_core.uniforms.colour_word import ColourWord
from mantello_core.uniforms.distinction import Mistaken, mistaken
from mantello_core.uniforms.dye import target
from mantello_core.uniforms.fact import Fact, Wearer
from mantello_core.uniforms.garments import garments
from mantello_core.uniforms.verdict import Rung, Verdict
from mantello_core.uniforms.visible import Sight, sighted
from mantello_core.uniforms.worn import sheet, worn

#: ranks whose dress may be looked at, with their names
RANKS = {"": "Private", "sergeant": "Sergeant", "drummer": "Drummer", "officer": "Officer"}
#: months at which the field's fading is shown beside cloth as issued
FADED = 12.0
#: what marks lie on where the almanac does not tell of the coat
_MIDDLING = Lab(45.0, 2.0, 4.0)


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


def table_of(
    almanac: Almanac, year: int, *, only_open: bool = False
) -> tuple[list[str], list[tuple[int, Wearer, list]]]:
    """Garments across, and of every regiment its number in the almanac with its cells; None where a garment is not its own."""
    sheets = {who: {one.garment: one for one in sheet(almanac, who, year)} for who in almanac.regiments}
    across = list(dict.fromkeys(garment for cells in sheets.values() for garment in cells))
    rows = []
    for at, (who, cells) in enumerate(sheets.items()):
        if only_open and not any(one.to_settle for one in cells.values()):
            continue
        rows.append((at, who, [swatch(cells[garment]) if garment in cells else None for garment in across]))
    return across, rows


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
    ground = verdict.value.ground if verdict.value else None
    if ground is None or ground.refers_to or verdict.garment == "coat":
        return None
    coat = worn(almanac, who, "coat", year)
    on = coat.value.ground if coat.value else None
    beside = target(on).lab if on and not on.refers_to else _MIDDLING
    metal = garments()[verdict.garment].metal
    return sighted(verdict.garment, target(ground, metal=metal).lab, beside, height, metres)


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


def seen_marks(
    almanac: Almanac, across: list[str], rows, year: int, height: float, metres: float
) -> list[SeenMark | None]:
    """For every garment across how it is seen on the regiments that wear it; None for the coat, and where no colour is known."""
    found = []
    for at, _ in enumerate(across):
        sights = [
            sight
            for _, who, cells in rows
            if cells[at] and (sight := seen_of(almanac, who, cells[at].verdict, year, height, metres))
        ]
        counts = [sum(one.verdict == word for one in sights) for word in ("reads", "tints", "gone")]
        helps = next((one.advice for one in sights if one.verdict != "reads"), "")
        found.append(SeenMark(*counts, helps) if sights else None)
    return found


def mistaken_of(
    almanac: Almanac, year: int, height: float, metres: float
) -> list[tuple[Mistaken, list[Swatch], list[Swatch]]]:
    """Regiments that would be mistaken for each other, with the marks of both."""
    found = []
    for pair in mistaken(almanac, year, height, metres):
        marks = ("facing", "turnback", "buttons", "plume", "lace")
        both = [[swatch(worn(almanac, who, garment, year)) for garment in marks] for who in (pair.first, pair.second)]
        found.append((pair, *both))
    return found


def asked_cell(almanac: Almanac, given, year: int) -> tuple[Wearer, Verdict] | None:
    """The regiment and garment that an address names, with the rank if it names one; None for none, and for another rank."""
    number, garment, rank = whole_number(given.get("of", ""), 10**6), given.get("garment", ""), given.get("rank", "")
    if number is None or number >= len(almanac.regiments) or garment not in garments() or rank not in RANKS:
        return None
    who = replace(almanac.regiments[number], rank=rank)
    return who, worn(almanac, who, garment, year)
