"""Django seen from outside: management commands, and the server that serves."""

import os
import secrets
import signal
import socket
import subprocess
import threading
import time
from contextlib import contextmanager, suppress
from pathlib import Path

from .environment import PYTHON, VENV
from .step import ROOT, STATE, SetupError, attended, end, run, say

#: threads in which a process multiplies matrices: ours are small, and there is a process for every processor as it is
ONE_THREAD = {"OPENBLAS_NUM_THREADS": "1"}
#: heaps that the threads of a process share: with one for each, what one thread lets go no other can use
FEW_ARENAS = {"MALLOC_ARENA_MAX": "2"}
#: seconds until a task worker that ended is replaced
WORKER_REST = 1.0


def settings_for(url: str, **more: str) -> dict[str, str]:
    """The environment the application reads its settings from."""
    try:
        (STATE / "static").mkdir(parents=True, exist_ok=True)
    except OSError as error:
        raise SetupError(
            f"{STATE} cannot be written: {error.strerror}.", "make the folder writable, or take another"
        ) from error
    secret = STATE / "secret"
    _ensure_secret(secret)
    return dict(
        ONE_THREAD | os.environ,
        PYTHONPATH=str(ROOT / "src"),
        DJANGO_SETTINGS_MODULE="mantello.settings",
        MANTELLO_DATABASE_URL=url,
        MANTELLO_SECRET_KEY=secret.read_text(),
        MANTELLO_STATE=str(STATE),
        **more,
    )


def settings_as_set(url: str, mode: str = "production") -> dict[str, str]:
    """The environment of one process of several on a database that is not this checkout's: what is set there holds.

    mode: where MANTELLO_MODE is not set.
    Raises: SetupError if production lacks the secret that all processes share.
    """
    mode = os.environ.get("MANTELLO_MODE", mode)
    secret = os.environ.get("MANTELLO_SECRET_KEY", "")
    if mode == "production" and not secret:
        raise SetupError(
            "MANTELLO_SECRET_KEY is not set.",
            "set the same one, at least 50 random characters, for every process on this database",
        )
    return settings_for(url, MANTELLO_MODE=mode) | ({"MANTELLO_SECRET_KEY": secret} if secret else {})


def _ensure_secret(path: Path) -> None:
    """Write a secret that nobody else may read, from its first byte on; one that is there stays.

    Raises: SetupError if it cannot be written.
    """
    try:
        made = os.open(path, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600)
    except FileExistsError:
        return
    except OSError as error:
        raise SetupError(
            f"{path} cannot be written: {error.strerror}.", "make the folder writable, or take another"
        ) from error
    with os.fdopen(made, "w") as file:
        file.write(secrets.token_urlsafe(48))


def manage(environment: dict[str, str], *arguments: str, quiet: bool = False) -> int:
    """Run one of Django's management commands; its exit status.

    Raises: SetupError if ``quiet`` and it fails.
    """
    command = [str(PYTHON), "-m", "django", *arguments]
    if quiet:
        run(command, f"'{arguments[0]}'", "read the message above", env=environment, cwd=ROOT)
        return 0
    return attended(command, env=environment, cwd=ROOT)


@contextmanager
def simulated_reader(environment: dict[str, str]):
    """The simulated colour reader on a free port of loopback, unless another is set; gives its address."""
    given = os.environ.get("MANTELLO_READER")
    if given is not None:
        yield given
        return
    with socket.socket() as probe:
        probe.bind(("127.0.0.1", 0))
        port = probe.getsockname()[1]
    process = subprocess.Popen(
        [str(PYTHON), "-m", "mantello_reader", "--port", str(port)], env=environment, cwd=ROOT, start_new_session=True
    )
    try:
        yield f"127.0.0.1:{port}"
    finally:
        end(process)


@contextmanager
def background_worker(environment: dict[str, str]):
    """A worker that takes tasks from the queue in the database, as long as the server runs; one that dies is replaced."""
    command = [str(PYTHON), "-m", "django", "procrastinate", "worker", "--concurrency", "2"]
    ended, turn = threading.Event(), threading.Lock()
    running: list[subprocess.Popen] = []

    def keep_one():
        while not ended.is_set():
            with turn:
                if ended.is_set():
                    return
                running[:] = [subprocess.Popen(command, env=FEW_ARENAS | environment, cwd=ROOT, start_new_session=True)]
            running[0].wait()
            if not ended.wait(WORKER_REST):
                say("the task worker ended; another one takes its place")

    keeper = threading.Thread(target=keep_one, daemon=True)
    keeper.start()
    try:
        yield running
    finally:
        with turn:
            ended.set()
        for process in running:
            end(process)
        keeper.join(15)


def try_port(host: str, port: int) -> None:
    """Try whether an address can be served on.

    Raises: SetupError if it is taken or not this machine's.
    """
    with socket.socket(socket.AF_INET6 if ":" in host else socket.AF_INET) as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((host, port))
        except OSError as error:
            raise SetupError(
                f"{host} port {port} cannot be used: {error.strerror}.", "choose another with --port"
            ) from error


def _comes_up(process: subprocess.Popen, host: str, port: int) -> bool:
    """Wait until a server takes calls; whether it does, rather than ends."""
    while process.poll() is None:
        with suppress(OSError), socket.create_connection((_reached_at(host), port), timeout=1):
            return True
        time.sleep(0.05)
    return False


def _reached_at(host: str) -> str:
    """Where this machine reaches what is served on an address: one for all of its addresses cannot be called everywhere."""
    return {"0.0.0.0": "127.0.0.1", "::": "::1", "": "127.0.0.1"}.get(host, host)


def serve(environment: dict[str, str], host: str, port: int) -> int:
    """Serve until told to stop, and leave nothing running.

    Raises: SetupError if the address is taken.
    """
    try_port(host, port)
    address = f"[{host}]" if ":" in host else host
    command = [
        str(VENV / "bin" / "gunicorn"), "mantello.wsgi:application", "-c", "python:mantello.serving", "--bind",
        f"{address}:{port}",
    ]  # fmt: skip
    process = subprocess.Popen(command, env=FEW_ARENAS | environment, cwd=ROOT, start_new_session=True)

    def stop(*_):
        process.terminate()

    before = {one: signal.signal(one, stop) for one in (signal.SIGINT, signal.SIGTERM, signal.SIGHUP)}
    try:
        if _comes_up(process, host, port):
            say(f"Mantello is at http://{address}:{port}/ (Ctrl-C stops it)")
        status = process.wait()
    finally:
        for one, handler in before.items():
            signal.signal(one, handler)
    return 0 if status in (0, -signal.SIGTERM) else status
