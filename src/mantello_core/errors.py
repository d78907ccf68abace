"""The core's refusals. Each says what came and what is allowed, and where, if that is known."""

from difflib import get_close_matches


class MantelloError(Exception):
    """A refusal. ``where`` is a place in the input: a JSON pointer, or 'line 4'."""

    def __init__(self, message: str, where: str = ""):
        super().__init__(message)
        self.message = message
        self.where = where

    @property
    def kind(self) -> str:
        """The refusal's kind, as written in machine-readable answers."""
        return type(self).__name__


class OutOfRange(MantelloError):
    """A number, or a count, outside what is allowed."""


class Contradiction(MantelloError):
    """Two statements that cannot both hold; the message names both."""


class Unreadable(MantelloError):
    """A text or document that does not follow its format."""


class UnknownName(MantelloError):
    """A name that nothing is known by. Near names are offered."""

    def __init__(self, what: str, name: str, known: list[str] | tuple[str, ...] = (), where: str = ""):
        self.name = name
        self.near = get_close_matches(name, list(known), n=3, cutoff=0.55)
        hint = f"; near it: {', '.join(self.near)}" if self.near else ""
        super().__init__(f"There is no {what} called '{name}'{hint}.", where)
