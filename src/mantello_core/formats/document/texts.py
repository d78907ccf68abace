"""Texts that can be kept."""

import re

from ...errors import Unreadable

#: NUL, and halves of signs
_UNKEPT = re.compile("[\x00\ud800-\udfff]")


def check_texts(value: object, where: str) -> None:
    """Refuse texts that no database or file can hold."""
    found = _unkept(value)
    if found:
        path, sign = found
        place = "".join((where, *(f"/{step}" for step in reversed(path))))
        raise Unreadable(f"A text holds U+{ord(sign):04X}, which cannot be kept (at {place}).", place)


def _unkept(value: object) -> tuple[list[str | int], str] | None:
    """The first sign that cannot be kept, and the way to it from within; names count where they stand."""
    if isinstance(value, str):
        bad = _UNKEPT.search(value)
        return ([], bad[0]) if bad else None
    if isinstance(value, dict):
        for name, inner in value.items():
            if bad := _UNKEPT.search(name):
                return [], bad[0]
            if found := _unkept(inner):
                found[0].append(name)
                return found
    elif isinstance(value, list):
        for at, inner in enumerate(value):
            if found := _unkept(inner):
                found[0].append(at)
                return found
    return None
