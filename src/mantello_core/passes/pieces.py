"""What every figure gets besides its colours, as pieces of work: all pieces of a figure, and who gets each."""

from collections.abc import Callable, Iterable
from dataclasses import replace
from random import Random

from ..army.tree import Army
from ..design.design import Design
from ..errors import UnknownName
from ..figures.exposure import exposures
from ..figures.extent import Extent
from ..figures.glowing import glow_on
from ..figures.vocabulary import group_of
from ..paints.range import paint
from ..recipes.handwork import Circumstances, ground_seconds, seconds_of
from ..recipes.quantity import millilitres
from ..recipes.step import Mix, Recipe, Step
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.finishing import MOST_LEVEL, USES, Basing, DirtPass, Finishing, Glow, Plant, finishing_data
from ..scheme.scheme import Scheme
from ..scheme.whole_pass import WholePass
from .bench import bench_pieces, join_words
from .camouflaging import CAMO, camouflage_needed, camouflage_pieces
from .piece import (
    BARRIER,
    DRY_DIRT,
    FILM,
    GLOSS,
    JOIN,
    LAST,
    MAGNET,
    MASK,
    OVER,
    PLANTS,
    SOLVENT,
    TOUCH_UP,
    VARNISH,
    Piece,
    hand_piece,
    is_solvent,
)  # fmt: skip

#: less surface than this (mm²) is not worth a pass
LEAST_MM2 = 0.5
#: steps of it spread over the unit interval as evenly as any, however many there are
GOLDEN = 0.6180339887498949

#: circumstances of a tier and so many figures
Around = Callable[[str, int], Circumstances]


def pieces_of(design: Design, one: FigureClass, *, masks: bool = False) -> tuple[Piece, ...]:
    """All pieces of work on a class of figures, in their order; plants as if every figure got each, see ``dealt``.

    masks: with those for everything that is sprayed; the order tells which of them are needed.
    """
    finishing = design.scheme.finishing
    found: list[Piece] = []
    groups = {group_of(area) for area in one.cells}
    if finishing.basing.magnets and "Base" in groups:
        found.append(hand_piece("magnet", "magnet", "Magnets", MAGNET))
    if masks:
        found += _masks(design, one)
    found += _passes(design, one)
    found += bench_pieces(finishing, one)
    if one.patterns:
        found += camouflage_pieces(design, one)
    joint = join_words(finishing.assembly)
    found += [
        replace(hand_piece(f"join-{group.lower()}", "join", f"Join {group.lower()}", JOIN), **joint)
        for group in finishing.apart_of(design.army.paths[one.unit])
        if group in groups
    ]
    held = tuple(area for area in one.cells if group_of(area) in finishing.handled)
    if finishing.touch_up or held:
        name = "Touch up what was held" if finishing.touch_up else "Touch up what is handled often"
        touched = hand_piece("touch-up", "touch-up", name, TOUCH_UP)
        found.append(touched if finishing.touch_up else replace(touched, areas=held))
    found += _coats(finishing, one, design.dirt_level, design.around)
    if "Base" in groups:
        found += [_plant(plant) for plant in finishing.basing.plants if plant.in_ten]
    return tuple(sorted(found, key=lambda piece: piece.place))


def piece_of(design: Design, resolution: Resolution, unit: str, rank: str, piece_id: str) -> Piece:
    """The piece of work of that id on a rank's figures.

    Raises: UnknownName if they get none of that id any more.
    """
    known = {}
    for one in resolution.of_rank(unit, rank):
        known |= {piece.id: piece for piece in pieces_of(design, one, masks=True)}
    if piece_id not in known and piece_id.startswith(("mask-", "unmask-")):
        first = piece_id.rpartition("-")[0]  # a second mask of the same role
        return replace(known[first], id=piece_id) if first in known else _unknown(piece_id, known)
    if piece_id not in known:
        return _unknown(piece_id, known)
    return known[piece_id]


def _unknown(piece_id: str, known: Iterable[str]):
    raise UnknownName("work on all figures", piece_id, list(known), "step")


def _plant(plant: Plant) -> Piece:
    kind = plant.id if plant.id in finishing_data()["hand"] else "plant"
    return hand_piece(f"plant-{plant.id}", kind, plant.name, PLANTS, order=-plant.size, seconds=plant.seconds)


