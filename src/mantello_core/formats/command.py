"""The verbs of the command line: JSON in, JSON out; see docs/formats/."""

import json
from collections.abc import Callable
from datetime import datetime

from ..colour.spaces import Lab, hex_of, on_screen
from ..errors import MantelloError, OutOfRange, Unreadable
from ..figures.catalogue import plate, plate_types
from ..figures.vocabulary import spoken
from ..paints.range import paint
from ..planning.plan import plan
from ..recipes.coverage import coverage, tolerance_of
from ..recipes.step import Mix, Step, checked
from ..recipes.surface import solid
from ..recipes.undercoat import undercoats
from ..schemes.army import Figure
from ..schemes.cascade import Verdict, ladder, resolve
from ..schemes.inspection.finding import Finding
from ..schemes.inspection.harmony import harmony_of
from ..schemes.inspection.inspect import inspect
from ..schemes.muster import empty_army, with_entries
from ..schemes.scheme import Design, Scheme
from .document import read_design, write_design
from .roster import read_roster
from .validation import check

#: exit statuses
GOOD, BAD_INPUT = 0, 2
MOST_BYTES = 8_000_000


def answer(verb: str, data: bytes) -> tuple[int, str]:
    """Exit status and the JSON text a verb answers its input with. Refusals are answers too."""
    try:
        if verb == "help":
            return GOOD, "".join(f"{name:8} {function.__doc__.splitlines()[0]}\n" for name, function in VERBS.items())
        if verb not in VERBS:
            raise Unreadable(f"'{verb}' is no verb; there are {', '.join(VERBS)}.", "verb")
        return GOOD, _text(VERBS[verb](_parsed(data)))
    except MantelloError as error:
        return BAD_INPUT, _text({"error": {"kind": error.kind, "message": error.message, "where": error.where}})


def _parsed(data: bytes) -> object:
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The input has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "input")
    try:
        return json.loads(data.decode("utf-8-sig") or "{}")
    except UnicodeDecodeError as error:
        raise Unreadable(f"The input is not UTF-8 text: byte {error.start} is not allowed.", "input") from error
    except json.JSONDecodeError as error:
        raise Unreadable(
            f"The input is not JSON: {error.msg}.", f"line {error.lineno}, column {error.colno}"
        ) from error
    except RecursionError as error:
        raise Unreadable("The input is nested too deeply.", "input") from error


def _text(value: object) -> str:
    return json.dumps(value, indent=1, ensure_ascii=False) + "\n"


def _resolved(document: dict) -> dict:
    """design (and a figure) to the role of every area, with the ladder of that figure"""
    check(document, "resolve")
    design = read_design(document["design"])
    resolution = resolve(design.army, design.scheme)
    written = {
        "figures": design.army.figures,
        "gaps": sum(len(one.ordinals) for one, _ in resolution.gaps),
        "classes": [
            {
                "unit": one.unit,
                "rank": one.rank,
                "type": one.type,
                "tier": one.tier,
                "ordinals": list(one.ordinals),
                "areas": {
                    name: {"role": cell.role, "rung": cell.rung, "rule": cell.rule.id if cell.rule else None}
                    for name, cell in one.cells.items()
                },
            }
            for one in resolution.classes
        ],
    }
    if "figure" in document:
        figure = Figure(**document["figure"])
        written["ladder"] = {
            "rungs": [
                {"number": rung.number, "kind": rung.kind, "name": rung.name} for rung in design.army.rungs(figure)
            ],
            "areas": {
                area: [_verdict(one) for one in ladder(design.army, design.scheme, figure, area)]
                for area in design.army.plate(design.army.rank(figure.unit, figure.rank).type).areas
            },
        }
    return written


def _verdict(one: Verdict) -> dict:
    rule = one.rule
    return {"rule": rule.id, "role": rule.role, "rung": one.rung, "binding": rule.binding, "table": rule.table or None}


