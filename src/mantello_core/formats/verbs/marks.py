"""Verbs about insignia."""

from ...insignia.arms_drawing import drawn_arms
from ...insignia.blazon import read_blazon, write_blazon
from ...insignia.rule import breaches, keeps_rule
from ..arms import as_tree
from ..arms_svg import arms_svg
from ..validation import check

#: width of the surface where none is given, mm
USUAL_WIDTH = 6.5


def blazon(document: dict) -> dict:
    """a blazon to its tree, canonical text, drawing, mm² of every tincture and the rule of tincture"""
    check(document, "blazon")
    arms = read_blazon(document["blazon"])
    drawing = drawn_arms(arms, document.get("shape", "heater"), mirrored=document.get("mirrored", False))
    width = document.get("width", USUAL_WIDTH)
    thin, of = drawing.thinnest(width)
    return {
        "blazon": write_blazon(arms),
        "tree": as_tree(arms),
        "keeps_rule": keeps_rule(arms),
        "breaches": [{"what": one.what, "on": one.on, "excused": one.excused} for one in breaches(arms)],
        "width_mm": width,
        "areas_mm2": {tincture: round(area, 3) for tincture, area in drawing.areas(width).items()},
        "thinnest_mm": round(thin, 3),
        "thinnest_of": of,
        "svg": arms_svg(drawing, title=write_blazon(arms)),
    }
