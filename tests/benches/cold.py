"""What the heavy questions cost from nothing, each in a fresh process: CPU time, set against its goal."""

import argparse
import subprocess
import sys
from dataclasses import dataclass

_LEVY = """
from mantello_core.formats.sample import levy
from mantello_core.scheme.cascade import resolve
design = levy(); resolution = resolve(design.army, design.scheme)
"""
_BRIEF = """
from mantello_core.design.brief import Brief, formation_names
from mantello_core.proposals.proposal import army_for_brief, proposals
from mantello_core.proposals.whole_method import with_whole_method
brief = Brief(formations=4)
army = army_for_brief('F', brief, formation_names('', 4))
"""
_CAMOUFLAGE = """
from itertools import count
from mantello_core.camouflage.laying import patterned
from mantello_core.camouflage.preparing import surface_of
from mantello_core.formats.sample import camouflaged_levy
from mantello_core.scheme.cascade import resolve
design = camouflaged_levy()
one = resolve(design.army, design.scheme).of_rank('punt-cars', 'punt-car')[0]
pattern = design.scheme.patterns[0]
surface, seeds = surface_of(one.plate, one.patterns[pattern.id], frozenset(one.borne)), count(1)
def laid(seed): return patterned(surface, pattern.seeded(seed), 56.0)
"""
_CAST = """
from dataclasses import replace
from mantello_core.design.casting import usual_cast, with_cast
from mantello_core.design.muster import with_rank
from mantello_core.formats.sample import camouflaged_levy
from mantello_core.scheme.cascade import resolve
design = camouflaged_levy()
unit = design.army.nodes['reed-cutters']
design = with_rank(design, unit.id, replace(unit.ranks[0], figures={figures}))
cast = usual_cast(design, resolve(design.army, design.scheme), unit.id)
"""


@dataclass(frozen=True)
class Question:
    """What is read first, what is asked, and the CPU milliseconds it may take."""

    name: str
    first: str
    asked: str
    goal: float


QUESTIONS = (
    Question("six proposals", _BRIEF, "proposals(army, brief)", 400),
    Question("six proposals, with every recipe", _BRIEF, "[with_whole_method(one.design) for one in proposals(army, brief)]", 800),
    Question("all undercoats of 200 figures", f"{_LEVY}from mantello_core.planning.undercoating import undercoat_advice", "undercoat_advice(design, resolution)", 400),
    Question("plan from the design on, 200 figures", f"{_LEVY}from datetime import datetime\nfrom mantello_core.planning.plan import plan",
             "plan(design, datetime(2026, 11, 24, 18), resolution=resolution)", 300),
    Question("checks", f"{_LEVY}from mantello_core.checks.inspect import inspect", "inspect(design, resolution)", 150),
    Question("differences of a house", "import json\nfrom mantello_core.formats.command import answer\nanswer('blazon', b'{\"blazon\": \"Or\"}')\nasked = json.dumps({'blazon': 'Or, a lion rampant azure', 'count': 8}).encode()",
             "answer('difference', asked)", 300),
    Question("a made figure kept", "from mantello_core.figures import drafting\nfrom mantello_core.figures.kit import usual_making\nfrom mantello_core.figures.own import made_type",
             "made_type('own-gun', 'Long gun', usual_making('gun'))", 800),
    Question("three of 200 paints matched", "from mantello_core.colour.spaces import Lab\nfrom mantello_core.mixing.matching import matches\nfrom mantello_core.mixing.mix_index import index_of\n"
             "from mantello_core.paints.range import paints\npots = list(paints().values())\nindex_of(tuple(pot for pot in pots if pot.mixable))", "matches(Lab(52, 38, 24), pots)", 60),
    Question("a vehicle's camouflage, three views", _CAMOUFLAGE, "laid(next(seeds))", 250),
    Question("camouflage of a fleet of twelve", _CAMOUFLAGE, "[laid(next(seeds)) for _ in range(12)]", 3000),
    Question("a cast of 200 irregulars", _CAST.format(figures=200), "with_cast(design, cast)", 600),
    Question("a cast of 60, redrawn", _CAST.format(figures=60), "with_cast(design, cast)", 150),
    Question("an army with 200 varied figures resolved", f"{_CAST.format(figures=200)}cast_on = with_cast(design, cast)", "resolve(cast_on.army, replace(cast_on.scheme))", 30),
)  # fmt: skip
#: the same piece of work by the plain scalar code, which tells how fast the machine is just now
_PLAINLY = """
import time
from tests.core.film.plainly import all_plainly
since = time.process_time()
all_plainly()
print((time.process_time() - since) * 1000)
"""
_SCRIPT = """
import time
from mantello_core.collecting import collect_seldom
collect_seldom()
{first}
since = time.process_time()
{asked}
once = time.process_time()
{asked}
print(round((once - since) * 1000), round((time.process_time() - once) * 1000))
"""


def main() -> int:
    """The exit status: 0 when all goals are kept."""
    parser = argparse.ArgumentParser(prog="cold")
    parser.add_argument("--runs", type=int, default=3)
    runs = parser.parse_args().runs
    kept = True
    plainly = min(_cpu(_PLAINLY)[0] for _ in range(runs))
    print(f"the plain scalar code counts coats of six films over sixteen greys in {plainly:.0f} ms; ratios are to that")
    print(f"{'question':40} {'first, ms':>10} {'again, ms':>10} {'ratio':>7} {'goal, ms':>9}")
    for one in QUESTIONS:
        script = _SCRIPT.format(first=one.first, asked=one.asked)
        found = [_cpu(script) for _ in range(runs)]
        first, again = (min(values) for values in zip(*found, strict=True))
        kept &= first <= one.goal
        over = "" if first <= one.goal else "  over"
        print(f"{one.name:40} {first:10.0f} {again:10.0f} {first / plainly:7.2f} {one.goal:9.0f}{over}", flush=True)
    return 0 if kept else 1


def _cpu(script: str) -> tuple[float, ...]:
    """The CPU milliseconds that a fresh process prints."""
    told = subprocess.run([sys.executable, "-c", script], capture_output=True, text=True, check=True).stdout
    return tuple(map(float, told.split()))


if __name__ == "__main__":
    sys.exit(main())
