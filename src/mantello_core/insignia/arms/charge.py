"""Charges: what can be set on a field, in which attitudes, and its outline, as it is drawn or put together."""

import math
from dataclasses import dataclass

from shapely import affinity
from shapely.geometry import Point, Polygon, box
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...data_table import data_table
from ...errors import UnknownName
from ...geometry.outline import outline
from ...geometry.polygon import polygon_of
from ...memory import remembered
from . import beast, bird

#: how heads of beasts and birds end, and what is said in the place of a tincture where only the face is meant
HEAD, FACE = "'s head", "face"
#: how deep a cut edge is torn, and where a demi-charge ends, units
_TORN, _HALF = 7.0, 8.0
#: how far a voided charge keeps its edge, units
_VOIDED = 7.0
#: what is turned, and by how much
_TURNED = {"bendwise": -45, "bendwise sinister": 45, "reversed": 180}


@dataclass(frozen=True)
class Charge:
    """A charge of blazon."""

    id: str
    name: str
    plural: str
    also: tuple[str, ...]
    #: the first is the usual one; empty for what has none
    attitudes: tuple[str, ...] = ()
    draw: tuple[str, ...] = ()
    cut: tuple[str, ...] = ()
    #: attitude to its own outline
    own: tuple[tuple[str, tuple[str, ...]], ...] = ()
    #: what is counted of it: points, teeth, rays, spokes, petals; '' for nothing; and how many there are usually
    counted: str = ""
    count: int = 0

    @property
    def group(self) -> str:
        """What it is among: beasts, birds, heads, crosses, or other things."""
        if not self.draw and self.id.endswith(HEAD):
            return "Heads"
        if self.draw:
            return "Crosses" if "cross" in self.id else "Other things"
        return "Beasts" if self.id in beast.kinds() else "Birds"


def _read() -> dict[str, Charge]:
    data = data_table(__package__, "charges")
    found = {}
    for name, row in data.items():
        if isinstance(row, dict):
            attitudes = tuple(row.get("attitudes", ()))
            own = tuple((one, tuple(row[one])) for one in attitudes if one in row)
            found[name] = Charge(
                name, name, row["plural"], tuple(row.get("also", ())), attitudes, tuple(row["draw"]),
                tuple(row.get("cut", ())), own, row.get("counted", ""), row.get("count", 0),
            )  # fmt: skip
    for kind in beast.kinds().values():
        found[kind.name] = Charge(kind.name, kind.name, kind.plural, kind.also, beast.attitudes_of(kind))
    for one in bird.birds().values():
        found[one.name] = Charge(one.name, one.name, one.plural, one.also, bird.attitudes_of(one))
    for one in (*beast.kinds().values(), *bird.birds().values()):
        heads = [
            f"{one.plural} heads",
            f"{one.name} heads",
            f"{one.name} head",
            *(f"{name}s head" for name in one.also),
        ]
        found[one.name + HEAD] = Charge(one.name + HEAD, one.name + HEAD, f"{one.plural}' heads", tuple(heads))
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


@remembered(8_000)
def charge_shape(
    id_: str, attitude: str = "", manners: frozenset[str] = frozenset(), demi: bool = False, parts: int = 0
) -> BaseGeometry:
    """The charge's shape in a square of 100 units about the middle, y downwards, facing left (the bearer's right).

    manners: what more is said of it; those that change an outline are drawn. demi: its upper half. parts: teeth, points or
    rays, where they are counted.
    Raises: UnknownName for charge or attitude.
    """
    one = charge(id_)
    if attitude and attitude not in one.attitudes:
        raise UnknownName("attitude", attitude, list(one.attitudes), "attitude")
    if one.counted == "towers" and (parts == 3 or "triple towered" in manners):
        shape = _three_towered(one)
    else:
        shape = _drawn(one, attitude or (one.attitudes[0] if one.attitudes else ""), manners, parts or one.count)
    if demi:
        shape = _upper_half(shape, torn="erased" in manners)
    elif manners & {"erased", "eradicated"} and (one.draw or not id_.endswith(HEAD)):
        shape = _torn_foot(shape)
    if "jessant de lis" in manners:
        face = affinity.translate(affinity.scale(shape, 0.62, 0.62, origin=(0, 0)), 0, 2)
        shape = unary_union([charge_shape("lily").difference(face.buffer(3.5)), face])
    if "fitchy" in manners:
        shape = shape.difference(box(-60, 8, 60, 60)).union(Polygon([(-9, 6), (9, 6), (0, 50)]))
    if "voided" in manners:
        inner = shape.buffer(-_VOIDED)
        shape = shape if inner.is_empty else shape.difference(inner)
    return _turned(shape, manners).buffer(0)


def _three_towered(one: Charge) -> BaseGeometry:
    """A tower or a castle with three turrets on it."""
    if one.id == "castle":
        return _drawn(CHARGES["three-towered castle"], "", frozenset(), 0)
    whole = _drawn(one, "", frozenset(), 0)
    low = affinity.translate(affinity.scale(whole, 1, 0.72, origin=(0, 0)), 0, 14)
    small = affinity.scale(whole, 0.3, 0.3, origin=(0, 0))
    return unary_union([low, *(affinity.translate(small, x, y) for x, y in ((-25, -30), (0, -35), (25, -30)))])


