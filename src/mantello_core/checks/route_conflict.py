"""Where a highlight route would end too near a colour that the area touches, such as the trim."""

from collections.abc import Callable
from dataclasses import dataclass

from ..colour.spaces import Lab
from ..mixing.route import Route
from ..scheme.cascade import Resolution

#: degrees of hue and L* within which the end of a route runs into its neighbour
HUE_NEAR, LIGHT_NEAR = 15.0, 15.0
#: mm of shared edge from which areas count as touching, and C* below which a colour has no hue to be near in
SEAM, GREY = 2.0, 8.0


@dataclass(frozen=True)
class Conflict:
    """A role that an area of the routed role touches, and how near the route's end comes to it."""

    role: str
    hue: float
    lightness: float


def touching_roles(resolution: Resolution, role_id: str) -> tuple[str, ...]:
    """Roles of areas that touch an area of the role, on any figure."""
    found: dict[str, None] = {}
    for one in resolution.classes:
        for area, beside in one.plate.neighbours.items():
            if one.cells[area].role != role_id:
                continue
            for other, length in beside.items():
                role = one.cells[other].role
                if length >= SEAM and role and role != role_id:
                    found[role] = None
    return tuple(found)


def conflicts(route: Route, touching: tuple[str, ...], colour_of: Callable[[str], Lab | None]) -> tuple[Conflict, ...]:
    """The touching roles whose colour the route's last step comes near: within 15 degrees of hue and 15 L*.

    Two greys have no hue and are near by lightness alone; a grey and a colour are not near.
    """
    end = route.colours[-1]
    found = []
    for role in touching:
        other = colour_of(role)
        if other is None or (end.chroma < GREY) != (other.chroma < GREY):
            continue
        hue = 0.0 if end.chroma < GREY else abs(other.turn_to(end))
        light = abs(end.lightness - other.lightness)
        if hue < HUE_NEAR and light < LIGHT_NEAR:
            found.append(Conflict(role, hue, light))
    return tuple(found)
