"""What a painter owns of a paint."""

from dataclasses import dataclass, replace

from ..errors import OutOfRange
from ..naming import noted

MOST_POTS, MOST_PRICE, MOST_NOTE = 99.0, 1000.0, 300


@dataclass(frozen=True)
class Stock:
    """Pots of one paint on the shelf, open ones as parts of a pot."""

    pots: float = 0.0
    #: of one pot, in whatever money the painter counts; None if it is not known
    price: float | None = None
    note: str = ""
    #: no longer made: what is left cannot be bought again
    discontinued: bool = False

    @property
    def words(self) -> str:
        """As in '1 pot' or '0.5 pots'."""
        return f"{self.pots:g} pot" + ("" if self.pots == 1 else "s")

    @property
    def empty(self) -> bool:
        """Whether there is nothing to keep about it."""
        return not self.pots and self.price is None and not self.note and not self.discontinued


def checked_stock(stock: Stock, where: str = "") -> Stock:
    """The stock, if everything in it is allowed; its note on one line.

    Raises: OutOfRange for pots, price, or the length and the signs of the note.
    """
    if not 0 <= stock.pots <= MOST_POTS:
        raise OutOfRange(f"{stock.pots:g} pots; allowed is 0 to {MOST_POTS:g}.", f"{where}/pots")
    if stock.price is not None and not 0 <= stock.price <= MOST_PRICE:
        raise OutOfRange(
            f"A pot for {stock.price:g}; allowed is 0 to {MOST_PRICE:g}, or nothing if it is not known.",
            f"{where}/price",
        )
    note = noted(stock.note, f"{where}/note")
    if len(note) > MOST_NOTE:
        raise OutOfRange(f"The note has {len(note)} signs; allowed is up to {MOST_NOTE}.", f"{where}/note")
    return stock if note == stock.note else replace(stock, note=note)
