"""The order of work on one rank's figures, as the design has it."""

from collections.abc import Iterable, Sequence

from ..design.design import Design
from ..passes.piece import MASK, Piece
from ..passes.pieces import pieces_of
from ..scheme.cascade import FigureClass
from ..scheme.work_order import OwnRule
from .arranging import Arranged, arranged
from .nodes import nodes_of
from .phases import phase_list


def order_of(design: Design, classes: Sequence[FigureClass], pieces: Iterable[Piece] | None = None) -> Arranged:
    """The steps of the figures of one rank of one unit in order.

    classes: all of that rank; at least one. pieces: what they get besides their colours, if that is known already.
    """
    phases = phase_list(design)
    known = rank_pieces(design, classes) if pieces is None else tuple(pieces)
    nodes = nodes_of(design, classes, (piece for piece in known if piece.stage != MASK), phases)
    order = design.scheme.order
    return arranged(
        nodes, classes[0].plate, tuple(phase.name for phase in phases.phases), phases.switches,
        own_rules(design, classes[0]), tuple(sorted(order.given_up)), design.scheme.finishing.masks,
        design.scheme.finishing.apart_of(design.army.paths[classes[0].unit]),
    )  # fmt: skip


def own_rules(design: Design, one: FigureClass) -> tuple[OwnRule, ...]:
    """The painter's rules that hold for a class of figures, in the order they were made."""
    path = design.army.paths[one.unit]
    return tuple(rule for rule in design.scheme.order.rules if not rule.scope or rule.scope in path)


def rank_pieces(design: Design, classes: Sequence[FigureClass]) -> tuple[Piece, ...]:
    """What the figures of a rank get besides their colours, each once: as the class of which it covers most has it."""
    found: dict[str, Piece] = {}
    for one in classes:
        for piece in pieces_of(design, one):
            known = found.get(piece.id)
            found[piece.id] = piece if known is None or piece.seconds > known.seconds else known
    return tuple(sorted(found.values(), key=lambda piece: piece.place))
