"""Edits of the army tree: units and formations added, renamed, counted, moved and removed."""

from dataclasses import dataclass, replace

from ..army.equipment import Equipment, checked_equipment
from ..army.rank_id import rank_id_for
from ..army.tree import MOST_FIGURES, TIERS, Army, Node, Rank
from ..calendar.evenings import checked_evenings
from ..errors import Contradiction, OutOfRange, UnknownName
from ..naming import named, slug
from .design import Design


@dataclass(frozen=True)
class Entry:
    """One line of a roster: some figures of one rank of one unit, all by their names."""

    unit: str
    type: str
    rank: str
    figures: int
    #: formations from below the army down to the unit's, outermost first
    path: tuple[str, ...] = ()
    tier: str = "rank"
    #: '2027-03-01' by which the unit is wanted; '' for with the army
    due: str = ""


def checked_rank(rank: Rank, army: Army) -> Rank:
    """The rank, if it is allowed in an army.

    Raises: UnknownName for type or tier, OutOfRange for the count or the name.
    """
    if rank.type not in army.type_titles:
        raise UnknownName("figure type", rank.type, list(army.type_titles), "type")
    if rank.tier not in TIERS:
        raise UnknownName("tier", rank.tier, list(TIERS), "tier")
    if not 1 <= rank.figures <= MOST_FIGURES:
        raise OutOfRange(f"{rank.figures} figures; allowed is 1 to {MOST_FIGURES}.", "figures")
    return replace(rank, name=named(rank.name, "rank"))


def empty_army(name: str) -> Army:
    """An army with nothing in it yet."""
    return Army(Node("army", "army", named(name)))


def with_entries(design: Design, entries: list[Entry]) -> Design:
    """Add roster lines: formations are made as their paths ask, figures of one rank add up.

    Raises: what ``checked_rank`` refuses; Contradiction if one rank of a unit would get two types;
    OutOfRange if the army would grow too large.
    """
    root = design.army.root
    taken = set(design.army.nodes)
    for entry in entries:
        rank = checked_rank(Rank("", entry.rank, entry.type, entry.figures, entry.tier), design.army)
        path = tuple(named(step, "formation") for step in entry.path)
        root = _placed(root, path, named(entry.unit, "unit"), rank, design.army.levels, taken, root)
    return _with_due(_rooted(design, root), entries)


def _with_due(design: Design, entries: list[Entry]) -> Design:
    """The days by which units are wanted, as their lines say."""
    due = dict(design.evenings.due)
    for entry in entries:
        if entry.due:
            node = design.army.root
            for name in (*entry.path, entry.unit):
                node = next(child for child in node.children if child.name.casefold() == named(name).casefold())
            due[node.id] = entry.due
    if due == dict(design.evenings.due):
        return design
    return replace(design, evenings=checked_evenings(replace(design.evenings, due=tuple(sorted(due.items())))))


def with_node_named(design: Design, node_id: str, name: str, kind: str = "") -> Design:
    """Rename a formation or unit, and what kind it is called."""
    node = design.army.node(node_id)
    if kind and (node.is_unit or node.kind == "army"):
        kind = ""
    changed = replace(node, name=named(name), kind=named(kind, "kind").lower() if kind else node.kind)
    return _rooted(design, _replaced(design.army.root, changed))


def with_tags(design: Design, unit_id: str, tags: tuple[str, ...]) -> Design:
    """Give a unit its tags (veteran, flank ...), lower case, each once.

    Raises: OutOfRange if there are too many or one is no word.
    """
    unit = design.army.node(unit_id)
    kept = tuple(dict.fromkeys(" ".join(tag.split()).lower() for tag in tags if tag.strip()))
    for tag in kept:
        if not (len(tag) <= 40 and tag.replace(" ", "").replace("-", "").isalnum()):
            raise OutOfRange(f"'{tag}' is no tag; use letters, digits, blanks and hyphens, up to 40.", "tags")
    if len(kept) > 12:
        raise OutOfRange(f"{len(kept)} tags; allowed are up to 12.", "tags")
    return _rooted(design, _replaced(design.army.root, replace(unit, tags=kept)))


def with_equipment(design: Design, unit_id: str, options: tuple[Equipment, ...]) -> Design:
    """Give a unit the options its figures may carry.

    Raises: what ``checked_equipment`` refuses.
    """
    unit = design.army.node(unit_id)
    return _rooted(
        design, _replaced(design.army.root, replace(unit, equipment=checked_equipment(options, unit.figures)))
    )


