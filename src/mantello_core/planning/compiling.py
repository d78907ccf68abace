"""Compile a design: every figure x step x coat becomes an atom, with the edges between them."""

from collections import defaultdict
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from itertools import pairwise
from types import MappingProxyType

from ..calendar.evenings import Evenings
from ..design.design import Design
from ..figures.extent import Extent, united
from ..film.coats_on import CoatsOn
from ..film.ground import Ground
from ..order.arranging import Arranged
from ..order.beside import measured_beside
from ..order.figure_order import order_of
from ..order.nodes import ground_pot, pot_of
from ..order.rules import COAT_ORDER, RECIPE_ORDER
from ..order.stacks import OVER as OVER_STACK
from ..order.stacks import Stacks
from ..order.subject import GROUND, Subject, of_role
from ..passes.ground_work import laid_grounds
from ..passes.piece import OVER, Piece
from ..passes.pieces import dealt
from ..recipes.drying import touch_dry
from ..recipes.handwork import seconds_of
from ..recipes.slots import Slots
from ..recipes.step import Recipe
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.share import painted_surface
from .army_work import army_pieces, piece_rows
from .done import Done, left_of
from .drying import drying_factor
from .mark_chain import mark_rows
from .spray_fault import Faults, with_fault
from .task import Atom, Edge

UNDERCOAT = "undercoat"


@dataclass(frozen=True)
class Work:
    """All atoms and edges of a design."""

    atoms: tuple[Atom, ...]
    edges: tuple[Edge, ...]


NOTHING_KNOWN: Mapping = MappingProxyType({})


@dataclass
class _Worn:
    """One role on one rank: the most of it on one figure, over the classes that wear it."""

    extent: Extent
    ordinals: list[int]
    #: what it lies on; None is the army's ground
    grounds: set[Ground | None]


@dataclass(frozen=True)
class Row:
    """One step of one rank's figures, whatever of it is done: what its atoms are made of."""

    #: as the order names it
    node: str
    atom: Atom
    #: seconds until the next coat of it
    touch: float


@dataclass(frozen=True)
class RankSheet:
    """What is to be done on one rank's figures, and in what order."""

    unit: str
    rank: str
    classes: tuple[FigureClass, ...]
    rows: tuple[Row, ...]
    arranged: Arranged


def slots_of(design: Design) -> Slots:
    """The profile of the order: as the army's finish says, where it says nothing as the brief's method has it."""
    return design.scheme.finishing.slots.over(design.method.slots)


def compiled(
    design: Design,
    resolution: Resolution,
    done: Done = frozenset(),
    units: tuple[str, ...] = (),
    pace: tuple[tuple[str, float], ...] = (),
    sheets: tuple[RankSheet, ...] | None = None,
    faults: Faults = frozenset(),
) -> Work:
    """The work that is left.

    sheets: from ``rank_sheets`` of the same design, if they are known already.

    done: steps of figures already painted; they ask for no work and hold nothing up.
    units: only these units; all if empty.
    pace: kinds of step with what this painter takes longer or less by, and dries; see ``pace`` and ``drying``.
    faults: figures whose undercoat went wrong.
    """
    atoms: list[Atom] = []
    edges: list[Edge] = []
    for sheet in rank_sheets(design, resolution, units) if sheets is None else sheets:
        if not units or sheet.unit in units:
            left = _left(sheet, done, faults)
            atoms += (atom for chain in left.values() for atom in chain)
            edges += _edges(sheet, left)
    return _at_pace(Work(tuple(atoms), tuple(edges)), design.evenings, dict(pace))


def _left(sheet: RankSheet, done: Done, faults: Faults) -> dict[str, list[Atom]]:
    """The coats that are left of every node, in order."""
    found: dict[str, list[Atom]] = {}
    for row in sheet.rows:
        coats = []
        for one in _coats_of(row, faults):
            ordinals = left_of(one, one.ordinals, done)
            if ordinals:
                coats.append(one if len(ordinals) == len(one.ordinals) else one.but(ordinals=ordinals))
        if coats:
            found[row.node] = coats
    return found


