"""Which figure of an army is looked at."""

from dataclasses import dataclass
from urllib.parse import urlencode

from django.shortcuts import redirect
from django.urls import reverse

from mantello.workspace.models import Army
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Army as Force
from mantello_core.army.tree import Figure
from mantello_core.errors import OutOfRange
from mantello_core.numerals import whole_number


@dataclass(frozen=True)
class Chosen:
    """The figure that is looked at: unit and rank by their ids, the rank's name, and the unit's title."""

    unit: str
    rank: str
    ordinal: int
    name: str
    title: str
    count: int

    @property
    def query(self) -> str:
        """Its address' query."""
        return urlencode({"unit": self.unit, "rank": self.rank, "figure": self.ordinal})


def chosen_figure(reading: Reading, given) -> Chosen | None:
    """The figure that a page is to show, the army's first if there is none such; None for an army without figures."""
    army = reading.design.army
    ranks = [(unit, rank) for unit in army.units for rank in unit.ranks if rank.figures]
    if not ranks:
        return None
    unit, rank = next(((u, r) for u, r in ranks if (u.id, r.id) == (given.get("unit"), given.get("rank"))), ranks[0])
    number = given.get("figure", "1")
    return _chosen(army, Figure(unit.id, rank.id, whole_number(number, rank.figures) or 1))


def _chosen(army: Force, figure: Figure) -> Chosen:
    rank = army.rank(figure.unit, figure.rank)
    return Chosen(figure.unit, rank.id, figure.ordinal, rank.name, army.title(figure.unit), rank.figures)


def posted_figure(request, army_id) -> tuple[Army, Reading, Chosen]:
    """The army and the figure that a form is about.

    Raises: UnknownName or OutOfRange for a figure that is not there (any more): what is sent for one figure is never
    kept with another.
    """
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    number = request.POST.get("figure", "")
    ordinal = whole_number(number, 10**6)
    if ordinal is None:
        raise OutOfRange(f"The figure came as '{number[:20]}'; its number in its rank is wanted, such as 3.", "figure")
    force = reading.design.army
    figure = force.figure(request.POST.get("unit", ""), request.POST.get("rank", ""), ordinal)
    return army, reading, _chosen(force, figure)


def back_to_figure(army, chosen: Chosen):
    """To the page of a figure, once its form has been taken."""
    return redirect(f"{reverse('figure-history', args=[army.pk])}?{chosen.query}")
