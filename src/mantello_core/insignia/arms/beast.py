"""Beasts of blazon put together: a pose, the limbs it moves, and what makes each kind known: head, tail, feet, wings."""

import itertools
import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cache

from shapely import affinity
from shapely.geometry import LineString, Point, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...data_table import data_table
from ...geometry.outline import outline
from ...geometry.polygon import polygon_of

#: every pose, the one of most beasts first; those that a kind takes before all others it names itself
POSES = ("passant", "rampant", "salient", "statant", "courant", "sejant", "sejant erect", "couchant", "dormant")
#: how wide creases are filled and slivers taken off, and how exactly outlines are kept, units
_JOIN, _FINE = 1.6, 0.12
Node = tuple[float, float, float]


@dataclass(frozen=True)
class Pose:
    """How a beast stands: limbs as points with radii, which way each foot points, the tail's course."""

    body: tuple[Node, ...]
    neck: tuple[Node, ...]
    head: tuple[float, float]
    legs: tuple[tuple[Node, ...], ...]
    feet: tuple[tuple[float, float], ...]
    tail: tuple[tuple[float, float], ...]


@dataclass(frozen=True)
class Kind:
    """What makes a beast known."""

    name: str
    plural: str
    also: tuple[str, ...]
    head: tuple[str, ...]
    #: from the front; made of the head where there is none
    face: tuple[str, ...] = ()
    mouth: str = ""
    tail: str = "tuft"
    foot: str = "paw"
    fore: str = ""
    slim: float = 1.0
    legs: float = 1.0
    neck: float = 1.0
    crest: float = 0.0
    wings: bool = False
    fleece: bool = False
    hump: bool = False
    #: only the fore legs are there, and a fish's tail behind
    legs2: bool = False
    first: str = "passant"


def limb(nodes: Sequence[Node]) -> BaseGeometry:
    """A rounded limb along points with radii."""
    discs = [Point(x, y).buffer(radius, 6) for x, y, radius in nodes]
    if len(discs) == 1:
        return discs[0]
    return unary_union([unary_union(pair).convex_hull for pair in itertools.pairwise(discs)])


def beast_shape(kind: Kind, attitude: str, manners: frozenset[str] = frozenset()) -> BaseGeometry:
    """A beast in an attitude, facing left, in a square of about 100 units.

    manners: guardant, reguardant, 'tail forked'.
    """
    pose = poses()[attitude]
    slim = kind.slim
    parts = [limb([(x, y, radius * slim) for x, y, radius in pose.body]), _neck(kind, pose, manners)]
    if kind.fleece:
        parts.append(parts[0].buffer(2.5).union(_curls(parts[0])))
    if kind.hump:
        middle = pose.body[1]
        parts.append(limb([(middle[0], middle[1] - 9, 8), (middle[0] + 2, middle[1], 10)]))
    for at, (nodes, way) in enumerate(zip(pose.legs, pose.feet, strict=True)):
        if kind.legs2 and at > 1:
            continue
        parts.append(_leg(kind, nodes, way, fore=at < 2))
    if kind.tail == "fish":
        parts.append(_fish_tail(pose))
    elif kind.tail == "coil":
        parts.append(_coiled_tail(pose))
    elif kind.tail != "none":
        parts.append(_tail(kind.tail, pose.tail))
        if "tail forked" in manners:
            parts.append(_tail(kind.tail, [pose.tail[0], pose.tail[1], *((x + 9, y + 6) for x, y in pose.tail[2:])]))
    if kind.wings:
        parts.append(_wing(pose))
    if kind.crest:
        parts.append(_crest(pose, kind.crest))
    whole = unary_union(parts)
    head, cut = _head(kind, pose, manners)
    whole = (
        whole.simplify(_FINE)
        .buffer(_JOIN, 3)
        .simplify(_FINE)
        .buffer(-2 * _JOIN, 3)
        .simplify(_FINE)
        .buffer(_JOIN, 3)
        .union(head)
    )
    if kind.wings:
        cut = cut.union(_under_wing(pose))
    return within_square(whole.difference(cut))


