"""A server of its own for a bench: a database beside the others, painters with an army each, web processes and a worker."""

import os
import signal
import socket
import subprocess
import sys
import time
from collections.abc import Callable
from contextlib import contextmanager
from dataclasses import dataclass
from urllib.parse import quote

import psycopg

from launch.application import FEW_ARENAS

NAME = "mantello_bench"


@dataclass
class Served:
    """Where it is served, who may come in, and what runs."""

    port: int
    #: session cookie and army of every painter
    painters: list[tuple[str, int]]
    environment: dict[str, str]
    web: subprocess.Popen
    work: subprocess.Popen

    def start_web(self) -> None:
        """Start the web processes (anew) and wait until they answer."""
        self.web = subprocess.Popen(
            [sys.executable, "-m", "gunicorn", "mantello.wsgi:application", "-c", "python:mantello.serving", "--bind", f"127.0.0.1:{self.port}"],
            env=FEW_ARENAS | self.environment, start_new_session=True,
        )  # fmt: skip
        until(self._answers, "The server did not come.")

    def _answers(self) -> bool:
        with socket.socket() as probe:
            return probe.connect_ex(("127.0.0.1", self.port)) == 0

    def start_work(self) -> None:
        """Start the task worker (anew)."""
        command = [sys.executable, "-m", "django", "procrastinate", "worker", "--concurrency", "2"]
        quiet = {"stdout": subprocess.DEVNULL, "stderr": subprocess.DEVNULL}
        self.work = subprocess.Popen(
            command, env=self.environment | {"MANTELLO_POOL": "0"}, start_new_session=True, **quiet
        )


def until(holds: Callable[[], bool], said: str) -> None:
    """Wait for a condition, a minute at most, and end with what is said if it does not come about."""
    for _ in range(600):
        if holds():
            return
        time.sleep(0.1)
    raise SystemExit(said)


def database_parts() -> dict[str, str]:
    """How the shared server is reached, from the address the launcher gave."""
    from mantello.settings.options import OPTIONS

    known = OPTIONS.database
    return {"host": known["HOST"], "user": known["USER"], "password": known["PASSWORD"], "port": known["PORT"]}


@contextmanager
def served(painters: int):
    """A server with so many painters, each with the small sample army."""
    parts = database_parts()
    with psycopg.connect(dbname="postgres", autocommit=True, **parts) as admin:
        admin.execute(f"DROP DATABASE IF EXISTS {NAME} WITH (FORCE)")
        admin.execute(f"CREATE DATABASE {NAME} ENCODING 'UTF8' TEMPLATE template0")
    url = f"postgresql://{parts['user']}:{quote(parts['password'])}@/{NAME}?host={quote(parts['host'], safe='')}"
    environment = os.environ | {
        "MANTELLO_DATABASE_URL": url, "MANTELLO_MODE": "local", "MANTELLO_DEMO": "no", "MANTELLO_POOL": "8",
        "MANTELLO_ALLOWED_HOSTS": "127.0.0.1,localhost",
    }  # fmt: skip
    made = subprocess.run(
        [sys.executable, "-m", "tests.benches.painters", str(painters)],
        env=environment | {"MANTELLO_POOL": "0"}, check=True, capture_output=True, text=True,
    )  # fmt: skip
    known = [(line.split()[0], int(line.split()[1])) for line in made.stdout.splitlines()]
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    found = Served(port, known, environment, None, None)
    found.start_web()
    found.start_work()
    try:
        yield found
    finally:
        for process in (found.web, found.work):
            _end(process)
        with psycopg.connect(dbname="postgres", autocommit=True, **parts) as admin:
            admin.execute(f"DROP DATABASE IF EXISTS {NAME} WITH (FORCE)")


def _end(process: subprocess.Popen) -> None:
    process.terminate()
    try:
        process.wait(15)
    except subprocess.TimeoutExpired:
        os.killpg(process.pid, signal.SIGKILL)
        process.wait(5)
