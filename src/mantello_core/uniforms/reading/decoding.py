"""Bytes to text: marks of an alphabet, alphabets of one byte, text that was read in the wrong one."""

import codecs
import re

from ...errors import Unreadable

_LETTERS = set("äöüÄÖÜßéèêëàâçñìíîïòóôùúûœæÉÈÀÇ°º’“”–«»…½²³¹§")
_BROKEN = re.compile(r"Ã[\x80-\xbf¤¶¼Ÿ©¨ª«§±²³´¹ –“œ‰Œ]|â€[“”™œ˜\x9d]|Â[°º»«§]")


def decoded(data: bytes, encoding: str) -> tuple[str, str, tuple[str, ...]]:
    if encoding:
        return data.decode(encoding, "replace"), encoding, ()
    for mark, name in (
        (codecs.BOM_UTF8, "utf-8-sig"),
        (codecs.BOM_UTF16_LE, "utf-16"),
        (codecs.BOM_UTF16_BE, "utf-16"),
    ):
        if data.startswith(mark):
            return data.decode(name, "replace"), name, ()
    if b"\0" in data:
        even, odd = data[::2].count(0), data[1::2].count(0)
        if max(even, odd) * 3 < len(data) // 2:
            raise Unreadable("The list holds NUL bytes; it is no text table.", "table")
        name = "utf-16-le" if odd > even else "utf-16-be"
        return data.decode(name, "replace"), name, ()
    try:
        text = data.decode("utf-8")
    except UnicodeDecodeError:
        return _guessed(data)
    if len(_BROKEN.findall(text)) >= 2:
        try:
            return (
                text.encode("cp1252").decode("utf-8"),
                "utf-8 read twice",
                ("Letters had been read in the wrong alphabet once before (Ã¼ for ü); they were mended.",),
            )
        except UnicodeError:
            pass
    return text, "utf-8", ()


def _guessed(data: bytes) -> tuple[str, str, tuple[str, ...]]:
    """The old single-byte alphabet whose letters look most like writing."""
    best = None
    for name in ("cp1252", "cp850", "mac_roman"):
        try:
            text = data.decode(name)
        except UnicodeDecodeError:
            continue
        odd = [c for c in text if ord(c) > 127]
        score = sum(1 if c in _LETTERS else -1 for c in odd) - sum(
            c.isupper() for c in re.findall(r"(?<=[a-z])[^\x00-\x7f]", "".join(text))
        )
        if best is None or score > best[0]:
            best = score, text, name
    if best is None or any(ord(c) < 9 for c in best[1]):
        raise Unreadable("The list is in no alphabet that is known here.", "table")
    return best[1], best[2], (f"The list is not UTF-8; it was read as {best[2]}.",)
