"""Verbs about the work: its order, its plan, and whether a plan is legal."""

from collections.abc import Iterable
from datetime import datetime

from ...design.design import Design
from ...errors import Unreadable
from ...order.arranging import GaveWay
from ...order.node import Node
from ...order.phases import phase_list
from ...order.reference import reference_of
from ...order.stacks import Stacks
from ...order.subject import subject_of
from ...planning.compiling import RankSheet, rank_sheets
from ...planning.plan import plan
from ...planning.validating import Painted, faults_of
from ...scheme.cascade import resolve
from ..document.design import read_design
from ..validation import check


def ordered(document: dict) -> dict:
    """design, and perhaps a unit and a rank, to the steps of each rank's figures by phase, with what gave way"""
    check(document, "order")
    design = read_design(document["design"])
    unit, rank = document.get("unit", ""), document.get("rank", "")
    if unit:
        design.army.node(unit, "/unit")
    if rank:
        design.army.rank(unit, rank)
    resolution = resolve(design.army, design.scheme)
    stacks = Stacks(design, resolution)
    sheets = rank_sheets(design, resolution, (unit,) if unit else ())
    return {"ranks": [_ordered(design, sheet, stacks) for sheet in sheets if not rank or sheet.rank == rank]}


def _ordered(design: Design, sheet: RankSheet, stacks: Stacks) -> dict:
    arranged = sheet.arranged
    names = {node.id: node.name for node in arranged.line}
    waits: dict[str, list[str]] = {}
    for bond in arranged.bonds:
        waits.setdefault(bond.after, []).append(names[bond.before])
    atoms = {row.node: row.atom for row in sheet.rows}
    reasons = dict(zip([node.id for node in arranged.line[1:]], arranged.reasons, strict=True))
    phases = phase_list(design).phases
    one = sheet.classes[0]

    def step(node: Node) -> dict:
        atom = atoms[node.id]
        return {
            "what": reference_of(node), "name": node.name, "figures": len(atom.ordinals), "coats": atom.coats,
            "pot": atom.pot, "minutes": round(atom.seconds * len(atom.ordinals) / 60, 1),
            "waits_for": waits.get(node.id, []), "reason": reasons.get(node.id, ""),
        }  # fmt: skip

    return {
        "unit": sheet.unit,
        "rank": sheet.rank,
        "phases": [
            {"id": phase.id, "name": phase.name, "steps": [step(node) for node in arranged.line if node.phase == at]}
            for at, phase in enumerate(phases)
        ],
        "told": list(arranged.told),
        "gave_way": gave_way(arranged.gave_way),
        "moved": [
            {"name": names[id_], "from": phases[move.asked].id, "to": phases[move.stands].id, "why": move.why}
            for id_, move in arranged.moved.items()
        ],
        "stacks": {
            area: [each.id for each in stacks.recipe(one, area).steps] for area, cell in one.cells.items() if cell.role
        },
    }


def gave_way(lost: Iterable[GaveWay]) -> list[dict]:
    """What gave way, JSON-ready."""
    return [
        {"rule": one.bond.rule.id, "name": one.bond.rule.name, "why": one.why, "way_out": one.way_out} for one in lost
    ]


def validated(document: dict) -> dict:
    """design, a start and a plan to whether the plan is legal, and every rule that it breaks"""
    check(document, "validate-plan")
    design, units = _design_and_units(document)
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


def _design_and_units(document: dict) -> tuple[Design, tuple[str, ...]]:
    """What a request is about: its design, and the units it keeps to; none for all."""
    design: Design = read_design(document["design"])
    units = tuple(document.get("units", ()))
    for index, unit in enumerate(units):
        design.army.node(unit, f"/units/{index}")
    return design, units


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
    design, units = _design_and_units(document)
    start = _moment(document["start"], "/start")
    resolution = resolve(design.army, design.scheme)
    made = plan(design, start, units=units, horizon=document.get("evenings", 120), resolution=resolution)
    sheets = rank_sheets(design, resolution, units)
    phases = [phase.id for phase in phase_list(design).phases]
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
                                "step": atom.logged,
                                "name": atom.name,
                                "coat": atom.coat,
                                "of": atom.of,
                                "phase": phases[atom.phase],
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
        "told": list(dict.fromkeys(said for one in sheets for said in one.arranged.told)),
        "gave_way": gave_way(dict.fromkeys(lost for one in sheets for lost in one.arranged.gave_way)),
    }
