"""The Log room: what was done, when, with what, to which version of the scheme."""

from itertools import groupby

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.core.paginator import Paginator
from django.shortcuts import get_object_or_404, redirect
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.rooms.army.page import army_for, room_page

from . import actions
from .pace import kinds_of, total_minutes


@login_required
@require_safe
def log(request, army_id):
    """Entries by day, versions, and minutes planned against actual."""
    army = army_for(request, army_id)
    page = Paginator(army.entries.select_related("version"), 100).get_page(request.GET.get("page"))
    days = [
        (day, list(entries))
        for day, entries in groupby(page, key=lambda entry: timezone.localtime(entry.done_at).date())
    ]
    context = {
        "title": "Log",
        "days": days,
        "page": page,
        "versions": army.versions.all(),
        "kinds": kinds_of(army),
        "minutes": total_minutes(army),
    }
    return room_page(request, army, "log", "log/log.html", context)


@login_required
@require_POST
def change_entry(request, army_id, entry_id):
    """Take an entry back, let it stand again, or write its note."""
    army = army_for(request, army_id)
    entry = get_object_or_404(army.entries, pk=entry_id)
    do = request.POST.get("do")
    if do == "back":
        actions.take_back(entry)
        messages.success(request, f"{entry.name} was taken back; the figures need it again.")
    elif do == "stand":
        actions.restore(entry)
        messages.success(request, f"{entry.name} stands again.")
    else:
        entry.note = request.POST.get("note", "").replace("\x00", "")[:2000]
        entry.save(update_fields=["note"])
        messages.success(request, "The note is kept.")
    return redirect("log", army.pk)
