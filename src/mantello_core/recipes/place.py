"""The tones that a colour on a figure is summed up in: recess, flat, raised, ridge, edge."""

from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache, cached_property
from itertools import pairwise

from ..data_table import data_table
from ..errors import UnknownName


@dataclass(frozen=True)
class Place:
    """One tone, by the part of the surface it stands for."""

    id: str
    name: str
    #: of the piece's surface, 0 to 1
    share: float
    #: width of its tone on a figure of 28 mm, mm
    band: float


@dataclass(frozen=True)
class Places:
    """The tones of a figure, darkest first."""

    all: tuple[Place, ...]
    #: ids of where most of a piece is, and of where it catches the light
    flats: str
    raised: str

    def __iter__(self) -> Iterator[Place]:
        return iter(self.all)

    def __getitem__(self, place_id: str) -> Place:
        """The place of that id.

        Raises: UnknownName.
        """
        if place_id not in self._by_id:
            raise UnknownName("place", place_id, list(self._by_id))
        return self._by_id[place_id]

    @cached_property
    def _by_id(self) -> dict[str, Place]:
        return {place.id: place for place in self.all}

    @cached_property
    def ids(self) -> tuple[str, ...]:
        """Ids of the places, deepest first."""
        return tuple(self._by_id)

    @cached_property
    def recess(self) -> str:
        """Id of the darkest, where washes pool."""
        return self.all[0].id

    @property
    def neighbours(self) -> tuple[tuple[Place, Place], ...]:
        """Places next to each other in light."""
        return tuple(pairwise(self.all))


@cache
def usual_places() -> Places:
    """The places of a piece that nobody has measured."""
    data = data_table(__package__, "places")
    return Places(tuple(Place(**row) for row in data["place"]), data["flats"], data["raised"])
