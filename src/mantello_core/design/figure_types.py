"""Edits of an army's own figure types: taken in, renamed, drawn anew, removed."""

from dataclasses import replace

from ..army.tree import Army
from ..errors import Contradiction, MantelloError, OutOfRange, UnknownName
from ..figures.own import MOST_TYPES, PREFIX, OwnType
from ..figures.placed_site import MOST_PLACED, PlacedSite, checked_site
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


def with_type_of(design: Design, other: Army, type_id: str, whose: str) -> tuple[Design, OwnType]:
    """Take in a copy of another army's own type, with the sites placed on it. whose: what the other army is called, for a title
    that is taken.

    Raises: UnknownName; Contradiction if the very drawing is here already; OutOfRange if there would be too many types or sites.
    """
    theirs, here = own_of(other, type_id), design.army
    same = next((one for one in here.types if one.digest == theirs.digest), None)
    if same:
        raise Contradiction(f"'{same.title}' is here already, drawn just so.", "type")
    taken = {known.casefold() for known in here.type_titles.values()}
    title = theirs.title if theirs.title.casefold() not in taken else f"{theirs.title} ({whose})"[:80]
    title = checked_title(here, title)
    new_id = new_type_id(here, title)
    copy = replace(theirs, id=new_id, title=title, plate=replace(theirs.plate, id=new_id, title=title))
    made = with_type(design, copy)
    placed = tuple(replace(one, type=new_id) for one in other.sites if one.type == type_id)
    if len(made.army.sites) + len(placed) > MOST_PLACED:
        raise OutOfRange(f"There are {MOST_PLACED} placed sites; remove some first.", "type")
    return replace(made, army=replace(made.army, sites=(*made.army.sites, *placed))), copy


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
    """The army with other own types; of the sites placed on figures, and of joined areas, those that still have a place."""
    changed = replace(army, types=types)
    joined = tuple(one for one in army.joined if one[0] in changed.type_titles)
    return replace(changed, joined=joined, sites=tuple(one for one in army.sites if _has_place(changed, one)))


def _has_place(army: Army, placed: PlacedSite) -> bool:
    try:
        checked_site(army.plate_apart(placed.type), placed)
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
