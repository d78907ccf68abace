"""What two unrelated layouts have in common by chance, and how a layout agrees with its own mirror image."""

from collections.abc import Sequence

import numpy as np

from .laying import Patterned

#: mm from the middle line within which both halves are one
_MIDDLE = 0.2


def chance(shares: Sequence[float]) -> float:
    """How often two unrelated layouts of those shares agree."""
    return float(sum(share * share for share in shares))


def symmetry(result: Patterned) -> dict[str, float]:
    """Agreement beyond chance of the sides with each other, mirrored, and of the top's halves: 0 none, 1 a mirror image."""
    views = {view.name: (view, ink) for view, ink in zip(result.surface.views, result.labels, strict=True)}
    by, found = chance(result.shares), {}
    for one, other in (("left", "right"), ("front", "back")):
        if one in views and other in views:
            (view, ink), (facing, mirrored) = views[one], views[other]
            cols, good = _turned(view.x, facing.x)
            rows = min(len(view.y), len(facing.y))
            found[f"{one} and {other}"] = _beyond(ink[:rows, good], mirrored[:rows][:, cols[good]], by)
    if "top" in views:
        view, ink = views["top"]
        rows, good = _turned(view.y, view.y)
        upper = view.y[good] < -_MIDDLE
        found["halves of the top"] = _beyond(ink[good][upper], ink[rows[good]][upper], by)
    return found


def _turned(here: np.ndarray, there: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """Places of a grid's nodes on another, mirrored; and which of them are on it."""
    at = np.round((-here - there[0]) / (there[1] - there[0])).astype(int)
    return at, (at >= 0) & (at < len(there))


def _beyond(one: np.ndarray, two: np.ndarray, by: float) -> float:
    both = (one >= 0) & (two >= 0)
    return float(((one[both] == two[both]).mean() - by) / (1 - by)) if both.any() else 0.0
