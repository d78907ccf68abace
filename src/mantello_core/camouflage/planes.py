"""Planes in space that cut a surface: a tree of them, its cells as they lie on a facet, and where a facet's nodes lie."""

import numpy as np


def line_of(facet, view_name, normal, d):
    """Coefficients (a, b, c) of the line a x + b y + c = 0 in which a plane n.p = d cuts a facet, in view coordinates."""
    nx, ny, nz = normal
    if view_name == "top":
        return nx, ny + nz * facet.b * facet.side, nz * facet.a - d
    return nx * facet.su, -ny * facet.side * facet.b - nz, ny * facet.side * facet.a - d


def cut(ring, line):
    """A convex ring cut by a line: the part where the line's value is negative, and the part where it is not."""
    a, b, c = line
    below, above = [], []
    px, py = ring[-1]
    pv = a * px + b * py + c
    for x, y in ring:
        v = a * x + b * y + c
        if (v < 0) != (pv < 0):
            t = pv / (pv - v)
            q = (px + t * (x - px), py + t * (y - py))
            below.append(q)
            above.append(q)
        (below if v < 0 else above).append((x, y))
        px, py, pv = x, y, v
    return (below if len(below) > 2 else None), (above if len(above) > 2 else None)


def facet_points(view, facet, index):
    """Raster nodes of a facet and their places in space as the facet has them, and on the sheet."""
    mask = np.isin(view.owner, [index[n] for n in facet.areas])
    if view.name == "top" and facet.side:
        mask &= (np.sign(view.y)[:, None] * facet.side) >= 0
    rows, cols = np.nonzero(mask)
    x, y = view.x[cols], view.y[rows]
    if view.name == "top":
        p = np.stack([x, y, facet.a + facet.b * np.abs(y)], 1)
    elif view.name in ("left", "right"):
        p = np.stack([facet.su * x, facet.side * (facet.a - facet.b * y), -y], 1)
    else:
        p = np.stack([facet.su * x, np.full(len(x), facet.side * facet.a), -y], 1)
    sheet = np.stack([facet.su * x + facet.u0, facet.v0 + facet.dv * y], 1)
    return rows, cols, p, sheet


class Cell:
    """A node of a tree of cutting planes."""

    __slots__ = ("above", "below", "d", "id", "normal")

    def __init__(self):
        self.normal = self.d = self.below = self.above = None
        self.id = -1


def grow(points, node_mm2, target, rng, choose):
    """A tree of planes over a cloud of surface points: cells are cut until they hold about ``target`` mm² of surface."""
    root, count = Cell(), 0
    work = [(root, np.arange(len(points)), 0)]
    while work:
        cell, mine, depth = work.pop()
        if len(mine) * node_mm2 < target * rng.uniform(0.75, 1.7) or depth > 12:
            cell.id, count = count, count + 1
            continue
        p = points[mine]
        normal = choose(rng, p, depth)
        along = p @ normal
        d = float(np.quantile(along, rng.uniform(0.36, 0.64)))
        below = along < d
        if below.all() or not below.any():
            cell.id, count = count, count + 1
            continue
        cell.normal, cell.d, cell.below, cell.above = normal, d, Cell(), Cell()
        work += [(cell.below, mine[below], depth + 1), (cell.above, mine[~below], depth + 1)]
    return root, count


def in_cells(tree, points):
    """Which cell each point lies in."""
    out = np.empty(len(points), int)
    work = [(tree, np.arange(len(points)))]
    while work:
        cell, mine = work.pop()
        if cell.normal is None:
            out[mine] = cell.id
            continue
        below = points[mine] @ cell.normal < cell.d
        work += [(cell.below, mine[below]), (cell.above, mine[~below])]
    return out


def sections(tree, facet, view_name):
    """The cells as they appear on a facet: cell id to convex ring."""
    x0, y0, x1, y1 = facet.shape.bounds
    ring = [(x0 - 1, y0 - 1), (x1 + 1, y0 - 1), (x1 + 1, y1 + 1), (x0 - 1, y1 + 1)]
    found, work = [], [(tree, ring)]
    while work:
        cell, ring = work.pop()
        if cell.normal is None:
            found.append((cell.id, ring))
            continue
        below, above = cut(ring, line_of(facet, view_name, cell.normal, cell.d))
        if below:
            work.append((cell.below, below))
        if above:
            work.append((cell.above, above))
    return found
