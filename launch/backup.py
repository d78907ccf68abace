"""Everything in one file and back: all accounts, armies with their history, logs, shelves, photographs, papers."""

import os
import re
from datetime import datetime
from pathlib import Path

from .database import NAME, OWNER, USER, Database
from .step import STATE, SetupError, run, say

#: backups that starts have taken by themselves, kept at most
MOST_KEPT = 8
_FOLDER = STATE / "backups"


def backup(database: Database, path: Path) -> None:
    """Write everything to a new file that only its owner may read; nothing stays of one that fails.

    Raises: SetupError if the file is there already, or cannot be written.
    """
    path = path.absolute()
    if path.exists():
        raise SetupError(f"{path} is there already; it is not written over.", "name another file")
    half = path.with_name(path.name + ".half")
    try:
        half.unlink(missing_ok=True)
        os.close(os.open(half, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600))
    except OSError as error:
        raise SetupError(f"{path} cannot be written: {error.strerror}.", "name a file in a folder of yours") from error
    try:
        _tool(database, "pg_dump", "--format=custom", f"--file={half}", NAME, what="Writing the backup")
        half.replace(path)
    finally:
        half.unlink(missing_ok=True)
    say(f"everything is in {path} ({path.stat().st_size / 1e6:.1f} MB)")


def restore(database: Database, path: Path) -> str:
    """Put everything in place of what is there, which is kept as a database of another name; that name.

    The file is read into a database of its own first: one that is damaged changes nothing.
    Raises: SetupError if the file is none of ours, or others use the database.
    """
    path = path.absolute()
    if not path.is_file():
        raise SetupError(f"There is no file {path}.", "name a file that './mantello backup' wrote")
    listed = _tool(database, "pg_restore", "--list", str(path), what="Reading the backup", connect=False)
    if not re.search(r"TABLE DATA public accounts_user", listed):
        raise SetupError(f"{path} is no backup of Mantello.", "name a file that './mantello backup' wrote")
    fresh, stamp = f"{NAME}_restored", f"{datetime.now():%Y%m%d_%H%M%S}"
    database.query("postgres", f"DROP DATABASE IF EXISTS {fresh}")
    database.query("postgres", f"CREATE DATABASE {fresh} OWNER {USER} ENCODING 'UTF8' TEMPLATE template0")
    try:
        _tool(
            database, "pg_restore", "--exit-on-error", "--single-transaction", "--no-owner", f"--role={USER}", f"--dbname={fresh}",
            str(path), what="Reading the backup",
        )  # fmt: skip
        used = database.query("postgres", f"SELECT count(*) FROM pg_stat_activity WHERE datname = '{NAME}'")
        if used != "0":
            raise SetupError("Mantello is being used.", "stop it ('./mantello start', 'work'), then restore again")
        before = f"{NAME}_before_{stamp}"
        database.query("postgres", f"ALTER DATABASE {NAME} RENAME TO {before}")
        database.query("postgres", f"ALTER DATABASE {fresh} RENAME TO {NAME}")
    finally:
        database.query("postgres", f"DROP DATABASE IF EXISTS {fresh}")
    say(f"restored; what was there before is kept as the database {before}")
    return before


def backup_before_migrating(database: Database) -> Path | None:
    """A backup taken by itself before a start changes tables; older ones of these go. None if there is nothing to keep."""
    if database.query(NAME, "SELECT to_regclass('public.accounts_user') IS NULL") == "t":
        return None
    _FOLDER.mkdir(mode=0o700, exist_ok=True)
    path = _FOLDER / f"before-upgrade-{datetime.now():%Y%m%d-%H%M%S-%f}.mantello"
    backup(database, path)
    for old in sorted(_FOLDER.glob("before-upgrade-*.mantello"))[:-MOST_KEPT]:
        old.unlink()
    return path


def _tool(database: Database, program: str, *arguments: str, what: str, connect: bool = True) -> str:
    command = [str(database.binaries / program)]
    if connect:
        command += ["--host", str(database.sockets), "--port", str(database.port), "--username", OWNER]
    then = "read the message above; nothing was changed"
    return run([*command, *arguments], what, then, cwd="/").stdout
