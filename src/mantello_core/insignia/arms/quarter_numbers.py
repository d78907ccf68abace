"""Whether the number of a quarter or of a division's part comes next, and not a number of things."""

from .cursor import Cursor

#: how the field of a part may begin
FIELD = ("TINCTURE", "PER", "PARTY", "QUARTERLY", "GYRONNY", "TIERCED", "VARIED", "BARRULY", "OPEN")


def numbers_follow(cursor: Cursor, ahead: int) -> bool:
    """Whether numbers of quarters come so many words on, and a field behind them, or 'as the first'."""
    seen = False
    while cursor.kind(ahead) in ("COMMA", "THE", "AND", "NUMBER", "ORDINAL", "IN", "STOP", "SEMICOLON"):
        word = cursor.peek(ahead)
        if word.kind == "NUMBER" and word.text.lower() in ("a", "an"):
            return False
        seen = seen or word.kind in ("NUMBER", "ORDINAL")
        ahead += 1
    while is_quarter(cursor, ahead) or cursor.kind(ahead) == "COMMA":
        ahead += 1
    return seen and (cursor.kind(ahead) in (*FIELD, "AS") or not cursor.kind(ahead))


def is_quarter(cursor: Cursor, ahead: int) -> bool:
    """Whether the word so many places on is 'quarter' or 'quarters'."""
    word = cursor.peek(ahead)
    return bool(word) and (word.kind == "QUARTERS" or (word.kind == "ORDINARY" and word.value == "quarter"))
