"""One place of a photograph: its colour by a robust mean in linear light, and what spoils it."""

from dataclasses import dataclass

import numpy as np

from .spaces import coded_light, linear_light

#: of the scale of a channel: from here on it is burnt; below here a camera tells nothing
BURNT, BLACK = 0.985, 0.004
#: shares of a place's pixels that may be burnt, and that a gloss may take
MOST_BURNT, MOST_GLOSS = 0.5, 0.4
#: spread of light over a place, as a share of it, from which it is no one colour; a camera's grain is less
MOST_SPREAD = 0.22
#: pixels are kept that lie within so many spreads of the middle
_WITHIN = 2.5


@dataclass(frozen=True)
class Patch:
    """The colour of a place in linear light, and what it is like."""

    linear: tuple[float, float, float]
    #: shares of its pixels that are burnt out, and brighter than the rest as a gloss is
    burnt: float
    gloss: float
    #: how unequal its light is, as a share of it, after those are left out
    spread: float

    @property
    def hex(self) -> str:
        """The colour as the picture shows it, '#rrggbb'."""
        linear = np.clip(self.linear, 0, 1)
        return "#" + bytes(int(value) for value in np.round(255 * coded_light(linear))).hex()

    @property
    def doubts(self) -> tuple[str, ...]:
        """Why no number may be given, in words; nothing if one may."""
        found = []
        if self.burnt > MOST_BURNT:
            found.append(
                "It is burnt out: the camera could not tell how bright it is. Expose less, or pick beside the light."
            )
        if max(self.linear) < BLACK:
            found.append("It is too dark for the camera to tell its colour. Expose more.")
        if self.gloss > MOST_GLOSS:
            found.append("A gloss lies over most of it. Turn it, or put paper before the lamp.")
        elif self.spread > MOST_SPREAD:
            found.append("It is no one colour: an edge, a shadow or a pattern runs through it. Pick where it is even.")
        return tuple(found)

    @property
    def told(self) -> tuple[str, ...]:
        """What was left out of it."""
        found = []
        if 0.01 < self.burnt <= MOST_BURNT:
            found.append(f"{100 * self.burnt:.0f} % of it is burnt out and was left out.")
        if 0.02 < self.gloss <= MOST_GLOSS:
            found.append(f"A gloss on {100 * self.gloss:.0f} % of it was left out.")
        return tuple(found)


def patch_of(pixels: np.ndarray) -> Patch:
    """The colour of some pixels of one place.

    pixels: (n, 3), sRGB as a picture holds them, 0 to 1. Burnt pixels and those far from the middle (beyond 2.5 median
    deviations of their light, above it a gloss) are left out; the rest is averaged in linear light.
    """
    pixels = np.asarray(pixels, float).reshape(-1, 3)
    lost = pixels.max(axis=1) >= BURNT
    good = linear_light(pixels[~lost]) if (~lost).any() else linear_light(pixels)
    light = good @ (0.2126, 0.7152, 0.0722)
    middle = float(np.median(light))
    deviation = max(1.4826 * float(np.median(np.abs(light - middle))), 0.012 * middle, 2e-4)
    near = np.abs(light - middle) <= _WITHIN * deviation
    bright = light > middle + max(_WITHIN * deviation, 0.15 * middle)
    kept = good[near] if near.any() else good
    spread = float(light[near].std() / middle) if near.any() and middle > 1e-5 else 0.0
    wide = float(np.quantile(light, 0.9) - np.quantile(light, 0.1)) / (2.563 * max(middle, 1e-5))
    red, green, blue = (float(value) for value in kept.mean(axis=0))
    gloss = float(bright.mean()) * (1 - float(lost.mean()))
    return Patch((red, green, blue), float(lost.mean()), gloss, max(spread, wide if wide > 2 * spread else 0.0))
