"""Marking systems as part of the design document."""

from dataclasses import fields

from ...insignia.devices.device import Device, checked_device
from ...insignia.devices.manner import Manner, checked_manner
from ...insignia.systems.code import Code, CodePlan, checked_plan
from ...marks.unit_codes import CodeSystem, Held, Retired
from .pointer import at


def write_code_system(one: CodeSystem) -> dict:
    """A system, JSON-ready; what is as usual is left out."""
    plan = {name: _plain(value) for name, value in vars(one.plan).items() if value != _USUAL_PLAN[name]}
    written = {
        "id": one.id, "name": one.name, "site": one.site, "bearers": one.bearers, "scope": one.scope, "plan": plan,
        "held": [_code(each.code) | {"holder": each.holder, "name": each.name} | ({"pinned": True} if each.pinned else {})
                 for each in one.held],
    }  # fmt: skip
    if one.type:
        written["type"] = one.type
    manner = {name: value for name, value in vars(one.manner).items() if value != getattr(Manner(), name)}
    if manner:
        written["manner"] = manner
    if one.retired:
        written["retired"] = [_code(each.code) | {"name": each.name, "why": each.why} for each in one.retired]
    if one.rank_marks:
        written["ranks"] = {
            "site": one.rank_site, "role": one.rank_role,
            "marks": [{"rank": rank, "device": kind} for rank, kind in one.rank_marks],
        }  # fmt: skip
    return written


def read_code_system(data: dict, where: str) -> CodeSystem:
    """The system of a document whose shape is right. Nodes and roles are for the design's reader to check.

    Raises: what its parts refuse, with the place.
    """
    with at(where):
        plan = checked_plan(CodePlan(**{name: _tuple(value) for name, value in data["plan"].items()}))
        manner = checked_manner(Manner(**data.get("manner", {})), Device("text", "1"))
        held = tuple(
            Held(one["holder"], _read_code(one), one["name"], one.get("pinned", False)) for one in data["held"]
        )
        retired = tuple(Retired(_read_code(one), one["name"], one["why"]) for one in data.get("retired", ()))
        for one in (*held, *retired):
            checked_device(one.code.device)
        ranks = data.get("ranks", {"site": "", "role": "", "marks": []})
        for one in ranks["marks"]:
            checked_device(Device(one["device"]))
    return CodeSystem(
        data["id"], data["name"], plan, data["site"], data["bearers"], data["scope"], data.get("type", ""), manner, held,
        retired, ranks["site"], ranks["role"], tuple((one["rank"], one["device"]) for one in ranks["marks"]),
    )  # fmt: skip


_USUAL_PLAN = {one.name: one.default if one.name != "colours" else None for one in fields(CodePlan)}


def _plain(value):
    return list(value) if isinstance(value, tuple) else value


def _tuple(value):
    return tuple(value) if isinstance(value, list) else value


def _code(code: Code) -> dict:
    return {name: value for name, value in vars(code).items() if value}


def _read_code(data: dict) -> Code:
    return Code(data["colour"], data.get("frame", ""), data.get("sign", ""))
