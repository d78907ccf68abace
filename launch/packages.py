"""Debian packages the application needs: installed when that is allowed, named when it is not."""

import os
import shutil
import subprocess

from .step import SetupError, run, say

#: where Debian keeps what administers it; whoever became root by a plain 'su' does not look there
_SYSTEM_FOLDERS = ("/usr/local/sbin", "/usr/sbin", "/sbin")
#: Debian package to the reason it is needed
SERVING = {
    "postgresql": "database server",
    "libpango-1.0-0": "text layout of printed guides",
    "libpangoft2-1.0-0": "text layout of printed guides",
    "libharfbuzz-subset0": "fonts inside printed guides",
}
CHECKING = {
    "poppler-utils": "reading printed guides back in tests",
    "libatomic1": "the driver of browser tests",
}
#: browsers that tests and pictures can use, the quickest first: without a window's own pages half the work is left
BROWSERS = ("chromium-headless-shell", "chromium")


def with_system_folders(path: str) -> str:
    """A search path that also leads to what administers the system, after all that it names itself."""
    known = [one for one in (path or os.defpath).split(":") if one]
    return ":".join((*known, *(one for one in _SYSTEM_FOLDERS if one not in known)))


def ensure_packages(wanted: dict[str, str]) -> None:
    """Install what is missing, as root or through sudo.

    Raises: SetupError naming the command to run, if neither is possible.
    """
    missing = [name for name in wanted if not _installed(name)]
    if not missing:
        return
    command = ["apt-get", "install", "-y", "--no-install-recommends", *missing]
    reasons = ", ".join(f"{name} ({wanted[name]})" for name in missing)
    prefix = _privilege()
    if prefix is None or not shutil.which("apt-get"):
        raise SetupError(f"These Debian packages are missing: {reasons}", f"sudo {' '.join(command)}")
    say(f"installing {reasons}")
    environment = dict(os.environ, DEBIAN_FRONTEND="noninteractive")
    advice = f"look at the message above, then run: sudo {' '.join(command)}"
    run([*prefix, "apt-get", "update", "-qq"], "Refreshing the package lists", advice, env=environment)
    run([*prefix, *command], "Installing Debian packages", advice, env=environment)


def ensure_browser() -> None:
    """Install the quickest browser; where that cannot be had, any one that is there does, or can be installed.

    Raises: SetupError naming the command to run, if there is none.
    """
    for name in BROWSERS:
        try:
            ensure_packages({name: "browser tests and pictures"})
        except SetupError:
            if name == BROWSERS[-1]:
                raise
        else:
            return


def _installed(name: str) -> bool:
    asked = subprocess.run(["dpkg-query", "-W", "-f=${Status}", name], capture_output=True, text=True, check=False)
    return asked.stdout.endswith("ok installed")


def _privilege() -> list[str] | None:
    if os.geteuid() == 0:
        return []
    if (
        shutil.which("sudo")
        and subprocess.run(["sudo", "-n", "true"], capture_output=True, check=False).returncode == 0
    ):
        return ["sudo", "-n"]
    return None
