"""A catalogue: the paints that ship, and a painter's own. A value: what is known of paints depends on nothing else."""

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import cached_property

from ..errors import UnknownName
from .paint import Paint
from .range import paints


@dataclass(frozen=True)
class Catalogue:
    """Every paint that can be named: those of the ranges, and own ones."""

    own: tuple[Paint, ...] = ()

    @cached_property
    def _own(self) -> dict[str, Paint]:
        return {pot.id: pot for pot in self.own}

    def paint(self, paint_id: str, where: str = "") -> Paint:
        """The paint of that id.

        Raises: UnknownName, with near ids, at ``where``.
        """
        found = self.get(paint_id)
        if found is None:
            raise UnknownName("paint", paint_id, [*paints(), *self._own], where)
        return found

    def get(self, paint_id: str) -> Paint | None:
        """The paint of that id; None if there is none."""
        return paints().get(paint_id) or self._own.get(paint_id)

    def __contains__(self, paint_id: str) -> bool:
        return self.get(paint_id) is not None

    def __iter__(self) -> Iterator[Paint]:
        """Those of the ranges in shelf order, then own ones."""
        yield from paints().values()
        yield from self._own.values()

    def with_own(self, pots: Iterable[Paint]) -> "Catalogue":
        """The catalogue with own paints besides; each once, paints of the ranges are in it anyway."""
        more = {pot.id: pot for pot in (*self.own, *pots) if pot.id not in paints()}
        return self if len(more) == len(self.own) else Catalogue(tuple(more.values()))


#: the paints that ship alone
SHIPPED = Catalogue()
