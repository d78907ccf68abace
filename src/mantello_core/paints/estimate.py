"""Absorption and scattering of a paint that is known only by what was read off it."""

import json
from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache
from importlib.resources import files

import numpy as np

from ..colour.film import opaque, over
from ..colour.reflectance import BANDS, WEIGHTS, to_air
from ..colour.spaces import Lab, labs_of
from ..errors import OutOfRange
from .paint import BLACK_CARD, STANDARD_COAT, WHITE_CARD, Film

#: how well a reading is trusted: CIELAB units, and contrast ratio times 40
LAB_SPREAD, OPACITY_SPREAD = 0.3, 3.0
#: contrast ratio of one neat coat that stands for each class
CLASS_CONTRAST = {
    "transparent": 0.18, "semi-transparent": 0.4, "semi-opaque": 0.7, "opaque": 0.92, "very opaque": 0.99,
}  # fmt: skip
#: kinds of reading, with the median and the 90th percentile of the error of mixes made with the estimate (CIEDE2000)
READING_KINDS = {"opaque": "an opaque swatch", "white": "a coat over white card", "black": "a coat over black card",
         "tint": "one drop with one of white", "contrast": "how well it hides"}  # fmt: skip
_COUNT = 60


@dataclass(frozen=True)
class CardReading:
    """One thing read off a paint: a colour of some kind, or the contrast ratio of one coat."""

    kind: str
    colour: Lab | None = None
    contrast: float | None = None


def estimated(readings: Sequence[CardReading], white: Film, solids: float = 0.36) -> tuple[np.ndarray, np.ndarray]:
    """Absorption and scattering, each in sixteen bands, that are likeliest for the readings.

    white: what the tint was mixed with, drop for drop; solids: of the paint. Of all combinations of twelve principal
    axes of 8000 paints made from the pigment table, the one that fits readings and their spread best (maximum a
    posteriori, damped Gauss-Newton).
    Raises: OutOfRange without a colour among the readings, or for a contrast not in 0 to 1.
    """
    checked_readings(readings)
    mean, basis = _prior()
    wanted = np.concatenate([[40 * one.contrast] if one.colour is None else list(one.colour) for one in readings])
    spread = np.concatenate([[OPACITY_SPREAD] if one.colour is None else [LAB_SPREAD] * 3 for one in readings])

    def misfit(weights: np.ndarray) -> np.ndarray:
        logs = np.clip(mean + weights @ basis.T, -14, 5)
        absorbed, scattered = np.exp(logs[..., :BANDS]), np.exp(logs[..., BANDS:])
        read = np.concatenate([_read(one, absorbed, scattered, white, solids) for one in readings], -1)
        return (read - wanted) / spread

    logs = np.clip(mean + _fitted(misfit, basis.shape[1]) @ basis.T, -14, 5)
    return np.exp(logs[:BANDS]), np.exp(logs[BANDS:])


def checked_readings(readings: Sequence[CardReading]) -> None:
    """Refuse readings that nothing follows from.

    Raises: OutOfRange without a colour among them, or for a contrast not in 0 to 1.
    """
    if not any(one.colour for one in readings):
        raise OutOfRange("Nothing tells its colour; give at least one swatch.", "readings")
    for one in readings:
        if one.contrast is not None and not 0 <= one.contrast <= 1:
            raise OutOfRange(f"A contrast ratio of {one.contrast:g}; allowed is 0 to 1.", "contrast")


def _fitted(misfit, count: int) -> np.ndarray:
    """Weights that make misfit and their own size least together."""
    weights, damping, small = np.zeros(count), 1.0, 1e-4
    off = misfit(weights)
    cost = off @ off
    for _ in range(_COUNT):
        slope = ((misfit(weights + small * np.eye(count)) - off) / small).T
        curve, pull, dropped = np.eye(count) + slope.T @ slope, -(weights + slope.T @ off), 0.0
        for _ in range(10):
            step = np.linalg.solve(curve + damping * np.eye(count), pull)
            step *= min(1.0, 3 / max(float(np.linalg.norm(step)), 1e-9))
            tried = misfit(weights + step)
            now = tried @ tried + (weights + step) @ (weights + step)
            if now < cost:
                dropped, weights, off, cost, damping = cost - now, weights + step, tried, now, max(damping * 0.3, 1e-6)
                break
            damping *= 4
        if dropped < 1e-4:
            break
    return weights


def _read(one: CardReading, absorbed, scattered, white: Film, solids: float) -> np.ndarray:
    """What a paint of those optics would read."""
    if one.kind == "opaque":
        return _labs(opaque(absorbed, scattered))
    if one.kind == "tint":
        own = solids / (solids + white.solids)
        return _labs(
            opaque(own * absorbed + (1 - own) * white.absorption, own * scattered + (1 - own) * white.scattering)
        )
    thickness = STANDARD_COAT * solids / 0.36
    if one.kind in ("black", "white"):
        return _labs(over(absorbed, scattered, thickness, BLACK_CARD if one.kind == "black" else WHITE_CARD))
    dark, light = (
        (to_air(over(absorbed, scattered, thickness, card)) @ WEIGHTS)[..., 1] for card in (BLACK_CARD, WHITE_CARD)
    )
    return 40 * (dark / light)[..., None]


def _labs(inside: np.ndarray) -> np.ndarray:
    return labs_of(to_air(inside) @ WEIGHTS)


@cache
def _prior() -> tuple[np.ndarray, np.ndarray]:
    """Mean and principal axes of ln K and ln S, (32,) and (32, 12)."""
    data = json.loads((files(__package__) / "data" / "prior.json").read_text(encoding="utf-8"))
    return np.array(data["mean"]), np.array(data["basis"])
