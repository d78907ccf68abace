"""What './mantello test' runs, in order, and the closing line it ends with."""

import re
import subprocess

from .environment import VENV
from .step import ROOT, say

#: test labels of each stage
STAGES = {
    "core tests": ["tests.core"],
    "web tests": [
        "tests.launch",
        "tests.accounts",
        "tests.jobs",
        "tests.record",
        "tests.archive",
        "tests.reader",
        "tests.rooms",
    ],
    "browser tests": ["tests.browser"],
}
_RAN = re.compile(r"^Ran (\d+) tests? in", re.MULTILINE)
_FAULTS = re.compile(r"(failures|errors|unexpected successes)=(\d+)")


def run_checks(environment: dict[str, str], names: list[str]) -> int:
    """Run all checks, or only the named tests; exit status 0 when everything passed."""
    passed = failed = 0
    if not names:
        for name, command in {
            "lint": [str(VENV / "bin" / "ruff"), "check", "--quiet", "."],
            "formatting": [str(VENV / "bin" / "ruff"), "format", "--check", "--quiet", "."],
            "import contract": [str(VENV / "bin" / "lint-imports"), "--no-cache"],
            "migrations": [str(VENV / "bin" / "python"), "-m", "django", "makemigrations", "--check", "--dry-run"],
        }.items():
            say(f"{name} ...")
            good = subprocess.run(command, env=environment, cwd=ROOT, check=False).returncode == 0
            passed, failed = passed + good, failed + (not good)
    for label, tests in [("named tests", names)] if names else STAGES.items():
        say(f"{label} ...")
        ran, wrong = _tested(environment, tests)
        passed, failed = passed + ran - wrong, failed + wrong
    print(f"{passed} passed, {failed} failed")
    return 1 if failed else 0


def _tested(environment: dict[str, str], tests: list[str]) -> tuple[int, int]:
    command = [str(VENV / "bin" / "python"), "-m", "django", "test", "--noinput", *tests]
    process = subprocess.Popen(
        command, env=environment, cwd=ROOT, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True
    )
    said = []
    for line in process.stdout:
        print(line, end="", flush=True)
        said.append(line)
    status, text = process.wait(), "".join(said)
    ran = sum(int(count) for count in _RAN.findall(text))
    wrong = sum(int(count) for _, count in _FAULTS.findall(text))
    if status and not wrong:
        ran, wrong = ran + 1, 1
    return ran, wrong
