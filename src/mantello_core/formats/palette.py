"""Paints as a GIMP palette, for programs that draw: colour names beside screen colours."""

from collections.abc import Iterable

from ..colour.spaces import hex_of
from ..paints.paint import Paint


def write_palette(name: str, pots: Iterable[Paint]) -> str:
    """A GIMP palette of the paints' swatches, in the order given; what no screen can show is the nearest it can.

    name: one line; line breaks in it become spaces.
    """
    lines = ["GIMP Palette", f"Name: {' '.join(name.split()) or 'Paints'}", "Columns: 8", "#"]
    for pot in pots:
        red, green, blue = bytes.fromhex(hex_of(pot.swatch)[1:])
        lines.append(f"{red:3d} {green:3d} {blue:3d}\t{pot.name}")
    return "\n".join(lines) + "\n"
