"""One step of the set-up: it works, or says what failed and what to do."""

import subprocess
import sys
from pathlib import Path

ROOT = Path(__file__).resolve().parent.parent
#: everything the set-up makes; git ignores it
STATE = ROOT / ".mantello"


class SetupError(Exception):
    """A step of the set-up that failed; the message says what and what to do."""

    def __init__(self, what: str, then: str):
        super().__init__(f"{what}\n  What to do: {then}")


def say(text: str) -> None:
    """Tell the person at the terminal."""
    print(f"mantello: {text}", file=sys.stderr, flush=True)


def run(command: list[str], what: str, then: str, **options) -> subprocess.CompletedProcess:
    """Run a command quietly.

    Raises: SetupError with the end of its output if it fails.
    """
    try:
        done = subprocess.run(
            command, stdout=subprocess.PIPE, stderr=subprocess.STDOUT, text=True, check=False, **options
        )
    except OSError as error:
        raise SetupError(f"{what} failed: {error}", then) from error
    if done.returncode:
        tail = "\n  ".join(done.stdout.strip().splitlines()[-12:])
        raise SetupError(f"{what} failed ({' '.join(command[:3])} ended with {done.returncode}):\n  {tail}", then)
    return done
