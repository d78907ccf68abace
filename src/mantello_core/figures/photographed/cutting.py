"""A photograph cut up: its outline, its light, how much every pixel looks like the border of a part, and its pieces."""

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from scipy import ndimage

from ...errors import Unreadable
from ..piecework.pieces import PieceGraph, nearest_start, touching
from .hand_drawn import snapped
from .outline import linear, outlined, table_light

#: pieces an outline is cut into, how much a border of full strength lengthens the way over it, and a step of light
PIECES, _RIDGE, _TONE = 2200, 45.0, 6.0
#: shares of the picture that a figure may fill
_LEAST, _MOST = 0.01, 0.85
_LUMINANCE = np.array([0.2126, 0.7152, 0.0722], np.float32)


@dataclass(frozen=True, eq=False)
class CutUp:
    """A photograph cut up, all arrays as high and wide as it: piece of every pixel (-1 off the figure), light over its
    median, strength of borders 0 to 1; and how the pieces touch."""

    labels: np.ndarray
    shade: np.ndarray
    border: np.ndarray
    graph: PieceGraph

    @property
    def mask(self) -> np.ndarray:
        """Where the figure is."""
        return self.labels >= 0


def cut_up(
    picture: np.ndarray,
    inside: np.ndarray | None = None,
    outside: np.ndarray | None = None,
    lines: Sequence[np.ndarray] = (),
    pieces: int = PIECES,
) -> CutUp:
    """A photograph of a bare or primed figure, cut up. picture: (height, width, 3), sRGB 0 to 1; inside, outside: strokes;
    lines: borders drawn by hand, each points (n, 2) as x and y in pixels, which are laid on the nearest edge.

    Raises: Unreadable where no figure stands out from the table, or where it is cut off by the upper or a side edge.
    """
    light = linear(picture)
    table = table_light(light)
    mask = outlined(light, table, inside, outside)
    share = float(mask.mean())
    if not _LEAST <= share <= _MOST:
        raise Unreadable(
            f"No figure stands out from the table: {100 * share:.1f} % of the picture does, and {100 * _LEAST:.0f} to {100 * _MOST:.0f} %"
            " should. Photograph it on a plain sheet of another colour than the primer, whole and alone.", "picture",
        )  # fmt: skip
    even = (light / table) @ _LUMINANCE
    shade = (even / max(float(np.median(even[mask])), 1e-6)).astype(np.float32)
    border = border_strength(shade, mask)
    for line in lines:
        border[snapped(border, line) & mask] = 1.0
    labels = _cut(mask, border, shade, pieces)
    return CutUp(labels, shade, border, graph_of(labels, border, shade))


def cut_off(mask: np.ndarray) -> tuple[str, ...]:
    """Edges of the picture that the figure runs into: 'left', 'right', 'upper', 'lower'."""
    sides = {"left": mask[:, 0], "right": mask[:, -1], "upper": mask[0], "lower": mask[-1]}
    return tuple(name for name, side in sides.items() if int(side.sum()) > 3)


def border_strength(shade: np.ndarray, mask: np.ndarray) -> np.ndarray:
    """How much each pixel looks like the border of a part, 0 to 1: a step of light, or a dark line between two forms."""
    tone = np.log(np.clip(shade, 0.02, None))
    filled = ndimage.distance_transform_edt(~mask, return_distances=False, return_indices=True)
    tone = tone[tuple(filled)]
    found = np.zeros_like(tone)
    for sigma, weight in ((1.0, 1.0), (2.0, 0.8)):
        step = ndimage.gaussian_gradient_magnitude(tone, sigma) * sigma
        yy, xx, xy = (ndimage.gaussian_filter(tone, sigma, order=order) for order in ((2, 0), (0, 2), (1, 1)))
        valley = np.clip((yy + xx) / 2 + np.sqrt(((yy - xx) / 2) ** 2 + xy**2), 0, None) * sigma**2
        found = np.maximum(found, weight * np.hypot(step, 1.6 * valley))
    strong = max(float(np.percentile(found[mask], 97)), 1e-6)
    # a faint border counts where all about it is faint, as in shadow
    inside = mask.astype(np.float32)
    about = ndimage.gaussian_filter(found * inside, 11) / np.maximum(ndimage.gaussian_filter(inside, 11), 1e-3)
    even = found / (0.9 * about + 0.14 * strong)
    return np.clip(even / max(float(np.percentile(even[mask], 96)), 1e-6), 0, 1).astype(np.float32)


def graph_of(labels: np.ndarray, border: np.ndarray, shade: np.ndarray) -> PieceGraph:
    """How the pieces of a picture touch, and how strong the borders between them are."""
    flat, edge = labels.ravel(), border.ravel()
    at = np.arange(flat.size).reshape(labels.shape)
    pairs = np.vstack(
        [np.stack([at[:, :-1].ravel(), at[:, 1:].ravel()], 1), np.stack([at[:-1].ravel(), at[1:].ravel()], 1)]
    )
    joined, weight, length = touching(flat, pairs, np.maximum(edge[pairs[:, 0]], edge[pairs[:, 1]]))
    here = flat >= 0
    size = np.bincount(flat[here])
    mean = np.bincount(flat[here], shade.ravel()[here]) / np.maximum(size, 1)
    mean = np.log(np.clip(mean, 0.02, None))
    change = np.clip(np.abs(mean[joined[:, 0]] - mean[joined[:, 1]]) / 0.8, 0, 1)
    return PieceGraph(size, joined, np.clip(0.8 * weight + 0.2 * change, 0, 1), length)


def pixel_pairs(mask: np.ndarray) -> tuple[np.ndarray, np.ndarray]:
    """The number of every pixel of a mask, -1 off it, and the pairs of those that touch, as (n, 2)."""
    number = np.full(mask.shape, -1, np.int64)
    number[mask] = np.arange(int(mask.sum()))
    pairs = []
    for one, other in ((number[:, :-1], number[:, 1:]), (number[:-1], number[1:])):
        both = (one >= 0) & (other >= 0)
        pairs.append(np.stack([one[both], other[both]], 1))
    return number, np.vstack(pairs)


def _cut(mask: np.ndarray, border: np.ndarray, shade: np.ndarray, count: int) -> np.ndarray:
    """Pieces as even as their borders allow: the nearest start over a way that is long across borders."""
    _, pairs = pixel_pairs(mask)
    edge, tone = border[mask], np.log(np.clip(shade[mask], 0.02, None))
    every = max(3, int(np.sqrt(mask.sum() / count)))
    rows, columns = np.nonzero(mask)
    # a start in each square of the grid, where the border is least
    cell = (rows // every) * 100_000 + columns // every
    off = np.hypot(rows % every - every / 2, columns % every - every / 2) / every
    order = np.lexsort((edge + 0.25 * off, cell))
    first = np.r_[True, np.diff(cell[order]) > 0]
    strength = np.maximum(edge[pairs[:, 0]], edge[pairs[:, 1]])
    step = np.abs(tone[pairs[:, 0]] - tone[pairs[:, 1]])
    labels = np.full(mask.shape, -1, np.int32)
    labels[mask] = nearest_start(pairs, 1 + _RIDGE * strength + _TONE * step, len(edge), order[first])
    return labels
