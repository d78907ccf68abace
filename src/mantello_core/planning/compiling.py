"""Compile a design: every figure x role x recipe step becomes an atom, with the edges between them."""

from collections import defaultdict
from collections.abc import Iterator
from dataclasses import dataclass, replace

from ..calendar.evenings import Evenings
from ..design.design import Design
from ..figures.extent import Extent, united
from ..film.coats_on import CoatsOn
from ..film.ground import Ground
from ..passes.piece import dealt
from ..recipes.handwork import seconds_of
from ..recipes.slots import Slots
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.share import painted_surface
from .army_work import army_chain, army_pieces
from .drying import drying_factor
from .ground_work import laid_grounds
from .mark_chain import beneath, mark_chains
from .rank_order import Kinds, RankWork, kinds_of, rank_edges
from .subject import GROUND, Subject, of_role
from .task import Atom, Edge

#: a figure's step that is done: unit, rank, ordinal, subject, step
Done = frozenset[tuple[str, str, int, Subject, str]]
UNDERCOAT = "undercoat"


@dataclass(frozen=True)
class Work:
    """All atoms and edges of a design."""

    atoms: tuple[Atom, ...]
    edges: tuple[Edge, ...]


@dataclass
class _Worn:
    """One role on one rank: the most of it on one figure, and its height, over the classes that wear it."""

    extent: Extent
    height: float
    ordinals: list[int]
    #: what it lies on; None is the army's ground
    grounds: set[Ground | None]


@dataclass(frozen=True)
class RankSheet:
    """What is to be done on one rank's figures, whatever of it is done already: rows of a chain's atoms, as ``_chain`` takes
    them."""

    unit: str
    rank: str
    classes: tuple[FigureClass, ...]
    everyone: tuple[int, ...]
    undercoat: tuple[tuple, ...]
    #: subject, rows, figures, height of what it is painted on
    colours: tuple[tuple[Subject, tuple[tuple, ...], tuple[int, ...], float], ...]
    pieces: tuple
    kinds: Kinds


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
) -> Work:
    """The work that is left.

    sheets: from ``rank_sheets`` of the same design, if they are known already.

    done: steps of figures already painted; they ask for no work and hold nothing up.
    units: only these units; all if empty.
    pace: kinds of step with what this painter takes longer or less by, and dries; see ``pace`` and ``drying``.
    """
    slots, atoms, edges = slots_of(design), [], []
    for work, classes in _ranks(design, resolution, done, units, sheets):
        atoms += work.atoms
        edges += rank_edges(work, beneath(classes), slots)
    return _at_pace(Work(tuple(atoms), tuple(edges)), design.evenings, dict(pace))


def _at_pace(work: Work, evenings: Evenings, pace: dict[str, float]) -> Work:
    """The work as long as it takes this painter, and dries here."""
    longer = {atom.id: drying_factor(evenings, atom, pace) for atom in work.atoms}
    if not pace and all(factor == 1.0 for factor in longer.values()):
        return work
    atoms = tuple(
        replace(atom, seconds=atom.seconds * pace.get(atom.kind, 1.0), drying=atom.drying * longer[atom.id])
        for atom in work.atoms
    )
    return Work(atoms, tuple(replace(edge, lag=edge.lag * longer[edge.before]) for edge in work.edges))


def atoms_of(design: Design, resolution: Resolution, sheets: tuple[RankSheet, ...] | None = None) -> tuple[Atom, ...]:
    """All the work of a design with nothing done, without what must come before what: enough to add up its cost.

    sheets: as ``compiled`` takes them.
    """
    return tuple(atom for work, _ in _ranks(design, resolution, frozenset(), (), sheets) for atom in work.atoms)


def rank_sheets(design: Design, resolution: Resolution, units: tuple[str, ...] = ()) -> tuple[RankSheet, ...]:
    """What is to be done on every rank's figures; of some units only, of all if empty."""
    per_rank: dict[tuple[str, str], list[FigureClass]] = defaultdict(list)
    for one in resolution.classes:
        if not units or one.unit in units:
            per_rank[one.unit, one.rank].append(one)
    given = dealt(design.scheme.finishing.basing, design.army)
    coats = coats_worn(design, resolution)
    return tuple(_sheet(design, *names, tuple(classes), given, coats) for names, classes in per_rank.items())


