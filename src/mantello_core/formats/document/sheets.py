"""Bought transfer sheets as part of the document."""

from ...insignia.transfers.bought_sheet import BoughtSheet, read_designs, write_designs
from .pointer import at


def write_sheet(one: BoughtSheet) -> dict:
    """A bought sheet, JSON-ready."""
    return vars(one) | {"designs": write_designs(one.designs)}


def read_sheet(data: dict, where: str) -> BoughtSheet:
    """A bought sheet from its mapping.

    Raises: what its designs refuse, with a JSON pointer.
    """
    with at(f"{where}/designs"):
        return BoughtSheet(data["id"], data["name"], data["owned"], read_designs(data["designs"]))
