"""Marks that are placed, as part of the document."""

from dataclasses import replace

from ...insignia.devices.device import Device, checked_device
from ...insignia.devices.manner import Manner, checked_manner
from ...marks.placement import Placement, checked_placement
from .pointer import at
from .rules import read_filter, write_filter


def write_placement(one: Placement) -> dict:
    """A placement, JSON-ready."""
    device = (
        {name: value for name, value in vars(one.device).items() if value or name == "text"} if one.device else None
    )
    manner = {name: value for name, value in vars(one.manner).items() if value != getattr(Manner(), name)}
    return {
        "id": one.id, "scope": one.scope, "site": one.site, "device": device, "role": one.role, **write_filter(one.filter),
        **({"manner": manner} if manner else {}),
    }  # fmt: skip


def read_placements(written: list[dict]) -> tuple[Placement, ...]:
    """The placements from their mappings.

    Raises: what devices, manners and placements refuse, with a JSON pointer.
    """
    found: tuple[Placement, ...] = ()
    for index, data in enumerate(written):
        where, device = f"/scheme/placements/{index}", data["device"]
        made = None
        if device:
            with at(f"{where}/device"):
                made = checked_device(Device(**device))
        placement = Placement(
            data["id"], data["scope"], data["site"], made, data["role"], read_filter(data.get("filter", {}))
        )
        if made and "manner" in data:
            manner = checked_manner(Manner(**data["manner"]), made, f"{where}/manner")
            placement = replace(placement, manner=manner)
        with at(where):
            found = (*found, checked_placement(placement, found))
    return found
