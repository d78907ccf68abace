"""What must be bought: the paint an army takes, with a reserve, less what is owned."""

import math
from collections.abc import Mapping
from dataclasses import dataclass

from ..errors import OutOfRange
from .catalogue import Catalogue
from .paint import Paint
from .stock import Stock

#: more than is computed, so that the last figure is painted from the same pot
RESERVE = 0.2
NOTHING = Stock()


@dataclass(frozen=True)
class Purchase:
    """One paint: what the army takes of it, what is owned, and the pots to buy."""

    paint: Paint
    #: neat ml without and with the reserve
    takes: float
    wanted: float
    owned: float
    pots: int
    #: of the pots to buy; None if the price of one is not known
    cost: float | None

    @property
    def missing(self) -> float:
        """Neat ml that are not on the shelf."""
        return max(0.0, self.wanted - self.owned)


def shopping(
    needed: Mapping[str, float], shelf: Mapping[str, Stock], catalogue: Catalogue, reserve: float = RESERVE
) -> tuple[Purchase, ...]:
    """Every paint that is needed, what must be bought first, then by how much is taken.

    needed: paint id to neat ml; shelf: paint id to what is owned; reserve: share added, 0 to 2.
    Raises: OutOfRange for the reserve; UnknownName for a paint.
    """
    if not 0 <= reserve <= 2:
        raise OutOfRange(f"A reserve of {reserve:g}; allowed is 0 to 2.", "reserve")
    found = [
        _purchase(catalogue.paint(id_), takes, shelf.get(id_, NOTHING), reserve)
        for id_, takes in needed.items()
        if takes > 0
    ]
    return tuple(sorted(found, key=lambda one: (one.pots == 0, -one.takes, one.paint.id)))


def _purchase(pot: Paint, takes: float, stock: Stock, reserve: float) -> Purchase:
    wanted, owned = takes * (1 + reserve), stock.pots * pot.volume
    pots = math.ceil(round(max(0.0, wanted - owned) / pot.volume, 6))
    return Purchase(pot, takes, wanted, owned, pots, None if stock.price is None else pots * stock.price)
