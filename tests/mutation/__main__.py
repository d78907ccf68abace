"""Try a seeded sample of changes and tell which no test noticed: 'python -m tests.mutation [--seed N] [--count N]'."""

import argparse
import hashlib
import json
import sys
from collections import Counter
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
DRAWING = (
    "figures/library/",
    "insignia/arms/beast",
    "insignia/arms/bird",
    "figures/drafting",
    "figures/shading",
    "formats/drawing",
    "formats/massing",
    "_svg.py",
)
#: percent of changes, and of changed constants, that must be noticed
WANTED, WANTED_CONSTANTS = 85.0, 90.0


def sample(seed: int, count: int) -> list[Change]:
    """So many changes of the core outside its drawings, half of them of constants.

    Each place has a lot of its own, which follows from the seed, its module and the text of its line: an edit elsewhere draws
    the same places again.
    """
    lots: dict[str, list[tuple[bytes, Change]]] = {"constant": [], "other": []}
    for module in sorted(CORE.rglob("*.py")):
        name = module.relative_to(CORE.parent).as_posix()
        if any(one in name for one in DRAWING):
            continue
        source = module.read_bytes()
        lines = source.decode().splitlines()
        seen: Counter = Counter()
        for change in changes_of(name, source):
            told = (seed, name, change.kind, change.before, change.after, lines[change.line - 1].strip())
            seen[told] += 1
            lot = hashlib.sha256(repr((*told, seen[told])).encode()).digest()
            lots["constant" if change.kind == "constant" else "other"].append((lot, change))
    constants, others = (
        [change for _, change in sorted(lots[kind], key=lambda one: one[0])] for kind in ("constant", "other")
    )
    return constants[: count // 2] + others[: count - count // 2]


def main() -> int:
    """The exit status: 0 when enough were noticed."""
    parser = argparse.ArgumentParser(prog="mutants")
    parser.add_argument("--seed", type=int, default=20)
    parser.add_argument("--count", type=int, default=160)
    parser.add_argument("--again", action="store_true", help="only those that the last run of this seed did not notice")
    asked = parser.parse_args()
    changes = sample(asked.seed, asked.count)
    known = _kept(asked.seed) if asked.again else {}
    tried_now = [change for change in changes if not known.get(_name(change))]
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
        noticed = dict(zip(map(_name, tried_now), threads.map(tried, tried_now), strict=True))
    found = {_name(change): noticed.get(_name(change), True) for change in changes}
    _file(asked.seed).write_text(json.dumps(found, indent=1), encoding="utf-8")
    constants = [found[_name(change)] for change in changes if change.kind == "constant"]
    every, numbers = (100 * sum(some) / len(some) for some in (list(found.values()), constants))
    print(f"\n{every:.0f} % of {len(found)} changes noticed, {numbers:.0f} % of {len(constants)} constants")
    return 0 if every >= WANTED and numbers >= WANTED_CONSTANTS else 1


def _name(change: Change) -> str:
    """What tells a change from every other, wherever in its module it stands now."""
    return f"{change.module}|{change.start}|{change}"


def _file(seed: int) -> Path:
    return FOLDER / f"noticed-{seed}.json"


def _kept(seed: int) -> dict[str, bool]:
    """What the last run of a seed noticed, by change; empty before the first."""
    return json.loads(_file(seed).read_text(encoding="utf-8")) if _file(seed).exists() else {}


if __name__ == "__main__":
    sys.exit(main())
