"""Camouflage on the figures of a design: which layout each has, and its shapes."""

from dataclasses import replace

from ..camouflage.laying import Patterned, patterned
from ..camouflage.pattern import MOST_SEED, Overlay, Pattern
from ..camouflage.preparing import surface_of
from ..camouflage.sizing import DRAWN_AT, lightened, lightening
from ..camouflage.surface import PITCH
from ..camouflage.wearing import Worn, worn_over
from ..colour.acuity import DISTANCES
from ..colour.spaces import Lab
from ..figures.plate import Plate
from ..memory import remembered
from ..scheme.cascade import FigureClass
from .design import Design


def layout_seed(pattern: Pattern, unit: str, rank: str, ordinal: int) -> int:
    """The seed of one figure's layout: the one it was given, or one that follows from pattern and figure alone, so that more
    figures change no layout of those there are."""
    pinned = {(one[0], one[1], one[2]): one[3] for one in pattern.layouts}
    if (unit, rank, ordinal) in pinned:
        return pinned[unit, rank, ordinal]
    value = pattern.seed
    for sign in f"{pattern.id}|{unit}|{rank}|{ordinal}":
        value = (value * 131 + ord(sign)) % 2**32
    return value % MOST_SEED


def denominator_of(design: Design) -> float:
    """Of how many the figures are one: the drawings stand for 1:56 at 28 mm."""
    return DRAWN_AT / design.brief.scale if design.brief else DRAWN_AT


def metres_of(design: Design) -> float:
    """From how far the army is seen."""
    return design.brief.metres if design.brief else DISTANCES["table"]


def layouts_on(design: Design, one: FigureClass, ordinal: int, pitch: float = PITCH) -> tuple[Patterned, ...]:
    """Every pattern of one figure as it is laid out on it, in the order of the scheme's patterns. pitch: of the raster, mm."""
    return tuple(
        layout_on(design, one, ordinal, pattern, pitch)
        for pattern in design.scheme.patterns
        if pattern.id in one.patterns
    )


def layout_on(design: Design, one: FigureClass, ordinal: int, pattern: Pattern, pitch: float = PITCH) -> Patterned:
    """One pattern that a figure wears, as it is laid out on it."""
    return laid_out(
        one.plate, one.patterns[pattern.id], frozenset(one.borne),
        pattern.seeded(layout_seed(pattern, one.unit, one.rank, ordinal)), denominator_of(design), metres_of(design), pitch,
    )  # fmt: skip


@remembered(96_000)
def _laid(
    plate: Plate, areas: frozenset[str], sites: frozenset[str], pattern: Pattern, seen: tuple[float, float, float]
) -> Patterned:
    """seen: denominator of the scale, metres it is seen from, and mm of the raster."""
    denominator, metres, pitch = seen
    return patterned(surface_of(plate, areas, sites, pattern.clear, pitch), pattern, denominator, metres)


def laid_out(
    plate: Plate,
    areas: frozenset[str],
    sites: frozenset[str],
    pattern: Pattern,
    denominator: float,
    metres: float,
    pitch: float = PITCH,
) -> Patterned:
    """A pattern laid out on areas of a plate, kept while it is asked for; what names and pins it has changes no shape."""
    inks = tuple(replace(ink, role=str(at)) for at, ink in enumerate(pattern.inks))
    bare = replace(pattern, name="", layouts=(), overlays=(), inks=inks)
    return _laid(plate, areas, sites, bare, (denominator, metres, pitch))


@remembered(48_000)
def _worn(laid: Patterned, overlay: Overlay) -> Worn:
    return worn_over(laid, overlay)


def layers_on(laid: Patterned, pattern: Pattern) -> tuple[Worn, ...]:
    """The layers over one layout of a pattern, from the lowest up, kept while they are asked for."""
    return tuple(_worn(laid, replace(one, late=False)) for one in pattern.overlays)


def scaled(design: Design, pattern: Pattern, colour: Lab) -> Lab:
    """A colour of a pattern as the scale wants it: lightened, if the pattern says so."""
    return lightened(colour, lightening(denominator_of(design))) if pattern.lighten else colour
