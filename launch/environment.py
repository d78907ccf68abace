"""The virtual environment, made from the pinned locks with hashes."""

import hashlib
import importlib.util
import shutil
import subprocess
import sys

from .packages import ensure_packages
from .step import ROOT, STATE, SetupError, run, say

VENV = STATE / "venv"
PYTHON = VENV / "bin" / "python"
#: the distribution's own: it was built with what a profile taught, and takes a tenth less than what version managers build
SYSTEM_PYTHON = "/usr/bin/python3"
_FITS = "import ensurepip, sys, venv; sys.exit(sys.version_info < (3, 11))"


def ensure_environment(locks: tuple[str, ...]) -> None:
    """Make the environment hold what the locks name; nothing is done when it does already.

    Raises: SetupError if Python is too old or an install fails.
    """
    if sys.version_info < (3, 11):  # noqa: UP036  this file runs before any version is ensured
        raise SetupError(
            f"Python is {sys.version.split()[0]}; 3.11 or newer is needed.", "install python3.11 and run again"
        )
    if not PYTHON.exists():
        python = best_python()
        if python == sys.executable and importlib.util.find_spec("ensurepip") is None:
            ensure_packages({f"python{sys.version_info[0]}.{sys.version_info[1]}-venv": "virtual environment"})
        say("making the virtual environment")
        shutil.rmtree(VENV, ignore_errors=True)
        STATE.mkdir(exist_ok=True)
        run(
            [python, "-m", "venv", str(VENV)],
            "Making the virtual environment",
            "sudo apt-get install python3-venv",
        )
    for lock in locks:
        path = ROOT / "requirements" / f"{lock}.lock"
        digest = hashlib.sha256(path.read_bytes()).hexdigest()
        stamp = VENV / f"{lock}.stamp"
        if stamp.exists() and stamp.read_text() == digest:
            continue
        say(f"installing Python packages ({lock})")
        run(
            [
                str(PYTHON),
                "-m",
                "pip",
                "install",
                "--quiet",
                "--disable-pip-version-check",
                "--no-compile",  # Python compiles what it imports and keeps that: a third of what there is
                "--require-hashes",
                "-r",
                str(path),
            ],
            "Installing Python packages",
            "check the network, then run the command again",
        )
        stamp.write_text(digest)


def best_python(system: str = SYSTEM_PYTHON) -> str:
    """The Python that the environment is made with: the system's where it is new enough and can make one, else the one that
    runs this."""
    try:
        fits = subprocess.run([system, "-c", _FITS], capture_output=True, check=False).returncode == 0
    except OSError:
        fits = False
    return system if fits else sys.executable
