"""Verbs about insignia."""

from ...colour.spaces import hex_of, lab_of_hex, mean_lab
from ...errors import Contradiction
from ...insignia.arms.arms_drawing import drawn_arms
from ...insignia.arms.blazon import read_blazon
from ...insignia.arms.cadency import cadency
from ...insignia.arms.coat import Coat
from ...insignia.arms.differencing import differenced
from ...insignia.arms.tincture import TINCTURES
from ...insignia.arms.tincture_rule import breaches, keeps_rule
from ...insignia.arms.writing import write_blazon
from ...insignia.devices.freehand import FINEST_LINE
from ...insignia.devices.freehand import freehand as guide_for
from ...insignia.transfers.decal import shaped_decal
from ...insignia.transfers.transfer_sheet import nested, relief
from ..arms_svg import PLAIN_COLOURS, arms_svg
from ..document.arms import as_tree
from ..freehand_svg import stage_svg
from ..transfer_svg import transfer_svg
from ..validation import check

#: width of the surface where none is given, mm
USUAL_WIDTH = 6.5
_PLAIN = {id_: lab_of_hex(text) for id_, text in PLAIN_COLOURS.items()}


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
        "unseen": list(drawing.unseen(width)),
        "svg": arms_svg(drawing, title=write_blazon(arms)),
    }


def difference(document: dict) -> dict:
    """a blazon and a count to differenced arms, as far from each other as found, with the proof"""
    check(document, "difference")
    parent, *pins = (read_blazon(text) for text in (document["blazon"], *document.get("pins", ())))
    if not all(isinstance(one, Coat) for one in (parent, *pins)):
        raise Contradiction("Quartered and impaled arms are not differenced as a whole.", "/blazon")
    if document.get("way") == "cadency":
        found = cadency(parent, document["count"], _colour(_PLAIN))
    else:
        found = differenced(parent, document["count"], _colour(_PLAIN), document.get("seed", 0), pins)
    return {
        "parent": write_blazon(parent),
        "tried": found.tried,
        "smallest": round(found.smallest, 2),
        "smallest_weak": round(found.smallest_weak, 2),
        "differences": [
            {
                "blazon": one.blazon, "how": one.how, "nearest": round(one.nearest, 2),
                "nearest_weak": round(one.nearest_weak, 2), "nearest_to": one.nearest_to,
            }
            for one in found.differences
        ],
    }  # fmt: skip


def freehand(document: dict) -> dict:
    """a blazon, a width and a brush's line to a verdict, a simpler form and every stage drawn"""
    check(document, "freehand")
    width = document.get("width", USUAL_WIDTH)
    drawing = drawn_arms(read_blazon(document["blazon"]), document.get("shape", "heater"))
    guide = guide_for(drawing, width, document.get("line", FINEST_LINE))
    return {
        "verdict": guide.verdict,
        "thinnest_mm": round(guide.thinnest, 3),
        "thinnest_of": guide.thinnest_of,
        "paintable_from_mm": round(guide.paintable_from, 2),
        "changed": dict(guide.changed),
        "lost": list(guide.lost),
        "unseen": list(guide.unseen),
        "stages": [
            {"title": one.title, "words": one.words, "svg": stage_svg(one, drawing.surface)} for one in guide.stages
        ],
    }


def transfers(document: dict) -> dict:
    """blazons with widths and copies to sheets at 1:1 as SVG, colour and white beneath"""
    check(document, "transfers")
    paper, mirrored = document.get("paper", "A5"), document.get("mirrored", False)
    decals = [_decal(one) for one in document["marks"]]
    laid = nested(decals, paper)
    sheets = max((one.sheet for one in laid), default=-1) + 1
    return {
        "paper": paper,
        "pieces": len(laid),
        "sheets": [
            {
                "colour": transfer_svg(laid, paper, sheet, mirrored=mirrored),
                "white": transfer_svg(laid, paper, sheet, layer="white", mirrored=mirrored),
            }
            for sheet in range(sheets)
        ],
        "cuts": [
            {
                "mark": one["blazon"],
                "cuts": cut.cuts,
                "depth_mm": round(cut.depth, 2),
                "excess_mm": round(cut.excess, 3),
            }
            for one in document["marks"]
            if "dome" in one
            for cut in [relief(one["width"], one["dome"])]
        ],
    }


def _decal(one: dict):
    drawing = drawn_arms(read_blazon(one["blazon"]), one.get("shape", "heater"))
    return shaped_decal(
        one.get("label", one["blazon"][:40]), drawing, (drawing.scale(one["width"]),) * 2,
        lambda id_: hex_of(_colour(_PLAIN)(id_)), one.get("copies", 1), dark=one.get("dark", False),
    )  # fmt: skip


def _colour(colours: dict):
    """How a tincture looks; a fur by the middle of what it is made of."""

    def colour(id_: str):
        made_of = TINCTURES[id_].made_of
        return mean_lab([colours[one] for one in made_of], [0.8, 0.2]) if made_of else colours[id_]

    return colour
