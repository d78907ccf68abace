"""Sample armies, and a shelf, that ship with the product."""

from functools import cache
from importlib.resources import files

from ..design.design import Design
from ..paints.stock import Stock
from .document.design import read_design_bytes
from .shelf import read_shelf


@cache
def levy() -> Design:
    """The Levy of Calvessa: about 200 figures of twenty types in six formations, the demo's army."""
    return _read("levy")


@cache
def calvessa() -> Design:
    """Three companies of fusiliers and the rangers of the levy: 31 figures, for trials and examples."""
    return _read("calvessa")


@cache
def sample_shelf() -> dict[str, Stock]:
    """What the demo's painter owns: paint id to stock."""
    lines = read_shelf((files(__package__) / "data" / "shelf.csv").read_text(encoding="utf-8"))
    return {line.paint: line.stock for line in lines}


def _read(name: str) -> Design:
    return read_design_bytes((files(__package__) / "data" / f"{name}.json").read_bytes())
