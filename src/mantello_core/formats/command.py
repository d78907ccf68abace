"""The verbs of the command line: JSON in, JSON out; see docs/formats/."""

import ast
import json
from collections.abc import Callable, Iterator
from importlib import import_module
from importlib.resources import files

from ..errors import MantelloError, OutOfRange, Unreadable

#: exit statuses
GOOD, BAD_INPUT = 0, 2
MOST_BYTES = 8_000_000


def answer(verb: str, data: bytes) -> tuple[int, str]:
    """Exit status and the JSON text a verb answers its input with. Refusals are answers too."""
    try:
        if verb == "help":
            return GOOD, "".join(f"{name:13} {line}\n" for name, line in _summaries())
        if verb not in VERBS:
            raise Unreadable(f"'{verb}' is no verb; there are {', '.join(VERBS)}.", "verb")
        return GOOD, _text(_function(verb)(_parsed(data)))
    except MantelloError as error:
        return BAD_INPUT, _text({"error": {"kind": error.kind, "message": error.message, "where": error.where}})


def _parsed(data: bytes) -> object:
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The input has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "input")
    try:
        return json.loads(data.decode("utf-8-sig") or "{}")
    except UnicodeDecodeError as error:
        raise Unreadable(f"The input is not UTF-8 text: byte {error.start} is not allowed.", "input") from error
    except json.JSONDecodeError as error:
        raise Unreadable(
            f"The input is not JSON: {error.msg}.", f"line {error.lineno}, column {error.colno}"
        ) from error
    except RecursionError as error:
        raise Unreadable("The input is nested too deeply.", "input") from error


def _text(value: object) -> str:
    return json.dumps(value, indent=1, ensure_ascii=False) + "\n"


#: verb to its module among the verbs and its function there, read when it is asked for
VERBS = {
    "resolve": "scheme.resolved",
    "coats": "paint.coats",
    "mix": "paint.mixed",
    "match": "paint.matched",
    "film": "recipe.film",
    "ramp": "recipe.ramp",
    "recipe": "recipe.recipe",
    "checks": "scheme.checks",
    "propose": "scheme.proposed",
    "blazon": "marks.blazon",
    "difference": "marks.difference",
    "freehand": "marks.freehand",
    "transfers": "marks.transfers",
    "roster": "army.roster",
    "palette": "outside.palette",
    "drawing": "outside.drawing",
    "busy": "outside.busy",
    "shopping": "army.bought",
    "undercoat": "army.undercoated",
    "plan": "work.planned",
    "order": "work.ordered",
    "validate-plan": "work.validated",
    "plates": "army.plates",
    "camouflage": "camouflage.camouflaged",
    "variety": "variety.varied",
    "dress": "dress.found",
    "almanac": "dress.worn",
}


def _summaries() -> Iterator[tuple[str, str]]:
    """Every verb with the first line of what its function says of itself, from the modules' text: to read them all as modules
    would take seven times as long."""
    said: dict[str, str] = {}
    for module in {place.partition(".")[0] for place in VERBS.values()}:
        text = (files(__package__) / "verbs" / f"{module}.py").read_text(encoding="utf-8")
        for node in ast.parse(text).body:
            if isinstance(node, ast.FunctionDef):
                said[f"{module}.{node.name}"] = (ast.get_docstring(node) or "").partition("\n")[0]
    return ((verb, said[place]) for verb, place in VERBS.items())


def _function(verb: str) -> Callable[[dict], dict]:
    module, _, name = VERBS[verb].partition(".")
    return getattr(import_module(f".verbs.{module}", __package__), name)
