"""How long a hand takes for a step: by what it goes over, at a pace, with care, on a figure of a size.

Source: docs/methods/minutes.md; starting values in ``data/hands.toml``, fitted to yardsticks.
"""

import math
from dataclasses import dataclass, replace
from functools import cache

from ..data_table import data_table
from ..figures.extent import Extent
from .step import Step

#: how fast work goes: as said on the first evening
PACES = {"rapid": 0.5, "usual": 1.0, "display": 2.2}
#: picking up a figure cannot be hurried below this, nor spraying
LEAST_HANDLING, LEAST_SPRAYING = 0.7, 0.8
#: how much more care a tier gets
CARE = {"rank": 1.0, "leader": 1.5, "centrepiece": 2.4}
#: brush for wide and for small areas, mm, and the surface from which an area is wide, mm²; a brush takes so much of the room
WIDE, NARROW, WIDE_FROM, OF_ROOM, LEAST_BRUSH = 5.0, 3.0, 40.0, 0.75, 0.35
#: a rim is at least so high, mm
LEAST_BAND = 0.4
#: along the border a wash may be so much quicker than paint that covers, and a stain
WASH_BORDER, STAIN_BORDER = 3.2, 1.5
#: mm of one stroke on an edge, a seam or a line
STROKE_MM = 4.0
#: n figures in one go take n to this power each
PRACTICE = -0.08
#: height of the figures that the starting values are for, mm; on smaller ones less care is seen, by this power of their size
USUAL_HEIGHT, SMALL_CARE = 28.0, 0.2
#: edges by what is said of them
EDGE_LENGTHS = {"all": "free_mm", "exposed": "exposed_mm", "sharp": "sharp_mm"}
#: edges that each tier gets light on: rank and file the sharpest, leaders those that face up or are level
_LIT = {"rank": "sharp", "leader": "exposed", "centrepiece": "all"}
#: what fills an area, and the value by which its border is led along; none where the brush stops short of it
_FILLED = {"fill": "cut", "layer": "", "relay": "relay"}


@dataclass(frozen=True)
class Hand:
    """One thing a hand does: seconds, mm/s or mm²/s, with how painters differ (log)."""

    value: float
    unit: str
    spread: float


@dataclass(frozen=True)
class Circumstances:
    """Who paints what how: the tier, the pace, figures taken through it together, their height in mm."""

    tier: str = "rank"
    pace: str = "usual"
    figures: int = 1
    height: float = USUAL_HEIGHT


USUALLY = Circumstances()


@cache
def hands() -> dict[str, Hand]:
    """The starting values by name."""
    data = data_table(__package__, "hands")
    return {name: Hand(**row) for name, row in data.items() if isinstance(row, dict)}


@cache
def _values() -> dict[str, float]:
    return {name: hand.value for name, hand in hands().items()}


def seconds_of(step: Step, extent: Extent, coats: int, around: Circumstances = USUALLY) -> float:
    """Hands-on seconds of a step on one figure, drying and opening pots left out.

    extent: all that the step's role is on that figure, at 28 mm; what the step goes over follows from its kind.
    """
    known, size = _values(), around.height / USUAL_HEIGHT
    pieces = 1 if step.work in ("spray", "can", "dry") else max(1, extent.pieces)
    picking = (known["pick"] + known["find"] * (pieces - 1)) * size * max(PACES[around.pace], LEAST_HANDLING)
    return coats * picking * _practised(around) + brushing_seconds(step, extent, coats, around)


def brushing_seconds(step: Step, extent: Extent, coats: int, around: Circumstances = USUALLY) -> float:
    """The same without picking the figure up: what one area more adds to a step that is done anyway."""
    care = PACES[around.pace] * CARE[around.tier]
    if step.work in ("spray", "can"):
        care = max(care, LEAST_SPRAYING)
    size = around.height / USUAL_HEIGHT
    here, care = extent.of_size(size), care * min(1.0, size**SMALL_CARE)
    return coats * _worked(step.work, step, here, around.tier) * care * _practised(around)


