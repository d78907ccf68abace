"""Charges: what can be set on a field, in which attitudes, and its outline."""

import math
import tomllib
from dataclasses import dataclass
from importlib.resources import files

from shapely import affinity
from shapely.geometry import Point, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...errors import UnknownName
from ...geometry.outline import outline
from ...geometry.polygon import polygon_of
from ...memory import remembered


@dataclass(frozen=True)
class Charge:
    """A charge of blazon."""

    id: str
    name: str
    plural: str
    also: tuple[str, ...]
    #: the first is the usual one; empty for what has none
    attitudes: tuple[str, ...]
    draw: tuple[str, ...]
    cut: tuple[str, ...]
    #: attitude to its own outline
    own: tuple[tuple[str, tuple[str, ...]], ...]


def _read() -> dict[str, Charge]:
    data = tomllib.loads((files(__package__) / "data" / "charges.toml").read_text(encoding="utf-8"))
    found = {}
    for name, row in data.items():
        if isinstance(row, dict):
            attitudes = tuple(row.get("attitudes", ()))
            own = tuple((one, tuple(row[one])) for one in attitudes if one in row)
            found[name] = Charge(
                name, name, row["plural"], tuple(row.get("also", ())), attitudes, tuple(row["draw"]),
                tuple(row.get("cut", ())), own,
            )  # fmt: skip
    return found


#: every charge by its id
CHARGES = _read()


def charge(id_: str, where: str = "charge") -> Charge:
    """The charge of that id.

    Raises: UnknownName, with near ones.
    """
    if id_ not in CHARGES:
        raise UnknownName("charge", id_, list(CHARGES), where)
    return CHARGES[id_]


@remembered(4_000)
def charge_shape(id_: str, attitude: str = "") -> BaseGeometry:
    """The charge's shape in a square of 100 units about the middle, y downwards, facing left (the bearer's right).

    Raises: UnknownName for charge or attitude.
    """
    one = charge(id_)
    if attitude and attitude not in one.attitudes:
        raise UnknownName("attitude", attitude, list(one.attitudes), "attitude")
    own = dict(one.own).get(attitude)
    shape = unary_union([_part(spec) for spec in (own or one.draw)])
    if one.cut and not own:
        shape = shape.difference(unary_union([_part(spec) for spec in one.cut]))
    return shape.buffer(0)


def _part(spec: str) -> BaseGeometry:
    words = spec.split()
    if words[0] == "star":
        return _star(int(words[1]), *(float(word) for word in words[2:]))
    if words[0] == "ring":
        outer, inner = float(words[1]), float(words[2])
        return Point(0, 0).buffer(outer, 24).difference(Point(0, 0).buffer(inner, 24)) if outer else Polygon()
    if words[0] == "poly":
        return _star(int(words[1]), float(words[2]), None, *(float(word) for word in words[3:]))
    return polygon_of(outline(spec, 0))


def _star(rays: int, outer: float, inner: float | None, turn: float = 0.0) -> Polygon:
    points = []
    for at in range(rays):
        for radius, half in ((outer, 0.0), (inner, 0.5)):
            if radius is not None:
                angle = math.radians(turn + 360 * (at + half) / rays)
                points.append((radius * math.sin(angle), -radius * math.cos(angle)))
    return Polygon(points)


@remembered(500)
def aspect(id_: str, attitude: str = "") -> float:
    """Width of a charge by its height."""
    left, top, right, bottom = charge_shape(id_, attitude).bounds
    return (right - left) / (bottom - top)


def placed(id_: str, attitude: str, x: float, y: float, width: float, height: float) -> BaseGeometry:
    """The charge as large as fits a box about a point."""
    shape = charge_shape(id_, attitude)
    left, top, right, bottom = shape.bounds
    scale = min(width / (right - left), height / (bottom - top))
    moved = affinity.translate(shape, -(left + right) / 2, -(top + bottom) / 2)
    return affinity.translate(affinity.scale(moved, scale, scale, origin=(0, 0)), x, y)
