"""Two designs of one army that share what is equal in them, so that what is known of a part by its identity holds for both."""

from dataclasses import fields, replace
from typing import TypeVar

from ..army.tree import Node
from .design import Design

T = TypeVar("T")


def with_parts_of(design: Design, other: Design) -> Design:
    """The design, equal to what it was, made of the parts of another wherever they are equal.

    An edition that another process wrote is read into new objects: without this all of it would look new, however little of it
    the edit touched.
    """
    army = _shared(design.army, other.army, root=_tree(design.army.root, other.army.root))
    listed = {name: _elements(value, getattr(other.scheme, name)) for name, value in _lists(design.scheme).items()}
    return _shared(design, other, army=army, scheme=_shared(design.scheme, other.scheme, **listed))


def _shared(new: T, old: T, **made) -> T:
    """A record with the fields of another where they are equal; the other itself where all of them are. made: those that are
    looked through already."""
    found = {each.name: made.get(each.name, getattr(new, each.name)) for each in fields(new)}
    before = {name: getattr(old, name) for name in found}
    found = {
        name: before[name] if before[name] is value or before[name] == value else value for name, value in found.items()
    }
    return old if all(before[name] is value for name, value in found.items()) else replace(new, **found)


def _lists(record: object) -> dict[str, tuple]:
    """The fields of a record that are lists."""
    held = {each.name: getattr(record, each.name) for each in fields(record)}
    return {name: value for name, value in held.items() if isinstance(value, tuple)}


def _elements(new: tuple, old: tuple) -> tuple:
    """A list with the elements of another that are equal and have the same id, or where there are no ids stand at the same
    place."""
    known = dict(map(_named, enumerate(old)))
    found = tuple(known[name] if known.get(name) == one else one for name, one in map(_named, enumerate(new)))
    same = len(found) == len(old) and all(one is other for one, other in zip(found, old, strict=True))
    return old if same else found


def _named(placed: tuple[int, object]) -> tuple[object, object]:
    at, one = placed
    return getattr(one, "id", at), one


def _tree(new: Node, old: Node) -> Node:
    known = {child.id: child for child in old.children}
    children = tuple(_tree(child, known[child.id]) if child.id in known else child for child in new.children)
    same = len(children) == len(old.children) and all(map(lambda one, other: one is other, children, old.children))
    return _shared(new, old, children=old.children if same else children)
