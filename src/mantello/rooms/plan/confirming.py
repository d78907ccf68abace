"""Cautions that were read: said once in an evening, then quiet."""

from datetime import datetime, timedelta

from django.contrib.auth.decorators import login_required
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_POST

from mantello.workspace.page import army_for

#: what the browser's session calls them; for how long they stay quiet; most that are kept, and signs of each
_READ, QUIET_FOR, _MOST, _SIGNS = "cautions-read", timedelta(hours=8), 60, 400


def confirmed_now(request) -> frozenset[str]:
    """Cautions that were read in the last hours."""
    known = request.session.get(_READ) or {}
    now = timezone.now()
    return frozenset(words for words, moment in known.items() if now - datetime.fromisoformat(moment) < QUIET_FOR)


@login_required
@require_POST
def confirm_cautions(request, army_id):
    """The cautions of a step were read; they keep quiet for this evening."""
    army = army_for(request, army_id)
    now, kept = timezone.now().isoformat(), {words: request.session[_READ][words] for words in confirmed_now(request)}
    said = [one[:_SIGNS] for one in request.POST.getlist("caution") if one.strip()]
    request.session[_READ] = dict(list((kept | dict.fromkeys(said, now)).items())[-_MOST:])
    return redirect("plan" if request.POST.get("from") == "plan" else "desk", army.pk)
