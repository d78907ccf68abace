"""What is printed for showing: a card for taking photographs, and a strip of a figure's photographs in time."""

import base64

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of
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
    return paper(request, army, "shooting", "shooting-card.pdf", str(timezone.localdate()))


@paper_kind("shooting", "How it is photographed", "cards.css")
def shooting_page(army, asked) -> str:
    """How an army is photographed, as a page to print."""
    reading = reading_of(army.head)

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
    return render_to_string("log/shooting.html", context)


@login_required
@require_safe
def strip(request, army_id):
    """A figure's photographs in the order they were taken, with what was done between them, as PDF."""
    army = army_for(request, army_id)
    unit, rank = request.GET.get("unit", ""), request.GET.get("rank", "")
    last = army.figure_photos.filter(unit=unit, rank=rank).order_by("-pk").values_list("pk", flat=True).first()
    if last is None:
        raise Http404
    return paper(request, army, "strip", "strip.pdf", f"{last} {army.log_mark}", unit=unit, rank=rank)


@paper_kind("strip", "Photographs in a row", "cards.css")
def strip_page(army, asked) -> str:
    """A figure's photographs in the order they were taken, as a page to print."""
    unit, rank = asked["unit"], asked["rank"]
    photos = list(army.figure_photos.filter(unit=unit, rank=rank).order_by("-taken_at", "-pk")[:MOST_ON_STRIP])[::-1]
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
    return render_to_string("log/strip.html", {"army": army, "title": title, "frames": frames})
