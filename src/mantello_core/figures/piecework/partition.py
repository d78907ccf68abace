"""From a map of labels to polygons that share their borders: nothing overlaps, nothing is left open."""

import numpy as np
import shapely
from scipy import ndimage
from shapely.geometry import LineString
from shapely.geometry.base import BaseGeometry
from shapely.ops import polygonize, unary_union

#: a patch smaller than this is given to what lies round it, mm²; tolerance of outlines, mm; pixels that stairs are smoothed over
LEAST_MM2, TOLERANCE_MM, SMOOTH = 0.10, 0.035, 1.3


def polygons(labels: np.ndarray, px_mm: float, *, tolerance: float = TOLERANCE_MM) -> dict[int, BaseGeometry]:
    """Label to polygon, in pixels with y down; -1 is nothing. px_mm: pixels a mm; tolerance: mm.

    Each border is traced, smoothed and simplified once, so both neighbours get the same line.
    """
    found: dict[int, list[BaseGeometry]] = {}
    lines = [LineString(_smoothed(chain)).simplify(tolerance * px_mm) for chain in _chains(labels)]
    for face in polygonize(unary_union(lines)):
        at = face.representative_point()
        y = int(np.clip(at.y, 0, labels.shape[0] - 1))
        x = int(np.clip(at.x, 0, labels.shape[1] - 1))
        if labels[y, x] >= 0:
            found.setdefault(int(labels[y, x]), []).append(face)
    return {label: shapely.union_all(faces) for label, faces in found.items()}


def without_specks(labels: np.ndarray, px_mm: float, least: float = LEAST_MM2) -> np.ndarray:
    """Labels with specks, mm², given to their nearest neighbour."""
    speck = np.zeros(labels.shape, bool)
    boxes = ndimage.find_objects(labels + 1)
    for label in np.unique(labels[labels >= 0]):
        box = boxes[label]
        parts, count = ndimage.label(labels[box] == label)
        small = np.bincount(parts.ravel(), minlength=count + 1) < least * px_mm**2
        small[0] = False
        speck[box] |= small[parts]
    if not speck.any() or not (~speck & (labels >= 0)).any():
        return labels
    clean = labels.copy()
    at = ndimage.distance_transform_edt(speck | (labels < 0), return_distances=False, return_indices=True)
    clean[speck] = labels[tuple(at)][speck]
    return clean


def _chains(labels: np.ndarray) -> list[np.ndarray]:
    """The borders between labels as chains of pixel corners, (n, 2) as x and y, from one meeting of three to the next."""
    padded = np.pad(labels, 1, constant_values=-1)
    width = padded.shape[1] + 1
    upright, level = np.argwhere(padded[:, 1:] != padded[:, :-1]), np.argwhere(padded[1:] != padded[:-1])
    corner = np.concatenate([upright @ (width, 1) + 1, level @ (width, 1) + width])
    step = np.concatenate([np.full(len(upright), width), np.ones(len(level), int)])
    if not len(corner):
        return []
    corners, beside, first, order = _joined(corner, corner + step)
    degree = np.diff(first).tolist()
    first, gone = first.tolist(), bytearray(len(beside))
    chains = []

    def walked(start: int, way: int) -> list[int]:
        """The chain from a corner along one of its ways, both ends of every step marked as gone."""
        chain, here = [start], start
        while True:
            gone[way] = 1
            before, here = here, beside[way]
            chain.append(here)
            at = first[here]
            back = at if beside[at] == before else at + 1
            while beside[back] != before:
                back += 1
            gone[back] = 1
            if degree[here] != 2 or here == start:
                return chain
            way = 2 * at + 1 - back

    for node in order:
        if degree[node] != 2:
            chains += [walked(node, way) for way in range(first[node], first[node + 1]) if not gone[way]]
    chains += [walked(node, first[node]) for node in order if not gone[first[node]]]
    found = []
    for chain in chains:
        at = corners[chain]
        found.append(np.stack([at % width - 1, at // width - 1], 1).astype(float))
    return found


def _joined(one: np.ndarray, other: np.ndarray) -> tuple[np.ndarray, list[int], np.ndarray, list[int]]:
    """Corners that are joined in pairs: their names in rising order; by place, what each is joined to, in the order of the
    pairs; where that begins for each, and at the end; and the places in the order in which the pairs name them."""
    ends, beyond = np.stack([one, other], 1).ravel(), np.stack([other, one], 1).ravel()
    corners, named, place, count = np.unique(ends, return_index=True, return_inverse=True, return_counts=True)
    sorted_ends = np.argsort(place, kind="stable")
    beside = np.searchsorted(corners, beyond[sorted_ends]).tolist()
    return corners, beside, np.concatenate([[0], np.cumsum(count)]), np.argsort(named, kind="stable").tolist()


def _smoothed(points: np.ndarray) -> np.ndarray:
    """A chain without stairs; the ends of an open one stay where they are."""
    if len(points) < 5:
        return points
    if np.array_equal(points[0], points[-1]):
        ring = ndimage.gaussian_filter1d(points[:-1], SMOOTH, axis=0, mode="wrap")
        return np.vstack([ring, ring[:1]])
    mirrored = np.vstack([2 * points[0] - points[1:9][::-1], points, 2 * points[-1] - points[-9:-1][::-1]])
    lead = min(8, len(points) - 1)
    out = ndimage.gaussian_filter1d(mirrored, SMOOTH, axis=0)[lead:-lead]
    out[0], out[-1] = points[0], points[-1]
    return out
