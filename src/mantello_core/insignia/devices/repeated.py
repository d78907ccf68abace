"""Emblems of one part repeated all round: wheels with teeth and suns with rays, upright or leaning one way."""

import math

from ...errors import OutOfRange, UnknownName
from ...numerals import whole_number

#: kinds, with their names and what is repeated
REPEATED = {"teeth": ("Toothed wheel", "teeth"), "rays": ("Sun", "rays")}
#: how many parts there may be
FEWEST, MOST = 3, 36
#: which way parts lean: '' for upright
WAYS = {"": "upright", "clockwise": "leaning clockwise", "anticlockwise": "leaning anticlockwise"}


def checked_count(text: str, where: str = "text") -> int:
    """How many parts, as a device's text says it.

    Raises: OutOfRange.
    """
    count = whole_number(text, MOST)
    if count is None or count < FEWEST:
        raise OutOfRange(f"'{text.strip()[:20]}' parts; write a whole number from {FEWEST} to {MOST}.", where)
    return count


def checked_way(way: str, where: str = "frame") -> str:
    """Which way parts lean. Raises: UnknownName."""
    if way not in WAYS:
        raise UnknownName("way to lean", way, list(WAYS), where)
    return way


def compared_with_reference(kind: str, count: int, counted: int, where: str = "counted") -> None:
    """Refuse a count that is not the one a painter took from a reference.

    Raises: OutOfRange.
    """
    if counted != count:
        parts = REPEATED[kind][1]
        raise OutOfRange(
            f"The emblem has {count} {parts}, and you counted {counted} in the reference. Count again, or change one.",
            where,
        )


def repeated_outline(kind: str, count: int, way: str) -> list[tuple]:
    """The outline in a square of 100 units about the middle, its first part upright.

    A wheel's rim reaches to 38, its teeth to 50, its hub is open to 17 units from the middle; a sun's disc reaches to 24. A part that
    leans has its tip carried a third of its breadth along.
    """
    step = 2 * math.pi / count
    lean = {"": 0.0, "clockwise": 0.42, "anticlockwise": -0.42}[way] * step
    commands: list[tuple] = []
    points = []
    for at in range(count):
        turn = at * step
        if kind == "teeth":
            points += [
                (turn - 0.27 * step, 37.5),
                (turn - 0.19 * step + lean, 50),
                (turn + 0.19 * step + lean, 50),
                (turn + 0.27 * step, 37.5),
            ]
        else:
            points += [(turn - 0.5 * step, 24), (turn + 1.5 * lean, 50)]
    if kind == "rays" and not way:
        # between two rays the disc shows
        points = [
            one
            for at in range(count)
            for one in (
                (at * step - 0.5 * step, 24),
                (at * step - 0.38 * step, 24),
                (at * step, 50),
                (at * step + 0.38 * step, 24),
            )
        ]
    for at, (turn, far) in enumerate(points):
        commands.append(("L" if at else "M", (far * math.sin(turn), -far * math.cos(turn))))
    commands.append(("Z",))
    if kind == "teeth":
        hub = [(17 * math.sin(-2 * math.pi * at / 48), -17 * math.cos(2 * math.pi * at / 48)) for at in range(48)]
        commands += [("L" if at else "M", point) for at, point in enumerate(hub)] + [("Z",)]
    return commands
