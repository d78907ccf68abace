"""A painter's own paint: what is said of it, and the paint that follows."""

import hashlib
import json
from dataclasses import dataclass
from math import isfinite

from ..colour.spaces import Lab, lab_of_hex
from ..errors import OutOfRange, UnknownName, Unreadable
from ..memory import remembered
from .estimate import CLASS_CONTRAST, READING_KINDS, CardReading, checked_readings, estimated
from .metal import flake_of
from .paint import PAINT_KINDS, Paint
from .range import paint

#: the range that own paints stand in
OWN = "Own paints"
#: how ids of own paints begin
OWN_ID = "own-"
#: kinds that can be added by readings, with the share of the wet paint that stays
SOLIDS = {
    "acrylic": 0.36, "air": 0.2, "wash": 0.15, "stain": 0.2, "ink": 0.3, "enamel": 0.45, "oil": 0.9, "spray": 0.36,
    "metallic": 0.36,
}  # fmt: skip
FINISHES = ("matt", "satin", "gloss", "metallic")
MOST_NAME, MOST_VOLUME = 80, 1000.0
#: what tints are mixed with, drop for drop
REFERENCE_WHITE = "gull-white"


#: absorption and scattering in the sixteen bands
Optics = tuple[tuple[float, ...], tuple[float, ...]]


@dataclass(frozen=True)
class OwnPaint:
    """What a painter says of a paint."""

    name: str
    kind: str
    readings: tuple[CardReading, ...]
    finish: str = "matt"
    #: ml in the pot
    volume: float = 17.0

    @property
    def id(self) -> str:
        """Made from all that is said, so that the same id never means another paint."""
        readings = [
            (one.kind, one.colour and [float(value) for value in one.colour], one.contrast and float(one.contrast))
            for one in self.readings
        ]
        said = [self.name, self.kind, self.finish, float(self.volume), readings]
        return OWN_ID + hashlib.sha256(json.dumps(said).encode()).hexdigest()[:20]

    @property
    def error(self) -> tuple[float, float]:
        """Median and 90th percentile of what mixes with it will be off, CIEDE2000: an expectation, not a measurement."""
        kinds = {one.kind for one in self.readings}
        if "tint" in kinds:
            return 1.0, 2.0
        return (2.4, 7.0) if {"black", "white"} <= kinds else (4.5, 10.0)


def own_paint(said: OwnPaint, where: str = "", optics: Optics | None = None) -> Paint:
    """The paint that follows from what is said; the same whoever says it.

    optics: as ``optics_of_own`` worked them out before, if they were kept; else they are estimated now.
    Raises: what ``checked_own`` refuses.
    """
    said = checked_own(said, where)
    if said.kind == "metallic":
        return _metal(said)
    return Paint(
            said.id, said.name.strip(), OWN, said.kind, solids=SOLIDS[said.kind], finish=said.finish, volume=said.volume,
            sprayed=said.kind == "spray", optics=optics or optics_of_own(said.readings, said.kind), label=_label(said),
            hazards={"spray": ("H-01",), "air": ("H-02",), "enamel": ("H-07",), "oil": ("H-07", "H-09", "H-10")}.get(said.kind, ()),
            said=said,
    )  # fmt: skip


def checked_own(said: OwnPaint, where: str = "") -> OwnPaint:
    """What is said of a paint, if a paint can follow from it.

    Raises: OutOfRange for name, volume, contrast or colour, or without a colour; UnknownName for kind, finish or reading.
    """
    if not said.name.strip() or len(said.name) > MOST_NAME:
        raise OutOfRange(f"The name has {len(said.name)} signs; allowed is 1 to {MOST_NAME}.", f"{where}name")
    if said.kind not in SOLIDS:
        raise UnknownName("kind of paint", said.kind, list(SOLIDS), f"{where}kind")
    if said.finish not in FINISHES:
        raise UnknownName("finish", said.finish, list(FINISHES), f"{where}finish")
    if not 0 < said.volume <= MOST_VOLUME:
        raise OutOfRange(
            f"A pot of {said.volume:g} ml; allowed is more than 0, up to {MOST_VOLUME:g}.", f"{where}volume"
        )
    for one in said.readings:
        if one.kind not in READING_KINDS:
            raise UnknownName("reading", one.kind, list(READING_KINDS), f"{where}readings")
        if one.colour is not None:
            checked_colour(one.colour, f"{where}readings")
    if said.kind == "metallic" and not any(one.kind == "opaque" and one.colour for one in said.readings):
        raise OutOfRange("A metal is known by an opaque swatch; give one.", f"{where}readings")
    checked_readings(said.readings)
    return said


