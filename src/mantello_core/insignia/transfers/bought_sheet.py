"""Bought transfer sheets: what is on them, which piece goes on which figure, and how many sheets are short."""

import csv
import io
import math
import re
from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

from ...colour.difference import difference
from ...colour.spaces import Lab, lab_of_hex
from ...errors import MantelloError, OutOfRange, Unreadable
from ...numerals import whole_number
from ..devices.device import ARMS, Device, checked_device, figures

#: designs on one sheet, sheets of one kind owned, kinds of sheet; mm of a piece
MOST_DESIGNS, MOST_OWNED, MOST_SHEETS, SIZES = 200, 500, 60, (0.3, 200.0)
#: a piece fills so much of its site at least; L* it stands off its ground at least, and should
_FILLS, _STEP, _CLEAR = 0.45, 15.0, 30.0
#: spare pieces for each that is used, for those that tear
SPARE = 0.1
_COLOUR = re.compile(r"#[0-9a-fA-F]{6}")


@dataclass(frozen=True)
class SheetDesign:
    """One design on a sheet: its name, what it shows, its colour, its size in mm, and how often it is there."""

    name: str
    device: Device
    colour: str
    width: float
    height: float
    count: int


@dataclass(frozen=True)
class BoughtSheet:
    """A kind of sheet and how many of it are owned."""

    id: str
    name: str
    owned: int
    designs: tuple[SheetDesign, ...]


@dataclass(frozen=True)
class Need:
    """Figures that bear one mark on one site, in the order they stand; ground and ink as they look."""

    label: str
    device: Device
    width: float
    height: float
    figures: tuple[str, ...]
    ground: Lab
    ink: Lab | None = None


@dataclass(frozen=True)
class Share:
    """What one need gets: for each figure a design's place on its sheet or None; why designs were passed over."""

    need: Need
    given: tuple[tuple[str, tuple[str, int] | None], ...]
    #: pieces for all figures and spares that are missing, and sheets of the best kind that would bring them
    short: int
    buy: int
    buy_of: str
    #: figures whose neighbour in the row has the very same piece though others fit
    repeats: int
    passed: tuple[str, ...]


def read_designs(text: str) -> tuple[SheetDesign, ...]:
    """Designs from a plain list: name; what; colour; width; height; count. One design a line, commas or semicolons.

    what: numerals and letters, 'arms:' and an id, or the name of a plain figure.
    Raises: Unreadable with the line and what is allowed there.
    """
    found = []
    rows = csv.reader(io.StringIO(text), delimiter=";" if ";" in text else ",")
    for number, row in enumerate(rows, 1):
        cells = [cell.strip() for cell in row]
        if not any(cells):
            continue
        if len(cells) != 6:
            raise Unreadable(
                f"Line {number} has {len(cells)} entries; wanted are 6: name; what; colour; width; height; count.",
                "designs",
            )
        found.append(_design(number, *cells))
    if not 1 <= len(found) <= MOST_DESIGNS:
        raise OutOfRange(f"{len(found)} designs; allowed are 1 to {MOST_DESIGNS}.", "designs")
    return tuple(found)


def write_designs(designs: Sequence[SheetDesign]) -> str:
    """The designs as the list that ``read_designs`` reads."""
    out = io.StringIO()
    writer = csv.writer(out, delimiter=";", lineterminator="\n")
    for one in designs:
        writer.writerow([one.name, _what(one.device), one.colour, f"{one.width:g}", f"{one.height:g}", one.count])
    return out.getvalue()


def _what(device: Device) -> str:
    if device.kind == ARMS:
        return f"{ARMS}:{device.text}"
    return device.text if device.kind == "text" else device.kind


