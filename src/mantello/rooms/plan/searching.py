"""A longer search for a better plan, asked for; a worker does it."""

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.views.decorators.http import require_POST

from mantello.jobs.queue import asked_for
from mantello.workspace.page import army_for

from .better import SEARCH, search_key
from .painters import painter_in_hand

#: ways of laying that one search tries
TRIES = 400


@login_required
@require_POST
def start_search(request, army_id):
    """A search is put in the queue, unless one goes on."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    asked_for(army.owner, SEARCH, search_key(army, painter), army, painter=painter, tries=TRIES)
    return redirect("plan", army.pk)
