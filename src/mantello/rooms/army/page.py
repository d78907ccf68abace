"""A page of a room: the army found, the work read, the seam told."""

import uuid
from dataclasses import dataclass

from django.contrib import messages
from django.http import HttpRequest, HttpResponse
from django.shortcuts import get_object_or_404, redirect, render
from django.urls import reverse
from django.utils import timezone

from mantello.rooms.log.queries import painted_share
from mantello.rooms.log.quoting import quote_left
from mantello.shell.fields import refused
from mantello_core.calendar.evenings import zone_of
from mantello_core.errors import MantelloError, OutOfRange

from . import actions
from .models import Army
from .reading import Reading, reading_of


@dataclass(frozen=True)
class SeamStep:
    """One room on the seam: where it is, and how settled."""

    id: str
    name: str
    url: str
    #: done, part or empty for a knot not begun
    state: str
    #: open points
    open: int = 0


@dataclass(frozen=True)
class Stand:
    """Where the work stands: the edition's number, and what undo and redo would do."""

    number: int
    undo_words: str
    redo_words: str


def army_for(request: HttpRequest, army_id: int) -> Army:
    """The visitor's army of that id, on its painter's clock from here on; another's is not found."""
    army = get_object_or_404(
        Army.objects.visible_to(request.user).select_related("head").defer("head__document"), pk=army_id
    )
    zone = zone_of(reading_of(army.head).design.evenings)
    if zone:
        timezone.activate(zone)
    return army


def room_page(request, army: Army, here: str, template: str, context: dict, status: int = 200) -> HttpResponse:
    """Render a room's page with the shell around it."""
    reading = reading_of(army.head)
    newest = army.head.children.order_by("-number").first()
    stand = Stand(army.head.number, army.head.words if army.head.parent_id else "", newest.words if newest else "")
    given = {
        "army": army,
        "reading": reading,
        "design": reading.design,
        "work": stand,
        "here": here,
        "seam": seam(army, reading),
    }
    return render(request, template, given | context, status=status)


def seam(army: Army, reading: Reading) -> list[SeamStep]:
    """The rooms in the order of work, with what is open in each."""
    figures = reading.design.army.figures
    open_points = {check.id: len(check.findings) for check in reading.checks} if figures else {}
    worn = set(reading.shares) if figures else set()
    unmade = sum(not reading.design.scheme.role(role).recipe().steps for role in worn)
    share = painted_share(army) if figures else 0.0
    arms = reading.design.scheme.arms
    gaps = open_points.get("unmapped", 0)
    rows = [
        ("army", "Army", "army", "done" if figures else "", 0),
        ("scheme", "Scheme", "scheme", ("part" if gaps else "done") if worn else "", gaps),
        (
            "insignia",
            "Insignia",
            "insignia",
            "done" if arms and all(one.bearer for one in arms) else "part" if arms else "",
            0,
        ),
        ("recipes", "Recipes", "recipes", ("part" if unmade else "done") if worn else "", unmade),
        ("paints", "Paints", "paints", "part" if worn else "", 0),
        ("plan", "Plan", "plan", "done" if share >= 1 else "part" if share else "", 0),
        ("log", "Log", "log", "done" if share >= 1 else "part" if share else "", 0),
    ]
    return [SeamStep(id_, name, reverse(url, args=[army.pk]), state, open_) for id_, name, url, state, open_ in rows]


def apply(request, army: Army, change, words, *, tell: bool = True):
    """Apply a posted change; a note with an undo button is left for the next page.

    Raises: OutOfRange if the page's edition is missing; StaleEdit; what the change refuses.
    """
    before = army.head
    made = actions.edit(army, base_of(request), change, words, token_of(request))
    army.refresh_from_db()
    if made.pk == army.head_id and made.parent_id:
        if made.pk != before.pk and army.decisions.exists():
            for said in quote_left(army, reading_of(before).design, reading_of(made).design):
                messages.warning(request, said)
        if tell:
            messages.success(request, made.words, extra_tags="undoable")
    return made


def apply_form(request, army: Army, form, change, words) -> bool:
    """Apply the change a valid form asks for; False if the core refuses it, which the form then tells at its field."""
    try:
        apply(request, army, change, words)
    except MantelloError as error:
        refused(form, error)
        return False
    return True


def apply_given(request, army: Army, form, change, words: str) -> bool:
    """Apply what a posted form gives, if the form is valid; False if it or the core refuses, which the form then tells.

    change: of the design and the form's cleaned data; words: with the names of its fields in braces.
    """
    if not form.is_valid():
        return False
    given = form.cleaned_data
    return apply_form(request, army, form, lambda design: change(design, given), words.format_map(given))


def base_of(request) -> int:
    """The number of the edition that the page showed."""
    given = request.POST.get("base", "")
    if not given.isdigit() or len(given) > 9:
        raise OutOfRange(f"The state of the work came as '{given[:20]}'; reload the page and try again.", "base")
    return int(given)


def token_of(request) -> uuid.UUID | None:
    """The browser's mark of the request, if it gave one."""
    try:
        return uuid.UUID(request.POST.get("token", ""))
    except ValueError:
        return None


def back(request, fallback: str, *arguments) -> HttpResponse:
    """To the page the edit came from, if it is one of ours, or to the fallback."""
    given = request.POST.get("next", "")
    if given.startswith("/") and not given.startswith("//") and "\\" not in given:
        return redirect(given)
    return redirect(fallback, *arguments)
