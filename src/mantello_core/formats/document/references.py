"""Whether everything that a scheme names is there."""

from collections.abc import Iterable

from ...army.tree import Army
from ...errors import Contradiction
from ...insignia.devices.device import ARMS
from ...passes.piece import RESERVED
from ...scheme.scheme import Scheme
from ...scheme.selector import checked_selector
from .recipes import refuse_twice


def check_references(army: Army, scheme: Scheme) -> None:
    """Refuse ids that occur twice, and names of what is not there.

    Raises: Contradiction, UnknownName or Unreadable with a JSON pointer.
    """
    for name, kind in (
        ("roles", "role"), ("rules", "rule"), ("patterns", "pattern"), ("tables", "table"), ("code_systems", "marking system"), ("arms", "arms"),
    ):  # fmt: skip
        refuse_twice([one.id for one in getattr(scheme, name)], f"/scheme/{name}", kind)
    _check_rules(army, scheme)
    _check_marks(army, scheme)
    _check_arms(army, scheme)
    for index, role in enumerate(scheme.roles):
        for tier, recipe in role.recipes:
            for at, step in enumerate(recipe.steps):
                if step.spot and step.spot.beside:
                    scheme.role(step.spot.beside, f"/scheme/roles/{index}/recipes/{tier}/{at}/place/beside")
    for name in ("accents", "signatures"):
        _check_roles(scheme, getattr(scheme.aims, name), f"/scheme/aims/{name}")
    for name in ("focus", "quiet"):
        _check_selectors(getattr(scheme.aims, name), f"/scheme/aims/{name}")
    for index, table in enumerate(scheme.tables):
        _check_table(army, scheme, table, f"/scheme/tables/{index}")


def check_work(army: Army, scheme: Scheme) -> None:
    """Refuse passes and choices of the order that name nodes there are not, or passes that take the id of other work.

    Raises: Contradiction or UnknownName with a JSON pointer.
    """
    taken = {*RESERVED, *(one.id for one in scheme.finishing.dirt)}
    for index, one in enumerate(scheme.passes):
        where = f"/scheme/passes/{index}"
        if one.scope:
            army.node(one.scope, f"{where}/scope")
        if one.id in taken:
            raise Contradiction(f"'{one.id}' is the id of other work on all figures; choose another.", f"{where}/id")
    for name in ("moved", "rules"):
        for index, one in enumerate(getattr(scheme.order, name)):
            if one.scope:
                army.node(one.scope, f"/scheme/order/{name}/{index}/scope")
    for index, run in enumerate(scheme.order.runs):
        for at, unit in enumerate(run.units):
            army.node(unit, f"/scheme/order/runs/{index}/units/{at}")
    for at, unit in enumerate(scheme.order.alone):
        army.node(unit, f"/scheme/order/alone/{at}")


def _check_rules(army: Army, scheme: Scheme) -> None:
    for index, rule in enumerate(scheme.rules):
        where = f"/scheme/rules/{index}"
        army.node(rule.scope, f"{where}/scope")
        _check_roles(scheme, [rule.role], f"{where}/role")
        if rule.pattern:
            scheme.pattern(rule.pattern, f"{where}/pattern")
        _check_selectors(rule.select, f"{where}/select")
    for index, one in enumerate(scheme.substitutions):
        where = f"/scheme/substitutions/{index}"
        army.node(one.scope, f"{where}/scope")
        scheme.role(one.role, f"{where}/role")
        scheme.role(one.use, f"{where}/use")


def _check_marks(army: Army, scheme: Scheme) -> None:
    for index, one in enumerate(scheme.placements):
        where = f"/scheme/placements/{index}"
        army.node(one.scope, f"{where}/scope")
        if one.device and one.device.kind == ARMS:
            scheme.named_arms(one.device.text, f"{where}/device/text")
        elif one.device:
            scheme.role(one.role, f"{where}/role")
        _check_roles(scheme, (one.manner.ground, one.manner.outline), f"{where}/manner")
    for index, one in enumerate(scheme.code_systems):
        for role in one.roles:
            scheme.role(role, f"/scheme/code_systems/{index}")


def _check_arms(army: Army, scheme: Scheme) -> None:
    for index, one in enumerate(scheme.arms):
        if one.bearer:
            army.node(one.bearer, f"/scheme/arms/{index}/bearer")
        for _, role in one.bound:
            scheme.role(role, f"/scheme/arms/{index}/bound")


def _check_table(army: Army, scheme: Scheme, table, where: str) -> None:
    refuse_twice([column.id for column in table.columns], f"{where}/columns", "column")
    for column in table.columns:
        _check_selectors(column.select, f"{where}/columns")
    for at, cell in enumerate(table.cells):
        if table.key != "rank":
            army.node(cell.row, f"{where}/cells/{at}/row")
        _check_roles(scheme, [cell.role], f"{where}/cells/{at}/role")
        if cell.pattern:
            scheme.pattern(cell.pattern, f"{where}/cells/{at}/pattern")


def _check_roles(scheme: Scheme, roles: Iterable[str | None], where: str) -> None:
    """Refuse roles that are not there; none named is fine."""
    for role in roles:
        if role:
            scheme.role(role, where)


def _check_selectors(selectors: Iterable[str], where: str) -> None:
    for selector in selectors:
        checked_selector(selector, where)
