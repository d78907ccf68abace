"""A cast in words: what is wrong on whom, who wears what pot by pot, and a striped cloth as an option."""

from dataclasses import dataclass, replace

from ..camouflage.pattern import Ink, Pattern
from ..errors import Contradiction, OutOfRange
from ..naming import slug
from ..scheme.unit_cast import CastGarment, CastOption, UnitCast
from ..variety.band import MOST_OPTIONS
from ..variety.casting import Fault
from ..variety.counts import wanted_counts
from ..variety.openings import openings, pots_of
from .camouflaged import denominator_of
from .casting import Told
from .design import Design
from .edit import with_scheme

#: stripes of cloth: part of the second colour, and how wide a stripe is on the model, mm
_SECOND, _STRIPE = 0.35, 1.3
#: degrees that the stripes of a cloth hang at
_UPRIGHT = 90.0


@dataclass(frozen=True)
class Pot:
    """One pot of a cast: a role, how many figures it serves, and on whom it is laid, garment by garment."""

    role: str
    figures: int
    #: garment's name and the numbers of those who wear it there
    work: tuple[tuple[str, tuple[int, ...]], ...]


def fault_words(design: Design, cast_: UnitCast, told: Told, fault: Fault) -> str:
    """What is wrong, as a sentence; figures are numbered from 1 in the order they stand."""
    scheme, band = design.scheme, told.band
    names = {one.id: one.name.lower() for one in cast_.garments}
    worn = [band.garments[at] for at in fault.garments]
    called = [names[one.id] for one in worn]
    numbers = [str(figure + 1) for figure in fault.figures]
    who = f"no. {' and no. '.join(numbers[:4])}{' and others' if len(numbers) > 4 else ''}"
    if fault.kind == "clash":
        return f"{called[0].capitalize()} and {called[1]} of {who} cannot be told apart"
    if fault.kind == "repeat":
        row = told.cast.rows[fault.figures[0]]
        pot = worn[0].options[row[fault.garments[0]]].pots[0]
        return f"{who.capitalize()}, side by side, both have the {called[0]} in {scheme.role(pot).name}"
    if fault.kind == "count":
        return f"{called[0].capitalize()}: one figure more of one colour and fewer of another than was asked"
    if fault.kind == "twin":
        return f"{who.capitalize()} are dressed alike"
    if fault.kind == "accents":
        return f"{who.capitalize()} has more bright things than {cast_.accents}"
    return f"{who.capitalize()} leads and does not stand out among his neighbours"


def counts_of(told: Told) -> dict[tuple[str, str], tuple[int, int]]:
    """(garment, option) to how many figures were to wear it and how many do."""
    wanted = wanted_counts(told.band)
    return {
        (garment.id, option.id): (wanted[at][index], sum(row[at] == index for row in told.cast.rows))
        for at, garment in enumerate(told.band.garments)
        for index, option in enumerate(garment.options)
    }


def pots_worn(cast_: UnitCast, told: Told) -> tuple[Pot, ...]:
    """Who wears what, pot by pot, those that serve most figures first."""
    names = {one.id: one.name for one in cast_.garments}
    found = []
    for role, figures in pots_of(told.band, told.cast).items():
        work = []
        for at, garment in enumerate(told.band.garments):
            wearers = tuple(
                figure + 1 for figure, row in enumerate(told.cast.rows) if role in garment.options[row[at]].pots
            )
            if wearers:
                work.append((names[garment.id], wearers))
        found.append(Pot(role, figures, tuple(work)))
    return tuple(found)


def openings_of(told: Told) -> tuple[int, int]:
    """How often a pot is opened when the band is painted pot by pot, and how often when figure after figure is painted."""
    one_by_one = sum(
        len({pot for at, garment in enumerate(told.band.garments) for pot in garment.options[row[at]].pots})
        for row in told.cast.rows
    )
    return len(openings(told.band, told.cast)), one_by_one


def with_option(
    design: Design, cast_: UnitCast, garment_id: str, role: str, second: str = ""
) -> tuple[Design, UnitCast]:
    """The design and the cast with one more thing a garment may be: a role, or one striped with a second.

    Raises: UnknownName for a role; OutOfRange for more options than a garment may have; Contradiction for one it has.
    """
    design.scheme.role(role, "add")
    garment = next((one for one in cast_.garments if one.id == garment_id), None)
    if garment is None or len(garment.options) >= MOST_OPTIONS:
        raise OutOfRange(f"A garment may be up to {MOST_OPTIONS} things.", "add")
    pattern = ""
    if second:
        design.scheme.role(second, "with")
        if second == role:
            raise Contradiction(
                f"Stripes of {design.scheme.role(role).name} on itself are not seen; choose another.", "with"
            )
        design, pattern = _striped(design, role, second)
    if any((one.role, one.pattern) == ("" if pattern else role, pattern) for one in garment.options):
        raise Contradiction(f"{garment.name} may be that already.", "add")
    id_ = slug("o", {one.id for one in garment.options} | {"o"})
    option = CastOption(id_, "" if pattern else role, pattern)
    return design, _with_garment(cast_, replace(garment, options=(*garment.options, option)))


def _with_garment(cast_: UnitCast, garment: CastGarment) -> UnitCast:
    return replace(cast_, garments=tuple(garment if one.id == garment.id else one for one in cast_.garments))


def _striped(design: Design, role: str, second: str) -> tuple[Design, str]:
    """The design with a striped cloth of two roles, and the id of its pattern; the one there is, if there is one."""
    scheme = design.scheme
    shares = ((role, 1 - _SECOND), (second, _SECOND))
    for one in scheme.patterns:
        if one.family == "stripes" and tuple((ink.role, ink.share) for ink in one.inks) == shares:
            return design, one.id
    name = f"{scheme.role(role).name} striped {scheme.role(second).name}"
    pattern = Pattern(
        slug(name, set(scheme.pattern_by_id)), name, "stripes", tuple(Ink(*one) for one in shares),
        size_m=_STRIPE * denominator_of(design) / 1000, tool="brush", turn=_UPRIGHT, lighten=False,
    )  # fmt: skip
    return with_scheme(design, replace(scheme, patterns=(*scheme.patterns, pattern))), pattern.id
