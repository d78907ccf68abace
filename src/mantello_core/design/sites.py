"""Edits of the sites that a painter places on figure types: a place for a mark on a shoulder, a knee, a hull."""

from dataclasses import replace

from ..errors import OutOfRange, UnknownName
from ..figures.placed_site import MOST_PLACED, PlacedSite, checked_site
from .design import Design


def with_site(design: Design, placed: PlacedSite) -> Design:
    """The design with a site placed, or one of its id in that view moved and sized.

    Raises: UnknownName for the type; what ``checked_site`` refuses; OutOfRange for too many.
    """
    army = design.army
    made = checked_site(army.plate_apart(placed.type), placed)
    rest = tuple(one for one in army.sites if _spot(one) != _spot(made))
    if len(rest) >= MOST_PLACED:
        raise OutOfRange(f"{len(rest)} sites are placed; allowed are {MOST_PLACED}.", "name")
    return replace(design, army=replace(army, sites=(*rest, made)))


def without_site(design: Design, type_id: str, view: str, site_id: str) -> Design:
    """The design without a placed site; one that took the place of another gives it back.

    Raises: UnknownName.
    """
    army = design.army
    rest = tuple(one for one in army.sites if _spot(one) != (type_id, view, site_id))
    if len(rest) == len(army.sites):
        known = [one.site.id for one in army.sites if (one.type, one.view) == (type_id, view)]
        raise UnknownName("placed site", site_id, known, "name")
    return replace(design, army=replace(army, sites=rest))


def _spot(one: PlacedSite) -> tuple[str, str, str]:
    return one.type, one.view, one.site.id
