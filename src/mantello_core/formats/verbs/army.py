"""Verbs about what there is to paint, with what, and when: rosters, plates, shopping, plans."""

from ...design.design import Design
from ...design.muster import empty_army, with_entries
from ...figures.catalogue import plate, plate_types
from ...figures.synonym import synonyms
from ...figures.vocabulary import spoken
from ...paints.shopping import RESERVE, shopping
from ...paints.stock import Stock
from ...planning.undercoating import undercoat_advice
from ...scheme.cascade import resolve
from ...scheme.scheme import Scheme
from ...scheme.share import paint_needed
from ..document.design import read_design, write_design
from ..document.ground import write_ground
from ..roster.reading import read_roster
from ..roster.repeats import with_repeats_asked
from ..validation import check


def roster(document: dict) -> dict:
    """roster text to its lines with what is doubtful, what it says besides, and the design of an army made of the rest"""
    check(document, "roster")
    found = read_roster(document["text"], None, document.get("header"), document.get("columns"))
    lines = with_repeats_asked(found.lines, empty_army("army"))
    name = document.get("name", "New army")
    design = with_entries(Design(empty_army(name), Scheme("Scheme")), [line.entry for line in lines if line.entry])
    return {
        "lines": [
            {"number": line.number, "values": line.values, "doubts": line.doubts, "taken": line.entry is not None}
            for line in lines
        ],
        "told": [{"number": one.number, "text": one.text, "kind": one.kind, "words": one.words} for one in found.told],
        "columns": list(found.table.columns) if found.table else [],
        "figures": design.army.figures,
        "design": write_design(design),
    }


def bought(document: dict) -> dict:
    """design, and the pots that are owned, to what it takes of every paint and what must be bought"""
    check(document, "shopping")
    design = read_design(document["design"])
    shelf = {
        design.catalogue.paint(id_, f"/shelf/{id_}").id: Stock(float(pots))
        for id_, pots in document.get("shelf", {}).items()
    }
    needed = paint_needed(design.scheme, resolve(design.army, design.scheme))
    return {
        "paints": [
            {
                "paint": one.paint.id,
                "takes_ml": round(one.takes, 3),
                "with_reserve_ml": round(one.wanted, 3),
                "owned_ml": round(one.owned, 3),
                "buy_pots": one.pots,
            }
            for one in shopping(needed, shelf, design.catalogue, document.get("reserve", RESERVE))
        ],
    }


def undercoated(document: dict) -> dict:
    """design to the coats, minutes and hard colours of every undercoat, the quickest first"""
    check(document, "undercoat")
    design = read_design(document["design"])
    return {
        "undercoats": [
            {
                **{"above": "", "pot_coat": ""} | write_ground(one.ground),
                "look": one.look,
                "coats": one.cost.coats,
                "minutes": round(one.cost.minutes, 1),
                "hard": [{"role": role.id, "coats": role.coats} for role in one.hard],
                "lost": [{"role": role.id, "difference": round(role.reached.apart, 1)} for role in one.lost],
                "missed_recesses": round(one.glare, 1),
            }
            for one in undercoat_advice(design, resolve(design.army, design.scheme))
        ],
    }


def plates(document: dict) -> dict:
    """the plates: types, areas, mm² and neighbours"""
    check(document, "plates")
    wanted = (document["type"],) if "type" in document else plate_types()
    return {"plates": [_plate(plate(type_id)) for type_id in wanted]}


def _plate(shape) -> dict:
    return {
        "type": shape.id,
        "title": shape.title,
        "kind": shape.kind,
        "views": [view.name for view in shape.views],
        "areas": [
            {
                "area": area.name,
                "name": spoken(area.name),
                "material": area.material,
                "mm2": area.mm2,
                "surface_mm2": area.surface_mm2,
                "synonyms": list(synonyms(area.name)),
                "visibility": area.visibility,
                "depth": area.depth,
                "edge_exposure": area.edge_exposure,
                "neighbours": shape.neighbours[area.name],
            }
            for area in shape.areas.values()
        ],
    }
