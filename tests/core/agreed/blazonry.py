"""Arms: every division, ordinary, line, arrangement and charge drawn, read and written."""

from collections.abc import Iterable, Iterator

from mantello_core.colour.spaces import Lab
from mantello_core.insignia.arms.appearance import contrasts
from mantello_core.insignia.arms.arms_drawing import drawn_arms
from mantello_core.insignia.arms.blazon import read_blazon
from mantello_core.insignia.arms.branch import branch_of
from mantello_core.insignia.arms.charge import CHARGES, aspect, charge_shape
from mantello_core.insignia.arms.completing import completions
from mantello_core.insignia.arms.fur import fur_marks
from mantello_core.insignia.arms.retinue import livery_of
from mantello_core.insignia.arms.shape import SHAPES, shape_polygon
from mantello_core.insignia.arms.spacing import divisions, spacing
from mantello_core.insignia.arms.tincture_rule import breaches, keeps_rule
from mantello_core.insignia.arms.vocabulary import ARRANGEMENTS, DIVISIONS, LINES, NUMBERS, ORDINARIES, VARIED
from mantello_core.insignia.arms.words import words_of
from mantello_core.insignia.arms.writing import write_blazon

FIELDS = (
    "Or", "Ermine", "Vair", "Quarterly or and azure", "Quarterly wavy or and azure", "Gyronny or and azure",
    "Gyronny of 6 or and azure", "Gyronny of 10 or and azure", "Gyronny of 12 or and azure", "Gyronny of 16 or and azure",
    "Tierced per pale or azure and gules", "Tierced per fess or azure and gules",
    "Per pall or and azure", "Azure semy of roses argent",
    "Gules fretty or",
    *(f"Per {one} or and azure" for one in DIVISIONS if one != "pall"),
    *(f"Per fess {line} or and azure" for line in LINES),
    *(f"{one.capitalize()} or and azure" for one in VARIED),
    *(f"{one.capitalize()} of {count} or and azure" for one in ("barry", "paly", "bendy", "bendy sinister", "chevronny", "pily")
      for count in (6, 8, 10)),
    "Barry of 8 wavy or and azure", "Paly of 6 indented or and azure",
)  # fmt: skip
BORNE = (
    *(f"Azure, a {one} or" for one, many in ORDINARIES.items() if one != "gyron"),
    *(f"Azure, {NUMBERS[count - 1]} {many} or" for one, many in ORDINARIES.items() if many for count in (2, 3, 4)),
    *(f"Azure, a fess {line} or" for line in LINES),
    *(f"Azure, a {one} engrailed or" for one in ("pale", "bend", "chevron", "cross", "saltire", "chief", "bordure", "pile", "base")),
    *(f"Azure, a label of {count} points or" for count in (3, 5)),
    *(f"Azure, on a {one} or three roses gules" for one in ("fess", "pale", "bend", "bend sinister", "chevron", "chief", "cross", "saltire", "bordure", "base", "pile", "pall")),
    *(f"Azure, a {one} argent between three mullets or" for one in ("fess", "chevron", "pale", "bend", "pall")),
    *(f"Azure, a {one} argent between four mullets or" for one in ("cross", "saltire")),
    *(f"Azure, a {one} or between two roses argent and a mullet gules" for one in ("fess", "chevron", "bend")),
    *(f"Azure, {NUMBERS[count - 1]} mullets or" for count in range(1, 13)),
    *(f"Azure, {NUMBERS[count - 1]} billets {one} or" for one in ARRANGEMENTS for count in (1, 2, 3, 4, 5, 6)
      if (one, count) in {(name, 3) for name in ("in pale", "in fess", "in bend", "in bend sinister", "in chevron", "in chief", "in base", "two and one", "one and two", "in dexter", "in sinister")}
      | {("in pale", 2), ("in fess", 2), ("in saltire", 5), ("in saltire", 4), ("in cross", 5), ("in orle", 6), ("two and two", 4), ("two one and two", 5), ("three and two", 5), ("three two and one", 6), ("in chief", 1), ("in base", 1)}),
    "Azure, a bordure or charged with eight roses gules", "Azure, on a bordure or twelve roses gules", "Azure, an orle or charged with six roses gules",
    "Erminois, a chief vair", "Per pale ermine and ermines, a bend vair", "Azure, three billets in orle or",
    "Or, within a bordure gules a lion rampant azure", "Or, a lion rampant gules armed and langued azure",
    "Per pale azure and argent, a heron counterchanged", "Azure, a fess or, overall a lion rampant gules",
    "Azure, a chevron or impaling gules, three roses argent",
    "Quarterly, 1 and 4 azure, a fess or; 2 and 3 gules, three roses argent",
    "Quarterly, 1 azure; 2 or; 3 gules; 4 vert; 5 argent, a cross gules; 6 sable",
    "Quarterly, 1 and 4 azure, a fess or; 2 and 3 gules, three roses argent; en surtout or, a lion rampant sable",
)  # fmt: skip
BEGUN = (
    "",
    "Azu",
    "Azure, a",
    "Azure, a fess ",
    "Azure, a fess wa",
    "Azure, a lion ",
    "Azure, three",
    "Quarterly, 1 and 4 azure; ",
    "Per ",
)


