"""Colour words of the trade: terms, shades, tints."""

from dataclasses import dataclass
from functools import cache

from .folding import fold
from .word_lists import word_list

#: 'as the facing', 'as the coat': words that stand for another garment's colour
_REFERENCES = {"@facing": "facing colour", "@coat": "coat colour"}


@dataclass(frozen=True)
class ColourWord:
    """A colour word with its modifier; ``term`` may be '@facing' or '@coat' for 'as the facing', 'as the coat'."""

    term: str
    shade: str = ""
    tint: str = ""

    @property
    def words(self) -> str:
        """As it is said in English.

        >>> ColourWord("sky_blue", "dark", "green").words, ColourWord("@facing").words
        ('dark green-tinted sky blue', 'facing colour')
        """
        tint = f"{self.tint.replace('_', ' ')}-tinted" if self.tint else ""
        said = _REFERENCES.get(self.term, self.term.replace("_", " "))
        return " ".join(one for one in (self.shade, tint, said) if one)

    @property
    def refers_to(self) -> str:
        """The garment whose colour it stands for; '' where it is a colour itself."""
        return self.term[1:] if self.term in _REFERENCES else ""


def terms() -> dict[str, dict]:
    """The colour terms by id: lab (good cloth, new), dye, radius of the word in CIEDE2000, words. Not to be changed."""
    return word_list("colour_words")["term"]


def shades() -> dict[str, dict]:
    """Modifiers by id: shift (L* added, factor on chroma, degrees of hue added) and words. Not to be changed."""
    return word_list("colour_words")["shade"]


@cache
def colour_names() -> frozenset[str]:
    """Every word for a colour, folded."""
    return frozenset(fold(word) for about in terms().values() for word in about["words"])


@cache
def shapes() -> frozenset[str]:
    """Words of cut and cloth, folded: kept, need no decision."""
    return frozenset(word_list("colour_words")["cut"]["words"].split())
