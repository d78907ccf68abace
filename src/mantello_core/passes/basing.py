"""Bases: how many figures fit on one, whether boots stand out from the ground, whether the mud is of it, what to buy."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..design.design import Design
from ..errors import OutOfRange
from ..figures.plate import Plate
from ..figures.vocabulary import group_of, spoken
from ..paints.paint import Paint
from ..scheme.cascade import Resolution
from ..scheme.finishing import DirtPass
from .pieces import dealt

#: share of a base that figures may take, and of its width that a figure's stance is deep
USABLE, STANCE = 0.7, 0.75
#: groups that reach over other figures or lie beneath; mm of a pose that the drawing does not tell
_REACHING, _USUAL_STANCE = ("Base", "Weapon", "Flag"), 12.0
#: lightness gap or CIEDE2000 from which boots stand out from the ground; CIEDE2000 up to which mud is of the ground
STANDS_OUT, COLOUR_APART, SAME_GROUND = 15.0, 20.0, 8.0
#: chroma up to which a paint is stone whatever its hue, and earth, sand or moss within these hues, degrees
STONE, EARTH, EARTH_HUES = 8.0, 40.0, (40.0, 120.0)


@dataclass(frozen=True)
class Standing:
    """What touches the ground on some figures: a role, how far it is from the ground's, and on how many figures."""

    role: str
    areas: tuple[str, ...]
    lightness: float
    apart: float
    figures: int
    #: the role's own colour
    colour: Lab

    @property
    def stands_out(self) -> bool:
        """Whether it is told from the ground across the table."""
        return self.lightness >= STANDS_OUT or self.apart >= COLOUR_APART


def figures_on(width: float, depth: float, plate: Plate, scale: float = 1.0) -> int:
    """How many figures of a type find room on a base so wide and deep, mm.

    Source: design formula F15, floor(0.7 x area / footprint); the footprint is as wide as the pose on the drawing, without
    weapon and flag, and three quarters of that deep. scale: how much larger figures are than drawings.
    Raises: OutOfRange unless both are more than 0.
    """
    if width <= 0 or depth <= 0:
        raise OutOfRange(f"A base of {width:g} x {depth:g} mm; both are more than 0.", "width")
    wide = _stance(plate) * scale
    return int(USABLE * width * depth / (wide * STANCE * wide))


def _stance(plate: Plate) -> float:
    """Width of a pose on the drawing, mm: of its widest view, without base, weapon and flag, which reach over others."""
    widest = 0.0
    for view in plate.views:
        sites = [view.named_site(f"cloth.{seen.area}") for seen in view.areas if group_of(seen.area) not in _REACHING]
        ends = [(site.x - site.width * 5, site.x + site.width * 5) for site in sites if site]
        if ends:
            widest = max(widest, (max(right for _, right in ends) - min(left for left, _ in ends)) / 10)
    return widest or _USUAL_STANCE


def standing_on(
    design: Design, resolution: Resolution, colour_of: Callable[[str, str], Lab | None]
) -> tuple[Standing, ...]:
    """Roles that touch the ground, the least distinct first. colour_of: role and tier to its colour, None for none yet."""
    found: dict[str, Standing] = {}
    for one in resolution.classes:
        ground = one.cells.get("base.ground")
        under = colour_of(ground.role, one.tier) if ground and ground.role else None
        if under is None:
            continue
        for area in one.plate.neighbours.get("base.ground", {}):
            role = one.cells[area].role
            over = colour_of(role, one.tier) if role and group_of(area) != "Base" else None
            if over is None or role == ground.role:
                continue
            known = found.get(role, Standing(role, (), 0.0, 0.0, 0, over))
            areas = tuple(dict.fromkeys((*known.areas, spoken(area).lower())))
            gap = abs(over.lightness - under.lightness)
            counted = (
                len(one.ordinals)
                if area == next(n for n in one.plate.neighbours["base.ground"] if one.cells[n].role == role)
                else 0
            )
            found[role] = Standing(role, areas, gap, difference(over, under), known.figures + counted, over)
    return tuple(sorted(found.values(), key=lambda one: (one.stands_out, one.apart)))


def grounds_standing_off(standing: Iterable[Standing], ground: Lab, pots: Iterable[Paint]) -> tuple[Paint, ...]:
    """Paints for the ground that set off all that stands on it, the nearest to the ground's colour first."""
    over = [one.colour for one in standing]
    told = [
        pot
        for pot in pots
        if _earthen(pot)
        and all(
            abs(one.lightness - pot.swatch.lightness) >= STANDS_OUT or difference(one, pot.swatch) >= COLOUR_APART
            for one in over
        )
    ]
    return tuple(sorted(told, key=lambda pot: (difference(pot.swatch, ground), pot.id)))


def _earthen(pot: Paint) -> bool:
    """Whether it could be a ground's: a paste or pot paint of earth, sand, moss or stone, none as strong as a coat's."""
    colour = pot.swatch
    muted = colour.chroma < STONE or (colour.chroma < EARTH and EARTH_HUES[0] <= colour.hue <= EARTH_HUES[1])
    return pot.kind in ("texture", "acrylic") and not pot.flake and muted


def off_ground(dirt: DirtPass, ground: Lab | None) -> float | None:
    """How far a pass of dirt from the ground up is from the bases' colour, CIEDE2000; None if it does not follow the ground."""
    return difference(dirt.step.mix.film.masstone, ground) if ground is not None and dirt.law == "ground" else None


def plant_counts(design: Design) -> dict[str, int]:
    """How many of each plant the army takes."""
    return {id_: len(figures) for id_, figures in dealt(design.scheme.finishing.basing, design.army).items()}
