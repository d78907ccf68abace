"""Who wears what in a unit of irregulars: garments found on its figures, a band for the search, and what it draws, kept."""

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, replace

from ..army.tree import Node
from ..colour.acuity import DISTANCES
from ..colour.difference import difference
from ..colour.spaces import Lab
from ..errors import Contradiction, OutOfRange
from ..figures.plate import Plate
from ..figures.vocabulary import sideless, spoken
from ..naming import slug
from ..scheme.cascade import Resolution
from ..scheme.selector import areas_named, checked_selector
from ..scheme.unit_cast import CastGarment, CastOption, UnitCast
from ..variety.apart import NEIGHBOURS
from ..variety.band import Band, Garment, Option, checked_band
from ..variety.casting import STEPS, Cast, cast, judged
from .design import Design
from .edit import with_scheme

#: what irregulars vary: cloth and leather of these parts of a figure
_PARTS, _CLOTH = ("torso", "arm", "leg", "head", "cloak"), ("cloth", "leather", "fur")
#: what sleeves are of: the first of these that a figure has
_SLEEVED = ("torso.coat", "torso.tunic", "torso.shirt")
#: an area smaller than this, mm², is no garment of its own
_SMALL = 3.0
#: options that a garment is started with at most, and garments
_MOST_OPTIONS, _MOST_GARMENTS = 6, 6
#: how wide a garment is where its drawing does not tell, mm
_WIDE = 3.0
#: a role that is worn on a garment now is wanted this much more often than another
_WORN_NOW = 3.0
MOST_CASTS = 100
#: from where touching garments have to be told apart, m: irregulars are looked at in the hand and at arm's length
SEEN_FROM = DISTANCES["arm"]


@dataclass(frozen=True)
class Told:
    """A cast as it stands: the band that was asked for and how good it is. figures: (rank, ordinal) in the band's order."""

    band: Band
    cast: Cast
    figures: tuple[tuple[str, int], ...]


def usual_cast(design: Design, resolution: Resolution, unit_id: str) -> UnitCast:
    """A cast to start from: the garments of a unit's figures, each in the roles that its formation wears on cloth.

    Raises: UnknownName for the unit; OutOfRange if its figures wear nothing that could vary.
    """
    unit = design.army.node(unit_id, "unit")
    plates = [design.army.plate(rank.type) for rank in unit.ranks]
    named = _garments_on(plates)
    if not named:
        raise OutOfRange(f"Figures of {unit.name} wear nothing of cloth that could vary.", "unit")
    near = _roles_near(design, resolution, unit)
    garments = []
    for title, select in list(named.items())[:_MOST_GARMENTS]:
        now = _roles_on(resolution, unit_id, select)
        roles = _told_apart(design, [*now, *(role for role in near if role not in now)])[:_MOST_OPTIONS]
        options = tuple(
            CastOption(f"o{at}", role, share=_WORN_NOW if role in now else 1.0) for at, role in enumerate(roles, 1)
        )
        if options:
            garments.append(CastGarment(slug(title, {one.id for one in garments}), title, select, options))
    leaders = tuple(rank.id for rank in unit.ranks if rank.tier != "rank" and len(unit.ranks) > 1)
    return UnitCast(unit_id, tuple(garments), leaders=leaders)


def _told_apart(design: Design, roles: list[str]) -> list[str]:
    """Roles in their order without those that two neighbours could not wear beside each other, and without metals."""
    kept: list[tuple[str, Lab]] = []
    for role in roles:
        base = design.scheme.recipe(role, "rank").base
        look = _look(design, role)
        if base and not base.mix.film.flake and all(difference(look, other) >= NEIGHBOURS for _, other in kept):
            kept.append((role, look))
    return [role for role, _ in kept]


def _garments_on(plates: Iterable[Plate]) -> dict[str, tuple[str, ...]]:
    """Garments by what they are called, with the selectors of their areas, the largest first."""
    sizes: Counter[str] = Counter()
    for plate in plates:
        for name, area in plate.areas.items():
            if name.partition(".")[0] in _PARTS and area.material in _CLOTH and area.mm2 >= _SMALL:
                sizes[_garment_of(name, plate)] += area.mm2
    found: dict[str, tuple[str, ...]] = {}
    for key, _ in sizes.most_common():
        title = spoken(key.replace(".*", "")).capitalize()
        found[title] = (*found.get(title, ()), key)
    sleeves = "arm.*.sleeve"
    return {
        title: (*select, sleeves, "arm.*.roll") if select[0] in _SLEEVED and select[0] == _sleeved(sizes) else select
        for title, select in found.items()
    }


