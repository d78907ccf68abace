"""Paints to pick from, wherever a form wants one: found by letters, one's own shelf first, near colours."""

from django.contrib.auth.decorators import login_required
from django.shortcuts import render
from django.views.decorators.http import require_safe

from mantello.shelf.models import OwnedPaint
from mantello.workspace.catalogue import catalogue_for
from mantello.workspace.page import army_for
from mantello_core.paints.choosing import choices_for


@login_required
@require_safe
def pick_paint(request, army_id):
    """Paints by some letters, or near the one that is chosen now, as a part of a page."""
    army = army_for(request, army_id)
    catalogue = catalogue_for(army)
    words = request.GET.get("q", "")[:80]
    now = catalogue.get(request.GET.get("now", ""))
    found = choices_for(catalogue, OwnedPaint.objects.stocked(request.user), words, now)
    return render(request, "paints/picked.html", {"found": found, "words": words.strip(), "now": now})