@remembered(6_000)
def optics_of_own(readings: tuple[CardReading, ...], kind: str) -> Optics:
    """Absorption and scattering estimated from readings, to six figures."""
    found = estimated(readings, paint(REFERENCE_WHITE).film, SOLIDS[kind])
    return tuple(tuple(float(f"{value:.6g}") for value in one) for one in found)


def _label(said: OwnPaint) -> Lab | None:
    """The colour that the painter gave for its swatch, to the letter."""
    kinds = ("white",) if said.kind in ("wash", "stain", "ink") else ("opaque",)
    return next((one.colour for one in said.readings if one.kind in kinds and one.colour), None)


def _metal(said: OwnPaint) -> Paint:
    """A metal by its opaque swatch, looked at from the side of the light: its other readings tell nothing of flakes."""
    swatch = next(one.colour for one in said.readings if one.kind == "opaque" and one.colour)
    return Paint(
        said.id, said.name.strip(), OWN, "metallic", solids=SOLIDS["metallic"], flake=flake_of(swatch), finish="metallic",
        volume=said.volume, said=said,
    )  # fmt: skip


def checked_colour(colour: Lab, where: str = "") -> Lab:
    """The colour, if a surface can have it.

    Raises: OutOfRange.
    """
    if not (0 <= colour.lightness <= 100 and -130 <= colour.a <= 130 and -130 <= colour.b <= 130):
        raise OutOfRange(
            f"L* {colour.lightness:g}, a* {colour.a:g}, b* {colour.b:g}; L* is 0 to 100, a* and b* are -130 to 130.",
            where,
        )
    return colour


def colour_said(text: str) -> Lab:
    """A colour as it is written: '#rrggbb', or L*, a* and b* with commas or spaces between.

    Raises: Unreadable for neither; OutOfRange for numbers that no surface has.

    >>> colour_said("52.3, 44 -3.9")
    Lab(lightness=52.3, a=44.0, b=-3.9)
    """
    text = text.strip()
    if text.startswith("#"):
        return lab_of_hex(text)
    parts = text.replace(";", " ").replace(", ", " ").split() if " " in text else text.split(",")
    try:
        numbers = [float(part) for part in parts]
    except ValueError:
        numbers = []
    if len(numbers) != 3 or not all(map(isfinite, numbers)):
        raise Unreadable(f"'{text[:40]}' is no colour; write #rrggbb, or L*, a* and b* such as 52.3 44 -3.9.", "colour")
    return checked_colour(Lab(*numbers), "colour")


def by_swatch(name: str, kind: str, colour: Lab, opacity: str, **more) -> OwnPaint:
    """What is said by a swatch and a class of opacity; a transparent kind's swatch is a coat over white.

    Raises: UnknownName for the class.
    """
    if opacity not in CLASS_CONTRAST:
        raise UnknownName("class of opacity", opacity, list(CLASS_CONTRAST), "opacity")
    seen = "white" if kind in ("wash", "stain", "ink") else "opaque"
    return OwnPaint(
        name, kind, (CardReading(seen, colour), CardReading("contrast", contrast=CLASS_CONTRAST[opacity])), **more
    )


__all__ = ["OWN", "PAINT_KINDS", "OwnPaint", "by_swatch", "checked_colour", "checked_own", "optics_of_own", "own_paint"]
