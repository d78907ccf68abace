"""Families of tiles that planes in space cut: shards, upright blocks, fans of bands. Exact polygons for every view."""

import math

import numpy as np

from .dealing import assigned, neighbours, wanted
from .planes import cut, facet_points, grow, in_cells, line_of, sections
from .waves import generator


def _shard_normal(turn, rough):
    """Oblique cuts: steep and shallow by turns about the pattern's direction, so that shards have sharp corners."""
    lean = [turn + 38, turn - 34, turn + 78, turn - 72]

    def choose(rng, p, depth):
        best, most = None, -1.0
        spread = p - p.mean(0)
        for _ in range(3):
            a = math.radians(lean[rng.integers(4)] + rng.normal(0, 6 + 14 * rough))
            side = rng.choice((-1, 1)) * rng.uniform(0.35, 0.8)
            n = np.array([-math.sin(a), side, math.cos(a)])
            n /= np.linalg.norm(n)
            value = float((spread @ n).std()) * rng.uniform(0.7, 1.3)
            if value > most:
                best, most = n, value
        return best

    return choose


def _square_normal(turn, rough):
    """Upright and level cuts with a slight lean, for geometric blocks."""

    def choose(rng, p, depth):
        axis = int(np.argmax(p.std(0) * rng.uniform(0.7, 1.3, 3)))
        n = np.zeros(3)
        n[axis] = 1
        a = math.radians(rng.normal(0, 3 + 12 * rough))
        other = (axis + 2) % 3 if axis != 1 else 0
        n[axis], n[other] = math.cos(a), math.sin(a)
        return n

    return choose


def plane_tiles(surface, pattern, size, kind):
    """Splinter and blocks: per view (facet, tile ids, polygons), and an ink for each tile."""
    rng = generator(pattern.id, kind, pattern.seed)
    index = {n: i for i, n in enumerate(surface.names)}
    nodes = [(v, f, *facet_points(v, f, index)) for v in surface.views for f in v.facets]
    cloud = np.concatenate([p for _, _, _, _, p, _ in nodes])
    node_mm2 = surface.mm2 / max(len(cloud), 1)
    thin = max(1, len(cloud) // 6000)
    choose = (_shard_normal if kind == "splinter" else _square_normal)(pattern.turn, pattern.rough)
    tree, count = grow(cloud[::thin], node_mm2 * thin, size * size * pattern.stretch * 0.8, rng, choose)
    ids = [np.full(v.owner.shape, -1) for v in surface.views]
    for v, _f, rows, cols, p, _ in nodes:
        ids[surface.views.index(v)][rows, cols] = in_cells(tree, p)
    areas = np.zeros(count)
    for grid, v in zip(ids, surface.views, strict=True):
        areas += np.bincount(grid[(grid >= 0) & ~v.clear_mask], minlength=count) * node_mm2
    pieces = [
        [(number, ring, f) for f in v.facets for number, ring in sections(tree, f, v.name)] for v in surface.views
    ]
    ink = assigned(areas, neighbours(surface.views, ids), wanted(surface, pattern), rng)
    return pieces, ink


def dazzle_tiles(surface, pattern, size):
    """Bands that run straight and converge, turned otherwise in every large field."""
    rng = generator(pattern.id, "dazzle", pattern.seed)
    index = {n: i for i, n in enumerate(surface.names)}
    nodes = [(v, f, *facet_points(v, f, index)) for v in surface.views for f in v.facets]
    cloud = np.concatenate([p for _, _, _, _, p, _ in nodes])
    node_mm2 = surface.mm2 / max(len(cloud), 1)
    thin = max(1, len(cloud) // 6000)
    shares = wanted(surface, pattern)
    tree, count = grow(
        cloud[::thin], node_mm2 * thin, (4.2 * size) ** 2, rng, _shard_normal(pattern.turn, pattern.rough)
    )
    period = size * len(shares)
    bands = []
    at = rng.uniform(0, 180)
    for _ in range(count):
        at += rng.choice((-1, 1)) * rng.uniform(38, 75)
        a = math.radians(at)
        n = np.array([-math.sin(a), math.cos(a) * 0.9, math.cos(a)])
        m = np.array([math.cos(a), 0.3, math.sin(a)]) * rng.uniform(0.006, 0.016) * rng.choice((-1, 1))
        bands.append((n, m, rng.uniform(0, 1)))
    # where on its band's round each point lies; the inks' limits on the round are set by the whole vehicle
    homes = [in_cells(tree, p) for _, _, _, _, p, _ in nodes]
    rounds = []
    middle = np.zeros((count, 3))
    everywhere = np.concatenate(homes)
    for c in range(count):
        mine = cloud[everywhere == c]
        middle[c] = mine.mean(0) if len(mine) else 0
    for (_, _, _, _, p, _), home in zip(nodes, homes, strict=True):
        rounds.append(_turns(p - middle[home], home, bands, period) % 1.0)
    every = np.sort(np.concatenate(rounds))
    limits = (
        [0.0]
        + [float(every[min(round(float(q) * len(every)), len(every) - 1)]) for q in np.cumsum(shares)[:-1]]
        + [1.0]
    )
    pieces, ink = [], []
    for v in surface.views:
        mine = []
        for f in v.facets:
            for home, ring in sections(tree, f, v.name):
                n, m, phase = bands[home]
                at = np.asarray(ring)
                p = _lifted(f, v.name, at)
                t = _turns(p - middle[home], np.full(len(p), home), bands, period)
                for whole in range(math.floor(t.min()), math.floor(t.max()) + 1):
                    for k in range(len(shares)):
                        piece = ring
                        for limit, keep in ((limits[k] + whole, 1), (limits[k + 1] + whole, 0)):
                            if piece is None:
                                break
                            # n.q / (1 + m.q) / period + phase = limit  ->  (n - c m).q = c
                            c = (limit - phase) * period
                            normal = n - c * m
                            piece = cut(piece, line_of(f, v.name, normal, c + float(normal @ middle[home])))[keep]
                        if piece:
                            mine.append((len(ink), piece, f))
                            ink.append(k)
        pieces.append(mine)
    return pieces, np.array(ink)


def _turns(q, home, bands, period):
    n = np.array([b[0] for b in bands])[home]
    m = np.array([b[1] for b in bands])[home]
    phase = np.array([b[2] for b in bands])[home]
    return (q * n).sum(1) / np.maximum(1 + (q * m).sum(1), 0.3) / period + phase


def _lifted(facet, view_name, xy):
    x, y = xy[:, 0], xy[:, 1]
    if view_name == "top":
        return np.stack([x, y, facet.a + facet.b * facet.side * y], 1)
    return np.stack([facet.su * x, facet.side * (facet.a - facet.b * y), -y], 1)
