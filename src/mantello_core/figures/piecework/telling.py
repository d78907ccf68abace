"""Pieces and how they touch, as a browser is told: so that a click needs no server."""

import numpy as np

from .pieces import BORDER, STEP, PieceGraph

#: steps in which costs are told
_COST = 10_000


def told_graph(graph: PieceGraph, labels: np.ndarray, size: np.ndarray) -> dict:
    """Pieces with their middles in pixels, None for those that labels do not show, and sizes; pairs with their costs.
    JSON-ready. labels: piece of every pixel, -1 off the figure; size: of every piece, pixels."""
    count = len(graph.size)
    rows, columns = np.nonzero(labels >= 0)
    piece = labels[rows, columns]
    shown = np.bincount(piece, minlength=count)
    most = np.maximum(shown, 1)
    middles = np.stack([np.bincount(piece, columns, count) / most, np.bincount(piece, rows, count) / most], 1)
    cost = np.round((STEP + BORDER * graph.strength**2) * _COST).astype(int)
    return {
        "width": labels.shape[1],
        "height": labels.shape[0],
        "size": size.tolist(),
        "middles": [at if had else None for at, had in zip(np.round(middles).astype(int).tolist(), shown, strict=True)],
        "pairs": graph.pairs.ravel().tolist(),
        "cost": cost.tolist(),
    }


def label_picture(labels: np.ndarray) -> np.ndarray:
    """The piece of every pixel as a picture, (height, width, 3): number + 1 in red and green, low byte first; 0 off the
    figure."""
    number = (labels + 1).astype(np.uint16)
    return np.stack([number & 255, number >> 8, np.zeros_like(number)], -1).astype(np.uint8)
