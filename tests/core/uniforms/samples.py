"""Almanacs and tables that the tests of dress share."""

from pathlib import Path

from mantello_core.uniforms.almanac import Almanac, with_facts
from mantello_core.uniforms.fact import Source
from mantello_core.uniforms.reading.table import read_table

TABLES = Path(__file__).parent / "tables"
SOURCES = (
    Source("order", "Order", "order", 205), Source("roll", "Roll", "roll", 212), Source("log", "Log", "diary", 211),
)  # fmt: skip
_HEAD = "Arm,No,Title,Company,Rank,Garment,Colour,From,Until,Source,Certainty\n"


def almanac(lines: str) -> Almanac:
    """An almanac of lines: arm, number, title, company, rank, garment, colour, from, until, source, certainty."""
    return with_facts(Almanac("Sample", sources=SOURCES), tuple(read_table((_HEAD + lines).encode()).facts))
