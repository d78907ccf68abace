"""The light of a photograph as translucent shapes over any paint: black in steps to darken, white in steps to lighten.

A colour c (linear) under light s is c s. Renderers lay black of opacity a over an encoded colour e as e (1 - a), and
e = c^(1/2.2) closely, so black of 1 - s^(1/2.2) is c s for every colour. White of opacity b gives e + b (1 - e); it is
set so that a middling colour (e = 0.55) comes out right.
"""

import numpy as np
from scipy import ndimage
from shapely.geometry.base import BaseGeometry

from .partition import polygons

#: light nearer to 1 than this (encoded) leaves the paint as it is; the encoded colour for which white is right
_CALM, _MIDDLE = 0.05, 0.55
#: opacities that are told apart, of black and of white: each step lies on those below it
DARK, LITE = (0.10, 0.22, 0.34, 0.46, 0.58, 0.70), (0.10, 0.22, 0.36, 0.52)
#: pixels over which light is smoothed, and what is left of it at most of a whole area's own (half of it divided out)
_SMOOTH, _OWN = 1.0, 0.5
#: patches of light smaller than this are left out, mm²; tolerance of their outlines, mm
_LEAST_MM2, _TOLERANCE_MM = 0.12, 0.05


def relief(shade: np.ndarray, areas: np.ndarray, px_mm: float) -> list[tuple[str, float, BaseGeometry]]:
    """Kind ('dark' or 'lite'), opacity and polygon in pixels of every step, the faintest first.

    shade: light over its median; areas: area of every pixel, -1 off the figure; px_mm: pixels a mm.
    """
    mask = areas >= 0
    light = shade.copy()
    for area in np.unique(areas[mask]):
        here = areas == area
        light[here] /= max(float(np.median(shade[here])), 1e-3) ** _OWN
    at = ndimage.distance_transform_edt(~mask, return_distances=False, return_indices=True)
    encoded = ndimage.gaussian_filter(np.clip(light[tuple(at)], 0.004, 8) ** (1 / 2.2), _SMOOTH)
    off = encoded - 1
    off = np.sign(off) * np.maximum(np.abs(off) - _CALM, 0)
    found = []
    for kind, opacity, steps in (("dark", -off, DARK), ("lite", _MIDDLE * off / (1 - _MIDDLE), LITE)):
        below = 0.0
        for step in steps:
            level = np.where(mask & (opacity > (below + step) / 2), 0, -1).astype(np.int32)
            level = _without_small(level, px_mm)
            for shape in polygons(level, px_mm, tolerance=_TOLERANCE_MM).values():
                found.append((kind, round(1 - (1 - step) / (1 - below), 3), shape))
            below = step
    return found


def _without_small(level: np.ndarray, px_mm: float) -> np.ndarray:
    """Without patches too small to see, and without holes too small to see in what is left."""
    parts, count = ndimage.label(level >= 0)
    small = np.bincount(parts.ravel(), minlength=count + 1) < _LEAST_MM2 * px_mm**2
    small[0] = False
    level = np.where(small[parts], -1, level)
    gaps, count = ndimage.label(level < 0)
    small = np.bincount(gaps.ravel(), minlength=count + 1) < _LEAST_MM2 * px_mm**2
    small[0] = False
    return np.where(small[gaps], 0, level).astype(np.int32)
