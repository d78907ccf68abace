"""What paint costs: price of a pot times what is used of it."""

from collections.abc import Mapping
from dataclasses import dataclass

from .catalogue import Catalogue
from .stock import Stock

NOTHING = Stock()


@dataclass(frozen=True)
class Cost:
    """What some work costs in paint, and the paints whose price is not known."""

    money: float
    unknown: tuple[str, ...]

    @property
    def known(self) -> bool:
        """Whether every price is known."""
        return not self.unknown


def cost_of(needed: Mapping[str, float], shelf: Mapping[str, Stock], catalogue: Catalogue) -> Cost:
    """The cost of so many neat ml of every paint; a paint without a price is told, not guessed.

    Source: design formula F17 without the share of tools.
    """
    money, unknown = 0.0, []
    for id_, ml in needed.items():
        price = shelf.get(id_, NOTHING).price
        if price is None:
            unknown.append(id_)
        else:
            money += price * ml / catalogue.paint(id_).volume
    return Cost(money, tuple(unknown))
