"""A pattern in a line: its inks side by side by their shares, and how a form names it among roles."""

from itertools import accumulate

from mantello.workspace.reading import Reading
from mantello_core.camouflage.pattern import Pattern

#: before the id of a pattern among the roles of a form
PATTERN = "pattern:"


def ink_swatch(reading: Reading, pattern: Pattern) -> list[tuple[str, float, float]]:
    """The inks of a pattern with their shares in per cent, and where each begins."""
    starts_at = accumulate((ink.share * 100 for ink in pattern.inks), initial=0.0)
    return [
        (reading.ink(pattern, ink.role, "rank"), ink.share * 100, at)
        for ink, at in zip(pattern.inks, starts_at, strict=False)
    ]


def role_or_pattern(given: str) -> tuple[str, str]:
    """Role and pattern that a form names as one: 'field', or 'pattern:brush' with no role."""
    return ("", given.removeprefix(PATTERN)) if given.startswith(PATTERN) else (given, "")
