"""Families of single marks: leaf dabs, mottle, hand strokes. Placed on the sheet, so that a mark that reaches over a fold is
drawn on both sides of it."""

import math

import numpy as np
import shapely

from ..geometry import overlay as safe
from .planes import facet_points
from .waves import generator

_STEPS = np.linspace(-1, 1, 11)


def leaf(length, width, bend, taper):
    """A brush mark: blunt where it is set down, drawn out where it lifts. About its middle, along x."""
    half = width / 2 * (1 - np.abs(_STEPS) ** 2.3) ** 0.75 * (1 - taper * _STEPS)
    x, spine = _STEPS * length / 2, bend * length * (_STEPS**2 - 0.4)
    upper, lower = np.stack([x, spine + half], 1), np.stack([x, spine - half], 1)[::-1]
    return np.concatenate([upper, lower[1:-1]])


def spot(rng, diameter, rough, stretch):
    """A round mark with an uneven rim."""
    a = np.linspace(0, 2 * math.pi, 18, endpoint=False)
    r = np.ones_like(a)
    for n in (2, 3, 4):
        r += rough * 0.42 / n * math.sqrt(2) * np.cos(n * a + rng.uniform(0, 2 * math.pi)) * rng.uniform(0.4, 1)
    r *= diameter / 2
    return np.stack([r * np.cos(a) * math.sqrt(stretch), r * np.sin(a) / math.sqrt(stretch)], 1)


def placed(rng, sheet, apart, most, taken, apart_other):
    """Places on the sheet at least ``apart`` from one another and ``apart_other`` from those taken, in random order."""
    cell = apart / math.sqrt(2)
    grid, found = {}, []
    for i in rng.permutation(len(sheet))[: most * 40].tolist():
        u, v = sheet[i]
        cu, cv = int(u // cell), int(v // cell)
        if any(
            (u - x) ** 2 + (v - y) ** 2 < apart * apart
            for a in (-2, -1, 0, 1, 2) for b in (-2, -1, 0, 1, 2) for x, y in grid.get((cu + a, cv + b), ())
        ):  # fmt: skip
            continue
        if len(taken) and ((taken - (u, v)) ** 2).sum(1).min() < apart_other**2:
            continue
        grid.setdefault((cu, cv), []).append((u, v))
        found.append((u, v))
        if len(found) >= most:
            break
    return np.array(found).reshape(-1, 2)


def marks(surface, pattern, sized):
    """Per ink from the second on: marks as (middle on the sheet, outline about it)."""
    size, line = sized.size, sized.line
    index = {n: i for i, n in enumerate(surface.names)}
    sheets = []
    for v in surface.views:
        for f in v.facets:
            rows, cols, _, sheet = facet_points(v, f, index)
            sheets.append(sheet[~v.clear_mask[rows, cols]])
    sheet = np.concatenate(sheets)
    made, taken, later = [], np.zeros((0, 2)), 0.0
    for k in range(len(pattern.inks) - 1, 0, -1):
        ink = pattern.inks[k]
        rng = generator(pattern.id, pattern.family, k, pattern.seed)
        one = size * ink.scale
        if pattern.family == "mottle":
            mean_area = math.pi / 4 * one * one * 1.12
        else:
            width = max(one / math.sqrt(pattern.stretch), line)
            length = width * pattern.stretch
            mean_area = 0.72 * length * width
        cover = min(ink.share / max(1 - 0.55 * later, 0.2), 0.9)
        # marks that may overlap: a share c needs -ln(1 - c) of the surface in marks; kept apart and seen twice on slopes, less
        want = max(1, round(-math.log(1 - cover) * (0.93 if later else 0.86) * surface.mm2 / mean_area))
        apart = (
            0.78 * math.sqrt(mean_area / cover) if pattern.family != "strokes" else 0.85 * math.sqrt(mean_area / cover)
        )
        spots = placed(rng, sheet, apart, want, taken[-600:], 0.5 * one)
        if len(spots) < 0.9 * want:
            more = placed(rng, sheet, apart * 0.72, want - len(spots), spots, apart * 0.72)
            spots = np.concatenate([spots, more])
        outlines = []
        for _ in range(len(spots)):
            grown = math.exp(rng.normal(0, 0.10 + 0.18 * pattern.rough))
            if pattern.family == "mottle":
                ring = spot(rng, max(one * grown, line), pattern.rough, pattern.stretch)
                a = rng.uniform(0, math.pi)
            else:
                ring = leaf(
                    length * grown, max(width * grown**0.5, line), rng.normal(0, 0.09), 0.3 * rng.uniform(0.3, 1)
                )
                a = math.radians(pattern.turn + rng.normal(0, 8 + 30 * pattern.rough)) + (
                    math.pi if rng.random() < 0.5 else 0
                )
                if pattern.family == "dabs" and rng.random() < 0.5:
                    a = 2 * math.radians(pattern.turn + 35) - a
            c, s = math.cos(a), math.sin(a)
            outlines.append(ring @ np.array([[c, s], [-s, c]]))
        made.append((k, spots, outlines))
        taken = np.concatenate([taken, spots])
        later += ink.share
    return made[::-1]


def drawn(surface, made, scale):
    """The marks in every view: (ink, outlines in view coordinates). scale: per ink, how much larger than made."""
    views = []
    for v in surface.views:
        inks = {}
        for k, spots, outlines in made:
            if not len(spots):
                continue
            rings = np.array(outlines) * scale[k]
            reach = float(np.abs(rings).max())
            for f in v.facets:
                x, y = (spots[:, 0] - f.u0) / f.su, (spots[:, 1] - f.v0) / f.dv
                x0, y0, x1, y1 = f.shape.bounds
                near = np.nonzero((x > x0 - reach) & (x < x1 + reach) & (y > y0 - reach) & (y < y1 + reach))[0]
                if not len(near):
                    continue
                at = np.stack([rings[near, :, 0] / f.su + x[near, None], rings[near, :, 1] / f.dv + y[near, None]], -1)
                shapes = shapely.polygons(at)
                touching = shapely.intersects(shapes, f.shape)
                if touching.any():
                    inks.setdefault(k, []).append(
                        shapely.buffer(
                            safe.intersection(safe.union_all(shapely.make_valid(shapes[touching])), f.shape),
                            0.03,
                            join_style="mitre",
                        )
                    )
        views.append({k: safe.union_all(found) for k, found in inks.items()})
    return views
