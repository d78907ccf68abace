"""How deep every place of every view lies: worked out from the other views of a vehicle, rounded on a figure."""

from collections.abc import Mapping

import numpy as np

from .surface import Surface


def _filled(depth):
    """Unknown (nan) values from the known ones about them: means over ever larger squares, then back down."""
    known = ~np.isnan(depth)
    if known.all() or not known.any():
        return depth
    rows, cols = (n + n % 2 for n in depth.shape)
    value, weight = np.zeros((rows, cols)), np.zeros((rows, cols))
    value[: depth.shape[0], : depth.shape[1]] = np.where(known, depth, 0)
    weight[: depth.shape[0], : depth.shape[1]] = known
    w = weight.reshape(rows // 2, 2, cols // 2, 2).sum((1, 3))
    v = (value * weight).reshape(rows // 2, 2, cols // 2, 2).sum((1, 3)) / np.maximum(w, 1)
    coarse = _filled(np.where(w > 0, v, np.nan))
    fine = np.repeat(np.repeat(coarse, 2, 0), 2, 1)[: depth.shape[0], : depth.shape[1]]
    return np.where(known, depth, fine)


def _blurred(d, radius=2, times=2):
    for _ in range(times):
        for axis in (0, 1):
            p = np.pad(d, [(radius, radius) if a == axis else (0, 0) for a in (0, 1)], mode="edge")
            c = np.cumsum(np.insert(p, 0, 0, axis=axis), axis=axis)
            n = 2 * radius + 1
            d = (np.take(c, range(n, c.shape[axis]), axis) - np.take(c, range(c.shape[axis] - n), axis)) / n
    return d


def _profiles(view, values, index_count):
    """Per area the greatest and least value in every column; nan where it is not seen."""
    high = np.full((index_count, len(view.x)), np.nan)
    low = high.copy()
    for i in np.unique(view.owner[view.owner >= 0]):
        mask = view.owner == i
        cols = mask.any(0)
        high[i, cols] = np.where(mask, values, -1e9).max(0)[cols]
        low[i, cols] = np.where(mask, values, 1e9).min(0)[cols]
    return high, low


def _at(profile, x, want):
    known = ~np.isnan(profile)
    return np.interp(want, x[known], profile[known]) if known.any() else np.full(np.shape(want), np.nan)


def vehicle_depth(surface: Surface, index: dict[str, int], forms: Mapping[str, str]) -> None:
    """How far out every place of a vehicle's views lies, from the other view: sides from the top, the top from the side."""
    top, sides = surface.view("top"), [v for v in surface.views if v.name != "top"]
    part = {seen.area: seen.part for view in surface.plate.views for seen in view.areas}
    bodies = sorted(set(part.values()))
    parts = np.array([bodies.index(part[n]) for n in surface.names])
    count = len(surface.names)
    wide, narrow = _profiles(top, np.abs(top.y)[:, None] + 0 * top.x, count)
    left = sides[0]
    tall, short = _profiles(left, -left.y[:, None] + 0 * left.x, count)
    slope = _slopes(surface, index, wide, narrow, tall, short)
    for name, form in forms.items():
        if name in index:
            slope[index[name]] = form == "slope"
    rounded = {index[name] for name, form in forms.items() if form == "round" and name in index}
    surface.slope = slope
    for view in sides:
        depth = np.full(view.owner.shape, np.nan)
        world = view.flip * view.x
        for i in np.unique(view.owner[view.owner >= 0]):
            if np.isnan(wide[i]).all():
                continue
            d = np.broadcast_to(_at(wide[i], top.x, world), depth.shape)
            if slope[i]:
                lo, hi = np.nanpercentile(short[i], 10), np.nanpercentile(tall[i], 90)
                out, inn = np.nanpercentile(wide[i], 80), _edge_in(narrow[i])
                z = -view.y[:, None]
                d = np.broadcast_to(out + (inn - out) * np.clip((z - lo) / max(hi - lo, 0.1), 0, 1), depth.shape)
            if i in rounded:
                d = d * _bulge(-view.y[:, None], np.nanmin(short[i]), np.nanmax(tall[i]))
            mask = view.owner == i
            depth[mask] = d[mask]
        view.depth = _finished(depth, view, parts)
    depth = np.full(top.owner.shape, np.nan)
    for i in np.unique(top.owner[top.owner >= 0]):
        if np.isnan(tall[i]).all():
            continue
        d = np.broadcast_to(_at(tall[i], left.x, top.x), depth.shape)
        if slope[i]:
            lo, hi = np.nanpercentile(short[i], 10), np.nanpercentile(tall[i], 90)
            out, inn = np.nanpercentile(wide[i], 80), _edge_in(narrow[i])
            d = np.broadcast_to(
                lo + (hi - lo) * np.clip((out - np.abs(top.y[:, None])) / max(out - inn, 0.1), 0, 1), depth.shape
            )
        if i in rounded:
            low = float(np.nanmin(short[i]))
            d = low + (d - low) * (0.5 + 0.5 * _bulge(np.abs(top.y)[:, None], -np.nanmax(wide[i]), np.nanmax(wide[i])))
        mask = top.owner == i
        depth[mask] = d[mask]
    top.depth = _finished(depth, top, parts)


def _bulge(at: np.ndarray, low: float, high: float) -> np.ndarray:
    """How far out a round thing stands between its ends, 0 to 1 in its middle."""
    middle, half = (low + high) / 2, max((high - low) / 2, 0.1)
    return np.sqrt(np.clip(1 - ((at - middle) / half) ** 2, 0, 1))


def _edge_in(narrow):
    return float(np.nanmedian(narrow))


def _slopes(surface, index, wide, narrow, tall, short):
    """Areas that slope inwards to something above: seen from the side and from the top, with the same area beyond in both."""
    seams = [{}, {}]
    for view in surface.plate.views:
        into = seams[view.name == "top"]
        for a, b, length in view.seams:
            for one, other in ((a, b), (b, a)):
                into[one, other] = into.get((one, other), 0) + length
    slope = np.zeros(len(surface.names), bool)
    for (a, b), length in seams[0].items():
        if length < 8 or seams[1].get((a, b), 0) < 8:
            continue
        i, j = index[a], index[b]
        if any(np.isnan(profile).all() for profile in (wide[i], wide[j], tall[i], tall[j])):
            continue
        above = (
            np.nanmedian(tall[j]) > np.nanmedian(tall[i]) + 0.3 and np.nanmedian(short[j]) > np.nanmedian(short[i]) + 3
        )
        beside = np.nanmedian(narrow[i]) > 1 and np.nanmedian(wide[j]) <= np.nanmedian(narrow[i]) + 1.5
        slope[i] |= above and beside
    return slope


def _finished(depth, view, parts):
    owners = view.owner
    known = ~np.isnan(depth)
    rough = None
    for key in set(parts[np.unique(owners[owners >= 0])].tolist()):
        mine = (owners >= 0) & (parts[np.maximum(owners, 0)] == key)
        gaps = mine & ~known
        if not gaps.any():
            continue
        if (mine & known).any():
            depth = np.where(gaps, _filled(np.where(mine & known, depth, np.nan)), depth)
    rough = _filled(depth)
    return _blurred(np.nan_to_num(rough))


def figure_depth(surface: Surface) -> None:
    """A figure as an elliptic cylinder, row by row, so that front and back agree where they meet at the outline."""
    for view in surface.views:
        if view.name in ("left", "right"):
            view.depth = np.full(view.owner.shape, 4.0)
            continue
        seen = view.camo
        depth = np.zeros(view.owner.shape)
        for r in range(len(view.y)):
            cols = np.nonzero(seen[r])[0]
            if len(cols):
                mid, half = (view.x[cols[0]] + view.x[cols[-1]]) / 2, max((view.x[cols[-1]] - view.x[cols[0]]) / 2, 0.5)
                depth[r] = 0.6 * half * np.sqrt(np.clip(1 - ((view.x - mid) / half) ** 2, 0, 1))
        view.depth = _blurred(depth, 3)
