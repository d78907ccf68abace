"""The inks of camouflage as pieces of work on a figure: the ground is a colour like any other, the rest lie on it."""

from collections import defaultdict
from collections.abc import Iterable
from dataclasses import replace

from ..camouflage.pattern import Pattern
from ..camouflage.working import InkWork, ink_work
from ..design.camouflaged import denominator_of, metres_of
from ..design.design import Design
from ..recipes.quantity import millilitres
from ..recipes.step import Recipe, Step
from ..scheme.cascade import FigureClass
from .piece import BENCH, Piece
from .scale_mix import for_scale

#: before the id of a pattern in that of a piece
CAMO = "camo."
#: how tools and tiers change the time: an airbrush's and a mask's inks are sprayed
_SPRAYED = ("airbrush", "mask", "putty")
#: mm² of a layer that a sponge or a worn brush lays in a minute, and how it is laid
_SPONGED = 260.0
_LAYER_WORDS = "With a sponge or a worn brush from above down; leave edges, steps and what hands touch bare, as this layout shows it."
#: kinds of step that lay a pattern's ground
_BASES = ("base", "spray")
#: kinds of step that lie on single patches; bases lie under all inks, shades and drybrushing go over all
_ON_PATCHES = ("layer", "highlight", "edge", "stipple", "glaze")
_CARE = {"rank": 1.0, "leader": 1.15, "centrepiece": 1.4}


def ink_of(piece: str) -> tuple[str, int] | None:
    """The pattern whose ink a piece of work is, by id, and the ink's place, layers counted on; None for other work."""
    pattern, _, at = piece.removeprefix(CAMO).rpartition(".")
    return (pattern, int(at)) if piece.startswith(CAMO) else None


def camouflage_pieces(design: Design, one: FigureClass) -> Iterable[Piece]:
    """A piece for every ink but the ground of every pattern that a class of figures wears, in the order they lie."""
    worn = one.patterns
    for pattern in design.scheme.patterns:
        areas = tuple(sorted(worn.get(pattern.id, ())))
        if not areas:
            continue
        mm2 = sum(one.plate.areas[area].surface_mm2 for area in areas)
        inks = one.inks_of(pattern.id)
        beneath = design.scheme.role(inks[0]).recipe(one.tier).base
        for at, role in enumerate(inks[1:], 1):
            base = design.scheme.role(role).recipe(one.tier).base
            if base is None:
                continue
            if pattern.lighten:
                base = replace(base, mix=for_scale(design, base.mix))
            work = ink_work(pattern, at, mm2, denominator_of(design), metres_of(design))
            coats = base.coats or coats_over(design, one, beneath, base)
            name = f"{pattern.name}: {design.scheme.role(role).name}"
            id_ = f"{CAMO}{pattern.id}.{at}"
            seconds = (work.seconds * coats + work.masking) * _CARE[one.tier]
            yield Piece(
                id_, name, BENCH, seconds, design.scheme.drying(base) * 60, work.mm2, areas,
                replace(base, id=id_, coats=coats, kind="spray" if pattern.tool in _SPRAYED else "base"), coats,
                words=_words(work), order=float(at), phase="spray" if pattern.tool in _SPRAYED else "block-in",
                bench="camouflage",
            )  # fmt: skip
        yield from _layers(design, one, pattern, areas, mm2)


def patches_words(design: Design, one: FigureClass, role: str, kind: str) -> str:
    """Where a step of a role that is a pattern's ground goes on a class of figures, on its own patches, or with what it is
    lightened for the scale; '' for others."""
    worn = dict.fromkeys(cell.pattern for cell in one.cells.values() if cell.pattern and cell.role == role)
    if not worn or kind not in (*_ON_PATCHES, *_BASES):
        return ""
    if kind in _BASES:
        return _lighter_ground(design, one, role, tuple(worn))
    names = " and ".join(design.scheme.pattern(each).name for each in worn)
    return f"Of {names} only the patches of {design.scheme.role(role).name}; the other inks stay as they are."


def _lighter_ground(design: Design, one: FigureClass, role: str, worn: tuple[str, ...]) -> str:
    """The mix of a pattern's ground where it is lightened for the scale; '' where it is not."""
    base = design.scheme.role(role).recipe(one.tier).base
    patterns = [design.scheme.pattern(each) for each in worn]
    names = " and ".join(each.name for each in patterns if each.lighten)
    if base is None or not names:
        return ""
    mix = for_scale(design, base.mix)
    return f"Lightened for 1:{denominator_of(design):.0f} under {names}: {mix.words}." if mix != base.mix else ""


def _layers(design: Design, one: FigureClass, pattern: Pattern, areas: tuple[str, ...], mm2: float) -> Iterable[Piece]:
    """What is laid over a pattern after its marks: before the varnish, or after it."""
    for at, layer in enumerate(pattern.overlays, len(pattern.inks)):
        base = design.scheme.role(layer.role).recipe(one.tier).base
        if base is None:
            continue
        id_, name = f"{CAMO}{pattern.id}.{at}", f"{pattern.name}: {design.scheme.role(layer.role).name} over it"
        yield Piece(
            id_, name, BENCH, 60 * mm2 * layer.left / _SPONGED * _CARE[one.tier], design.scheme.drying(base) * 60,
            mm2 * layer.left, areas, replace(base, id=id_, coats=1, kind="sponge"), 1, words=_LAYER_WORDS, order=float(at),
            phase="dirt" if layer.late else "solvents", bench="mud",
        )  # fmt: skip


def coats_over(design: Design, one: FigureClass, beneath: Step | None, base: Step) -> int:
    """Coats until an ink is even over the pattern's ground."""
    steps = (replace(beneath, id="beneath"), replace(base, id="ink")) if beneath else (replace(base, id="ink"),)
    return max(1, design.scheme.coats(Recipe(steps), one.grounds.get(""))[-1])


def _words(work: InkWork) -> str:
    if work.masks:
        return (
            f"Cover what stays with about {work.masks} masks, pressed down at the edges; then the colour; masks off while it is"
            " still soft."
        )
    return "The shapes that this figure's layout shows; from the middle of each outwards, over the panel lines."


def camouflage_needed(design: Design, one: FigureClass) -> dict[str, float]:
    """Neat ml on one figure of what its patterns take besides their inks' own paints: the pale grey that lightens them for the
    scale, and the layers over them. Inks are roles, and counted with those."""
    found: dict[str, float] = defaultdict(float)
    worn = one.patterns
    for pattern in design.scheme.patterns:
        if pattern.id not in worn:
            continue
        mm2 = sum(one.plate.areas[area].surface_mm2 for area in worn[pattern.id])
        for at, role in enumerate(one.inks_of(pattern.id)):
            base = design.scheme.role(role).recipe(one.tier).base
            if base is None or not pattern.lighten:
                continue
            mix, share = for_scale(design, base.mix), pattern.inks[at].share if at else 1.0
            own = {pot.id for pot in base.mix.paints}
            for paint, ml in millilitres(replace(base, mix=mix), mm2 * share, base.coats or 1).items():
                if paint not in own:
                    found[paint] += ml
        for piece in _layers(design, one, pattern, tuple(sorted(worn[pattern.id])), mm2):
            for paint, ml in millilitres(piece.step, piece.surface, piece.coats).items():
                found[paint] += ml
    return dict(found)
