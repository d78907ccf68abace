"""The word lists that ship: colour words, garments and what columns are called, dyes."""

import tomllib
from functools import cache
from importlib.resources import files

_NAMES = ("colour_words", "headers", "dyes")


def word_list(name: str) -> dict:
    """A list by its name: colour_words, headers or dyes. Not to be changed."""
    return _every()[name]


@cache
def _every() -> dict[str, dict]:
    folder = files(__package__) / "data"
    return {name: tomllib.loads((folder / f"{name}.toml").read_text(encoding="utf-8")) for name in _NAMES}