def _coats_of(row: Row, faults: Faults = frozenset()) -> Iterator[Atom]:
    """An atom for every coat: each has its share of the time, and dries before the next."""
    whole = with_fault(row.atom, faults)
    if whole.coats <= 1:
        yield whole
        return
    for coat in range(1, whole.coats + 1):
        last = coat == whole.coats
        yield whole.but(
            id=whole.id if last else f"{whole.id}~{coat}", seconds=whole.seconds / whole.coats, coats=1, coat=coat,
            of=whole.coats, drying=whole.drying if last else row.touch,
        )  # fmt: skip


def _edges(sheet: RankSheet, left: dict[str, list[Atom]]) -> Iterator[Edge]:
    for chain in left.values():
        yield from (Edge(one.id, two.id, one.drying, COAT_ORDER) for one, two in pairwise(chain))
    if len(left) < len(sheet.rows):
        yield from _closed(sheet, left)
    for bond in sheet.arranged.bonds:
        if bond.before in left and bond.after in left:
            one, two = left[bond.before][-1], left[bond.after][0]
            lag = 0.0 if _worked_wet(one, two) else bond.lag and one.drying
            if bond.rule.lag == "cure":
                lag = max(lag, bond.lag * 60)
            yield Edge(one.id, two.id, lag, bond.rule)


def _closed(sheet: RankSheet, left: dict[str, list[Atom]]) -> Iterator[Edge]:
    """Recipe order between what is left of a role where steps in between are done."""
    owners: dict[Subject, list[Atom]] = defaultdict(list)
    for node in sheet.arranged.line:
        if node.sort == "step" and node.id in left:
            owners[left[node.id][-1].subject].append(left[node.id][-1])
    for chain in owners.values():
        for one, two in pairwise(chain):
            yield Edge(one.id, left[_node_of(two)][0].id, 0.0 if _worked_wet(one, two) else one.drying, RECIPE_ORDER)


def _node_of(atom: Atom) -> str:
    return f"{atom.subject.text}|{atom.step}"


def _worked_wet(one: Atom, two: Atom) -> bool:
    """Whether the second is worked into the first while both are wet: oils lie side by side in one sitting and dry once."""
    return one.kind == two.kind == "oil" and one.window > 0 and two.window > 0


def _at_pace(work: Work, evenings: Evenings, pace: dict[str, float]) -> Work:
    """The work as long as it takes this painter, and dries here."""
    longer = {atom.id: drying_factor(evenings, atom, pace) for atom in work.atoms}
    if not pace and all(factor == 1.0 for factor in longer.values()):
        return work
    atoms = tuple(
        atom.but(seconds=atom.seconds * pace.get(atom.kind, 1.0), drying=atom.drying * longer[atom.id])
        for atom in work.atoms
    )
    return Work(atoms, tuple(replace(edge, lag=edge.lag * longer[edge.before]) for edge in work.edges))


def atoms_of(design: Design, resolution: Resolution, sheets: tuple[RankSheet, ...] | None = None) -> tuple[Atom, ...]:
    """All the work of a design with nothing done, coat by coat, without what must come before what.

    sheets: as ``compiled`` takes them; without them, phases are not told.
    """
    if sheets is not None:
        return tuple(atom for sheet in sheets for row in sheet.rows for atom in _coats_of(row))
    return tuple(atom for row in _plain_rows(design, resolution) for atom in _coats_of(row))


def whole_steps(design: Design, resolution: Resolution) -> tuple[Atom, ...]:
    """All the work of a design with nothing done, all coats of a step in one: enough to add up its cost."""
    return tuple(row.atom for row in _plain_rows(design, resolution))


def _plain_rows(design: Design, resolution: Resolution) -> Iterator[Row]:
    """The rows of all ranks; in order only where something is sprayed on part of a figure, which may want masks."""
    given = dealt(design.scheme.finishing.basing, design.army)
    stacks = Stacks(design, resolution)
    coats = coats_worn(design, resolution, stacks)
    for (unit, rank), classes in resolution.ranks.items():
        if _sprays(design, classes):
            yield from _sheet(design, unit, rank, classes, given, coats, stacks).rows
        else:
            pieces = army_pieces(design, classes, given)
            for found in _rows(design, unit, rank, classes, pieces, coats, stacks, ()):
                yield Row(*found)


