"""Frozen values changed in some fields."""

from typing import TypeVar

T = TypeVar("T")


def but(value: T, **changed) -> T:
    """The same value with some fields changed, unchecked: where thousands are made, ``dataclasses.replace`` would ask each for all of
    its fields. What a value keeps of its own (``cached_property``) goes along."""
    made = object.__new__(type(value))
    vars(made).update(vars(value), **changed)
    return made
