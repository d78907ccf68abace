"""Try a seeded sample of changes and tell which no test noticed: 'python -m tests.mutation [--seed N] [--count N]'."""

import argparse
import random
import sys
from concurrent.futures import ThreadPoolExecutor
from pathlib import Path
from queue import Queue

from .change import Change, changes_of
from .reach import reach_of
from .trial import Copy

ROOT = Path(__file__).resolve().parents[2]
CORE = ROOT / "src" / "mantello_core"
FOLDER = ROOT / ".mantello" / "mutation"
#: where numbers are drawings or the layout of one, which are looked at and not reckoned with
DRAWING = ("figures/library/", "figures/drafting", "figures/shading", "formats/drawing", "formats/massing", "_svg.py")
#: percent of changes, and of changed constants, that must be noticed
WANTED, WANTED_CONSTANTS = 85.0, 90.0


def sample(seed: int, count: int) -> list[Change]:
    """So many changes of the core outside its drawings, half of them of constants; the same ones for the same seed."""
    found: list[Change] = []
    for module in sorted(CORE.rglob("*.py")):
        name = module.relative_to(CORE.parent).as_posix()
        if not any(one in name for one in DRAWING):
            found += changes_of(name, module.read_bytes())
    chance = random.Random(seed)
    constants = [one for one in found if one.kind == "constant"]
    others = [one for one in found if one.kind != "constant"]
    return chance.sample(constants, count // 2) + chance.sample(others, count - count // 2)


def main() -> int:
    """The exit status: 0 when enough were noticed."""
    parser = argparse.ArgumentParser(prog="mutants")
    parser.add_argument("--seed", type=int, default=20)
    parser.add_argument("--count", type=int, default=160)
    asked = parser.parse_args()
    changes = sample(asked.seed, asked.count)
    reach = reach_of(FOLDER, CORE, ROOT)
    copies: Queue[Copy] = Queue()
    for number in range(2):
        copies.put(Copy(FOLDER / str(number), CORE, ROOT))

    def tried(change: Change) -> bool:
        copy = copies.get()
        try:
            noticed = copy.notices(change, reach.of(change.module, change.line))
        finally:
            copies.put(copy)
        print("." if noticed else f"\nnot noticed: {change}\n", end="", flush=True)
        return noticed

    with ThreadPoolExecutor(2) as threads:
        noticed = dict(zip(changes, threads.map(tried, changes), strict=True))
    constants = [good for change, good in noticed.items() if change.kind == "constant"]
    every, numbers = (100 * sum(some) / len(some) for some in (list(noticed.values()), constants))
    print(f"\n{every:.0f} % of {len(noticed)} changes noticed, {numbers:.0f} % of {len(constants)} constants")
    return 0 if every >= WANTED and numbers >= WANTED_CONSTANTS else 1


if __name__ == "__main__":
    sys.exit(main())
