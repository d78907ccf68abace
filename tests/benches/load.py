"""So many editors at once: p50, p95, p99 of every request, and what went wrong."""

import argparse
import random
import subprocess
import sys
import threading
import time
from collections import Counter

from .editor import Editor
from .serving import served

#: editors, and the most that p95 may be, s
GOALS = {50: 0.6, 100: None, 200: 3.0}
#: seconds that an editor thinks between two rounds, on average
THINKS = 15.0


def main() -> int:
    """The exit status: 0 when all goals are kept."""
    parser = argparse.ArgumentParser(prog="load")
    parser.add_argument("--editors", type=int, nargs="*", default=list(GOALS))
    parser.add_argument("--seconds", type=float, default=60)
    asked = parser.parse_args()
    kept = True
    print(
        f"{'editors':>8} {'requests':>9} {'a second':>9} {'p50 ms':>8} {'p95 ms':>8} {'p99 ms':>8} {'5xx':>5} {'none':>5} {'MB a process':>13}"
    )
    for count in asked.editors:
        with served(count) as server:
            told = _edited(server, count, asked.seconds)
            memory = _memory(server.web.pid)
        spent = sorted(seconds for _, seconds, *_ in told)
        p50, p95, p99 = (_percentile(spent, share) for share in (0.5, 0.95, 0.99))
        statuses = Counter(status for *_, status, _ in told)
        faults = sum(many for status, many in statuses.items() if status >= 500)
        goal = GOALS.get(count)
        kept &= not faults and not statuses[0] and (goal is None or p95 <= goal)
        print(
            f"{count:8} {len(told):9} {len(told) / asked.seconds:9.1f} {p50 * 1000:8.0f} {p95 * 1000:8.0f} {p99 * 1000:8.0f} {faults:5} {statuses[0]:5} {memory:13.0f}",
            flush=True,
        )
        by_kind = {
            what: sorted(seconds for one, seconds, *_ in told if one == what)
            for what in dict.fromkeys(one for one, *_ in told)
        }
        print(
            "         "
            + ", ".join(f"{what} {values[len(values) // 2] * 1000:.0f}" for what, values in by_kind.items()),
            "(median ms)",
            dict(statuses),
        )
        print(
            "         p95 ms in each quarter of the time:",
            *(f"{one * 1000:.0f}" for one in _by_quarter(told)),
            flush=True,
        )
    return 0 if kept else 1


def _percentile(ordered: list[float], share: float) -> float:
    return ordered[int(share * (len(ordered) - 1))] if ordered else 0.0


def _by_quarter(told: list) -> list[float]:
    """p95 of the requests sent in each quarter of the time: what processes learn at first shows in the first."""
    moments = [moment for *_, moment in told]
    start, quarter = min(moments), (max(moments) - min(moments)) / 4 or 1.0
    sent: list[list[float]] = [[] for _ in range(4)]
    for _, seconds, _, moment in told:
        sent[min(3, int((moment - start) / quarter))].append(seconds)
    return [_percentile(sorted(one), 0.95) for one in sent]


def _edited(server, count: int, seconds: float) -> list:
    editors = [Editor(server.port, session, army) for session, army in server.painters[:count]]
    ends = time.monotonic() + seconds

    def work(editor: Editor, number: int):
        chance = random.Random(number)
        time.sleep(chance.uniform(0, THINKS))
        at = 0
        while time.monotonic() < ends:
            editor.round(at)
            at += 1
            time.sleep(min(chance.expovariate(1 / THINKS), max(0.0, ends - time.monotonic())))

    threads = [threading.Thread(target=work, args=(editor, number)) for number, editor in enumerate(editors)]
    for one in threads:
        one.start()
    for one in threads:
        one.join()
    return [one for editor in editors for one in editor.told]


def _memory(master: int) -> float:
    """MB that the largest web process holds for itself and shares."""
    asked = subprocess.run(["ps", "-o", "rss=", "--ppid", str(master)], capture_output=True, text=True, check=False)
    return max((int(line) / 1024 for line in asked.stdout.split()), default=0.0)


if __name__ == "__main__":
    sys.exit(main())
