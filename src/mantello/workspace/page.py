"""A page of a room: the army found, the work read, the seam told."""

import uuid
from dataclasses import dataclass
from zoneinfo import ZoneInfo

from django.contrib import messages
from django.http import Http404, HttpRequest, HttpResponse
from django.shortcuts import redirect, render
from django.utils import timezone

from mantello.shell.fields import refused
from mantello.shell.page import way_back
from mantello_core.design.locking import refuse_changed_locks
from mantello_core.errors import MantelloError, OutOfRange
from mantello_core.numerals import whole_number

from . import editing as actions
from .guests import refuse_guests
from .models import Army
from .readings import reading_of
from .seam import seam
from .signals import edited


@dataclass(frozen=True)
class Stand:
    """Where the work stands: the edition's number, and what undo and redo would do."""

    number: int
    undo_words: str
    redo_words: str


def army_for(request: HttpRequest, army_id: int) -> Army:
    """The visitor's army of that id, or one they are invited to, on its painter's clock from here on; another's is not found.

    Raises: NotOwner for a guest's change that is the owner's to make.
    """
    army = seen_army(request, army_id)
    refuse_guests(request, army)
    if army.zone:
        timezone.activate(ZoneInfo(army.zone))
    return army


def seen_army(request: HttpRequest, army_id: int) -> Army:
    """An army that the visitor may see; another's is not found."""
    try:
        return Army.objects.seen_by(request.user, army_id)
    except Army.DoesNotExist as error:
        raise Http404 from error


def room_page(request, army: Army, here: str, template: str, context: dict, status: int = 200) -> HttpResponse:
    """Render a room's page with the shell around it."""
    reading = reading_of(army.head)
    redo = army.onwards().values_list("words", flat=True).first()
    stand = Stand(army.head.number, army.head.words if army.head.parent_id else "", redo or "")
    given = {
        "army": army,
        "reading": reading,
        "design": reading.design,
        "work": stand,
        "here": here,
        "seam": seam(army, reading),
        "is_guest": army.owner_id != request.user.pk,
    }
    return render(request, template, given | context, status=status)


def apply(request, army: Army, change, words, *, tell: bool = True):
    """Apply a posted change; a note with an undo button is left for the next page.

    Raises: OutOfRange if the page's edition is missing; StaleEdit; what the change refuses.
    """
    before = army.head

    def guarded(design):
        after = change(design)
        refuse_changed_locks(design, after)
        return after

    token = token_of(request)
    made = actions.edit(army, base_of(request), guarded, words, token)
    army.refresh_from_db()
    if made.pk == before.pk and (token is None or made.token != token):
        if tell:
            messages.info(request, "Nothing changed: it is so already.")
    elif made.pk == army.head_id and made.parent_id:
        if made.pk != before.pk:
            for _, sentences in edited.send(Army, army=army, before=before, after=made):
                for said in sentences:
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
    number = whole_number(given, 10**9)
    if number is None:
        raise OutOfRange(f"The state of the work came as '{given[:20]}'; reload the page and try again.", "base")
    return number


def token_of(request) -> uuid.UUID | None:
    """The browser's mark of the request, if it gave one."""
    try:
        return uuid.UUID(request.POST.get("token", ""))
    except ValueError:
        return None


def back(request, fallback: str, *arguments) -> HttpResponse:
    """To the page the edit came from, if it is one of ours, or to the fallback."""
    given = way_back(request)
    return redirect(given) if given else redirect(fallback, *arguments)
