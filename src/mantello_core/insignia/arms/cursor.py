"""A place in the words of a blazon: what comes next, what could have, and which tinctures were named before."""

from collections.abc import Callable
from dataclasses import dataclass, field, fields, is_dataclass, replace

from ...errors import Unreadable
from .words import Word

#: begins the name of a place for a tincture that is not yet known
_OPEN = "?"
#: commas part elements for the eye; a full stop is one too
_COMMAS = ("COMMA", "STOP")


class Misfit(Exception):
    """The words do not go on as they might; the cursor knows where and what could have stood there."""


@dataclass
class Cursor:
    """Words read one by one. What is asked for is kept by place, so that a refusal can say what could have stood there."""

    words: list[Word]
    at: int = 0
    #: place to the kinds that were asked for there
    asked: dict[int, set[str]] = field(default_factory=dict)
    #: tinctures of the coat in hand in the order they were first named, the last one, and those still to come
    named: list[str] = field(default_factory=list)
    last: str = ""
    #: tinctures of the coats before it, in the order they were first named
    earlier: list[str] = field(default_factory=list)
    waiting: list[str] = field(default_factory=list)
    filled: dict[str, str] = field(default_factory=dict)
    #: what is still without a tincture, and the place after it
    wanting: dict[str, int] = field(default_factory=dict)
    #: how many divisions are open whose parts are numbered
    quarters: int = 0
    #: elements that were read with another and lie behind it
    behind: list = field(default_factory=list)
    #: the last number that was read, for 'as many'
    number: int = 1

    def peek(self, ahead: int = 0, *, past_commas: bool = False) -> Word | None:
        """The word so many places on; None past the end."""
        at = self.at
        while past_commas and at < len(self.words) and self.words[at].kind in _COMMAS:
            at += 1
        return self.words[at + ahead] if at + ahead < len(self.words) else None

    def kind(self, ahead: int = 0, *, past_commas: bool = False) -> str:
        """The kind of the word so many places on; '' past the end."""
        word = self.peek(ahead, past_commas=past_commas)
        return word.kind if word else ""

    def take(self, *kinds: str) -> Word | None:
        """The next word if it is of one of the kinds."""
        self.asked.setdefault(self.at, set()).update(kinds)
        word = self.peek()
        if word and word.kind in kinds:
            self.at += 1
            return word
        return None

    def want(self, *kinds: str) -> Word:
        """The next word, which has to be of one of the kinds.

        Raises: Misfit.
        """
        word = self.take(*kinds)
        if word is None:
            raise Misfit
        return word

    def commas(self) -> None:
        """Past commas and full stops."""
        while self.kind() in _COMMAS:
            self.at += 1

    def beyond(self, *kinds: str) -> bool:
        """Past commas, if one of the kinds stands behind them."""
        at = self.at
        self.commas()
        self.asked.setdefault(self.at, set()).update(kinds)
        if self.kind() in kinds:
            return True
        self.at = at
        return False

    def tried(self, read: Callable):
        """What ``read`` reads; the cursor goes back where it misfits, and None comes."""
        at, named, last, number = self.at, list(self.named), self.last, self.number
        waiting, filled, wanting = list(self.waiting), dict(self.filled), dict(self.wanting)
        try:
            return read(self)
        except Misfit:
            self.at, self.named, self.last, self.number = at, named, last, number
            self.waiting, self.filled, self.wanting = waiting, filled, wanting
            return None

    def note(self, tincture: str) -> str:
        """A tincture that is named: whatever waits for one has it."""
        for place in self.waiting:
            self.filled[place] = tincture
        self.waiting, self.wanting = [], {}
        if tincture not in self.named:
            self.named.append(tincture)
        self.last = tincture
        return tincture

    def named_as(self, at: int) -> str:
        """The tincture that is named in a place, counted from 0: in the coat in hand, or where it has not so many in the whole blazon."""
        every = list(dict.fromkeys((*self.earlier, *self.named)))
        return next((names[at] for names in (self.named, every) if at < len(names)), "")

    def later(self) -> str:
        """A place for a tincture that is named further on and serves here too."""
        place = f"{_OPEN}{len(self.filled) + len(self.waiting)}.{self.at}"
        self.waiting.append(place)
        self.wanting[place] = self.at
        return place

    def new_coat(self) -> None:
        """A coat begins: nothing of it is named yet."""
        self.earlier = list(dict.fromkeys((*self.earlier, *self.named)))
        self.named, self.last = [], ""

    def settled(self) -> None:
        """The coat ends: everything has its tincture.

        Raises: Unreadable for what has none, with the word it should follow.
        """
        if self.waiting:
            at = self.wanting[self.waiting[-1]]
            word = self.words[at - 1]
            sign = word.at + len(word.text) + 1
            raise Unreadable(f"After '{word.text}' a tincture is missing, at sign {sign}.", f"sign {sign}")

    def whole(self, tree):
        """A tree with what waited for a tincture filled in."""
        if isinstance(tree, str):
            return self.filled.get(tree, tree)
        if isinstance(tree, tuple):
            return tuple(self.whole(one) for one in tree)
        if is_dataclass(tree):
            return replace(tree, **{one.name: self.whole(getattr(tree, one.name)) for one in fields(tree)})
        return tree
