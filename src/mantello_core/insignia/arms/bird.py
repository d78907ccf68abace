"""Birds of blazon put together: body, neck, bill, tail, legs and wings, as each kind has them."""

from dataclasses import dataclass
from functools import cache

from shapely import affinity
from shapely.geometry import Point, Polygon
from shapely.geometry.base import BaseGeometry
from shapely.ops import unary_union

from ...data_table import data_table
from ...geometry.outline import outline
from ...geometry.polygon import polygon_of
from .beast import limb, nodes_of, within_square

ATTITUDES = ("close", "rising", "displayed", "volant", "naiant")
#: the wing of a bird that rises, from its joint; and one that is spread, beside the body
_RAISED = "0,4~ -4,-14~ 4,-34/0 10,-25/0 18,-36/0 20,-24/0 30,-31/0 28,-18/0 37,-20/0 30,-6/0 34,-2/0 22,8~ 8,12~"
_SPREAD = "0,-8~ 8,-26~ 26,-34/0 25,-26/0 35,-28/0 33,-19/0 42,-18/0 38,-9/0 45,-5/0 38,3/0 42,9/0 33,12/0 34,20/0 24,18/0 21,26/0 12,18~ 2,14~"
_LEFT = "-4,-6~ 10,-12~ 26,-2/0 40,10/0 30,12/0 33,18/0 22,16~ 6,10~"


@dataclass(frozen=True)
class Bird:
    """What makes a bird known."""

    name: str
    plural: str
    also: tuple[str, ...]
    #: from the breast to the head, points with radii; the last is the skull
    neck: str
    bill: str
    #: what the head wears besides
    crest: str = ""
    tail: str = "24,6/0 46,16/0 42,24/0 18,18/0"
    #: how long the legs are, units; 0 for none
    legs: float = 22.0
    plump: float = 1.0
    first: str = "close"
    #: whether it swims
    swims: bool = False
    #: the bird in its pride, from the front
    fan: bool = False


def bird_shape(bird: Bird, attitude: str, manners: frozenset[str] = frozenset()) -> BaseGeometry:
    """A bird in an attitude, facing left, in a square of about 100 units. manners: 'double headed', 'wings inverted'."""
    if bird.fan and "in his pride" in manners:
        return within_square(_fan(bird))
    if attitude == "displayed":
        return within_square(_displayed(bird, manners))
    size = bird.plump
    body = limb([(-8, 0, 12 * size), (8, 8, 11 * size), (22, 12, 5.5)])
    parts = [body, _head(bird), _outline(bird.tail)]
    if bird.legs and attitude not in ("volant", "naiant"):
        parts += [_leg(-1, 16, bird.legs), _leg(8, 17, bird.legs)]
    if attitude == "volant":
        wing = _outline(_RAISED)
        parts += [
            affinity.translate(wing, -2, -2),
            affinity.translate(
                affinity.rotate(affinity.scale(wing, 0.9, 0.9, origin=(0, 0)), -38, origin=(0, 0)), -8, 0
            ),
        ]
        shape = unary_union(parts)
        return within_square(affinity.rotate(shape.difference(_eye(bird)), -8, origin=(0, 0)))
    if attitude == "rising":
        turn = 60 if "wings inverted" in manners else 0
        parts.append(affinity.translate(affinity.rotate(_outline(_RAISED), turn, origin=(0, 0)), 2, -2))
    shape = unary_union(parts)
    if attitude in ("close", "naiant"):
        shape = shape.difference(
            _outline(_LEFT)
            .exterior.buffer(1.1)
            .intersection(Polygon([(-4, -30), (60, -30), (60, 40), (-4, 40)]))
            .intersection(body.buffer(-3))
        )
    return within_square(shape.difference(_eye(bird)))


def bird_head(bird: Bird, manners: frozenset[str]) -> BaseGeometry:
    """A bird's head with its neck, cut straight or torn."""
    nodes = nodes_of(bird.neck)
    x, y, _ = nodes[-1]
    neck = limb([(x + 9, y + 24, 11), (x + 5, y + 12, 8.5), (x + 2, y + 4, 7.5)])
    floor = y + 24
    edge = [(-90, floor), (90, floor)]
    if "erased" in manners:
        edge = [
            (-90, floor),
            (x - 4, floor),
            (x + 1, floor + 9),
            (x + 5, floor - 2),
            (x + 10, floor + 10),
            (x + 14, floor - 2),
            (x + 20, floor + 7),
            (90, floor),
        ]
        neck = neck.union(limb([(x + 9, y + 24, 11), (x + 9, y + 28, 11)]))
    keep = Polygon([(-90, -120), *edge, (90, -120)]).buffer(0)
    whole = unary_union(
        [
            neck.intersection(keep),
            _head(bird).intersection(Polygon([(-90, -120), (-90, y + 9), (90, y + 9), (90, -120)])),
        ]
    )
    return within_square(whole.difference(_eye(bird)))


