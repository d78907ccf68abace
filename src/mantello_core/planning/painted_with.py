"""What a step of work is done with, whatever it is about: its paints in parts, its words, and the step it is."""

from dataclasses import dataclass

from ..design.design import Design
from ..insignia.devices.mark_step import MarkStep
from ..order.subject import Kind
from ..paints.paint import Paint
from ..passes.ground_work import laid_ground
from ..passes.piece import Piece
from ..passes.pieces import piece_of
from ..recipes.step import Step
from ..scheme.cascade import Resolution
from .mark_chain import mark_paints_of, mark_step_of
from .task import Atom


@dataclass(frozen=True)
class PaintedWith:
    """Paints, words and step of an atom."""

    #: both sides named, or what is opened
    words: str
    #: (paint, parts); none where nothing is painted
    parts: tuple[tuple[Paint, float], ...]
    diluent: str = "neat"
    #: the recipe step; None for ground, marks and handwork
    step: Step | None = None
    mark: MarkStep | None = None
    piece: Piece | None = None

    @property
    def paints(self) -> tuple[Paint, ...]:
        """The paints in it."""
        return tuple(pot for pot, _ in self.parts)


def painted_with(design: Design, resolution: Resolution, atom: Atom) -> PaintedWith:
    """What an atom is painted with.

    Raises: UnknownName if the design has no such work any more.
    """
    subject, scheme = atom.subject, design.scheme
    if subject.kind == Kind.GROUND:
        classes = resolution.of_rank(atom.unit, atom.rank)
        coat = laid_ground(scheme.ground, classes, atom.step).coat
        return PaintedWith(coat.words, ((coat.paint, 1.0),))
    if subject.kind == Kind.MARK:
        paints = mark_paints_of(scheme, resolution, atom)
        mark = mark_step_of(scheme, resolution, atom)
        return PaintedWith(_opened(atom), tuple((pot, 1.0) for pot in paints), "water", mark=mark)
    if subject.kind == Kind.PASS:
        piece = piece_of(design, resolution, atom.unit, atom.rank, subject.piece)
        step = piece.step
        return PaintedWith(_opened(atom), *_mixed(step), step=step, piece=piece)
    step = recipe_step(design, atom)
    return PaintedWith(step.mix.words, *_mixed(step), step=step)


def recipe_step(design: Design, atom: Atom) -> Step:
    """The step of a role's recipe that an atom is.

    Raises: UnknownName for role or step.
    """
    tier = design.army.rank(atom.unit, atom.rank).tier
    return design.scheme.role(atom.subject.role).recipe(tier).step(atom.step)


def _mixed(step: Step | None):
    return (step.mix.parts, step.mix.diluent) if step else ((), "neat")


def _opened(atom: Atom) -> str:
    return atom.pot.split("|", 1)[1]
