"""Marks of cadency: a small mark for every child of a house or sub-unit in its order, in the tincture that reads best."""

from collections.abc import Callable, Sequence
from dataclasses import replace

from ...colour.spaces import Lab
from ...errors import OutOfRange
from .coat import Charged, Coat, Group, Ordinary
from .differencing import TINCTURES_TRIED, Difference, Differenced, set_of
from .tincture_rule import keeps_rule

#: by order of birth; the first is the heir's label, the others stand small in chief
MARKS = ("label", "crescent", "star", "owl", "annulet", "lily", "rose", "crosslet", "trefoil")


def cadency(parent: Coat, count: int, colour_of: Callable[[str], Lab]) -> Differenced:
    """The first so many children's arms. Each mark takes the tincture that keeps the rule and is farthest from the parent's look.

    Raises: OutOfRange for the count, or if no tincture keeps the rule for a mark.
    """
    if not 1 <= count <= len(MARKS):
        raise OutOfRange(f"{count} marks of cadency; allowed are 1 to {len(MARKS)}.", "count")
    tried, chosen = 0, []
    for mark in MARKS[:count]:
        options = [coat for coat in _marked(parent, mark) if keeps_rule(coat)]
        if not options:
            raise OutOfRange(f"No tincture of a {mark} keeps the rule on these arms.", "count")
        tried += len(options)
        told = [set_of(parent, [Difference(coat, mark, 0, 0, -1)], colour_of, 1).smallest_weak for coat in options]
        chosen.append(
            Difference(options[told.index(max(told))], f"{_a(mark)} {mark}, for number {len(chosen) + 1}", 0, 0, -1)
        )
    return set_of(parent, chosen, colour_of, tried)


def _marked(parent: Coat, mark: str) -> Sequence[Coat]:
    if mark == "label":
        kinds = [Ordinary("label", tincture, 1, "", (), (), 3) for tincture in TINCTURES_TRIED]
    else:
        kinds = [Charged(Group(1, mark, tincture, "", (), "", "in chief"), True) for tincture in TINCTURES_TRIED]
    return [replace(parent, elements=(*parent.elements, one)) for one in kinds]


def _a(name: str) -> str:
    return "an" if name[0] in "aeiou" else "a"
