"""Families of tiles laid out on the sheet that hangs over a model: many-sided lozenges, small squares."""

import math

import numpy as np

from .dealing import assigned, wanted
from .planes import facet_points
from .waves import Waves, generator, wavelength_for


def _dice(i, j, seed):
    """Two numbers from -1 to 1 for a pair of whole numbers, the same for ever."""
    i, j = np.asarray(i, np.int64), np.asarray(j, np.int64)
    h = (i * 374761393 + j * 668265263 + seed * 1442695041) & 0xFFFFFFFF
    h = ((h ^ (h >> 13)) * 1274126177) & 0xFFFFFFFF
    h2 = ((h ^ (h >> 16)) * 2246822519) & 0xFFFFFFFF
    return h / 2**31 - 1, (h2 ^ (h2 >> 13)) % 2**32 / 2**31 - 1


def lozenge_tiles(surface, pattern, size):
    """Hexagons edge to edge on the sheet, pulled long and jostled; corners are shared, so nothing gapes."""
    rng = generator(pattern.id, "lozenge", pattern.seed)
    a, h = size * 0.5 * math.sqrt(pattern.stretch) * 1.24, size / math.sqrt(pattern.stretch) * 1.12
    shift = rng.uniform(-50, 50, 2)
    cos, sin = math.cos(math.radians(pattern.turn)), math.sin(math.radians(pattern.turn))
    jostle = 0.05 + 0.22 * pattern.rough
    numbers, pieces = {}, []
    index = {n: i for i, n in enumerate(surface.names)}
    for v in surface.views:
        mine = []
        for f in v.facets:
            x0, y0, x1, y1 = f.shape.bounds
            corner = np.array([(x, y) for x in (x0, x1) for y in (y0, y1)])
            u, w = f.su * corner[:, 0] + f.u0 - shift[0], f.v0 + f.dv * corner[:, 1] - shift[1]
            p, q = cos * u + sin * w, -sin * u + cos * w
            i = np.arange(math.floor(p.min() / (1.5 * a)) - 1, math.ceil(p.max() / (1.5 * a)) + 2)
            j = np.arange(math.floor(q.min() / h) - 1, math.ceil(q.max() / h) + 2)
            gi, gj = (g.ravel() for g in np.meshgrid(i, j))
            # corners on a lattice of halves: (3i + dx, 2j + i%2 + dy)
            base_i, base_j = 3 * gi, 2 * gj + gi % 2
            rings = np.empty((len(gi), 6, 2))
            for at, (di, dj) in enumerate(((2, 0), (1, 1), (-1, 1), (-2, 0), (-1, -1), (1, -1))):
                ci, cj = base_i + di, base_j + dj
                jx, jy = _dice(ci, cj, pattern.seed)
                rings[:, at, 0], rings[:, at, 1] = ci * a / 2 + jostle * a * jx, cj * h / 2 + jostle * h * 0.7 * jy
            back_u = cos * rings[..., 0] - sin * rings[..., 1] + shift[0]
            back_v = sin * rings[..., 0] + cos * rings[..., 1] + shift[1]
            view_xy = np.stack([(back_u - f.u0) / f.su, (back_v - f.v0) / f.dv], -1)
            inside = (
                (view_xy[..., 0].max(1) > x0)
                & (view_xy[..., 0].min(1) < x1)
                & (view_xy[..., 1].max(1) > y0)
                & (view_xy[..., 1].min(1) < y1)
            )
            for ti, tj, ring in zip(gi[inside].tolist(), gj[inside].tolist(), view_xy[inside], strict=True):
                mine.append((numbers.setdefault((ti, tj), len(numbers)), ring, f))
        pieces.append(mine)
    areas = np.full(len(numbers), 1e-6)
    for v in surface.views:
        node = v.region.area / max(v.camo.sum(), 1)
        for f in v.facets:
            rows, cols, _, sheet = facet_points(v, f, index)
            u, w = (sheet[~v.clear_mask[rows, cols]] - shift).T
            p, q = (cos * u + sin * w) / a, (-sin * u + cos * w) / h * math.sqrt(3)
            best, least = np.zeros((len(p), 2), int), np.full(len(p), np.inf)
            for column in (-1, 0, 1):
                i = np.round(p / 1.5).astype(int) + column
                j = np.round(q / math.sqrt(3) - i % 2 / 2).astype(int)
                far = (p - 1.5 * i) ** 2 + (q - math.sqrt(3) * (j + i % 2 / 2)) ** 2
                nearer = far < least
                best[nearer], least[nearer] = np.stack([i, j], 1)[nearer], far[nearer]
            found, n = np.unique(best, axis=0, return_counts=True)
            for (i, j), k in zip(found.tolist(), n.tolist(), strict=True):
                if (i, j) in numbers:
                    areas[numbers[i, j]] += k * node
    near = {}
    for (i, j), number in numbers.items():
        for di, dj in ((0, 1), (0, -1), (1, i % 2), (1, i % 2 - 1), (-1, i % 2), (-1, i % 2 - 1)):
            other = numbers.get((i + di, j + dj))
            if other is not None:
                near.setdefault(number, []).append((other, 6))
    ink = assigned(areas, near, wanted(surface, pattern), rng, ground_free=False, rounds=3000)
    return pieces, ink


