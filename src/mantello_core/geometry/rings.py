"""Rings: closed lines of points, and the straight path text that plates keep them as."""

from collections.abc import Iterable

import numpy as np

from ..errors import Unreadable

Ring = tuple[tuple[float, float], ...]
#: left, top, right and bottom; down is positive
Box = tuple[float, float, float, float]
#: commands and commas made into spaces
_APART = str.maketrans("MLZ,", "    ")


def rings_of(path: str) -> tuple[Ring, ...]:
    """The rings of a path of straight lines: 'M' and points, each ring closed by 'Z', as ``polygon.path_of`` writes it.

    Raises: Unreadable for curves, relative commands or a point without two numbers.

    >>> rings_of("M0,0 10,0 10,5Z")
    (((0.0, 0.0), (10.0, 0.0), (10.0, 5.0)),)
    """
    found = []
    for text in path.split("Z"):
        if not text.strip():
            continue
        if not text.lstrip().startswith("M"):
            raise Unreadable(f"A ring begins with 'M'; this one begins with '{text.strip()[:20]}'.")
        found.append(tuple(_point(one) for one in text.replace("M", " ").replace("L", " ").split()))
    return tuple(found)


def signed_area(ring: np.ndarray) -> float:
    """Area within a ring, (n, 2), in square units: above 0 where it turns from across to down, below 0 the other way."""
    x, y = ring[:, 0], ring[:, 1]
    return float(np.dot(x, np.roll(y, -1)) - np.dot(y, np.roll(x, -1))) / 2


def box_of(rings: Iterable[Ring]) -> Box:
    """The box about rings; nothing for no points.

    >>> box_of(rings_of("M0,0 10,0 10,5ZM2,-1 3,1 4,4Z"))
    (0.0, -1.0, 10.0, 5.0)
    """
    points = [point for ring in rings for point in ring]
    if not points:
        return (0.0, 0.0, 0.0, 0.0)
    across, down = zip(*points, strict=True)
    return (min(across), min(down), max(across), max(down))


def box_of_path(path: str) -> Box:
    """The box about a path as ``rings_of`` reads it, without making the rings.

    Raises: what ``rings_of`` does.

    >>> box_of_path("M0,0 10,0 10,5ZM2,-1 3,1 4,4Z")
    (0.0, -1.0, 10.0, 5.0)
    """
    try:
        values = list(map(float, path.translate(_APART).split()))
    except ValueError:
        return box_of(rings_of(path))
    if len(values) < 2 or len(values) % 2:
        return box_of(rings_of(path))
    across, down = values[::2], values[1::2]
    return (min(across), min(down), max(across), max(down))


def inside(rings: Iterable[Ring], x: float, y: float) -> bool:
    """Whether a point lies inside rings, by even and odd.

    >>> square = ((0, 0), (10, 0), (10, 10), (0, 10))
    >>> inside((square,), 5, 5), inside((square,), 15, 5), inside((square, ((4, 4), (6, 4), (6, 6), (4, 6))), 5, 5)
    (True, False, False)
    """
    odd = False
    for ring in rings:
        for (a, b), (c, d) in zip(ring, (*ring[1:], ring[0]), strict=True):
            if (b > y) != (d > y) and x < a + (y - b) / (d - b) * (c - a):
                odd = not odd
    return odd


def _point(text: str) -> tuple[float, float]:
    try:
        x, y = text.split(",")
        return float(x), float(y)
    except ValueError as error:
        raise Unreadable(f"'{text[:40]}' is no point; it reads like '12.5,-3'.") from error
