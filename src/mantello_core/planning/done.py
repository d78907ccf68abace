"""Which coats of which figures are done, as records tell it."""

from collections.abc import Iterable

from ..insignia.devices.mark_step import BEFORE_WHOLE, WHOLE
from ..order.subject import Subject
from .task import COAT_SIGN, Atom

#: a figure's step that is done: unit, rank, ordinal, subject, step as records write it
Done = frozenset[tuple[str, str, int, Subject, str]]


def is_done(atom: Atom, ordinal: int, done: Done) -> bool:
    """Whether a figure has this coat: it was logged, or a later coat of its step was, or all of the step, or the end of
    its mark: before a mark by hand had steps, that stood for all of it."""
    at = atom.unit, atom.rank, ordinal, atom.subject
    if (*at, atom.step) in done or (atom.subject.site and atom.step in BEFORE_WHOLE and (*at, WHOLE) in done):
        return True
    return any((*at, f"{atom.step}{COAT_SIGN}{coat}") in done for coat in range(atom.coat, atom.of))


def left_of(atom: Atom, ordinals: Iterable[int], done: Done) -> tuple[int, ...]:
    """The figures that lack this coat."""
    return tuple(one for one in ordinals if not is_done(atom, one, done)) if done else tuple(ordinals)


def step_of(logged: str) -> str:
    """The recipe's step of a logged one.

    >>> step_of("s2~1"), step_of("s2")
    ('s2', 's2')
    """
    return logged.partition(COAT_SIGN)[0]
