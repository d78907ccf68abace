"""The seam: the rooms in the order of work. Every room says itself how settled it is; its module ``seam`` is read at the start."""

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any, TypeVar

from django.urls import reverse

from .models import Army
from .reading import Reading

T = TypeVar("T")
#: how settled a room is ('done', 'part', or '' for not begun), and how many points are open in it
Stance = tuple[str, int]


@dataclass(frozen=True)
class SeamStep:
    """One room on the seam: where it is, and how settled."""

    id: str
    name: str
    url: str
    #: done, part or empty for a knot not begun
    state: str
    #: open points
    open: int = 0


class Shown:
    """The army whose seam is shown, as rooms read it to say how they stand."""

    def __init__(self, army: Army, reading: Reading):
        self.army, self.reading = army, reading
        self._known: dict[str, Any] = {}

    def once(self, name: str, work: Callable[[], T]) -> T:
        """What several rooms ask for, worked out for the first of them."""
        if name not in self._known:
            self._known[name] = work()
        return self._known[name]


#: rooms by id: their place in the order of work, name, and how each stands
_ROOMS: dict[str, tuple[int, str, Callable[[Shown], Stance]]] = {}


def room_step(place: int, id_: str, name: str):
    """Register how a room stands; its id is the name of its address too."""

    def register(stance: Callable[[Shown], Stance]):
        assert id_ not in _ROOMS, id_
        _ROOMS[id_] = place, name, stance
        return stance

    return register


def seam(army: Army, reading: Reading) -> list[SeamStep]:
    """The rooms in the order of work, with what is open in each."""
    rooms, shown = sorted(_ROOMS.items(), key=lambda room: room[1][0]), Shown(army, reading)
    return [SeamStep(id_, name, reverse(id_, args=[army.pk]), *stance(shown)) for id_, (_, name, stance) in rooms]