def ground_seconds(kind: str, surface: float, around: Circumstances = USUALLY) -> float:
    """Hands-on seconds to lay a ground on one whole figure of ``surface`` mm² at 28 mm: 'can', 'spray' or 'flood'."""
    size = around.height / USUAL_HEIGHT
    rate, spraying = _values()[kind], max(PACES[around.pace], LEAST_SPRAYING)
    return (_values()["turn"] * size + surface * size * size / rate * spraying) * _practised(around)


def _practised(around: Circumstances) -> float:
    return max(1, around.figures) ** PRACTICE


def _worked(work: str, step: Step, here: Extent, tier: str) -> float:
    """Seconds of brushing at the usual pace, once over."""
    known, worked = _values(), step.worked_on(here)
    surface = here.surface_mm2 * worked
    border = here.foot_mm + here.free_mm / 2
    if here.lenses and work in ("fill", "layer", "dot"):
        return known["value"] * here.lenses
    if work in _FILLED and here.rim_mm2:
        turned = here.rim_mm2 * worked / max(here.room_mm, LEAST_BAND) / known["band"]
        rest = replace(here, surface_mm2=here.surface_mm2 - here.rim_mm2, rim_mm2=0.0)
        return turned + (_worked(work, step, rest, tier) if rest.surface_mm2 > 1e-6 else 0.0)
    if work in _FILLED:
        along = border / known[_FILLED[work]] if _FILLED[work] else 0.0
        return surface / (_brush(here, worked) * known["fill"]) + along
    if work in ("wash", "stain", "oil"):
        freely = STAIN_BORDER if work == "stain" else WASH_BORDER
        flooded = surface / (known["flood"] * min(max(here.room_mm, 0.5), 3.0) / 2) + border / (known["cut"] * freely)
        return flooded + (surface / known["wipe"] if work == "oil" else 0.0)
    if work == "edge":
        lit = getattr(here, EDGE_LENGTHS[step.goes.which or _LIT[tier]])
        length = here.free_mm * step.manner.share if step.manner.share is not None else lit
        return _lined(length, known["edge"], known["stroke"])
    if work in ("line", "pin"):
        kept = 1.0 if step.manner.share is None or step.kind != "line" else step.manner.share
        return _lined((here.foot_mm + here.line_mm) * kept, known[work], known["stroke"])
    if work == "drawn":
        return _drawn(step, here)
    if work == "dot" and step.goes.count is not None:
        return known["dot"] * max(1, here.surface_mm2 * step.goes.count / 100)
    if work == "dot":
        return known["dot"] * max(
            1, here.pieces, here.corners if step.goes.place == "points" and step.kind != "dot" else 1
        )
    if work in ("spray", "can"):
        return known["turn"] + surface / known[work]
    return surface / known[work]


def _drawn(step: Step, here: Extent) -> float:
    """Seconds to draw single marks, stripes or a border."""
    known = _values()
    if step.goes.place == "border":
        return _lined(here.free_mm + here.foot_mm, known["line"], known["stroke"])
    count, length, _ = step.goes.marks
    if step.goes.place == "stripes":
        return _lined(here.surface_mm2 * count / 10, known["line"], known["stroke"])
    marks = here.surface_mm2 * count / 100
    return marks * (length / known["mark"] + known["stroke"])


def _lined(length: float, speed: float, stroke: float) -> float:
    return length / speed + math.ceil(length / STROKE_MM) * stroke


def _brush(here: Extent, share: float) -> float:
    """Width of the brush, mm: what the area has room for, less where only part of it is painted."""
    widest = WIDE if here.surface_mm2 * share > WIDE_FROM else NARROW
    return min(widest, max(OF_ROOM * here.room_mm * math.sqrt(share), LEAST_BRUSH))
