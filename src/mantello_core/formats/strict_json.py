"""JSON as the standard has it: no NaN, no infinities, no sign that is none or half of one, no nesting without end."""

import json
import re

from ..errors import Unreadable

#: a NUL, however many backslashes stand before it, as long as they do not escape each other
_NUL = re.compile(rb"(?<!\\)(?:\\\\)*\\u0000")
#: may be half of a sign; whole ones come in pairs
_HALF = re.compile(rb"\\u[dD][89a-fA-F]")
#: an integer of more digits is no number of ours, and slow to read
_MOST_DIGITS = 300


def read_json(data: bytes, what: str, where: str = "") -> object:
    """What a document says, in UTF-8, a byte order mark allowed.

    where: the field it came by; else a fault's place in it is told.
    Raises: Unreadable, naming ``what``, if it is no JSON, or holds what the standard or a text cannot.
    """
    if b"\x00" in data or (b"\\u0000" in data and _NUL.search(data)):
        raise Unreadable(f"{what} holds a NUL, which is no sign of a text.", where or what)
    try:
        found = json.loads(data.decode("utf-8-sig"), parse_constant=_refused, parse_int=_whole, parse_float=_number)
        if b"\\u" in data and _HALF.search(data):
            json.dumps(found, ensure_ascii=False).encode()
    except _NoNumber as error:
        raise Unreadable(f"{what} holds '{error}', which is no number.", where or what) from error
    except UnicodeEncodeError as error:
        sign = f"U+{ord(error.object[error.start]):04X}"
        raise Unreadable(f"{what} holds {sign}, half of a sign, which cannot be kept.", where or what) from error
    except UnicodeDecodeError as error:
        raise Unreadable(f"{what} is not UTF-8 text: byte {error.start} is not allowed.", where) from error
    except json.JSONDecodeError as error:
        place = f"line {error.lineno}, column {error.colno}"
        raise Unreadable(f"{what} is not JSON: {error.msg} at {place}.", where or place) from error
    except RecursionError as error:
        raise Unreadable(f"{what} is nested too deeply.", where) from error
    return found


class _NoNumber(Exception):
    pass


def _refused(text: str):
    raise _NoNumber(text)


def _whole(text: str) -> int:
    if len(text) > _MOST_DIGITS:
        raise _NoNumber(f"{text[:20]}...")
    return int(text)


def _number(text: str) -> float:
    found = float(text)
    if found in (float("inf"), float("-inf")):
        raise _NoNumber(text[:20])
    return found
