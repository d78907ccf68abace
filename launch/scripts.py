"""The checks of the scripts: a linter, types told by comments, and tests under Node's runner."""

import hashlib
import shutil
import subprocess

from .packages import ensure_packages
from .step import ROOT, STATE, run, say

FOLDER = STATE / "scripts"
_SOURCE = ROOT / "requirements" / "scripts"
_BINARIES = FOLDER / "node_modules" / ".bin"


def ensure_scripts() -> None:
    """Make the folder hold what the lock names; nothing is done when it does already.

    Raises: SetupError if Node is missing and cannot be installed, or an install fails.
    """
    programs = {"nodejs": "node", "npm": "npm"}
    ensure_packages({name: "checks of the scripts" for name, program in programs.items() if not shutil.which(program)})
    FOLDER.mkdir(parents=True, exist_ok=True)
    for one in _SOURCE.iterdir():
        shutil.copy(one, FOLDER / one.name)
    digest = hashlib.sha256((_SOURCE / "package-lock.json").read_bytes()).hexdigest()
    stamp = FOLDER / "lock.stamp"
    if stamp.exists() and stamp.read_text() == digest:
        return
    say("installing Node packages (checks of the scripts)")
    run(
        ["npm", "ci", "--ignore-scripts", "--no-audit", "--no-fund"],
        "Installing Node packages",
        "check the network, then run the command again",
        cwd=FOLDER,
    )
    stamp.write_text(digest)


def script_checks() -> dict[str, list[str]]:
    """What checks the scripts, by name."""
    return {
        "lint of the scripts": [
            str(_BINARIES / "eslint"), "--config", str(FOLDER / "eslint.config.js"), "--max-warnings", "0",
            "src/mantello/shell/static/shell/js", "tests/scripts",
        ],
        "types of the scripts": [str(_BINARIES / "tsc"), "-p", str(_SOURCE / "tsconfig.json")],
    }  # fmt: skip


def script_tests() -> tuple[int, int]:
    """Run the scripts' own tests; how many ran, and how many were wrong."""
    tests = sorted(str(path) for path in (ROOT / "tests" / "scripts").glob("*.test.mjs"))
    done = subprocess.run(
        ["node", "--test", "--test-reporter", "tap", *tests], cwd=ROOT, capture_output=True, text=True, check=False
    )
    counts = dict(
        line[2:].rsplit(" ", 1) for line in done.stdout.splitlines() if line.startswith(("# pass ", "# fail "))
    )
    if done.returncode or "pass" not in counts:
        print(done.stdout[-4000:], done.stderr[-2000:])
    passed, failed = int(counts.get("pass", 0)), int(counts.get("fail", 0))
    if done.returncode and not failed:
        failed = 1
    return passed + failed, failed
