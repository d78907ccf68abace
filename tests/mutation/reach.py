"""Which tests reach which lines of the core, and how long each takes."""

import json
import subprocess
import sys
import time
import unittest
from collections import defaultdict
from dataclasses import dataclass
from itertools import accumulate
from pathlib import Path

from coverage import Coverage

from mantello_core.memory import memories

#: looks at every module as it was read, so no line tells that it reaches one
_AT_READING = "tests.core.test_agreed_numbers.AgreedNumbers.test_every_number_is_as_agreed_and_none_is_new"
#: ask the core everyday questions of all kinds, so they are likely to notice a change anywhere
_ANSWERS = "tests.core.agreed."
#: seconds that the tests of one change may take together, as traced; the slowest that would come after are left out
_LONGEST = 120.0


@dataclass(frozen=True)
class Reach:
    """Tests by what they reach."""

    #: module, such as mantello_core/film/coverage.py, to line to the tests that ran it
    tests: dict[str, dict[int, frozenset[str]]]
    #: seconds of every test
    seconds: dict[str, float]

    def of(self, module: str, line: int) -> tuple[str, ...]:
        """The tests that can notice a change of a line, the likeliest and quickest first.

        A line that only runs while the module is read, such as a constant, is noticed by any test that reaches the
        module, or by those that ask the core of everything.
        """
        lines = self.tests.get(module, {})
        found = lines.get(line)
        if not found:
            answers = {test for test in self.seconds if test.startswith(_ANSWERS)}
            found = frozenset().union(*lines.values(), {_AT_READING} | answers if lines else ())
        near = "tests.core." + ".".join(Path(module).with_suffix("").parts[1:-1])
        ordered = sorted(
            found,
            key=lambda test: (
                test != _AT_READING,
                not test.startswith(near),
                not test.startswith(_ANSWERS),
                self.seconds.get(test, 1.0),
                test,
            ),
        )
        spent = accumulate(self.seconds.get(test, 1.0) for test in ordered)
        return tuple(
            test for at, (test, until) in enumerate(zip(ordered, spent, strict=True)) if not at or until <= _LONGEST
        )


def reach_of(folder: Path, core: Path, root: Path) -> Reach:
    """What every test of the core reaches; told anew when the core or its tests changed since it was kept in ``folder``."""
    kept = folder / "reach.json"
    newest = max(one.stat().st_mtime for part in (core, root / "tests" / "core") for one in part.rglob("*.py"))
    if not kept.exists() or kept.stat().st_mtime < newest:
        folder.mkdir(parents=True, exist_ok=True)
        parts = [folder / f"part-{number}.json" for number in range(2)]
        running = [
            subprocess.Popen([sys.executable, "-m", "tests.mutation.reach", str(number), str(part)], cwd=root)
            for number, part in enumerate(parts)
        ]
        if any(one.wait() for one in running):
            raise SystemExit("The tests of the core do not pass as they are; nothing was changed.")
        kept.write_text(json.dumps([json.loads(part.read_text()) for part in parts]))
    tests: dict[str, dict[int, set[str]]] = defaultdict(lambda: defaultdict(set))
    seconds: dict[str, float] = {}
    for part in json.loads(kept.read_text()):
        seconds |= part["seconds"]
        for module, lines in part["tests"].items():
            for line, names in lines.items():
                tests[module][int(line)] |= set(names)
    return Reach({one: {at: frozenset(names) for at, names in lines.items()} for one, lines in tests.items()}, seconds)


class _Timed(unittest.TextTestResult):
    """A result that tells the tracer which test runs, and remembers how long it took."""

    tracer: Coverage
    seconds: dict[str, float]

    def startTest(self, test):
        super().startTest(test)
        for memory in memories():  # what an earlier test asked is worked out again, or this one would not reach it
            memory.empty()
        self.tracer.switch_context(test.id())
        self._since = time.monotonic()

    def stopTest(self, test):
        self.seconds[test.id()] = round(time.monotonic() - self._since, 3)
        self.tracer.switch_context("")
        super().stopTest(test)


def _traced(number: int, out: Path) -> int:
    """Every second class of tests, traced."""
    tracer = Coverage(data_file=None, source=["mantello_core"])
    tracer.start()
    found: dict[str, unittest.TestSuite] = {}
    for test in _flat(unittest.defaultTestLoader.discover("tests/core", top_level_dir=".")):
        found.setdefault(type(test).__module__ + type(test).__qualname__, unittest.TestSuite()).addTest(test)
    _Timed.tracer, _Timed.seconds = tracer, {}
    classes = [suite for at, suite in enumerate(found.values()) if at % 2 == number]
    result = unittest.TextTestRunner(resultclass=_Timed, verbosity=0).run(unittest.TestSuite(classes))
    tracer.stop()
    data, tests = tracer.get_data(), {}
    for file in data.measured_files():
        module = file[file.index("mantello_core") :]
        tests[module] = {
            line: [name for name in names if name] for line, names in data.contexts_by_lineno(file).items()
        }
    out.write_text(json.dumps({"seconds": _Timed.seconds, "tests": tests}))
    return 0 if result.wasSuccessful() else 1


def _flat(suite):
    for one in suite:
        yield from _flat(one) if isinstance(one, unittest.TestSuite) else (one,)


if __name__ == "__main__":
    sys.exit(_traced(int(sys.argv[1]), Path(sys.argv[2])))