def with_units_changed(
    design: Design,
    node_id: str,
    *,
    rank: str = "",
    type_id: str = "",
    tier: str = "",
    add_tag: str = "",
    drop_tag: str = "",
) -> tuple[Design, tuple[str, ...]]:
    """Change all units of a formation at once; the design and the ids of the units that changed.

    type_id and tier are given to every rank, or only to those of the id ``rank``; tags to every unit that
    has such a rank. What is empty stays as it is.
    Raises: what ``checked_rank`` and ``with_tags`` refuse; OutOfRange if nothing is asked for.
    """
    if not (type_id or tier or add_tag.strip() or drop_tag.strip()):
        raise OutOfRange("Nothing was chosen to change; choose a type, a tier or a tag.", "units")
    changed = []
    dropped = " ".join(drop_tag.split()).lower()
    for unit in [node for node in design.army.node(node_id).walk() if node.is_unit]:
        if rank and rank not in {one.id for one in unit.ranks}:
            continue
        ranks = tuple(
            checked_rank(replace(one, type=type_id or one.type, tier=tier or one.tier), design.army)
            if not rank or one.id == rank
            else one
            for one in unit.ranks
        )
        after = _rooted(design, _replaced(design.army.root, replace(unit, ranks=ranks)))
        after = with_tags(after, unit.id, (*(tag for tag in unit.tags if tag != dropped), add_tag))
        if after.army.nodes[unit.id] != unit:
            design = after
            changed.append(unit.id)
    return design, tuple(changed)


def with_node_moved(design: Design, node_id: str, by: int) -> Design:
    """Move a formation or unit up (negative) or down among its siblings."""
    design.army.node(node_id)
    if node_id == design.army.root.id:
        raise Contradiction("The army itself cannot be moved in its own tree.")
    parent = design.army.nodes[design.army.paths[node_id][-2]]
    children = list(parent.children)
    at = next(index for index, child in enumerate(children) if child.id == node_id)
    children.insert(min(max(at + by, 0), len(children) - 1), children.pop(at))
    return _rooted(design, _replaced(design.army.root, replace(parent, children=tuple(children))))


def with_node_under(design: Design, node_id: str, parent_id: str) -> Design:
    """Move a formation or unit with all below it under another formation, at its end.

    Raises: Contradiction if that is a unit, or lies below it.
    """
    node, parent = design.army.node(node_id), design.army.node(parent_id, "parent")
    if parent.is_unit:
        raise Contradiction(f"{parent.name} is a unit; units hold ranks, not formations.", "parent")
    if node_id in design.army.paths[parent_id]:
        raise Contradiction(f"{parent.name} lies within {node.name}; it cannot hold it.", "parent")
    pruned = _removed(design.army.root, node_id)
    holder = next(one for one in pruned.walk() if one.id == parent_id)
    grown = _replaced(pruned, replace(holder, children=(*holder.children, node)))
    return _rooted(design, grown)


def with_rank(design: Design, unit_id: str, rank: Rank) -> Design:
    """Change the rank of that id in a unit, whatever it is called now, or add it when its id is empty.

    Raises: UnknownName for the id; Contradiction if the unit has another rank of that name.
    """
    unit = design.army.node(unit_id)
    rank = checked_rank(rank, design.army)
    if any(one.name == rank.name and one.id != rank.id for one in unit.ranks):
        raise Contradiction(f"{unit.name} has a rank called '{rank.name}' already.", "rank")
    if rank.id:
        design.army.rank(unit_id, rank.id)
        ranks = tuple(rank if one.id == rank.id else one for one in unit.ranks)
    else:
        ranks = (*unit.ranks, replace(rank, id=rank_id_for(rank.name, design.army.root, unit)))
    return _rooted(design, _replaced(design.army.root, replace(unit, ranks=ranks)))


def without_rank(design: Design, unit_id: str, rank_id: str) -> Design:
    """Remove a rank and the rules written for just it; a unit with none left stays, empty."""
    unit = design.army.node(unit_id)
    design.army.rank(unit_id, rank_id)
    kept = replace(unit, ranks=tuple(one for one in unit.ranks if one.id != rank_id))
    changed = _rooted(design, _replaced(design.army.root, kept))
    rules, placements = (
        tuple(one for one in known if not (one.scope == unit_id and one.filter.rank == rank_id))
        for known in (changed.scheme.rules, changed.scheme.placements)
    )
    return replace(changed, scheme=replace(changed.scheme, rules=rules, placements=placements))


def without_node(design: Design, node_id: str) -> Design:
    """Remove a formation or unit with all below it, and the rules and table rows that named it.

    Raises: Contradiction for the army itself.
    """
    node = design.army.node(node_id)
    if node_id == design.army.root.id:
        raise Contradiction("The army itself cannot be removed from its own tree.")
    gone = {one.id for one in node.walk()}
    scheme = design.scheme
    scheme = replace(
        scheme,
        substitutions=tuple(one for one in scheme.substitutions if one.scope not in gone),
        rules=tuple(rule for rule in scheme.rules if rule.scope not in gone),
        grounds=tuple(one for one in scheme.grounds if one.unit not in gone),
        placements=tuple(mark for mark in scheme.placements if mark.scope not in gone),
        passes=tuple(one for one in scheme.passes if one.scope not in gone),
        order=scheme.order.without_nodes(gone),
        locked=tuple(unit for unit in scheme.locked if unit not in gone),
        arms=tuple(replace(one, bearer="") if one.bearer in gone else one for one in scheme.arms),
        tables=tuple(
            replace(table, cells=tuple(cell for cell in table.cells if table.key == "rank" or cell[0] not in gone))
            for table in scheme.tables
        ),
    )
    evenings = replace(
        design.evenings, first=tuple(unit for unit in design.evenings.first if unit not in gone),
        due=tuple(one for one in design.evenings.due if one[0] not in gone),
    )  # fmt: skip
    return _rooted(replace(design, scheme=scheme, evenings=evenings), _removed(design.army.root, node_id))


