"""A photograph cut up as bytes to keep, and as what a browser hands pieces out with."""

import io
from zipfile import BadZipFile

import numpy as np

from ...errors import Unreadable
from ..piecework.pieces import PieceGraph
from ..piecework.telling import told_graph
from .cutting import CutUp

#: steps in which the strength of borders is kept
_FINE = 255
#: light that is kept at most, over its median, and the power by which it is kept finer in the dark
_BRIGHTEST, _ENCODED = 8.0, 1 / 2.2


def packed(cut: CutUp) -> bytes:
    """The photograph cut up, compressed: some 400 kB for one of 900 pixels."""
    out = io.BytesIO()
    graph = cut.graph
    np.savez_compressed(
        out, labels=cut.labels.astype(np.int16),
        shade=np.where(cut.mask, np.clip(cut.shade, 0, _BRIGHTEST) ** _ENCODED / _BRIGHTEST**_ENCODED * _FINE, 0).round().astype(np.uint8),
        border=np.where(cut.mask, np.round(cut.border * _FINE), 0).astype(np.uint8), pairs=graph.pairs.astype(np.int16),
        strength=graph.strength.astype(np.float32), length=graph.length.astype(np.int32), size=graph.size.astype(np.int32),
    )  # fmt: skip
    return out.getvalue()


def unpacked(data: bytes) -> CutUp:
    """The photograph cut up, from what ``packed`` made.

    Raises: Unreadable for bytes that it did not make.
    """
    try:
        with np.load(io.BytesIO(data), allow_pickle=False) as kept:
            graph = PieceGraph(
                kept["size"], kept["pairs"].astype(np.int64), kept["strength"].astype(float), kept["length"]
            )
            return CutUp(
                kept["labels"].astype(np.int32),
                (kept["shade"].astype(np.float32) / _FINE) ** (1 / _ENCODED) * _BRIGHTEST,
                kept["border"].astype(np.float32) / _FINE, graph,
            )  # fmt: skip
    except (OSError, ValueError, KeyError, EOFError, BadZipFile) as error:
        raise Unreadable("What was kept of the photograph cannot be read; send it again.", "picture") from error


def handing_out(cut: CutUp) -> dict:
    """What a browser needs: pieces with their middles in pixels and sizes, and pairs with their costs; JSON-ready."""
    return told_graph(cut.graph, cut.labels, cut.graph.size)
