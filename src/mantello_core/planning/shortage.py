"""Paints that run out: how far what is left goes, and between which units to change to another."""

from collections.abc import Mapping
from dataclasses import dataclass

from ..army.tree import Army
from ..paints.catalogue import Catalogue
from ..paints.paint import Paint
from ..paints.stock import Stock

NOTHING = Stock()


@dataclass(frozen=True)
class Shortage:
    """A paint of which there is not enough."""

    paint: Paint
    takes: float
    owned: float
    discontinued: bool
    #: unit ids that what is left is enough for, in the army's order, and those it is not
    before: tuple[str, ...]
    after: tuple[str, ...]

    @property
    def missing(self) -> float:
        """Neat ml that are not there."""
        return self.takes - self.owned


def shortages(
    army: Army,
    by_unit: Mapping[str, Mapping[str, float]],
    shelf: Mapping[str, Stock],
    catalogue: Catalogue,
    reserve: float = 0.2,
) -> tuple[Shortage, ...]:
    """Paints that are owned but do not go round, or that are no longer made, the gravest first.

    by_unit: unit id to paint id to neat ml. A paint that is not owned at all and still made is merely bought. The
    split lies between units, never inside one: no unit is painted from two paints.
    """
    needed: dict[str, float] = {}
    for paints in by_unit.values():
        for id_, ml in paints.items():
            needed[id_] = needed.get(id_, 0.0) + ml
    order = [unit.id for unit in army.units]
    found = []
    for id_, takes in needed.items():
        stock, pot = shelf.get(id_, NOTHING), catalogue.paint(id_)
        wanted, owned = takes * (1 + reserve), stock.pots * pot.volume
        if owned >= wanted or not (stock.discontinued or owned):
            continue
        uses = [(unit, by_unit[unit][id_] * (1 + reserve)) for unit in order if by_unit.get(unit, {}).get(id_)]
        before = _enough(uses, owned)
        after = tuple(unit for unit, _ in uses if unit not in before)
        found.append(Shortage(pot, wanted, owned, stock.discontinued, before, after))
    return tuple(sorted(found, key=lambda one: (not one.discontinued, -one.missing / one.takes, one.paint.id)))


def _enough(uses: list[tuple[str, float]], owned: float) -> tuple[str, ...]:
    """The first units, in order, that what is owned is enough for."""
    kept, left = [], owned
    for unit, ml in uses:
        if ml > left:
            break
        kept.append(unit)
        left -= ml
    return tuple(kept)
