"""The demo force: the Levy of Calvessa, its scheme and evenings."""

from functools import cache
from importlib.resources import files

from ..schemes.scheme import Design
from .document import read_design_bytes


@cache
def calvessa() -> Design:
    """The demo design: two unit types with ranks, three companies, 31 figures."""
    return read_design_bytes((files(__package__) / "data" / "calvessa.json").read_bytes())