def head_shape(kind: Kind, manners: frozenset[str]) -> BaseGeometry:
    """A beast's head with its neck, cut straight, or torn where it is 'erased'; from the front without a neck where 'cabossed'."""
    if "cabossed" in manners or ("affronty" in manners and not manners & {"couped", "erased"}):
        shape, cut = _face(kind)
        return within_square(affinity.scale(shape.difference(cut), 2.2, 2.2, origin=(0, 0)))
    pose = poses()["passant"]
    long = Pose(pose.body, ((-19, 2, 12.5), (-20, -10, 11), (-26, -21, 9)), (-31, -28), (), (), ())
    head, cut = _head(kind, long, manners)
    neck = limb([(x, y, radius * kind.slim**0.5) for x, y, radius in long.neck])
    floor = 4.0
    edge = [(-60, floor), (60, floor)]
    if "erased" in manners:
        edge = [
            (-60, floor),
            (-36, floor),
            (-30, floor + 9),
            (-26, floor - 2),
            (-20, floor + 11),
            (-15, floor - 2),
            (-8, floor + 9),
            (-2, floor),
            (60, floor),
        ]
    keep = Polygon([(-60, -90), *edge, (60, -90)]).buffer(0)
    if "erased" in manners:
        neck = neck.union(limb([(-20, 4, 12.5), (-19, 10, 12)]))
    whole = unary_union([neck.intersection(keep), head]).difference(cut)
    return within_square(affinity.scale(whole, 1.9, 1.9, origin=(-20, -15)))


def within_square(shape: BaseGeometry) -> BaseGeometry:
    """Moved to the middle and made to fit the square."""
    left, top, right, bottom = shape.bounds
    shape = affinity.translate(shape, -(left + right) / 2, -(top + bottom) / 2)
    scale = 100 / max(right - left, bottom - top)
    return affinity.scale(shape, scale, scale, origin=(0, 0)).simplify(_FINE)


def _neck(kind: Kind, pose: Pose, manners: frozenset[str]) -> BaseGeometry:
    (x, y, radius), (to_x, to_y, end) = pose.neck
    hx, hy = _head_at(kind, pose, manners)
    if "reguardant" in manners:
        return limb([(x, y, radius * kind.slim), (to_x, to_y, end), (hx - 2, hy + 5, end * 0.85)])
    return limb([(x, y, radius * kind.slim), (hx + 4, hy + 7, end * (0.8 if kind.legs < 0.9 else 0.95))])


def _head_at(kind: Kind, pose: Pose, manners: frozenset[str]) -> tuple[float, float]:
    (x, y, _), *_ = pose.neck
    hx, hy = pose.head
    if "reguardant" in manners:
        hx += 16
        hy -= 4
    return x + (hx - x) * kind.neck, y + (hy - y) * kind.neck


def _head(kind: Kind, pose: Pose, manners: frozenset[str]) -> tuple[BaseGeometry, BaseGeometry]:
    """The head in its place, and what is cut out of it: the eye, the mouth."""
    x, y = _head_at(kind, pose, manners) if pose.legs else pose.head
    if manners & {"guardant", "affronty"}:
        shape, cut = _face(kind)
    else:
        shape, cut = _profile(kind)
        if "reguardant" in manners:
            shape, cut = (affinity.scale(one, -1, 1, origin=(0, 0)) for one in (shape, cut))
    size = 1.08
    return tuple(affinity.translate(affinity.scale(one, size, size, origin=(0, 0)), x, y) for one in (shape, cut))


@cache
def _profile(kind: Kind) -> tuple[BaseGeometry, BaseGeometry]:
    cuts = [Point(-4, -2).buffer(1.5, 6)]
    if kind.mouth:
        cuts.append(_outline(kind.mouth))
    return unary_union([_head_part(spec) for spec in kind.head]), unary_union(cuts)


@cache
def _face(kind: Kind) -> tuple[BaseGeometry, BaseGeometry]:
    """The head from the front: as it is drawn, or the skull with what stands beside it on both sides."""
    eyes = unary_union([Point(-3.6, -2).buffer(1.5, 6), Point(3.6, -2).buffer(1.5, 6)])
    if kind.face:
        return unary_union([_head_part(spec) for spec in kind.face]), eyes
    skull = [limb([(0, 0, 9.5), (0, 8, 5.5)])]
    for spec in kind.head:
        if spec.startswith("mane"):
            _, _, outer, inner = (float(one) for one in spec.split()[1].split(","))
            skull.append(_mane(0, 1, outer * 0.95, inner * 0.95))
        elif spec.startswith("horn"):
            skull += [_horn(7, 0), affinity.scale(_horn(7, 0), -1, 1, origin=(0, 0))]
    ears = unary_union([_head_part("limb 7,-8,3.4"), _head_part("limb -7,-8,3.4")])
    nose = _outline("-2.6,8/0 2.6,8/0 0,11/0")
    return unary_union([*skull, ears]), eyes.union(nose)


