"""What './mantello test' runs, in order, and the closing line it ends with."""

import os
import re
import subprocess
from collections.abc import Iterator
from concurrent.futures import ThreadPoolExecutor

from .environment import VENV
from .scripts import script_checks, script_tests
from .step import ROOT, attending, say

#: test labels of each stage, and how many processes share one: a browser of its own wants a core of its own. What takes longest
#: alone comes first, so that no process is left with it at the end
STAGES = {
    "core tests": (["tests.core"], None),
    "web tests": (
        [
            "tests.rooms.test_strange_forms",
            "tests.launch",
            "tests.accounts",
            "tests.jobs",
            "tests.record",
            "tests.archive",
            "tests.reader",
            "tests.rooms",
            "tests.shell",
        ],
        None,
    ),
    "browser tests": (["tests.browser"], 2),
}
_RAN = re.compile(r"^Ran (\d+) tests? in", re.MULTILINE)
_FAULTS = re.compile(r"(failures|errors|unexpected successes)=(\d+)")


def run_checks(environment: dict[str, str], names: list[str]) -> int:
    """Run all checks, or only the named tests; exit status 0 when everything passed."""
    passed = failed = 0
    for good in () if names else _checked(environment):
        passed, failed = passed + good, failed + (not good)
    if not names:
        say("tests of the scripts ...")
        ran, wrong = script_tests()
        passed, failed = passed + ran - wrong, failed + wrong
    for label, (tests, most) in ({"named tests": (names, None)} if names else STAGES).items():
        say(f"{label} ...")
        ran, wrong = _tested(environment, tests, most)
        passed, failed = passed + ran - wrong, failed + wrong
    print(f"{passed} passed, {failed} failed")
    return 1 if failed else 0


def _checked(environment: dict[str, str]) -> Iterator[bool]:
    """Whether each check passed, as many at a time as there are cores; what one says comes in one piece, in order."""

    def check(command: list[str]) -> subprocess.CompletedProcess:
        return subprocess.run(
            command, env=environment, cwd=ROOT, check=False, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True
        )

    checks, threads = _checks(), ThreadPoolExecutor(os.cpu_count() or 1)
    try:
        for name, done in zip(checks, threads.map(check, checks.values()), strict=True):
            say(f"{name} ...")
            print(done.stdout, end="", flush=True)
            yield done.returncode == 0
    finally:  # whoever stops it waits for what runs, not for what has not begun
        threads.shutdown(cancel_futures=True)


def _checks() -> dict[str, list[str]]:
    binaries = VENV / "bin"
    return {
        "lint": [str(binaries / "ruff"), "check", "--quiet", "."],
        "formatting": [str(binaries / "ruff"), "format", "--check", "--quiet", "."],
        "lint of the templates": [str(binaries / "djlint"), "src", "--lint", "--quiet"],
        "import contracts": [str(binaries / "lint-imports"), "--no-cache"],
        "migrations": [str(binaries / "python"), "-m", "django", "makemigrations", "--check", "--dry-run"],
    } | script_checks()


def _tested(environment: dict[str, str], tests: list[str], most: int | None) -> tuple[int, int]:
    """Run tests in as many processes as there are cores, at most so many; how many ran, and how many were wrong."""
    processes = min(os.cpu_count() or 1, most or 8)
    command = [str(VENV / "bin" / "python"), "-m", "django", "test", "--noinput", "--parallel", str(processes), *tests]
    process = subprocess.Popen(
        command, env=environment, cwd=ROOT, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True
    )
    said = []
    with attending(process):
        for line in process.stdout:
            print(line, end="", flush=True)
            said.append(line)
    status, text = process.wait(), "".join(said)
    ran = sum(int(count) for count in _RAN.findall(text))
    wrong = sum(int(count) for _, count in _FAULTS.findall(text))
    if status and not wrong:
        ran, wrong = ran + 1, 1
    return ran, wrong
