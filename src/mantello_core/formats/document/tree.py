"""The army tree as part of the document."""

from dataclasses import replace

from ...army.equipment import Equipment, checked_equipment
from ...army.tree import MOST_FIGURES, Army, Node, Rank
from ...design.muster import checked_rank
from ...errors import Contradiction, OutOfRange
from ...figures.own import OwnType
from .pointer import at
from .recipes import refuse_twice


def write_node(node: Node) -> dict:
    """A formation or unit with all below it, JSON-ready."""
    written = {"id": node.id, "kind": node.kind, "name": node.name}
    if node.tags:
        written["tags"] = list(node.tags)
    if node.equipment:
        written["equipment"] = [dict(vars(one)) for one in node.equipment]
    if node.is_unit:
        written["ranks"] = [
            {"id": rank.id, "name": rank.name, "type": rank.type, "figures": rank.figures, "tier": rank.tier}
            for rank in node.ranks
        ]
    else:
        written["children"] = [write_node(child) for child in node.children]
    return written


def read_army(data: dict, types: tuple[OwnType, ...]) -> Army:
    """An army from its mapping; types: figure types of the painter's own.

    Raises: Contradiction, OutOfRange or UnknownName with a JSON pointer.
    """
    army = Army(_bare_root(data), tuple(data["levels"]), types)
    army = replace(army, root=_read_node(data["root"], "/army/root", 0, army))
    refuse_twice([node.id for node in army.root.walk()], "/army/root", "formation or unit")
    if army.root.kind != "army":
        raise Contradiction(f"The outermost node is of kind '{army.root.kind}'; it must be 'army'.", "/army/root/kind")
    if army.figures > MOST_FIGURES:
        raise OutOfRange(f"The army has {army.figures} figures; allowed is up to {MOST_FIGURES}.", "/army/root")
    return army


def _bare_root(army_part: dict) -> Node:
    return Node(army_part["root"]["id"], army_part["root"]["kind"], army_part["root"]["name"])


def _read_node(data: dict, where: str, depth: int, army: Army) -> Node:
    if depth > 12:
        raise OutOfRange("The tree is more than 12 levels deep.", where)
    ranks = []
    for index, rank in enumerate(data.get("ranks", ())):
        with at(f"{where}/ranks/{index}"):
            read = Rank(rank["id"], rank["name"], rank["type"], rank["figures"], rank.get("tier", "rank"))
            ranks.append(checked_rank(read, army))
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
    equipment = checked_equipment(
        tuple(Equipment(**one) for one in data.get("equipment", ())),
        sum(rank.figures for rank in ranks),
        f"{where}/equipment",
    )
    return Node(data["id"], data["kind"], data["name"], children, tuple(ranks), tuple(data.get("tags", ())), equipment)
