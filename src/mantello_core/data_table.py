"""Tables that ship: written as TOML for people, and kept in a form that is read in a hundredth of the time."""

import hashlib
import json
import tomllib
from importlib.resources import files


def data_table(package: str, name: str) -> dict:
    """The table of that name in a package's folder of data. Not to be changed.

    The kept form is taken where it is of just this text; ``./mantello manage ship`` writes it.
    """
    folder = files(package) / "data"
    text = (folder / f"{name}.toml").read_bytes()
    kept = folder / "kept" / f"{name}.json"
    if kept.is_file():
        found = json.loads(kept.read_bytes())
        if found["of"] == _digest(text):
            return found["table"]
    return tomllib.loads(text.decode())


def kept_form(text: bytes) -> str:
    """What is kept of a table's text."""
    return json.dumps({"of": _digest(text), "table": tomllib.loads(text.decode())}, ensure_ascii=False)


def _digest(text: bytes) -> str:
    return hashlib.sha256(text).hexdigest()
