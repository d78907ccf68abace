"""The shelf and the shopping list as separated values."""

import csv
import io
import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from difflib import get_close_matches

from ..errors import MantelloError, OutOfRange, Unreadable
from ..paints.catalogue import SHIPPED, Catalogue
from ..paints.paint import Paint
from ..paints.range import paints
from ..paints.shopping import Purchase
from ..paints.stock import Stock, checked_stock
from .spreadsheet import harmless, said_in

FIELDS = ("paint", "name", "range", "pots", "price", "note", "discontinued")
#: what is written for a paint that is no longer made, and what is taken for it
GONE, _GONE_SAID = "yes", {"yes", "true", "1", "x"}
MOST_CHARACTERS, MOST_LINES = 200_000, 2000


@dataclass(frozen=True)
class ShelfLine:
    """One line of a shelf: which paint and how much of it, or why it cannot be taken."""

    number: int
    text: str
    paint: str = ""
    stock: Stock | None = None
    doubt: str = ""


def write_shelf(shelf: Mapping[str, Stock], catalogue: Catalogue = SHIPPED) -> str:
    """Everything that is owned, in shelf order; reads back to the same. catalogue: the paints there are."""
    rows = [
        (
            id_,
            pot.name,
            pot.range,
            f"{stock.pots:g}",
            "" if stock.price is None else f"{stock.price:g}",
            stock.note,
            GONE if stock.discontinued else "",
        )
        for id_, pot in in_shelf_order(shelf, catalogue)
        if not (stock := shelf[id_]).empty
    ]
    return _written(FIELDS, rows)


def in_shelf_order(shelf: Mapping[str, Stock], catalogue: Catalogue) -> list[tuple[str, Paint]]:
    """The paints of a shelf in the order of the ranges, own ones after them."""
    order = {id_: at for at, id_ in enumerate(paints())}
    ids = sorted(shelf, key=lambda id_: (order.get(id_, len(order)), id_))
    return [(id_, catalogue.paint(id_)) for id_ in ids]


def write_shopping(purchases: Iterable[Purchase]) -> str:
    """The shopping list: paints of which there is not enough."""
    rows = [
        (one.paint.name, one.paint.range, one.pots, f"{one.paint.volume:g}", f"{one.missing:.2f}", _money(one.cost))
        for one in purchases
        if one.pots
    ]
    return _written(("name", "range", "pots", "ml in a pot", "ml missing", "cost"), rows)


def read_shelf(text: str, catalogue: Catalogue = SHIPPED) -> list[ShelfLine]:
    """Every line of a shelf with a header line: ``paint`` (id) or ``name``, ``pots``, perhaps ``price`` and ``note``.

    catalogue: the paints there are.

    Commas, semicolons or tabs; numbers with a point or a comma. Nothing is dropped: a line that cannot be
    taken comes back with its doubt.
    Raises: Unreadable without a header; OutOfRange for too much of it.
    """
    if len(text) > MOST_CHARACTERS:
        raise OutOfRange(f"The shelf has {len(text)} signs; allowed is up to {MOST_CHARACTERS}.", "file")
    lines = text.lstrip("\ufeff").splitlines()
    if len(lines) > MOST_LINES:
        raise OutOfRange(f"The shelf has {len(lines)} lines; allowed is up to {MOST_LINES}.", "file")
    delimiter = max(",;\t", key=(lines[0] if lines else "").count)
    try:
        rows = list(csv.reader(lines, delimiter=delimiter, strict=False))
    except csv.Error as error:
        raise Unreadable(f"The file is no table of separated values: {error}.", "file") from error
    header = [name.strip().lower() for name in rows[0]] if rows else []
    if "pots" not in header or not {"paint", "name"} & set(header):
        raise Unreadable(
            "The first line must name the columns: 'paint' or 'name', and 'pots'; perhaps 'price' and 'note'."
            f" It reads '{(lines[0] if lines else '')[:60]}'.",
            "file",
        )
    found = [
        _line(
            number,
            dict(zip(header, map(said_in, row), strict=False)),
            delimiter.join(row),
            row[len(header) :],
            catalogue,
        )
        for number, row in enumerate(rows[1:], 2)
        if any(value.strip() for value in row)
    ]
    first: dict[str, int] = {}
    for at, line in enumerate(found):
        if line.paint and first.setdefault(line.paint, line.number) != line.number:
            told = f"{catalogue.paint(line.paint).name} is on line {first[line.paint]} already; keep one of them."
            found[at] = ShelfLine(line.number, line.text, doubt=told)
    return found


def _line(number: int, values: dict[str, str], text: str, beyond: list[str], catalogue: Catalogue) -> ShelfLine:
    try:
        if any(beyond):
            raise Unreadable(f"There is more in the line than columns: '{' '.join(beyond)[:60]}'.", "file")
        id_ = _paint_of(values, catalogue)
        price = _number(values["price"], "price") if values.get("price") else None
        gone = values.get("discontinued", "").casefold() in _GONE_SAID
        stock = checked_stock(Stock(_number(values.get("pots", ""), "pots"), price, values.get("note", ""), gone))
    except MantelloError as error:
        return ShelfLine(number, text[:200], doubt=error.message)
    return ShelfLine(number, text[:200], id_, stock)


def _paint_of(values: dict[str, str], catalogue: Catalogue) -> str:
    if values.get("paint"):
        return catalogue.paint(values["paint"]).id
    written = values.get("name", "")
    shelf = values.get("range", "").casefold()
    named = [pot for pot in catalogue if pot.name.casefold() == written.casefold()]
    found = [pot for pot in named if not shelf or pot.range.casefold() == shelf]
    if len(found) != 1:
        near = get_close_matches(written, [pot.name for pot in catalogue], 3, 0.6)
        more = f"; near it: {', '.join(near)}" if near and not named else ""
        raise Unreadable(
            f"'{written[:60]}' names {len(found) or 'no'} paint{'s' if len(found) > 1 else ''}{more}.", "name"
        )
    return found[0].id


def _number(text: str, field: str) -> float:
    try:
        value = float(text.replace(",", "."))
    except ValueError:
        value = math.nan
    if not math.isfinite(value):
        raise Unreadable(f"'{text[:40]}' is no number of {field}; write one such as 1 or 0.5.", field)
    return value


def _money(cost: float | None) -> str:
    return "" if cost is None else f"{cost:.2f}"


def _written(header: Iterable[str], rows: Iterable[tuple]) -> str:
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\n")
    writer.writerow(header)
    writer.writerows([harmless(value) for value in row] for row in rows)
    return out.getvalue()
