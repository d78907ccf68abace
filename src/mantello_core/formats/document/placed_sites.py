"""Sites that a painter placed on figure types, as part of the document."""

from ...army.tree import Army
from ...errors import Contradiction
from ...figures.placed_site import PlacedSite, checked_site
from ...figures.plate import Site
from .pointer import at


def write_site(one: PlacedSite) -> dict:
    """A placed site, JSON-ready: x and y in drawing units of 0.1 mm, width and height in mm."""
    return {"type": one.type, "view": one.view} | vars(one.site)


def read_site(data: dict, army: Army, where: str) -> PlacedSite:
    """A placed site from its mapping. Raises: what ``checked_site`` refuses, with a JSON pointer."""
    site = Site(
        data["id"], data["area"], float(data["x"]), float(data["y"]), float(data["width"]), float(data["height"]),
        data["shape"], data["curve"],
    )  # fmt: skip
    with at(where):
        return checked_site(army.plate_apart(data["type"]), PlacedSite(data["type"], data["view"], site))


def refuse_sites_twice(sites: tuple[PlacedSite, ...], where: str) -> None:
    """Raises: Contradiction for two sites of one name in one view."""
    spots = [(one.type, one.view, one.site.id) for one in sites]
    twice = next((spot for spot in spots if spots.count(spot) > 1), None)
    if twice:
        raise Contradiction(f"There are two sites called '{twice[2]}' in the {twice[1]} view of {twice[0]}.", where)
