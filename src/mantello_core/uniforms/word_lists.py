"""The word lists that ship: colour words, garments and what columns are called, dyes."""

from functools import cache

from ..data_table import data_table

_NAMES = ("colour_words", "headers", "dyes")


def word_list(name: str) -> dict:
    """A list by its name: colour_words, headers or dyes. Not to be changed."""
    return _every()[name]


@cache
def _every() -> dict[str, dict]:
    return {name: data_table(__package__, name) for name in _NAMES}
