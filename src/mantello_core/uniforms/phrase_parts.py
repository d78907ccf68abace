"""Colours of a cell and how they are joined."""

from dataclasses import dataclass, replace

from ..colour.difference import difference
from ..colour.spaces import Lab
from .colour_word import ColourWord, shapes, terms
from .lexicon import meanings

#: words so broad that a narrower one beside them decides: 'tobacco brown', 'rouge garance'
_BASIC = {"red", "yellow", "green", "blue", "brown", "grey"}


@dataclass(frozen=True)
class Part:
    """One colour and how it is joined: ground, piped, laced, tipped, based, and, or, later, earlier ..."""

    relation: str
    colour: ColourWord
    since: int | None = None
    until: int | None = None


@dataclass
class _Group:
    term: str = ""
    shade: str = ""
    tint: str = ""
    joint: str = ""
    since: int | None = None
    until: int | None = None


#: what may follow as a colour's own words
_OF_A_COLOUR = ("colour", "shade", "tint")
_WITH = frozenset(("with", "mit", "avec", "con", "met", "a", "au", "aux"))
_LOOSE = ("comma", "and", "slash", "beside", "with")


def parsed(tokens: list[str]) -> tuple[tuple[Part, ...], tuple[str, ...], tuple[str, ...], frozenset[str]]:
    """Colours of a cell's words joined by relations, words not understood, words of cut, and the kinds of words there are."""
    items = list(meanings(tokens))
    parser = _Parser()
    for at, (kind, value, word) in enumerate(items):
        parser.take(kind, value, word, items[at + 1][0] if at + 1 < len(items) else "")
    return _parts(parser.groups), parser.unread, tuple(parser.cut), frozenset(kind for kind, _, _ in items)


class _Parser:
    """Words taken one after the other; what waits for its colour is kept until that comes."""

    def __init__(self):
        self.groups: list[_Group] = []
        self.left: list[str] = []
        self.cut: list[str] = []
        self.shade = self.tint = self.pending = self.gap = self.bound = ""
        self.years: dict[str, int] = {}

    @property
    def unread(self) -> tuple[str, ...]:
        """Words that no colour took."""
        waiting = [] if self.groups else [one for one in (self.shade, self.tint) if one]
        return (*self.left, *waiting)

    def take(self, kind: str, value: str, word: str, following: str) -> None:
        """One word with what it means; following: the kind of the next."""
        if kind in ("shade", "tint"):
            self._modifier(kind, value, following)
        elif kind in ("colour", "facing", "ground"):
            self._colour({"facing": "@facing", "ground": "@coat"}.get(kind, value))
        elif kind in ("verb", "noun", "both"):
            self._relation(kind, value, following)
        elif kind in ("and", "or"):
            self.gap = kind
        elif kind in ("comma", "slash") or (kind == "skip" and word in _WITH and self.groups and not self.gap):
            self.gap = "with" if kind == "skip" else kind
        elif kind in ("later", "earlier"):
            self.bound = kind
        elif kind == "rank":
            self._rank(f"rank:{value}", following)
        elif kind == "year":
            self._year(int(value), following)
        elif kind == "cut" or (kind == "left" and (word in shapes() or word.isdigit())):
            self.cut.append(word)
        elif kind == "left":
            self.left.append(word)

    def _modifier(self, kind: str, value: str, following: str) -> None:
        """A shade or tint: after its colour in Romance languages, before it in others."""
        last = self.groups[-1] if self.groups and not self.gap and not self.pending else None
        if last and following not in _OF_A_COLOUR and not (last.shade and kind == "shade"):
            setattr(last, kind, value)
        else:
            setattr(self, kind, value)

    def _colour(self, term: str) -> None:
        joint = self.pending or ((self.bound or self.gap or "beside") if self.groups else "")
        self.groups.append(_Group(term, self.shade, self.tint, joint, **self.years))
        self.shade = self.tint = self.pending = self.gap = self.bound = ""
        self.years = {}

    def _relation(self, kind: str, value: str, following: str) -> None:
        """'piped', 'piping': of the colour before it or of the one to come."""
        groups, many = self.groups, len(self.groups) > 1
        loose = many and groups[-1].joint in _LOOSE
        alone = len(groups) == 1 and following not in (*_OF_A_COLOUR, "skip")
        backward = bool(groups) and not self.gap and kind in ("noun", "both") and (loose or alone)
        if kind == "verb" and many and following not in (*_OF_A_COLOUR, "skip", "facing", "ground"):
            groups[-1].joint = value
        elif backward and following not in _OF_A_COLOUR:
            groups[-1].joint = value if many or not groups[0].joint else groups[-1].joint
        elif backward and many and groups[-1].joint == "with" and kind == "noun":
            groups[-1].joint = value
        else:
            self.pending = value

    def _rank(self, joint: str, following: str) -> None:
        groups = self.groups
        if groups and (groups[-1].joint or len(groups) > 1) and following not in _OF_A_COLOUR:
            groups[-1].joint = joint
        else:
            self.pending = joint

    def _year(self, year: int, following: str) -> None:
        end = "until" if self.bound == "earlier" else "since"
        if self.groups and following not in (*_OF_A_COLOUR, "skip"):
            setattr(self.groups[-1], end, year)
            self.bound = ""
        else:
            self.years = {end: year}


def _narrowed(groups: list[_Group]) -> list[_Group]:
    """'rouge garance', 'giallo limone': of two words side by side that mean nearly the same, the narrower."""
    kept: list[_Group] = []
    for one in groups:
        last = kept[-1] if kept else None
        if last and one.joint == "beside" and last.term in terms() and one.term in terms():
            a, b = terms()[last.term], terms()[one.term]
            if difference(Lab(*a["lab"]), Lab(*b["lab"])) < 24 or (
                (last.term in _BASIC) != (one.term in _BASIC) and not (a.get("metal") or b.get("metal"))
            ):
                basic = (last.term in _BASIC) - (one.term in _BASIC)
                narrow = one if basic > 0 else last if basic < 0 or a["radius"] < b["radius"] else one
                kept[-1] = replace(last, term=narrow.term, shade=last.shade or one.shade)
                continue
        kept.append(one)
    return kept


def _parts(groups: list[_Group]) -> tuple[Part, ...]:
    found = []
    groups = _narrowed(groups)
    for at, one in enumerate(groups):
        joint = one.joint
        if at == 0 and joint in ("", "comma", "with", "slash", "and", "beside", "later", "earlier"):
            joint = "ground"
        elif joint in ("comma", "with", "slash", "beside", "and", ""):
            joint = "and"
        found.append(Part(joint, ColourWord(one.term, one.shade, one.tint), one.since, one.until))
    return tuple(found)
