"""Texts that can be kept."""

from ...errors import Unreadable


def check_texts(value: object, where: str) -> None:
    """Refuse texts that no database or file can hold."""
    if isinstance(value, str):
        bad = next((sign for sign in value if sign == "\x00" or "\ud800" <= sign <= "\udfff"), None)
        if bad is not None:
            raise Unreadable(f"A text holds U+{ord(bad):04X}, which cannot be kept (at {where}).", where)
    elif isinstance(value, dict):
        for name, inner in value.items():
            check_texts(name, where)
            check_texts(inner, f"{where}/{name}")
    elif isinstance(value, list):
        for index, inner in enumerate(value):
            check_texts(inner, f"{where}/{index}")