def _coats(document: dict) -> dict:
    """mix (and an undercoat) to the coats it takes over every undercoat"""
    check(document, "coats")
    mix = _mix_of(document["mix"], "/mix")
    film, tolerance = mix.film, document.get("tolerance")
    pots = [paint(document["undercoat"], "/undercoat")] if "undercoat" in document else undercoats()
    covers = [(pot, coverage(film, solid(pot.film), mix.dilution, tolerance)) for pot in pots]
    return {
        "mix": mix.words,
        "opacity": film.opacity,
        "tolerance": tolerance or tolerance_of(film),
        "undercoats": [
            {"undercoat": pot.id, "coats": cover.coats, "left": round(cover.left, 3)} for pot, cover in covers
        ],
    }


def _mixed(document: dict) -> dict:
    """parts and diluent to the colour, contrast and film of the mix"""
    check(document, "mix")
    mix = _mix_of(document, "")
    film = mix.film
    return {
        "mix": mix.words,
        "colour": _colour(film.masstone),
        "contrast": round(film.contrast, 4),
        "opacity": film.opacity,
        "coat_micrometres": round(film.thickness(mix.dilution), 3),
    }


def _planned(document: dict) -> dict:
    """design and a start to the evenings: sessions, blocks, what they wait for, and the bound"""
    check(document, "plan")
    design: Design = read_design(document["design"])
    units = tuple(document.get("units", ()))
    for index, unit in enumerate(units):
        design.army.node(unit, f"/units/{index}")
    try:
        start = datetime.fromisoformat(document["start"])
    except ValueError as error:
        raise Unreadable(f"'{document['start']}' is no date and time; write 2026-11-24T19:00.", "/start") from error
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
                        "pot": block.task.pot,
                        "unit": block.task.unit,
                        "figures": [{"rank": rank, "ordinal": ordinal} for rank, ordinal in block.figures],
                        "steps": [
                            {
                                "rank": atom.rank,
                                "role": atom.role,
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


def _checks(document: dict) -> dict:
    """design to every check with its findings, the fixes proposed, and the colours described"""
    check(document, "checks")
    design = read_design(document["design"])
    resolution = resolve(design.army, design.scheme)
    found = harmony_of(design, resolution)
    return {
        "checks": [
            {
                "check": one.id,
                "name": one.name,
                "verdict": one.verdict,
                "worst": one.worst,
                "rule": one.rule,
                "thresholds": {name: design.scheme.aims.threshold(name) for name in one.thresholds},
                "findings": [_finding(finding) for finding in one.findings],
                "accepted": [_finding(finding) | {"note": note} for finding, note in one.accepted],
            }
            for one in inspect(design, resolution)
        ],
        "harmony": {
            "neutral_share": round(found.neutral, 4),
            "relation": found.relation,
            "temperature": found.temperature,
            "hues": [
                {"role": hue.role, "hue": round(hue.colour.hue, 1), "share": round(hue.share, 4)} for hue in found.hues
            ],
        },
    }


def _finding(one: Finding) -> dict:
    place = {"unit": one.unit, "rank": one.rank, "ordinal": one.ordinal, "area": one.area} if one.unit else None
    return {
        "key": one.key,
        "what": one.what,
        "number": round(one.number, 3),
        "place": place,
        "fix": one.fix.words if one.fix else None,
    }


def _roster(document: dict) -> dict:
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


def _plates(document: dict) -> dict:
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
                "neighbours": shape.neighbours[area.name],
            }
            for area in shape.areas.values()
        ],
    }


def _mix_of(data: dict, where: str) -> Mix:
    parts = tuple((part["paint"], float(part["parts"])) for part in data["parts"])
    mix = Mix(parts, data.get("diluent", "neat"), float(data.get("diluent_parts", 0)))
    try:
        return checked(Step("mix", "base", mix)).mix
    except MantelloError as error:
        error.where = error.where.replace("/mix", where, 1)
        raise


def _colour(lab: Lab) -> dict:
    return {
        "lab": [round(value, 2) for value in lab],
        "hex": hex_of(lab),
        "on_screen": on_screen(lab),
    }


VERBS: dict[str, Callable[[dict], dict]] = {
    "resolve": _resolved,
    "coats": _coats,
    "mix": _mixed,
    "checks": _checks,
    "roster": _roster,
    "plan": _planned,
    "plates": _plates,
}
