"""The words of lists: what is written over columns, numbers in words, what begins a remark or a total."""

import re
import unicodedata
from functools import cache
from types import MappingProxyType

from ...data_table import data_table

_NUMBER = r"\d{1,6}"
_TIMES = r"\s*(?:x|×|\*|times|lots of|by)\s*"


@cache
def _data() -> dict:
    return data_table(__package__, "words")


@cache
def list_words() -> MappingProxyType:
    """What begins totals and remarks, says 'as above', leads: name to words in lower case."""
    return MappingProxyType({name: tuple(words) for name, words in _data()["lines"].items()})


@cache
def _headings() -> dict[str, str]:
    return {word: field for field, words in _data()["columns"].items() for word in words}


def field_called(heading: str) -> str:
    """The field of a roster that a heading names, or ''.

    >>> field_called("No. of models (painted)"), field_called("Régiment"), field_called("Mood")
    ('figures', 'formation', '')
    """
    plain = "".join(
        sign for sign in unicodedata.normalize("NFKD", heading.casefold()) if not unicodedata.combining(sign)
    )
    bare = re.sub(r"[(\[].*?[)\]]", " ", plain)
    bare = " ".join(re.sub(r"[._:/*-]+", " ", bare).split())
    return _headings().get(bare, "") or _headings().get(bare.removesuffix("s"), "")


def counted(written: str) -> int | None:
    """The number that some words say, or None: '24', '24 x', '2 x 12', 'twenty-four', 'two dozen', '12 models', '1,200'.

    >>> counted("2 x 12"), counted("half a dozen"), counted("twenty-four men"), counted("many")
    (24, 6, 24, None)
    """
    text = " ".join(written.lower().replace("\u00a0", " ").split())
    text = re.sub(rf"\s*\b(?:{'|'.join(_data()['lines']['counting'])})\.?$", "", text).strip(" :=")
    if found := re.fullmatch(rf"(?:x|×)?\s*({_NUMBER})\s*(?:x|×|\*)?", text):
        return int(found[1])
    if found := re.fullmatch(rf"({_NUMBER}){_TIMES}({_NUMBER})", text):
        return int(found[1]) * int(found[2])
    if found := re.fullmatch(r"(\d{1,3})[,. '](\d{3})", text):
        return int(found[1] + found[2])
    if re.fullmatch(_NUMBER + r"\.0+", text):
        return int(text.partition(".")[0])
    return _in_words(text)


def _in_words(text: str) -> int | None:
    words = re.split(r"[\s-]+", text.removeprefix("the "))
    numbers = _data()["numbers"]
    if words[:1] == ["half"] and words[-1:] == ["dozen"]:
        return 6 if words[1:-1] in ([], ["a"]) else None
    if not words or any(word not in numbers for word in words):
        return None
    total = 0
    for word in words:
        value = numbers[word]
        if word in ("dozen", "score", "pair", "couple"):
            total = max(total, 1) * value
        elif total and not (total % 10 == 0 and total >= 20 and value < 10):
            return None
        else:
            total += value
    return total or None
