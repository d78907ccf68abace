"""What must come before what on the figures of one rank: hard along every chain, soft and by profile between them."""

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from ..figures.vocabulary import group_of
from ..passes.piece import Piece
from ..recipes.slots import Slots
from ..scheme.cascade import FigureClass
from ..scheme.scheme import Scheme
from .army_work import army_edges
from .mark_chain import mark_edges
from .task import (
    BASE_AT_END,
    BASE_FIRST,
    INNER_FIRST,
    MESSY_FIRST,
    METALS_AFTER,
    METALS_FIRST,
    METALS_LAST,
    RECIPE_ORDER,
    RIM_LAST,
    SKIN_EARLY,
    SKIN_LATE,
    UNDERCOAT_FIRST,
    Atom,
    Edge,
    OrderRule,
)

#: atoms in order, each with the height of what it is painted on
Chain = list[tuple[Atom, float]]
#: what lies deeper by so much is painted before what lies above
_DEEPER = 50


@dataclass(frozen=True)
class Kinds:
    """Roles of a rank that the profile of the order has slots for."""

    metals: frozenset[str]
    skin: frozenset[str]
    ground: frozenset[str]
    rims: frozenset[str]


@dataclass(frozen=True)
class RankWork:
    """All work of one rank of one unit."""

    undercoat: Chain
    colours: Sequence[Chain]
    marks: Sequence[Chain]
    pieces: Sequence[tuple[Atom, Piece]]
    kinds: Kinds

    @property
    def atoms(self) -> Iterable[Atom]:
        """Every atom of it."""
        for chain in (self.undercoat, *self.colours, *self.marks):
            yield from (atom for atom, _ in chain)
        yield from (atom for atom, _ in self.pieces)


def kinds_of(scheme: Scheme, classes: Sequence[FigureClass]) -> Kinds:
    """Which roles of a rank are metal, skin, ground or rim: by their paint, and by all that they are worn on."""
    worn: dict[str, set[str]] = {}
    skin: dict[str, bool] = {}
    for one in classes:
        for name, cell in one.cells.items():
            if cell.role:
                worn.setdefault(cell.role, set()).add(name)
                skin[cell.role] = skin.get(cell.role, True) and one.plate.areas[name].material == "skin"
    tier = classes[0].tier
    based = {role for role, areas in worn.items() if all(group_of(area) == "Base" for area in areas)}
    rims = {role for role, areas in worn.items() if areas == {"base.rim"}}
    metals = {
        role
        for role in worn
        if (base := scheme.role(role).recipe(tier).base) and any(pot.kind == "metallic" for pot in base.mix.paints)
    }
    return Kinds(
        frozenset(metals),
        frozenset(role for role, bare in skin.items() if bare),
        frozenset(based - rims),
        frozenset(rims),
    )


def rank_edges(work: RankWork, under: Mapping[str, frozenset[str]], slots: Slots) -> list[Edge]:
    """All edges of one rank. under: what every mark lies on, from ``beneath``; slots: the profile, none empty."""
    colours = [chain for chain in work.colours if chain]
    marks = [chain for chain in work.marks if chain]
    rims = frozenset(atom.id for chain in colours for atom, _ in chain if atom.subject.role in work.kinds.rims)
    return [
        *_chained(work.undercoat, [*colours, *marks]),
        *mark_edges(colours, marks, under),
        *_rough_first(colours, rims, work.kinds.ground if slots.base == "last" else frozenset()),
        *_slotted(colours, slots, work.kinds, rims),
        *army_edges(
            work.pieces, work.undercoat, colours, marks, slots, work.kinds.ground, work.kinds.metals, rims, under
        ),
    ]


def _chained(undercoat: Chain, chains: Sequence[Chain]) -> Iterable[Edge]:
    for chain in chains:
        for (one, _), (two, _) in pairwise(chain):
            yield Edge(one.id, two.id, 0.0 if _worked_wet(one, two) else one.drying, RECIPE_ORDER)
        for spray, _ in undercoat[-1:]:
            yield Edge(spray.id, chain[0][0].id, spray.drying, UNDERCOAT_FIRST)
    for (one, _), (two, _) in pairwise(undercoat):
        yield Edge(one.id, two.id, one.drying, UNDERCOAT_FIRST)


