"""A shelf with its own paints as JSON, and what a palette of another program says of paints."""

import json
import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import lab_of_hex
from ..errors import OutOfRange, Unreadable
from ..paints.catalogue import SHIPPED, Catalogue
from ..paints.own import OwnPaint, by_swatch
from ..paints.paint import Paint
from ..paints.range import paints
from ..paints.stock import Stock, checked_stock
from .document.own_paints import MOST_OWN, read_said, write_own_paint
from .palette import Palette, PaletteLine
from .strict_json import read_json

FORMAT, VERSION = "mantello-shelf", 1
MOST_CHARACTERS, MOST_PAINTS = 2_000_000, 2000
#: CIEDE2000 up to which two swatches of one name are the same paint
_SAME = 5.0


@dataclass(frozen=True)
class ShelfRead:
    """What a file says of a shelf: own paints, what is owned of every paint, and lines that are neither."""

    said: tuple[OwnPaint, ...]
    shelf: dict[str, Stock]
    told: tuple[PaletteLine, ...] = ()


def write_shelf_document(shelf: Mapping[str, Stock], own: Iterable[Paint]) -> str:
    """The shelf and the own paints as JSON; reads back to the same."""
    stocks = [
        {"paint": id_, "pots": stock.pots, "price": stock.price, "note": stock.note, "discontinued": stock.discontinued}
        for id_, stock in shelf.items()
        if not stock.empty
    ]
    document = {
        "format": FORMAT,
        "version": VERSION,
        "own": [write_own_paint(pot.said) for pot in own],
        "shelf": stocks,
    }
    return json.dumps(document, indent=1, ensure_ascii=False) + "\n"


def read_shelf_document(text: str, catalogue: Catalogue = SHIPPED) -> ShelfRead:
    """A shelf from its JSON: all of it, or a refusal. catalogue: the paints there are besides those it brings.

    Raises: Unreadable, OutOfRange or UnknownName with a JSON pointer.
    """
    if len(text) > MOST_CHARACTERS:
        raise OutOfRange(f"The shelf has {len(text)} signs; allowed is up to {MOST_CHARACTERS}.", "file")
    document = read_json(text.encode("utf-8", "surrogatepass"), "The file", "file")
    if not isinstance(document, dict) or document.get("format") != FORMAT or document.get("version") != VERSION:
        raise Unreadable(f"The file is no shelf: it has to begin with format '{FORMAT}', version {VERSION}.", "/format")
    rows, own = document.get("shelf", []), document.get("own", [])
    if not isinstance(rows, list) or not isinstance(own, list):
        raise Unreadable("'shelf' and 'own' have to be lists.", "/shelf")
    if len(rows) > MOST_PAINTS or len(own) > MOST_OWN:
        raise OutOfRange(
            f"{len(rows)} paints and {len(own)} own ones; allowed are {MOST_PAINTS} and {MOST_OWN}.", "/shelf"
        )
    said = tuple(read_said(one, f"/own/{at}") for at, one in enumerate(own))
    brought = {one.id for one in said}
    return ShelfRead(said, dict(_stock(row, f"/shelf/{at}", catalogue, brought) for at, row in enumerate(rows)))


def shelf_of_palette(palette: Palette, opacity: str) -> ShelfRead:
    """Paints of a palette: names that a range knows are on the shelf, one pot each; others become own paints.

    opacity: class that own paints are taken to have, since a palette does not say. The palette's name stands in the note.
    Raises: UnknownName for the class.
    """
    by_name = {pot.name.casefold(): pot for pot in paints().values()}
    said, shelf, told = [], {}, list(palette.told)
    stock = Stock(1.0, note=f"From the palette {palette.name}" if palette.name else "")
    for colour in palette.colours:
        known = by_name.get(colour.name.casefold())
        if known is None:
            one = by_swatch(colour.name, "acrylic", lab_of_hex(colour.hex), opacity)
            said.append(one)
            shelf[one.id] = stock
            continue
        shelf[known.id] = stock
        apart = difference(known.swatch, lab_of_hex(colour.hex))
        if apart > _SAME:
            words = f"{known.name} of {known.range} is on your shelf now; its colour is another than {colour.hex} (CIEDE2000 {apart:.0f}), and stays."
            told.append(PaletteLine(colour.number, f"{colour.hex} {colour.name}", words))
    return ShelfRead(tuple(said), shelf, tuple(sorted(told, key=lambda one: one.number)))


def _stock(row: object, where: str, catalogue: Catalogue, brought: set[str]) -> tuple[str, Stock]:
    try:
        price = None if row.get("price") is None else float(row["price"])
        stock = Stock(float(row["pots"]), price, str(row.get("note", "")), bool(row.get("discontinued", False)))
        id_ = str(row["paint"])
        if id_ not in brought:
            id_ = catalogue.paint(id_, f"{where}/paint").id
    except (AttributeError, KeyError, TypeError, ValueError) as error:
        raise Unreadable(
            f"A paint on the shelf reads like {{paint, pots, price, note}}; this one does not: {error}.", where
        ) from error
    if not math.isfinite(stock.pots) or (price is not None and not math.isfinite(price)):
        raise Unreadable("Pots and price have to be numbers.", where)
    return id_, checked_stock(stock, where)