def _head_part(spec: str) -> BaseGeometry:
    word, _, rest = spec.partition(" ")
    if word == "limb":
        return limb(nodes_of(rest))
    if word == "mane":
        return _mane(*(float(one) for one in rest.split(",")))
    if word == "horn":
        return _horn(*(float(one) for one in rest.split(",")))
    return _outline(spec)


def _mane(x: float, y: float, outer: float, inner: float) -> BaseGeometry:
    points = []
    for at in range(11):
        for radius, half in ((outer, 0.0), (inner, 0.5)):
            angle = 2 * math.pi * (at + half) / 11
            points.append((x + radius * math.sin(angle), y - radius * math.cos(angle)))
    return Polygon(points).buffer(0)


def _horn(x: float, y: float) -> BaseGeometry:
    """A ram's horn, curled."""
    nodes = [
        (x + 9 * math.cos(turn) * (1 - at / 18), y + 9 * math.sin(turn) * (1 - at / 18), 3.6 - 0.22 * at)
        for at, turn in ((at, -2.4 + 0.5 * at) for at in range(11))
    ]
    return limb(nodes)


def _outline(spec: str) -> BaseGeometry:
    return polygon_of(outline(spec, 0)).buffer(0)


def _leg(kind: Kind, nodes: Sequence[Node], way: tuple[float, float], *, fore: bool) -> BaseGeometry:
    thin = [(x, y, radius * (kind.slim if at == 0 else kind.legs)) for at, (x, y, radius) in enumerate(nodes)]
    x, y, radius = thin[-1]
    foot = kind.fore if fore and kind.fore else kind.foot
    return limb(thin).union(_foot(foot, x, y, radius, way))


def _foot(foot: str, x: float, y: float, radius: float, way: tuple[float, float]) -> BaseGeometry:
    turn = math.atan2(way[1], way[0])

    def toe(ahead: float, aside: float, wide: float) -> tuple[float, float, float]:
        return (
            x + ahead * math.cos(turn) - aside * math.sin(turn), y + ahead * math.sin(turn) + aside * math.cos(turn), wide,
        )  # fmt: skip

    if foot == "hoof":
        return limb([(x, y, radius), toe(3.4, 0.8, radius * 1.1)])
    spread = (-3.4, 0.0, 3.4)
    if foot == "talon":
        return unary_union([limb([(x, y, radius * 0.8), toe(7.5, 1.6 * aside, 0.9)]) for aside in spread])
    return unary_union([limb([(x, y, radius), toe(4.6, aside, 2.1), toe(7.2, 1.15 * aside, 0.7)]) for aside in spread])


def _tail(style: str, course: Sequence[tuple[float, float]]) -> BaseGeometry:
    line = LineString(course)
    along = [line.interpolate(at / 24, normalized=True) for at in range(25)]
    if style in ("stub", "curl"):
        (x, y), (to_x, to_y) = course[:2]
        if style == "stub":
            return limb([(x, y, 4.4), (x + (to_x - x) * 0.35, y + (to_y - y) * 0.35 - 1, 2)])
        return limb(
            [(x + 1 + 5 * math.cos(turn), y - 3 + 5 * math.sin(turn), 1.5) for turn in (2.6, 1.4, 0.2, -1, -2.2, -3.2)]
        )
    width = {
        "tuft": lambda at: 2.3 + 0.4 * math.sin(at * 6), "whip": lambda at: 3.2 - 2 * at, "bush": lambda at: 2.4 + 6.5 * math.sin(math.pi * min(at * 1.05, 1)) ** 1.5,
        "flow": lambda at: 3 + 4.5 * math.sin(math.pi * at * 0.9), "barb": lambda at: 4.4 - 2.6 * at, "thick": lambda at: 6 - 2.5 * at,
        "plume": lambda at: 4 + 8 * math.sin(math.pi * min(at * 1.02, 1)),
    }[style]  # fmt: skip
    shape = limb([(point.x, point.y, width(at / 24)) for at, point in enumerate(along)])
    end, before = along[-1], along[-4]
    turn = math.atan2(end.y - before.y, end.x - before.x)
    if style == "tuft":
        shape = shape.union(
            affinity.translate(
                affinity.rotate(_outline("-7,0~ -1,-6~ 12,-1/0 4,0~ 11,6/0 -1,5~"), math.degrees(turn), origin=(0, 0)),
                end.x,
                end.y,
            )
        )
    if style == "barb":
        shape = shape.union(
            affinity.translate(
                affinity.rotate(_outline("-2,-8/0 12,0/0 -2,8/0 2,0/0"), math.degrees(turn), origin=(0, 0)),
                end.x,
                end.y,
            )
        )
    return shape


