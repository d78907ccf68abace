"""Where the charges of a group stand: rows, columns, diagonals, round the edge, or along what they lie on."""

from dataclasses import replace

from shapely.geometry import LineString, Point, Polygon, box
from shapely.geometry.base import BaseGeometry

from .coat import Group
from .line import frame
from .vocabulary import NUMBERS

Spot = tuple[float, float, float, float]
#: rows of a group that is set as usual, from the top
_ROWS = {
    1: (1,),
    2: (1, 1),
    3: (2, 1),
    4: (2, 2),
    5: (2, 1, 2),
    6: (3, 2, 1),
    7: (3, 3, 1),
    8: (3, 2, 3),
    9: (3, 3, 3),
    10: (4, 3, 2, 1),
    11: (4, 3, 4),
    12: (4, 4, 4),
}
_NUMBERS = {"one": 1, **{name: at for at, name in enumerate(NUMBERS, 1) if at > 1}}
#: places in a field: middle and size as shares of its width and height
_PLACES = {
    "between the attires": (0.5, 0.18, 0.3, 0.26), "in honour point": (0.5, 0.3, 0.3, 0.26),
    "in dexter chief": (0.24, 0.2, 0.36, 0.3), "in sinister chief": (0.76, 0.2, 0.36, 0.3), "in dexter base": (0.3, 0.72, 0.34, 0.3), "in sinister base": (0.7, 0.72, 0.34, 0.3),
    "in dexter": (0.2, 0.45, 0.32, 0.5), "in sinister": (0.8, 0.45, 0.32, 0.5), "in the middle": (0.5, 0.45, 0.4, 0.4), "in the first quarter": (0.26, 0.24, 0.4, 0.36), "in the second quarter": (0.74, 0.24, 0.4, 0.36),
    "in the third quarter": (0.3, 0.7, 0.36, 0.34), "in the fourth quarter": (0.7, 0.7, 0.36, 0.34),
}  # fmt: skip


#: quarters of a field, for what stands in several of them
_QUARTERS = {name: _PLACES[f"in the {name} quarter"] for name in ("first", "second", "third", "fourth")}


#: how charges stand to each other, and parts of a field in which they may stand so: shares of its width and height
_INNER = ("in saltire", "in pale", "in fess", "in bend", "in bend sinister", "in chevron", "in cross")
_WITHIN = {
    "in chief": (0.0, 0.0, 1.0, 0.4), "in base": (0.0, 0.52, 1.0, 0.96), "in dexter chief": (0.0, 0.0, 0.5, 0.42), "in sinister chief": (0.5, 0.0, 1.0, 0.42),
    "in dexter base": (0.0, 0.5, 0.5, 0.95), "in sinister base": (0.5, 0.5, 1.0, 0.95), "in dexter": (0.0, 0.0, 0.42, 0.9), "in sinister": (0.58, 0.0, 1.0, 0.9),
    "in the first quarter": (0.0, 0.0, 0.5, 0.48), "in the second quarter": (0.5, 0.0, 1.0, 0.48), "in the third quarter": (0.0, 0.48, 0.5, 0.95), "in the fourth quarter": (0.5, 0.48, 1.0, 0.95),
}  # fmt: skip


def placed_so(one: str, other: str) -> str:
    """Two things that are said of where charges stand as one: 'in saltire' and 'in chief' are 'in saltire in chief'; '' where they
    contradict each other."""
    for inner, place in ((one, other), (other, one)):
        if place in _WITHIN and (inner in _INNER or _said(inner)):
            return f"{inner} {place}"
    return ""


def part_for(group: Group, room: BaseGeometry) -> tuple[Group, BaseGeometry]:
    """A group that stands so in a part of a field, and that part; of any other, the group and the room as they are."""
    for place, (x, y, to_x, to_y) in _WITHIN.items():
        inner = group.arrangement.removesuffix(f" {place}")
        if inner != group.arrangement and (inner in _INNER or _said(inner)):
            left, top, right, bottom, _ = frame(room)
            wide, tall = right - left, bottom - top
            part = room.intersection(box(left + x * wide, top + y * tall, left + to_x * wide, top + to_y * tall))
            return replace(group, arrangement=inner), part
    return group, room


def _said(arrangement: str) -> tuple[int, ...]:
    """Rows as they are said: 'three, two and one'; none where it says no rows."""
    words = arrangement.replace(",", " ").replace(" and ", " ").split()
    return tuple(_NUMBERS[word] for word in words) if words and all(word in _NUMBERS for word in words) else ()


