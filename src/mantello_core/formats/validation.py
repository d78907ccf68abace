"""Checking parsed JSON against the shipped schemas; the first fault becomes a refusal with its place."""

import json
from functools import cache
from importlib.resources import files

from jsonschema import Draft202012Validator
from jsonschema.exceptions import best_match
from jsonschema.validators import extend
from referencing import Registry, Resource

from ..errors import Unreadable
from .fault_words import fault_words

_NAMES = (
    "almanac", "blazon", "design", "difference", "freehand", "transfers", "drawing", "resolve", "coats", "film", "match", "mix", "plan", "plates", "propose", "ramp", "recipe",
    "shopping", "undercoat",
)  # fmt: skip

# the standard takes 19.0 for a whole number; we count, print and index by them
_WHOLE = Draft202012Validator.TYPE_CHECKER.redefine(
    "integer", lambda _, one: isinstance(one, int) and not isinstance(one, bool)
)
_Validator = extend(Draft202012Validator, type_checker=_WHOLE)


@cache
def schema(name: str) -> dict:
    """The JSON Schema of that name."""
    return json.loads((files(__package__) / "schemas" / f"{name}.schema.json").read_text(encoding="utf-8"))


def check(document: object, name: str, within: str = "") -> None:
    """Nothing, if the document follows the schema. within: the pointer to it, if it is part of another.

    Raises: Unreadable naming the most telling fault, with a JSON pointer to it.
    """
    error = best_match(_validator(name).iter_errors(document))
    if error is not None:
        where = f"{within}/" + "/".join(str(step) for step in error.absolute_path)
        raise Unreadable(f"{fault_words(error)} (at {where})", where)


@cache
def _validator(name: str):
    registry = Registry().with_resources((schema(one)["$id"], Resource.from_contents(schema(one))) for one in _NAMES)
    return _Validator(schema(name), registry=registry)
