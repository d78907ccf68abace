"""Inks dealt to tiles: shares met, neighbours unlike."""

import numpy as np


def neighbours(views, ids):
    """How many raster steps each pair of tiles touches along."""
    pairs = []
    for grid in ids:
        for a, b in ((grid[:, :-1], grid[:, 1:]), (grid[:-1], grid[1:])):
            touching = (a != b) & (a >= 0) & (b >= 0)
            pairs.append(np.stack([a[touching], b[touching]], 1))
    both = np.sort(np.concatenate(pairs), 1)
    if not len(both):
        return {}
    found, counts = np.unique(both, axis=0, return_counts=True)
    near = {}
    for (a, b), n in zip(found.tolist(), counts.tolist(), strict=True):
        near.setdefault(a, []).append((b, n))
        near.setdefault(b, []).append((a, n))
    return near


def wanted(surface, pattern):
    """Shares of the inks on what the clear zones leave: the zones count as their ink's."""
    mm2 = [ink.share * surface.mm2 for ink in pattern.inks]
    mm2[pattern.clear_ink] = max(0.0, mm2[pattern.clear_ink] - surface.clear_mm2)
    return [one / sum(mm2) for one in mm2]


def assigned(areas, near, shares, rng, ground_free=True, rounds=1500):
    """An ink for every tile: shares met, neighbours unlike. ground_free: tiles of the ground may touch each other."""
    n, k = len(areas), len(shares)
    total = float(areas.sum())
    area = (areas / total).tolist()
    want, got = [float(s) for s in shares], [0.0] * k
    weight = [0.3 if ground_free else 1.0] + [1.0] * (k - 1)
    longest = sum(length for found in near.values() for _, length in found) / 2 or 1
    links = [[(j, 20 * length / longest) for j, length in near.get(i, ())] for i in range(n)]
    ink = [-1] * n
    for i in np.argsort(-areas * rng.uniform(0.6, 1.4, n)).tolist():
        touch, whole = [0.0] * k, 1e-9
        for j, length in links[i]:
            whole += length
            if ink[j] >= 0:
                touch[ink[j]] += length * weight[ink[j]]
        ink[i] = max(range(k), key=lambda c: (want[c] - got[c]) / max(want[c], 1e-9) - 1.1 * touch[c] / whole)
        got[ink[i]] += area[i]

    def off():
        return 12 * sum(abs(w - g) for w, g in zip(want, got, strict=True))

    def same(i, c):
        return weight[c] * sum(length for j, length in links[i] if ink[j] == c)

    now, warm = off(), 0.02
    picks, dice = rng.integers(0, n, (rounds, 2)).tolist(), rng.random(rounds).tolist()
    colours = rng.integers(0, k, rounds).tolist()
    for step in range(rounds):
        (i, j), warm = picks[step], warm * 0.996
        old = ink[i]
        new = ink[j] if step % 2 else colours[step]
        if new == old:
            continue
        swap = step % 2
        before = same(i, old) + (same(j, new) if swap else 0)
        shift = area[i] - (area[j] if swap else 0)
        got[old] -= shift
        got[new] += shift
        ink[i] = new
        if swap:
            ink[j] = old
        then = off()
        change = then - now + same(i, new) + (same(j, old) if swap else 0) - before
        if change < warm * dice[step]:
            now = then
            continue
        got[old] += shift
        got[new] -= shift
        ink[i] = old
        if swap:
            ink[j] = new
    return np.array(ink)
