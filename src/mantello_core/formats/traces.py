"""Traces drawn on an area: chips, scratches, runs, stripes, one by one, dealt by a seed so that no two figures are alike."""

import math
import random
from typing import NamedTuple

from ..figures.plate import SeenArea
from ..geometry.rings import inside
from ..memory import remembered

#: drawing units in a millimetre
UNIT = 10.0
#: traces of one kind that are drawn on one area at most, and places tried for each that lies outside
MOST, TRIED = 70, 12
#: mm within which chips lie at an edge, and sides that one of them has
AT_EDGE, SIDES = 0.35, 5


class Trace(NamedTuple):
    """One kind of trace on an area: which place of ``recipes.where`` it is, its colour '#rrggbb', how many lie on a square
    centimetre (of stripes: on a centimetre), how long and wide they are, mm, and how opaque."""

    place: str
    colour: str
    count: float
    length: float
    width: float
    opacity: float = 1.0
    #: of lips: traces of which place they lie along, and on which side
    along: str = "dots"
    side: str = "lower"
    #: traces of one place that lie apart from each other are dealt by a number each
    dealt: int = 0


def traces_svg(seen: SeenArea, traces: tuple[Trace, ...], seed: int = 0) -> str:
    """The traces of an area, to be clipped to it; the same for the same seed."""
    return "".join(_drawn(seen, one, seed) for one in traces)


def _drawn(seen: SeenArea, trace: Trace, seed: int) -> str:
    if trace.place == "stripes":
        d = _stripes(seen, trace)
    elif trace.place == "border":
        return f'<path d="{seen.visible}" fill="none" stroke="{trace.colour}" stroke-width="{2 * UNIT * trace.width:.1f}"/>'
    else:
        along = trace.along if trace.place == "lips" else trace.place
        number = min(MOST, _dealt(trace.count * seen.mm2 / 100, seen.area, seed))
        spots = _spots(seen, along, number, seed, trace.dealt)
        if trace.place in _FILLED:
            d = "".join(_FILLED[trace.place](spot, trace) for spot in spots)
            return f'<path d="{d}" fill="{trace.colour}" fill-opacity="{trace.opacity:g}" stroke="none"/>' if d else ""
        d = "".join(_line(spot, trace, along) for spot in spots)
    if not d:
        return ""
    return (
        f'<path d="{d}" fill="none" stroke="{trace.colour}" stroke-opacity="{trace.opacity:g}"'
        f' stroke-width="{UNIT * trace.width:.2g}" stroke-linecap="round"/>'
    )


def _dealt(mean: float, area: str, seed: int) -> int:
    """A whole number about a mean: what is left over a whole one is dealt."""
    return int(mean + random.Random(f"{seed}|{area}|number").random())


class _Spot(NamedTuple):
    x: float
    y: float
    #: 0 to 1, three of them: size, direction, form
    size: float
    turn: float
    form: int


@remembered(4_000)
def _spots(seen: SeenArea, place: str, number: int, seed: int, dealt: int) -> tuple[_Spot, ...]:
    dice = random.Random(f"{seed}|{seen.area}|{place}" + (f"|{dealt}" if dealt else ""))
    found = []
    for _ in range(number):
        for _ in range(TRIED):
            x, y = _at_edge(seen, dice) if place == "dots" else _within(seen, dice, place)
            if inside(seen.rings, x, y):
                found.append(_Spot(x, y, dice.random(), dice.random(), dice.randrange(1_000)))
                break
    return tuple(found)


def _within(seen: SeenArea, dice: random.Random, place: str) -> tuple[float, float]:
    left, top, right, bottom = seen.box
    # what runs down begins in the upper part
    lower = top + (bottom - top) * (0.6 if place == "runs" else 1.0)
    return dice.uniform(left, right), dice.uniform(top, lower)


def _at_edge(seen: SeenArea, dice: random.Random) -> tuple[float, float]:
    ring = dice.choice(seen.rings)
    at = dice.randrange(len(ring))
    (x, y), (u, v) = ring[at], ring[(at + 1) % len(ring)]
    share, far = dice.random(), UNIT * AT_EDGE
    return x + (u - x) * share + dice.uniform(-far, far), y + (v - y) * share + dice.uniform(-far, far)


def _chip(spot: _Spot, trace: Trace) -> str:
    dice, radius = random.Random(spot.form), UNIT * trace.width / 2 * (0.5 + spot.size)
    corners = []
    for side in range(SIDES):
        angle = math.tau * (side + 0.6 * dice.random() + spot.turn) / SIDES
        far = radius * (0.6 + 0.6 * dice.random())
        corners.append(f"{spot.x + far * math.cos(angle):.1f},{spot.y + far * math.sin(angle):.1f}")
    return f"M{'L'.join(corners)}Z"


def _run(spot: _Spot, trace: Trace) -> str:
    """Widest where it begins, and lost where it ends."""
    half, length = UNIT * trace.width / 2 * (0.6 + 0.8 * spot.turn), UNIT * trace.length * (0.4 + 1.2 * spot.size)
    return f"M{spot.x - half:.1f},{spot.y:.1f}h{2 * half:.1f}l{-half * 0.8:.1f},{length:.1f}h{-half * 0.4:.1f}Z"


#: places whose traces are areas, not lines
_FILLED = {"dots": _chip, "runs": _run}


def _line(spot: _Spot, trace: Trace, along: str) -> str:
    length = UNIT * trace.length * (0.4 + 1.2 * spot.size)
    angle = math.pi * (spot.turn - 0.5) * (0.9 if along == "scratches" else 0.0)
    x, y = spot.x, spot.y
    if trace.place == "lips":
        y += (1 if trace.side == "lower" else -1) * UNIT * trace.width * 1.6
        x -= length / 2 if along == "dots" else 0.0
    return f"M{x:.1f},{y:.1f}l{length * math.cos(angle):.1f},{length * math.sin(angle):.1f}"


def _stripes(seen: SeenArea, trace: Trace) -> str:
    left, top, right, bottom = seen.box
    step = 10 * UNIT / trace.count
    number = int((right - left) / step)
    first = (left + right) / 2 - step * number / 2
    return "".join(f"M{first + step * at:.1f},{top:.1f}V{bottom:.1f}" for at in range(number + 1))