def _garment_of(name: str, plate: Plate) -> str:
    """The selector of the garment an area is part of: sides together, sleeves with what they are sewn to."""
    steps = sideless(name).split(".")
    if steps[0] == "arm" and steps[-1] in ("sleeve", "roll"):
        return next((one for one in _SLEEVED if plate.areas_by_head.get("torso") and areas_named(plate, (one,))), name)
    return ".".join(steps[: 3 if steps[0] in ("arm", "leg") else 2])


def _sleeved(sizes: Counter[str]) -> str:
    return next((one for one in _SLEEVED if one in sizes), "")


def _roles_on(resolution: Resolution, unit: str, select: tuple[str, ...]) -> list[str]:
    """Roles on some areas of a unit, the most worn first."""
    worn: Counter[str] = Counter()
    for one in resolution.of_unit(unit):
        for area in areas_named(one.plate, select):
            if one.cells[area].role and one.plate.areas[area].material in _CLOTH:
                worn[one.cells[area].role or ""] += len(one.ordinals)
    return [role for role, _ in worn.most_common()]


def _roles_near(design: Design, resolution: Resolution, unit: Node) -> list[str]:
    """Roles on cloth of the formation a unit belongs to, the most worn first."""
    path = design.army.paths[unit.id]
    above = path[-2] if len(path) > 1 else unit.id
    units = {one.id for one in design.army.nodes[above].walk()}
    worn: Counter[str] = Counter()
    for one in resolution.classes:
        if one.unit in units:
            for area, cell in one.cells.items():
                if cell.role and area.partition(".")[0] in _PARTS and one.plate.areas[area].material in _CLOTH:
                    worn[cell.role] += len(one.ordinals)
    return [role for role, _ in worn.most_common()]


def figures_of(design: Design, cast_: UnitCast) -> tuple[tuple[str, int], ...]:
    """Rank and ordinal of every figure of a cast's unit, in the order they stand."""
    unit = design.army.nodes[cast_.unit]
    return tuple((rank.id, ordinal) for rank in unit.ranks for ordinal in range(1, rank.figures + 1))


def band_of(design: Design, cast_: UnitCast, kept: Iterable[tuple[str, int]] = ()) -> Band:
    """The band that a cast asks for. kept: figures that stay as they were drawn.

    Raises: what ``checked_band`` refuses.
    """
    figures = figures_of(design, cast_)
    place = {figure: at for at, figure in enumerate(figures)}
    garments = tuple(_garment(design, cast_, one, depth) for depth, one in enumerate(_inner_first(design, cast_)))
    order = {one.id: at for at, one in enumerate(garments)}
    pins = {}
    for rank, ordinal in kept:
        for garment, option in zip(cast_.garments, cast_.worn_by(rank, ordinal), strict=False):
            if (rank, ordinal) in place and garment.option(option):
                at = [one.id for one in garment.options].index(option)
                pins[place[rank, ordinal], order[garment.id]] = at
    for rank, ordinal, id_, option in cast_.pins:
        garment = next((one for one in cast_.garments if one.id == id_), None)
        if garment and garment.option(option) and (rank, ordinal) in place:
            pins[place[rank, ordinal], order[id_]] = [one.id for one in garment.options].index(option)
    leaders = frozenset(at for at, (rank, _) in enumerate(figures) if rank in cast_.leaders)
    return checked_band(
        Band(
            len(figures), garments, _touching(design, cast_, order), cast_.stand, min(cast_.abreast, cast_.stand), SEEN_FROM,
            cast_.seed, leaders, tuple((figure, garment, option) for (figure, garment), option in pins.items()), cast_.accents,
            min(cast_.least, max(1, len(figures))),
        ),
        "",
    )  # fmt: skip


def _plates(design: Design, cast_: UnitCast) -> list[Plate]:
    return [design.army.plate(rank.type) for rank in design.army.nodes[cast_.unit].ranks]


def _inner_first(design: Design, cast_: UnitCast) -> list[CastGarment]:
    """Garments as they lie on a figure, the innermost first."""

    def height(garment: CastGarment) -> float:
        heights = [
            plate.areas[area].z for plate in _plates(design, cast_) for area in areas_named(plate, garment.select)
        ]
        return sum(heights) / len(heights) if heights else 0.0

    return sorted(cast_.garments, key=height)


def _garment(design: Design, cast_: UnitCast, garment: CastGarment, depth: int) -> Garment:
    areas = [plate.areas[area] for plate in _plates(design, cast_) for area in areas_named(plate, garment.select)]
    plates = max(1, len(_plates(design, cast_)))
    mm2 = sum(area.mm2 for area in areas) / plates or 1.0
    wide = max((area.extent.room_mm for area in areas), default=0.0) or _WIDE
    options = tuple(Option(one.id, _colours(design, one), one.share, accent=one.accent) for one in garment.options)
    return Garment(garment.id, options, mm2, wide, depth)


