"""A shelf with its own paints as JSON, and what a palette of another program says of paints."""

import json
import math
import re
from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..colour.spaces import Lab, lab_of_hex
from ..errors import OutOfRange, Unreadable
from ..paints.catalogue import SHIPPED, Catalogue
from ..paints.own import by_swatch
from ..paints.paint import Paint
from ..paints.range import paints
from ..paints.stock import Stock, checked_stock
from .document.own_paints import MOST_OWN, read_own_paint, write_own_paint
from .strict_json import read_json

FORMAT, VERSION = "mantello-shelf", 1
MOST_CHARACTERS, MOST_PAINTS, MOST_COLOURS = 2_000_000, 2000, 400
_COLOUR = re.compile(r"^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$")


@dataclass(frozen=True)
class ShelfRead:
    """What a file says of a shelf: own paints, and what is owned of every paint."""

    own: tuple[Paint, ...]
    shelf: dict[str, Stock]


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
    pots = tuple(read_own_paint(one, f"/own/{at}") for at, one in enumerate(own))
    return ShelfRead(pots, dict(_stock(row, f"/shelf/{at}", catalogue.with_own(pots)) for at, row in enumerate(rows)))


def read_palette(text: str, opacity: str) -> ShelfRead:
    """Paints from a GIMP palette: names that a range knows are on the shelf, one pot each; others become own paints.

    opacity: class that own paints are taken to have, since a palette does not say.
    Raises: Unreadable if it is no palette or has no colour; OutOfRange for too many colours.
    """
    lines = text.lstrip("\ufeff")[:MOST_CHARACTERS].splitlines()
    if not lines or lines[0].strip() != "GIMP Palette":
        raise Unreadable(f"The file is no GIMP palette; it begins with '{(lines or [''])[0][:40]}'.", "file")
    colours = [match for line in lines[1:] if (match := _COLOUR.match(line))]
    if not colours:
        raise Unreadable("There is no colour in the palette.", "file")
    if len(colours) > MOST_COLOURS:
        raise OutOfRange(f"The palette has {len(colours)} colours; allowed is up to {MOST_COLOURS}.", "file")
    by_name = {pot.name.casefold(): id_ for id_, pot in paints().items()}
    own: list[Paint] = []
    shelf: dict[str, Stock] = {}
    for match in colours:
        name = "".join(sign for sign in (match[4] or "") if sign.isprintable()).strip()[:80]
        known = by_name.get(name.casefold())
        if known is None:
            pot = paint_of(by_swatch(name or f"Colour {len(own) + 1}", "acrylic", _colour(match), opacity))
            own.append(pot)
            known = pot.id
        shelf[known] = Stock(1.0)
    return ShelfRead(tuple(dict.fromkeys(own)), shelf)


def paint_of(said) -> Paint:
    """The paint of what is said, as it would be read back."""
    return read_own_paint(write_own_paint(said))


def _colour(match: re.Match) -> Lab:
    channels = [int(match[at]) for at in (1, 2, 3)]
    if max(channels) > 255:
        raise Unreadable(f"'{match[0].strip()[:60]}' is no colour: each number is 0 to 255.", "file")
    return lab_of_hex("#" + bytes(channels).hex())


def _stock(row: object, where: str, catalogue: Catalogue) -> tuple[str, Stock]:
    try:
        price = None if row.get("price") is None else float(row["price"])
        stock = Stock(float(row["pots"]), price, str(row.get("note", "")), bool(row.get("discontinued", False)))
        id_ = catalogue.paint(str(row["paint"]), f"{where}/paint").id
    except (AttributeError, KeyError, TypeError, ValueError) as error:
        raise Unreadable(
            f"A paint on the shelf reads like {{paint, pots, price, note}}; this one does not: {error}.", where
        ) from error
    if not math.isfinite(stock.pots) or (price is not None and not math.isfinite(price)):
        raise Unreadable("Pots and price have to be numbers.", where)
    if any(not sign.isprintable() for sign in stock.note):
        raise Unreadable("A note has to be one line.", f"{where}/note")
    return id_, checked_stock(stock, where)
