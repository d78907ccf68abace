"""What is left of a pattern from afar, what it runs together to, and where it turns flat."""

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from ..colour.acuity import SEEN, SPREAD
from ..colour.difference import difference, differences
from ..colour.spaces import Lab, mean_lab
from .laying import Patterned

#: metres between which the distance is looked for where a pattern turns flat, and how often the span is halved
_NEAREST, _FARTHEST, _HALVINGS = 0.3, 12.0, 5
#: nearly as far as is looked: it never turns flat
_NEVER = 10.0


@dataclass(frozen=True)
class Afar:
    """A pattern in its inks, seen from afar."""

    #: what it runs together to
    mean: Lab
    #: metres to what is left of it, mean CIEDE2000
    left: dict[float, float]
    #: metres beyond which it is flat; None if it never is
    flat_beyond: float | None
    #: CIEDE2000 from the mean to the ground it stands on; None without one
    off_ground: float | None


def seen_from(result: Patterned, metres: float, inks: Sequence[Lab]) -> float:
    """What is left of a pattern at a distance: mean CIEDE2000 of it, blurred as the eye does, from its own mean.

    Blur and mean are both taken in CIELAB, so that nothing is left where the blur has evened all.
    """
    labs = np.array(inks, float)
    mean = np.average(labs, axis=0, weights=result.shares)
    sigmas = [math.tan(math.radians(spread / 60)) * metres * 1000 for spread in SPREAD]
    total = weight = 0.0
    for view, worn in zip(result.surface.views, result.labels, strict=True):
        share = _by_fours((worn >= 0).astype(float))
        if not share.any():
            continue
        pitch = 2 * float(view.x[1] - view.x[0]) * result.sized.per_mm
        values = (_by_fours(np.where(worn >= 0, labs[np.maximum(worn, 0), axis], 0.0)) for axis in range(3))
        planes = [_blurred(value, share, sigma / pitch) for value, sigma in zip(values, sigmas, strict=True)]
        total += float((differences(np.stack(planes, -1), mean) * share).sum())
        weight += share.sum()
    return float(total / max(weight, 1))


def afar(
    result: Patterned, inks: Sequence[Lab], ground: Lab | None = None, metres: Sequence[float] = (0.3, 0.6, 1.2)
) -> Afar:
    """A pattern in its inks from some distances, and against the ground it stands on."""
    mean = mean_lab(list(inks), result.shares)
    low, high = _NEAREST, _FARTHEST
    for _ in range(_HALVINGS):
        middle = math.sqrt(low * high)
        low, high = (middle, high) if seen_from(result, middle, inks) >= SEEN else (low, middle)
    return Afar(
        mean, {one: seen_from(result, one, inks) for one in metres}, low if low < _NEVER else None,
        difference(mean, ground) if ground else None,
    )  # fmt: skip


def _by_fours(nodes: np.ndarray) -> np.ndarray:
    """Means of two nodes by two: half the raster is enough for the eye's blur, but every other node would make a coarse pattern of
    a fine one."""
    rows, columns = (count + count % 2 for count in nodes.shape)
    even = np.zeros((rows, columns))
    even[: nodes.shape[0], : nodes.shape[1]] = nodes
    return even.reshape(rows // 2, 2, columns // 2, 2).mean((1, 3))


def _blurred(values: np.ndarray, share: np.ndarray, sigma: float) -> np.ndarray:
    """Values, each times its share of the node that counts, blurred over what counts; sigma in nodes; by Fourier transform."""
    pad = int(4 * sigma) + 2
    v, m = np.pad(values, pad), np.pad(share, pad)
    fy, fx = np.fft.fftfreq(v.shape[0])[:, None], np.fft.rfftfreq(v.shape[1])[None]
    bell = np.exp(-2 * (math.pi * sigma) ** 2 * (fx * fx + fy * fy))
    out = np.fft.irfft2(np.fft.rfft2(v) * bell, v.shape) / np.maximum(
        np.fft.irfft2(np.fft.rfft2(m) * bell, v.shape), 1e-3
    )
    return out[pad:-pad, pad:-pad]
