"""A batch: one block of the plan as the painter meets it."""

from collections.abc import Iterable
from dataclasses import dataclass

from mantello.workspace.reading import Reading
from mantello_core.planning.compiling import UNDERCOAT
from mantello_core.planning.mark_chain import site_words
from mantello_core.planning.schedule import Block
from mantello_core.planning.task import Atom
from mantello_core.recipes.technique import techniques


@dataclass(frozen=True)
class Batch:
    """One block of the plan as the painter meets it."""

    id: str
    number: int
    block: Block
    title: str
    unit: str
    mix: str
    #: figures of it that are not logged for all its steps
    left: tuple[tuple[str, int], ...]
    #: the group of parts it is on, where that is kept loose; '' for the rest of the figure
    part: str = ""

    @property
    def lane(self) -> str:
        """The unit, and the loose part of its figures."""
        return f"{self.unit}: {self.part.lower()}" if self.part else self.unit

    @property
    def done(self) -> bool:
        """Whether the log has all of it."""
        return not self.left

    @property
    def minutes(self) -> float:
        """Hands-on minutes."""
        return (self.block.end - self.block.start).total_seconds() / 60

    @property
    def minutes_left(self) -> float:
        """Hands-on minutes of the figures that are left."""
        return sum(self.block.task.figures[figure] for figure in self.left) / 60

    @property
    def atoms(self) -> list[Atom]:
        """The steps in it."""
        return self.block.task.atoms

    @property
    def roles(self) -> tuple[str, ...]:
        """The roles painted in it."""
        return tuple(dict.fromkeys(atom.subject.role for atom in self.atoms if atom.subject.role))


def title_of(reading: Reading, atoms: Iterable[Atom]) -> str:
    """A batch in words, such as 'Base Field and Facing'."""
    atoms = list(atoms)
    if atoms[0].subject.site:
        sites = list(dict.fromkeys(site_words(atom.subject.site) for atom in atoms))
        return f"{atoms[0].name.removesuffix(sites[0]).strip()} {' and '.join(sites)}"
    coats = coats_of(atoms)
    ending = f", {coats}" if coats else ""
    if atoms[0].subject.piece:
        return atoms[0].name + ending
    verb = techniques()[atoms[0].kind].verb
    roles = list(
        dict.fromkeys(reading.design.scheme.role(atom.subject.role).name for atom in atoms if atom.subject.role)
    )
    if not roles:
        return f"{verb} the figures" if atoms[0].step == UNDERCOAT else atoms[0].name
    if len(roles) == 1:
        return f"{verb} {roles[0]}{ending}"
    return f"{verb} {', '.join(roles[:-1])} and {roles[-1]}{ending}"


def coats_of(atoms: Iterable[Atom]) -> str:
    """Which coat a batch is, such as 'coat 2 of 3'; 'coats 1 to 2 of 3' for several; '' where one is enough."""
    counted = [(atom.coat, atom.of) for atom in atoms if atom.of > 1]
    if not counted:
        return ""
    first, last, of = min(one for one, _ in counted), max(one for one, _ in counted), max(of for _, of in counted)
    return f"coat {first} of {of}" if first == last else f"coats {first} to {last} of {of}"
