"""Figures that wear a pattern, and how an address names one of them."""

from mantello.workspace.reading import Reading
from mantello_core.army.tree import Figure
from mantello_core.errors import MantelloError
from mantello_core.scheme.cascade import FigureClass


def fleet_of(reading: Reading, pattern_id: str) -> list[tuple[FigureClass, int]]:
    """Every figure that wears a pattern: its class and number."""
    return [
        (one, ordinal) for one in reading.resolution.classes if pattern_id in one.patterns for ordinal in one.ordinals
    ]


def key_of(one: FigureClass, ordinal: int) -> str:
    """What an address says for a figure."""
    return f"{one.unit}|{one.rank}|{ordinal}"


def wearing(reading: Reading, key: str, pattern_id: str) -> tuple[FigureClass, int] | None:
    """The figure that an address names, if it wears the pattern."""
    unit, rank, ordinal = [*key.split("|"), "", "", ""][:3]
    try:
        one = reading.resolution.of(Figure(unit, rank, int(ordinal)))
    except (MantelloError, ValueError):
        return None
    return (one, int(ordinal)) if pattern_id in one.patterns else None
