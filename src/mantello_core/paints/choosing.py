"""Paints to choose from by a few letters or by a colour: those at hand first, then the nearest."""

from collections.abc import Container, Iterable
from dataclasses import dataclass

from ..colour.difference import difference
from ..naming import folded, match_rank
from .paint import Paint

#: paints that are shown at most
MOST_SHOWN = 40


@dataclass(frozen=True)
class Choice:
    """A paint, whether it stands on the shelf, and how far its swatch is from the paint that is chosen now (CIEDE2000)."""

    paint: Paint
    on_shelf: bool
    apart: float | None = None


def choices_for(
    pots: Iterable[Paint], shelf: Container[str], words: str = "", now: Paint | None = None
) -> tuple[Choice, ...]:
    """Paints that words may mean; without words those nearest to the one that is chosen now, else all in their order.

    pots: those that can be chosen, in their order; shelf: ids of what is owned. What is on the shelf comes first among
    equals, so that two letters lead to one's own pot.
    """
    asked = folded(words)
    found = []
    for at, pot in enumerate(pots):
        rank = match_rank(asked, pot.name) if asked else 0
        if rank is None:
            continue
        apart = difference(pot.swatch, now.swatch) if now is not None else None
        near = apart if apart is not None and not asked else 0.0
        found.append(((rank, pot.id not in shelf, near, at), Choice(pot, pot.id in shelf, apart)))
    return tuple(choice for _, choice in sorted(found, key=lambda one: one[0])[:MOST_SHOWN])
