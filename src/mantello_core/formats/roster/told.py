"""What a roster says besides figures: headings, remarks, totals, columns that are no field. Nothing goes unsaid."""

import re
from dataclasses import dataclass
from functools import cache

from .vocabulary import list_words


@dataclass(frozen=True)
class Told:
    """A line or cell that adds no figures, and what it was taken for."""

    #: its line in the text, from 1
    number: int
    text: str
    #: heading, remark, total, missing (a total that is not reached), column, assumed
    kind: str
    words: str

    @property
    def matters(self) -> bool:
        """Whether it should be looked at before the lines are taken."""
        return self.kind not in ("heading", "total")


def remark_told(number: int, text: str, said: str) -> Told | None:
    """What a line is told as whose words ``said`` are a remark or a drawn line; None for any other."""
    said = said.strip().lower()
    if re.fullmatch(r"[-=_*~.:+•|\s]+", said):
        return Told(number, text, "heading", "A drawn line; it adds no figures.")
    return Told(number, text, "remark", "A remark; it adds no figures.") if is_remark(said) else None


def is_remark(text: str) -> bool:
    """Whether a line begins as remarks do."""
    return text.strip().lower().startswith(list_words()["comment"])


def total_in(cells: list[str]) -> int | None:
    """What a line of totals says it comes to, 0 if it says no number; None if it is no such line."""
    at = next((at for at, cell in enumerate(cells) if _total().fullmatch(cell.strip().lower())), None)
    if at is None:
        return None
    numbers = [int(one) for cell in cells[at:] for one in re.findall(r"\d{1,6}", cell)]
    if not numbers:
        numbers = [int(cell) for cell in cells[:at] if re.fullmatch(r"\s*\d{1,6}\s*", cell)]
    return numbers[0] if numbers else 0


@cache
def _total() -> re.Pattern:
    """A cell that is a total: its word, perhaps of what, perhaps the number."""
    words, counting = (
        "|".join(sorted(map(re.escape, list_words()[name]), key=len, reverse=True)) for name in ("total", "counting")
    )
    return re.compile(
        rf"\W*(?:{words})\b(?:\s+(?:of|for|in)\b[^\d]*?)?(?:\s+(?:{counting}))*[\s:=.]*(?:\d{{1,6}})?\s*(?:{counting})?\W*"
    )


def total_told(number: int, text: str, says: int, above: int, everything: int) -> Told:
    """A total compared with what was read: since the last total, or from the start."""
    if not says:
        return Told(number, text, "total", "A line of totals without a number; it adds no figures.")
    if says in (above, everything):
        return Told(number, text, "total", f"A total; {says} is what was read.")
    return Told(
        number, text, "missing", f"The total says {says}; read were {above} above it. Look whether a line is missing."
    )
