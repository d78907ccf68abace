"""Searches for better plans: asked for, watched, stopped; the work itself is done by a worker."""

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.db import transaction
from django.shortcuts import redirect, render
from django.views.decorators.http import require_POST, require_safe

from mantello.rooms.army.models import Army
from mantello.rooms.army.page import army_for

from .models import Search
from .painters import painter_in_hand
from .tasks import improve

#: ways of laying that one search tries
TRIES = 400


def last_search(army: Army, painter: str) -> Search | None:
    """The newest search for a painter's plan."""
    return army.searches.filter(painter=painter).first()


@login_required
@require_POST
def start_search(request, army_id):
    """A search is put in the queue, unless one goes on."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    with transaction.atomic():
        Army.objects.select_for_update().get(pk=army.pk)
        last = last_search(army, painter)
        if last is None or not last.on:
            made = Search.objects.create(army=army, painter=painter, tries=TRIES)
            improve.defer(search_id=made.pk)
    return redirect("plan", army.pk)


@login_required
@require_POST
def stop_search(request, army_id):
    """The search is stopped; what it found so far stays."""
    army = army_for(request, army_id)
    stopped = army.searches.filter(state__in=(Search.State.WAITING, Search.State.RUNNING)).update(
        state=Search.State.STOPPED
    )
    if not stopped:
        messages.info(request, "No search goes on.")
    return redirect("plan", army.pk)


@login_required
@require_safe
def watch_search(request, army_id):
    """How the search stands, as a fragment."""
    army = army_for(request, army_id)
    return render(
        request, "plan/search.html", {"army": army, "search": last_search(army, painter_in_hand(request, army))}
    )