def _usual_rows(count: int) -> tuple[int, ...]:
    """Rows of so many: as custom has them, else as even as can be, the upper ones longer."""
    if count in _ROWS:
        return _ROWS[count]
    rows = round(count**0.5)
    return tuple(count // rows + (at < count % rows) for at in range(rows))


#: ordinaries along which charges are set, and how
_ALONG = {"fess": "row", "bar": "row", "chief": "row", "base": "row", "fillet": "row", "pale": "column", "pallet": "column", "bend": "bend", "bendlet": "bend",
          "bend sinister": "bend sinister", "bendlet sinister": "bend sinister", "tressure": "round", "chevron": "chevron", "cross": "cross", "saltire": "saltire", "bordure": "round", "orle": "round", "label": "row"}  # fmt: skip


def spots_for(group: Group, room: BaseGeometry, on: str = "") -> list[Spot]:
    """Middle, width and height of the box for each charge. on: the ordinary it lies on, 'row', or nothing."""
    how = {"in fess": "row", "in pale": "column", "in bend": "bend", "in bend sinister": "bend sinister", "in chevron": "chevron",
           "in cross": "cross", "in saltire": "saltire", "in orle": "round", "in chief": "top", "in base": "foot"}.get(group.arrangement)  # fmt: skip
    if group.arrangement.endswith("quarters"):
        named = [place for name, place in _QUARTERS.items() if name in group.arrangement]
        return [spot for place in named for spot in _placed(place, group.count, room)]
    if group.arrangement in _PLACES:
        return _placed(_PLACES[group.arrangement], group.count, room)
    how = how or ("row" if on == "row" else _ALONG.get(on))
    if group.manners & {"combatant", "respectant", "addorsed"} and group.count == 2:
        how = how or "row"
    said = _said(group.arrangement)
    rows = said if sum(said) == group.count else _usual_rows(group.count)
    if said and sum(said) == group.count:
        how = None
    if how is None and sum(rows) == group.count:
        return _rows(rows, room)
    return _set(how or "row", group.count, room)


def _placed(place: tuple[float, float, float, float], count: int, room: BaseGeometry) -> list[Spot]:
    """Charges side by side in a part of a field."""
    left, top, right, bottom, _ = frame(room)
    x, y, wide, tall = place
    width, height = wide * (right - left), tall * (bottom - top)
    middle = left + x * (right - left)
    each = width / count
    return [(middle + (at - (count - 1) / 2) * each, top + y * (bottom - top), each, height) for at in range(count)]


def _rows(rows: tuple[int, ...], room: BaseGeometry) -> list[Spot]:
    left, top, right, bottom, _ = frame(room)
    tall = (bottom - top) / len(rows)
    found = []
    for at, count in enumerate(rows):
        y = top + (at + 0.5) * tall
        low, high = _span(room, y, left, right)
        if len(rows) > 1 and max(rows) > 1:
            low, high = max(low, left + (right - left) * 0.04), min(high, right - (right - left) * 0.04)
        wide = (high - low) / max(count, 1)
        wide = min(wide, (right - left) / max(rows))
        middle = (low + high) / 2
        found += [(middle + (n - (count - 1) / 2) * wide, y, wide, tall) for n in range(count)]
    if rows == (1,):
        centre = room.centroid
        return [(centre.x, centre.y, right - left, bottom - top)]
    return found


def _span(room: BaseGeometry, y: float, left: float, right: float) -> tuple[float, float]:
    """How far a room reaches to both sides at a height."""
    cut = room.intersection(LineString([(left - 1, y), (right + 1, y)]))
    if cut.is_empty:
        return left, right
    low, _, high, _ = cut.bounds
    return low, high


def _set(how: str, count: int, room: BaseGeometry) -> list[Spot]:
    left, top, right, bottom, size = frame(room)
    x, y = room.centroid.x, room.centroid.y
    wide, tall = right - left, bottom - top
    if how in ("top", "foot"):
        part = tall / 3
        middle = top + part / 2 if how == "top" else bottom - part * 0.85
        low, high = _span(room, middle, left, right)
        return [(low + (at + 0.5) * (high - low) / count, middle, (high - low) / count, part) for at in range(count)]
    if how == "row":
        low, high = _span(room, y, left, right)
        return [(low + (at + 0.5) * (high - low) / count, y, (high - low) / count, tall) for at in range(count)]
    if how == "column":
        return [(x, top + (at + 0.5) * tall / count, wide, tall / count) for at in range(count)]
    if how == "round":
        ring = room.buffer(0)
        if not getattr(ring, "interiors", []):
            # on a whole field they stand inside its edge
            ring = room.buffer(-size * 0.13)
            if ring.is_empty:
                ring = room.convex_hull
        line = ring.exterior if hasattr(ring, "exterior") else ring.convex_hull.exterior
        inner = getattr(ring, "interiors", [])
        thick = (
            (ring.area / ((line.length + (inner[0].length if inner else line.length)) / 2)) if ring.area else size * 0.1
        )
        middle = Polygon(line).buffer(-thick / 2) if inner else None
        path = middle.exterior if middle is not None and middle.geom_type == "Polygon" and not middle.is_empty else line
        # the first in the middle above; on a whole field an even number leaves the middle free
        start = path.project(Point(x, top), normalized=True) + (0 if inner or count % 2 else 0.5 / count)
        points = [path.interpolate((start + at / count) % 1, normalized=True) for at in range(count)]
        spot = thick if inner else size * 0.2
        return [(point.x, point.y, spot, spot) for point in points]
    if how in ("cross", "saltire"):
        far = size * 0.33
        around = (
            ((0, 0), (0, -1), (1, 0), (0, 1), (-1, 0))
            if how == "cross"
            else ((0, 0), (-0.75, -0.75), (0.75, -0.75), (0.75, 0.75), (-0.75, 0.75))
        )
        start = 0 if count in (1, 5) else 1
        return [
            (x + dx * far, y + dy * far, size * 0.24, size * 0.24)
            for dx, dy in (around[start:] + around[:start])[:count]
        ]
    share = size / count * 0.82
    steps = [(at + 0.5) / count - 0.5 for at in range(count)]
    if how == "chevron":
        return [
            (x + step * wide * 0.72, y - size * 0.12 + abs(step) * wide * 0.72, share * 0.7, share * 0.7)
            for step in steps
        ]
    sign = 1 if how == "bend" else -1
    return [(x + sign * step * size * 0.94, y + step * size * 0.94, share * 0.8, share * 0.8) for step in steps]
