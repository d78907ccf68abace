"""Years and spans of years as tables write them."""

import re
from dataclasses import dataclass

from .folding import fold

_APPROX = r"(?:c|ca|circa|about|abt|um|etwa|gegen|vers|env|environ|verso|hacia|rond|ungef|approx)"
_SINCE = r"(?:from|since|after|ab|seit|von|nach|depuis|des|apres|dal|da|dopo|desde|vanaf|na)"
_UNTIL = r"(?:until|till|to|before|up to|bis|bis zu|vor|jusqu en|jusqu a|jusque|avant|fino al|fino a|fino|prima del|hasta|tot|voor)"
_TO = r"(?:-|to|bis|a|au|al|until|till|and|und|et|e|y|/|tot)"


@dataclass(frozen=True)
class Period:
    """A span of years, ends included; None is open."""

    since: int | None = None
    until: int | None = None
    about: bool = False

    def holds(self, year: int, slack: int = 0) -> bool:
        """Whether a year lies in it."""
        slack += 2 if self.about else 0
        return (self.since is None or year >= self.since - slack) and (self.until is None or year <= self.until + slack)

    def distance(self, year: int) -> int:
        """Years from it; 0 inside."""
        return max(
            0,
            (self.since or year) - year if self.since is not None else 0,
            year - self.until if self.until is not None else 0,
        )

    @property
    def words(self) -> str:
        """As it is printed."""
        about = "about " if self.about else ""
        if self.since is None and self.until is None:
            return "any year"
        if self.since == self.until:
            return f"{about}{self.since}"
        if self.until is None:
            return f"from {about}{self.since}"
        return f"until {about}{self.until}" if self.since is None else f"{about}{self.since} to {self.until}"


#: any year
ALWAYS = Period()


def read_period(text: str) -> Period | None:
    """The span a text means; None if it means none.

    >>> read_period("209–12"), read_period("ab 211"), read_period("c. 210?"), read_period("before 205")
    (Period(since=209, until=212, about=False), Period(since=211, until=None, about=False), Period(since=210, until=210, about=True), Period(since=None, until=204, about=False))
    """
    raw = re.sub(r"[–—−‐‑]", "-", text.strip())
    about = bool(re.search(r"[?~±]", raw)) or bool(re.match(rf"^{_APPROX}\b\.?", fold(raw)))
    said = re.sub(r"[?~±().,\[\]]", " ", raw)
    said = " ".join(
        fold(part) if part != "-" else part for part in re.split(r"(-|/)", said.replace("/", "-")) if part.strip()
    )
    said = re.sub(
        rf"^(?:the |in |im |en |nel |l |year |years |jahr |jahre |an |annee |anno |ano |jaar |{_APPROX} )+",
        "",
        said + " ",
    ).strip()
    said = re.sub(r"\b(?:year|jahr|jahre|annee|anno)\b", "", said).strip()
    found = re.fullmatch(rf"(\d{{3,4}}) ?{_TO} ?(?:{_APPROX} )?(\d{{1,4}})", said)
    if found:
        since, until = int(found[1]), found[2]
        until = int(found[1][: len(found[1]) - len(until)] + until)
        return Period(since, until, about) if until >= since else None
    if found := re.fullmatch(r"(\d{3,4})", said):
        return Period(int(found[1]), int(found[1]), about)
    if found := re.fullmatch(rf"(?:{_SINCE}) (?:{_APPROX} )?(\d{{3,4}})|(\d{{3,4}}) ?(?:-|onwards|on|ff)", said):
        return Period(int(found[1] or found[2]), None, about)
    if found := re.fullmatch(rf"({_UNTIL}|-) ?(?:{_APPROX} )?(\d{{3,4}})", said):
        before = re.match(r"(before|vor|avant|prima del|voor)\b", found[1])
        return Period(None, int(found[2]) - (1 if before else 0), about)
    if found := re.fullmatch(rf"(?:{_SINCE}) (\d{{3,4}}) {_UNTIL} (\d{{1,4}})", said):
        until = int(found[1][: len(found[1]) - len(found[2])] + found[2])
        return Period(int(found[1]), until, about) if until >= int(found[1]) else None
    return None