def with_duplicate(design: Design, node_id: str, name: str) -> Design:
    """Add a copy of a formation or unit beside it, with the rules and table rows that name it."""
    node = design.army.node(node_id)
    if node_id == design.army.root.id:
        raise Contradiction("The army itself cannot be duplicated inside its own tree.")
    taken, renamed = set(design.army.nodes), {}

    def copied(one: Node) -> Node:
        renamed[one.id] = slug(name if one is node else one.name, taken)
        taken.add(renamed[one.id])
        return replace(
            one, id=renamed[one.id], name=named(name) if one is node else one.name,
            children=tuple(copied(child) for child in one.children),
        )  # fmt: skip

    copy = copied(node)
    parent = design.army.nodes[design.army.paths[node_id][-2]]
    at = next(index for index, child in enumerate(parent.children) if child.id == node_id) + 1
    grown = replace(parent, children=(*parent.children[:at], copy, *parent.children[at:]))
    scheme = design.scheme
    ids = {rule.id for rule in scheme.rules}
    rules = []
    for rule in scheme.rules:
        if rule.scope in renamed:
            new_id = slug(f"{renamed[rule.scope]}-{rule.id}", ids)
            ids.add(new_id)
            rules.append(replace(rule, id=new_id, scope=renamed[rule.scope]))
    tables = tuple(
        replace(
            table,
            cells=table.cells
            + tuple(cell._replace(row=renamed[cell.row]) for cell in table.cells if cell.row in renamed),
        )
        for table in scheme.tables
    )
    placements, mark_ids = [], {mark.id for mark in scheme.placements}
    for mark in scheme.placements:
        if mark.scope in renamed:
            mark_ids.add(new_id := slug(f"{renamed[mark.scope]}-{mark.id}", mark_ids))
            placements.append(replace(mark, id=new_id, scope=renamed[mark.scope]))
    copied_too = tuple(replace(one, scope=renamed[one.scope]) for one in scheme.substitutions if one.scope in renamed)
    scheme = replace(
        scheme,
        rules=(*scheme.rules, *rules),
        tables=tables,
        substitutions=(*scheme.substitutions, *copied_too),
        placements=(*scheme.placements, *placements),
        grounds=scheme.grounds
        + tuple(replace(one, unit=renamed[one.unit]) for one in scheme.grounds if one.unit in renamed),
    )
    return _rooted(replace(design, scheme=scheme), _replaced(design.army.root, grown))


def _placed(
    node: Node, path: tuple[str, ...], unit: str, rank: Rank, levels, taken: set[str], root: Node, depth: int = 0
) -> Node:
    name, kind = (path[0], levels[min(depth, len(levels) - 1)]) if path else (unit, "unit")
    found = next((c for c in node.children if c.name.casefold() == name.casefold() and c.is_unit == (not path)), None)
    if found is None:
        child = Node(slug(name, taken), kind, name)
        taken.add(child.id)
    else:
        child = found
    child = (
        _placed(child, path[1:], unit, rank, levels, taken, root, depth + 1)
        if path
        else _with_figures(child, rank, root)
    )
    if found is None:
        return replace(node, children=(*node.children, child))
    return replace(node, children=tuple(child if one is found else one for one in node.children))


def _with_figures(unit: Node, rank: Rank, root: Node) -> Node:
    old = next((one for one in unit.ranks if one.name.casefold() == rank.name.casefold()), None)
    if old is None:
        return replace(unit, ranks=(*unit.ranks, replace(rank, id=rank_id_for(rank.name, root, unit))))
    if old.type != rank.type:
        raise Contradiction(f"{unit.name}: {rank.name} is drawn as {old.type} already, and now as {rank.type}.", "type")
    grown = replace(old, figures=old.figures + rank.figures)
    return replace(unit, ranks=tuple(grown if one is old else one for one in unit.ranks))


def _replaced(node: Node, changed: Node) -> Node:
    if node.id == changed.id:
        return changed
    return replace(node, children=tuple(_replaced(child, changed) for child in node.children))


def _removed(node: Node, node_id: str) -> Node:
    return replace(node, children=tuple(_removed(child, node_id) for child in node.children if child.id != node_id))


def _rooted(design: Design, root: Node) -> Design:
    if root.figures > MOST_FIGURES:
        raise OutOfRange(f"The army would have {root.figures} figures; allowed is up to {MOST_FIGURES}.", "figures")
    return replace(design, army=replace(design.army, root=root))