def _design(number: int, name: str, what: str, colour: str, width: str, height: str, count: str) -> SheetDesign:
    where = f"Line {number}"
    if not 1 <= len(name) <= 60:
        raise Unreadable(f"{where}: the name has {len(name)} characters; allowed is 1 to 60.", "designs")
    if what.startswith(f"{ARMS}:"):
        device = Device(ARMS, what.removeprefix(f"{ARMS}:"))
    elif what.lower() in figures():
        device = Device(what.lower())
    else:
        try:
            device = checked_device(Device("text", what))
        except MantelloError:
            known = ", ".join(figures())
            raise Unreadable(
                f"{where}: '{what[:20]}' is no mark; write up to 3 numerals or letters, 'arms:' and an id, or one of {known}.",
                "designs",
            ) from None
    if not _COLOUR.fullmatch(colour):
        raise Unreadable(f"{where}: '{colour[:20]}' is no colour; write it as #c0a040.", "designs")
    sizes = []
    for said, word in ((width, "width"), (height, "height")):
        try:
            size = float(said)
        except ValueError:
            size = math.nan
        if not SIZES[0] <= size <= SIZES[1]:
            raise Unreadable(
                f"{where}: a {word} of '{said[:20]}'; allowed is {SIZES[0]:g} to {SIZES[1]:g} mm.", "designs"
            )
        sizes.append(size)
    pieces = whole_number(count, 999)
    if not pieces:
        raise Unreadable(f"{where}: a count of '{count[:20]}'; allowed is 1 to 999.", "designs")
    return SheetDesign(name, device, colour.lower(), *sizes, pieces)


def shared_out(needs: Sequence[Need], sheets: Sequence[BoughtSheet]) -> tuple[Share, ...]:
    """Pieces for every figure: those that fit, stand off the ground and come near the ink, never the same beside itself.

    A piece fits that is no larger than its site and fills 45 % of its width or height. It is passed over under 15 L* from
    its ground; 30 are preferred. Needs are served in their order, so that what is scarce goes to the first.
    """
    left = Counter(
        {(sheet.id, at): one.count * sheet.owned for sheet in sheets for at, one in enumerate(sheet.designs)}
    )
    return tuple(_share(need, sheets, left) for need in needs)


def _share(need: Need, sheets: Sequence[BoughtSheet], left: Counter) -> Share:
    fitting, passed = [], []
    for sheet in sheets:
        for at, one in enumerate(sheet.designs):
            if one.device != need.device:
                continue
            why = _unfit(one, need)
            if why:
                passed.append(f"{one.name} ({sheet.name}): {why}")
            else:
                fitting.append(((sheet.id, at), one, sheet))
    fitting.sort(key=lambda each: _dislike(each[1], need))
    given, before, repeats = [], None, 0
    for figure in need.figures:
        able = [key for key, _, _ in fitting if left[key] > 0]
        other = [key for key in able if key != before]
        # a piece like the neighbour's only if nothing else is left; among the rest whatever there is most of
        key = max(other, key=lambda each: left[each], default=None) or (able[0] if able else None)
        if key is not None:
            left[key] -= 1
            repeats += key == before and len(fitting) > 1
        given.append((figure, key))
        before = key
    wanted = len(need.figures) + max(1, math.ceil(len(need.figures) * SPARE - 1e-9)) if need.figures else 0
    spare = sum(left[key] for key, _, _ in fitting)
    short = max(0, wanted - sum(key is not None for _, key in given) - spare)
    best = max((sheet for _, _, sheet in fitting), key=lambda sheet: _per_sheet(sheet, need), default=None)
    each = _per_sheet(best, need) if best else 0
    return Share(
        need, tuple(given), short, math.ceil(short / each) if each else 0, best.name if best else "", repeats, tuple(passed)
    )  # fmt: skip


def _per_sheet(sheet: BoughtSheet, need: Need) -> int:
    return sum(one.count for one in sheet.designs if one.device == need.device and not _unfit(one, need))


def _unfit(one: SheetDesign, need: Need) -> str:
    """Why a piece does not do; '' if it does."""
    if one.width > need.width or one.height > need.height:
        return f"{one.width:g} x {one.height:g} mm is larger than the site, {need.width:g} x {need.height:g}"
    if max(one.width / need.width, one.height / need.height) < _FILLS:
        return f"{one.width:g} x {one.height:g} mm is lost on the site, {need.width:g} x {need.height:g}"
    step = abs(lab_of_hex(one.colour).lightness - need.ground.lightness)
    return "" if step >= _STEP else f"only {step:.0f} L* off its ground"


def _dislike(one: SheetDesign, need: Need) -> tuple[bool, float]:
    colour = lab_of_hex(one.colour)
    faint = abs(colour.lightness - need.ground.lightness) < _CLEAR
    return faint, difference(colour, need.ink) if need.ink else 0.0
