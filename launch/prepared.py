"""Whether all that a start prepares is as the last one left it, so that it need not be looked for again: it takes seconds."""

import hashlib
import json
from pathlib import Path

from .database import NAME, Database
from .environment import VENV
from .step import ROOT, STATE, SetupError

_STAMP = STATE / "prepared.stamp"
#: what a start leaves in the database: the migrations that ran, and an army of the demo account
_LEFT = """
SELECT (SELECT count(*) || ' ' || max(id) FROM django_migrations),
  EXISTS (SELECT 1 FROM army_army JOIN accounts_user ON owner_id = accounts_user.id WHERE is_demo)
"""


def is_prepared(database: Database, demo: bool) -> bool:
    """Whether code, static files, tables and (if ``demo``) the demo's army are those of the last start that prepared them."""
    return _STAMP.exists() and _STAMP.read_text() == _state(database, demo)


def note_prepared(database: Database, demo: bool) -> None:
    """Remember that everything is prepared as it is now."""
    _STAMP.write_text(_state(database, demo) or "")


def _state(database: Database, demo: bool) -> str | None:
    """None where there is no telling: tables or the demo's army are missing."""
    try:
        left = database.query(NAME, _LEFT)
    except SetupError:
        return None
    if demo and not left.endswith("t"):
        return None
    files = [one for one in (ROOT / "src").rglob("*") if one.is_file() and "__pycache__" not in one.parts]
    known = [*files, *sorted(VENV.glob("*.stamp")), STATE / "static" / "collected.stamp"]
    listed = sorted((str(one), *_size_and_time(one)) for one in known)
    return hashlib.sha256(json.dumps([left, demo, listed]).encode()).hexdigest()


def _size_and_time(path: Path) -> tuple[int, int]:
    found = path.stat() if path.exists() else None
    return (found.st_size, found.st_mtime_ns) if found else (0, 0)
