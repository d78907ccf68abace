"""Work moved by hand: a batch dragged to another time, the lanes laid anew while it is dragged, and put back."""

from dataclasses import replace
from datetime import datetime, timedelta

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.http import HttpResponse
from django.shortcuts import redirect
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for
from mantello_core.calendar.evenings import checked_evenings
from mantello_core.errors import OutOfRange

from .batch import Batch
from .drawing import lanes_svg
from .evening import Evening, Wishes
from .painters import painter_in_hand

#: minutes that times are moved by
STEP = 5


@login_required
@require_POST
def move_batch(request, army_id):
    """A batch is moved to a minute of the session, to the next session, or all that was moved is put back."""
    army = army_for(request, army_id)
    evening = Evening(army, timezone.now(), painter_in_hand(request, army))
    if request.POST.get("do") == "forget":
        apply(request, army, lambda design: _with_wishes(design, ()), "Moved work put back where the plan has it")
        return redirect("plan", army.pk)
    batch = evening.find(request.POST.get("batch", ""))
    if batch is None:
        messages.error(request, "The plan has changed since this page was opened, so nothing was moved.")
        return redirect("plan", army.pk)
    moment = _asked(evening, batch, request.POST.get("to", ""))
    wishes = _moved(evening, batch, moment)
    apply(
        request, army, lambda design: _with_wishes(design, wishes),
        f"{batch.title}, {batch.unit}: moved to {moment:%A %H:%M}",
    )  # fmt: skip
    landed = _landed(Evening(army, timezone.now(), evening.painter), batch)
    if landed and abs((landed - moment).total_seconds()) > 60 * STEP:
        messages.info(
            request, f"It begins {landed:%A %-d %B at %H:%M}: what must come before it, and dry, holds it until then."
        )
    return redirect("plan", army.pk)


@login_required
@require_safe
def moved_lanes(request, army_id):
    """The lanes of the session as they would be, were a batch moved; nothing is kept."""
    army = army_for(request, army_id)
    painter = painter_in_hand(request, army)
    evening = Evening(army, timezone.now(), painter)
    batch = evening.find(request.GET.get("batch", ""))
    if batch is None:
        return HttpResponse(status=404)
    wishes = _moved(evening, batch, _asked(evening, batch, request.GET.get("to", "")))
    tried = evening.tried(wishes)
    return HttpResponse(lanes_svg(tried, tried.tonight, tried.plan.sessions[0]))


def _asked(evening: Evening, batch: Batch, text: str) -> datetime:
    """The moment that is asked for: minutes after the session's start, or 'next' for the next session.

    Raises: OutOfRange for anything else.
    """
    sessions = evening.plan.sessions
    if text == "next":
        at = batch.block.session + 1
        if at >= len(sessions):
            raise OutOfRange("There is no session after this one within the calendar.", "to")
        return sessions[at].start
    try:
        minutes = round(float(text) / STEP) * STEP
    except ValueError:
        minutes = -1
    session = sessions[batch.block.session]
    if not 0 <= minutes <= session.seconds / 60:
        raise OutOfRange(f"'{text[:20]}' is no minute of the session; it has {session.seconds / 60:.0f}.", "to")
    return session.start + timedelta(minutes=minutes)


def _moved(evening: Evening, batch: Batch, moment: datetime) -> Wishes:
    """What is wished already, less what is over or of this batch, and this batch at that moment."""
    mine = {atom.id for atom in batch.atoms}
    open_atoms = {atom.id for task in evening.work.tasks for atom in task.atoms}
    kept = [one for one in evening.evenings.wishes if one[0] in open_atoms - mine]
    return (*kept, (batch.atoms[0].id, moment.replace(microsecond=0).isoformat(timespec="minutes")))


def _landed(evening: Evening, batch: Batch) -> datetime | None:
    """When work begins that a batch was part of."""
    mine = batch.atoms[0].id
    starts = [block.start for block in evening.plan.blocks if any(atom.id == mine for atom in block.task.atoms)]
    return min(starts, default=None)


def _with_wishes(design, wishes: Wishes):
    return replace(design, evenings=checked_evenings(replace(design.evenings, wishes=wishes)))
