"""Paints that are easily taken for each other: labels that read alike, or the same colour in another finish."""

from collections.abc import Iterable
from dataclasses import dataclass
from difflib import SequenceMatcher

from ..colour.difference import difference
from ..memory import remembered
from .paint import Paint

#: how alike two names read, 0 to 1, from which on they are taken for each other
ALIKE = 0.84
#: how alike the one differing word of two names reads
ALIKE_WORD = 0.5
#: CIEDE2000 below which two swatches are taken for each other
TWIN = 2.0


@dataclass(frozen=True)
class Alike:
    """Another paint, why it is taken for this one, and how far apart they really are."""

    paint: Paint
    #: 'name', 'colour' or 'both'
    why: str
    apart: float
    #: whether it dries to another finish
    other_finish: bool


def alike(pot: Paint, pots: Iterable[Paint]) -> tuple[Alike, ...]:
    """Paints that can be mistaken for this one, those with almost its name first."""
    found = [_compared(pot, other) for other in pots if other.id != pot.id]
    return tuple(sorted((one for one in found if one), key=lambda one: (one.why == "colour", one.apart, one.paint.id)))


@remembered(16_000)
def _compared(pot: Paint, other: Paint) -> Alike | None:
    named = _reads_like(pot.name.casefold(), other.name.casefold())
    clear = "varnish" in (pot.kind, other.kind) or "medium" in (pot.kind, other.kind)
    apart = difference(pot.swatch, other.swatch)
    twin = apart < TWIN and pot.kind == other.kind and not clear
    if not named and not twin:
        return None
    return Alike(other, "both" if named and twin else "name" if named else "colour", apart, pot.finish != other.finish)


def _reads_like(one: str, other: str) -> bool:
    """Whether two labels read alike as a whole, or word by word with one that is only nearly the same."""
    if abs(len(one) - len(other)) > 3 or one[:2] != other[:2]:
        return False
    matcher = SequenceMatcher(None, one, other, autojunk=False)
    if matcher.quick_ratio() >= ALIKE and matcher.ratio() >= ALIKE:
        return True
    pairs = list(zip(one.split(), other.split(), strict=False))
    unlike = [pair for pair in pairs if pair[0] != pair[1]]
    if len(one.split()) != len(other.split()) or len(unlike) != 1:
        return False
    first, second = unlike[0]
    near = first[0] == second[0] and abs(len(first) - len(second)) <= 1
    return near and SequenceMatcher(None, first, second, autojunk=False).ratio() >= ALIKE_WORD
