"""What every figure gets besides its colours, in the plan: a chain of pieces, and where it stands among the colours."""

from collections.abc import Mapping, Sequence

from ..design.design import Design
from ..passes.piece import BARRIER, JOIN, MAGNET, MASK, PLANTS, SOLVENT, TOUCH_UP, VARNISH, Piece, pieces_of
from ..recipes.slots import Slots
from ..scheme.cascade import FigureClass
from .subject import of_pass
from .task import (
    BARRIER_FIRST,
    BASE_AT_END,
    COLOURS_FIRST,
    CURED_FIRST,
    DIRT_LAST,
    HELD_LATE,
    JOIN_PAINTED,
    LARGE_PLANTS_FIRST,
    MAGNETS_FIRST,
    MASK_FIRST,
    METALS_ON_VARNISH,
    PLANTS_ON_GROUND,
    RIM_LAST,
    UNMASK_LATER,
    UNMASK_SOON,
    VARNISH_LAST,
    Atom,
    Edge,
    OrderRule,
)

#: chains of (atom, height), as the compiler builds them
Chain = list[tuple[Atom, float]]
#: figures of each plant, as ``dealt`` gives them
Dealt = Mapping[str, frozenset[tuple[str, str, int]]]


def army_pieces(design: Design, classes: Sequence[FigureClass], dealt: Dealt) -> list[tuple[Piece, tuple[int, ...]]]:
    """The pieces of one rank, in order, with the figures that get each; of several classes the largest counts."""
    found: dict[str, tuple[Piece, set[int]]] = {}
    for one in classes:
        for piece in pieces_of(design, one):
            known, ordinals = found.get(piece.id, (piece, set()))
            ordinals.update(_who(piece, one, dealt))
            found[piece.id] = (piece if piece.seconds > known.seconds else known), ordinals
    pieces = [(piece, tuple(sorted(ordinals))) for piece, ordinals in found.values() if ordinals]
    return sorted(pieces, key=lambda pair: pair[0].place)


def _who(piece: Piece, one: FigureClass, dealt: Dealt) -> Sequence[int]:
    if piece.stage != PLANTS:
        return one.ordinals
    given = dealt.get(piece.id.removeprefix("plant-"), frozenset())
    return [ordinal for ordinal in one.ordinals if (one.unit, one.rank, ordinal) in given]


def army_chain(pieces, unit: str, rank: str, done) -> list[tuple[Atom, Piece]]:
    """Atoms of the pieces of a rank, with their pieces; what is done is left out."""
    chain = []
    for piece, ordinals in pieces:
        subject = of_pass(piece.id)
        left = tuple(one for one in ordinals if (unit, rank, one, subject, piece.id) not in done)
        if left:
            atom = Atom(
                f"{unit}|{rank}|{subject.text}|{piece.id}", unit, rank, subject, piece.id, piece.kind, piece.pot, piece.seconds,
                piece.drying, piece.coats, left, round(piece.surface, 2), piece.name, 1, piece.sprayed,
                window=piece.step.window * 60 if piece.step and piece.kind == "oil" else 0.0,
            )  # fmt: skip
            chain.append((atom, piece))
    return chain


def army_edges(
    chain: Sequence[tuple[Atom, Piece]], undercoat: Chain, colours: Sequence[Chain], marks: Sequence[Chain], slots: Slots,
    ground: frozenset[str], metals: frozenset[str], rims: frozenset[str], under: Mapping[str, frozenset[str]],
) -> list[Edge]:  # fmt: skip
    """What comes before and after the pieces on one rank's figures.

    ground: roles of the base; metals: roles painted with metal; rims: atoms of the rim, which close the figure; under:
    what every mark lies on, from ``beneath``.
    """
    edges: list[Edge] = []
    early = [(atom, piece) for atom, piece in chain if piece.stage == MAGNET]
    edges += [Edge(atom.id, undercoat[0][0].id, atom.drying, MAGNETS_FIRST) for atom, _ in early if undercoat]
    for atom, piece in chain:
        if piece.stage == MASK:
            edges += _mask_edges(atom, piece, colours)
    late = [(atom, piece) for atom, piece in chain if piece.stage >= JOIN]
    # what shines, and the base, may wait for the varnish
    sealed = any(piece.stage == VARNISH for _, piece in late)
    waiting = (metals if slots.metals == "after" and sealed else frozenset()) | (
        ground if slots.base == "last" else frozenset()
    )
    for at, (atom, piece) in enumerate(late):
        rule = _rule(piece)
        for before, earlier in late[:at]:
            if earlier.place < piece.place:
                edges.append(Edge(before.id, atom.id, before.drying, CURED_FIRST if earlier.stage == SOLVENT else rule))
        for colour in (*colours, *marks):
            last, first = colour[-1][0], colour[0][0]
            if any(one.id in rims for one, _ in colour):
                edges.append(Edge(atom.id, first.id, atom.drying, RIM_LAST))
            elif last.subject.role in waiting:
                if piece.stage == VARNISH:
                    why = METALS_ON_VARNISH if last.subject.role in metals else BASE_AT_END
                    edges.append(Edge(atom.id, first.id, atom.drying, why))
                elif piece.stage == PLANTS and last.subject.role in ground:
                    edges.append(Edge(last.id, atom.id, last.drying, PLANTS_ON_GROUND))
            elif not (piece.stage <= VARNISH and under.get(last.subject.site, frozenset()) & waiting):
                why = PLANTS_ON_GROUND if piece.stage == PLANTS and last.subject.role in ground else rule
                edges.append(Edge(last.id, atom.id, last.drying, why))
    return edges


def _mask_edges(atom: Atom, piece: Piece, colours: Sequence[Chain]) -> list[Edge]:
    own = [one for chain in colours for one, _ in chain if one.subject.role == piece.role and one.sprayed]
    if not own:
        return []
    if piece.id.startswith("unmask-"):
        others = [chain[0][0] for chain in colours if chain[0][0].subject.role != piece.role]
        off = [Edge(own[-1].id, atom.id, own[-1].drying, UNMASK_LATER)]
        return off + [Edge(atom.id, one.id, 0.0, UNMASK_SOON) for one in others]
    return [Edge(atom.id, own[0].id, 0.0, MASK_FIRST)]


def _rule(piece: Piece) -> OrderRule:
    if piece.stage == JOIN:
        return JOIN_PAINTED
    if piece.stage in (BARRIER, SOLVENT):
        return BARRIER_FIRST
    if piece.stage == TOUCH_UP:
        return HELD_LATE
    if piece.id == "varnish":
        return VARNISH_LAST
    if piece.stage == PLANTS:
        return LARGE_PLANTS_FIRST
    return DIRT_LAST if piece.step and piece.id != "shine" else COLOURS_FIRST
