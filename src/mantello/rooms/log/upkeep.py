"""The bench: brushes and cans by hours of use, mixes on the palette by age, metals by where they are."""

from django.contrib.auth.decorators import login_required
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.record.log import log_of
from mantello.record.using import uses_of
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.lit import lit_by_role
from mantello.workspace.page import army_for, room_page
from mantello.workspace.readings import reading_of
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.record.upkeep import leftovers, metal_places, wears

#: words of a search at most
_MOST_WORDS = 6


@login_required
@require_safe
def upkeep(request, army_id):
    """Wear, leftovers and metals; metals are searched by part, role or paint."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    uses, now = uses_of(log_of(army).lines, reading, catalogue_for(army)), timezone.now()
    sought = request.GET.get("metal", "")[:80].strip()
    words = sought.casefold().split()[:_MOST_WORDS]
    metals = []
    for one in metal_places(reading.design.scheme, reading.resolution, words):
        parts = list(dict.fromkeys(spoken(sideless(name)) for name in one.areas))
        found = [part for part in parts if any(word in part.casefold() for word in words)]
        metals.append((one, found or parts, lit_by_role(army, reading, one.role_id)))
    context = {
        "title": "Bench",
        "wears": wears(uses),
        "leftovers": [(one, one.until > now) for one in leftovers(uses, now)],
        "metals": metals,
        "sought": sought,
    }
    return room_page(request, army, "log", "log/upkeep.html", context)
