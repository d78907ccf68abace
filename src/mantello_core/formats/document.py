"""The design as an open JSON document: army, scheme and evenings; what is written reads back identical."""

import json
from collections.abc import Callable
from dataclasses import replace

from ..army.figure_filter import Filter
from ..army.tree import MOST_FIGURES, Army, Node, Rank
from ..design.brief import Brief, checked_brief
from ..design.design import Design
from ..design.muster import checked_rank
from ..errors import Contradiction, MantelloError, OutOfRange, Unreadable
from ..film.calibration import Calibration, checked_calibration
from ..insignia.devices.device import ARMS, Device, checked_device
from ..insignia.devices.manner import Manner, checked_manner
from ..insignia.transfers.bought_sheet import BoughtSheet, read_designs, write_designs
from ..marks.placement import Placement, checked_placement
from ..paints.catalogue import SHIPPED, Catalogue
from ..paints.own import OWN_ID
from ..scheme.aim import Aims, with_accepted, with_share, with_threshold
from ..scheme.rule import Column, Distinction, Rule
from ..scheme.scheme import Scheme
from ..scheme.selector import checked_selector
from ..scheme.substitution import Substitution
from .arms import read_arms, write_arms
from .code_systems import read_code_system, write_code_system
from .evenings import read_evenings, write_evenings
from .finishing import read_finishing, write_finishing
from .ground import read_ground, write_ground
from .own_paints import read_own_paint
from .own_types import read_types, write_drawings, write_types
from .rank_ids import with_rank_ids
from .recipes import read_role, refuse_twice, write_own_paints, write_role
from .validation import check

FORMAT, VERSION = "mantello-design", 2
#: the largest document that is read, bytes
MOST_BYTES = 12_000_000


def write_design(design: Design, *, drawings: bool = True) -> dict:
    """The document, JSON-ready; see docs/formats/design.md. drawings: whether it carries those of own figure types."""
    army, scheme, evenings = design.army, design.scheme, design.evenings
    return {
        "format": FORMAT,
        "version": VERSION,
        "army": {
            "levels": list(army.levels),
            "root": _node(army.root),
            **({"types": write_types(army.types)} if army.types else {}),
        },
        **({"drawings": write_drawings(army.types)} if army.types and drawings else {}),
        "scheme": {
            "name": scheme.name,
            **write_ground(scheme.ground),
            "roles": [write_role(role) for role in scheme.roles],
            "rules": [_rule(rule) for rule in scheme.rules],
            "tables": [_table(table) for table in scheme.tables],
            **({"substitutions": [vars(one) for one in scheme.substitutions]} if scheme.substitutions else {}),
            **({"aims": _aims(scheme.aims)} if scheme.aims != Aims() else {}),
            **({"placements": [_placement(one) for one in scheme.placements]} if scheme.placements else {}),
            **({"arms": [write_arms(one) for one in scheme.arms]} if scheme.arms else {}),
            **(
                {"code_systems": [write_code_system(one) for one in scheme.code_systems]} if scheme.code_systems else {}
            ),
            **({"finishing": finish} if (finish := write_finishing(scheme.finishing)) else {}),
            **({"calibrations": [vars(one) for one in scheme.calibrations]} if scheme.calibrations else {}),
        },
        "evenings": write_evenings(evenings),
        **({"brief": vars(design.brief)} if design.brief else {}),
        **(
            {"sheets": [vars(one) | {"designs": write_designs(one.designs)} for one in design.sheets]}
            if design.sheets
            else {}
        ),
        **({"paints": own} if (own := write_own_paints(scheme)) else {}),
    }


def design_bytes(design: Design) -> bytes:
    """The document as UTF-8 text, the same bytes for the same design."""
    return (json.dumps(write_design(design), indent=1, ensure_ascii=False) + "\n").encode()


def read_design_bytes(data: bytes, like: dict | None = None) -> Design:
    """A design from a file's bytes. like: the same army's document at another time; see ``with_rank_ids``.

    Raises: Unreadable if it is no such document, OutOfRange if it is too large.
    """
    if len(data) > MOST_BYTES:
        raise OutOfRange(f"The file has {len(data)} bytes; allowed is up to {MOST_BYTES}.", "file")
    try:
        document = json.loads(data.decode("utf-8-sig"))
    except UnicodeDecodeError as error:
        raise Unreadable(f"The file is not UTF-8 text: byte {error.start} is not allowed.", "file") from error
    except json.JSONDecodeError as error:
        place = f"line {error.lineno}, column {error.colno}"
        raise Unreadable(f"The file is not JSON: {error.msg} at {place}.", place) from error
    except RecursionError as error:
        raise Unreadable("The file is nested too deeply to be a design.", "file") from error
    return read_design(document, like=like)


