"""The inks of a pattern as work on one model, and the orders in which painters lay them."""

from dataclasses import dataclass, replace

from ..camouflage.pattern import Pattern
from ..design.design import Design
from ..design.pattern_edit import with_changed
from ..errors import Contradiction
from ..recipes.quantity import millilitres
from ..scheme.cascade import FigureClass, resolve
from .camouflaging import CAMO, camouflage_pieces, coats_over

#: in which order inks are laid, by school
SCHOOLS = {
    "light": "lightest first", "dark": "darkest first", "ground": "ground, then lighter to darker", "coats": "fewest coats",
}  # fmt: skip


@dataclass(frozen=True)
class InkLaid:
    """One ink on one model: how many coats, how long (None where it is the colour everything lies on), how much paint."""

    role: str
    coats: int
    minutes: float | None
    millilitres: float


def inks_laid(design: Design, one: FigureClass, pattern: Pattern) -> tuple[InkLaid, ...]:
    """What every ink of a pattern takes on one figure of a class, in the order they lie; none without a recipe."""
    pieces = {piece.id: piece for piece in camouflage_pieces(design, one)}
    areas = one.patterns[pattern.id]
    base = design.scheme.role(pattern.ground).recipe(one.tier).base
    found = []
    if base is not None:
        coats = base.coats or coats_over(design, one, None, base)
        surface = sum(one.plate.areas[area].surface_mm2 for area in areas)
        found.append(InkLaid(pattern.ground, coats, None, sum(millilitres(base, surface, coats).values())))
    for at, ink in enumerate(pattern.inks[1:], 1):
        if piece := pieces.get(f"{CAMO}{pattern.id}.{at}"):
            paint = sum(millilitres(piece.step, piece.surface, piece.coats).values())
            found.append(InkLaid(ink.role, piece.coats, piece.seconds / 60, paint))
    return tuple(found)


def in_school(design: Design, one: FigureClass, pattern: Pattern, school: str) -> Pattern:
    """The pattern with its inks in the order of a school; every ink keeps its share.

    Fewest coats: of all inks the ground under which the sum of coats of all is least, the listed one if more are; the
    others lightest first. school: one of ``SCHOOLS``. Inks without a recipe count as mid grey.
    """
    scheme = design.scheme
    recipes = {ink.role: scheme.role(ink.role).recipe(one.tier) for ink in pattern.inks}
    light = {
        role: scheme.predicted(recipe).apparent.lightness if recipe.steps else 50.0 for role, recipe in recipes.items()
    }
    paler = sorted(pattern.inks, key=lambda ink: -light[ink.role])
    if school == "light":
        return replace(pattern, inks=tuple(paler))
    if school == "dark":
        return replace(pattern, inks=tuple(reversed(paler)))
    ground = pattern.inks[0]
    if school == "coats":
        bases = {role: recipe.base for role, recipe in recipes.items() if recipe.base is not None}

        def coats(ink) -> int:
            beneath = bases.get(ink.role)
            if beneath is None:
                return 1_000
            above = (base for role, base in bases.items() if role != ink.role)
            return coats_over(design, one, None, beneath) + sum(
                coats_over(design, one, beneath, each) for each in above
            )

        ground = min(pattern.inks, key=coats)
    return replace(pattern, inks=(ground, *(ink for ink in paler if ink != ground)))


def with_inks_ordered(design: Design, pattern_id: str, school: str) -> Design:
    """The design with a pattern's inks in the order of a school, by the first figures that wear it.

    Raises: UnknownName; Contradiction if nobody wears it.
    """
    pattern = design.scheme.pattern(pattern_id)
    classes = resolve(design.army, design.scheme).classes
    worn = next((one for one in classes if pattern_id in one.patterns), None)
    if worn is None:
        raise Contradiction("No figure wears it, so nothing says on what its inks lie.")
    return with_changed(design, in_school(design, worn, pattern, school))
