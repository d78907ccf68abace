"""Solids whose measures are known, and files of them."""

import io
import json
import zipfile
from functools import cache
from pathlib import Path

import numpy as np
from scipy.sparse import coo_array
from scipy.sparse.csgraph import connected_components

from mantello_core.figures.modelled.model import Model, modelled
from mantello_core.figures.modelled.sample import sample_model
from mantello_core.figures.modelled.solid import refined, set_upright
from mantello_core.figures.modelled.triangles import triangles

TRUTH = Path(__file__).parent / "truth"
#: the twelve triangles of a box with corners numbered x + 2 y + 4 z, wound so that they face out
_BOX = (
    (0, 2, 1), (1, 2, 3), (4, 5, 6), (5, 7, 6), (0, 1, 4), (1, 5, 4), (2, 6, 3), (3, 6, 7), (0, 4, 2), (2, 4, 6), (1, 3, 5), (3, 7, 5),
)  # fmt: skip


def box(wide: float, tall: float, deep: float, at=(0.0, 0.0, 0.0)) -> np.ndarray:
    """A box standing on ``at``, its middle there: corners of its triangles."""
    corner = np.array([[(n & 1) - 0.5, (n >> 1) & 1, (n >> 2) - 0.5] for n in range(8)]) * [wide, tall, deep] + at
    return corner[np.array(_BOX)]


def ball(radius: float, count: int = 48) -> np.ndarray:
    """A ball about the origin in narrow triangles."""
    polar, turn = np.linspace(0, np.pi, count), np.linspace(0, 2 * np.pi, 2 * count)
    p, t = np.meshgrid(polar, turn, indexing="ij")
    at = radius * np.stack([np.sin(p) * np.cos(t), np.cos(p), np.sin(p) * np.sin(t)], -1)
    a, b, c, d = at[:-1, :-1], at[1:, :-1], at[1:, 1:], at[:-1, 1:]
    return np.concatenate([np.stack([a, c, b], -2).reshape(-1, 3, 3), np.stack([a, d, c], -2).reshape(-1, 3, 3)])


def stl(corners: np.ndarray) -> bytes:
    """A binary STL."""
    kind = np.dtype([("n", "<f4", 3), ("v", "<f4", (3, 3)), ("a", "<u2")])
    found = np.zeros(len(corners), kind)
    found["v"] = corners
    return b"\0" * 80 + np.uint32(len(corners)).tobytes() + found.tobytes()


def three_mf(model: str, name: str = "3D/3dmodel.model") -> bytes:
    """A 3MF with one model part."""
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as packed:
        packed.writestr(name, model)
    return out.getvalue()


def cut(corners: np.ndarray) -> Model:
    """The model cut up, the sky seen from a dozen directions."""
    *_, (_, _, model) = modelled(corners, 12)
    return model


@cache
def carrier() -> tuple[Model, np.ndarray, list[str]]:
    """The sample carrier cut up, the true area of every patch by its place among the names, and the names."""
    told = json.loads((TRUTH / "carrier.json").read_text())
    true = np.repeat(*np.array(told["runs"]).T)
    corners = set_upright(triangles(sample_model(), "carrier.stl"), "+y", 0)
    model = cut(corners)
    # each triangle's number goes along as a fourth coordinate, too small to tell on lengths
    number = np.repeat(np.arange(len(corners))[:, None, None] * 1e-3, 3, axis=1)
    origin = np.round(refined(np.concatenate([corners, number], axis=2))[:, 0, 3] * 1e3).astype(int)
    votes = np.zeros((len(model.graph.size), len(told["areas"])))
    np.add.at(votes, (model.patch, true[origin]), model.solid.mm2)
    return model, votes.argmax(1), told["areas"]


def shown(model: Model) -> np.ndarray:
    """Pixels that every patch shows in all views."""
    count = len(model.graph.size)
    return sum(np.bincount(model.patch[seen.face[seen.mask]], minlength=count) for seen in model.views.values())


def clicked(model: Model, true: np.ndarray, clicks: int) -> dict[int, int]:
    """Clicks of a painter who knows the truth, so many for each area: the largest piece of every area, then always the largest
    mistake."""
    pixels, areas = shown(model), np.unique(true)
    given = {int(np.where(true == area, pixels, -1).argmax()): int(area) for area in areas}
    for _ in range((clicks - 1) * len(areas)):
        wrong = (model.graph.assigned(given) != true) & (pixels > 0)
        if not wrong.any():
            break
        blob = _blobs(model, wrong, true)
        worst = np.bincount(blob[wrong], pixels[wrong]).argmax()
        piece = int(np.where(wrong & (blob == worst), pixels, -1).argmax())
        given[piece] = int(true[piece])
    return given


def _blobs(model: Model, wrong: np.ndarray, true: np.ndarray) -> np.ndarray:
    """Of every patch the number of the mistake it is part of: wrong patches that touch and belong to one area."""
    one, other = model.graph.pairs.T
    joined = wrong[one] & wrong[other] & (true[one] == true[other])
    count = len(true)
    return connected_components(coo_array((np.ones(joined.sum()), (one[joined], other[joined])), shape=(count, count)))[
        1
    ]
