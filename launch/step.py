"""One step of the set-up: it works, or says what failed and what to do."""

import signal
import subprocess
import sys
from contextlib import contextmanager
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


@contextmanager
def told_to_end():
    """Within it a terminate or hang-up ends the process as Ctrl-C does, tidily: what it started is ended before it."""

    def leave(number, _):
        sys.exit(128 + number)

    before = {one: signal.signal(one, leave) for one in (signal.SIGTERM, signal.SIGHUP)}
    try:
        yield
    finally:
        for one, handler in before.items():
            signal.signal(one, handler)


@contextmanager
def attending(process: subprocess.Popen):
    """Within it, whatever ends this process ends that one before."""
    try:
        yield process
    except BaseException:
        end(process)
        raise


def attended(command: list[str], **options) -> int:
    """Run a command to its end, or to this process's own; its exit status."""
    with attending(subprocess.Popen(command, **options)) as process:
        return process.wait()


def end(process: subprocess.Popen) -> None:
    """End a process: it is told to, and has ten seconds for it."""
    process.terminate()
    try:
        process.wait(10)
    except subprocess.TimeoutExpired:
        process.kill()
        process.wait(5)
