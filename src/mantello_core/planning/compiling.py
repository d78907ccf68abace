"""Compile a design: every figure x role x recipe step becomes an atom, with the edges between them."""

from collections import defaultdict
from dataclasses import dataclass
from itertools import pairwise

from ..recipes.technique import techniques
from ..schemes.cascade import FigureClass, Resolution
from ..schemes.scheme import Design
from .marking import beneath, mark_chains, mark_edges
from .task import INNER_FIRST, MESSY_FIRST, METALS_AFTER, RECIPE_ORDER, RIM_LAST, UNDERCOAT_FIRST, Atom, Edge

#: a figure's step that is done: unit, rank, ordinal, role, step
Done = frozenset[tuple[str, str, int, str, str]]
UNDERCOAT = "undercoat"


@dataclass(frozen=True)
class Work:
    """All atoms and edges of a design."""

    atoms: tuple[Atom, ...]
    edges: tuple[Edge, ...]


@dataclass
class _Worn:
    """One role on one rank: surface and height over the classes that wear it."""

    surface: float
    height: float
    ordinals: list[int]


def compiled(design: Design, resolution: Resolution, done: Done = frozenset(), units: tuple[str, ...] = ()) -> Work:
    """The work that is left.

    done: steps of figures already painted; they ask for no work and hold nothing up.
    units: only these units; all if empty.
    """
    made = list(_chains(design, resolution, done, units))
    atoms = [atom for chains, _ in made for chain in chains for atom, _ in chain]
    return Work(tuple(atoms), tuple(edge for chains, classes in made for edge in _edges(chains, beneath(classes))))


def atoms_of(design: Design, resolution: Resolution) -> tuple[Atom, ...]:
    """All the work of a design with nothing done, without what must come before what: enough to add up its cost."""
    made = _chains(design, resolution, frozenset(), ())
    return tuple(atom for chains, _ in made for chain in chains for atom, _ in chain)


def _chains(design, resolution, done, units):
    """For every rank, the chains of its atoms, see ``_rank_atoms``, and its classes."""
    per_rank: dict[tuple[str, str], list[FigureClass]] = defaultdict(list)
    for one in resolution.classes:
        if not units or one.unit in units:
            per_rank[one.unit, one.rank].append(one)
    for (unit, rank), classes in per_rank.items():
        yield _rank_atoms(design, unit, rank, classes, done), classes


def _rank_atoms(design, unit, rank, classes, done):
    """Chains of (atom, height): the undercoat's, then one for each role that is worn."""
    tier, areas = classes[0].tier, classes[0].plate.areas
    chains = []
    everyone = sorted(ordinal for one in classes for ordinal in one.ordinals)
    surface = sum(area.surface_mm2 for area in areas.values())
    chains.append(_chain(unit, rank, "", [(
        coat.step, coat.kind, f"{coat.kind}|{coat.words}", coat.technique.handling + surface / coat.technique.rate,
        coat.technique.drying * 60, 1, surface, coat.name, 0, coat.paint.sprayed, False,
    ) for coat in design.scheme.ground.coats], everyone, done, 0.0))  # fmt: skip
    for role_id, worn in _worn(classes, areas).items():
        role = design.scheme.role(role_id)
        recipe = role.recipe(tier)
        rows = []
        for step, count in zip(recipe.steps, design.scheme.coats(recipe), strict=True):
            technique = step.technique
            rows.append((
                step.id, step.kind, f"{step.kind}|{step.mix.words}", step.seconds(worn.surface, count),
                design.scheme.drying(step) * 60, count, worn.surface * step.share, f"{role.name} {technique.verb.lower()}",
                technique.mess, any(pot.sprayed for pot in step.mix.paints), len(step.mix.parts) > 1,
            ))  # fmt: skip
        chains.append(_chain(unit, rank, role_id, rows, sorted(worn.ordinals), done, worn.height))
    chains += mark_chains(design.scheme, unit, rank, classes, done)
    return chains


def _chain(unit, rank, role, rows, ordinals, done, height):
    chain = []
    for step, kind, pot, seconds, drying, coats, surface, name, mess, sprayed, mixed in rows:
        left = tuple(ordinal for ordinal in ordinals if (unit, rank, ordinal, role, step) not in done)
        if left:
            atom = Atom(
                f"{unit}|{rank}|{role}|{step}", unit, rank, role, step, kind, pot, seconds, drying, coats, left,
                round(surface, 2), name, mess, sprayed, mixed,
            )  # fmt: skip
            chain.append((atom, height))
    return chain


def _worn(classes, areas):
    found: dict[str, _Worn] = {}
    for one in classes:
        mine: dict[str, tuple[float, float]] = {}
        for name, cell in one.cells.items():
            if cell.role:
                before = mine.get(cell.role, (0.0, 1e9))
                mine[cell.role] = (before[0] + areas[name].surface_mm2, min(before[1], areas[name].z))
        for role, (surface, height) in mine.items():
            worn = found.setdefault(role, _Worn(surface, height, []))
            worn.surface, worn.height = max(worn.surface, surface), min(worn.height, height)
            worn.ordinals += one.ordinals
    return found


def _edges(chains, under):
    """Hard edges along every chain, soft ones between the chains of one rank."""
    edges = []
    undercoat = chains[0]
    colours = [chain for chain in chains[1:] if chain and not chain[0][0].mark]
    marks = [chain for chain in chains[1:] if chain and chain[0][0].mark]
    for chain in (*colours, *marks):
        for (one, _), (two, _) in pairwise(chain):
            edges.append(Edge(one.id, two.id, one.drying, RECIPE_ORDER))
        for spray, _ in undercoat[-1:]:
            edges.append(Edge(spray.id, chain[0][0].id, spray.drying, UNDERCOAT_FIRST))
    edges += [Edge(one.id, two.id, one.drying, UNDERCOAT_FIRST) for (one, _), (two, _) in pairwise(undercoat)]
    edges += mark_edges(colours, marks, under)
    every = [atom for chain in colours for atom, _ in chain]
    rims = {atom.id for chain in colours for atom, _ in chain if atom.name.lower().startswith("rim ")}
    for one in every:
        for two in every:
            if one.role == two.role:
                continue
            if one.mess <= 1 and two.mess > 1 and two.kind == "base" and two.id not in rims:
                edges.append(Edge(one.id, two.id, one.drying, MESSY_FIRST))
            if two.id in rims and one.id not in rims:
                edges.append(Edge(one.id, two.id, one.drying, RIM_LAST))
    bases = sorted(
        (
            (height, atom)
            for chain in colours
            for atom, height in chain[:1]
            if atom.kind == "base" and atom.id not in rims
        ),
        key=lambda pair: pair[0],
    )
    for (low, one), (high, two) in pairwise(bases):
        if high - low >= 50:
            edges.append(Edge(one.id, two.id, 0.0, INNER_FIRST))
    metals = [atom for _, atom in bases if _metallic(atom)]
    for _, one in bases:
        if not _metallic(one):
            edges += [Edge(one.id, metal.id, 0.0, METALS_AFTER) for metal in metals]
    return edges


def _metallic(atom: Atom) -> bool:
    return atom.drying > techniques()["base"].drying * 60
