"""Changes of an army: each is one verb, atomic, and makes an edition that can be undone."""

import uuid
from collections.abc import Callable

from django.db.models import Max

from mantello.shell.refusal import StaleEdit
from mantello_core.design.design import Design
from mantello_core.design.muster import empty_army
from mantello_core.errors import Contradiction, OutOfRange
from mantello_core.naming import named
from mantello_core.scheme.scheme import Scheme

from .locking import changing, locked
from .models import Army, Edition, Variant
from .readings import reading_of, remember
from .storing import columns

#: open variants at once
MOST_VARIANTS = 6


def create_army(owner, name: str) -> Army:
    """A new, empty army with an empty scheme."""
    design = Design(empty_army(name), Scheme("Scheme"))
    return keep_design(owner, design, "Army created")


@changing()
def keep_design(owner, design: Design, words: str) -> Army:
    """A new army that holds a design."""
    army = Army.objects.create(owner=owner, name=design.army.root.name, zone=design.evenings.zone, newest=1)
    army.head = Edition.objects.create(army=army, number=1, words=words, **columns(design))
    army.save(update_fields=["head"])
    return army


@changing()
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
    army = locked(army)
    if token is not None:
        known = army.editions.filter(token=token).first()
        if known is not None:
            return known
    before = _design_to_edit(army, base)
    after = change(before)
    if after == before:
        return army.head
    said = words if isinstance(words, str) else words(before, after)
    number = army.newest = (army.newest or army.editions.aggregate(most=Max("number"))["most"]) + 1
    made = Edition.objects.create(
        army=army, number=number, parent=army.head, words=said[:240], token=token, **columns(after)
    )
    remember(made, after)
    _move(army, made, after)
    return made


@changing()
def undo(army: Army, base: int) -> Edition | None:
    """Go back one edition; the one that was undone, or None if there is none.

    Raises: StaleEdit if the work has moved on.
    """
    army = locked(army)
    _design_to_edit(army, base)
    undone = army.head
    if undone.parent is None:
        return None
    _move(army, undone.parent, reading_of(undone.parent).design)
    return undone


@changing()
def redo(army: Army, base: int) -> Edition | None:
    """Go forward to the newest edition made from here, or None if there is none; one that another variant stands at is none.

    Raises: StaleEdit if the work has moved on.
    """
    army = locked(army)
    _design_to_edit(army, base)
    newest = army.onwards().first()
    if newest is not None:
        _move(army, newest, reading_of(newest).design)
    return newest


@changing()
def go_to(army: Army, base: int, number: int) -> Edition | None:
    """Let the work stand at another edition of its thread: one behind it, or one ahead that was undone; None if it is neither.

    Raises: StaleEdit if the work has moved on.
    """
    army = locked(army)
    _design_to_edit(army, base)
    wanted = army.editions.filter(number=number).first()
    if wanted is None:
        return None
    if not _leads_to(wanted, army.head):
        others = army.variants.exclude(pk=army.variant_id)
        if not _leads_to(army.head, wanted) or others.filter(edition=wanted).exists():
            return None
    _move(army, wanted, reading_of(wanted).design)
    return wanted


def _leads_to(first: Edition, last: Edition) -> bool:
    """Whether an edition lies on the way back from another."""
    at: Edition | None = last
    while at is not None and at.number >= first.number:
        if at.pk == first.pk:
            return True
        at = at.parent
    return False


@changing()
def branch(army: Army, base: int, name: str) -> Variant:
    """Start a variant from the design as it stands, and work on it; the design so far is kept as one too.

    Raises: StaleEdit; Contradiction if a variant has that name; OutOfRange for too many or a bad name.
    """
    army = locked(army)
    _design_to_edit(army, base)
    name = named(name)
    taken = set(army.variants.values_list("name", flat=True))
    if name in taken:
        raise Contradiction(f"There is a variant called '{name}' already.", "name")
    if army.variants.filter(state=Variant.State.OPEN).count() >= MOST_VARIANTS:
        raise OutOfRange(f"There are {MOST_VARIANTS} open variants; reject one first.", "name")
    if army.variant_id is None:
        first = next(one for one in ("As it was", "As it was before", f"As of edition {base}") if one not in taken)
        Variant.objects.create(army=army, name=first, edition=army.head)
    army.variant = Variant.objects.create(army=army, name=name, edition=army.head)
    army.save(update_fields=["variant"])
    return army.variant


@changing()
def work_on(army: Army, base: int, variant: Variant) -> None:
    """Go over to another variant; one that was rejected is open again.

    Raises: StaleEdit.
    """
    army = locked(army)
    _design_to_edit(army, base)
    army.variant = variant
    army.save(update_fields=["variant"])
    if variant.edition_id != army.head_id:
        _move(army, variant.edition, reading_of(variant.edition).design)
    if variant.state == Variant.State.REJECTED:
        variant.state = Variant.State.OPEN
        variant.save(update_fields=["state"])


@changing()
def adopt(army: Army, base: int, variant: Variant, reason: str) -> None:
    """Take a variant as the scheme; the other open ones are rejected for the same reason, and kept.

    Raises: StaleEdit; OutOfRange without a reason.
    """
    reason = _reason(reason)
    work_on(army, base, variant)
    variant.state, variant.reason = Variant.State.ADOPTED, reason
    variant.save(update_fields=["state", "reason"])
    army.variants.filter(state=Variant.State.ADOPTED).exclude(pk=variant.pk).update(state=Variant.State.REJECTED)
    army.variants.filter(state=Variant.State.OPEN).update(
        state=Variant.State.REJECTED, reason=f"{variant.name} was adopted: {reason}"[:300]
    )


def reject(variant: Variant, reason: str) -> None:
    """Set a variant aside with the reason; it is kept.

    Raises: OutOfRange without a reason; Contradiction if it is the one worked on.
    """
    if variant.army.variant_id == variant.pk:
        raise Contradiction("You are working on this variant; go over to another one first.", "reason")
    variant.state, variant.reason = Variant.State.REJECTED, _reason(reason)
    variant.save(update_fields=["state", "reason"])


def _reason(text: str) -> str:
    reason = " ".join(text.replace("\x00", "").split())
    if not 1 <= len(reason) <= 280:
        raise OutOfRange(f"The reason has {len(reason)} characters; allowed is 1 to 280.", "reason")
    return reason


def _design_to_edit(army: Army, base: int) -> Design:
    if army.head.number != base:
        since = army.editions.filter(number__gt=base).order_by("number").values_list("words", flat=True)
        raise StaleEdit(army, base, list(since)[-8:])
    return reading_of(army.head).design


def _move(army: Army, edition: Edition, design: Design) -> None:
    army.head, army.name, army.zone = edition, design.army.root.name, design.evenings.zone
    army.save(update_fields=["head", "name", "zone", "newest"])
    if army.variant_id:
        Variant.objects.filter(pk=army.variant_id).update(edition=edition)