def _head(bird: Bird) -> BaseGeometry:
    nodes = nodes_of(bird.neck)
    x, y, _ = nodes[-1]
    parts = [limb(nodes), affinity.translate(_outline(bird.bill), x, y)]
    if bird.crest:
        parts.append(affinity.translate(_outline(bird.crest), x, y))
    return unary_union(parts)


def _eye(bird: Bird) -> BaseGeometry:
    x, y, radius = nodes_of(bird.neck)[-1]
    return Point(x - 1, y - radius * 0.2).buffer(max(1.2, radius * 0.2), 6)


def _leg(x: float, y: float, length: float) -> BaseGeometry:
    foot = y + length
    return unary_union([
        limb([(x, y - 4, 3.4), (x + 1, y + length * 0.4, 1.7), (x, foot, 1.6)]),
        limb([(x, foot, 1.6), (x - 8, foot + 1.6, 1.1)]), limb([(x, foot, 1.6), (x + 5, foot + 1.6, 1.1)]),
    ])  # fmt: skip


def _displayed(bird: Bird, manners: frozenset[str]) -> BaseGeometry:
    wing = _outline(_SPREAD)
    if "wings inverted" in manners:
        wing = affinity.scale(wing, 1, -1, origin=(0, 0))
    half = [affinity.translate(wing, 7, 0)]
    half.append(limb([(6, 14, 6), (13, 26, 3), (14, 30, 2)]))
    half += [limb([(14, 30, 2), (14 + dx, 36, 0.9)]) for dx in (-6, 0, 6)]
    right = unary_union(half)
    tail = _outline("-5,16/0 -13,44/0 -6,41/0 0,48/0 6,41/0 13,44/0 5,16/0")
    parts = [right, affinity.scale(right, -1, 1, origin=(0, 0)), limb([(0, -12, 9), (0, 8, 11), (0, 20, 7)]), tail]
    head = unary_union(
        [limb([(0, -12, 7.5), (-1, -28, 5.6), (-4, -40, 6.6)]), affinity.translate(_outline(bird.bill), -4, -40)]
    )
    if bird.crest:
        head = head.union(affinity.translate(_outline(bird.crest), -4, -40))
    eye = Point(-5, -41).buffer(1.3, 6)
    if "double headed" in manners:
        head = affinity.translate(head, -5, 0).union(
            affinity.scale(affinity.translate(head, -5, 0), -1, 1, origin=(0, 0))
        )
        eye = unary_union([Point(-10, -41).buffer(1.3, 6), Point(10, -41).buffer(1.3, 6)])
    return unary_union([*parts, head]).difference(eye)


def _fan(bird: Bird) -> BaseGeometry:
    """A peacock from the front, its tail spread."""
    plumes = [affinity.rotate(limb([(0, -20, 2), (0, -46, 4.5)]), turn, origin=(0, 6)) for turn in range(-80, 81, 20)]
    eyes = [affinity.rotate(Point(0, -46).buffer(1.8, 6), turn, origin=(0, 6)) for turn in range(-80, 81, 20)]
    disc = Point(0, 6).buffer(31).intersection(Polygon([(-60, -60), (60, -60), (60, 14), (-60, 14)]))
    body = unary_union(
        [
            limb([(0, -14, 5), (0, 0, 7), (0, 16, 11), (0, 24, 8)]),
            limb([(-5, 30, 2), (-5, 44, 1.6), (-11, 46, 1)]),
            limb([(5, 30, 2), (5, 44, 1.6), (11, 46, 1)]),
        ]
    )
    gap = body.buffer(1.6).difference(body)
    return unary_union([*plumes, disc]).difference(unary_union([gap, *eyes])).union(body)


def _outline(spec: str) -> BaseGeometry:
    return polygon_of(outline(spec, 0)).buffer(0)


@cache
def birds() -> dict[str, Bird]:
    """Every bird by name."""
    data = data_table(__package__, "birds")
    return {
        name: Bird(name, **{**row, "also": tuple(row.get("also", ()))})
        for name, row in data.items()
        if isinstance(row, dict)
    }


def attitudes_of(bird: Bird) -> tuple[str, ...]:
    """The attitudes it takes, its usual one first."""
    return (bird.first, *(one for one in ATTITUDES if one != bird.first and (one != "naiant" or bird.swims)))