def read_design(
    document: object, drawing_of: Callable[[str], dict | None] | None = None, like: dict | None = None
) -> Design:
    """A design from a parsed document.

    drawing_of: drawings kept elsewhere, by digest; see ``read_types``. like: see ``with_rank_ids``.

    Raises: Unreadable with a JSON pointer if it does not follow the schema; UnknownName, OutOfRange or
    Contradiction if it names what does not exist or says one thing twice.
    """
    _check_texts(document, "")
    check(document, "design")
    document = with_rank_ids(document, like)
    own = [read_own_paint(one, f"/paints/{index}") for index, one in enumerate(document.get("paints", ()))]
    catalogue = SHIPPED.with_own(own)
    army_part, scheme_part = document["army"], document["scheme"]
    types = read_types(army_part.get("types", []), document.get("drawings", {}), drawing_of)
    army = Army(_bare_root(army_part), tuple(army_part["levels"]), types)
    army = replace(army, root=_read_node(army_part["root"], "/army/root", 0, army))
    refuse_twice([node.id for node in army.root.walk()], "/army/root", "formation or unit")
    if army.root.kind != "army":
        raise Contradiction(f"The outermost node is of kind '{army.root.kind}'; it must be 'army'.", "/army/root/kind")
    if army.figures > MOST_FIGURES:
        raise OutOfRange(f"The army has {army.figures} figures; allowed is up to {MOST_FIGURES}.", "/army/root")
    scheme = Scheme(
        name=scheme_part["name"],
        roles=tuple(
            read_role(role, f"/scheme/roles/{index}", catalogue) for index, role in enumerate(scheme_part["roles"])
        ),
        rules=tuple(_read_rule(rule) for rule in scheme_part["rules"]),
        tables=tuple(_read_table(table) for table in scheme_part["tables"]),
        ground=read_ground(scheme_part, catalogue, "/scheme/"),
        substitutions=tuple(Substitution(**one) for one in scheme_part.get("substitutions", ())),
        aims=_read_aims(scheme_part.get("aims", {})),
        placements=_read_placements(scheme_part.get("placements", ())),
        code_systems=tuple(
            read_code_system(one, f"/scheme/code_systems/{index}")
            for index, one in enumerate(scheme_part.get("code_systems", ()))
        ),
        arms=tuple(read_arms(one, f"/scheme/arms/{index}") for index, one in enumerate(scheme_part.get("arms", ()))),
        calibrations=tuple(
            _calibration(one, catalogue, f"/scheme/calibrations/{index}")
            for index, one in enumerate(scheme_part.get("calibrations", ()))
        ),
    )
    _check_references(army, scheme)
    if "finishing" in scheme_part:
        scheme = replace(
            scheme, finishing=read_finishing(scheme_part["finishing"], tuple(scheme.role_by_id), catalogue)
        )
    evenings = document.get("evenings", {})
    brief = read_brief(document["brief"]) if "brief" in document else None
    sheets = tuple(_read_sheet(one, f"/sheets/{index}") for index, one in enumerate(document.get("sheets", ())))
    refuse_twice([one.id for one in sheets], "/sheets", "sheet")
    return Design(army, scheme, read_evenings(evenings, army), brief, sheets)


def read_brief(data: dict, where: str = "/brief") -> Brief:
    """A brief from its mapping; what is not said is as usual.

    Raises: what ``checked_brief`` refuses, with a JSON pointer.
    """
    try:
        return checked_brief(Brief(**data))
    except MantelloError as error:
        error.where = f"{where}/{error.where}"
        raise


def _read_sheet(data: dict, where: str) -> BoughtSheet:
    return BoughtSheet(
        data["id"], data["name"], data["owned"], _placed(read_designs, f"{where}/designs", data["designs"])
    )


def _node(node: Node) -> dict:
    written = {"id": node.id, "kind": node.kind, "name": node.name}
    if node.tags:
        written["tags"] = list(node.tags)
    if node.is_unit:
        written["ranks"] = [
            {"id": rank.id, "name": rank.name, "type": rank.type, "figures": rank.figures, "tier": rank.tier}
            for rank in node.ranks
        ]
    else:
        written["children"] = [_node(child) for child in node.children]
    return written


def _filtered(filter_: Filter) -> dict:
    given = {
        "type": filter_.type, "rank": filter_.rank, "tag": filter_.tag,
        "ordinals": list(filter_.ordinals), "every": filter_.every,
    }  # fmt: skip
    filters = {name: value for name, value in given.items() if value}
    if filter_.every:
        filters["first"] = filter_.first
    return {"filter": filters} if filters else {}