def _ranks(design, resolution, done, units, sheets) -> Iterator[tuple[RankWork, tuple[FigureClass, ...]]]:
    """The work of every rank, and its classes."""
    for sheet in rank_sheets(design, resolution, units) if sheets is None else sheets:
        if not units or sheet.unit in units:
            yield _rank_work(design, sheet, done), sheet.classes


def _rank_work(design: Design, sheet: RankSheet, done: Done) -> RankWork:
    names = sheet.unit, sheet.rank
    return RankWork(
        _chain(*names, GROUND, sheet.undercoat, sheet.everyone, done, 0.0),
        [_chain(*names, subject, rows, ordinals, done, height) for subject, rows, ordinals, height in sheet.colours],
        mark_chains(design.scheme, *names, sheet.classes, done),
        army_chain(sheet.pieces, *names, done),
        sheet.kinds,
    )


def _sheet(design, unit, rank, classes, given, coats) -> RankSheet:
    scheme, tier = design.scheme, classes[0].tier
    everyone = sorted(ordinal for one in classes for ordinal in one.ordinals)
    around = design.around(tier, len(everyone))
    undercoat = tuple((
        laid.step, laid.coat.kind, f"{laid.coat.kind}|{laid.coat.words}", laid.coat.seconds(laid.extent, around),
        laid.coat.technique.drying * 60, 1, laid.extent.surface_mm2, laid.name, 0, laid.coat.paint.sprayed, False, 0.0,
    ) for laid in laid_grounds(scheme.ground, classes[0]))  # fmt: skip
    colours = []
    for role_id, worn in _worn(classes).items():
        role = scheme.role(role_id)
        recipe = scheme.recipe(role_id, tier)
        rows, wearing = [], replace(around, figures=len(worn.ordinals))
        for step, count in zip(recipe.steps, coats.most(recipe, worn.grounds).tolist(), strict=True):
            technique = step.technique
            rows.append((
                step.id, step.kind, f"{step.kind}|{step.mix.words}", seconds_of(step, worn.extent, count, wearing),
                scheme.drying(step) * 60, count, worn.extent.surface_mm2 * step.share, f"{role.name} {technique.verb.lower()}",
                technique.mess, step.sprayed, len(step.mix.parts) > 1,
                step.window * 60 if step.kind == "oil" else 0.0,
            ))  # fmt: skip
        colours.append((of_role(role_id), tuple(rows), tuple(sorted(worn.ordinals)), worn.height))
    pieces = tuple(army_pieces(design, classes, given))
    return RankSheet(
        unit, rank, classes, tuple(everyone), undercoat, tuple(colours), pieces, kinds_of(scheme, classes)
    )  # fmt: skip


def coats_worn(design: Design, resolution: Resolution) -> CoatsOn:
    """Coats of every recipe that is worn, on the grounds of the scheme, the army's first."""
    scheme = design.scheme
    recipes = [scheme.recipe(role, tier) for role, tier in painted_surface(resolution)]
    grounds = dict.fromkeys((scheme.ground, *(one.ground for one in scheme.grounds)))
    return CoatsOn(tuple(grounds), recipes, scheme.calibrations)


def _chain(unit, rank, subject, rows, ordinals, done, height):
    chain = []
    for step, kind, pot, seconds, drying, coats, surface, name, mess, sprayed, mixed, window in rows:
        left = (
            tuple(ordinal for ordinal in ordinals if (unit, rank, ordinal, subject, step) not in done)
            if done
            else tuple(ordinals)
        )
        if left:
            atom = Atom(
                f"{unit}|{rank}|{subject.text}|{step}", unit, rank, subject, step, kind, pot, seconds, drying, coats, left,
                round(surface, 2), name, mess, sprayed, mixed, window,
            )  # fmt: skip
            chain.append((atom, height))
    return chain


def _worn(classes):
    areas, found = classes[0].plate.areas, {}
    for one in classes:
        mine: dict[str, list[str]] = {}
        for name, cell in one.cells.items():
            if cell.role:
                mine.setdefault(cell.role, []).append(name)
        for role, names in mine.items():
            extent, height = united(areas[name].extent for name in names), min(areas[name].z for name in names)
            worn = found.setdefault(role, _Worn(extent, height, [], set()))
            worn.extent = max(worn.extent, extent, key=lambda one: one.surface_mm2)
            worn.height = min(worn.height, height)
            worn.ordinals += one.ordinals
            worn.grounds.update(one.ground_of(name) for name in names)
    return found
