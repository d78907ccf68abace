"""Text files in the usual encodings."""

import codecs

from ..errors import Unreadable


def decoded(data: bytes) -> str:
    """The text of a file: UTF-8 or UTF-16 by their marks, else UTF-8, else Western (Windows-1252).

    Raises: Unreadable if it is no text at all.
    """
    for mark, name in (
        (codecs.BOM_UTF8, "utf-8-sig"),
        (codecs.BOM_UTF16_LE, "utf-16"),
        (codecs.BOM_UTF16_BE, "utf-16"),
    ):
        if data.startswith(mark):
            return _decoded(data, name)
    try:
        return data.decode("utf-8")
    except UnicodeDecodeError:
        if any(byte < 9 or 13 < byte < 32 for byte in data):
            raise Unreadable(
                "The file is not text: it holds signs that no text has. Save it as CSV or text.", "file"
            ) from None
        return _decoded(data, "cp1252")


def _decoded(data: bytes, name: str) -> str:
    try:
        return data.decode(name)
    except UnicodeDecodeError as error:
        raise Unreadable(
            f"The file is not readable text ({name}): byte {error.start} has no meaning.", "file"
        ) from error
