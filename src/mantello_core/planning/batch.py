"""How many figures to take through a step together."""

from math import ceil, inf

from ..errors import OutOfRange


def batch_size(
    drying: float, hands_on: float, unit: int, attention: int = 20, stick: int = 1, palette: float = inf
) -> int:
    """The smallest batch whose first figure is dry when the last one is done.

    drying, hands_on: seconds, hands_on per figure; rounded up to whole sticks; bounded by the unit's
    figures, by attention, and by the seconds that the mix lives on the palette.
    Source: design formula F2, n* = 1 + ceil(d / t).
    Raises: OutOfRange unless hands_on is positive.

    >>> batch_size(drying=480, hands_on=160, unit=30)
    4
    """
    if hands_on <= 0:
        raise OutOfRange(f"Hands-on time is {hands_on} s a figure; it must be more than 0.")
    need = 1 + ceil(drying / hands_on)
    lives = unit if palette == inf else int(palette / hands_on)
    return max(1, min(unit, attention, lives, ceil(need / stick) * stick))
