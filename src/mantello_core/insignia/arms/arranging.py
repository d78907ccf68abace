"""Where the charges of a group stand: rows, columns, diagonals, round the edge, or along what they lie on."""

from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry

from .coat import Group
from .partition import frame

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
_SAID = {
    "two and one": (2, 1),
    "one and two": (1, 2),
    "two and two": (2, 2),
    "two one and two": (2, 1, 2),
    "three and two": (3, 2),
    "three two and one": (3, 2, 1),
}
#: ordinaries along which charges are set, and how
_ALONG = {"fess": "row", "bar": "row", "chief": "row", "base": "row", "fillet": "row", "pale": "column", "pallet": "column", "bend": "bend", "bendlet": "bend",
          "bend sinister": "bend sinister", "chevron": "chevron", "cross": "cross", "saltire": "saltire", "bordure": "round", "orle": "round", "label": "row"}  # fmt: skip


def spots_for(group: Group, room: BaseGeometry, on: str = "") -> list[Spot]:
    """Middle, width and height of the box for each charge. on: the ordinary it lies on, 'row', or nothing."""
    how = {"in fess": "row", "in pale": "column", "in bend": "bend", "in bend sinister": "bend sinister", "in chevron": "chevron",
           "in cross": "cross", "in saltire": "saltire", "in orle": "round", "in chief": "top", "in base": "foot"}.get(group.arrangement)  # fmt: skip
    how = how or ("row" if on == "row" else _ALONG.get(on))
    rows = _SAID.get(group.arrangement, _ROWS[group.count])
    if how is None and sum(rows) == group.count:
        return _rows(rows, room)
    return _set(how or "row", group.count, room)


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
        middle = top + part / 2 if how == "top" else bottom - part / 2
        low, high = _span(room, middle, left, right)
        return [(low + (at + 0.5) * (high - low) / count, middle, (high - low) / count, part) for at in range(count)]
    if how == "row":
        low, high = _span(room, y, left, right)
        return [(low + (at + 0.5) * (high - low) / count, y, (high - low) / count, tall) for at in range(count)]
    if how == "column":
        return [(x, top + (at + 0.5) * tall / count, wide, tall / count) for at in range(count)]
    if how == "round":
        ring = room.buffer(0)
        line = ring.exterior if hasattr(ring, "exterior") else ring.convex_hull.exterior
        inner = getattr(ring, "interiors", [])
        thick = (
            (ring.area / ((line.length + (inner[0].length if inner else line.length)) / 2)) if ring.area else size * 0.1
        )
        middle = line.parallel_offset(thick / 2, "right" if line.is_ccw else "left") if inner else line
        path = middle if middle.geom_type == "LineString" else line
        points = [path.interpolate((at + 0.5) / count, normalized=True) for at in range(count)]
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
