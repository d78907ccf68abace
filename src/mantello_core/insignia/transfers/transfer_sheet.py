"""Transfers laid on sheets at 1:1: pieces with bleed and cut lines, nested, counted; cuts for domes; the size check."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import rectpack
from shapely.geometry.base import BaseGeometry

from ...errors import OutOfRange

#: papers by name: width and height, mm
PAPERS = {"A6": (105.0, 148.0), "A5": (148.0, 210.0), "A4": (210.0, 297.0)}
#: mm: colour beyond the outline, free space between pieces, edge of the sheet, band at its foot for bar and labels
BLEED, GAP, EDGE, FOOT = 0.4, 1.2, 8.0, 20.0
#: pieces on all sheets together, at most
MOST_PIECES = 3000
#: a cut of a relief closes so much at most, mm, and goes so deep, as a share of the radius
_CLOSES, _DEPTH = 0.35, 0.6


@dataclass(frozen=True, eq=False)
class Decal:
    """One kind of piece: shapes in mm about its middle, back to front, each with its '#rrggbb'."""

    label: str
    pieces: tuple[tuple[BaseGeometry, str], ...]
    #: its outline without bleed, and the colour that bleeds; '' for none
    outline: BaseGeometry
    bleeds: str
    copies: int
    #: whether it goes on a dark ground, and so wants white beneath
    dark: bool = False

    @property
    def cut(self) -> BaseGeometry:
        """Where it is cut out."""
        return self.outline.buffer(BLEED)


@dataclass(frozen=True, eq=False)
class Laid:
    """One copy on a sheet: its middle, mm from the left and the top; turned by a quarter or not."""

    decal: Decal
    sheet: int
    x: float
    y: float
    turned: bool


def nested(decals: Sequence[Decal], paper: str) -> tuple[Laid, ...]:
    """Every copy of every piece, on as few sheets as found.

    Raises: OutOfRange for the paper, for too many pieces, or for a piece larger than the sheet.
    """
    if paper not in PAPERS:
        raise OutOfRange(f"The paper '{paper[:20]}'; allowed are {', '.join(PAPERS)}.", "paper")
    count = sum(one.copies for one in decals)
    if count > MOST_PIECES:
        raise OutOfRange(f"{count} pieces; allowed are {MOST_PIECES}.", "count")
    wide, tall = PAPERS[paper][0] - 2 * EDGE, PAPERS[paper][1] - 2 * EDGE - FOOT
    sizes = []
    for decal in decals:
        left, top, right, bottom = decal.cut.bounds
        size = right - left + GAP, bottom - top + GAP
        if min(size) > min(wide, tall) or max(size) > max(wide, tall):
            raise OutOfRange(f"{decal.label} is {size[0]:.0f} x {size[1]:.0f} mm and does not fit on {paper}.", "paper")
        sizes.append(size)
    packer = rectpack.newPacker(rotation=True)
    for at, (decal, (across, down)) in enumerate(zip(decals, sizes, strict=True)):
        for _ in range(decal.copies):
            packer.add_rect(_units(across), _units(down), at)
    packer.add_bin(int(wide * 100), int(tall * 100), count=math.inf)
    packer.pack()
    found = []
    for sheet, x, y, across, down, at in packer.rect_list():
        decal = decals[at]
        turned = (across, down) != (_units(sizes[at][0]), _units(sizes[at][1]))
        left, top, right, bottom = decal.cut.bounds
        shift_x, shift_y = (left + right) / 2, (top + bottom) / 2
        if turned:
            shift_x, shift_y = -shift_y, shift_x
        found.append(
            Laid(decal, sheet, EDGE + (x + across / 2) / 100 - shift_x, EDGE + (y + down / 2) / 100 - shift_y, turned)
        )
    return tuple(sorted(found, key=lambda one: (one.sheet, one.y, one.x)))


def _units(size: float) -> int:
    """Hundredths of a mm, rounded up: what is nested is counted in whole ones."""
    return math.ceil(size * 100)


@dataclass(frozen=True)
class Relief:
    """Cuts that let a flat disc lie on a dome."""

    #: mm of edge the flat disc has too much
    excess: float
    cuts: int
    #: mm from the edge inwards
    depth: float


def relief(width_mm: float, dome_radius_mm: float) -> Relief:
    """Cuts for a disc so wide on a sphere of that radius: excess edge = 2 pi r - 2 pi R sin(r / R).

    Raises: OutOfRange for sizes that are not positive, or a disc that goes past the half of the dome.
    """
    r = width_mm / 2
    if not (width_mm > 0 and dome_radius_mm > 0):
        raise OutOfRange("A width and a radius above 0 are wanted.", "width")
    if r > dome_radius_mm * math.pi / 2:
        raise OutOfRange(f"A disc {width_mm:g} mm wide goes past the half of a dome of {dome_radius_mm:g} mm.", "width")
    excess = 2 * math.pi * (r - dome_radius_mm * math.sin(r / dome_radius_mm))
    cuts = 0 if excess < 0.1 else max(2, math.ceil(excess / _CLOSES))
    return Relief(excess, cuts, _DEPTH * r if cuts else 0.0)


def printer_scale(wanted_mm: float, measured_mm: float) -> float:
    """Per cent to print at, so that a bar comes out as wanted when it measured otherwise at 100.

    Raises: OutOfRange unless the bar measured a fifth off at most.
    """
    if not 0.8 * wanted_mm <= measured_mm <= 1.25 * wanted_mm:
        raise OutOfRange(
            f"The bar of {wanted_mm:g} mm measured {measured_mm:g}; allowed is {0.8 * wanted_mm:g} to {1.25 * wanted_mm:g}.",
            "measured",
        )
    return 100 * wanted_mm / measured_mm
