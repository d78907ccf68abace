"""Sample armies, and a shelf, that ship with the product."""

import json
from dataclasses import replace
from functools import cache
from importlib.resources import files

from ..camouflage.pattern import Overlay
from ..data_table import data_table
from ..design.casting import usual_cast, with_cast
from ..design.design import Design
from ..design.dressing import proposed_ranks, proposed_worn, with_cells_first, with_dress, words_used
from ..design.pattern_edit import with_changed, with_pattern
from ..mixing.cloth_mix import graded_mixes
from ..paints.range import paints
from ..paints.stock import Stock
from ..scheme.cascade import resolve
from ..uniforms.almanac import Almanac, with_facts
from ..uniforms.dress import Dress
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


@cache
def demo_levy() -> Design:
    """The levy as the demo shows it: its vehicles and cloaks in camouflage, its reed-cutters cast from few pots."""
    design = camouflaged_levy()
    cast = usual_cast(design, resolve(design.army, design.scheme), "reed-cutters")
    dealt = with_cast(design, replace(cast, seed=212))
    dead = {
        rule.id
        for rule in resolve(dealt.army, dealt.scheme).dead_rules(dealt.scheme, dealt.army)
        if rule.scope == "stiltmen"
    }
    rules = tuple(rule for rule in dealt.scheme.rules if rule.id not in dead)
    return replace(dealt, scheme=replace(dealt.scheme, rules=rules))


def dressed(design: Design) -> Design:
    """The demo's army as the almanac of 212 dresses it: the fusiliers of the line by the Lantern's regulation, which their
    companies' facings stay upon, and every cell of it worn before the written rules."""
    almanac, army = dress_almanac(), design.army
    resolution = resolve(army, design.scheme)
    worn = tuple((node, who) for node, who in proposed_worn(army, almanac) if node == "2nd-tidewall")
    arms = {who.arm for _, who in worn}
    facts = tuple(fact for fact in almanac.facts if fact.wearer.arm in arms)
    ranks = proposed_ranks(army, tuple(node for node, _ in worn))
    dress = Dress(replace(almanac, facts=facts), almanac.year, worn=worn, ranks=ranks)
    words = words_used(design, resolution, dress)
    pots = tuple(paints().values())
    mixes = {}
    for word in words:
        lab_of = [(tier, aim.lab) for tier, aim in word.targets]
        found = graded_mixes(
            lab_of, metal=word.metal, reach=word.plainest.radius, pots=pots, owned=frozenset(sample_shelf())
        )
        mixes[word.key] = {tier: one.mix.parts for tier, one in found.items()}
    chosen = {word.key: word.suggested if word.metal else "" for word in words}
    put_on = with_dress(design, resolution, dress, chosen, mixes)
    return with_cells_first(put_on, tuple(cell.key for cell in put_on.scheme.dress.cells))


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
    told = data_table(__package__, "dress_sources_212")
    sources = tuple(Source(id_, **about) for id_, about in told["source"].items())
    read = read_table((folder / "dress_almanac_212.csv").read_bytes())
    return with_facts(Almanac(told["title"], sources=sources, year=told["year"]), tuple(read.facts))


def sample_list() -> bytes:
    """An invented list as it was found: dittos, footnotes, a word nobody knows, a contradiction."""
    return (files(__package__) / "data" / "facings_as_found.csv").read_bytes()


@cache
def sample_shelf() -> dict[str, Stock]:
    """What the demo's painter owns: paint id to stock."""
    lines = read_shelf((files(__package__) / "data" / "shelf.csv").read_text(encoding="utf-8"))
    return {line.paint: line.stock for line in lines}


def _read(name: str) -> Design:
    return read_design_bytes((files(__package__) / "data" / f"{name}.json").read_bytes())