def _masks(design: Design, one: FigureClass) -> Iterable[Piece]:
    for role_id in dict.fromkeys(cell.role for cell in one.cells.values() if cell.role):
        role = design.scheme.role(role_id)
        if any(step.sprayed for step in role.recipe(one.tier).steps):
            yield hand_piece(f"mask-{role_id}", "mask", f"Mask for {role.name}", MASK, role=role_id)
            yield hand_piece(f"unmask-{role_id}", "unmask", f"Mask of {role.name} off", MASK, role=role_id)


def _passes(design: Design, one: FigureClass) -> Iterable[Piece]:
    worn = one.roles_worn
    around = design.around(one.tier, len(one.ordinals))
    for at, each in enumerate(one.passes):
        areas = each.covered(one.plate, worn)
        if not areas:
            continue
        whole = _gone_over(one, areas, each.step)
        surface = sum(
            one.plate.areas[area].surface_mm2
            * (1.0 if each.law == "all" else exposures(one.plate, each.law, each.height)[area])
            for area in sorted(areas)
        )
        reach = whole.of_share(min(1.0, surface / whole.surface_mm2)) if whole.surface_mm2 else whole
        coats = (
            max(1, *design.scheme.coats(Recipe((each.step,)), one.grounds.get("")))
            if each.step.coats is None
            else each.step.coats
        )
        yield Piece(
            each.id, each.name, OVER, seconds_of(each.step, reach, coats, around), design.scheme.drying(each.step) * 60, surface,
            tuple(sorted(areas)), each.step, coats, words=each.step.manner.note, order=float(at), phase=each.phase,
        )  # fmt: skip


def _gone_over(one: FigureClass, areas: Iterable[str], step: Step) -> Extent:
    """What a step over several areas goes over: laid in one go, but for edges and lines, which are found one by one."""
    plate = one.plate
    return plate.extent_of(areas) if step.work in ("edge", "line", "dot", "drawn") else plate.extent_at_once(areas)


def covering_nothing(scheme: Scheme, resolution: Resolution) -> tuple[WholePass, ...]:
    """Passes that cover no area of any figure."""
    laid = {each for one in resolution.classes for each in one.passes if each.covered(one.plate, one.roles_worn)}
    return tuple(one for one in scheme.passes if not one.off and one not in laid)


def _coats(finishing: Finishing, one: FigureClass, level: int, around_of: Around) -> Iterable[Piece]:
    passes = [
        piece
        for at, each in enumerate(finishing.dirt)
        if level and (piece := _dirt(each, one, level, float(at), around_of))
    ]
    yield from passes
    if finishing.glow and (shining := _glow(finishing.glow, one, around_of)):
        yield shining
    whole, around = one.plate.whole_at_once, around_of(one.tier, len(one.ordinals))
    solvents = any(piece.stage == SOLVENT for piece in passes) or any(is_solvent(each.step) for each in one.passes)
    if finishing.barrier and solvents:
        yield _varnish(finishing, "barrier", "Barrier varnish", finishing.barrier, BARRIER, whole, 1, around)
    if finishing.varnish:
        stage = LAST if finishing.varnish_last else VARNISH
        coats = USES[finishing.use][0]
        yield _varnish(
            finishing,
            "varnish",
            f"{finishing.varnish.capitalize()} varnish",
            finishing.varnish,
            stage,
            whole,
            coats,
            around,
        )
    shiny = tuple(name for name, cell in one.cells.items() if cell.role in finishing.shiny)
    if shiny:
        gloss = one.plate.extent_of(shiny)
        step = Step("shine", "varnish", Mix(((paint("brush-varnish-gloss"), 1.0),)), 1)
        yield Piece("shine", "Gloss on lenses and water", LAST if finishing.varnish_last else GLOSS, seconds_of(step, gloss, 1, around),
                    step.drying * 60, gloss.surface_mm2, shiny, step, order=1.0)  # fmt: skip


