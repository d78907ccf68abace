"""Which loose part of its figures a piece of work is on: it dries, and is painted, beside the rest."""

from collections.abc import Iterable

from ..design.design import Design
from ..figures.vocabulary import group_of
from ..scheme.cascade import Resolution
from .task import Atom


def loose_part(design: Design, resolution: Resolution, atoms: Iterable[Atom]) -> str:
    """The one group of parts, kept loose, that all of some work of one unit is on; '' for the rest of the figure, or for both."""
    found: set[str] = set()
    for atom in atoms:
        apart = design.scheme.finishing.apart_of(design.army.paths[atom.unit])
        if not apart:
            return ""
        if not atom.subject.role:
            return ""
        groups = {
            group_of(area)
            for one in resolution.of_rank(atom.unit, atom.rank)
            for area, cell in one.cells.items()
            if cell.role == atom.subject.role
        }
        found |= groups if groups <= set(apart) else {""}
    return next(iter(found)) if len(found) == 1 else ""