def _colours(design: Design, option: CastOption) -> tuple[tuple[str, Lab, float], ...]:
    scheme = design.scheme
    if option.pattern:
        inks = scheme.pattern(option.pattern).inks[:2]
        return tuple((ink.role, _look(design, ink.role), ink.share) for ink in inks)
    return ((option.role, _look(design, option.role), 1.0),)


def _look(design: Design, role: str) -> Lab:
    """What a role looks like on rank and file; a middling grey where it has no recipe yet."""
    found = design.scheme.predicted(design.scheme.recipe(role, "rank"))
    return found.tones.flats if found.coats else Lab(55.0, 0.0, 0.0)


def _touching(design: Design, cast_: UnitCast, order: dict[str, int]) -> tuple[tuple[int, int], ...]:
    """Pairs of garments that touch on some figure of the unit."""
    found: set[tuple[int, int]] = set()
    for plate in _plates(design, cast_):
        of = {area: order[one.id] for one in cast_.garments for area in areas_named(plate, one.select)}
        for area, beside in plate.neighbours.items():
            for other in beside:
                one, two = of.get(area), of.get(other)
                if one is not None and two is not None and one != two:
                    found.add((min(one, two), max(one, two)))
    return tuple(sorted(found))


def told(design: Design, cast_: UnitCast) -> Told | None:
    """How good a cast is as it was drawn; None while some figure is not cast."""
    figures = figures_of(design, cast_)
    rows = [cast_.worn_by(*figure) for figure in figures]
    if not rows or not all(len(row) == len(cast_.garments) for row in rows):
        return None
    band = band_of(design, cast_)
    of = {one.id: at for at, one in enumerate(cast_.garments)}
    placed = []
    for row in rows:
        placed.append(
            tuple([option.id for option in garment.options].index(row[of[garment.id]]) for garment in band.garments)
        )
    return Told(band, judged(band, tuple(placed)), figures)


def with_cast(design: Design, cast_: UnitCast, kept: Iterable[tuple[str, int]] = (), steps: int = STEPS) -> Design:
    """The design with a unit cast: what is drawn is kept in it. kept: figures that stay as they were drawn, beside the pins;
    steps: of the search at most.

    Raises: what ``checked_cast`` and ``checked_band`` refuse.
    """
    checked_cast(design, cast_)
    band = band_of(design, cast_, kept)
    made = cast(band, steps)
    place = {one.id: at for at, one in enumerate(band.garments)}
    rows: dict[str, list[tuple[str, ...]]] = {}
    for (rank, _), row in zip(figures_of(design, cast_), made.rows, strict=True):
        rows.setdefault(rank, []).append(tuple(one.options[row[place[one.id]]].id for one in cast_.garments))
    drawn = tuple((rank, tuple(found)) for rank, found in rows.items())
    return _with(design, replace(cast_, drawn=drawn))


def _with(design: Design, cast_: UnitCast) -> Design:
    scheme = design.scheme
    known = any(one.unit == cast_.unit for one in scheme.casts)
    if not known and len(scheme.casts) >= MOST_CASTS:
        raise OutOfRange(f"{len(scheme.casts)} units are cast; allowed are up to {MOST_CASTS}.", "unit")
    casts = tuple(cast_ if one.unit == cast_.unit else one for one in scheme.casts)
    return with_scheme(design, replace(scheme, casts=casts if known else (*casts, cast_)))


def without_cast(design: Design, unit: str) -> Design:
    """The design without a unit's cast."""
    scheme = design.scheme
    return with_scheme(design, replace(scheme, casts=tuple(one for one in scheme.casts if one.unit != unit)))


def checked_cast(design: Design, cast_: UnitCast) -> UnitCast:
    """The cast, if the design has everything it names.

    Raises: UnknownName, Unreadable, Contradiction or OutOfRange, at the field.
    """
    unit = design.army.node(cast_.unit, "unit")
    if not unit.figures:
        raise OutOfRange(f"{unit.name} has no figures.", "unit")
    if not cast_.garments:
        raise OutOfRange("No garment varies; name at least one.", "garments")
    for garment in cast_.garments:
        for selector in garment.select:
            checked_selector(selector, "garments")
        if not any(areas_named(plate, garment.select) for plate in _plates(design, cast_)):
            raise Contradiction(f"No figure of {unit.name} has the garment {garment.name}.", "garments")
        for option in garment.options:
            if option.pattern:
                design.scheme.pattern(option.pattern, "garments")
            else:
                design.scheme.role(option.role, "garments")
    return cast_
