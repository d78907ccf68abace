"""The project's own PostgreSQL server: made once, reached by a socket in its own folder, stopped by the last who used it."""

import fcntl
import hashlib
import os
import pwd
import shutil
import socket
import subprocess
import tempfile
import threading
from contextlib import contextmanager
from pathlib import Path
from urllib.parse import quote

from .step import ROOT, STATE, SetupError, run, say

#: the cluster's own superuser, and the role of the application, which is none
OWNER, USER, NAME = "mantello", "mantello_application", "mantello"
#: of the socket's name; the folder alone tells servers apart
PORT = 5432
#: seconds between two looks whether the server still answers
_LOOK = 2.0
#: signs of a socket's whole path that the system allows
_LONGEST = 100
#: what makes everything that an earlier version's superuser owned the application's own
_HAND_OVER = f"""
DO $$ DECLARE one record; BEGIN
  FOR one IN SELECT format('ALTER %s %s OWNER TO {USER}', CASE relkind WHEN 'S' THEN 'SEQUENCE' WHEN 'v' THEN 'VIEW' ELSE 'TABLE' END, oid::regclass) AS said
    FROM pg_class c WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'p', 'v', 'S') AND relowner <> '{USER}'::regrole
      AND NOT EXISTS (SELECT 1 FROM pg_depend d WHERE d.objid = c.oid AND d.deptype IN ('a', 'i', 'e')) LOOP EXECUTE one.said; END LOOP;
  FOR one IN SELECT format('ALTER ROUTINE %s OWNER TO {USER}', oid::regprocedure) AS said
    FROM pg_proc WHERE pronamespace = 'public'::regnamespace LOOP EXECUTE one.said; END LOOP;
  FOR one IN SELECT format('ALTER TYPE %s OWNER TO {USER}', oid::regtype) AS said
    FROM pg_type WHERE typnamespace = 'public'::regnamespace AND typtype IN ('e', 'd') LOOP EXECUTE one.said; END LOOP;
END $$
"""


