"""How finished figures are photographed: distance, light, exposure and turns, from what the figures are like."""

import math
from collections.abc import Callable
from dataclasses import dataclass

from ..colour.spaces import Lab
from ..design.design import Design
from ..scheme.cascade import Resolution

#: lightness of an even grey card, and of what comes out white
GREY, WHITE = 50.0, 96.0
#: figures to a picture, how much of its height they fill, and the angle the lens sees across that height, degrees
_FILLS, _ANGLE = 0.35, 27.0
#: share of a figure from which metal asks for softer light
_SHINY = 0.08


@dataclass(frozen=True)
class ShootingCard:
    """Settings and cautions for a series of pictures that can be compared."""

    #: mm from the lens to the figure
    distance: float
    #: stops to correct what the camera measures on a grey background
    stops: float
    #: lightness of the lightest colour that takes a real share of the figures, and its role
    lightest: float
    lightest_role: str
    #: degrees between pictures on the turntable
    turn: int
    background: str
    lamps: str
    minds: tuple[str, ...]


def shooting_card(
    design: Design, resolution: Resolution, shares: dict[str, float], colour_of: Callable[[str], Lab | None]
) -> ShootingCard:
    """The card of an army. shares: of the visible area by role; colour_of: a role's colour, None for none yet.

    Distance from the height by the lens' angle; exposure so that the lightest colour of two percent and more stays below
    white when the camera holds the grey background at middle grey. Estimates.
    """
    height = (design.brief.height_mm if design.brief else 28.0) * 1.35  # with plume, weapon and base
    distance = height / _FILLS / (2 * math.tan(math.radians(_ANGLE / 2)))
    colours = {role: colour for role, share in shares.items() if share >= 0.02 and (colour := colour_of(role))}
    brightest = max(colours, key=lambda role: colours[role].lightness, default="")
    lightest = colours[brightest].lightness if brightest else GREY
    # light grows with about the third power of lightness
    room = 3 * math.log2((WHITE + 16) / (lightest + 16))
    stops = min(0.0, round((room - 0.7) * 3) / 3)
    metal = sum(shares.get(role.id, 0.0) for role in design.scheme.roles if _metallic(role))
    minds = []
    if metal >= _SHINY:
        minds.append(
            f"{100 * metal:.0f} % is metal: put paper before the lamps, and turn the figure until no plate glares."
        )
    if lightest > 85:
        minds.append(
            f"{design.scheme.role(brightest).name} is nearly white: look that its folds still show in the picture."
        )
    if min((colour.lightness for colour in colours.values()), default=50.0) < 15:
        minds.append("Some of it is nearly black: a white card opposite the lamp opens the shadows.")
    minds.append(
        "Put a grey card, or an unpainted grey base, beside the first figure: later pictures are evened by it."
    )
    return ShootingCard(
        distance, stops, lightest, brightest, 45, "neutral grey paper, curved up behind, a hand's width away",
        "two lamps of one kind at 45 degrees from both sides, a third of the way up; the room's light off", tuple(minds),
    )  # fmt: skip


def _metallic(role) -> bool:
    base = role.recipe().base
    return base is not None and any(pot.kind == "metallic" for pot in base.mix.paints)
