"""What a fix would do as two pictures: the figure as it is, and as it would be."""

from urllib.parse import urlencode

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.urls import reverse
from django.views.decorators.http import require_safe

from mantello.shell.download import drawing
from mantello.workspace.models import Army
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.checks.card import Card, fixed
from mantello_core.errors import MantelloError
from mantello_core.figures.plate import View
from mantello_core.scheme.cascade import FigureClass

from .all_checks import card_of


def as_it_is(army: Army, reading: Reading, card: Card) -> str:
    """The address of the figure that a card points at first, as designed; '' where it points at none."""
    view = _view_of(reading, card)
    if view is None:
        return ""
    first = card.first
    said = {"unit": first.unit, "rank": first.rank, "figure": first.ordinal, "edition": army.head.number, "v": 1}
    return f"{reverse('figure', args=[army.pk, view.name])}?{urlencode(said)}"


def before_and_after(army: Army, reading: Reading, card: Card) -> tuple[str, str] | None:
    """The addresses of both pictures; None where nothing would mend it, or it points at no figure."""
    now = as_it_is(army, reading, card)
    if not card.fixes or not now:
        return None
    said = {"check": card.check, "card": card.key, "v": army.head.number}
    return now, f"{reverse('fixed-figure', args=[army.pk])}?{urlencode(said)}"


def _view_of(reading: Reading, card: Card) -> View | None:
    """The view that shows most of what a card is about."""
    one = _figure_of(reading, card)
    if one is None:
        return None
    areas = set(card.areas_on(card.first.unit, card.first.rank)) or set(one.plate.areas)
    return max(one.plate.views, key=lambda view: sum(seen.mm2 for seen in view.areas if seen.area in areas))


def _figure_of(reading: Reading, card: Card) -> FigureClass | None:
    first = card.first
    if not first.unit:
        return None
    try:
        return reading.resolution.of(Figure(first.unit, first.rank, first.ordinal))
    except (MantelloError, StopIteration):
        return None


@login_required
@require_safe
def fixed_figure(request, army_id):
    """The figure that a card points at first, as it would be with everything on the card mended."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    card = card_of(army, reading, request.GET.get("check", ""), request.GET.get("card", ""))
    view = _view_of(reading, card) if card and card.fixes else None
    if view is None:
        raise Http404
    after = Reading(fixed(reading.design, card))
    one = _figure_of(after, card)
    if one is None:
        raise Http404
    return drawing(after.drawn(one, view.name, detail="small", seed=card.first.ordinal), request)