def pixel_tiles(surface, pattern, size, line):
    """Squares on the sheet; which ink a square takes is asked of two fields, a coarse and a fine one."""
    px = max(line, size / 4)
    index = {n: i for i, n in enumerate(surface.names)}
    cells, counts, where = {}, [], []
    for v in surface.views:
        for f in v.facets:
            _, _, _, sheet = facet_points(v, f, index)
            ij = np.floor(sheet / px).astype(int)
            found, n = np.unique(ij, axis=0, return_counts=True)
            numbers = []
            for (i, j), k in zip(found.tolist(), n.tolist(), strict=True):
                number = cells.setdefault((i, j), len(cells))
                if number == len(counts):
                    counts.append(0)
                counts[number] += k
                numbers.append((i, j, number))
            where.append((v, f, numbers))
    keys = np.array(list(cells))
    weights = np.array(counts, float)
    centre = np.concatenate([(keys + 0.5) * px, np.zeros((len(keys), 1))], 1)
    centre[:, 0] /= math.sqrt(pattern.stretch)
    ink = np.zeros(len(keys), int)
    free = np.ones(len(keys), bool)
    total, later = weights.sum(), 0.0
    for k in range(len(pattern.inks) - 1, 0, -1):
        share = pattern.inks[k].share
        rng = generator(pattern.id, "pixels", k, pattern.seed)
        wave = wavelength_for(size * pattern.inks[k].scale, share / (1 - later)) * 0.82
        value = Waves(rng, wave).at(centre) + 0.85 * pattern.rough * Waves(rng, wave / 3).at(centre)
        order = np.argsort(np.where(free, -value, np.inf))
        upto = np.searchsorted(np.cumsum(weights[order]), share * total)
        ink[order[:upto]] = k
        free[order[:upto]] = False
        later += share
    pieces = [[] for _ in surface.views]
    for v, f, numbers in where:
        at = surface.views.index(v)
        grouped = {}
        for i, j, number in numbers:
            grouped.setdefault((int(ink[number]), j), []).append(i)
        boxes = {}
        for (k, j), run in grouped.items():
            run.sort()
            first = previous = run[0]
            for i in [*run[1:], None]:
                if i is None or i != previous + 1:
                    u = sorted(((first * px - f.u0) / f.su, ((previous + 1) * px - f.u0) / f.su))
                    w = sorted(((j * px - f.v0) / f.dv, ((j + 1) * px - f.v0) / f.dv))
                    boxes.setdefault(k, []).append((u[0], w[0], u[1], w[1]))
                    first = i
                previous = i
        for k, found in boxes.items():
            for x0, y0, x1, y1 in found:
                pieces[at].append((k, ((x0, y0), (x1, y0), (x1, y1), (x0, y1)), f))
    return pieces, np.arange(len(pattern.inks))
