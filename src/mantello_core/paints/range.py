"""The paint ranges that ship with the product. All of them are invented."""

import hashlib
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from ..data_table import data_table
from ..errors import UnknownName
from .paint import Flake, Paint

_ORDER = ("fornace", "quay_and_lamb", "tern", "old_customs_house")


@dataclass(frozen=True)
class Range:
    """A maker's range."""

    id: str
    name: str
    note: str
    paints: tuple[Paint, ...]


@cache
def ranges() -> tuple[Range, ...]:
    """The four ranges, in shelf order."""
    return tuple(_read(name) for name in _ORDER)


@cache
def paints() -> dict[str, Paint]:
    """Every paint by id, in shelf order."""
    return {paint.id: paint for shelf in ranges() for paint in shelf.paints}


def paint(paint_id: str, where: str = "") -> Paint:
    """The paint of the ranges of that id; a painter's own are looked up in a ``Catalogue``.

    Raises: UnknownName, with near ids, at ``where``.
    """
    found = paints().get(paint_id)
    if found is None:
        raise UnknownName("paint", paint_id, list(paints()), where)
    return found


@cache
def digest_of_ranges() -> str:
    """What tells these ranges from any others, for tables that were worked out from them."""
    return hashlib.sha256("".join(map(_written, _ORDER)).encode()).hexdigest()[:16]


def _written(name: str) -> str:
    return (files(__package__) / "data" / f"{name}.toml").read_text(encoding="utf-8")


def _read(name: str) -> Range:
    data = data_table(__package__, name)
    return Range(name, data["name"], data["note"], tuple(_paint(row, data) for row in data["paint"]))


def _paint(row: dict, data: dict) -> Paint:
    row = dict(data.get("usual", {}), **row)
    row["flake"] = Flake(**row["flake"]) if "flake" in row else None
    row["hazards"] = tuple(row.get("hazards", ()))
    return Paint(range=data["name"], **row)
