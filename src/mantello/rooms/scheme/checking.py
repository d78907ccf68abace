"""The checks' page: findings, fixes previewed and applied, findings accepted, thresholds and aims set."""

from dataclasses import replace

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.workspace.page import apply, army_for, back, room_page
from mantello.workspace.reading import Reading, reading_of
from mantello_core.checks.finding import Check, Finding
from mantello_core.design.design import Design
from mantello_core.errors import OutOfRange
from mantello_core.scheme.aim import THRESHOLDS, Aims, with_accepted, with_marked, with_share, with_threshold
from mantello_core.scheme.cascade import resolve
from mantello_core.scheme.change import changes

from .pick import pick_from


@login_required
@require_safe
def checks(request, army_id):
    """Every check with all its findings, worst first; one finding may be open, with its fix previewed."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    opened = (request.GET.get("check", ""), request.GET.get("finding", ""))
    found = _find(reading, *opened)
    context = {
        "title": "Checks",
        "view": "checks",
        "pick": pick_from(reading, request.GET),
        "ranked": reading.ranked_checks,
        "opened": opened,
        "fix_preview": _preview(reading, found) if found and found.fix else None,
        "harmony": reading.harmony,
        "thresholds": {name: (reading.design.scheme.aims.threshold(name), *row) for name, row in THRESHOLDS.items()},
        "aims": reading.design.scheme.aims,
        "wanted": dict(reading.design.scheme.aims.shares),
    }
    return room_page(request, army, "scheme", "scheme/checks.html", context)


def _find(reading: Reading, check: str, key: str) -> Finding | None:
    found = next((one for one in reading.checks if one.id == check), None)
    return next((one for one in found.findings if one.key == key), None) if found else None


def _preview(reading: Reading, finding: Finding):
    after = finding.fix.change(reading.design)
    return changes(reading.resolution, resolve(after.army, after.scheme))


@login_required
@require_POST
def fix(request, army_id):
    """Apply the fix that a finding proposes."""
    army = army_for(request, army_id)
    finding = _find(reading_of(army.head), request.POST.get("check", ""), request.POST.get("finding", ""))
    if finding is None or finding.fix is None:
        raise Http404
    apply(request, army, finding.fix.change, f"Fixed: {finding.what}")
    return redirect("checks", army.pk)


@login_required
@require_POST
def accept(request, army_id):
    """Accept a finding with a note, or take the acceptance back."""
    army = army_for(request, army_id)
    check, key = request.POST.get("check", ""), request.POST.get("finding", "")
    known: Check | None = next((one for one in reading_of(army.head).checks if one.id == check), None)
    keys = {one.key for one in known.findings} | {one.key for one, _ in known.accepted} if known else set()
    if key not in keys:
        raise Http404
    note = None if request.POST.get("do") == "withdraw" else request.POST.get("note", "")
    words = "Acceptance taken back" if note is None else f"Accepted: {note.strip()}"
    apply(request, army, lambda design: _aimed(design, with_accepted(design.scheme.aims, check, key, note)), words)
    return redirect("checks", army.pk)


@login_required
@require_POST
def set_threshold(request, army_id):
    """Adjust a threshold of this army, or put the usual value back."""
    army = army_for(request, army_id)
    name, text = request.POST.get("name", ""), request.POST.get("value", "").strip().replace(",", ".")
    value = None if request.POST.get("do") == "usual" else _number(text, "value")
    apply(
        request,
        army,
        lambda design: _aimed(design, with_threshold(design.scheme.aims, name, value)),
        f"Threshold {name}: {text or 'as usual'}",
    )
    return redirect(f"{reverse('checks', args=[army.pk])}#thresholds")


@login_required
@require_POST
def mark_role(request, army_id, role):
    """Mark a role as an accent or a signature, or set its wanted share."""
    army = army_for(request, army_id)
    name = reading_of(army.head).design.scheme.role(role).name
    kind = request.POST.get("kind", "")
    if kind == "share":
        text = request.POST.get("share", "").strip().rstrip("%").replace(",", ".")
        share = _number(text, "share") / 100 if text else None
        apply(
            request,
            army,
            lambda design: _aimed(design, with_share(design.scheme.aims, role, share)),
            f"{name}: wanted share {text or 'none'}",
        )
    else:
        on = request.POST.get("on") == "yes"
        apply(
            request,
            army,
            lambda design: _aimed(design, with_marked(design.scheme.aims, role, kind, on=on)),
            f"{name}: {kind} {'marked' if on else 'unmarked'}",
        )
    return back(request, "checks", army.pk)


def _aimed(design: Design, aims: Aims) -> Design:
    return replace(design, scheme=replace(design.scheme, aims=aims))


def _number(text: str, where: str) -> float:
    try:
        return float(text)
    except ValueError as error:
        raise OutOfRange(f"'{text[:40]}' is no number.", where) from error