def _fish_tail(pose: Pose) -> BaseGeometry:
    """A body that ends as a fish, curled up behind."""
    x, y, _ = pose.body[-1]
    course = [
        (x - 4, y - 6, 12),
        (x, y + 8, 11),
        (x + 8, y + 18, 9),
        (x + 20, y + 18, 7),
        (x + 26, y + 6, 5),
        (x + 22, y - 6, 3.4),
    ]
    fin = _outline("-4,4/0 -16,-10/0 -2,-6/0 4,-18/0 10,-4/0")
    return limb(course).union(affinity.translate(fin, x + 22, y - 6))


def _coiled_tail(pose: Pose) -> BaseGeometry:
    """A body that runs out into a tail, curled up behind and barbed."""
    x, y, wide = pose.body[-1]
    course = [(0, 0, wide * 0.9), (10, 8, 8), (22, 8, 6.4), (31, 0, 5), (32, -12, 4), (25, -20, 3.2), (17, -15, 2.6)]
    barb = _outline("-2,-9/0 8,2/0 -10,6/0 -3,0/0")
    return limb([(x + dx, y + dy, r) for dx, dy, r in course]).union(affinity.translate(barb, x + 15, y - 12))


def _wing(pose: Pose) -> BaseGeometry:
    """A wing raised over the back, its feathers apart."""
    x, y, _ = pose.body[0]
    feathers = _outline(
        "-6,6~ -10,-12~ -5,-32~ 8,-52/0 9,-35/0 23,-49/0 20,-30/0 36,-39/0 28,-21/0 45,-24/0 33,-10/0 46,-8/0 26,0~ 8,9~"
    )
    return affinity.translate(feathers, x + 6, y - 4)


def _under_wing(pose: Pose) -> BaseGeometry:
    """The slit that parts a raised wing from the back beneath it, which is of one tincture with it."""
    x, y, _ = pose.body[0]
    edge = LineString([(-11, -14), (-9, 0), (-1, 9), (10, 9), (27, 1), (50, -6)])
    return affinity.translate(edge.buffer(1.1), x + 6, y - 4)


def _crest(pose: Pose, size: float) -> BaseGeometry:
    """Bristles along the back."""
    back = LineString([(x, y - radius * 0.86) for x, y, radius in pose.body])
    found = []
    for at in range(9):
        point = back.interpolate((at + 0.5) / 9, normalized=True)
        found.append(
            Polygon([(point.x - 3.4, point.y + 3), (point.x + 2.4, point.y - 8 * size), (point.x + 4.4, point.y + 3)])
        )
    return unary_union(found)


def _curls(body: BaseGeometry) -> BaseGeometry:
    ring = body.exterior
    count = round(ring.length / 9)
    return unary_union([ring.interpolate(at / count, normalized=True).buffer(4.4, 8) for at in range(count)])


def nodes_of(text: str) -> tuple[Node, ...]:
    """Points with radii, as in '0,0,9 4,8,5'."""
    return tuple(tuple(float(one) for one in word.split(",")) for word in text.split())


@cache
def _data() -> dict:
    return data_table(__package__, "beasts")


@cache
def poses() -> dict[str, Pose]:
    """Every pose by name."""
    return {
        name: Pose(
            nodes_of(row["body"]), nodes_of(row["neck"]), tuple(float(one) for one in row["head"].split(",")),
            tuple(nodes_of(each) for each in row["legs"]), tuple(_pair(each) for each in row["feet"]), tuple(_pair(each) for each in row["tail"].split()),
        )
        for name, row in _data()["pose"].items()
    }  # fmt: skip


def _pair(text: str) -> tuple[float, float]:
    one, other = text.split(",")
    return float(one), float(other)


@cache
def kinds() -> dict[str, Kind]:
    """Every beast by name."""
    return {name: _kind(name, row) for name, row in _data()["beast"].items()}


def _kind(name: str, row: dict) -> Kind:
    given = {key: tuple(value) if isinstance(value, list) else value for key, value in row.items()}
    return Kind(name, **{"also": (), **given, "crest": float(given.get("crest", 0)), "first": given["first"][0]})


def attitudes_of(kind: Kind) -> tuple[str, ...]:
    """The poses it takes, its usual one first."""
    return (kind.first, *(one for one in POSES if one != kind.first))


def named_kinds() -> Iterable[Kind]:
    """Every beast."""
    return kinds().values()
