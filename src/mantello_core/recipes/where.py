"""Where a step goes: places told by geometry, each giving how much of every point of a figure it covers.

Source: docs/methods/places.md.
"""

from dataclasses import dataclass
from functools import cache
from typing import NamedTuple

import numpy as np

from ..errors import OutOfRange, UnknownName
from ..figures.extent import EXPOSED, SHARP, UPWARD, Extent
from ..figures.form import AT_CORNER, RECESSED
from ..figures.sample import LIGHT_PLANS, LIGHTS, Sample, usual_sample
from ..memory import remembered

#: share of an area that a place may take
LEAST_SHARE, MOST_SHARE = 0.02, 1.0
#: mm that edges, lines, points and dots may be wide
LEAST_MM, MOST_MM = 0.05, 3.0
#: single marks on a square centimetre, and mm that they may be long
LEAST_COUNT, MOST_COUNT = 0.5, 400.0
LEAST_LENGTH, MOST_LENGTH = 0.1, 20.0
#: how soft the border of a spray may be, as a share of the surface
LEAST_SPREAD, MOST_SPREAD = 0.1, 1.5
#: edges by how they face up at least
EDGES = {"all": -2.0, "exposed": EXPOSED, "sharp": SHARP}
#: depth from which a point is dabbed or layered over no more
SHUT = 0.75
#: a spray reaches where what faces it is turned to it at least so much, and no deeper than this
SPREAD, HIDDEN = 0.35, 0.8
#: mm from an edge within which what is knocked off chips
KNOCKED = 0.5
#: what falls down a face runs where that faces up or down no more than this
STEEP = 0.75
#: a border lies so many mm inside the outline
BORDER_INSIDE = 0.15
#: share of an outline that lies beside one named neighbour, where no figure is known
ONE_NEIGHBOUR = 0.3
#: edges of single marks that catch the light, and that lie in shadow
LIPS = ("lower", "upper")


class Usually(NamedTuple):
    """What a place takes where nothing is said: share, width in mm, how soft its border is, as a share; single marks on a
    square centimetre and how long they are, mm."""

    share: float | None
    width: float | None
    soft: float
    words: str
    count: float | None = None
    length: float | None = None


#: places that the light decides
FOLLOW_LIGHT = ("raised", "away")

#: every place, with what it takes usually
PLACES = {
    "all": Usually(None, None, 0.0, "all of it"),
    "off recesses": Usually(0.82, None, 0.1, "all but the recesses"),
    "recesses": Usually(0.18, None, 0.1, "recesses"),
    "lines": Usually(None, 0.14, 0.0, "lines between what lies over each other"),
    "edges": Usually(None, 0.15, 0.0, "edges"),
    "points": Usually(None, 0.22, 0.0, "corners and points"),
    "raised": Usually(0.55, None, 0.16, "raised, towards the light"),
    "away": Usually(0.3, None, 0.16, "away from the light"),
    "sprayed": Usually(None, None, 0.9, "what faces the spray"),
    "upper": Usually(0.5, None, 0.25, "the upper part"),
    "lower": Usually(0.5, None, 0.25, "the lower part"),
    "middle": Usually(0.4, None, 0.3, "from the middle outwards"),
    "dots": Usually(0.06, 0.3, 0.0, "dots and chips at edges"),
    "lips": Usually(None, 0.1, 0.0, "along the lower lip of scratches and chips", 40.0, 0.5),
    "scratches": Usually(None, 0.12, 0.0, "scratches on open surfaces", 20.0, 1.5),
    "runs": Usually(None, 0.25, 0.0, "runs that fall down the faces", 12.0, 2.5),
    "stripes": Usually(None, 0.4, 0.0, "stripes on raised parts", 8.0),
    "border": Usually(None, 0.3, 0.0, "a border inside the outline"),
    "beside": Usually(None, 0.3, 0.0, "beside a neighbour"),
}


