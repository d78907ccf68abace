"""What the paint of every unit and figure costs."""

import unicodedata
from dataclasses import dataclass

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST, require_safe

from mantello.shelf.models import OwnedPaint
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.errors import OutOfRange
from mantello_core.paints.costing import Cost, cost_of

#: a currency has up to so many signs, letters and marks of currencies alone
_MOST_SIGNS, _SIGNS = 6, ("Lu", "Ll", "Lo", "Sc", "Po")


@dataclass(frozen=True)
class UnitCost:
    """One unit: figures, neat ml and what they cost."""

    id: str
    name: str
    figures: int
    millilitres: float
    cost: Cost

    @property
    def each(self) -> float:
        """Of one figure, on average."""
        return self.cost.money / self.figures if self.figures else 0.0


@login_required
@require_POST
def set_currency(request, army_id):
    """How the painter writes their money, on all pages.

    Raises: OutOfRange for signs that stand in no currency's name.
    """
    army = army_for(request, army_id)
    given = " ".join(request.POST.get("currency", "").split())
    if len(given) > _MOST_SIGNS or any(unicodedata.category(sign) not in _SIGNS for sign in given):
        raise OutOfRange(
            f"'{given[:20]}' is no currency; write up to {_MOST_SIGNS} letters or a sign, such as 'kr'.", "currency"
        )
    request.user.currency = given
    request.user.save(update_fields=["currency"])
    return redirect("costs", army.pk)


@login_required
@require_safe
def costs(request, army_id):
    """Unit by unit, and the whole army; paints without a price are named, not guessed."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    shelf, catalogue = OwnedPaint.objects.of(request.user), catalogue_for(army)
    by_unit = reading.needed_by_unit if reading.design.army.figures else {}
    rows = [
        UnitCost(
            unit.id,
            reading.design.army.title(unit.id),
            unit.figures,
            sum(by_unit[unit.id].values()),
            cost_of(by_unit[unit.id], shelf, catalogue),
        )
        for unit in reading.design.army.units
        if unit.id in by_unit
    ]
    whole = cost_of(reading.needed, shelf, catalogue) if by_unit else Cost(0.0, ())
    context = {
        "title": "What it costs",
        "rows": rows,
        "whole": whole,
        "figures": sum(row.figures for row in rows),
        "dearest": max((row.each for row in rows), default=0.0),
        "unknown": [catalogue.paint(id_) for id_ in whole.unknown],
    }
    return room_page(request, army, "paints", "paints/costs.html", context)
