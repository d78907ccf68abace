"""Groups of charges drawn on what they have for room: where each stands, what it holds, bears and stands between."""

from collections.abc import Iterable, Sequence
from dataclasses import replace

from shapely import affinity
from shapely.geometry.base import BaseGeometry

from ...memory import remembered
from .arranging import Spot, part_for, spots_for
from .charge import charge_shape, fitted_in
from .coat import Group, Ordinary
from .line import frame
from .ordinary import ordinary_shape
from .worn import SLIVER, Piece, worn

#: space about a charge, as a share of the box it fits
AIR = 0.86
#: how often a width is halved in on
_HALVINGS = 14
#: of the largest room about an ordinary, what a room must have for a charge to stand in it
_LEAST_ROOM = 0.12
#: so many charges about another stand all round it
_ROUND = 5


def group_pieces(group: Group, room: BaseGeometry, parts, on: str) -> Iterable[Piece]:
    """A group on what it has for room; nothing where that is cut away wholly."""
    group, room = part_for(group, room)
    if room.is_empty or room.area < SLIVER:
        return
    if group.arrangement == "in saltire" and group.count in (2, 3):
        yield from _crossed(group, room, parts)
        for one in group.between:
            yield from _in_the_corners(one, room, parts)
        return
    if on and group.count == 1 and len(group.between) == 1 and group.between[0].count == 2:
        # on a band the three stand in a row
        before, middle, after = spots_for(replace(group, count=3, arrangement=""), room, on)
        yield from _one(group, 0, room, parts, middle)
        for at, spot in enumerate((before, after)):
            yield from _one(group.between[0], at, room, parts, spot)
        return
    if group.count > 1 and group.between:
        yield from _among(group, room, parts)
        return
    wide, tall = _middle_among(group)
    for at, (x, y, width, height) in enumerate(spots_for(group, room, on)):
        yield from _one(group, at, room, parts, (x, y, width * wide, height * tall))
    for at, one in enumerate(group.holds):
        aside = 0.36 if at else -0.36
        for x, y, width, height in spots_for(group, room, on):
            held = _fitted(_shape(one, 0), room, x + width * aside, y - height * 0.22, width * 0.34, height * 0.46)
            yield from worn(held, one, parts, one.charge)
    for place, one in enumerate(group.between):
        yield from _beside(one, len(group.between), place, room, parts)


