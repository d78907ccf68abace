"""An answer of any shape as a few numbers that tell it from every other one."""

import re
import zlib
from collections.abc import Iterator, Mapping, Set
from dataclasses import fields, is_dataclass
from datetime import date
from enum import Enum
from functools import cache

import numpy as np
from shapely.geometry.base import BaseGeometry

#: numbers answers are kept with; platforms differ beyond
DIGITS = 7
#: numbers within words, such as those of a path, count as numbers
_NUMBER = re.compile(r"(?<![\w.])-?\d+(?:\.\d+)?(?![\w.])")


def summary(answer: object) -> list[float]:
    """How many numbers and words an answer holds, the sum of its numbers, their sum weighted by place, and a sign of its
    words; a shape counts by its area, outline, middle and bounds."""
    numbers, words = [], []
    for leaf in _leaves(answer):
        (numbers if isinstance(leaf, float) else words).append(leaf)
    values = np.array(numbers or [0.0])
    weights = 1 + np.sin(np.arange(1, len(values) + 1) * 1.7)
    text = zlib.crc32("\n".join(words).encode())
    return [len(numbers), len(words), _shortened(values.sum()), _shortened(values @ weights), text]


def _told(value: object) -> Iterator[float | str]:
    """A value's fields, and what it says of itself in a word or a number."""
    for field in fields(value):
        yield from _leaves(getattr(value, field.name))
    for name in _told_of(type(value)):
        said = getattr(value, name)
        if isinstance(said, (bool, int, float, str)):
            yield from _leaves(said)


@cache
def _told_of(kind: type) -> tuple[str, ...]:
    """Names of what a kind of value says of itself besides its fields and how much it takes where it is kept; paints and grounds are
    left out, they come often."""
    if kind.__name__ in ("Paint", "Film", "Ground", "Mix", "Step", "Technique"):
        return ()
    return tuple(name for name, member in vars(kind).items() if isinstance(member, property) and name != "kept_bytes")


def _shortened(value: float) -> float:
    return float(f"{value:.{DIGITS}g}")


def _leaves(value: object) -> Iterator[float | str]:
    if isinstance(value, BaseGeometry):
        if not value.is_empty:
            middle = value.centroid
            yield from (float(one) for one in (value.area, value.length, middle.x, middle.y, *value.bounds))
        yield value.geom_type
    elif isinstance(value, str):
        yield from (float(one) for one in _NUMBER.findall(value))
        yield _NUMBER.sub("#", value)
    elif isinstance(value, (bool, date, Enum)) or value is None:
        yield str(value)
    elif isinstance(value, (int, float, np.number)):
        yield float(value)
    elif isinstance(value, np.ndarray):
        yield from (float(one) for one in value.ravel())
    elif is_dataclass(value) and not isinstance(value, type):
        yield from _told(value)
    elif isinstance(value, Mapping):
        for key, one in value.items():
            yield from _leaves(key)
            yield from _leaves(one)
    elif isinstance(value, Set):
        for one in sorted(str(one) for one in value):
            yield from _leaves(one)
    else:
        for one in value:
            yield from _leaves(one)