@dataclass(frozen=True)
class Where:
    """A place, and what is said of it; None and empty are as usual."""

    place: str
    #: share of the painted surface, 0.02 to 1
    share: float | None = None
    #: mm
    width: float | None = None
    #: which edges: all, exposed (level or facing up) or sharp; which light plan, for what the light decides
    which: str = ""
    plan: str = ""
    #: degrees that a spray comes from above the level; 90 straight down
    angle: float | None = None
    #: how softly a spray fades, as a share of the surface
    spread: float | None = None
    #: single marks on a square centimetre (of stripes: on a centimetre), and mm that they are long
    count: float | None = None
    length: float | None = None
    #: role of the neighbour that it lies beside; '' for all neighbours
    beside: str = ""
    #: share of the outline that lies beside that neighbour, where it was measured on a figure; no part of a design
    along: float | None = None

    @property
    def words(self) -> str:
        """As in 'raised, towards the light, 55 %'."""
        known = PLACES[self.place]
        said = f"{self.which} edges" if self.place == "edges" and self.which else known.words
        if self.place == "lips" and self.which == "upper":
            said = said.replace("lower", "upper")
        if self.angle is not None:
            said += f" from {self.angle:g} degrees"
        if self.share is not None and self.share < 1:
            said += f", {100 * self.share:.0f} %"
        if self.count is not None:
            said += f", {self.count:g} to the centimetre" if self.place == "stripes" else f", {self.count:g} to the cm²"
        if self.length is not None:
            said += f", {self.length:g} mm long"
        return said + (f", {self.width:g} mm" if self.width is not None else "")

    @property
    def usual(self) -> Usually:
        """What its place takes where it says nothing."""
        return PLACES[self.place]

    @property
    def marks(self) -> tuple[float, float, float]:
        """Single marks on a square centimetre, how long and how wide they are, mm; as said, or as usual. Chips and dots
        are as many as their share takes."""
        width = self.usual.width if self.width is None else self.width
        if self.place == "dots":
            share = self.usual.share if self.share is None else self.share
            return (self.count or 100 * share / (0.8 * width * width), width, width)
        return (
            self.usual.count if self.count is None else self.count,
            self.usual.length if self.length is None else self.length,
            width,
        )


def checked_where(where: Where, at: str = "") -> Where:
    """The place, if everything said of it is allowed.

    Raises: UnknownName for a place, edges or a light plan; OutOfRange for share, width or angle.
    """
    if where.place not in PLACES:
        raise UnknownName("place", where.place, list(PLACES), f"{at}/place")
    known = LIPS if where.place == "lips" else tuple(EDGES)
    if where.which and where.which not in known:
        raise UnknownName("kind of edge", where.which, list(known), f"{at}/which")
    if where.plan and where.plan not in LIGHT_PLANS:
        raise UnknownName("light plan", where.plan, list(LIGHT_PLANS), f"{at}/plan")
    for name, least, most in _LIMITS:
        given = getattr(where, name)
        if given is not None and not least <= given <= most:
            raise OutOfRange(f"A {name} of {given:g}; allowed is {least:g} to {most:g}.", f"{at}/{name}")
    usual = PLACES[where.place]
    for name in ("share", "width", "count", "length"):
        if where.place == "dots" and name == "count":
            continue
        if getattr(where, name) is not None and getattr(usual, name) is None:
            raise OutOfRange(f"'{where.place}' takes no {name}.", f"{at}/{name}")
    for name, place in (("angle", "sprayed"), ("spread", "sprayed"), ("beside", "beside")):
        if getattr(where, name) not in (None, "") and where.place != place:
            raise OutOfRange(f"'{where.place}' takes no {name}; '{place}' does.", f"{at}/{name}")
    return where


#: what an extent must have for a place to be there at all
_NEEDS = {
    "edges": ("free_mm", "an edge"), "points": ("corners", "a corner"), "dots": ("free_mm", "an edge that is knocked"),
    "lines": ("foot_mm", "a seam or drawn line"),
}  # fmt: skip
_LIT_EDGES = {
    "sharp": ("sharp_mm", "an edge that faces up"),
    "exposed": ("exposed_mm", "an edge that is level or faces up"),
}


def check_there(where: Where, extent: Extent, at: str = "") -> None:
    """Nothing, if areas of that extent have the place.

    Raises: OutOfRange where they have nothing of it.
    """
    field, words = (
        _LIT_EDGES.get(where.which, _NEEDS["edges"]) if where.place == "edges" else _NEEDS.get(where.place, ("", ""))
    )
    if not field or getattr(extent, field) > 0 or (where.place == "lines" and extent.line_mm > 0):
        return
    raise OutOfRange(
        f"No area that wears this has {words}; choose another place, or leave the step out.", f"{at}/place"
    )