def beside_band(groups: Sequence[Group], rest: BaseGeometry, parts) -> Iterable[Piece]:
    """Groups on the parts that a band leaves: above and below, beside, or in its corners."""
    found = list(getattr(rest, "geoms", [rest]))
    largest = max(room.area for room in found)
    rooms = sorted(
        (room for room in found if room.area >= _LEAST_ROOM * largest),
        key=lambda room: (round(room.centroid.y / 12), room.centroid.x),
    )
    if len(groups) == 2 and len(rooms) >= 2:
        for group, room in zip(groups, (rooms[0], rooms[-1]), strict=True):
            yield from group_pieces(group, room, parts, "")
        return
    for group in groups:
        left = group.count
        for at, room in enumerate(rooms):
            mine = min(left, -(-left // (len(rooms) - at)))
            if len(rooms) == 2 and group.count == 3:
                mine = (2, 1)[at]
            left -= mine
            if mine:
                yield from group_pieces(
                    Group(**{**vars(group), "count": mine, "arrangement": ""}), room, parts, "row" if mine > 1 else ""
                )


def _one(group: Group, at: int, room: BaseGeometry, parts, spot: tuple[float, float, float, float]) -> Iterable[Piece]:
    """The group's charge number ``at`` about a spot, with what lies on it."""
    shape = _fitted(_shape(group, at), room, *spot)
    yield from worn(shape, group, parts, group.charge)
    for one in group.bears:
        yield from group_pieces(one, _room_on(shape), [(shape, group.tincture)], "row" if one.count > 1 else "")


def _room_on(shape: BaseGeometry) -> BaseGeometry:
    """The part of a charge that others may lie on: its widest disc's square, or all of a plain one."""
    centre = shape.representative_point() if not shape.contains(shape.centroid) else shape.centroid
    radius = centre.distance(shape.boundary)
    for _ in range(_HALVINGS):
        moved = [
            affinity.translate(centre, dx * radius * 0.4, dy * radius * 0.4)
            for dx, dy in ((0, -1), (0, 1), (1, 0), (-1, 0))
        ]
        best = max(
            (point for point in moved if shape.contains(point)),
            key=lambda point: point.distance(shape.boundary),
            default=centre,
        )
        if best.distance(shape.boundary) <= radius + SLIVER:
            break
        centre, radius = best, best.distance(shape.boundary)
    return centre.buffer(radius, 16)


def _among(group: Group, room: BaseGeometry, parts) -> Iterable[Piece]:
    """Several charges among others: three and three by turns in two rows, else the others all round."""
    bare = replace(group, between=())
    other, *more = group.between
    if group.count == other.count == 3 and not more:
        spots = spots_for(replace(group, count=6, arrangement="three and three"), room)
        for one, at in ((bare, (0, 2, 4)), (other, (1, 3, 5))):
            for number, spot in enumerate(at):
                yield from _one(one, number, room, parts, spots[spot])
        return
    along = group.arrangement.removeprefix("in ")
    if along in ("fess", "pale", "bend", "bend sinister", "chevron"):
        strip = ordinary_shape(Ordinary(along, "", bears=(bare,)), room, 0.0)
        yield from group_pieces(replace(bare, arrangement=""), strip, parts, along)
        yield from beside_band(group.between, room.difference(strip), parts)
        return
    *_, size = frame(room)
    inner = room.buffer(-0.235 * size)
    yield from group_pieces(bare, inner if inner.area > 0.15 * room.area else room, parts, "")
    for one in group.between:
        for at, spot in enumerate(spots_for(replace(one, arrangement="in orle"), room)):
            yield from _one(one, at, room, parts, spot)


def _beside(group: Group, of: int, place: int, room: BaseGeometry, parts) -> Iterable[Piece]:
    """Charges about what stands in the middle: at both sides, two above and one below, in the corners, all round; of two groups the
    first above, the second below, unless their places are said. of, place: how many groups there are, and which of them it is."""
    for at, (x, y, wide, tall) in enumerate(_spots_beside(group, of, place, room)):
        yield from worn(_fitted(_shape(group, at), room, x, y, wide, tall), group, parts, group.charge)


def _spots_beside(group: Group, of: int, place: int, room: BaseGeometry) -> list[Spot]:
    left, top, right, bottom, size = frame(room)
    x, y = (left + right) / 2, (top + bottom) / 2
    high, low = top + size * 0.2, bottom - size * 0.18
    if group.arrangement and not (group.arrangement == "in orle" and group.count < _ROUND):
        return spots_for(group, room)
    if of > 1:
        return spots_for(replace(group, arrangement=("in chief", "in base")[min(place, 1)]), room)
    if group.count >= _ROUND:
        return spots_for(replace(group, arrangement="in orle"), room)
    # a shield is narrower below
    foot = min(size * 0.3, (right - left) * 0.22)
    places = {
        1: [(left + size * 0.17, y - size * 0.08)],
        2: [(left + size * 0.17, y - size * 0.08), (right - size * 0.17, y - size * 0.08)],
        3: [(left + size * 0.2, high), (right - size * 0.2, high), (x, low)],
        4: [
            (left + size * 0.2, high), (right - size * 0.2, high),
            (left + foot, low - size * 0.14), (right - foot, low - size * 0.14),
        ],
    }  # fmt: skip
    return [(px, py, size * 0.3, size * 0.34 if group.count < 4 else size * 0.3) for px, py in places[group.count]]


def _middle_among(group: Group) -> tuple[float, float]:
    """How wide and how tall one charge is among others about it, as shares of what it had alone."""
    beside = [one for one in group.between if one.count > 1 or len(group.between) > 1]
    if group.count != 1 or not beside:
        return 1.0, 1.0
    most = max(one.count for one in beside)
    if len(beside) > 1 or beside[0].arrangement in ("in chief", "in base"):
        return 0.5, 0.3
    return (0.5, 0.8) if most < 4 else (0.5, 0.52)


def _crossed(group: Group, room: BaseGeometry, parts) -> Iterable[Piece]:
    """Two charges laid across each other, a third upright over them."""
    left, top, right, bottom, _ = frame(room)
    x, y = room.centroid.x, room.centroid.y
    share = 0.56 if group.between else 1.0
    for at, turn in enumerate((45, -45, 0)[: group.count]):
        shape = affinity.rotate(
            charge_shape(group.charge, group.attitude, group.manners, group.demi, group.parts), turn, origin=(0, 0)
        )
        yield from worn(
            _fitted(shape, room, x, y, (right - left) * share, (bottom - top) * 0.9 * share),
            group,
            parts,
            f"{group.charge} {at + 1}" if at else group.charge,
        )


def _in_the_corners(group: Group, room: BaseGeometry, parts) -> Iterable[Piece]:
    """Charges above, beside and below what is laid in saltire; more of them all round."""
    left, top, right, bottom, size = frame(room)
    x, y = room.centroid.x, room.centroid.y
    above, below = (x, top + size * 0.15), (x, bottom - size * 0.2)
    beside = [(left + size * 0.14, y), (right - size * 0.14, y)]
    places = {1: [above], 2: beside, 3: [above, *beside], 4: [above, *beside, below]}.get(group.count)
    spots = [(px, py, size * 0.26, size * 0.28) for px, py in places or ()]
    for at, spot in enumerate(spots or spots_for(replace(group, arrangement="in orle"), room)):
        yield from _one(group, at, room, parts, spot)


def _shape(group: Group, at: int) -> BaseGeometry:
    """The outline of the group's charge number ``at``: of two that face each other the second is turned, of two back to back the first."""
    shape = charge_shape(group.charge, group.attitude, group.manners, group.demi, group.parts)
    facing = group.manners & {"combatant", "respectant"}
    if (facing and at % 2) or ("addorsed" in group.manners and at % 2 == 0 and group.count > 1):
        return affinity.scale(shape, -1, 1, origin=(0, 0))
    return shape


@remembered(1_000)
def _fitted(outline: BaseGeometry, room: BaseGeometry, x: float, y: float, width: float, height: float) -> BaseGeometry:
    """An outline about a point, as large as its box and what it lies on allow."""
    width, height = width * AIR, height * AIR
    shape = fitted_in(outline, x, y, width, height)
    for _ in range(_HALVINGS):
        if room.contains(shape):
            break
        width, height = width * 0.92, height * 0.92
        shape = fitted_in(outline, x, y, width, height)
    return shape.intersection(room) if not room.contains(shape) else shape
