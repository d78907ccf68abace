"""A model cut up as bytes to keep, and as what a browser hands its patches out with, view by view."""

import io
from zipfile import BadZipFile

import numpy as np

from ...errors import Unreadable
from ..piecework.pieces import PieceGraph
from ..piecework.telling import told_graph
from .model import Model, views_of
from .patches import patch_map
from .sky import Sky
from .solid import Solid

#: steps in which shares of the sky are kept
_FINE = 255


def packed(model: Model) -> bytes:
    """The model cut up, compressed: some 2 MB for 60,000 faces."""
    out, graph = io.BytesIO(), model.graph
    np.savez_compressed(
        out, points=model.solid.points.astype(np.float32), faces=model.solid.faces.astype(np.int32),
        patch=model.patch.astype(np.int32), pairs=graph.pairs.astype(np.int32), strength=graph.strength.astype(np.float32),
        length=graph.length.astype(np.float32), size=graph.size.astype(np.float32),
        open=np.round(model.sky.open * _FINE).astype(np.uint8), shown=np.ceil(model.sky.shown * _FINE).astype(np.uint8),
    )  # fmt: skip
    return out.getvalue()


def unpacked(data: bytes) -> Model:
    """The model cut up, from what ``packed`` made; it is looked at from all sides anew.

    Raises: Unreadable for bytes that it did not make.
    """
    try:
        with np.load(io.BytesIO(data), allow_pickle=False) as kept:
            solid = Solid(kept["points"].astype(float), kept["faces"].astype(np.int64))
            graph = PieceGraph(
                kept["size"].astype(float), kept["pairs"].astype(np.int64), kept["strength"].astype(float),
                kept["length"].astype(float),
            )  # fmt: skip
            sky = Sky(kept["open"] / _FINE, kept["shown"] / _FINE)
            return Model(solid, kept["patch"].astype(np.int64), graph, sky, views_of(solid))
    except (OSError, ValueError, KeyError, EOFError, BadZipFile) as error:
        raise Unreadable("What was kept of the model cannot be read; send the file again.", "file") from error


def handing_out(model: Model, view: str) -> dict:
    """What a browser needs for one view: patches with their middles in pixels (none for those it does not show) and sizes in
    pixels, and pairs with their costs; JSON-ready."""
    seen = model.views[view]
    size = np.maximum(np.round(model.graph.size * seen.px_mm**2), 1).astype(int)
    return told_graph(model.graph, patch_map(seen, model.patch), size)
