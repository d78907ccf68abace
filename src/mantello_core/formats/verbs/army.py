"""Verbs about what there is to paint, with what, and when: rosters, plates, shopping, plans."""

from datetime import datetime

from ...design.design import Design
from ...design.muster import empty_army, with_entries
from ...errors import Unreadable
from ...figures.catalogue import plate, plate_types
from ...figures.synonym import synonyms
from ...figures.vocabulary import spoken
from ...paints.shopping import RESERVE, shopping
from ...paints.stock import Stock
from ...planning.plan import plan
from ...planning.subject import subject_of
from ...planning.undercoating import undercoat_advice
from ...planning.validating import Painted, faults_of
from ...scheme.cascade import resolve
from ...scheme.scheme import Scheme
from ...scheme.share import paint_needed
from ..document.design import read_design, write_design
from ..document.ground import write_ground
from ..roster import read_roster
from ..validation import check


def roster(document: dict) -> dict:
    """roster text to its lines with what is doubtful, and the design of an army made of the rest"""
    check(document, "roster")
    lines = read_roster(document["text"])
    name = document.get("name", "New army")
    design = with_entries(Design(empty_army(name), Scheme("Scheme")), [line.entry for line in lines if line.entry])
    return {
        "lines": [
            {"number": line.number, "values": line.values, "doubts": line.doubts, "taken": line.entry is not None}
            for line in lines
        ],
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


def validated(document: dict) -> dict:
    """design, a start and a plan to whether the plan is legal, and every rule that it breaks"""
    check(document, "validate-plan")
    design: Design = read_design(document["design"])
    units = tuple(document.get("units", ()))
    for index, unit in enumerate(units):
        design.army.node(unit, f"/units/{index}")
    stretches = [
        _stretch(block, f"/plan/sessions/{at}/blocks/{number}")
        for at, session in enumerate(document["plan"]["sessions"])
        for number, block in enumerate(session["blocks"])
    ]
    resolution = resolve(design.army, design.scheme)
    complete = not document["plan"].get("unplaced", 0)
    faults = faults_of(
        design, resolution, _moment(document["start"], "/start"), stretches, units=units, complete=complete
    )
    counts: dict[str, int] = {}
    for one in faults:
        counts[one.rule] = counts.get(one.rule, 0) + 1
    return {
        "legal": not faults,
        "blocks": len(stretches),
        "counts": counts,
        "faults": [{"rule": one.rule, "what": one.what} for one in faults[:200]],
    }


def _stretch(block: dict, where: str) -> Painted:
    return Painted(
        _moment(block["start"], f"{where}/start"), _moment(block["end"], f"{where}/end"),
        block.get("opening_seconds", 0.0), block["pot"], block["unit"],
        tuple((one["rank"], one["ordinal"]) for one in block["figures"]),
        tuple((one["rank"], subject_of(one["role"]), one["step"]) for one in block["steps"]), block.get("lot", 0),
    )  # fmt: skip


def _moment(text: str, where: str) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError as error:
        raise Unreadable(f"'{text[:30]}' is no date and time; write 2026-11-24T19:00.", where) from error
    if found.tzinfo is not None:
        raise Unreadable(f"'{text[:30]}' has a zone; times are on the painter's clock.", where)
    return found


def planned(document: dict) -> dict:
    """design and a start to the evenings: sessions, blocks, what they wait for, and the bound"""
    check(document, "plan")
    design: Design = read_design(document["design"])
    units = tuple(document.get("units", ()))
    for index, unit in enumerate(units):
        design.army.node(unit, f"/units/{index}")
    start = _moment(document["start"], "/start")
    made = plan(design, start, units=units, horizon=document.get("evenings", 120))
    return {
        "finish": made.finish.isoformat(timespec="minutes") if made.finish else None,
        "desk_minutes": round(made.desk_minutes, 1),
        "bound_minutes": round(made.bound, 1),
        "openings": made.openings,
        "idle_minutes": round(made.idle, 1),
        "unplaced": len(made.unplaced),
        "sessions": [
            {
                "start": session.start.isoformat(timespec="minutes"),
                "end": session.end.isoformat(timespec="minutes"),
                "blocks": [
                    {
                        "start": block.start.isoformat(timespec="seconds"),
                        "end": block.end.isoformat(timespec="seconds"),
                        "dry_at": block.dry_at.isoformat(timespec="seconds"),
                        "opening": block.opening > 0,
                        "opening_seconds": block.opening,
                        "lot": block.task.lot,
                        "pot": block.task.pot,
                        "unit": block.task.unit,
                        "figures": [{"rank": rank, "ordinal": ordinal} for rank, ordinal in block.figures],
                        "steps": [
                            {
                                "rank": atom.rank,
                                "role": atom.subject.text,
                                "step": atom.step,
                                "name": atom.name,
                                "coats": atom.coats,
                            }
                            for atom in block.task.atoms
                        ],
                    }
                    for block in made.of(index)
                ],
            }
            for index, session in enumerate(made.sessions)
            if made.of(index)
        ],
        "relaxed": [{"rule": one.edge.rule.id, "why": one.why} for one in made.relaxed],
    }
