"""Verbs about the scheme: what every area wears and why, what the checks say, and schemes proposed for a brief."""

from ...army.tree import Figure
from ...checks.finding import Check, Finding
from ...checks.harmony import Harmony, harmony_of
from ...checks.inspect import inspect
from ...colour.spaces import lab_of_hex
from ...design.brief import formation_names
from ...errors import MantelloError
from ...proposals.proposal import MOST, SCHOOLS, Proposal, army_for_brief, proposals
from ...scheme.cascade import Verdict, ladder, resolve
from ..document.design import read_brief, read_design, write_design
from ..validation import check
from .paint import colour_mapping


def resolved(document: dict) -> dict:
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
    return {
        "rule": rule.id,
        "role": rule.role,
        **({"pattern": rule.pattern} if rule.pattern else {}),
        "rung": one.rung,
        "binding": rule.binding,
        "table": rule.table or None,
    }


def checks(document: dict) -> dict:
    """design to every check with its findings, the fixes proposed, and the colours described"""
    check(document, "checks")
    design = read_design(document["design"])
    resolution = resolve(design.army, design.scheme)
    return {
        "checks": [_check(one, design.scheme.aims) for one in inspect(design, resolution)],
        "harmony": _harmony(harmony_of(design, resolution)),
    }


def proposed(document: dict) -> dict:
    """brief (and seeds, or an army) to schemes computed for its formations, each with its checks"""
    check(document, "propose")
    brief = read_brief(document.get("brief", {}))
    seeds = []
    for index, text in enumerate(document.get("seeds", ())):
        try:
            seeds.append(lab_of_hex(text))
        except MantelloError as error:
            error.where = f"/seeds/{index}"
            raise
    if "design" in document:
        army = read_design(document["design"]).army
    else:
        army = army_for_brief(document.get("name", "New army"), brief, formation_names("", brief.formations))
    found = proposals(army, brief, tuple(seeds), document.get("count", MOST))
    return {"brief": vars(brief), "proposals": [_proposal(one) for one in found]}


def _proposal(one: Proposal) -> dict:
    scheme = one.design.scheme
    return {
        "title": one.title,
        "school": SCHOOLS[one.school][0],
        "plain": list(one.plain),
        "reasons": list(one.reasons),
        "roles": [
            {
                "role": role.id,
                "name": role.name,
                "paint": role.recipe().base.mix.paints[0].id,
                "colour": colour_mapping(role.recipe().base.mix.film.masstone),
            }
            for role in scheme.roles
        ],
        "checks": [_check(check_, scheme.aims) for check_ in one.checks],
        "harmony": _harmony(one.harmony),
        "design": write_design(one.design),
    }


def _check(one: Check, aims) -> dict:
    return {
        "check": one.id,
        "name": one.name,
        "verdict": one.verdict,
        "worst": one.worst,
        "rule": one.rule,
        "thresholds": {name: aims.threshold(name) for name in one.thresholds},
        "findings": [_finding(finding) for finding in one.findings],
        "accepted": [_finding(finding) | {"note": note} for finding, note in one.accepted],
    }


def _harmony(found: Harmony) -> dict:
    return {
        "neutral_share": round(found.neutral, 4),
        "relation": found.relation,
        "temperature": found.temperature,
        "hues": [
            {"role": hue.role, "hue": round(hue.colour.hue, 1), "share": round(hue.share, 4)} for hue in found.hues
        ],
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
