"""A fault of a file in words for whoever made it by hand or got it from somebody: where it is, what came, what is allowed."""

import json
from collections.abc import Sequence

from jsonschema import ValidationError

#: kinds of JSON values as a reader calls them
_KINDS = {
    "object": "a group of named values",
    "array": "a list",
    "string": "a text",
    "number": "a number",
    "integer": "a whole number",
    "boolean": "true or false",
    "null": "nothing",
}
#: names that are told at most, and signs of what came
_MOST_NAMES, _MOST_SIGNS = 12, 60
#: limits: the rule, its partner, the word for what is counted
_LIMITS = {
    "minimum": ("minimum", "maximum", ""),
    "maximum": ("minimum", "maximum", ""),
    "minLength": ("minLength", "maxLength", "sign"),
    "maxLength": ("minLength", "maxLength", "sign"),
    "minItems": ("minItems", "maxItems", "entry"),
    "maxItems": ("minItems", "maxItems", "entry"),
}


def fault_words(error: ValidationError) -> str:
    """One sentence about a fault, without its pointer."""
    place = place_words(list(error.absolute_path))
    rule, wanted, came = error.validator, error.validator_value, error.instance
    if rule == "type":
        kinds = wanted if isinstance(wanted, list) else [wanted]
        return f"{place} is {_shown(came)}; wanted is {_listed([_KINDS.get(one, one) for one in kinds], 'or')}."
    if rule == "required":
        lacking = [name for name in wanted if name not in came]
        return f"{place} lacks {_listed(_quoted(lacking), 'and')}."
    if rule == "additionalProperties":
        strange = sorted(set(came) - set(error.schema.get("properties", {})))
        return f"{place} has {_listed(_quoted(strange), 'and')}, which nothing here is called."
    if rule == "enum":
        return f"{place} is {_shown(came)}; allowed is {_listed([_shown(one) for one in wanted], 'or')}."
    if rule == "const":
        return f"{place} is {_shown(came)}; allowed is {_shown(wanted)} alone."
    if rule in _LIMITS:
        return f"{place} {_measured(rule, came)}; allowed is {_range(error.schema, rule)}."
    if rule in ("exclusiveMinimum", "exclusiveMaximum"):
        side = "more" if rule == "exclusiveMinimum" else "less"
        return f"{place} is {_shown(came)}; it must be {side} than {wanted:g}."
    if rule == "pattern":
        return f"{place} is {_shown(came)}, which is not written as it must be: {wanted}."
    if rule == "uniqueItems":
        return f"{place} names something twice."
    return f"{place} is {_shown(came)}, which is none of what may stand there."


def place_words(path: Sequence[str | int]) -> str:
    """A place in a file, from the outside in: 'In scheme, roles 4: name'."""
    words: list[str] = []
    for step in path:
        if isinstance(step, int) and words:
            words[-1] += f" {step + 1}"
        else:
            words.append(f"entry {step + 1}" if isinstance(step, int) else f"'{str(step)[:_MOST_SIGNS]}'")
    if not words:
        return "The file"
    outer = ", ".join(one.replace("'", "") for one in words[:-1])
    return f"In {outer}: {words[-1]}" if outer else words[-1][:1].upper() + words[-1][1:]


def _measured(rule: str, came) -> str:
    counted = _LIMITS[rule][2]
    if not counted:
        return f"is {_shown(came)}"
    count = len(came)
    return f"has {count} {counted if count == 1 else 'entries' if counted == 'entry' else counted + 's'}"


def _range(schema: dict, rule: str) -> str:
    low, high, _ = _LIMITS[rule]
    least, most = schema.get(low), schema.get(high)
    if least is None:
        return f"up to {most:g}"
    return f"at least {least:g}" if most is None else f"{least:g} to {most:g}"


def _shown(value) -> str:
    """What came, in quotes if it is a text, cut where it is long."""
    if isinstance(value, str):
        return f"'{value[:_MOST_SIGNS]}{'...' if len(value) > _MOST_SIGNS else ''}'"
    if isinstance(value, (dict, list)):
        return _KINDS["object" if isinstance(value, dict) else "array"]
    return json.dumps(value)[:_MOST_SIGNS]


def _quoted(names: Sequence[str]) -> list[str]:
    return [f"'{name[:_MOST_SIGNS]}'" for name in names]


def _listed(names: Sequence[str], last: str) -> str:
    shown = list(names[:_MOST_NAMES])
    if len(names) > _MOST_NAMES:
        return f"{', '.join(shown)} {last} {len(names) - _MOST_NAMES} more"
    return f"{', '.join(shown[:-1])} {last} {shown[-1]}" if len(shown) > 1 else "".join(shown)
