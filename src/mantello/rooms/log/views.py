"""The Log room: what was done, when, with what, to which version of the scheme."""

from itertools import groupby

from django.contrib import messages
from django.contrib.auth.decorators import login_required
from django.core.paginator import Paginator
from django.shortcuts import get_object_or_404, redirect
from django.urls import reverse
from django.utils import timezone
from django.views.decorators.http import require_POST, require_safe

from mantello.record import logging as actions
from mantello.record.drifting import difference_of, differences
from mantello.record.laid import coats_laid
from mantello.record.log import log_of
from mantello.record.models import Settlement
from mantello.record.pace import dryings_of, kinds_of, total_minutes
from mantello.record.queries import progress, remembered
from mantello.shell.soon import beside
from mantello.workspace.page import apply, army_for, back, room_page
from mantello.workspace.readings import reading_of
from mantello_core.design.locking import with_lock, without_lock
from mantello_core.errors import MantelloError, OutOfRange, UnknownName
from mantello_core.record.drift import kept_as_painted
from mantello_core.record.hiding import Taught, hiding_taught

from .measuring import even_roles


@login_required
@require_safe
def log(request, army_id):
    """Entries by day, versions, and minutes planned against actual."""
    return _page(request, army_for(request, army_id))


def _page(request, army, status=200, refusal=None):
    reading = reading_of(army.head)
    log, taught = log_of(army), _taught(army, reading)
    page = Paginator(army.entries.select_related("version"), 100).get_page(request.GET.get("page"))
    days = [
        (day, list(entries))
        for day, entries in groupby(page, key=lambda entry: timezone.localtime(entry.done_at).date())
    ]
    context = {
        "title": "Log",
        "painters": _painters(army, reading),
        "days": days,
        "page": page,
        "versions": army.versions.all(),
        "kinds": kinds_of(log),
        "dryings": dryings_of(log),
        "taught": [
            (one, reading.design.scheme.role(one.role), reading.design.catalogue.paint(one.calibration.paint))
            for one in taught
        ],
        "minutes": total_minutes(log),
        "even": even_roles(army, reading),
        "differences": differences(army, reading),
        "settled": army.settlements.select_related("version"),
        "locks": _locks(army, reading),
        "refusal": refusal,
        "typed": {"drift": request.POST.get("drift", ""), "note": request.POST.get("note", "")},
    }
    return room_page(request, army, "log", "log/log.html", context, status)


def _taught(army, reading) -> tuple[Taught, ...]:
    """What finished steps say of their paints; all of them are predicted anew for it.

    Raises: BeingWorkedOut while a page is asked for that can wait for it.
    """

    def taught():
        laid, design = coats_laid(army, reading), reading.design
        return beside(
            ("taught", army.pk, army.head_id, army.log_mark),
            lambda: hiding_taught(design, reading.resolution, laid),
            little=not laid,
        )

    return remembered(army, "taught", taught)


def _painters(army, reading) -> dict[str, str]:
    """What painters are called by their ids, the owner by ''; nothing where the owner paints alone."""
    others = {one.id: one.name for one in reading.design.evenings.painters}
    return {"": army.owner.called, **others} if others else {}


def _locks(army, reading) -> list:
    """Units that are finished or locked: id, title, whether it is locked, figures finished, figures."""
    everyone, design = progress(army), reading.design
    rows = []
    for unit in design.army.units:
        mine = [one for key, one in everyone.items() if key[0] == unit.id]
        finished = sum(one.progress.finished for one in mine)
        locked = unit.id in design.scheme.locked
        if locked or (mine and finished == len(mine)):
            rows.append((unit.id, design.army.title(unit.id), locked, finished, len(mine)))
    return rows


@login_required
@require_POST
def settle_difference(request, army_id):
    """Keep figures as they were painted, accept a difference with a note, or ask for its steps again."""
    army = army_for(request, army_id)
    do, note = request.POST.get("do", ""), request.POST.get("note", "")
    try:
        found = difference_of(army, reading_of(army.head), request.POST.get("drift", ""))
        if do == "keep" and found.may_be_kept:
            apply(request, army, lambda design: kept_as_painted(design, found.drift), f"Kept: {found.words}"[:240])
        elif do == "repaint" and found.may_be_repainted:
            actions.settle(army, found, Settlement.Kind.REPAINT, note)
            messages.success(request, f"{found.words}. The plan asks for {found.now} on them again.")
        elif do == "accept" and found.drift.kind != "role":
            if not note.strip():
                raise OutOfRange("No reason was written; say in a few words why it may stay.", "note")
            actions.settle(army, found, Settlement.Kind.ACCEPTED, note)
            messages.success(request, f"{found.words}. Accepted.")
        else:
            raise OutOfRange(f"'{do[:20]}' cannot be done with this difference.", "drift")
    except UnknownName:
        messages.info(request, "That difference is no longer there; the list is as it stands now.")
    except MantelloError as error:
        return _page(request, army, 422, error)
    return redirect(f"{reverse('log', args=[army.pk])}#differences")


@login_required
@require_POST
def lock_unit(request, army_id):
    """A painted unit is locked, or its lock is lifted with a reason."""
    army = army_for(request, army_id)
    unit, reason = request.POST.get("unit", ""), request.POST.get("reason", "").replace("\x00", "")
    title = reading_of(army.head).design.army.title(unit) if unit in reading_of(army.head).design.army.nodes else unit
    try:
        if request.POST.get("do") == "lift":
            apply(
                request,
                army,
                lambda design: without_lock(design, unit, reason),
                f"Lock of {title} lifted: {reason.strip()}"[:240],
            )
        else:
            apply(request, army, lambda design: with_lock(design, unit), f"{title} locked as painted")
    except MantelloError as error:
        return _page(request, army, 422, error)
    return redirect(f"{reverse('log', args=[army.pk])}#locks")


@login_required
@require_POST
def reopen_settlement(request, army_id, settlement_id):
    """Take back what was decided about a difference."""
    army = army_for(request, army_id)
    settlement = get_object_or_404(army.settlements, pk=settlement_id)
    settlement.delete()
    messages.success(request, "The decision was taken back.")
    return redirect(f"{reverse('log', args=[army.pk])}#differences")


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


@login_required
@require_POST
def found_dry(request, army_id, batch):
    """What a batch laid is dry now, sooner or later than it was planned; the plan learns from it."""
    army = army_for(request, army_id)
    if actions.found_dry(army, batch, timezone.now()):
        messages.success(request, "Dry. From the next session on the plan counts on what you found.")
    else:
        messages.error(request, "That batch is not in the log any more.")
    return back(request, "desk", army.pk)
