"""Sample armies that ship with the product."""

from functools import cache
from importlib.resources import files

from ..schemes.scheme import Design
from .document import read_design_bytes


@cache
def levy() -> Design:
    """The Levy of Calvessa: about 200 figures of twenty types in six formations, the demo's army."""
    return _read("levy")


@cache
def calvessa() -> Design:
    """Three companies of fusiliers and the rangers of the levy: 31 figures, for trials and examples."""
    return _read("calvessa")


def _read(name: str) -> Design:
    return read_design_bytes((files(__package__) / "data" / f"{name}.json").read_bytes())
