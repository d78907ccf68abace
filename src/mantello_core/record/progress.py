"""How far every figure is: steps and minutes done of those it needs."""

from collections.abc import Iterable
from dataclasses import dataclass

from ..order.subject import Subject
from ..planning.done import Done, is_done
from ..planning.task import Atom

#: states of a figure, least painted first
STATES = ("bare", "undercoat", "base coats", "in layers", "finished")


@dataclass(frozen=True)
class Progress:
    """Work of one figure, or of several together."""

    figures: int = 0
    finished: int = 0
    steps: int = 0
    done_steps: int = 0
    #: hands-on seconds
    seconds: float = 0.0
    done_seconds: float = 0.0

    @property
    def share(self) -> float:
        """Share of the minutes that is painted, 0 to 1."""
        return self.done_seconds / self.seconds if self.seconds else 0.0

    @property
    def minutes_left(self) -> float:
        """Hands-on minutes still to come."""
        return (self.seconds - self.done_seconds) / 60

    def __add__(self, other: "Progress") -> "Progress":
        return Progress(
            self.figures + other.figures,
            self.finished + other.finished,
            self.steps + other.steps,
            self.done_steps + other.done_steps,
            self.seconds + other.seconds,
            self.done_seconds + other.done_seconds,
        )


@dataclass(frozen=True)
class FigureProgress:
    """One figure: its work, its state, and the steps that are done."""

    progress: Progress
    state: str
    #: (subject, step), in recipe order
    done: frozenset[tuple[Subject, str]]


def progress_of(needed: Iterable[Atom], done: Done) -> dict[tuple[str, str, int], FigureProgress]:
    """Every figure's progress by (unit, rank, ordinal).

    needed: all of a design's work, with nothing done.
    """
    atoms: dict[tuple[str, str, int], list] = {}
    for atom in needed:
        for ordinal in atom.ordinals:
            atoms.setdefault((atom.unit, atom.rank, ordinal), []).append(atom)
    begun = {one[:3] for one in done}
    return {
        figure: _figure(figure, needed, done if figure in begun else frozenset()) for figure, needed in atoms.items()
    }


def summed(parts: Iterable[Progress]) -> Progress:
    """Several figures together."""
    return sum(parts, Progress())


def _figure(figure, needed, done: Done) -> FigureProgress:
    mine = [atom for atom in needed if is_done(atom, figure[2], done)] if done else []
    finished = len(mine) == len(needed)
    progress = Progress(
        1,
        int(finished),
        len(needed),
        len(mine),
        sum(atom.seconds for atom in needed),
        sum(atom.seconds for atom in mine),
    )
    return FigureProgress(
        progress, _state(needed, mine, finished), frozenset((atom.subject, atom.logged) for atom in mine)
    )


def _state(needed, mine, finished: bool) -> str:
    if finished:
        return "finished"
    painted = [atom for atom in mine if not atom.subject.piece]
    if not painted:
        return "bare"
    if not any(not atom.subject.is_ground for atom in painted):
        return "undercoat"
    bases = {atom.id for atom in needed if atom.kind == "base"}
    beyond = [atom for atom in mine if not atom.subject.is_ground and atom.kind != "base"]
    return "in layers" if beyond and len(bases & {atom.id for atom in mine}) * 2 >= len(bases) else "base coats"
