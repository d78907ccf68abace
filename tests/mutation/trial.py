"""One change tried: the core with it, in a copy, under the tests that reach it."""

import os
import shutil
import subprocess
import sys
import time
from pathlib import Path

from .change import Change

#: seconds for the tests of one change; what loops for ever is noticed too
LONGEST = 240


class Copy:
    """A copy of the core in which one module at a time is changed."""

    def __init__(self, folder: Path, core: Path, root: Path):
        self._source, self._root, self._folder = core.parent, root, folder
        shutil.rmtree(folder / "src", ignore_errors=True)
        shutil.copytree(core, folder / "src" / core.name, ignore=shutil.ignore_patterns("__pycache__"))
        self._stamp = time.time()

    def notices(self, change: Change, tests: tuple[str, ...]) -> bool:
        """Whether one of the tests fails, or does not end, with the change."""
        if not tests:
            return False
        file, clean = self._folder / "src" / change.module, (self._source / change.module).read_bytes()
        self._write(file, change.applied(clean))
        environment = os.environ | {
            "PYTHONPATH": os.pathsep.join((str(self._folder / "src"), str(self._source))),
            "PYTHONPYCACHEPREFIX": str(self._folder / "read"),
        }
        try:
            run = subprocess.run(
                [sys.executable, "-m", "tests.mutation.trial", *tests],
                cwd=self._root, env=environment, timeout=LONGEST, check=False, capture_output=True,
            )  # fmt: skip
        except subprocess.TimeoutExpired:
            return True
        finally:
            self._write(file, clean)
        return run.returncode != 0

    def _write(self, file: Path, source: bytes) -> None:
        """Each writing gets a time of its own, so that what was read before is not taken for it."""
        file.write_bytes(source)
        self._stamp += 2
        os.utime(file, (self._stamp, self._stamp))


def _run(names: list[str]) -> int:
    import unittest

    suite = unittest.defaultTestLoader.loadTestsFromNames(names)
    result = unittest.TextTestRunner(failfast=True, verbosity=0).run(suite)
    return 0 if result.wasSuccessful() else 1


if __name__ == "__main__":
    sys.exit(_run(sys.argv[1:]))
