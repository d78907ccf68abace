"""A surface gathered into patches that end at creases: the pieces that a painter hands out to areas."""

from collections.abc import Iterable

import numpy as np

from ..piecework.pieces import PieceGraph, nearest_start, touching
from .seen import Seen
from .solid import Solid

#: patches asked for; how much a full crease lengthens the way over it
PATCHES, CREASE = 1400, 40.0
#: the bend, radians a mm, and the turn that make a full crease; what a convex one counts against a hollow one
_BEND, _TURN, _CONVEX = 2.4, np.radians(14), 0.5
_LEAST_APART = 0.05
#: how strong a border is where separate shells stand in each other, and its length in the graph
_SHELLS, _SHELLS_LONG = 0.9, 0.1


def crease_strength(solid: Solid) -> np.ndarray:
    """How much each shared edge looks like the border of a part, 0 to 1: a turn within a short way, a hollow one twice as
    much as a convex one, for parts meet in hollows."""
    bend = np.abs(solid.turn) / np.maximum(solid.across_mm, _LEAST_APART)
    weight = np.where(solid.turn < 0, 1.0, _CONVEX)
    return np.clip(weight * bend / _BEND, 0, 1) * np.clip(np.abs(solid.turn) / _TURN, 0, 1)


def patched(solid: Solid, count: int = PATCHES) -> tuple[np.ndarray, PieceGraph]:
    """The patch of every face, and how patches touch; sizes are mm²."""
    strength = crease_strength(solid)
    every = np.sqrt(solid.mm2.sum() / count)
    cell = np.floor(solid.centre / every).astype(np.int64)
    cell -= cell.min(0)
    way = np.argmax(np.abs(solid.normal), 1) * 2 + (solid.normal.max(1) > 0.6)
    key = ((cell[:, 0] * 4096 + cell[:, 1]) * 4096 + cell[:, 2]) * 6 + way
    key = np.unique(key, return_inverse=True)[1] * (int(solid.shell.max()) + 1) + solid.shell
    # one start in each cell, main direction and shell: a large face with weak edges
    rough = np.bincount(solid.pairs.ravel(), np.repeat(strength, 2), minlength=len(solid.faces))
    order = np.lexsort((rough - 0.1 * solid.mm2 / solid.mm2.max(), key))
    starts = order[np.r_[True, np.diff(key[order]) > 0]]
    patch = nearest_start(solid.pairs, solid.apart_mm * (1 + CREASE * strength), len(solid.faces), starts)
    pairs, mean, _ = touching(patch, solid.pairs, strength)
    length = _lengths(patch, pairs, solid)
    return patch, PieceGraph(np.bincount(patch, solid.mm2), pairs, mean, length)


def _lengths(patch: np.ndarray, pairs: np.ndarray, solid: Solid) -> np.ndarray:
    """Millimetres of border between the patches of every pair."""
    count = len(pairs) and int(pairs.max()) + 1
    one, other = patch[solid.pairs[:, 0]], patch[solid.pairs[:, 1]]
    apart = one != other
    key = np.minimum(one, other)[apart].astype(np.int64) * count + np.maximum(one, other)[apart]
    known = pairs[:, 0].astype(np.int64) * count + pairs[:, 1]
    return np.bincount(np.searchsorted(known, key), solid.edge_mm[apart], minlength=len(pairs))


def joined_in_views(graph: PieceGraph, maps: Iterable[np.ndarray]) -> PieceGraph:
    """The graph with pairs that touch only in a view, as those of shells that stand in each other. maps: patch of every pixel."""
    found = []
    for labels in maps:
        for one, other in ((labels[:, :-1], labels[:, 1:]), (labels[:-1], labels[1:])):
            both = (one != other) & (one >= 0) & (other >= 0)
            found.append(np.stack([one[both], other[both]], 1))
    pairs = np.unique(np.sort(np.vstack(found), axis=1), axis=0).astype(np.int64)
    count = len(graph.size)
    known = np.isin(pairs[:, 0] * count + pairs[:, 1], graph.pairs.min(1) * count + graph.pairs.max(1))
    more = pairs[~known]
    return PieceGraph(
        graph.size, np.vstack([graph.pairs, more]), np.r_[graph.strength, np.full(len(more), _SHELLS)],
        np.r_[graph.length, np.full(len(more), _SHELLS_LONG)],
    )  # fmt: skip


def patch_map(seen: Seen, patch: np.ndarray) -> np.ndarray:
    """The patch of every pixel of a view, -1 off the figure."""
    return np.where(seen.mask, patch[np.maximum(seen.face, 0)], -1).astype(np.int32)
