"""All measures of one layout, and what of them a painter should know before painting: plain sentences with a way out."""

import re
from collections.abc import Sequence
from dataclasses import dataclass

from ..colour.acuity import SEEN
from ..colour.difference import difference
from ..colour.spaces import Lab
from .broken_outline import Outline, outlines
from .chances import symmetry
from .laying import Patterned
from .lines_crossed import Agreement, Lines, agreement, lines_of
from .seen_afar import Afar, afar

#: agreement beyond chance from which a layout reads as symmetric; CIEDE2000 to the ground from which it stands out; to another
#: ink under which two are one; share of panel lines under which panels show
_SYMMETRIC, _STANDS_OUT, _ONE, _PANELS = 0.3, 20.0, 6.0, 0.7
#: patches, and share of an outline, from which on a run of one colour is long; mm of lines, and places, that are enough to tell
_LONG, _MUCH, _LINES, _PLACES = 4.0, 0.25, 50.0, 100


#: what a share that could not be met says with its numbers
_SHARE = re.compile(r"takes [\d.]+ % instead of .*")


@dataclass(frozen=True)
class Told:
    """One thing to know, and what would help: another 'layout', larger 'size', or another 'ink'."""

    words: str
    help: str
    #: the same for every figure on which it is so, without its numbers
    cause: str


@dataclass(frozen=True)
class Measures:
    """What a layout does, in its inks and seen from some metres."""

    outlines: tuple[Outline, ...]
    lines: Lines
    agreement: Agreement | None
    afar: Afar
    symmetry: dict[str, float]
    told: tuple[Told, ...]


def measured(
    result: Patterned, inks: Sequence[Lab], ground: Lab | None = None, metres: float = 1.2
) -> Measures:  # fmt: skip
    """Every measure of a layout. inks: their colours, lightened already; ground: of the bases; metres: it is seen from."""
    seen = afar(result, inks, ground, tuple(sorted({0.3, 0.6, metres})))
    made = Measures(outlines(result, inks, ground), lines_of(result), agreement(result), seen, symmetry(result), ())
    return Measures(
        made.outlines, made.lines, made.agreement, seen, made.symmetry, tuple(_told(result, made, inks, metres))
    )


def _told(result: Patterned, made: Measures, inks: Sequence[Lab], metres: float):
    for words in result.told:
        yield Told(words, "size", _SHARE.sub("cannot have its share", words))
    left = made.afar.left[metres]
    if left < SEEN:
        yield Told(
            f"From {metres:g} m it runs together to one flat tone ({left:.1f} CIEDE2000 are left): larger patches, or inks"
            " farther apart in lightness.", "size", "Runs together to one flat tone from where the army stands",
        )  # fmt: skip
    off = made.afar.off_ground
    if off is not None and off > _STANDS_OUT:
        yield Told(
            f"Its mean colour lies {off:.0f} from the bases' ground: it stands out on its own base.",
            "ink",
            "Stands out on its own base",
        )
    for where, value in made.symmetry.items():
        if value > _SYMMETRIC:
            yield Told(
                f"The {where} are alike by {100 * value:.0f} % beyond chance: it reads as a face or a crest.",
                "layout",
                f"The {where} are alike: reads as a face or a crest",
            )
    lines, twice = made.lines, made.agreement
    if lines.mm > _LINES and lines.runs_on < _PANELS:
        yield Told(
            f"The pattern stops at {100 * (1 - lines.runs_on):.0f} % of the panel lines: panels show.",
            "size",
            "Stops at panel lines",
        )
    if twice and twice.places > _PLACES and twice.share < (1 + twice.chance) / 2:
        yield Told(
            f"Only {100 * twice.share:.0f} % of the places that two views show wear one ink in both: follow one view along the"
            " edges.", "layout", "Two views do not agree along their edges",
        )  # fmt: skip
    for one in made.outlines:
        if one.mm and one.longest > _LONG * result.sized.size and one.longest > _MUCH * one.mm:
            yield Told(
                f"In the {one.view} view one colour runs {one.longest * result.sized.per_mm:.0f} mm along the outline: the"
                " shape shows there.", "layout", f"One colour runs along the outline in the {one.view} view",
            )  # fmt: skip
    least = min(difference(one, two) for at, one in enumerate(inks) for two in inks[:at])
    if least < _ONE:
        yield Told(
            f"Two of its inks are only {least:.0f} apart and will look like one.",
            "ink",
            "Two of its inks look like one",
        )