class Database:
    """A PostgreSQL cluster of this checkout. Several commands at once share its server."""

    def __init__(self):
        self.binaries = _binaries()
        self.as_server = ["runuser", "-u", "postgres", "--"] if os.geteuid() == 0 else []
        self.folder = self._folder()
        self._used = None

    @property
    def port(self) -> int:
        """Of the socket's name."""
        return PORT

    @property
    def url(self) -> str:
        """What the application connects to."""
        return f"postgresql://{USER}@/{NAME}?host={quote(str(self.sockets), safe='')}"

    def start(self) -> None:
        """Make the cluster if there is none and start it if it is not running; from here on it is in use.

        Raises: SetupError if either fails.
        """
        with self._alone():
            self._used = (STATE / "postgres.used").open("a")
            fcntl.flock(self._used, fcntl.LOCK_SH)
            if not (self.folder / "PG_VERSION").exists():
                self._make()
            if self._running() and not self._listens():
                self._stop()  # an earlier version's, which listens elsewhere
            if not self._running():
                self._launch()
            self._ensure_roles()

    def stop(self) -> None:
        """Leave the server; whoever leaves last stops it."""
        if self._used is None:
            return
        with self._alone():
            try:
                fcntl.flock(self._used, fcntl.LOCK_EX | fcntl.LOCK_NB)
            except OSError:
                return  # others still use it
            finally:
                used, self._used = self._used, None
            # where it could not be made or started, that is what is told
            if self._running():
                self._stop()
            used.close()

    @contextmanager
    def kept_up(self):
        """Within it the server is started again when it ends by itself, as it does where a disk is full or memory short."""
        ended = threading.Event()
        keeper = threading.Thread(target=self._keep_up, args=(ended,), daemon=True)
        keeper.start()
        try:
            yield
        finally:
            ended.set()
            keeper.join()

    def _keep_up(self, ended: threading.Event) -> None:
        told = ""
        while not ended.wait(_LOOK):
            if self._answers():
                continue
            with self._alone():
                # it may be coming up, or another command brought it up
                if ended.is_set() or self._running():
                    continue
                try:
                    self._launch()
                    say("PostgreSQL had ended; it runs again")
                    told = ""
                except SetupError as error:
                    if str(error) != told:
                        say(f"PostgreSQL has ended, and is tried again until it starts. {error}")
                    told = str(error)

    @contextmanager
    def _alone(self):
        """One command at a time starts or stops the server."""
        with (STATE / "postgres.turn").open("a") as turn:
            fcntl.flock(turn, fcntl.LOCK_EX)
            yield

    def _launch(self) -> None:
        log, sockets = self.folder / "server.log", self.sockets
        options = (
            f"-p {PORT} -c listen_addresses= -c unix_socket_permissions=0700 -c unix_socket_directories='{sockets}'"
        )
        self._server("pg_ctl", "start", "-w", "-t", "60", "-D", str(self.folder), "-l", str(log), "-o", options, what="Starting PostgreSQL",
                     then=f"read {log}", detached=True)  # fmt: skip

    def _stop(self) -> None:
        self._server(
            "pg_ctl", "stop", "-m", "fast", "-w", "-D", str(self.folder), what="Stopping PostgreSQL", then="nothing"
        )

    def _ensure_roles(self) -> None:
        """The application's role, and the database it owns; what an earlier version's superuser owned is handed over."""
        if self.query("postgres", f"SELECT 1 FROM pg_roles WHERE rolname = '{USER}'") != "1":
            self.query("postgres", f"CREATE ROLE {USER} LOGIN CREATEDB NOSUPERUSER")
        owner = self.query("postgres", f"SELECT datdba::regrole FROM pg_database WHERE datname = '{NAME}'")
        if not owner:
            self.query("postgres", f"CREATE DATABASE {NAME} OWNER {USER} ENCODING 'UTF8' TEMPLATE template0")
        elif owner != USER:
            self.query(NAME, _HAND_OVER)
            self.query("postgres", f"ALTER DATABASE {NAME} OWNER TO {USER}")

    @property
    def sockets(self) -> Path:
        """The folder of the server's socket, which only its owner may enter: its own, or a short one where that is too long."""
        if len(f"{self.folder}/.s.PGSQL.{PORT}") <= _LONGEST:
            return self.folder
        known = STATE / "postgres.sockets"
        if not known.exists() or not Path(known.read_text()).is_dir():
            made = tempfile.mkdtemp(prefix="mantello-")
            if self.as_server:
                owner = pwd.getpwnam("postgres")
                os.chown(made, owner.pw_uid, owner.pw_gid)
            known.write_text(made)
        return Path(known.read_text())

    def _listens(self) -> bool:
        return (self.sockets / f".s.PGSQL.{PORT}").exists()

    def _answers(self) -> bool:
        """Whether somebody takes calls at the server's socket."""
        with socket.socket(socket.AF_UNIX) as call:
            try:
                call.connect(str(self.sockets / f".s.PGSQL.{PORT}"))
            except OSError:
                return False
        return True

    def _make(self) -> None:
        say("making the database cluster")
        shutil.rmtree(self.folder, ignore_errors=True)
        self.folder.mkdir(parents=True, exist_ok=True)  # a disk of its own that is mounted there stays
        if self.as_server:
            owner = pwd.getpwnam("postgres")
            os.chown(self.folder, owner.pw_uid, owner.pw_gid)
        self.folder.chmod(0o700)
        self._server("initdb", "-D", str(self.folder), "-U", OWNER, "-A", "trust", "-E", "UTF8", "--locale=C.UTF-8",
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

    def query(self, database: str, statement: str) -> str:
        """What the server answers to a statement of its superuser.

        Raises: SetupError with what it says.
        """
        command = [str(self.binaries / "psql"), "-h", str(self.sockets), "-p", str(PORT), "-U", OWNER, "-d", database, "-v",
                   "ON_ERROR_STOP=1", "-tAc", statement]  # fmt: skip
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