def _sprays(design: Design, classes: Sequence[FigureClass]) -> bool:
    tier = classes[0].tier
    roles = {role for one in classes for role in one.roles_worn.values() if role}
    return any(step.sprayed for role in roles for step in design.scheme.role(role).recipe(tier).steps)


def rank_sheets(
    design: Design,
    resolution: Resolution,
    units: tuple[str, ...] = (),
    standing: Mapping[tuple[str, str], RankSheet] = NOTHING_KNOWN,
) -> tuple[RankSheet, ...]:
    """What is to be done on every rank's figures; of some units only, of all if empty.

    standing: sheets by unit and rank that are known to hold, as ``standing_ranks`` tells.
    """
    asked = {names: classes for names, classes in resolution.ranks.items() if not units or names[0] in units}
    if all(names in standing for names in asked):
        return tuple(replace(standing[names], classes=classes) for names, classes in asked.items())
    given = dealt(design.scheme.finishing.basing, design.army)
    stacks = Stacks(design, resolution)
    coats = coats_worn(design, resolution, stacks)
    return tuple(
        replace(standing[names], classes=classes)
        if names in standing
        else _sheet(design, *names, classes, given, coats, stacks)
        for names, classes in asked.items()
    )


def _sheet(
    design: Design, unit: str, rank: str, classes: tuple[FigureClass, ...], given, coats: CoatsOn, stacks: Stacks
) -> RankSheet:  # fmt: skip
    pieces = army_pieces(design, classes, given)
    arranged = order_of(design, classes, (piece for piece, _ in pieces))
    rows = _rows(design, unit, rank, classes, pieces, coats, stacks, arranged.line)
    place = {node.id: (node.phase, at) for at, node in enumerate(arranged.line)}
    made = [Row(node, atom.but(phase=place[node][0], place=place[node][1]), touch) for node, atom, touch in rows]
    return RankSheet(unit, rank, classes, tuple(sorted(made, key=lambda row: row.atom.place)), arranged)


def _rows(design, unit, rank, classes, pieces, coats: CoatsOn, stacks: Stacks, line) -> list[tuple[str, Atom, float]]:
    """Node, atom and seconds until the next coat of all work of a rank. line: its order, which tells where masks are wanted."""
    return [
        *_ground_rows(design, unit, rank, classes), *_role_rows(design, unit, rank, classes, coats, stacks),
        *mark_rows(design.scheme, unit, rank, classes),
        *piece_rows(design, unit, rank, classes, [_counted(one, classes, coats, stacks) for one in pieces], line),
    ]  # fmt: skip


def _ground_rows(
    design: Design, unit: str, rank: str, classes: Sequence[FigureClass]
) -> Iterator[tuple[str, Atom, float]]:
    everyone = tuple(sorted(ordinal for one in classes for ordinal in one.ordinals))
    around = design.around(classes[0].tier, len(everyone))
    for laid in laid_grounds(design.scheme.ground, classes[0]):
        node = f"{GROUND.text}|{laid.step}"
        drying = laid.coat.technique.drying * 60
        yield node, Atom(
            f"{unit}|{rank}|{node}", unit, rank, GROUND, laid.step, laid.coat.kind, ground_pot(laid.coat),
            laid.coat.seconds(laid.extent, around), drying, 1, everyone, round(laid.extent.surface_mm2, 2), laid.name, 0,
            laid.coat.paint.sprayed,
        ), drying  # fmt: skip


