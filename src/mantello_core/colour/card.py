"""Colours picked from a photograph, freed of its light by a grey card in the picture."""

import numpy as np

from ..errors import OutOfRange
from .spaces import Lab, lab_of, lab_of_hex, linear_of, xyz_of_linear

#: reflectance of the usual grey card
CARD = 0.18
#: linear light of a card that is neither lost in shadow nor burnt out
DARKEST, BRIGHTEST = 0.02, 0.9
#: how unequal the card's channels may be: more, and it is no grey card
MOST_CAST = 6.0


def through_card(picked: str, card: str) -> Lab:
    """A picked colour as it would be seen in daylight, from how the grey card came out in the same picture.

    picked, card: '#rrggbb'. Every channel is scaled, in linear light, so that the card is neutral and sends
    back 18 %; good for one light of ordinary colour, not for mixed or coloured lamps. What would be brighter
    than white is held at white.
    Raises: Unreadable for a text that is no colour; OutOfRange for a card that is too dark, burnt out or no grey.
    """
    grey = linear_of(lab_of_hex(card))
    if grey.min() < DARKEST or grey.max() > BRIGHTEST:
        said = "too dark" if grey.min() < DARKEST else "burnt out"
        raise OutOfRange(
            f"The card came out as {card}, which is {said}; each channel may send back {DARKEST:.0%} to {BRIGHTEST:.0%}.",
            "card",
        )
    if grey.max() / grey.min() > MOST_CAST:
        raise OutOfRange(
            f"The card came out as {card}, which is no grey in any usual light; pick the grey card.", "card"
        )
    return lab_of(xyz_of_linear(np.clip(linear_of(lab_of_hex(picked)) * CARD / grey, 0, 1)))