_LIMITS = (
    ("share", LEAST_SHARE, MOST_SHARE), ("width", LEAST_MM, MOST_MM), ("angle", 0.0, 90.0), ("spread", LEAST_SPREAD, MOST_SPREAD),
    ("count", LEAST_COUNT, MOST_COUNT), ("length", LEAST_LENGTH, MOST_LENGTH),
)  # fmt: skip


def reach(where: Where, sample: Sample) -> np.ndarray:
    """How much of every point a place covers, (n,), 0 to 1."""
    usual = PLACES[where.place]
    share = usual.share if where.share is None else where.share
    width = usual.width if where.width is None else where.width
    return _REACH[where.place](sample, share, width, usual.soft, where)


@remembered(2_000)
def share_of(where: Where) -> float:
    """Share of the usual figure's surface that a place covers, 0 to 1."""
    sample = usual_sample()
    return float((reach(where, sample) * sample.mm2).sum() / sample.mm2.sum())


def share_on(where: Where, extent: Extent) -> float:
    """Share of areas of that extent that a place covers, 0 to 1: as on the usual figure, but for what was measured of them."""
    usual, law = share_of(where), _MEASURED.get(where.place)
    if not law or not extent.measured_mm2:
        return usual
    known = min(extent.measured_mm2 / extent.surface_mm2, 1.0)
    return usual + known * (law(where, usual, extent) - usual)


def _measured_recesses(where: Where, usual: float, extent: Extent) -> float:
    """What is said, up to all recesses there are; where nothing is said, of them what it is usually."""
    there = extent.recess_mm2 / extent.measured_mm2
    return min(where.share, there) if where.share is not None else there * usual / _usual_recess()


def _measured_off(where: Where, usual: float, extent: Extent) -> float:
    left = None if where.share is None else 1 - where.share
    return 1 - _measured_recesses(Where("recesses", share=left), 1 - usual, extent)


def _measured_spray(where: Where, usual: float, extent: Extent) -> float:
    """What faces up is covered whole; the rest as much as on the usual figure. The lower the spray, the less that counts."""
    steep = np.sin(np.radians(90.0 if where.angle is None else where.angle))
    rest = max(usual - _usual_upward(), 0.0) / (1 - _usual_upward())
    up = _usual_upward() + (extent.upward_mm2 / extent.measured_mm2 - _usual_upward()) * steep
    return float(up + (1 - up) * rest)


@cache
def _usual_recess() -> float:
    sample = usual_sample()
    return float(sample.mm2[sample.depth > RECESSED].sum() / sample.mm2.sum())


@cache
def _usual_upward() -> float:
    """Share of the usual figure that faces up and sees the sky, as it is measured on models."""
    sample = usual_sample()
    return float((sample.mm2 * (sample.up > UPWARD) * (1 - sample.depth)).sum() / sample.mm2.sum())


#: places that lie otherwise on what was measured
_MEASURED = {"recesses": _measured_recesses, "off recesses": _measured_off, "sprayed": _measured_spray}


def _soft(values: np.ndarray, at: float, width: float) -> np.ndarray:
    return np.clip((values - at) / max(width, 1e-6) + 0.5, 0, 1)


def _top(values: np.ndarray, sample: Sample, share: float, soft: float) -> np.ndarray:
    """The share of the surface where something is highest, with a border so soft; exact whatever the form."""
    order = np.argsort(values, kind="stable")
    rank = np.empty(len(values))
    rank[order] = (np.cumsum(sample.mm2[order]) - sample.mm2[order] / 2) / sample.mm2.sum()
    return _soft(rank, 1 - share, soft) if share < 1 else np.ones(len(values))


def _light(sample: Sample, where: Where) -> np.ndarray:
    if where.plan == "lamps":
        return sample.light.mean(1)
    return sample.light[:, list(LIGHTS).index(where.plan)] if where.plan else sample.light[:, 0]


def _recesses(sample: Sample, share, width, soft, where) -> np.ndarray:
    deep = float(sample.mm2[sample.depth > RECESSED].sum() / sample.mm2.sum())
    return _top(sample.depth, sample, min(share, deep), soft) if deep else np.zeros(len(sample.mm2))


