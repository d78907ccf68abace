"""Which ranks' work stands after an edit, so that only what the edit touches is worked out again."""

from collections.abc import Iterator
from dataclasses import fields, is_dataclass

from ..army.tree import Army
from ..design.design import Design
from ..scheme.cascade import FigureClass, Resolution
from ..scheme.scheme import Scheme

#: parts of a scheme on which the work of every rank rests
_SHARED = (
    "ground", "grounds", "calibrations", "finishing", "passes", "order", "patterns", "arms", "devices", "code_systems",
)  # fmt: skip


def standing_ranks(
    before: Design, resolved_before: Resolution, after: Design, resolved_after: Resolution
) -> frozenset[tuple[str, str]]:
    """(unit, rank) of those whose figures wear, bear and get just what they did, in roles that are as they were."""
    one, other = before.scheme, after.scheme
    if (
        not _same_build(before.army, after.army)
        or before.brief != after.brief
        or before.evenings.pace != after.evenings.pace
    ):
        return frozenset()
    if not all(_alike(getattr(one, name), getattr(other, name)) for name in _SHARED):
        return frozenset()
    changed = _changed_roles(one, other)
    if not changed.isdisjoint(_texts((other.finishing, other.passes, other.patterns, other.arms))):
        return frozenset()
    was, now = resolved_before.ranks, resolved_after.ranks
    return frozenset(
        names
        for names, classes in now.items()
        if len(was.get(names, ())) == len(classes)
        and all(map(_same_work, was[names], classes))
        and not any(not changed.isdisjoint(_roles(each)) for each in classes)
    )


def _alike(one, other) -> bool:
    return one is other or one == other


def _same_build(one: Army, other: Army) -> bool:
    """Whether two armies differ in what their formations are called at most: work is told by their ids."""
    if one is other:
        return True
    parts = (each.name for each in fields(Army) if each.name not in ("root", "levels"))
    return one.root.build == other.root.build and all(
        _alike(getattr(one, name), getattr(other, name)) for name in parts
    )


def _changed_roles(one: Scheme, other: Scheme) -> set[str]:
    """Roles that one of the two has alone, or has otherwise."""
    names = {*one.role_by_id, *other.role_by_id}
    return {id_ for id_ in names if not _alike(one.role_by_id.get(id_), other.role_by_id.get(id_))}


def _texts(value) -> Iterator[str]:
    """Every text within frozen values, ids of roles among them."""
    if isinstance(value, str):
        yield value
    elif isinstance(value, (tuple, frozenset)):
        for one in value:
            yield from _texts(one)
    elif is_dataclass(value):
        for each in fields(value):
            yield from _texts(getattr(value, each.name))


def _same_work(one: FigureClass, other: FigureClass) -> bool:
    """Whether two classes ask for the same work, if their roles do; by which rule they wear it matters nothing."""
    named = ("rank_name", "type", "tier", "ordinals", "grounds", "passes")
    if any(getattr(one, name) != getattr(other, name) for name in named) or not _alike(one.plate, other.plate):
        return False
    if {site: each.placement for site, each in one.borne.items()} != {
        site: each.placement for site, each in other.borne.items()
    }:
        return False
    if one.cells is other.cells:
        return True
    return one.cells.keys() == other.cells.keys() and all(
        (mine.role, mine.pattern, mine.inks) == (theirs.role, theirs.pattern, theirs.inks)
        for mine, theirs in zip(one.cells.values(), map(other.cells.__getitem__, one.cells), strict=True)
        if mine is not theirs
    )


def _roles(one: FigureClass) -> set[str]:
    """Roles that the work of a class rests on; those of arms and patterns are among the texts of the scheme."""
    found = {cell.role for cell in one.cells.values() if cell.role}
    found |= {ink for cell in one.cells.values() for ink in cell.inks}
    return found | {role for each in one.borne.values() for role in each.placement.roles}
