"""A model as one clean surface in mm: points welded, empty faces dropped, set upright on the ground, cut fine enough."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ...errors import OutOfRange, Unreadable
from ..height import LEAST_MM, MOST_MM

#: the side of the file that may be up, each with the side that is then the front
UP = {
    "+z": (0, 0, 1), "+y": (0, 1, 0), "-z": (0, 0, -1), "-y": (0, -1, 0), "+x": (1, 0, 0), "-x": (-1, 0, 0),
}  # fmt: skip
_FRONT = {"+z": (0, -1, 0), "+y": (0, 0, 1), "-z": (0, 1, 0), "-y": (0, 0, -1), "+x": (0, 0, 1), "-x": (0, 0, 1)}
#: points nearer than this share of the span are one; no face is empty that has more than so many mm² doubled
_WELD, _EMPTY = 1e-6, 1e-12
#: edges longer than this share of the span, and than so many mm, are halved, up to so many faces
_LONG, _LONG_MM, _MOST_REFINED, _ROUNDS = 1 / 32, 0.8, 400_000, 12
#: how level a face is that a figure may stand on, and the share of its height within which it lies
_LEVEL, _LOW = 0.98, 0.03


@dataclass(frozen=True, eq=False)
class Solid:
    """A clean surface: points (n, 3) in mm with y up, soles on 0, and +z to the front; faces (m, 3) as numbers of points,
    wound so that normals point out."""

    points: np.ndarray
    faces: np.ndarray

    @cached_property
    def _cross(self) -> np.ndarray:
        a, b, c = (self.points[self.faces[:, at]] for at in range(3))
        return np.cross(b - a, c - a)

    @cached_property
    def mm2(self) -> np.ndarray:
        """Of every face."""
        return np.linalg.norm(self._cross, axis=1) / 2

    @cached_property
    def normal(self) -> np.ndarray:
        """Of every face, of length 1."""
        return self._cross / (2 * self.mm2[:, None])

    @cached_property
    def centre(self) -> np.ndarray:
        """Of every face."""
        return self.points[self.faces].mean(axis=1)

    @cached_property
    def _shared(self) -> tuple[np.ndarray, np.ndarray]:
        """Pairs of faces that share an edge, and the two points of it."""
        ends = np.sort(self.faces[:, [0, 1, 1, 2, 2, 0]].reshape(-1, 2), axis=1)
        owner = np.repeat(np.arange(len(self.faces)), 3)
        order = np.lexsort((ends[:, 1], ends[:, 0]))
        ends, owner = ends[order], owner[order]
        same = (ends[1:] == ends[:-1]).all(axis=1)
        return np.stack([owner[:-1][same], owner[1:][same]], 1), ends[:-1][same]

    @property
    def pairs(self) -> np.ndarray:
        """Pairs of faces that share an edge, (k, 2)."""
        return self._shared[0]

    @property
    def ends(self) -> np.ndarray:
        """The two points of each shared edge, (k, 2)."""
        return self._shared[1]

    @cached_property
    def edge_mm(self) -> np.ndarray:
        """How long each shared edge is."""
        return np.linalg.norm(self.points[self.ends[:, 0]] - self.points[self.ends[:, 1]], axis=1)

    @cached_property
    def apart_mm(self) -> np.ndarray:
        """How far the middles of each pair lie from each other."""
        return np.linalg.norm(self.centre[self.pairs[:, 1]] - self.centre[self.pairs[:, 0]], axis=1)

    @cached_property
    def across_mm(self) -> np.ndarray:
        """The same, straight across the shared edge: long thin faces lie side by side."""
        way = self.points[self.ends[:, 1]] - self.points[self.ends[:, 0]]
        way = way / np.maximum(self.edge_mm, 1e-9)[:, None]
        off = self.centre[self.pairs[:, 1]] - self.centre[self.pairs[:, 0]]
        return np.linalg.norm(off - (off * way).sum(1)[:, None] * way, axis=1)

    @cached_property
    def turn(self) -> np.ndarray:
        """By how much the surface turns over each shared edge, radians; above 0 where it is convex."""
        one, other = self.pairs.T
        angle = np.arccos(np.clip((self.normal[one] * self.normal[other]).sum(1), -1, 1))
        across = self.centre[other] - self.centre[one]
        convex = ((self.normal[one] - self.normal[other]) * across).sum(1) < 0
        return np.where(convex, angle, -angle)

    @cached_property
    def shell(self) -> np.ndarray:
        """Of every face, the number of the connected surface it belongs to."""
        count = len(self.faces)
        # who only asks which side is up, such as a page, need not read the library
        from scipy.sparse import coo_array
        from scipy.sparse.csgraph import connected_components

        joined = coo_array((np.ones(len(self.pairs)), self.pairs.T), shape=(count, count))
        return connected_components(joined, directed=False)[1]


def upright_side(corners: np.ndarray) -> str:
    """Which side of a file is likely up, a key of ``UP``: that whose opposite has the largest level face to stand on; +z, as
    files for printing have it, where none has."""
    a, b, c = corners.transpose(1, 0, 2)
    cross = np.cross(b - a, c - a)
    size = np.linalg.norm(cross, axis=1)
    normal = cross / np.maximum(size, 1e-12)[:, None]
    best, most = "+z", 0.02 * size.sum()
    for name, axis in UP.items():
        along = corners.mean(axis=1) @ np.array(axis, float)
        low = along < along.min() + _LOW * max(float(np.ptp(along)), 1e-9)
        # wound either way: a file that is inside out stands as well
        here = float(size[low & (np.abs(normal @ np.array(axis, float)) > _LEVEL)].sum())
        if here > most * 1.05:
            best, most = name, here
    return best


def set_upright(corners: np.ndarray, up: str, quarters: int, height_mm: float = 0.0) -> np.ndarray:
    """Triangles with ``up`` (a key of ``UP``) along y, turned about it by quarters, soles and middle on 0.

    height_mm: from the lowest to the highest point; 0 to take the file's own unit as mm.
    Raises: OutOfRange for a height that no figure has.
    """
    high, front = np.array(UP[up], float), np.array(_FRONT[up], float)
    right = np.cross(high, front)
    for _ in range(quarters % 4):
        right, front = front, -right
    turned = corners @ np.stack([right, high, front], 1)
    flat = turned.reshape(-1, 3)
    low, top = flat.min(0), flat.max(0)
    own = float(top[1] - low[1])
    wanted = height_mm or own
    if not LEAST_MM <= wanted <= MOST_MM or not own:
        raise OutOfRange(
            f"The model is {wanted:g} mm tall; allowed is {LEAST_MM:g} to {MOST_MM:g}. Say its height.", "height_mm"
        )
    return (turned - [(low[0] + top[0]) / 2, low[1], (low[2] + top[2]) / 2]) * (wanted / own)


def cleaned(corners: np.ndarray) -> Solid:
    """One surface from triangles: corners welded, empty and doubled faces dropped, turned out where it is inside out.

    Raises: Unreadable where no surface is left.
    """
    flat = corners.reshape(-1, 3)
    span = float(np.ptp(flat, axis=0).max())
    if not span:
        raise Unreadable("The file has no surface: all its points are one.", "file")
    grid = np.round((flat - flat.min(0)) / (span * _WELD)).astype(np.int64)
    # one number for each place of the grid sorts far quicker than three
    key = (grid[:, 0] << 42) | (grid[:, 1] << 21) | grid[:, 2]
    _, first, index = np.unique(key, return_index=True, return_inverse=True)
    points, faces = flat[first], index.reshape(-1, 3)
    real = (faces[:, 0] != faces[:, 1]) & (faces[:, 1] != faces[:, 2]) & (faces[:, 0] != faces[:, 2])
    faces = faces[real]
    _, once = np.unique(np.sort(faces, axis=1), axis=0, return_index=True)
    faces = faces[np.sort(once)]
    a, b, c = (points[faces[:, at]] for at in range(3))
    cross = np.cross(b - a, c - a)
    faces = faces[np.linalg.norm(cross, axis=1) > _EMPTY]
    if not len(faces):
        raise Unreadable("The file has no surface: all its triangles are empty.", "file")
    a, b, c = (points[faces[:, at]] for at in range(3))
    if float((a * np.cross(b, c)).sum()) < 0:
        faces = faces[:, ::-1]
    return Solid(points, faces)


def refined(corners: np.ndarray) -> np.ndarray:
    """Triangles with long edges halved, again and again, so that plain solids can be cut; both sides of an edge alike, so
    that none gapes."""
    longest = max(float(np.ptp(corners.reshape(-1, 3), axis=0).max()) * _LONG, _LONG_MM)
    for _ in range(_ROUNDS):
        long = np.linalg.norm(corners - np.roll(corners, -1, axis=1), axis=2) > longest
        count = long.sum(1)
        if not count.any() or len(corners) > _MOST_REFINED:
            break
        out = [corners[count == 0]]
        for one in (1, 2, 3):
            mine = count == one
            if mine.any():
                out += _halved(corners[mine], long[mine], one)
        corners = np.concatenate(out)
    return corners


def _halved(corners: np.ndarray, long: np.ndarray, count: int) -> list[np.ndarray]:
    """Triangles with so many long edges, cut at their middles. Each is turned so that its long edges come first."""
    first = np.argmax(long, 1) if count != 2 else (np.argmin(long, 1) + 1) % 3
    at = np.arange(len(corners))
    a, b, c = (corners[at, (first + shift) % 3] for shift in range(3))
    ab, bc, ca = (a + b) / 2, (b + c) / 2, (c + a) / 2
    cut = {
        1: ((a, ab, c), (ab, b, c)),
        2: ((ab, b, bc), (a, ab, bc), (a, bc, c)),
        3: ((a, ab, ca), (ab, b, bc), (ca, bc, c), (ab, bc, ca)),
    }[count]
    return [np.stack(three, 1) for three in cut]
