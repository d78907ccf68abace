"""How long paint dries here: the room's air, what helps, and what the painter's own log taught."""

from collections.abc import Mapping

from ..calendar.evenings import AIDS, AIR, Evenings
from .task import Atom

#: kinds that warmth must not hurry: solvents and varnish; sprays neither
_NOT_WARMED = {"oil", "varnish", "hand"}
#: before a kind's name in a painter's pace: how much longer it dries, not how much longer it takes
DRYING = "dry:"


def drying_factor(evenings: Evenings, atom: Atom, learned: Mapping[str, float]) -> float:
    """By what the drying of a step is longer than its starting value.

    learned: factors by kind, as ``pace`` tells them, drying under ``DRYING``. What helps is left out where heat is no help.
    """
    aid = 1.0 if atom.kind in _NOT_WARMED or atom.sprayed else AIDS[evenings.aid][0]
    return AIR[evenings.air][0] * aid * learned.get(f"{DRYING}{atom.kind}", 1.0)
