"""What one cell of a dress table says: colours, how they are joined, and what was not understood.

'dark green piped red (later white)' is a ground of dark green, piped red, and white later. Words that are not understood stay
in ``left``: they are shown, never dropped.
"""

import re
from dataclasses import dataclass
from difflib import get_close_matches

from ..errors import Unreadable
from ..memory import remembered
from .colour_word import ColourWord, colour_names
from .folding import fold
from .lexicon import tokens_of
from .phrase_parts import Part, parsed

_MARK = r"(?:[¹²³⁴⁵⁶⁷⁸⁹⁰]+|[*†‡§]+|\[\d{1,2}\]|\^\d{1,2}|\((?:\d{1,2}|[a-h])\)|(?<=[a-zäöüßéèáíóúñ])\d{1,2}\)?)"
DITTO_SIGNS = {
    '"',
    "″",
    "〃",
    "''",
    ",,",
    "„",
    "”",
    "“",
    '-"-',
    '–"–',
    '—"—',
    "-„-",
    "-”-",
    "«",
    "»",
    "´´",
    "``",
    "'' ''",
    '" "',
    '--"--',
}
_DITTO_WORDS = (
    "do",
    "ditto",
    "dto",
    "id",
    "idem",
    "as above",
    "wie oben",
    "wie vor",
    "come sopra",
    "lo mismo",
    "desgl",
    "desgleichen",
    "als boven",
    "same",
    "the same",
    "wie vorstehend",
    "comme ci dessus",
    "igual",
    "dito",
    "ut supra",
    "s o",
    "als voren",
)
_DASHES = {"-", "–", "—", "--", "---", "/", "x", ".", "..", "...", "…", "n/a", "N/A"}


@dataclass(frozen=True)
class Phrase:
    """One cell as read. kind: colour, none, unknown, dash, blank, ditto, like (as another row), text."""

    kind: str
    text: str
    parts: tuple[Part, ...] = ()
    maybe: bool = False
    left: tuple[str, ...] = ()
    marks: tuple[str, ...] = ()
    #: the row that is named by 'as 3rd'
    like: str = ""
    cut: tuple[str, ...] = ()

    @property
    def ground(self) -> ColourWord | None:
        """The main colour."""
        return next((part.colour for part in self.parts if part.relation == "ground"), None)

    @property
    def words(self) -> str:
        """The reading said back in plain English."""
        if self.kind != "colour":
            return {"none": "not worn", "unknown": "not known", "dash": "a dash", "blank": "nothing"}.get(
                self.kind, self.text
            )
        said = []
        for part in self.parts:
            joint = "" if part.relation == "ground" else f"{part.relation.removeprefix('rank:')} "
            span = f" from {part.since}" if part.since else f" until {part.until}" if part.until else ""
            said.append(joint + part.colour.words + span)
        return ", ".join(said)

    @property
    def alternatives(self) -> tuple[ColourWord, ...]:
        """Colours the source leaves open, the first named first."""
        others = [part.colour for part in self.parts if part.relation == "or"]
        return (self.ground, *others) if others and self.ground else ()


def ditto_rest(text: str) -> str | None:
    """What follows a ditto mark ('' if nothing does); None if the cell is no ditto.

    >>> ditto_rest("do."), ditto_rest('"'), ditto_rest("ditto, piped red"), ditto_rest("dove grey")
    ('', '', 'piped red', None)
    """
    if text.strip() in DITTO_SIGNS:
        return ""
    said = fold(text)
    if said in _DITTO_WORDS:
        return ""
    found = re.match(
        r"(?:do\.|ditto|dto\.|idem|id\.|desgl\.|as above|wie oben|come sopra)[\s,;:]+(.+)$", text.strip(), re.I
    )
    return found[1].strip() if found else None


def colour_of(text: str) -> ColourWord:
    """The colour word that some words are, in any language that is known.

    >>> colour_of("dunkelgrün").words, colour_of("rouge garance").words
    ('dark green', 'madder red')

    Raises: Unreadable if they are none, or say more than one colour.
    """
    phrase = read_phrase(text)
    ground = phrase.ground
    if ground is None or ground.refers_to or phrase.left or len(phrase.parts) > 1:
        said = phrase.left[0] if phrase.left else text.strip()[:40]
        near = get_close_matches(fold(said), list(colour_names()), n=2, cutoff=0.7)
        hint = f" Did you mean {' or '.join(near)}?" if near else " Write one, such as dark green, aurora or buff."
        raise Unreadable(f"'{said}' is no colour word that is known.{hint}", "word")
    return ground


@remembered(4_000)
def read_phrase(text: str) -> Phrase:
    """One cell, read.

    >>> read_phrase("rot mit weißem Vorstoß").words, read_phrase("vert foncé, passepoil rouge").words
    ('red, piped white', 'dark green, piped red')
    >>> read_phrase("yellow (later buff)?").words, read_phrase("white tipped red").words, read_phrase("none").kind
    ('yellow, later buff', 'white, tipped red', 'none')
    >>> read_phrase("wie 3.").like, read_phrase("as 14th Regt").like, read_phrase("pale moth").left
    ('3', '14', ('moth', 'pale'))
    """
    raw = " ".join(text.split())
    if not raw:
        return Phrase("blank", text)
    if ditto_rest(raw) is not None:
        return Phrase("ditto", text)
    if raw in _DASHES:
        return Phrase("dash", text)
    marks = tuple(re.sub(r"[()\[\]^]", "", mark) for mark in re.findall(rf"(?<=\S){_MARK}|^{_MARK}(?=\s)", raw))
    bare = re.sub(rf"(?<=\S){_MARK}", "", raw)
    maybe = "?" in bare or bool(re.fullmatch(r"\[.*\]", bare.strip()))
    like = re.fullmatch(
        r"(?:as|like|same as|wie|wie bei|comme|comme le|come|come il|como|como el|gelijk|see|siehe|voir)\s+(?:the\s+|no\.?\s*|nr\.?\s*)?(\d+|[IVXL]+)(?:st|nd|rd|th|er|e|ème|eme|\.|º|°|o|a)?\.?(?:\s+(?:regt\.?|regiment|regiments|rgt\.?))?",
        bare.strip(" .?"),
        re.I,
    )
    if like:
        return Phrase("like", text, maybe=maybe, marks=marks, like=like[1])
    tokens = tokens_of(bare)
    parts, left, cut, kinds = parsed(tokens)
    maybe = maybe or "maybe" in kinds
    if not parts:
        if "unknown" in kinds or bare.strip() in ("?", "??"):
            return Phrase("unknown", text, maybe=True, marks=marks, left=left, cut=cut)
        if "none" in kinds:
            return Phrase("none", text, maybe=maybe, marks=marks, left=left, cut=cut)
        return Phrase("text", text, maybe=maybe, marks=marks, left=left, cut=cut)
    return Phrase("colour", text, parts, maybe, left, marks, "", cut)
