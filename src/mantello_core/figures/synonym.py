"""What areas are also called, and which areas a painter means by a word."""

from functools import cache

from ..data_table import data_table
from ..memory import remembered
from .vocabulary import GROUPS, SIDES, spoken

_HEADS = list(GROUPS)


@cache
def _words() -> dict[str, tuple[str, ...]]:
    return {step: tuple(words) for step, words in data_table(__package__, "synonyms")["words"].items()}


@remembered(2_000)
def synonyms(name: str) -> tuple[str, ...]:
    """What else an area is called, by its last step that has other names; nothing if there are none.

    >>> synonyms("leg.left.breeches")
    ('trousers', 'pants', 'hose')
    """
    steps = [step for step in name.split(".") if step not in SIDES and step != "*"]
    for at in range(len(steps) - 1, -1, -1):
        pair = ".".join(steps[at - 1 : at + 1]) if at else ""
        found = _words().get(pair) or _words().get(steps[at])
        if found:
            return found
    return ()


def areas_called(words: str, names: list[str]) -> list[str]:
    """The area names that a painter may mean by some words, the best first: said so, called so, part of it.

    Every word must occur; a side narrows.

    >>> areas_called("left trousers", ["leg.left.breeches", "leg.right.breeches", "arm.left.cuff"])
    ['leg.left.breeches']
    """
    asked = " ".join(words.casefold().replace(".", " ").replace("_", " ").replace("-", " ").split())
    if not asked:
        return []
    ranked = []
    for name in names:
        plain, also = spoken(name).casefold(), synonyms(name)
        side = next((step for step in name.split(".") if step in SIDES), "")
        exact = asked in (plain, name.replace(".", " "), *also, *(f"{side} {word}" for word in also))
        known = f"{plain} {name.replace('.', ' ')} {' '.join(also)}"
        said = asked == plain
        if exact or all(word in known or word.rstrip("s") in known for word in asked.split()):
            ranked.append((not said, not exact, name.count("."), _HEADS.index(name.split(".")[0]), len(name), name))
    return [name for *_, name in sorted(ranked)]
