"""Edits of the painter's own emblems: taken in, drawn anew, called otherwise, taken away."""

from dataclasses import replace

from ..errors import Contradiction, OutOfRange, UnknownName
from ..insignia.devices.device import OWN, Device, checked_device
from ..naming import named
from .design import Design

#: emblems of one scheme at most
MOST_OWN = 120


def with_own_device(design: Design, device: Device) -> Design:
    """Keep an emblem; one of the same name is drawn anew, wherever it is borne.

    Raises: what ``checked_device`` refuses; OutOfRange for too many.
    """
    device = checked_device(device)
    before = next((one for one in design.scheme.devices if one.text.casefold() == device.text.casefold()), None)
    if before is None and len(design.scheme.devices) >= MOST_OWN:
        raise OutOfRange(f"There are {MOST_OWN} emblems already; take one away first.", "name")
    kept = tuple(device if one is before else one for one in design.scheme.devices)
    return _borne(
        replace(design, scheme=replace(design.scheme, devices=kept if before else (*kept, device))), before, device
    )


def with_own_device_named(design: Design, name: str, now: str) -> Design:
    """Call an emblem otherwise, wherever it is borne.

    Raises: UnknownName; Contradiction if another is called so; what names refuse.
    """
    before = own_device(design, name)
    after = replace(before, text=named(now))
    if any(one.text.casefold() == after.text.casefold() for one in design.scheme.devices if one is not before):
        raise Contradiction(f"Another emblem is called '{after.text}'.", "name")
    kept = tuple(after if one is before else one for one in design.scheme.devices)
    return _borne(replace(design, scheme=replace(design.scheme, devices=kept)), before, after)


def without_own_device(design: Design, name: str) -> Design:
    """Take an emblem away that nobody bears.

    Raises: UnknownName; Contradiction if it is borne.
    """
    gone = own_device(design, name)
    borne = sum(one.device == gone for one in design.scheme.placements)
    if borne:
        raise Contradiction(
            f"'{gone.text}' is placed {borne} time{'s' if borne > 1 else ''}; take those marks off first.", "name"
        )
    kept = tuple(one for one in design.scheme.devices if one is not gone)
    return replace(design, scheme=replace(design.scheme, devices=kept))


def own_device(design: Design, name: str) -> Device:
    """The emblem of that name.

    Raises: UnknownName.
    """
    found = next((one for one in design.scheme.devices if one.text == name), None)
    if found is None:
        raise UnknownName("emblem", name, [one.text for one in design.scheme.devices], "name")
    return found


def _borne(design: Design, before: Device | None, after: Device) -> Design:
    """Whoever bears an emblem bears it as it is now."""
    assert after.kind == OWN
    placements = tuple(
        replace(one, device=after) if before is not None and one.device == before else one
        for one in design.scheme.placements
    )
    return replace(design, scheme=replace(design.scheme, placements=placements))
