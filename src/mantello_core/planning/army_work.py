"""What every figure gets besides its colours, in the plan: pieces with who gets each, and their rows."""

from collections.abc import Iterable, Iterator, Mapping, Sequence

from ..design.design import Design
from ..order.node import Node
from ..order.nodes import pot_of
from ..order.subject import of_pass
from ..passes.piece import PLANTS, Piece
from ..passes.pieces import pieces_of
from ..recipes.drying import touch_dry
from ..scheme.cascade import FigureClass
from .task import Atom

#: figures of each plant, as ``dealt`` gives them
Dealt = Mapping[str, frozenset[tuple[str, str, int]]]


def army_pieces(design: Design, classes: Sequence[FigureClass], dealt: Dealt) -> list[tuple[Piece, tuple[int, ...]]]:
    """The pieces of one rank, masks aside, with the figures that get each; of several classes the largest counts."""
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


def piece_rows(
    design: Design, unit: str, rank: str, classes: Sequence[FigureClass],
    pieces: Iterable[tuple[Piece, tuple[int, ...]]], line: Sequence[Node],
) -> Iterator[tuple[str, Atom, float]]:  # fmt: skip
    """Node, atom and seconds until the next coat of every piece of a rank, and of the masks that its order puts."""
    masks = {
        node.owner.partition(":")[2]: node for node in line if node.kind in ("mask", "unmask") and node.sort == "hand"
    }
    for piece, ordinals in (*pieces, *(_masks(design, classes, masks) if masks else ())):
        subject = of_pass(piece.id)
        node = f"{subject.text}|{piece.id}"
        touch = touch_dry(piece.step) * 60 if piece.step else 0.0
        yield node, Atom(
            f"{unit}|{rank}|{node}", unit, rank, subject, piece.id, piece.kind,
            pot_of(piece.step) if piece.step else f"hand|{piece.name}", piece.seconds, piece.drying, piece.coats, ordinals,
            round(piece.surface, 2), piece.name, 1, piece.sprayed,
            window=piece.step.window * 60 if piece.step and piece.kind == "oil" else 0.0,
        ), touch  # fmt: skip


def _masks(design: Design, classes: Sequence[FigureClass], wanted: Mapping[str, Node]):
    """The masks of those ids; a second one of a role is like the first."""
    known: dict[str, tuple[Piece, set[int]]] = {}
    for one in classes:
        for piece in pieces_of(design, one, masks=True):
            known.setdefault(piece.id, (piece, set()))[1].update(one.ordinals)
    for id_, node in wanted.items():
        first = id_ if id_ in known else id_.rpartition("-")[0]
        piece, ordinals = known[first]
        yield piece.named(id_, node.name), tuple(sorted(ordinals))
