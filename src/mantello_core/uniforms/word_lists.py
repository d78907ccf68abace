"""The word lists that ship: colour words, garments and what columns are called, dyes."""

import tomllib
from functools import cache
from importlib.resources import files


@cache
def word_list(name: str) -> dict:
    """A list by its name: colour_words, headers or dyes. Not to be changed."""
    return tomllib.loads((files(__package__) / "data" / f"{name}.toml").read_text(encoding="utf-8"))
