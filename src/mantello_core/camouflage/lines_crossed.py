"""Whether a pattern runs on over the lines between panels, and whether two views of one place agree."""

from dataclasses import dataclass

import numpy as np

from .chances import chance
from .laying import Patterned

#: mm by which two views may place one point apart
_CLOSE = 0.6


@dataclass(frozen=True)
class Lines:
    """Lines between areas that wear the pattern."""

    mm: float
    #: share along which one ink lies on both sides; how often edges of the pattern cross them on 100 mm
    runs_on: float
    crossings: float


@dataclass(frozen=True)
class Agreement:
    """Places that two views show: how many, the share of them with one ink in both, and what chance would give."""

    places: int
    share: float
    chance: float


def lines_of(result: Patterned) -> Lines:
    """The lines between areas, and what the pattern does there."""
    on = off = crossings = 0
    pitch = float(result.surface.views[0].x[1] - result.surface.views[0].x[0])
    first, rest, every = slice(None, -1), slice(1, None), slice(None)
    for view, ink in zip(result.surface.views, result.labels, strict=True):
        for one, two, along, next_ in (
            (first, rest, (every, first), (every, rest)), ((every, first), (every, rest), (first, every), (rest, every)),
        ):  # fmt: skip
            seam = (view.owner[one] != view.owner[two]) & (ink[one] >= 0) & (ink[two] >= 0)
            on += int((seam & (ink[one] == ink[two])).sum())
            off += int((seam & (ink[one] != ink[two])).sum())
            crossings += int((seam[along] & seam[next_] & (ink[one][along] != ink[one][next_])).sum())
    length = (on + off) * pitch
    return Lines(length, on / max(on + off, 1), 100 * crossings / max(length, 1))


def agreement(result: Patterned) -> Agreement | None:
    """Whether top and sides agree where both show a place; None where no view is from the top."""
    views = {view.name: (view, ink) for view, ink in zip(result.surface.views, result.labels, strict=True)}
    if "top" not in views:
        return None
    top, worn = views["top"]
    rows, cols = np.nonzero(worn >= 0)
    points, same, count = top.points[rows, cols], 0, 0
    for name, sign in (("left", 1), ("right", -1)):
        if name not in views:
            continue
        side, shown = views[name]
        mine = points[:, 1] * sign > 0
        pitch = side.x[1] - side.x[0]
        c = np.round((side.flip * points[mine, 0] - side.x[0]) / pitch).astype(int)
        r = np.round((-points[mine, 2] - side.y[0]) / pitch).astype(int)
        inside = (c >= 0) & (c < len(side.x)) & (r >= 0) & (r < len(side.y))
        c, r, at = c[inside], r[inside], (rows[mine][inside], cols[mine][inside])
        close = np.abs(side.depth[r, c] - np.abs(points[mine, 1][inside])) < _CLOSE
        both = (shown[r, c] >= 0) & close & (top.owner[at] == side.owner[r, c])
        same += int((shown[r, c][both] == worn[at][both]).sum())
        count += int(both.sum())
    return Agreement(count, same / count, chance(result.shares)) if count else None