def _placement(one: Placement) -> dict:
    device = (
        {name: value for name, value in vars(one.device).items() if value or name == "text"} if one.device else None
    )
    manner = {name: value for name, value in vars(one.manner).items() if value != getattr(Manner(), name)}
    return {
        "id": one.id, "scope": one.scope, "site": one.site, "device": device, "role": one.role, **_filtered(one.filter),
        **({"manner": manner} if manner else {}),
    }  # fmt: skip


def _rule(rule: Rule) -> dict:
    written = {"id": rule.id, "scope": rule.scope, "select": list(rule.select), "role": rule.role} | _filtered(
        rule.filter
    )
    if rule.binding:
        written["binding"] = True
    if not rule.on:
        written["on"] = False
    return written


def _table(table: Distinction) -> dict:
    return {
        "id": table.id,
        "name": table.name,
        "key": table.key,
        "columns": [{"id": one.id, "name": one.name, "select": list(one.select)} for one in table.columns],
        "cells": [{"row": row, "column": column, "role": role} for row, column, role in table.cells],
    }


def _bare_root(army_part: dict) -> Node:
    return Node(army_part["root"]["id"], army_part["root"]["kind"], army_part["root"]["name"])


def _read_node(data: dict, where: str, depth: int, army: Army) -> Node:
    if depth > 12:
        raise OutOfRange("The tree is more than 12 levels deep.", where)
    ranks = []
    for index, rank in enumerate(data.get("ranks", ())):
        try:
            read = Rank(rank["id"], rank["name"], rank["type"], rank["figures"], rank.get("tier", "rank"))
            ranks.append(checked_rank(read, army))
        except MantelloError as error:
            error.where = f"{where}/ranks/{index}/{error.where}"
            raise
    for given in ([rank.id for rank in ranks], [rank.name for rank in ranks]):
        refuse_twice(given, f"{where}/ranks", "rank")
    is_unit = data["kind"] == "unit"
    if is_unit != ("ranks" in data) or is_unit == ("children" in data):
        raise Contradiction(
            f"'{data['name']}': a unit has ranks and no children, a formation has children and no ranks.", where
        )
    children = tuple(
        _read_node(child, f"{where}/children/{index}", depth + 1, army)
        for index, child in enumerate(data.get("children", ()))
    )
    return Node(data["id"], data["kind"], data["name"], children, tuple(ranks), tuple(data.get("tags", ())))


def _read_filter(given: dict) -> Filter:
    return Filter(
        given.get("type", ""), given.get("rank", ""), given.get("tag", ""), tuple(given.get("ordinals", ())),
        given.get("every", 0), given.get("first", 1),
    )  # fmt: skip


def _read_placements(written: list[dict]) -> tuple[Placement, ...]:
    found: tuple[Placement, ...] = ()
    for index, data in enumerate(written):
        where, device = f"/scheme/placements/{index}", data["device"]
        made = _placed(checked_device, f"{where}/device", Device(**device)) if device else None
        placement = Placement(
            data["id"], data["scope"], data["site"], made, data["role"], _read_filter(data.get("filter", {}))
        )
        if made and "manner" in data:
            manner = checked_manner(Manner(**data["manner"]), made, f"{where}/manner")
            placement = replace(placement, manner=manner)
        found = (*found, _placed(checked_placement, where, placement, found))
    return found


def _read_rule(data: dict) -> Rule:
    filter_ = _read_filter(data.get("filter", {}))
    select = tuple(data["select"])
    return Rule(
        data["id"], data["scope"], select, data["role"], filter_, data.get("binding", False), data.get("on", True)
    )


def _aims(aims: Aims) -> dict:
    usual = Aims()
    written = {
        name: list(getattr(aims, name))
        for name in ("accents", "signatures", "focus", "quiet")
        if getattr(aims, name) != getattr(usual, name)
    }
    if aims.shares:
        written["shares"] = [{"role": role, "share": share} for role, share in aims.shares]
    if aims.thresholds:
        written["thresholds"] = [{"name": name, "value": value} for name, value in aims.thresholds]
    if aims.accepted:
        written["accepted"] = [{"check": check, "finding": key, "note": note} for check, key, note in aims.accepted]
    return written


