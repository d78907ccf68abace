"""A painter's own emblem: an outline in straight and curved steps, checked before it is drawn anywhere."""

import math
import re

from ...errors import OutOfRange, Unreadable
from ...geometry.crossing import crossings_of

#: signs and points of an outline at most; decimals are tenths of a unit in a square of 200
MOST_SIGNS, MOST_POINTS = 12_000, 900
#: how often it may cross itself, since all that is cut or measured takes longer with that
MOST_CROSSINGS = 500
_STEP = re.compile(r"([MLCZ])((?:-?\d+(?:\.\d+)?(?:[ ,](?=-?\d)|(?=-))?)*)\s*")
_NUMBER = re.compile(r"-?\d+(?:\.\d+)?")
_COUNT = {"M": 2, "L": 2, "C": 6, "Z": 0}


def own_commands(drawn: str, where: str = "drawn") -> list[tuple]:
    """The steps of an own emblem's outline, in units about its middle; rings within rings are holes by even and odd.

    Raises: OutOfRange or Unreadable.
    """
    if not 1 <= len(drawn) <= MOST_SIGNS:
        raise OutOfRange(f"The outline has {len(drawn)} signs; allowed is 1 to {MOST_SIGNS}.", where)
    commands, at = [], 0
    while at < len(drawn):
        found = _STEP.match(drawn, at)
        values = [float(one) for one in _NUMBER.findall(found[2])] if found else []
        if not found or len(values) != _COUNT[found[1]] or (not commands and found[1] != "M"):
            raise Unreadable(f"The outline cannot be read at '{drawn[at : at + 20]}'.", where)
        commands.append((found[1], *zip(values[::2], values[1::2], strict=True)))
        at = found.end()
    points = [point for step in commands for point in step[1:]]
    if len(points) > MOST_POINTS:
        raise OutOfRange(f"The outline has {len(points)} points; allowed is up to {MOST_POINTS}. Simplify it.", where)
    if any(not math.isfinite(value) or abs(value) > 1000 for point in points for value in point):
        raise OutOfRange("The outline reaches beyond all bounds.", where)
    across, down = zip(*points, strict=True)
    if len(points) < 3 or max(across) - min(across) < 1 or max(down) - min(down) < 1:
        raise Unreadable("The outline encloses nothing.", where)
    if crossings_of([commands], MOST_CROSSINGS) > MOST_CROSSINGS:
        raise OutOfRange(f"The outline crosses itself more than {MOST_CROSSINGS} times. Simplify it.", where)
    return commands


def own_drawn(commands: list[tuple]) -> str:
    """The outline as text, scaled to a square of 200 units about its middle, to a tenth of a unit.

    Raises: what ``own_commands`` refuses.
    """
    points = [point for step in commands for point in step[1:]]
    if not points:
        raise Unreadable("The outline encloses nothing.", "file")
    across, down = zip(*points, strict=True)
    whole = max(max(across) - min(across), max(down) - min(down)) or 1
    x, y, scale = (max(across) + min(across)) / 2, (max(down) + min(down)) / 2, 200 / whole
    drawn = "".join(
        step[0].upper() + " ".join(f"{round((a - x) * scale, 1):g},{round((b - y) * scale, 1):g}" for a, b in step[1:])
        for step in commands
    )
    own_commands(drawn, "file")
    return drawn
