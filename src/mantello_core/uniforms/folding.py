"""Text folded for comparing: case, accents, endings and little marks."""

import re
import unicodedata

from ..memory import remembered


@remembered(6_000)
def fold(text: str) -> str:
    """Lower case without accents, quotes or punctuation; one space between words.

    >>> fold("Pantalon (Été) d’Officier"), fold("Weiß – Aufschläge")
    ('pantalon ete d officier', 'weiss aufschlage')
    """
    text = unicodedata.normalize(
        "NFKD", text.replace("ß", "ss").replace("ø", "o").replace("œ", "oe").replace("æ", "ae")
    )
    text = "".join(c for c in text if not unicodedata.combining(c)).casefold()
    return re.sub(r"[^0-9a-z&+#]+", " ", text).strip()


#: endings that German, French, Italian, Spanish and Dutch colour words take
_ENDINGS = (
    "e",
    "er",
    "es",
    "en",
    "em",
    "s",
    "n",
    "a",
    "i",
    "o",
    "os",
    "as",
    "he",
    "hes",
    "ne",
    "nes",
    "te",
    "tes",
    "ches",
    "che",
    "hi",
)


@remembered(6_000)
def stems(word: str) -> tuple[str, ...]:
    """A folded word and what it may be an ending of, the nearest first.

    >>> stems("rotes")[:3]
    ('rotes', 'rot', 'roto')
    """
    found = [word]
    for ending in sorted(_ENDINGS, key=len, reverse=True):
        if word.endswith(ending) and len(word) - len(ending) >= 3:
            root = word[: -len(ending)]
            found += [root, root + "o", root + "e"] + ([root + "io"] if ending == "i" else [])
    return tuple(dict.fromkeys(found))
