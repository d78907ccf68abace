"""What a design costs to paint: coats, minutes, pots."""

from collections.abc import Iterable
from dataclasses import dataclass

from .task import Atom


@dataclass(frozen=True)
class Cost:
    """The work of a whole army, estimates."""

    #: brushed coats over all figures, areas of one role counted once
    coats: int
    #: hands-on minutes
    minutes: float
    #: different mixes
    mixes: int


def cost_of(atoms: Iterable[Atom]) -> Cost:
    """The cost of all the work there is."""
    atoms = tuple(atoms)
    coats = sum(atom.coats * len(atom.ordinals) for atom in atoms if not atom.subject.is_ground)
    minutes = sum(atom.seconds * len(atom.ordinals) for atom in atoms) / 60
    return Cost(coats, minutes, len({atom.pot for atom in atoms}))
