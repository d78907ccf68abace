"""Patterns and surfaces that tests of camouflage share."""

from functools import cache

from mantello_core.camouflage.laying import Patterned, patterned
from mantello_core.camouflage.pattern import Ink, Pattern
from mantello_core.camouflage.preparing import surface_of
from mantello_core.camouflage.surface import Surface
from mantello_core.colour.spaces import lab_of_hex
from mantello_core.figures.catalogue import plate

THREE = (Ink("sand", 0.5), Ink("olive", 0.3), Ink("rust", 0.2))
COLOURS = tuple(map(lab_of_hex, ("#c9b183", "#66703f", "#8a5136")))
GROUND = lab_of_hex("#8f8563")
#: one pattern of every family
PATTERNS = {
    one.family: one
    for one in (
        Pattern("estuary", "Estuary blotch", "blotch", THREE, 0.42, "airbrush", 1.0, 18, 1.5, 0.5),
        Pattern("shard", "Harbour splinter", "splinter", THREE, 0.55, "mask", None, 8, 1.6, 0.4),
        Pattern(
            "wader",
            "Wader stripes",
            "stripes",
            (Ink("sand", 0.54), Ink("olive", 0.46)),
            0.26,
            "brush",
            None,
            72,
            1.4,
            0.55,
        ),
        Pattern("leaf", "Leaf dabs", "dabs", THREE, 0.3, "brush", None, 25, 3.2, 0.4),
        Pattern("loft", "Loft lozenge", "lozenge", THREE, 0.34, "mask", None, 0, 1.5, 0.25),
        Pattern("ashlar", "Ashlar blocks", "blocks", THREE, 0.6, "mask", None, 0, 1.2, 0.15),
        Pattern("tessera", "Tessera", "pixels", THREE, 0.5, "mask", None, 0, 1.4, 0.6),
        Pattern("dusk", "Dusk mottle", "mottle", THREE, 0.24, "airbrush", 1.0, 0, 1.25, 0.5),
        Pattern("current", "Current bands", "bands", THREE, 0.42, "airbrush", 0.7, 28, 1.4, 0.5),
        Pattern("regatta", "Regatta dazzle", "dazzle", THREE, 0.3, "mask", None, 20, 1.4, 0.4),
        Pattern("marsh", "Marsh strokes", "strokes", THREE, 0.2, "brush", None, 74, 4.2, 0.3),
    )
}


def tagged(type_id: str) -> frozenset[str]:
    """The areas of a type that are made for camouflage."""
    return frozenset(name for name, tags in plate(type_id).tags.items() if "camo" in tags)


@cache
def car(sites: tuple[str, ...] = ()) -> Surface:
    """The surface of a punt-car."""
    return surface_of(plate("puntcar"), tagged("puntcar"), frozenset(sites))


@cache
def laid(family: str, seed: int = 1, denominator: float = 56.0) -> Patterned:
    """A punt-car in the pattern of a family."""
    return patterned(car(), PATTERNS[family].seeded(seed), denominator)