def _off_recesses(sample: Sample, share, width, soft, where) -> np.ndarray:
    return 1 - _recesses(sample, max(0.0, 1 - share), width, soft, where) if share < 1 else np.ones(len(sample.mm2))


def _edges(sample: Sample, share, width, soft, where) -> np.ndarray:
    least = EDGES[where.which or "sharp"]
    return ((sample.proud < width) & ((sample.edge_up >= least) | (sample.corner < AT_CORNER))).astype(float)


def _sprayed(sample: Sample, share, width, soft, where) -> np.ndarray:
    angle = np.radians(90.0 if where.angle is None else where.angle)
    front = np.sqrt(np.clip(1 - sample.up**2, 0, 1))
    turned = sample.up * np.sin(angle) + front * np.cos(angle)
    return _soft(turned, SPREAD, soft if where.spread is None else where.spread) * (1 - HIDDEN * sample.depth)


def _dots(sample: Sample, share, width, soft, where) -> np.ndarray:
    if where.count is not None:
        share = _taken(where)
    near = np.clip(1 - sample.proud / KNOCKED, 0, 1) * (1 + np.clip(sample.edge_up, -0.5, 1)) * (sample.depth < SHUT)
    mean = float((near * sample.mm2).sum() / sample.mm2.sum())
    return np.clip(near * share / mean, 0, 1) if mean else np.zeros(len(near))


def _taken(where: Where) -> float:
    """Share of a surface that single marks take."""
    count, length, width = where.marks
    return min(count * length * width / 100, 1.0)


def _scratches(sample: Sample, share, width, soft, where) -> np.ndarray:
    open_ = (sample.depth < SHUT).astype(float)
    return open_ * min(_taken(where) * sample.mm2.sum() / max((open_ * sample.mm2).sum(), 1e-9), 1.0)


def _runs(sample: Sample, share, width, soft, where) -> np.ndarray:
    steep = (np.abs(sample.up) < STEEP) * (1.2 - sample.height)
    mean = float((steep * sample.mm2).sum() / sample.mm2.sum())
    return np.clip(steep * _taken(where) / mean, 0, 1) if mean else np.zeros(len(steep))


def _stripes(sample: Sample, share, width, soft, where) -> np.ndarray:
    return (sample.depth < SHUT) * min(where.marks[0] * width / 10, 1.0)


def _border(sample: Sample, share, width, soft, where) -> np.ndarray:
    inside = np.minimum(sample.under, sample.proud)
    return ((inside > BORDER_INSIDE) & (inside < BORDER_INSIDE + width)).astype(float)


def _along(where: Where) -> float:
    if where.along is not None:
        return where.along
    return ONE_NEIGHBOUR if where.beside else 1.0


def _beside(sample: Sample, share, width, soft, where) -> np.ndarray:
    return (np.minimum(sample.under, sample.proud) < width) * _along(where)


def _all(sample: Sample, share, width, soft, where) -> np.ndarray:
    return np.ones(len(sample.mm2))


def _lines(sample: Sample, share, width, soft, where) -> np.ndarray:
    return np.maximum((sample.under < width).astype(float), sample.ink)


def _points(sample: Sample, share, width, soft, where) -> np.ndarray:
    return (sample.corner < width).astype(float)


def _raised(sample: Sample, share, width, soft, where) -> np.ndarray:
    return _top(_light(sample, where) - sample.depth / 2, sample, share, soft) * (sample.depth < SHUT)


def _away(sample: Sample, share, width, soft, where) -> np.ndarray:
    return _top(-_light(sample, where), sample, share, soft)


def _upper(sample: Sample, share, width, soft, where) -> np.ndarray:
    return _top(sample.height, sample, share, soft)


def _lower(sample: Sample, share, width, soft, where) -> np.ndarray:
    return _top(-sample.height, sample, share, soft)


def _middle(sample: Sample, share, width, soft, where) -> np.ndarray:
    return _top(sample.middle, sample, share, soft)


_REACH = {
    "all": _all, "off recesses": _off_recesses, "recesses": _recesses, "lines": _lines, "edges": _edges, "points": _points,
    "raised": _raised, "away": _away, "sprayed": _sprayed, "upper": _upper, "lower": _lower, "middle": _middle, "dots": _dots,
    "lips": _scratches, "scratches": _scratches, "runs": _runs, "stripes": _stripes, "border": _border, "beside": _beside,
}  # fmt: skip
