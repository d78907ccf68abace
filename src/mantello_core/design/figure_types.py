"""Edits of an army's own figure types: taken in, renamed, drawn anew, removed."""

from dataclasses import replace

from ..army.tree import Army
from ..errors import Contradiction, MantelloError, OutOfRange, UnknownName
from ..figures.own import MOST_TYPES, PREFIX, OwnType
from ..figures.placed_site import PlacedSite, checked_site
from ..naming import named, slug
from .design import Design


def new_type_id(army: Army, title: str) -> str:
    """An id for a type of that title, which no other type has.

    >>> new_type_id(Army(None), "Quay master")
    'own-quay-master'
    """
    return PREFIX + slug(title, {one.id.removeprefix(PREFIX) for one in army.types})


def checked_title(army: Army, title: str, but: str = "") -> str:
    """The title, if no other type has it. but: id of the type that may.

    Raises: OutOfRange for a bad one, Contradiction for one that is taken.
    """
    title = named(title)
    taken = next(
        (known for id_, known in army.type_titles.items() if id_ != but and known.casefold() == title.casefold()), None
    )
    if taken:
        raise Contradiction(f"There is a figure type called '{taken}' already.", "title")
    return title


def with_type(design: Design, own: OwnType) -> Design:
    """Take a type in, or put it in the place of the one of its id.

    Raises: OutOfRange if there would be too many.
    """
    types = design.army.types
    if any(one.id == own.id for one in types):
        types = tuple(own if one.id == own.id else one for one in types)
    else:
        types = (*types, own)
    if len(types) > MOST_TYPES:
        raise OutOfRange(f"There are {MOST_TYPES} own figure types; remove one first.", "title")
    return replace(design, army=_with_types(design.army, types))


def with_type_titled(design: Design, type_id: str, title: str) -> Design:
    """Give an own type another title.

    Raises: UnknownName; what ``checked_title`` refuses.
    """
    own = own_of(design.army, type_id)
    return with_type(design, own.titled(checked_title(design.army, title, type_id)))


def without_type(design: Design, type_id: str) -> Design:
    """Remove an own type that no figure has.

    Raises: UnknownName; Contradiction, naming who has it.
    """
    own = own_of(design.army, type_id)
    users = [unit.name for unit in design.army.units if any(rank.type == type_id for rank in unit.ranks)]
    if users:
        more = f" and {len(users) - 3} more" if len(users) > 3 else ""
        raise Contradiction(
            f"{own.title} is still drawn for {', '.join(users[:3])}{more}; give them another type first.", "type"
        )
    types = tuple(one for one in design.army.types if one.id != type_id)
    return replace(design, army=_with_types(design.army, types))


def _with_types(army: Army, types: tuple[OwnType, ...]) -> Army:
    """The army with other own types, and of the sites placed on figures those that still have a place."""
    changed = replace(army, types=types)
    return replace(changed, sites=tuple(one for one in army.sites if _has_place(changed, one)))


def _has_place(army: Army, placed: PlacedSite) -> bool:
    try:
        checked_site(army.plate(placed.type), placed)
    except MantelloError:
        return False
    return True


def own_of(army: Army, type_id: str) -> OwnType:
    """The own type of that id.

    Raises: UnknownName.
    """
    found = next((one for one in army.types if one.id == type_id), None)
    if found is None:
        raise UnknownName("figure type of your own", type_id, [one.id for one in army.types], "type")
    return found