def _drawn(one: Charge, attitude: str, manners: frozenset[str], parts: int) -> BaseGeometry:
    if not one.draw and one.id.endswith(HEAD):
        name = one.id.removesuffix(HEAD)
        if name in beast.kinds():
            return beast.head_shape(beast.kinds()[name], manners)
        return bird.bird_head(bird.birds()[name], manners)
    if one.id in beast.kinds():
        return beast.beast_shape(beast.kinds()[one.id], attitude, manners)
    if one.id in bird.birds():
        return bird.bird_shape(bird.birds()[one.id], attitude, manners)
    own = dict(one.own).get(attitude)
    shape = unary_union([_part(spec, parts) for spec in (own or one.draw)])
    if one.cut and not own:
        shape = shape.difference(unary_union([_part(spec, parts) for spec in one.cut]))
    return shape.buffer(0)


def _upper_half(shape: BaseGeometry, *, torn: bool) -> BaseGeometry:
    edge = [(60, _HALF), (-60, _HALF)]
    if torn:
        edge = [(60 - 6 * at, _HALF + (_TORN if at % 2 else -1)) for at in range(21)]
    upper = shape.intersection(Polygon([(-60, -60), (60, -60), *edge]).buffer(0))
    parts = [part for part in getattr(upper, "geoms", [upper]) if part.area > 12]
    return beast.within_square(unary_union(parts))


def _torn_foot(shape: BaseGeometry) -> BaseGeometry:
    """The foot of a charge torn into three."""
    left, _, right, bottom = shape.bounds
    foot = shape.intersection(box(left, bottom - 8, right, bottom))
    low, _, high, _ = foot.bounds
    wide = (high - low) / 3
    notches = [
        Polygon(
            [
                (low + at * wide - 0.18 * wide, bottom + 1),
                (low + at * wide, bottom - 9),
                (low + at * wide + 0.18 * wide, bottom + 1),
            ]
        )
        for at in (1, 2)
    ]
    return shape.difference(unary_union(notches))


def _turned(shape: BaseGeometry, manners: frozenset[str]) -> BaseGeometry:
    left, top, right, bottom = shape.bounds
    wide, tall = right - left, bottom - top
    if (
        ("palewise" in manners and wide > tall)
        or ("fesswise" in manners and tall > wide)
        or ("erect" in manners and wide > tall)
    ):
        shape = affinity.rotate(shape, 90, origin=(0, 0))
    for manner, turn in _TURNED.items():
        if manner in manners:
            shape = affinity.rotate(shape, turn, origin=(0, 0))
    return affinity.scale(shape, -1, 1, origin=(0, 0)) if "to sinister" in manners else shape


def _part(spec: str, parts: int) -> BaseGeometry:
    word, _, rest = spec.partition(" ")
    words = rest.split()
    if word == "limb":
        return beast.limb(beast.nodes_of(rest))
    if word == "both":
        shape = _part(rest, parts)
        return shape.union(affinity.scale(shape, -1, 1, origin=(0, 0)))
    if word in ("quad", "turn"):
        count, rest = (
            (4, rest) if word == "quad" else (parts if words[0] == "*" else int(words[0]), " ".join(words[1:]))
        )
        shape = _part(rest, parts)
        return unary_union([affinity.rotate(shape, 360 * at / count, origin=(0, 0)) for at in range(count)])
    if word == "star":
        count = parts if words[0] == "*" else int(words[0])
        return _star(count, *(float(one) for one in words[1:]))
    if word == "starat":
        count, outer, inner, x, y = (float(one) for one in words)
        return affinity.translate(_star(int(count), outer, inner), x, y)
    if word == "ringat":
        x, y, outer, inner = (float(one) for one in words)
        return Point(x, y).buffer(outer, 24).difference(Point(x, y).buffer(inner, 24))
    if word == "ring":
        outer, inner = float(words[0]), float(words[1])
        return Point(0, 0).buffer(outer, 24).difference(Point(0, 0).buffer(inner, 24)) if outer else Polygon()
    if word == "poly":
        return _star(int(words[0]), float(words[1]), None, *(float(one) for one in words[2:]))
    return polygon_of(outline(spec, 0)).buffer(0)


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


def fitted_in(shape: BaseGeometry, x: float, y: float, width: float, height: float) -> BaseGeometry:
    """A shape as large as fits a box about a point."""
    left, top, right, bottom = shape.bounds
    scale = min(width / (right - left), height / (bottom - top))
    moved = affinity.translate(shape, -(left + right) / 2, -(top + bottom) / 2)
    return affinity.translate(affinity.scale(moved, scale, scale, origin=(0, 0)), x, y)


def placed(id_: str, attitude: str, x: float, y: float, width: float, height: float) -> BaseGeometry:
    """The charge as large as fits a box about a point."""
    return fitted_in(charge_shape(id_, attitude), x, y, width, height)
