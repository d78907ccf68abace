"""Take another army's scheme over: roles matched by name, rules by the names of their formations."""

from dataclasses import dataclass, replace

from ..army.rank_id import rank_ids_there
from ..insignia.devices.device import ARMS
from ..marks.named_arms import MOST_ARMS
from ..marks.unit_codes import taken_over
from ..naming import slug
from ..scheme.rule import Rule, TableCell
from .design import Design


@dataclass(frozen=True)
class Transfer:
    """What taking a scheme over gives, and what had no place."""

    design: Design
    #: names of roles that were there under the same name and now have the other's recipes
    matched: tuple[str, ...]
    #: names of roles that were added
    added: tuple[str, ...]
    #: rules and table rows taken
    taken: int
    #: rules of the other scheme whose formation is not here
    left: tuple[Rule, ...]
    #: table rows whose formation is not here: table and row
    left_rows: tuple[tuple[str, str], ...]


def transferred(here: Design, other: Design) -> Transfer:
    """The design with the scheme of another laid over its own.

    A formation of the other army stands for the one here with the same kind and name; its root for the
    root. Nothing of the own scheme goes: rules taken come after it, so they win ties.
    """
    places, ranks = _places(here, other), rank_ids_there(other.army, here.army)
    roles, matched, added = dict(here.scheme.role_by_id), [], []
    names = {role.name.casefold(): role.id for role in here.scheme.roles}
    new_id: dict[str, str] = {"": ""}
    for role in other.scheme.roles:
        known = names.get(role.name.casefold())
        new_id[role.id] = known or slug(role.name, roles)
        (matched if known else added).append(role.name)
        roles[new_id[role.id]] = replace(role, id=new_id[role.id])
    taken_patterns, patterns, pattern_ids = {one.id for one in here.scheme.patterns}, [], {"": ""}
    for one in other.scheme.patterns:
        pattern_ids[one.id] = slug(one.id, taken_patterns)
        taken_patterns.add(pattern_ids[one.id])
        inks = tuple(replace(ink, role=new_id[ink.role]) for ink in one.inks)
        overlays = tuple(replace(layer, role=new_id[layer.role]) for layer in one.overlays)
        if len({ink.role for ink in inks}) == len(inks):
            patterns.append(replace(one, id=pattern_ids[one.id], inks=inks, overlays=overlays, layouts=()))
        else:  # two of its roles are one here
            pattern_ids[one.id] = ""
    taken_ids = {rule.id for rule in here.scheme.rules}
    rules, left = [], []
    for rule in other.scheme.rules:
        if rule.scope not in places or (rule.pattern and not pattern_ids[rule.pattern]):
            left.append(rule)
            continue
        id_ = slug(rule.id, taken_ids)
        taken_ids.add(id_)
        filter_ = replace(rule.filter, rank=ranks.get(rule.filter.rank, rule.filter.rank))
        rules.append(
            replace(
                rule,
                id=id_,
                scope=places[rule.scope],
                role=new_id[rule.role],
                filter=filter_,
                pattern=pattern_ids[rule.pattern],
            )
        )
    tables, left_rows, rows = list(here.scheme.tables), [], 0
    for table in other.scheme.tables:
        cells = []
        for cell in table.cells:
            if table.key == "rank" or cell.row in places:
                row = ranks.get(cell.row, cell.row) if table.key == "rank" else places[cell.row]
                cells.append(TableCell(row, cell.column, new_id[cell.role], pattern_ids[cell.pattern]))
            else:
                left_rows.append((table.name, other.army.nodes[cell.row].name))
        rows += len(cells)
        tables.append(replace(table, id=slug(table.id, {one.id for one in tables}), cells=tuple(cells)))
    arms_ids, arms = _arms(here, other, places, new_id)
    scheme = replace(
        here.scheme,
        roles=tuple(roles.values()),
        patterns=(*here.scheme.patterns, *patterns),
        rules=(*here.scheme.rules, *rules),
        tables=tuple(tables),
        ground=other.scheme.ground,
        grounds=tuple(
            replace(one, unit=places[one.unit] if one.unit else "")
            for one in other.scheme.grounds
            if not one.unit or one.unit in places
        ),
        placements=(*here.scheme.placements, *_placements(here, other, places, new_id, arms_ids, ranks)),
        arms=(*here.scheme.arms, *arms),
        code_systems=(*here.scheme.code_systems, *_code_systems(here, other, places, new_id, ranks)),
    )
    left_rows = tuple(dict.fromkeys(left_rows))
    return Transfer(
        replace(here, scheme=scheme), tuple(matched), tuple(added), len(rules) + rows, tuple(left), left_rows
    )


def _arms(here: Design, other: Design, places: dict[str, str], new_id: dict[str, str]):
    """The other's arms with the ids they get here; a bearer who is not here bears nothing."""
    taken, ids, arms = {one.id for one in here.scheme.arms}, {}, []
    for one in other.scheme.arms[: MOST_ARMS - len(here.scheme.arms)]:
        ids[one.id] = slug(one.id, taken)
        taken.add(ids[one.id])
        bound = tuple((tincture, new_id[role]) for tincture, role in one.bound)
        arms.append(replace(one, id=ids[one.id], bound=bound, bearer=places.get(one.bearer, "")))
    return ids, arms


def _code_systems(here: Design, other: Design, places, new_id, ranks):
    """The other's marking systems whose scope is here, with the codes of those who are here too."""
    taken = {one.id for one in here.scheme.code_systems}
    for one in other.scheme.code_systems:
        if one.scope in places:
            id_ = slug(one.id, taken)
            taken.add(id_)
            yield taken_over(replace(one, id=id_, scope=places[one.scope]), places, new_id, ranks)


def _placements(here: Design, other: Design, places, new_id, arms_ids, ranks):
    """The other's devices whose formation is here; they come after the own ones, so they win ties."""
    taken = {one.id for one in here.scheme.placements}
    for one in other.scheme.placements:
        device = one.device
        if device and device.kind == ARMS:
            device = replace(device, text=arms_ids[device.text]) if device.text in arms_ids else None
        if one.scope in places and (device or not one.device):
            id_ = slug(one.id, taken)
            taken.add(id_)
            role = new_id[one.role] if one.role else ""
            beneath = {name: new_id[named] for name in ("ground", "outline") if (named := getattr(one.manner, name))}
            manner = replace(one.manner, **beneath)
            filter_ = replace(one.filter, rank=ranks.get(one.filter.rank, one.filter.rank))
            yield replace(one, id=id_, scope=places[one.scope], device=device, role=role, manner=manner, filter=filter_)


def _places(here: Design, other: Design) -> dict[str, str]:
    """Nodes of the other army to those here: by the names on the way down to them, else by kind and name alone."""
    mine, ways = {}, {}
    for node in here.army.nodes.values():
        mine.setdefault((node.kind, node.name.casefold()), node.id)
        ways[_way(here, node.id)] = node.id
    places = {other.army.root.id: here.army.root.id}
    for node in other.army.nodes.values():
        found = ways.get(_way(other, node.id)) or mine.get((node.kind, node.name.casefold()))
        if found:
            places.setdefault(node.id, found)
    return places


def _way(design: Design, node_id: str) -> tuple[str, ...]:
    nodes = design.army.nodes
    return tuple(nodes[id_].name.casefold() for id_ in design.army.paths[node_id][1:])
