"""Rules read as plain sentences."""

from ..army.tree import Army
from ..figures.vocabulary import sideless, spoken
from .rule import Rule
from .scheme import Scheme


def selector_words(selector: str) -> str:
    """An area selector in words.

    >>> selector_words("@metal"), selector_words("=arm.left.cuff"), selector_words("torso.coat"), selector_words("")
    ('everything of metal', 'left cuff only', 'coat', 'everything')
    """
    if selector == "":
        return "everything"
    if selector[0] == "@":
        return f"everything of {selector[1:]}"
    if selector[0] == "#":
        return f"everything tagged {selector[1:]}"
    words = spoken(selector.removeprefix("=")).lower()
    return f"{words} only" if selector[0] == "=" else words


def areas_words(selectors: tuple[str, ...]) -> str:
    """Several selectors in words; both sides of one piece are said once."""
    sides: dict[str, set[str]] = {}
    for selector in selectors:
        sides.setdefault(sideless(selector), set()).add(selector)
    said = [
        selector_words(key.removeprefix("=") if len(found) > 1 or "*" not in key else next(iter(found)))
        for key, found in sides.items()
    ]
    if len(said) == 1:
        return said[0]
    return f"{', '.join(said[:-1])} and {said[-1]}"


def rule_sentence(rule: Rule, army: Army, scheme: Scheme) -> str:
    """A rule as one sentence: who, where, what, and how firmly."""
    who = army.nodes[rule.scope].name if rule.scope in army.nodes else rule.scope
    if said := rule.filter.words(army.rank_names):
        who = f"{who}, {said}"
    what = f"in {scheme.role_by_id[rule.role].name}" if rule.role in scheme.role_by_id else "left bare"
    if rule.pattern in scheme.pattern_by_id:
        what = f"in the pattern {scheme.pattern_by_id[rule.pattern].name}"
    firm = ", and no rule below may change it" if rule.binding else ""
    return f"{who}: {areas_words(rule.select)} {what}{firm}."