def _worked_wet(one: Atom, two: Atom) -> bool:
    """Whether the second is worked into the first while both are wet: oils lie side by side in one sitting and dry once."""
    return one.kind == two.kind == "oil" and one.window > 0 and two.window > 0


def _rough_first(colours: Sequence[Chain], rims: frozenset[str], waiting: frozenset[str]) -> Iterable[Edge]:
    """Drybrushing before neat bases, save that of roles that wait for the end; and the rim after all."""
    every = [atom for chain in colours for atom, _ in chain]
    behind = [two for two in every if two.id in rims or (two.mess > 1 and two.kind == "base")]
    closing = [two for two in behind if two.id in rims]
    for one in every:
        messy = one.mess <= 1 and one.subject.role not in waiting
        for two in behind if messy else closing:
            if one.subject == two.subject:
                continue
            if two.id not in rims:
                yield Edge(one.id, two.id, one.drying, MESSY_FIRST)
            elif one.id not in rims:
                yield Edge(one.id, two.id, one.drying, RIM_LAST)


def _slotted(colours: Sequence[Chain], slots: Slots, kinds: Kinds, rims: frozenset[str]) -> Iterable[Edge]:
    """Inner before outer, and metals, skin and base where the profile has them."""
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
        if high - low >= _DEEPER:
            yield Edge(one.id, two.id, 0.0, INNER_FIRST)
    metals = _where(colours, kinds.metals, METALS_FIRST if slots.metals == "first" else None)
    if metals:
        yield from metals
    elif slots.metals == "last":
        yield from _behind(colours, kinds.metals, rims, METALS_LAST)
    else:
        yield from _first_behind(colours, kinds.metals, kinds.rims, METALS_AFTER)
    if slots.skin == "early":
        yield from _where(colours, kinds.skin, SKIN_EARLY)
    elif slots.skin == "late":
        yield from _first_behind(colours, kinds.skin, kinds.rims, SKIN_LATE)
    if slots.base == "first":
        yield from _before(colours, kinds.ground, rims, BASE_FIRST)
    elif slots.base == "last":
        yield from _behind(colours, kinds.ground, rims, BASE_AT_END)


def _where(colours: Sequence[Chain], roles: frozenset[str], rule: OrderRule | None) -> list[Edge]:
    """First steps of some roles before the first steps of all others."""
    if rule is None:
        return []
    return [
        Edge(own[0][0].id, other[0][0].id, 0.0, rule)
        for own in colours
        if own[0][0].subject.role in roles
        for other in colours
        if other[0][0].subject.role not in roles
    ]


def _first_behind(
    colours: Sequence[Chain], roles: frozenset[str], rims: frozenset[str], rule: OrderRule
) -> Iterable[Edge]:
    """First steps of some roles after the bases of all others; rims aside."""
    for own in colours:
        for other in colours:
            apart = other[0][0].subject.role not in roles | rims and other[0][0].kind == "base"
            if own[0][0].subject.role in roles and apart:
                yield Edge(other[0][0].id, own[0][0].id, 0.0, rule)


def _behind(colours: Sequence[Chain], roles: frozenset[str], rims: frozenset[str], rule: OrderRule) -> Iterable[Edge]:
    """First steps of some roles after the last steps of all others; rims aside."""
    for own in colours:
        for other in colours:
            if own[0][0].subject.role in roles and other[0][0].subject.role not in roles and other[0][0].id not in rims:
                yield Edge(other[-1][0].id, own[0][0].id, 0.0, rule)


def _before(colours: Sequence[Chain], roles: frozenset[str], rims: frozenset[str], rule: OrderRule) -> Iterable[Edge]:
    """Last steps of some roles before the first steps of all others; rims aside."""
    for own in colours:
        for other in colours:
            if own[0][0].subject.role in roles and other[0][0].subject.role not in roles and other[0][0].id not in rims:
                yield Edge(own[-1][0].id, other[0][0].id, own[-1][0].drying, rule)
