"""Where a figure is on a photograph of it, and how light falls on it."""

import numpy as np
from scipy import ndimage

from ...colour.spaces import linear_light

#: pixels about a stroke within which what looks like it is in doubt again, and how alike that is in log light
_STROKE, _ALIKE = 70, 0.22
_ROUNDS = 6
#: shares of the likeness to the figure's own hue below which it is no sure figure, and is table
_DOUBT, _TABLE = 0.5, 0.3
#: patches and holes smaller than this share, of the largest patch and of the picture, are none
_PATCH, _HOLE = 0.02, 0.0004


def linear(picture: np.ndarray) -> np.ndarray:
    """Linear light of an sRGB picture, both 0 to 1."""
    return linear_light(picture).astype(np.float32)


def table_light(light: np.ndarray) -> np.ndarray:
    """The table as if nothing stood on it: log light as a quadratic of the place, through the left, right and upper rim.

    light: (height, width, 3), linear. What does not fit is dropped, six rounds.
    """
    height, width, _ = light.shape
    v, u = np.mgrid[-1 : 1 : height * 1j, -1 : 1 : width * 1j].astype(np.float32)
    basis = np.stack([np.ones_like(u), u, v, u * v, u * u, v * v], -1)
    rim = np.zeros((height, width), bool)
    wide = max(6, width // 40)
    rim[:wide] = rim[:, :wide] = rim[:, -wide:] = True
    # not the lower edge: the base may stand there
    rim[int(height * 0.8) :] = False
    rows, seen = basis[rim], np.log(light[rim] + 1e-3)
    kept = np.ones(len(rows), bool)
    fit = np.zeros((6, 3), np.float32)
    for _ in range(_ROUNDS):
        fit = np.linalg.lstsq(rows[kept], seen[kept], rcond=None)[0]
        off = np.abs(seen - rows @ fit).max(axis=1)
        kept = off < max(3 * float(np.median(off[kept])), 0.02)
    return np.exp(basis @ fit)


def outlined(
    light: np.ndarray, table: np.ndarray, inside: np.ndarray | None = None, outside: np.ndarray | None = None
) -> np.ndarray:
    """Where the figure is, (height, width): sure pixels grow along the least edges.

    inside, outside: strokes of the painter, as masks, for figure and for table.
    Source: a watershed on the gradient of log light (Vincent and Soille, 1991), levels by Otsu (1979).
    """
    ratio = np.log((light + 1e-3) / table)
    tone = ratio.mean(axis=-1)
    hue = np.abs(ratio - tone[..., None]).max(axis=-1)
    soft, edge = ndimage.gaussian_filter(tone, 1.2), ndimage.gaussian_gradient_magnitude(tone, 1.2)
    off = np.hypot(soft, 3 * ndimage.gaussian_filter(hue, 1.2))
    rim = off[: off.shape[0] // 2, :8]
    noise = float(np.median(rim) + 3 * np.std(rim))
    level = max(_parting(np.clip(off, 0, 2)), 2 * noise)
    marks = np.zeros(off.shape, np.int16)
    marks[off < min(0.35 * level, level - noise)] = 1
    marks[ndimage.binary_erosion(off > 1.1 * level, iterations=2)] = 2
    _spare_shadows(marks, ndimage.gaussian_filter(ratio - tone[..., None], (1.6, 1.6, 0)))
    strokes = [(stroke, mark) for stroke, mark in ((outside, 1), (inside, 2)) if stroke is not None and stroke.any()]
    for stroke, mark in strokes:
        _doubt(marks, soft, stroke, mark)
    for stroke, mark in strokes:
        marks[stroke] = mark
    cost = np.clip(edge / max(float(np.percentile(edge, 99.5)), 1e-6), 0, 1)
    grown = ndimage.watershed_ift((cost * 250).astype(np.uint8), marks) == 2
    grown = ndimage.binary_opening(grown)
    if inside is not None:
        grown |= inside
    grown |= ndimage.binary_dilation(grown) & (off > 0.35 * level) & (marks != 1)
    return _whole(grown)


def _spare_shadows(marks: np.ndarray, chroma: np.ndarray) -> None:
    """A shadow keeps the hue of the table: where figure and table differ in hue, that tells them apart."""
    core = marks == 2
    if not core.any():
        return
    rows = np.nonzero(core)[0]
    # taken high up, where no shadow of the figure falls on the table
    high = core & (np.arange(len(core))[:, None] < rows.min() + 0.6 * np.ptp(rows))
    own = np.median(chroma[high], axis=0)
    plain = chroma[marks == 1]
    spread = float(np.sqrt((plain**2).sum(axis=-1).mean())) if len(plain) else 0.0
    if np.linalg.norm(own) > 4 * spread and own @ own > 0:
        like = chroma @ own / (own @ own)
        marks[core & (like < _DOUBT)] = 0
        marks[(like < _TABLE) & (marks != 2)] = 1


def _doubt(marks: np.ndarray, soft: np.ndarray, stroke: np.ndarray, mark: int) -> None:
    """What looks like a stroke and hangs together with it is in doubt again; the edges then decide."""
    alike, _ = ndimage.label(np.abs(soft - np.median(soft[stroke])) < _ALIKE)
    touched = np.isin(alike, np.unique(alike[stroke & (alike > 0)])) & (marks == 3 - mark)
    marks[touched & (ndimage.distance_transform_edt(~stroke) < _STROKE)] = 0


def _whole(grown: np.ndarray) -> np.ndarray:
    """Without small patches and small holes."""
    parts, count = ndimage.label(grown)
    if not count:
        return grown
    sizes = ndimage.sum_labels(grown, parts, np.arange(1, count + 1))
    grown = np.isin(parts, 1 + np.flatnonzero(sizes > _PATCH * sizes.max()))
    gaps, _ = ndimage.label(~grown)
    small = np.bincount(gaps.ravel()) < _HOLE * grown.size
    small[0] = False
    return grown | small[gaps]


def _parting(values: np.ndarray) -> float:
    """The level that parts values best into low and high ones (Otsu)."""
    count, ends = np.histogram(values, 128)
    middle = (ends[1:] + ends[:-1]) / 2
    low, total = np.cumsum(count), np.cumsum(count * middle)
    high = low[-1] - low
    between = low * high * (total / np.maximum(low, 1) - (total[-1] - total) / np.maximum(high, 1)) ** 2
    return float(middle[np.argmax(between)])
