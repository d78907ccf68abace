"""Bought sheets of a design: added, changed, removed; and what the army needs of them."""

from collections.abc import Callable
from dataclasses import replace

from ..colour.spaces import Lab
from ..design.bearing import device_words
from ..errors import OutOfRange, UnknownName
from ..insignia.devices.device import ARMS
from ..insignia.transfers.bought_sheet import MOST_OWNED, MOST_SHEETS, BoughtSheet, Need, read_designs
from ..naming import named, slug
from .allotment import Allotment


def with_sheet(design, sheet_id: str, name: str, owned: int, designs: str):
    """The design with a kind of sheet added (an id of '') or changed. designs: the plain list of what is on it.

    Raises: UnknownName for sheet or arms; OutOfRange; Unreadable for a line of the list.
    """
    known = {one.id: one for one in design.sheets}
    if sheet_id and sheet_id not in known:
        raise UnknownName("sheet", sheet_id, list(known), "sheet")
    if not sheet_id and len(known) >= MOST_SHEETS:
        raise OutOfRange(f"There are {len(known)} kinds of sheet; allowed are {MOST_SHEETS}.", "name")
    if not 0 <= owned <= MOST_OWNED:
        raise OutOfRange(f"{owned} sheets; allowed are 0 to {MOST_OWNED}.", "owned")
    read = read_designs(designs)
    for one in read:
        if one.device.kind == ARMS:
            design.scheme.named_arms(one.device.text, "designs")
    made = BoughtSheet(sheet_id or slug(name, set(known)), named(name), owned, read)
    rest = tuple(made if one.id == made.id else one for one in design.sheets)
    return replace(design, sheets=rest if sheet_id else (*rest, made))


def without_sheet(design, sheet_id: str):
    """The design without a kind of sheet.

    Raises: UnknownName.
    """
    if sheet_id not in {one.id for one in design.sheets}:
        raise UnknownName("sheet", sheet_id, [one.id for one in design.sheets], "sheet")
    return replace(design, sheets=tuple(one for one in design.sheets if one.id != sheet_id))


def needs_of(
    design, allotments: tuple[Allotment, ...], colour_of: Callable[[str, str], Lab | None]
) -> tuple[Need, ...]:
    """What the army's transfers need, the largest first. colour_of: a role's look at a tier, None without a recipe."""
    found = []
    for one in allotments:
        if one.manner.method != "transfer":
            continue
        first = one.bearers[0]
        figures = tuple(
            f"{each.rank_name} {ordinal}, {design.army.title(each.unit)}"
            for each in one.bearers
            for ordinal in each.ordinals
        )
        label = f"{device_words(design.scheme, one.device)} on {one.site.id.replace('.', ' ')}"
        ground = colour_of(one.ground, first.tier) or Lab(50, 0, 0)
        ink = colour_of(one.role, first.tier) if one.role else None
        found.append(
            Need(label[:1].upper() + label[1:], one.device, one.site.width, one.site.height, figures, ground, ink)
        )
    return tuple(found)