def _varnish(
    finishing: Finishing, id_: str, name: str, finish: str, stage: int, whole: Extent, coats: int, around: Circumstances
) -> Piece:
    mix = Mix(tuple((paint(product), 1.0) for product in finishing.products(finish)))
    step = Step(id_, "varnish", mix, coats)
    if finishing.can:
        seconds = coats * ground_seconds("can", whole.surface_mm2, around)
    else:
        seconds = seconds_of(step, whole, coats, replace(around, tier="rank"))
    return Piece(id_, name, stage, seconds, step.drying * 60, whole.surface_mm2, (), step, coats)


def _dirt(each: DirtPass, one: FigureClass, level: int, order: float, around_of: Around) -> Piece | None:
    areas, reached = one.plate.areas, exposures(one.plate, each.law, each.height)
    touched = tuple(name for name, cell in one.cells.items() if cell.role and reached[name] > 0.05)
    surface = sum(areas[name].surface_mm2 * reached[name] for name in touched) * level / MOST_LEVEL
    if surface < LEAST_MM2:
        return None
    areas_extent = _gone_over(one, touched, each.step)
    reach = areas_extent.of_share(surface / areas_extent.surface_mm2)
    seconds = seconds_of(each.step, reach, 1, around_of("rank", len(one.ordinals)))
    return Piece(each.id, each.name, _dirt_stage(each), seconds, each.step.drying * 60, surface, touched, each.step,
                 words=each.step.manner.note, order=order)  # fmt: skip


def _glow(glow: Glow, one: FigureClass, around_of: Around) -> Piece | None:
    """The glow of a role on what is near it; None on figures that do not wear it, or where nothing is near."""
    lit = glow_on(one.plate, frozenset(area for area, cell in one.cells.items() if cell.role == glow.role), glow.reach)
    touched = tuple(area for area in lit if one.cells[area].role)
    surface = sum(one.plate.areas[area].surface_mm2 * lit[area] for area in touched)
    if surface < LEAST_MM2:
        return None
    whole = one.plate.extent_of(touched)
    reach = whole.of_share(surface / whole.surface_mm2)
    around, coats = around_of(one.tier, len(one.ordinals)), glow.step.coats or 1
    return Piece("glow", "Glow on what is near", FILM, seconds_of(glow.step, reach, coats, around), glow.step.drying * 60, surface,
                 touched, glow.step, coats, words=glow.step.manner.note, order=-1.0)  # fmt: skip


def _dirt_stage(each: DirtPass) -> int:
    if is_solvent(each.step):
        return SOLVENT
    return FILM if each.step.kind in ("glaze", "shade") else DRY_DIRT


def dealt(basing: Basing, army: Army) -> dict[str, frozenset[tuple[str, str, int]]]:
    """Which figures get each plant: (unit, rank, ordinal), about as many of every ten as asked for, by the seed.

    In every rank figures are told off in steps of the golden ratio from a start drawn by seed, plant, unit and rank: so
    they are spread evenly, and more figures or units change nothing for those there are. Without a base none is given.
    """
    ranks = [
        (unit.id, rank)
        for unit in army.units
        for rank in unit.ranks
        if any(group_of(area) == "Base" for area in army.plate(rank.type).areas)
    ]
    found = {}
    for plant in basing.plants:
        given = set()
        for unit, rank in ranks:
            start = Random(f"{basing.seed}:{plant.id}:{unit}:{rank.id}").random()
            given.update(
                (unit, rank.id, ordinal)
                for ordinal in range(1, rank.figures + 1)
                if (start + ordinal * GOLDEN) % 1 < plant.in_ten / 10
            )
        found[plant.id] = frozenset(given)
    return found


def finishing_needed(design: Design, resolution: Resolution) -> dict[str, float]:
    """Neat ml of every paint that dirt and varnish take over the army, and patterns besides their inks, an estimate."""
    needed: dict[str, float] = {}
    for one in resolution.classes:
        for id_, ml in camouflage_needed(design, one).items() if one.patterns else ():
            needed[id_] = needed.get(id_, 0.0) + ml * len(one.ordinals)
        for piece in pieces_of(design, one):
            if piece.step and not piece.id.startswith(CAMO):  # inks are roles, and counted with them
                for id_, ml in millilitres(piece.step, piece.surface * len(one.ordinals), piece.coats).items():
                    needed[id_] = needed.get(id_, 0.0) + ml
    return needed
