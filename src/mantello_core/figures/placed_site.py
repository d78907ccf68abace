"""Sites of a painter's own on any plate: a place for a mark where none was, or one moved and sized."""

import math
import re
from dataclasses import dataclass, replace

from ..errors import OutOfRange, UnknownName, Unreadable
from ..geometry.rings import inside
from ..memory import remembered
from .plate import Plate, Site, View

#: forms that a site may have, with what they are called
SHAPES = {"disc": "a disc", "oval": "an oval", "rect": "a rectangle", "shield": "a shield", "lozenge": "a lozenge"}
#: how the surface beneath may bend, with what that is called
CURVES = {
    "flat": "flat",
    "cyl": "round one way, as a limb or a helm",
    "dome": "round all ways, as a ball",
    "drape": "on folds",
}
#: millimetres of a site, and of the radius that a surface is bent by
LEAST_MM, MOST_MM, LEAST_RADIUS, MOST_RADIUS = 0.5, 200.0, 0.5, 1000.0
#: sites of a painter's own on the types of one army
MOST_PLACED = 400
_ID = re.compile(r"[a-z0-9_]+(\.[a-z0-9_]+){0,3}")
_MOST_ID = 40


@dataclass(frozen=True)
class PlacedSite:
    """A site on one view of a figure type. One with the id of a site that is there takes its place in that view."""

    type: str
    view: str
    site: Site


def with_sites(plate: Plate, placed: tuple[PlacedSite, ...]) -> Plate:
    """The plate with sites of a painter's own; the same object for the same plate and sites."""
    here = tuple(one for one in placed if one.type == plate.id)
    if not here:
        return plate
    return _sited(plate, here)


@remembered(6_000)
def _sited(plate: Plate, here: tuple[PlacedSite, ...]) -> Plate:
    views = []
    for view in plate.views:
        own = {one.site.id: one.site for one in here if one.view == view.name}
        known = tuple(own.pop(site.id, site) for site in view.sites)
        views.append(replace(view, sites=(*known, *own.values())) if own or known != view.sites else view)
    return replace(plate, views=tuple(views))


def area_at(view: View, x: float, y: float) -> str:
    """The area that is seen at a point of a view, in drawing units; '' off the figure."""
    return next((one.area for one in view.areas if inside(one.rings, x, y)), "")


def checked_site(plate: Plate, placed: PlacedSite) -> PlacedSite:
    """The site, if it can be on its plate; numbers rounded to a hundredth of a millimetre.

    Raises: OutOfRange, UnknownName or Unreadable, at the field's name.
    """
    site = placed.site
    view = next((one for one in plate.views if one.name == placed.view), None)
    if view is None:
        raise UnknownName("view", placed.view, [one.name for one in plate.views], "view")
    if site.area not in {one.area for one in view.areas}:
        raise UnknownName(f"area of the {view.name} view", site.area, [one.area for one in view.areas], "area")
    if not _ID.fullmatch(site.id) or len(site.id) > _MOST_ID:
        raise Unreadable(
            f"'{site.id[:60]}' is no name of a site: small letters, digits and dots, such as shoulder.left.", "name"
        )
    for name in ("width", "height"):
        if not LEAST_MM <= getattr(site, name) <= MOST_MM:
            raise OutOfRange(f"{getattr(site, name):g} mm; allowed is {LEAST_MM:g} to {MOST_MM:g}.", name)
    if site.shape not in SHAPES:
        raise UnknownName("form", site.shape, list(SHAPES), "shape")
    kind, _, radius = site.curve.partition(":")
    if kind not in CURVES or (kind in ("cyl", "dome")) != bool(radius):
        raise UnknownName("surface", site.curve, list(CURVES), "curve")
    if radius and not LEAST_RADIUS <= _number(radius) <= MOST_RADIUS:
        raise OutOfRange(f"A radius of {radius} mm; allowed is {LEAST_RADIUS:g} to {MOST_RADIUS:g}.", "radius")
    left, top, wide, tall = view.view_box
    if not (left <= site.x <= left + wide and top <= site.y <= top + tall):
        raise OutOfRange("It lies off the figure.", "x")
    return replace(
        placed, site=replace(site, x=round(site.x, 1), y=round(site.y, 1), width=round(site.width, 2), height=round(site.height, 2))
    )  # fmt: skip


def _number(text: str) -> float:
    try:
        value = float(text)
    except ValueError:
        return math.nan
    return value if math.isfinite(value) else math.nan
