"""What is printed for showing: a card for taking photographs, and a strip of a figure's photographs in time."""

import base64

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.shell.printing import pdf
from mantello.workspace.page import army_for
from mantello.workspace.reading import reading_of
from mantello_core.record.shooting_card import shooting_card

#: photographs on one strip
MOST_ON_STRIP = 12


@login_required
@require_safe
def shooting(request, army_id):
    """How this army is photographed, as PDF."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    if not reading.design.army.figures:
        raise Http404

    def colour_of(role: str):
        tones = reading.tones(role)
        return tones.flats if tones else None

    card = shooting_card(reading.design, reading.resolution, reading.shares, colour_of)
    role = reading.design.scheme.role_by_id.get(card.lightest_role)
    context = {
        "army": army,
        "card": card,
        "lightest": role,
        "turns": range(0, 360, card.turn),
        "day": timezone.localdate(),
    }
    return pdf(render_to_string("log/shooting.html", context), "shooting-card.pdf", "cards.css")


@login_required
@require_safe
def strip(request, army_id):
    """A figure's photographs in the order they were taken, with what was done between them, as PDF."""
    army = army_for(request, army_id)
    unit, rank = request.GET.get("unit", ""), request.GET.get("rank", "")
    photos = list(army.figure_photos.filter(unit=unit, rank=rank).order_by("-taken_at", "-pk")[:MOST_ON_STRIP])[::-1]
    if not photos:
        raise Http404
    frames, since = [], None
    for photo in photos:
        entries = army.entries.standing().filter(unit=unit, rank=rank, done_at__lte=photo.taken_at).order_by("done_at")
        if since:
            entries = entries.filter(done_at__gt=since)
        frames.append(
            (photo, base64.b64encode(bytes(photo.jpeg)).decode(), list(dict.fromkeys(one.name for one in entries)))
        )
        since = photo.taken_at
    force = reading_of(army.head).design.army
    known = next((one for one in force.nodes[unit].ranks if one.id == rank), None) if unit in force.nodes else None
    title = f"{known.name}, {force.title(unit)}" if known else rank
    return pdf(
        render_to_string("log/strip.html", {"army": army, "title": title, "frames": frames}), "strip.pdf", "cards.css"
    )
