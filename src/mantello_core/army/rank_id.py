"""Ids of ranks: what a new rank of some name gets, and whose id stands for it in another army."""

from ..naming import slug
from .tree import Army, Node


def rank_id_for(name: str, root: Node, unit: Node | None) -> str:
    """The id a new rank gets: that of a rank of the same name elsewhere in the army, so that rules for all of them
    speak of it too; else one made of the name that no rank of the army has.

    unit: the unit it joins; None for a new one.
    """
    taken = {rank.id for rank in unit.ranks} if unit else set()
    known = [rank for node in root.walk() for rank in node.ranks]
    alike = next((one.id for one in known if one.name.casefold() == name.casefold() and one.id not in taken), None)
    return alike or slug(name, {one.id for one in known})


def rank_ids_there(other: Army, here: Army) -> dict[str, str]:
    """For every id of a rank in another army, the one that stands for it here: of the same name, or else its own if
    nobody else has that here."""
    mine: dict[str, str] = {}
    for unit in here.units:
        for rank in unit.ranks:
            mine.setdefault(rank.name.casefold(), rank.id)
    found: dict[str, str] = {}
    for unit in other.units:
        for rank in unit.ranks:
            if rank.id not in found and rank.name.casefold() in mine:
                found[rank.id] = mine[rank.name.casefold()]
    taken = set(here.rank_names)
    return {id_: found.get(id_) or (slug(id_, taken) if id_ in taken else id_) for id_ in other.rank_names}
