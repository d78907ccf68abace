"""Photographs whose areas are known: those of invented figures, and drawn ones."""

import io
import json
from functools import cache
from pathlib import Path

import numpy as np
from PIL import Image
from scipy import ndimage

from mantello_core.figures.photographed.cutting import CutUp, cut_up
from mantello_core.figures.photographed.sample import sample_photographs

TRUTH = Path(__file__).parent / "truth"


def picture_of(data: bytes) -> np.ndarray:
    with Image.open(io.BytesIO(data)) as picture:
        return np.asarray(picture.convert("RGB"), np.float32) / 255


@cache
def sample(name: str, view: str) -> tuple[CutUp, np.ndarray, tuple[str, ...]]:
    """A photograph cut up, the number of the area of every pixel (0 the table), and the names of the areas."""
    data = sample_photographs()[view] if name == "diver" else (TRUTH / f"{name}.{view}.jpg").read_bytes()
    with Image.open(TRUTH / f"{name}.{view}.png") as truth:
        areas = np.asarray(truth).astype(int)
    return cut_up(picture_of(data)), areas, tuple(json.loads((TRUTH / "areas.json").read_text())[name])


def clicked(cut: CutUp, truth: np.ndarray, clicks: int) -> dict[int, int]:
    """What a painter who knows gives, so many clicks an area: each area's middle first, then always the middle of the largest
    mistake. A piece that lies across a border stays where it was given."""
    areas = [int(area) for area in np.unique(truth[truth > 0])]
    given: dict[int, int] = {}
    for area in areas:
        piece = int(cut.labels[_deepest((truth == area) & cut.mask)])
        given.setdefault(piece, area)
    across = np.zeros(truth.shape, bool)
    for _ in range((clicks - 1) * len(areas)):
        labels = np.where(cut.mask, cut.graph.assigned(given)[np.maximum(cut.labels, 0)], 0)
        wrong = (labels != truth) & (truth > 0) & cut.mask & ~across
        if not wrong.any():
            break
        at = _deepest(wrong)
        piece = int(cut.labels[at])
        if given.setdefault(piece, int(truth[at])) != truth[at]:
            across |= cut.labels == piece
    return given


def _deepest(mask: np.ndarray) -> tuple[int, int]:
    """The pixel farthest from the edge of the largest patch of a mask."""
    parts, _ = ndimage.label(mask)
    sizes = np.bincount(parts.ravel())
    sizes[0] = 0
    rows, columns = (np.flatnonzero((parts == sizes.argmax()).any(axis=axis)) for axis in (1, 0))
    box = np.s_[rows[0] : rows[-1] + 1, columns[0] : columns[-1] + 1]
    deep = ndimage.distance_transform_edt(np.pad(parts[box] == sizes.argmax(), 1))[1:-1, 1:-1]
    y, x = np.unravel_index(deep.argmax(), deep.shape)
    return int(y + rows[0]), int(x + columns[0])


def overlap(one: np.ndarray, other: np.ndarray) -> float:
    """Share of two masks' union that both have."""
    return float((one & other).sum() / max((one | other).sum(), 1))


def drawn(*, figure=(0.42, 0.42, 0.40), table=(0.25, 0.45, 0.75), at=150, grain=0.004) -> tuple[np.ndarray, np.ndarray]:
    """A plain figure on a sheet, with grain, a shadow and the lamp's falling off: the picture and where the figure is."""
    height, width = 400, 300
    y, x = np.mgrid[:height, :width]
    body = ((x - at) / 45) ** 2 + ((y - 220) / 110) ** 2 < 1
    head = ((x - at) / 30) ** 2 + ((y - 90) / 32) ** 2 < 1
    base = (np.abs(x - at) < 70) & (np.abs(y - 340) < 18)
    mask = body | head | base
    light = 1.1 - 0.35 * x / width - 0.1 * y / height
    picture = np.where(mask[..., None], np.array(figure), np.array(table)) * light[..., None]
    shadow = (((x - at - 60) / 60) ** 2 + ((y - 345) / 18) ** 2 < 1) & ~mask
    picture[shadow] *= 0.7
    picture[body & (x > at)] *= 0.75
    picture += np.random.default_rng(1).normal(0, grain, picture.shape)
    return np.clip(picture, 0, 1).astype(np.float32), mask