def _role_rows(design, unit, rank, classes, coats: CoatsOn, stacks: Stacks) -> Iterator[tuple[str, Atom, float]]:
    scheme, tier = design.scheme, classes[0].tier
    everyone = sum(len(one.ordinals) for one in classes)
    around = design.around(tier, everyone)
    for role_id, worn in _worn(classes).items():
        role, recipe = scheme.role(role_id), scheme.recipe(role_id, tier)
        ordinals, wearing = tuple(sorted(worn.ordinals)), replace(around, figures=len(worn.ordinals))
        subject = of_role(role_id)
        counts = _most_coats(coats, stacks, role_id, recipe, worn, classes)
        for plain, count in zip(recipe.steps, counts, strict=True):
            step = measured_beside(plain, classes[0], role_id)
            technique = step.technique
            node = f"{subject.text}|{step.id}"
            slower = scheme.drying(step) / step.drying if step.drying else 1.0
            yield node, Atom(
                f"{unit}|{rank}|{node}", unit, rank, subject, step.id, step.kind, pot_of(step),
                seconds_of(step, worn.extent, count, wearing), scheme.drying(step) * 60, count, ordinals,
                round(worn.extent.surface_mm2 * step.share_on(worn.extent), 2), f"{role.name} {technique.verb.lower()}", technique.mess,
                step.sprayed, len(step.mix.parts) > 1, step.window * 60 if step.kind == "oil" else 0.0,
                counted=plain is recipe.base and step.coats is None,
            ), touch_dry(step) * slower * 60  # fmt: skip


def _most_coats(
    coats: CoatsOn, stacks: Stacks, role: str, recipe: Recipe, worn: _Worn, classes: Sequence[FigureClass]
) -> list[int]:
    """The most coats that any figure of a rank needs of each step of a recipe, on all that lies beneath it."""
    found = {step.id: 1 for step in recipe.steps}
    for stack in dict.fromkeys(one for each in classes for one in stacks.all_of(role, each)) or (recipe,):
        lit = replace(stack, light=recipe.light)
        for step, count in zip(lit.steps, coats.most(lit, worn.grounds).tolist(), strict=True):
            if step.id in found:
                found[step.id] = max(found[step.id], count)
    return list(found.values())


def _counted(
    given: tuple[Piece, tuple[int, ...]], classes: Sequence[FigureClass], coats: CoatsOn, stacks: Stacks
) -> tuple[Piece, tuple[int, ...]]:
    """A pass with as many coats as cover on all that it lies on, where their number is open; other pieces as they are."""
    piece, ordinals = given
    if piece.stage != OVER or piece.step.coats is not None:
        return given
    name, most = OVER_STACK + piece.id, 1
    for one in classes:
        for role in dict.fromkeys(one.roles_worn.values()):
            for stack in stacks.all_of(role, one) if role else ():
                at = next((at for at, step in enumerate(stack.steps) if step.id == name), None)
                if at is not None:
                    most = max(
                        most, int(coats.most(stacks.design.scheme.lit(stack), {None, *one.grounds.values()})[at])
                    )
    return replace(piece, coats=most, seconds=piece.seconds / piece.coats * most), ordinals


def coats_worn(design: Design, resolution: Resolution, stacks: Stacks | None = None) -> CoatsOn:
    """Coats of every recipe that is worn, on the grounds of the scheme, the army's first; with the passes over it.

    stacks: of the same design and resolution, if they are known already.
    """
    scheme, known = design.scheme, stacks or Stacks(design, resolution)
    recipes = [scheme.recipe(role, tier) for role, tier in painted_surface(resolution, scheme)]
    beside = {role.id for role in scheme.roles if any(recipe.lies_beside for _, recipe in role.recipes)}
    for one in resolution.classes if scheme.passes or beside else ():
        for role in dict.fromkeys(one.roles_worn.values()):
            if role and (one.passes or role in beside):
                recipes += (scheme.lit(stack) for stack in known.all_of(role, one))
    grounds = dict.fromkeys((scheme.ground, *(one.ground for one in scheme.grounds)))
    return CoatsOn(tuple(grounds), recipes, scheme.calibrations)


def _worn(classes: Sequence[FigureClass]) -> dict[str, _Worn]:
    areas, found = classes[0].plate.areas, {}
    for one in classes:
        mine: dict[str, list[str]] = {}
        for name, cell in one.cells.items():
            if cell.role:
                mine.setdefault(cell.role, []).append(name)
        for role, names in mine.items():
            extent = united(areas[name].extent for name in names)
            worn = found.setdefault(role, _Worn(extent, [], set()))
            worn.extent = max(worn.extent, extent, key=lambda each: each.surface_mm2)
            worn.ordinals += one.ordinals
            worn.grounds.update(one.ground_of(name) for name in names)
    return found
