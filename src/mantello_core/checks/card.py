"""Findings of one cause as a card: what they have in common, where they are, whom they concern, what would mend them all."""

from dataclasses import dataclass

from ..design.design import Design
from ..errors import MantelloError
from .finding import Check, Finding, Fix


@dataclass(frozen=True)
class Card:
    """Findings of one check with one cause."""

    check: str
    #: stays the same while the cause does
    key: str
    words: str
    findings: tuple[Finding, ...]

    @property
    def first(self) -> Finding:
        """The worst of them."""
        return self.findings[0]

    @property
    def figures(self) -> int:
        """On how many figures the widest of them shows."""
        return max(one.figures for one in self.findings)

    @property
    def roles(self) -> tuple[str, ...]:
        """Roles they are about, each once, as in the worst."""
        return self.first.roles

    @property
    def fixes(self) -> tuple[Fix, ...]:
        """What would mend them, each once by its words."""
        return tuple({one.fix.words: one.fix for one in self.findings if one.fix}.values())

    def areas_on(self, unit: str, rank: str) -> tuple[str, ...]:
        """Every area they point at on the figures of a rank."""
        here = (one for one in self.findings if (one.unit, one.rank) == (unit, rank))
        return tuple(dict.fromkeys(area for one in here for area in (one.areas or ((one.area,) if one.area else ()))))


def cards_of(check: Check) -> tuple[Card, ...]:
    """What a check found as cards, the worst cause first; a finding of no common cause is a card of its own."""
    found: dict[str, list[Finding]] = {}
    for one in check.findings:
        found.setdefault(one.cause or one.what, []).append(one)
    return tuple(
        Card(check.id, findings[0].cause or findings[0].key, words, tuple(findings))
        for words, findings in found.items()
    )


def fixed(design: Design, card: Card) -> Design:
    """The design with everything on a card mended that can be. A fix that an earlier one has made needless is passed over."""
    for one in card.findings:
        if one.fix is not None:
            try:
                design = one.fix.change(design)
            except MantelloError:
                continue
    return design
