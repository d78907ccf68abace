"""Checking parsed JSON against the shipped schemas; the first fault becomes a refusal with its place."""

import json
from collections.abc import Sized
from functools import cache
from importlib.resources import files

from jsonschema import Draft202012Validator, ValidationError
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

    Counts come before content: of a list of a million entries where ten may be none is looked at.
    Raises: Unreadable naming the most telling fault, with a JSON pointer to it.
    """
    root = schema(name)
    error = _too_much(document, root, root, ()) or best_match(_validator(name).iter_errors(document))
    if error is not None:
        where = f"{within}/" + "/".join(str(step) for step in error.absolute_path)
        raise Unreadable(f"{fault_words(error)} (at {where})", where)


def _too_much(one: object, form: dict, root: dict, path: tuple[str | int, ...]) -> ValidationError | None:
    """The first place with more entries, signs or names than the form allows, from the outside in; places that may be one of
    several things are left to the rest."""
    if isinstance(one, str | int | float | bool) or one is None:
        return _over("maxLength", one, form, path) if isinstance(one, str) else None
    while "$ref" in form:
        file, _, pointer = form["$ref"].partition("#")
        form = root = schema(file.split(":")[2]) if file else root
        for step in pointer.split("/")[1:]:
            form = form[step]
    if isinstance(one, list):
        first, rest = form.get("prefixItems", ()), form.get("items")
        over = _over("maxItems", one, form, path)
        parts = ((at, each, first[at] if at < len(first) else rest) for at, each in enumerate(one))
    elif isinstance(one, dict):
        known, others = form.get("properties", {}), form.get("additionalProperties")
        over = _over("maxProperties", one, form, path)
        if not over and others is False and not one.keys() <= known.keys():
            over = _fault("additionalProperties", one, form, path)
        parts = ((name, each, known.get(name, others)) for name, each in one.items())
    else:
        return None
    if over:
        return over
    found = (_too_much(each, part, root, (*path, at)) for at, each, part in parts if isinstance(part, dict))
    return next(filter(None, found), None)


def _over(rule: str, one: Sized, form: dict, path: tuple[str | int, ...]) -> ValidationError | None:
    return _fault(rule, one, form, path) if len(one) > form.get(rule, len(one)) else None


def _fault(rule: str, one: object, form: dict, path: tuple[str | int, ...]) -> ValidationError:
    return ValidationError("", validator=rule, validator_value=form[rule], instance=one, schema=form, path=path)


@cache
def _validator(name: str):
    registry = Registry().with_resources((schema(one)["$id"], Resource.from_contents(schema(one))) for one in _NAMES)
    return _Validator(schema(name), registry=registry)
