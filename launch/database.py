"""The project's own PostgreSQL server: made once, started on loopback on a free port, stopped when done."""

import hashlib
import os
import pwd
import shutil
import socket
import subprocess
from pathlib import Path

from .step import ROOT, STATE, SetupError, run, say

USER, NAME = "mantello", "mantello"


class Database:
    """A PostgreSQL cluster of this checkout."""

    def __init__(self):
        self.binaries = _binaries()
        self.as_server = ["runuser", "-u", "postgres", "--"] if os.geteuid() == 0 else []
        self.folder = self._folder()
        self.started_here = False

    @property
    def url(self) -> str:
        """What the application connects to."""
        return f"postgresql://{USER}@127.0.0.1:{self._port()}/{NAME}"

    def start(self) -> None:
        """Make the cluster if there is none and start it if it is not running.

        Raises: SetupError if either fails.
        """
        if not (self.folder / "PG_VERSION").exists():
            self._make()
        if self._running():
            return
        port = _free_port()
        (self.folder / "mantello.port").write_text(str(port))
        options = f"-p {port} -c listen_addresses=127.0.0.1 -c unix_socket_directories="
        log = self.folder / "server.log"
        self._server("pg_ctl", "start", "-w", "-t", "60", "-D", str(self.folder), "-l", str(log), "-o", options, what="Starting PostgreSQL",
                     then=f"read {log}", detached=True)  # fmt: skip
        self.started_here = True
        if self._query("postgres", f"SELECT 1 FROM pg_database WHERE datname = '{NAME}'") != "1":
            self._query("postgres", f"CREATE DATABASE {NAME} OWNER {USER} ENCODING 'UTF8' TEMPLATE template0")

    def stop(self) -> None:
        """Stop the server, if this run of the command started it."""
        if self.started_here:
            self._server(
                "pg_ctl", "stop", "-m", "fast", "-w", "-D", str(self.folder), what="Stopping PostgreSQL", then="nothing"
            )
            self.started_here = False

    def _make(self) -> None:
        say("making the database cluster")
        shutil.rmtree(self.folder, ignore_errors=True)
        self.folder.mkdir(parents=True)
        if self.as_server:
            owner = pwd.getpwnam("postgres")
            os.chown(self.folder, owner.pw_uid, owner.pw_gid)
        self.folder.chmod(0o700)
        self._server("initdb", "-D", str(self.folder), "-U", USER, "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8",
                     what="Making the database cluster", then=f"remove {self.folder} and run again")  # fmt: skip

    def _folder(self) -> Path:
        STATE.mkdir(exist_ok=True)
        if not self.as_server:
            return STATE / "postgres"
        reachable = (
            subprocess.run([*self.as_server, "test", "-x", str(STATE)], capture_output=True, check=False).returncode
            == 0
        )
        if reachable:
            return STATE / "postgres"
        mark = hashlib.sha256(str(ROOT).encode()).hexdigest()[:10]
        elsewhere = Path("/var/lib/postgresql") / f"mantello-{mark}"
        say(f"the postgres user may not enter {STATE}; the database lies in {elsewhere}")
        return elsewhere

    def _running(self) -> bool:
        asked = subprocess.run(
            [*self.as_server, str(self.binaries / "pg_ctl"), "status", "-D", str(self.folder)],
            capture_output=True,
            check=False,
            cwd="/",
        )
        return asked.returncode == 0

    def _port(self) -> int:
        return int((self.folder / "mantello.port").read_text())

    def _query(self, database: str, statement: str) -> str:
        command = [
            str(self.binaries / "psql"),
            "-h",
            "127.0.0.1",
            "-p",
            str(self._port()),
            "-U",
            USER,
            "-d",
            database,
            "-tAc",
            statement,
        ]
        return run(command, "Asking PostgreSQL", "read the message above", cwd="/").stdout.strip()

    def _server(self, program: str, *arguments: str, what: str, then: str, detached: bool = False) -> None:
        command = [*self.as_server, str(self.binaries / program), *arguments]
        if not detached:
            run(command, what, then, cwd="/")
            return
        # The server keeps its inherited output open, so its start is not read through a pipe; and it
        # gets a session of its own, so that Ctrl-C reaches it only through stop().
        done = subprocess.run(
            command, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL, cwd="/", start_new_session=True, check=False
        )
        if done.returncode:
            raise SetupError(f"{what} failed ({program} ended with {done.returncode}).", then)


def _binaries() -> Path:
    found = sorted(Path("/usr/lib/postgresql").glob("*/bin/initdb"), key=lambda path: int(path.parts[-3]))
    if found:
        return found[-1].parent
    here = shutil.which("initdb")
    if here:
        return Path(here).resolve().parent
    raise SetupError("PostgreSQL's programs were not found.", "sudo apt-get install postgresql")


def _free_port() -> int:
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        return probe.getsockname()[1]
