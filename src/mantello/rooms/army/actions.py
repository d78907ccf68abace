"""Changes of an army: each is one verb, atomic, and makes an edition that can be undone."""

import uuid
from collections.abc import Callable

from django.db import transaction
from django.db.models import Max

from mantello.rooms.log.actions import follow_ranks
from mantello.shell.refusal import StaleEdit
from mantello_core.formats.document import write_design
from mantello_core.schemes.muster import empty_army
from mantello_core.schemes.scheme import Design, Scheme

from .models import Army, Edition
from .reading import reading_of, remember


def create_army(owner, name: str) -> Army:
    """A new, empty army with an empty scheme."""
    design = Design(empty_army(name), Scheme("Scheme"))
    return keep_design(owner, design, "Army created")


@transaction.atomic
def keep_design(owner, design: Design, words: str) -> Army:
    """A new army that holds a design."""
    army = Army.objects.create(owner=owner, name=design.army.root.name)
    army.head = Edition.objects.create(army=army, number=1, document=write_design(design), words=words)
    army.save(update_fields=["head"])
    return army


@transaction.atomic
def edit(
    army: Army,
    base: int,
    change: Callable[[Design], Design],
    words: str | Callable[[Design, Design], str],
    token: uuid.UUID | None = None,
) -> Edition:
    """Apply a change to the design the page showed; the edition that results.

    base: number of the edition the page showed. token: the browser's mark of the request; a repeated
    one is answered with the edition it made the first time.
    Raises: StaleEdit if the work has moved on; what ``change`` refuses.
    """
    army = _locked(army)
    if token is not None:
        known = army.editions.filter(token=token).first()
        if known is not None:
            return known
    before = _design_to_edit(army, base)
    after = change(before)
    if after == before:
        return army.head
    said = words if isinstance(words, str) else words(before, after)
    number = army.editions.aggregate(most=Max("number"))["most"] + 1
    made = Edition.objects.create(
        army=army, number=number, parent=army.head, document=write_design(after), words=said[:240], token=token
    )
    remember(made, after)
    _move(army, made, after)
    return made


@transaction.atomic
def undo(army: Army, base: int) -> Edition | None:
    """Go back one edition; the one that was undone, or None if there is none.

    Raises: StaleEdit if the work has moved on.
    """
    army = _locked(army)
    _design_to_edit(army, base)
    undone = army.head
    if undone.parent is None:
        return None
    _move(army, undone.parent, reading_of(undone.parent).design)
    return undone


@transaction.atomic
def redo(army: Army, base: int) -> Edition | None:
    """Go forward to the newest edition made from here, or None if there is none.

    Raises: StaleEdit if the work has moved on.
    """
    army = _locked(army)
    _design_to_edit(army, base)
    newest = army.head.children.order_by("-number").first()
    if newest is not None:
        _move(army, newest, reading_of(newest).design)
    return newest


def _locked(army: Army) -> Army:
    return Army.objects.select_for_update(of=("self",)).select_related("head").get(pk=army.pk)


def _design_to_edit(army: Army, base: int) -> Design:
    if army.head.number != base:
        since = army.editions.filter(number__gt=base).order_by("number").values_list("words", flat=True)
        raise StaleEdit(army, base, list(since)[-8:])
    return reading_of(army.head).design


def _move(army: Army, edition: Edition, design: Design) -> None:
    follow_ranks(army, reading_of(army.head).design, design)
    army.head, army.name = edition, design.army.root.name
    army.save(update_fields=["head", "name"])
