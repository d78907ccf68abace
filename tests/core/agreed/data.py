"""What the questions are asked of."""

import json
from functools import cache

from mantello_core.formats.command import GOOD, answer
from mantello_core.formats.document.design import write_design
from mantello_core.formats.sample import calvessa


def asked(verb: str, **document: object) -> dict:
    """What the command line answers to a verb.

    Raises: ValueError where it refuses.
    """
    status, text = answer(verb, json.dumps(document).encode())
    if status != GOOD:
        raise ValueError(text)
    return json.loads(text)


@cache
def written() -> dict:
    """The small army as a document."""
    return write_design(calvessa())
