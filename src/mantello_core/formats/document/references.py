"""Whether everything that a scheme names is there."""

from ...army.tree import Army
from ...insignia.devices.device import ARMS
from ...scheme.scheme import Scheme
from ...scheme.selector import checked_selector
from .recipes import refuse_twice


def check_references(army: Army, scheme: Scheme) -> None:
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
