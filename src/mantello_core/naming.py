"""Names that painters give, and the ids made of them."""

import re

from .errors import OutOfRange

LONGEST_NAME = 80


def slug(text: str, taken=()) -> str:
    """An id made of a name, not one of ``taken``."""
    base = re.sub(r"[^a-z0-9]+", "-", text.lower()).strip("-")[:40] or "item"
    candidate, number = base, 2
    while candidate in taken:
        candidate, number = f"{base}-{number}", number + 1
    return candidate


def named(text: str, where: str = "name") -> str:
    """A name trimmed and checked.

    Raises: OutOfRange if it is empty, too long, or holds signs that cannot be printed.
    """
    name = " ".join(text.split())
    strange = next((sign for sign in name if not sign.isprintable()), None)
    if strange is not None:
        raise OutOfRange(f"The name holds the sign U+{ord(strange):04X}, which cannot be written or printed.", where)
    if not 1 <= len(name) <= LONGEST_NAME:
        raise OutOfRange(f"The name has {len(name)} characters; allowed is 1 to {LONGEST_NAME}.", where)
    return name
