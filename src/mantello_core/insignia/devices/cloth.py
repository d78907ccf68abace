"""Patterns of cloth: stripes, checks, lozenges, dags; what goes round evenly, what a brush draws and an eye sees."""

import math
from dataclasses import dataclass

from shapely import affinity
from shapely.geometry import Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...colour.acuity import separable
from ...colour.spaces import Lab, mean_lab
from ...errors import OutOfRange
from ...memory import remembered

#: patterns in two colours, id to name
PATTERNS = {"stripes": "Stripes", "checks": "Checks", "lozenges": "Lozenges", "dags": "Dags along the edge"}
#: mm a stripe, check, lozenge or dag may be wide; mm of girth
WIDTHS, GIRTHS = (0.1, 30.0), (0.5, 600.0)
#: how much taller than wide a lozenge and a dag are
_TALL = {"lozenges": 1.6, "dags": 1.2}
#: parts of one pattern on one area at most
_MOST_PARTS = 4000


@dataclass(frozen=True)
class Fit:
    """A pattern that goes round evenly: how many parts, how wide each is, mm."""

    pattern: str
    girth: float
    count: int
    width: float
    #: whether the parts are as wide as a brush draws
    paintable: bool
    #: whether both colours are told apart where the figure is seen from; else the colour they run together to
    seen: bool
    blend: Lab

    @property
    def marks(self) -> str:
        """How the places are marked out by hand."""
        halvings = 0
        rest = self.count
        while rest % 2 == 0 and rest > 1:
            rest, halvings = rest // 2, halvings + 1
        times = {1: "once", 2: "twice"}.get(halvings, f"{halvings} times")
        if rest == 1:
            return f"halve the round {times}"
        first = f"{rest} equal parts from a strip of paper wound round and folded"
        return f"{first}, then halve each {times}" if halvings else first


def cloth_fit(
    pattern: str, girth_mm: float, wanted_mm: float, line_mm: float, colours: tuple[Lab, Lab], metres: float
) -> Fit:
    """The pattern nearest the wanted width that closes on itself: an even count of stripes or checks, any of the others.

    line_mm: what a brush draws. colours: apparent, ground and pattern. metres: where it is seen from.
    Raises: OutOfRange for girth or width, or a width that does not go round at all.
    """
    if pattern not in PATTERNS:
        raise OutOfRange(f"The pattern '{pattern[:20]}'; allowed are {', '.join(PATTERNS)}.", "pattern")
    if not GIRTHS[0] <= girth_mm <= GIRTHS[1]:
        raise OutOfRange(f"A girth of {girth_mm:g} mm; allowed is {GIRTHS[0]:g} to {GIRTHS[1]:g}.", "girth")
    if not WIDTHS[0] <= wanted_mm <= WIDTHS[1]:
        raise OutOfRange(f"A width of {wanted_mm:g} mm; allowed is {WIDTHS[0]:g} to {WIDTHS[1]:g}.", "width")
    step = 2 if pattern in ("stripes", "checks") else 1
    count = step * round(girth_mm / wanted_mm / step)
    if count < 2:
        raise OutOfRange(
            f"A width of {wanted_mm:g} mm goes round {girth_mm:g} mm less than twice; allowed is up to {girth_mm / 2:g}.",
            "width",
        )
    width = girth_mm / count
    share = {"stripes": 0.5, "checks": 0.5, "lozenges": 0.5, "dags": 0.3}[pattern]
    return Fit(
        pattern, girth_mm, count, width, width >= line_mm, separable(*colours, width, metres),
        mean_lab(list(colours), [1 - share, share]),
    )  # fmt: skip


@remembered(8_000)
def cloth_shape(pattern: str, width_mm: float, area: BaseGeometry, turn: float = 0.0) -> BaseGeometry:
    """The second colour of a pattern on an area, in drawing units (0.1 mm); even about the area's middle.

    turn: degrees clockwise, of stripes, checks and lozenges. Dags hang along the area's lower edge.
    Raises: OutOfRange for a width so small that the area would have thousands of parts.
    """
    left, top, right, bottom = area.bounds
    width = 10 * width_mm
    if (right - left) / width * (max(bottom - top, width) / width) > 4 * _MOST_PARTS:
        raise OutOfRange(f"{width_mm:g} mm is too fine for so large an area.", "width")
    if pattern == "dags":
        return _dags(area, width).intersection(area)
    x, y = (left + right) / 2, (top + bottom) / 2
    reach = math.hypot(right - left, bottom - top) / 2 + width
    parts = {"stripes": _stripes, "checks": _checks, "lozenges": _lozenges}[pattern](x, y, reach, width)
    whole = unary_union(parts)
    return (affinity.rotate(whole, turn, origin=(x, y)) if turn else whole).intersection(area)


def _steps(reach: float, step: float) -> range:
    most = int(reach / step) + 1
    return range(-most, most + 1)


def _stripes(x: float, y: float, reach: float, width: float) -> list[BaseGeometry]:
    return [
        box(x + at * 2 * width - width / 2, y - reach, x + at * 2 * width + width / 2, y + reach)
        for at in _steps(reach, 2 * width)
    ]


def _checks(x: float, y: float, reach: float, width: float) -> list[BaseGeometry]:
    # shrunk by a hair, so that corners that touch are not joined into one strange polygon
    hair = width * 1e-4
    return [
        box(x + a * width - width / 2, y + d * width - width / 2, x + a * width + width / 2 - hair, y + d * width + width / 2 - hair)
        for a in _steps(reach, width) for d in _steps(reach, width) if (a + d) % 2 == 0
    ]  # fmt: skip


def _lozenges(x: float, y: float, reach: float, width: float) -> list[BaseGeometry]:
    tall = width * _TALL["lozenges"]
    half, high = width / 2 * 0.9999, tall / 2 * 0.9999
    return [
        Polygon([(x + a * width, y + d * tall - high), (x + a * width + half, y + d * tall), (x + a * width, y + d * tall + high), (x + a * width - half, y + d * tall)])
        for a in _steps(reach, width) for d in _steps(reach, tall)
    ]  # fmt: skip


def _dags(area: BaseGeometry, width: float) -> BaseGeometry:
    """Tongues that stand on the lower edge, one after the other from the middle outwards."""
    left, top, right, bottom = area.bounds
    count = max(1, round((right - left) / width))
    wide = (right - left) / count
    tongues = []
    for at in range(count):
        start = left + at * wide
        strip = area.intersection(box(start, top, start + wide, bottom))
        if strip.is_empty:
            continue
        low = strip.bounds[3]
        tongues.append(
            Polygon([(start, low + 1), (start + wide / 2, low - wide * _TALL["dags"]), (start + wide, low + 1)])
        )
    return unary_union(tongues)


def girth_guess(width_mm: float, *, flat: bool) -> float:
    """mm round what is seen so wide: pi times it for what is round, itself for what is flat. To be measured instead."""
    return width_mm if flat else math.pi * width_mm
