"""Sample armies, and a shelf, that ship with the product."""

import json
import tomllib
from dataclasses import replace
from functools import cache
from importlib.resources import files

from ..camouflage.pattern import Overlay
from ..design.design import Design
from ..design.pattern_edit import with_changed, with_pattern
from ..paints.stock import Stock
from ..uniforms.almanac import Almanac, with_facts
from ..uniforms.fact import Source
from ..uniforms.reading.table import read_table
from .document.design import read_design_bytes
from .document.patterns import read_pattern
from .document.rules import read_rule
from .shelf import read_shelf


@cache
def levy() -> Design:
    """The Levy of Calvessa: about 200 figures of twenty types in six formations, the demo's army."""
    return _read("levy")


@cache
def camouflaged_levy() -> Design:
    """The levy as the demo shows it: its vehicles and its rangers' cloaks in camouflage."""
    design = levy()
    rows = json.loads((files(__package__) / "data" / "levy_camouflage.json").read_text(encoding="utf-8"))
    for at, row in enumerate(rows):
        pattern = read_pattern(row["pattern"], design.scheme.role_by_id, f"/{at}/pattern")
        design = with_pattern(design, pattern, read_rule(row["rule"]))
    return design


def whitewashed(design: Design) -> Design:
    """The demo's army in winter: limewash worn thin over the pattern of its vehicles."""
    return with_changed(design, replace(design.scheme.pattern("estuary-blotch"), overlays=(Overlay("white", 0.62),)))


@cache
def calvessa() -> Design:
    """Three companies of fusiliers and the rangers of the levy: 31 figures, for trials and examples."""
    return _read("calvessa")


@cache
def dress_almanac() -> Almanac:
    """The invented Dress Almanac of the year 212."""
    folder = files(__package__) / "data"
    told = tomllib.loads((folder / "dress_sources_212.toml").read_text(encoding="utf-8"))
    sources = tuple(Source(id_, **about) for id_, about in told["source"].items())
    read = read_table((folder / "dress_almanac_212.csv").read_bytes())
    return with_facts(Almanac(told["title"], sources=sources, year=told["year"]), tuple(read.facts))


@cache
def sample_shelf() -> dict[str, Stock]:
    """What the demo's painter owns: paint id to stock."""
    lines = read_shelf((files(__package__) / "data" / "shelf.csv").read_text(encoding="utf-8"))
    return {line.paint: line.stock for line in lines}


def _read(name: str) -> Design:
    return read_design_bytes((files(__package__) / "data" / f"{name}.json").read_bytes())
