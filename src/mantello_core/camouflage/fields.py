"""Families cut out of random fields: blotches, stripes, bands. Every ink takes the highest places of its field."""

import math

import numpy as np

from .contour import contour
from .pattern import Pattern
from .shapes import cleaned
from .sizing import Sized
from .surface import Surface
from .waves import Waves, generator, wavelength_for


def _waves(pattern, k, size, later):
    """The field whose high places wear ink k, as a function of points."""
    ink = pattern.inks[k]
    t = math.radians(pattern.turn)
    along, across = (math.cos(t), 0.0, math.sin(t)), np.array([-math.sin(t), math.cos(t), math.cos(t)])
    if pattern.family == "blotch":
        rng = generator(pattern.id, "blotch", k, pattern.seed)
        wave = wavelength_for(size * ink.scale, ink.share / (1 - later)) * (1 + 0.55 * pattern.rough)
        waves = Waves(rng, wave, rough=pattern.rough, stretch=pattern.stretch, along=along)
        return waves.at
    rest = [i.share for i in pattern.inks[1:]]
    period = size / (sum(rest) / len(rest)) / np.linalg.norm(across)
    rng = generator(pattern.id, pattern.family, pattern.seed)
    if pattern.family == "stripes":
        waves = Waves(
            rng,
            period,
            spread=0.06 + 0.12 * pattern.rough,
            cone=3 + 22 * pattern.rough,
            normal=across,
            rough=0.35 * pattern.rough,
        )
        shift = 2 * math.pi * (k - 1) / max(len(rest), 1)
        return lambda p: waves.at(p, shift)
    warp = Waves(rng, period * 2.6, spread=0.3)
    ripple = Waves(rng, period * 1.1, spread=0.2)
    phase, offset = rng.uniform(0, 2 * math.pi), 2 * math.pi * (k - 1) / max(len(rest), 1)
    unit = across / (np.linalg.norm(across) ** 2)

    def at(p):
        round_ = (
            2
            * math.pi
            * (p @ unit)
            / (period * np.linalg.norm(across))
            * np.linalg.norm(across) ** 2
            / np.linalg.norm(across)
        )
        return np.cos(round_ + phase + offset + 1.7 * pattern.rough * warp.at(p) + 0.5 * pattern.rough * ripple.at(p))

    return at


def field_shapes(surface: Surface, pattern: Pattern, scale: Sized) -> list[list]:
    """Cut every ink's field at the height that gives it its share of the whole vehicle, the last ink first."""
    count = len(pattern.inks)
    stride = 2 if scale.size > 6.5 else 1
    near = []
    for v in surface.views:
        r, c = np.nonzero(v.near[::stride, ::stride])
        near.append((r * stride, c * stride))
    points = np.concatenate([v.points[r, c] for v, (r, c) in zip(surface.views, near, strict=True)])
    camo = np.concatenate([v.camo[r, c] for v, (r, c) in zip(surface.views, near, strict=True)])
    weigh = np.concatenate(
        [
            np.full(len(r), v.region.area / max(v.camo[r, c].sum(), 1))
            for v, (r, c) in zip(surface.views, near, strict=True)
        ]
    )
    free = camo & ~np.concatenate([v.clear_mask[r, c] for v, (r, c) in zip(surface.views, near, strict=True)])
    splits = np.cumsum([len(r) for r, _ in near])[:-1]
    raw, later = [[None] * count for _ in surface.views], 0.0
    pitch = float(surface.views[0].x[1] - surface.views[0].x[0])
    for k in range(count - 1, 0, -1):
        share = pattern.inks[k].share
        value = _waves(pattern, k, scale.size, later)(points)
        order = np.argsort(-value[free])
        reach, parts = np.cumsum(weigh[free][order]), np.split(value, splits)
        asked = share
        for _ in range(4):
            upto = min(int(np.searchsorted(reach, asked * surface.mm2)), len(order) - 1)
            height = float(value[free][order[upto]])
            before = after = 0.0
            for at, (view, (r, c), part) in enumerate(zip(surface.views, near, parts, strict=True)):
                grid = np.full(view.near[::stride, ::stride].shape, -1.0)
                grid[r // stride, c // stride] = part - height
                rough = contour(grid, *view.origin, pitch * stride, 0.02)
                raw[at][k] = cleaned(rough, scale)
                before += rough.area
                after += raw[at][k].area
            # where the tool is coarse, what was too small to make is made up for by the rest
            kept = after / max(before * share / asked, 1e-9)
            if abs(kept - 1) < 0.08:
                break
            asked = min(0.95 * reach[-1] / surface.mm2, asked * min(1.6, max(0.7, 1 / max(kept, 0.1))))
        free &= value <= height
        later += share
    return raw
