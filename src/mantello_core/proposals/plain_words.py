"""A proposed scheme in words that need no numbers: its character, whether its formations are told apart, its marks on their cloth."""

from ..checks.harmony import Harmony
from .palette import Palette

#: school to the character of what it makes
_CHARACTER = {
    "opposite": "Calm, with one colour that answers from across",
    "contrast": "Bold: every colour set against the next",
    "split": "Lively, and still of one family with its cloth",
    "triad": "Colourful: three hues that hold each other",
    "near": "Quiet: all its hues lie side by side",
}
#: CIEDE2000 by the weakest sight from which marks are told apart at a glance, and when looked for
_GLANCE, _LOOKED_FOR = 20.0, 11.0
#: CIEDE2000 from which a mark stands out on its cloth
_STANDS_OUT = 22.0


def plain_words(palette: Palette, harmony: Harmony) -> tuple[str, ...]:
    """Two or three short sentences, the most telling first."""
    found = [f"{_CHARACTER[palette.school]}; {harmony.temperature}."]
    if len(set(palette.marks)) > 1:
        if palette.apart >= _GLANCE:
            found.append("Its formations are told apart at a glance.")
        elif palette.apart >= _LOOKED_FOR:
            found.append("Its formations are told apart when you look for it.")
        else:
            found.append("Its formations are hard to tell apart across the table.")
    stands = "stand out on" if palette.beside >= _STANDS_OUT else "lie quietly on"
    found.append(f"The marks {stands} the cloth.")
    return tuple(found)
