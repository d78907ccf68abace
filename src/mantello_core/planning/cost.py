"""What a design costs to paint: coats, minutes, pots."""

from dataclasses import dataclass

from .compiling import Work


@dataclass(frozen=True)
class Cost:
    """The work of a whole army, estimates."""

    #: brushed coats over all figures, areas of one role counted once
    coats: int
    #: hands-on minutes
    minutes: float
    #: different mixes
    mixes: int


def cost_of(work: Work) -> Cost:
    """The cost of all that a design asks for, with nothing done."""
    coats = sum(atom.coats * len(atom.ordinals) for atom in work.atoms if atom.role)
    minutes = sum(atom.seconds * len(atom.ordinals) for atom in work.atoms) / 60
    return Cost(coats, minutes, len({atom.pot for atom in work.atoms}))
