"""Marks that are placed, as part of the document."""

from dataclasses import replace

from ...errors import Contradiction, UnknownName
from ...insignia.devices.device import OWN, Device, checked_device
from ...insignia.devices.manner import Manner, checked_manner
from ...marks.placement import Placement, checked_placement
from .pointer import at
from .rules import read_filter, write_filter


def write_placement(one: Placement) -> dict:
    """A placement, JSON-ready."""
    device = (
        {name: value for name, value in vars(one.device).items() if (value or name == "text") and name != "drawn"}
        if one.device
        else None
    )
    manner = {name: value for name, value in vars(one.manner).items() if value != getattr(Manner(), name)}
    return {
        "id": one.id, "scope": one.scope, "site": one.site, "device": device, "role": one.role, **write_filter(one.filter),
        **({"manner": manner} if manner else {}),
    }  # fmt: skip


def read_devices(written: list[dict]) -> tuple[Device, ...]:
    """The painter's own emblems from their mappings.

    Raises: what ``checked_device`` refuses, with a JSON pointer; Contradiction for two of one name.
    """
    found: dict[str, Device] = {}
    for index, data in enumerate(written):
        where = f"/scheme/devices/{index}"
        with at(where):
            made = checked_device(Device(OWN, data["name"], drawn=data["drawn"]), "")
        if made.text.casefold() in found:
            raise Contradiction(f"Two emblems are called '{made.text}'.", f"{where}/name")
        found[made.text.casefold()] = made
    return tuple(found.values())


def read_placements(written: list[dict], own: tuple[Device, ...] = ()) -> tuple[Placement, ...]:
    """The placements from their mappings. own: the painter's own emblems, which they name.

    Raises: what devices, manners and placements refuse, with a JSON pointer; UnknownName for an emblem that is not there.
    """
    emblems = {one.text: one for one in own}
    found: tuple[Placement, ...] = ()
    for index, data in enumerate(written):
        where, device = f"/scheme/placements/{index}", data["device"]
        made = None
        if device:
            with at(f"{where}/device"):
                made = (
                    emblems.get(device.get("text", "")) if device["kind"] == OWN else checked_device(Device(**device))
                )
                if made is None:
                    raise UnknownName("emblem", device.get("text", ""), list(emblems), "text")
        placement = Placement(
            data["id"], data["scope"], data["site"], made, data["role"], read_filter(data.get("filter", {}))
        )
        if made and "manner" in data:
            manner = checked_manner(Manner(**data["manner"]), made, f"{where}/manner")
            placement = replace(placement, manner=manner)
        with at(where):
            found = (*found, checked_placement(placement, found))
    return found