def _read_aims(data: dict) -> Aims:
    aims = Aims()
    for name in ("accents", "signatures", "focus", "quiet"):
        if name in data:
            aims = replace(aims, **{name: tuple(data[name])})
    for index, one in enumerate(data.get("shares", ())):
        aims = _placed(with_share, f"/scheme/aims/shares/{index}", aims, one["role"], float(one["share"]))
    for index, one in enumerate(data.get("thresholds", ())):
        aims = _placed(with_threshold, f"/scheme/aims/thresholds/{index}", aims, one["name"], float(one["value"]))
    for index, one in enumerate(data.get("accepted", ())):
        place = f"/scheme/aims/accepted/{index}"
        aims = _placed(with_accepted, place, aims, one["check"], one["finding"], one["note"])
    return aims


def _calibration(data: dict, catalogue: Catalogue, where: str) -> Calibration:
    # an own paint that nothing is painted with any more does not come along; what was learnt of it stays
    if not data["paint"].startswith(OWN_ID):
        catalogue.paint(data["paint"], f"{where}/paint")
    return checked_calibration(Calibration(**data), where)


def _placed(change, where: str, *arguments):
    try:
        return change(*arguments)
    except MantelloError as error:
        error.where = where
        raise


def _read_table(data: dict) -> Distinction:
    columns = tuple(Column(one["id"], one["name"], tuple(one["select"])) for one in data["columns"])
    cells = tuple((cell["row"], cell["column"], cell["role"]) for cell in data["cells"])
    return Distinction(data["id"], data["name"], data["key"], columns, cells)


def _check_references(army: Army, scheme: Scheme) -> None:
    refuse_twice([role.id for role in scheme.roles], "/scheme/roles", "role")
    refuse_twice([rule.id for rule in scheme.rules], "/scheme/rules", "rule")
    refuse_twice([table.id for table in scheme.tables], "/scheme/tables", "table")
    for index, rule in enumerate(scheme.rules):
        where = f"/scheme/rules/{index}"
        army.node(rule.scope, f"{where}/scope")
        if rule.role:
            scheme.role(rule.role, f"{where}/role")
        for selector in rule.select:
            checked_selector(selector, f"{where}/select")
    for index, one in enumerate(scheme.substitutions):
        where = f"/scheme/substitutions/{index}"
        army.node(one.scope, f"{where}/scope")
        scheme.role(one.role, f"{where}/role")
        scheme.role(one.use, f"{where}/use")
    for index, one in enumerate(scheme.placements):
        where = f"/scheme/placements/{index}"
        army.node(one.scope, f"{where}/scope")
        if one.device and one.device.kind == ARMS:
            scheme.named_arms(one.device.text, f"{where}/device/text")
        elif one.device:
            scheme.role(one.role, f"{where}/role")
        for name in (one.manner.ground, one.manner.outline):
            if name:
                scheme.role(name, f"{where}/manner")
    refuse_twice([one.id for one in scheme.code_systems], "/scheme/code_systems", "marking system")
    for index, one in enumerate(scheme.code_systems):
        for role in one.roles:
            scheme.role(role, f"/scheme/code_systems/{index}")
    refuse_twice([one.id for one in scheme.arms], "/scheme/arms", "arms")
    for index, one in enumerate(scheme.arms):
        if one.bearer:
            army.node(one.bearer, f"/scheme/arms/{index}/bearer")
        for _, role in one.bound:
            scheme.role(role, f"/scheme/arms/{index}/bound")
    for name in ("accents", "signatures"):
        for role in getattr(scheme.aims, name):
            scheme.role(role, f"/scheme/aims/{name}")
    for name in ("focus", "quiet"):
        for selector in getattr(scheme.aims, name):
            checked_selector(selector, f"/scheme/aims/{name}")
    for index, table in enumerate(scheme.tables):
        where = f"/scheme/tables/{index}"
        refuse_twice([column.id for column in table.columns], f"{where}/columns", "column")
        for column in table.columns:
            for selector in column.select:
                checked_selector(selector, f"{where}/columns")
        for at, (row, _, role) in enumerate(table.cells):
            if table.key != "rank":
                army.node(row, f"{where}/cells/{at}/row")
            if role:
                scheme.role(role, f"{where}/cells/{at}/role")


def _check_texts(value: object, where: str) -> None:
    """Refuse texts that no database or file can hold."""
    if isinstance(value, str):
        bad = next((sign for sign in value if sign == "\x00" or "\ud800" <= sign <= "\udfff"), None)
        if bad is not None:
            raise Unreadable(f"A text holds U+{ord(bad):04X}, which cannot be kept (at {where}).", where)
    elif isinstance(value, dict):
        for name, inner in value.items():
            _check_texts(name, where)
            _check_texts(inner, f"{where}/{name}")
    elif isinstance(value, list):
        for index, inner in enumerate(value):
            _check_texts(inner, f"{where}/{index}")
