"""Processes killed under edits: what was acknowledged is there, once, and whole."""

import argparse
import os
import random
import re
import signal
import subprocess
import sys
import threading
import time
import uuid
from contextlib import suppress
from pathlib import Path

import psycopg

from .editor import Editor
from .serving import NAME, Served, database_parts, served, until

#: editors that edit all the while
EDITORS = 4


class Writer(threading.Thread):
    """Names its army anew, again and again, each name once; remembers what the server said it took. An edit that got no
    answer is sent again with its mark, as a browser does."""

    def __init__(self, editor: Editor):
        super().__init__(daemon=True)
        self.editor, self.ended = editor, threading.Event()
        self.acknowledged: list[str] = []
        self.start()

    def run(self):
        number = 0
        while not self.ended.is_set():
            number += 1
            name, token = f"Edit {number}", str(uuid.uuid4())
            while not self.ended.is_set():
                page = self.editor.get("army", f"/armies/{self.editor.army}/")
                base = re.search(r'data-base="(\d+)"', page)
                status = base and self.editor.post(
                    "edit",
                    f"/armies/{self.editor.army}/nodes/army/change/",
                    base=base[1],
                    name=name,
                    kind="",
                    token=token,
                )
                if status == 302:
                    self.acknowledged.append(name)
                    break
                time.sleep(0.05)


def main() -> int:
    """The exit status: 0 when nothing was lost, halved or doubled."""
    parser = argparse.ArgumentParser(prog="kill")
    parser.add_argument("--kills", type=int, default=100)
    parser.add_argument("--seed", type=int, default=7)
    asked = parser.parse_args()
    chance = random.Random(asked.seed)
    with served(EDITORS) as server:
        writers = [Writer(Editor(server.port, session, army)) for session, army in server.painters]
        done = dict.fromkeys(_KILLED, 0)
        for _ in range(asked.kills):
            time.sleep(chance.uniform(0.3, 1.2))
            what = chance.choice(list(_KILLED))
            _KILLED[what](server, chance)
            done[what] += 1
            print(".", end="", flush=True)
        time.sleep(3)
        for one in writers:
            one.ended.set()
        for one in writers:
            one.join(90)
        lost, doubled, halves = _judged(writers)
    edits = sum(len(one.acknowledged) for one in writers)
    print(
        f"\n{asked.kills} kills ({', '.join(f'{many} {what}' for what, many in done.items())}) under {edits} acknowledged edits: lost {lost}, doubles {doubled}, halves {halves}"
    )
    return 0 if edits and not lost and not doubled and not halves else 1


def _web_process(server: Served, chance: random.Random) -> None:
    found = subprocess.run(
        ["pgrep", "-P", str(server.web.pid)], capture_output=True, text=True, check=False
    ).stdout.split()
    if found:
        os.kill(int(chance.choice(found)), signal.SIGKILL)


def _master(server: Served, chance: random.Random) -> None:
    os.killpg(server.web.pid, signal.SIGKILL)
    server.web.wait()
    server.start_web()


def _worker(server: Served, chance: random.Random) -> None:
    server.work.kill()
    server.work.wait()
    server.start_work()


def _connections(server: Served, chance: random.Random) -> None:
    """Every connection to the database is cut, in the middle of whatever it does."""
    with psycopg.connect(dbname="postgres", autocommit=True, **database_parts()) as admin:
        admin.execute(
            "SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = %s AND pid <> pg_backend_pid()",
            [NAME],
        )


def _database(server: Served, chance: random.Random) -> None:
    """The whole database server dies; whoever started it starts it again."""
    with psycopg.connect(dbname="postgres", **database_parts()) as one:
        status = Path(f"/proc/{one.info.backend_pid}/status").read_text()
    os.kill(int(re.search(r"PPid:\s+(\d+)", status)[1]), signal.SIGKILL)
    until(_database_answers, "The database did not come back.")


def _database_answers() -> bool:
    with suppress(psycopg.OperationalError), psycopg.connect(dbname="postgres", **database_parts()):
        return True
    return False


def _all(server: Served, chance: random.Random) -> None:
    _worker(server, chance)
    _database(server, chance)
    _master(server, chance)


_KILLED = {
    "web process": _web_process,
    "master": _master,
    "task worker": _worker,
    "connections": _connections,
    "database": _database,
    "all of it": _all,
}


def _judged(writers: list[Writer]) -> tuple[int, int, int]:
    """Acknowledged edits that are not there, that are there twice, and armies whose head is none of their editions."""
    lost = doubled = halves = 0
    with psycopg.connect(dbname=NAME, **database_parts()) as store:
        for one in writers:
            rows = store.execute(
                "SELECT document->'army'->'root'->>'name' FROM army_edition WHERE army_id = %s ORDER BY number",
                [one.editor.army],
            ).fetchall()
            names = [name for (name,) in rows]
            lost += sum(name not in names for name in one.acknowledged)
            doubled += sum(names.count(name) > 1 for name in set(names))
            (whole,) = store.execute(
                "SELECT count(*) FROM army_army a JOIN army_edition e ON e.id = a.head_id AND e.army_id = a.id WHERE a.id = %s AND a.name = e.document->'army'->'root'->>'name'",
                [one.editor.army],
            ).fetchone()
            halves += 1 - whole
    return lost, doubled, halves


if __name__ == "__main__":
    sys.exit(main())
