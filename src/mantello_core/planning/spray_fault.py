"""What a spray that went wrong costs: what lies on it wants a coat more, where coats are counted."""

from collections.abc import Collection
from dataclasses import replace

from .task import Atom

#: mishaps of an undercoat that cost a coat of every colour on it, by id
COSTLY = ("grain", "thin", "missed")
#: share of a rank's figures from which on all of it is planned with the coat: they are painted in one go
_MOST = 0.5

#: (unit, rank, ordinal) of figures whose undercoat went wrong and was not laid again
Faults = frozenset[tuple[str, str, int]]


def with_fault(atom: Atom, faults: Collection[tuple[str, str, int]]) -> Atom:
    """The atom of a whole step with a coat more, if its coats are counted and most of its figures were sprayed badly."""
    if not faults or not atom.counted:
        return atom
    bad = sum((atom.unit, atom.rank, ordinal) in faults for ordinal in atom.ordinals)
    if bad < _MOST * len(atom.ordinals):
        return atom
    return replace(atom, coats=atom.coats + 1, seconds=atom.seconds * (atom.coats + 1) / atom.coats)
