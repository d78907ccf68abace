"""Which figure of an army is looked at."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse

from mantello.rooms.army.models import Army
from mantello.rooms.army.page import army_for
from mantello.rooms.army.reading import Reading, reading_of


@dataclass(frozen=True)
class Chosen:
    """The figure that is looked at."""

    unit: str
    rank: str
    ordinal: int
    title: str
    count: int

    @property
    def query(self) -> str:
        """Its address' query."""
        return urlencode({"unit": self.unit, "rank": self.rank, "figure": self.ordinal})


def chosen_figure(reading: Reading, given) -> Chosen | None:
    """The figure that is asked for, the army's first if none is there of that name; None for an army without figures."""
    army = reading.design.army
    ranks = [(unit, rank) for unit in army.units for rank in unit.ranks if rank.figures]
    if not ranks:
        return None
    unit, rank = next(((u, r) for u, r in ranks if (u.id, r.name) == (given.get("unit"), given.get("rank"))), ranks[0])
    number = given.get("figure", "1")
    ordinal = int(number) if number.isdigit() and len(number) < 6 and 1 <= int(number) <= rank.figures else 1
    return Chosen(unit.id, rank.name, ordinal, army.title(unit.id), rank.figures)


def posted_figure(request, army_id) -> tuple[Army, Reading, Chosen]:
    """The army and the figure that a form is about; an army without figures has none, and no such form."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    chosen = chosen_figure(reading, request.POST)
    if chosen is None:
        raise Http404
    return army, reading, chosen


def back_to_figure(army, chosen: Chosen):
    """To the page of a figure, once its form has been taken."""
    return redirect(f"{reverse('figure-history', args=[army.pk])}?{chosen.query}")