def _drawn(texts: Iterable[str]) -> Iterator[tuple[str, object]]:
    """Blazons as drawn on a shield and, mirrored, on a banner: pieces, areas, thinnest part."""
    for text in texts:
        arms = read_blazon(text)
        here, there = drawn_arms(arms, "heater"), drawn_arms(arms, "banner", mirrored=True)
        yield text, (here.pieces, here.areas(7.0), here.thinnest(7.0), there.pieces)


def fields() -> Iterator[tuple[str, object]]:
    """Fields drawn."""
    return _drawn(FIELDS)


def ordinaries() -> Iterator[tuple[str, object]]:
    """Half of what is borne on fields, drawn."""
    return _drawn(BORNE[::2])


def groups() -> Iterator[tuple[str, object]]:
    """The other half."""
    return _drawn(BORNE[1::2])


def surfaces() -> Iterator[tuple[str, object]]:
    """One coat on every surface."""
    for shape in SHAPES:
        drawing = drawn_arms(
            read_blazon("Azure, on a chevron or between three lions rampant argent two roses gules"), shape
        )
        halved = drawn_arms(read_blazon("Azure, a chevron or impaling gules, three roses argent"), shape)
        yield f"on {shape}", (shape_polygon(shape), drawing.pieces, drawing.thinnest(5.0), halved.pieces)


def seen() -> Iterator[tuple[str, object]]:
    """How arms read from afar in plain colours."""
    colours = {"or": Lab(75, 5, 65), "azure": Lab(30, 5, -45), "gules": Lab(38, 55, 35), "argent": Lab(93, 0, 2)}
    for text in (
        *BORNE[:60:4],
        "Gules, on a fess or three roses azure",
        "Azure, a chevron or impaling gules, three roses argent",
    ):
        drawing = drawn_arms(read_blazon(text))
        for width, metres in ((6.0, 1.2), (20.0, 0.6)):
            yield f"{text} {width}", contrasts(drawing, lambda id_: colours.get(id_, Lab(50, 0, 0)), width, metres)


def charges() -> Iterator[tuple[str, object]]:
    """Every charge in every attitude."""
    for one in CHARGES.values():
        for attitude in ("", *one.attitudes):
            yield f"{one.id} {attitude}", (charge_shape(one.id, attitude), aspect(one.id, attitude))


def furs() -> Iterator[tuple[str, object]]:
    """The marks of every fur, and charges that have little room."""
    for kind in ("ermine", "ermines", "erminois", "pean", "vair", "potent"):
        yield (
            kind,
            [fur_marks(kind, shape_polygon(shape), cell) for shape in ("heater", "lozenge") for cell in (7.0, 13.0)],
        )
    for text in (
        "Azure, on a pile or three lions rampant gules", "Azure, on a chevron or five lions rampant gules", "Azure, on a saltire or five towers gules",
        "Azure, twelve lions rampant or", "Per saltire or and azure, four lions rampant counterchanged", "Azure, on a canton or three herons gules",
    ):  # fmt: skip
        for shape in ("heater", "lozenge", "pennon"):
            yield f"{text} on {shape}", drawn_arms(read_blazon(text), shape).pieces


def trees() -> Iterator[tuple[str, object]]:
    """What was read, as written again, part by part, with rule, livery, divisions and how it may go on."""
    for text in (*FIELDS, *BORNE):
        arms = read_blazon(text)
        yield (
            text,
            (
                arms,
                write_blazon(arms),
                branch_of(arms),
                keeps_rule(arms),
                breaches(arms),
                livery_of(arms),
                divisions(arms),
                words_of(text),
            ),
        )
    for text in BEGUN:
        yield f"begun: {text}", completions(text)
    for count in (2, 3, 4, 5, 6, 7, 8, 9, 12, 15, 16, 24, 25):
        parts = spacing(count)
        yield f"{count} parts", (parts, parts.apart(10.0), parts.clock)


ANSWERS = (fields, ordinaries, groups, surfaces, seen, furs, charges, trees)
