"""The checks' page: what was found as cards by cause, fixes previewed and applied, findings accepted, thresholds and aims set."""

from collections.abc import Iterator
from dataclasses import dataclass, replace

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.shortcuts import redirect
from django.urls import reverse
from django.views.decorators.http import require_POST, require_safe

from mantello.jobs.models import Job
from mantello.shell.download import drawing
from mantello.workspace.lit import lit_address
from mantello.workspace.page import apply, army_for, back, room_page
from mantello.workspace.reading import BARE, Reading
from mantello.workspace.readings import reading_of
from mantello_core.army.tree import Figure
from mantello_core.checks.card import Card, cards_of, fixed
from mantello_core.checks.finding import Check
from mantello_core.colour.spaces import Lab
from mantello_core.design.design import Design
from mantello_core.errors import MantelloError, OutOfRange
from mantello_core.formats.drawing import plate_svg
from mantello_core.scheme.aim import THRESHOLDS, Aims, with_accepted, with_marked, with_share, with_threshold
from mantello_core.scheme.cascade import FigureClass, resolve
from mantello_core.scheme.change import changes

from .all_checks import all_checks, card_in, card_of, check_named, measures_of
from .fix_pictures import as_it_is, before_and_after
from .pick import pick_from

#: cards of one check that are shown at once
_SHOWN = 6
#: swatches of a card at most, and what an area without a colour is lit in
_SWATCHES, UNMAPPED = 4, "#fbfbfb"


@dataclass(frozen=True)
class Shown:
    """A card as it is shown: its swatches, where its figure is drawn, and what would come in the place of what is."""

    card: Card
    #: role names with their colours
    worn: tuple[tuple[str, Lab | None], ...]
    #: where the lit figure is drawn; '' where no figure is pointed at
    picture: str
    #: the roles that its fixes give, with their colours
    instead: tuple[tuple[str, Lab | None], ...]


@login_required
@require_safe
def checks(request, army_id):
    """Every check with what it found as cards by cause, worst first; one card may be open, with its fix previewed."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    measures = measures_of(army, reading, again="again" in request.GET)
    made = all_checks(reading, measures)
    card = card_in(made, request.GET.get("check", ""), request.GET.get("card", ""))
    context = {
        "title": "Checks",
        "view": "checks",
        "pick": pick_from(reading, request.GET),
        "found": [
            (check, cards[:_SHOWN], cards[_SHOWN:])
            for check in made
            if check.findings
            for cards in [list(_shown(army, reading, check))]
        ],
        "clear": [check for check in made if not check.findings],
        "measures": measures if measures and measures.state != Job.State.DONE else None,
        "opened": card,
        "fix_preview": _preview(reading, card) if card and card.fixes and card.check != "camouflage" else None,
        "fix_pictures": before_and_after(army, reading, card) if card else None,
        "harmony": reading.harmony,
        "thresholds": {name: (reading.design.scheme.aims.threshold(name), *row) for name, row in THRESHOLDS.items()},
        "aims": reading.design.scheme.aims,
        "wanted": dict(reading.design.scheme.aims.shares),
    }
    return room_page(request, army, "scheme", "scheme/checks.html", context)


def _shown(army, reading: Reading, check: Check) -> Iterator[Shown]:
    colours = reading.design.scheme.role_by_id

    def coloured(roles) -> tuple[tuple[str, Lab | None], ...]:
        known = [role for role in dict.fromkeys(roles) if role in colours]
        return tuple(
            (colours[role].name, tones.flats if (tones := reading.tones(role)) else None) for role in known[:_SWATCHES]
        )

    for card in cards_of(check):
        first = card.first
        if first.unit and (areas := card.areas_on(first.unit, first.rank)):
            picture = lit_address(army, first.unit, first.rank, first.ordinal, areas)
        else:
            picture = as_it_is(army, reading, card)
        yield Shown(card, coloured(card.roles), picture, coloured(fix.role for fix in card.fixes if fix.role))


def _preview(reading: Reading, card: Card):
    """What would change its role; another layout of a pattern changes none."""
    after = fixed(reading.design, card)
    return changes(reading.resolution, resolve(after.army, after.scheme))


@login_required
@require_safe
def lit_figure(request, army_id):
    """A figure on which the areas that are named have their colours, the rest of it is bare."""
    army = army_for(request, army_id)
    reading = reading_of(army.head)
    areas = set(request.GET.getlist("area"))
    try:
        one = reading.resolution.of(Figure(request.GET["unit"], request.GET["rank"], int(request.GET["figure"])))
    except (MantelloError, StopIteration, KeyError, ValueError) as error:
        raise Http404 from error
    view = max(one.plate.views, key=lambda view: sum(seen.mm2 for seen in view.areas if seen.area in areas))
    return drawing(
        plate_svg(one.plate, view.name, lambda area: _lit(reading, one, area, areas), detail="small"), request
    )


def _lit(reading: Reading, one: FigureClass, area: str, lit: set[str]) -> str:
    if area not in lit:
        return BARE
    return UNMAPPED if one.cells[area].role is None else reading.fill(one, area)


@login_required
@require_POST
def fix(request, army_id):
    """Apply the fixes that a card proposes, all as one edit."""
    army = army_for(request, army_id)
    card = card_of(army, reading_of(army.head), request.POST.get("check", ""), request.POST.get("card", ""))
    if card is None or not card.fixes:
        raise Http404
    apply(request, army, lambda design: fixed(design, card), f"Fixed: {card.words}")
    return redirect("checks", army.pk)


@login_required
@require_POST
def accept(request, army_id):
    """Accept a finding, or all of a card, with a note; or take acceptances back."""
    army = army_for(request, army_id)
    reading, check = reading_of(army.head), request.POST.get("check", "")
    known = check_named(army, reading, check)
    card = card_of(army, reading, check, request.POST.get("card", ""))
    keys = tuple(one.key for one in card.findings) if card else tuple(request.POST.getlist("finding"))
    there = {one.key for one in known.findings} | {one.key for one, _ in known.accepted} if known else set()
    if not keys or not there.issuperset(keys):
        raise Http404
    note = None if request.POST.get("do") == "withdraw" else request.POST.get("note", "")
    words = "Acceptance taken back" if note is None else f"Accepted: {note.strip()}"

    def noted(design: Design) -> Design:
        aims = design.scheme.aims
        for key in keys:
            aims = with_accepted(aims, check, key, note)
        return _aimed(design, aims)

    apply(request, army, noted, words)
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
