"""Level curves of a grid as polygons: marching squares with linear interpolation, whole arrays at a time."""

import numpy as np
import shapely

from ..geometry.rings import signed_area

# per case of the corners (1 upper left, 2 upper right, 4 lower right, 8 lower left): directed from edge to edge, inside on
# one hand; edges: 0 top, 1 right, 2 bottom, 3 left
_CASES = {
    1: [(3, 0)], 2: [(0, 1)], 3: [(3, 1)], 4: [(1, 2)], 6: [(0, 2)], 7: [(3, 2)], 8: [(2, 3)], 9: [(2, 0)],
    11: [(2, 1)], 12: [(1, 3)], 13: [(1, 0)], 14: [(0, 3)],
    (5, False): [(3, 0), (1, 2)], (5, True): [(3, 2), (1, 0)], (10, False): [(0, 1), (2, 3)], (10, True): [(0, 3), (2, 1)],
}  # fmt: skip


def _rings(field, x0, y0, pitch):
    """Closed rings of field > 0; the border of the grid counts as outside."""
    f = np.full((field.shape[0] + 2, field.shape[1] + 2), -1.0)
    f[1:-1, 1:-1] = field
    f[f == 0] = -1e-9
    _, w = f.shape
    inside = f > 0
    case = inside[:-1, :-1] * 1 + inside[:-1, 1:] * 2 + inside[1:, 1:] * 4 + inside[1:, :-1] * 8
    rows, cols = np.nonzero((case > 0) & (case < 15))
    if not len(rows):
        return []
    kind = case[rows, cols]
    middle = (f[rows, cols] + f[rows, cols + 1] + f[rows + 1, cols] + f[rows + 1, cols + 1]) > 0
    starts, ends = [], []

    def edge(which, r, c):
        return (2 * (r * w + c), 2 * (r * w + c + 1) + 1, 2 * ((r + 1) * w + c), 2 * (r * w + c) + 1)[which]

    for key, parts in _CASES.items():
        number, saddle = key if isinstance(key, tuple) else (key, None)
        chosen = kind == number
        if saddle is not None:
            chosen &= middle == saddle
        if chosen.any():
            r, c = rows[chosen], cols[chosen]
            for a, b in parts:
                starts.append(edge(a, r, c))
                ends.append(edge(b, r, c))
    start, end = np.concatenate(starts), np.concatenate(ends)
    order = np.argsort(start)
    start, end = start[order], end[order]
    after = np.searchsorted(start, end).tolist()
    r, c, upright = start // 2 // w, start // 2 % w, start % 2
    r2, c2 = r + upright, c + 1 - upright
    a, b = f[r, c], f[r2, c2]
    t = a / (a - b)
    xy = np.stack([x0 + pitch * (c + t * (c2 - c) - 1), y0 + pitch * (r + t * (r2 - r) - 1)], 1)
    seen = bytearray(len(after))
    found = []
    for first in range(len(after)):
        if seen[first]:
            continue
        loop, at = [], first
        while not seen[at]:
            seen[at] = 1
            loop.append(at)
            at = after[at]
        if len(loop) > 3:
            found.append(xy[loop])
    return found


def polygons(found, least=0.0):
    """Rings as polygons with holes: a ring inside an odd number of others is a hole. Drops rings smaller than ``least``."""
    sized_rings = sorted(((abs(signed_area(ring)), ring) for ring in found), key=lambda one: -one[0])
    kept = [(area, ring) for area, ring in sized_rings if area > max(least, 1e-6)]
    if not kept:
        return shapely.MultiPolygon()
    shapes = shapely.polygons([shapely.linearrings(ring) for _, ring in kept])
    points = shapely.points([ring[0] for _, ring in kept])
    tree = shapely.STRtree(shapes)
    inner, outer = tree.query(points, predicate="within")
    holders = [[] for _ in kept]
    for i, o in zip(inner.tolist(), outer.tolist(), strict=True):
        if o < i:
            holders[i].append(o)
    holes = [[] for _ in kept]
    for i, held in enumerate(holders):
        if len(held) % 2:
            holes[max(held)].append(kept[i][1])
    whole = [shapely.Polygon(kept[i][1], holes[i]) for i, held in enumerate(holders) if len(held) % 2 == 0]
    shape = shapely.MultiPolygon(whole)
    return shape if shape.is_valid else shapely.make_valid(shape, method="structure")


def contour(field, x0, y0, pitch, least=0.0, tolerance=0.04):
    """The region field > 0 as simplified polygons."""
    shape = polygons(_rings(field, x0, y0, pitch), least)
    return shapely.simplify(shape, tolerance) if tolerance else shape
