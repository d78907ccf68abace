"""Where the lamp stands in a photograph of a lit figure: the light plan that comes nearest."""

import numpy as np

from ..errors import OutOfRange

#: share of the figure that counts as lit, and least pixels that tell anything
LIT_SHARE, LEAST_PIXELS = 0.15, 400
#: how far the lit part must lie to a side, as a share of the figure's width, to come from there; and how far both sides must
#: be lit for lamps all round
ASIDE, BOTH = 0.09, 0.30
#: how high the middle of the lit part lies, as a share of the figure's height from its head, from which light comes from in front
FRONT = 0.36


def lit_from(lightness: np.ndarray) -> str:
    """The name of the light plan, a member of ``LIGHT_PLANS``.

    lightness: (rows, columns), 0 to 1, of a photograph whose figure stands in the middle on a plain ground. The figure is what
    differs from the border; its brightest share is where the light falls. To a side: from the upper left or right; on both
    sides: four lamps; low: from the front and above; else from overhead. An estimate, to be looked at.
    Raises: OutOfRange for a picture that is too small or plain.
    """
    border = np.concatenate([lightness[0], lightness[-1], lightness[:, 0], lightness[:, -1]])
    ground, spread = float(np.median(border)), float(np.abs(border - np.median(border)).mean())
    figure = np.abs(lightness - ground) > max(0.06, 2.5 * spread)
    if figure.sum() < LEAST_PIXELS:
        raise OutOfRange("No figure stands out from the ground of the photograph; take it before plain paper.", "photo")
    down, across = np.nonzero(figure)
    light = lightness[figure]
    lit = light >= np.quantile(light, 1 - LIT_SHARE)
    wide, tall = max(float(np.ptp(across)), 1.0), max(float(np.ptp(down)), 1.0)
    aside = (float(across[lit].mean()) - float(across.mean())) / wide
    if abs(aside) >= ASIDE:
        return "left" if aside < 0 else "right"
    middle = (across[lit] - across.mean()) / wide
    if min((middle < -0.25).mean(), (middle > 0.25).mean()) >= BOTH:
        return "lamps"
    return "front" if (float(down[lit].mean()) - down.min()) / tall >= FRONT else "overhead"
