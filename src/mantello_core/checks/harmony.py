"""Harmony, described and never scored: hues, their relations, temperature, and how two schools would read it."""

from dataclasses import dataclass
from itertools import pairwise

from ..colour.spaces import Lab
from ..design.design import Design
from ..scheme.cascade import Resolution
from ..scheme.share import role_shares
from .look import Look

#: below this chroma a colour counts as neutral
NEUTRAL_CHROMA = 10.0
#: hue differences in degrees: related, contrasting, opposite (CIELAB hue)
RELATED, OPPOSITE = 45.0, 150.0


@dataclass(frozen=True)
class Hue:
    """One role's place on the hue circle, with its share of what is not neutral."""

    role: str
    name: str
    colour: Lab
    share: float


@dataclass(frozen=True)
class Harmony:
    """A scheme's colours in words."""

    hues: tuple[Hue, ...]
    #: share of the visible area that is neutral
    neutral: float
    relation: str
    temperature: str
    #: how each school would read it
    schools: tuple[tuple[str, str], ...]


def harmony_of(design: Design, resolution: Resolution) -> Harmony:
    """Describe the army's colours, weighed by visible area."""
    look = Look(design, resolution)
    shares = role_shares(resolution, design.scheme) if resolution.classes else {}
    coloured = []
    for role, share in shares.items():
        colour = look.apparent(role, "rank")
        if colour.chroma >= NEUTRAL_CHROMA and design.scheme.role(role).recipe().steps:
            coloured.append(Hue(role, design.scheme.role(role).name, colour, share))
    whole = sum(hue.share for hue in coloured)
    hues = tuple(Hue(hue.role, hue.name, hue.colour, hue.share / whole) for hue in coloured)
    main = [hue for hue in hues if hue.share >= 0.05][:6]
    warm = sum(hue.share for hue in hues if hue.colour.hue < 110 or hue.colour.hue > 330)
    temperature = "warm" if warm > 0.65 else "cool" if warm < 0.35 else "warm and cool in balance"
    return Harmony(hues, 1 - whole, _relation(main), temperature, _schools(main))


def hue_apart(one: float, other: float) -> float:
    """The smaller angle between two hues, degrees, 0 to 180.

    >>> hue_apart(350, 20)
    30
    """
    return min((one - other) % 360, (other - one) % 360)


def _relation(main: list[Hue]) -> str:
    if len(main) < 2:
        return "one hue" if main else "no hue: all neutral"
    first = main[0].colour.hue
    gaps = [hue_apart(first, hue.colour.hue) for hue in main[1:]]
    if max(gaps) <= RELATED:
        return "near hues (analogous)"
    opposite = [gap for gap in gaps if gap >= OPPOSITE]
    triad = [gap for gap in gaps if 100 <= gap <= 140]
    if opposite and all(gap <= RELATED or gap >= OPPOSITE for gap in gaps):
        return "near hues and their opposite (complementary)"
    if len([gap for gap in gaps if 130 <= gap < 170]) >= 2:
        return "a hue and the two beside its opposite (split)"
    if len(triad) >= 2:
        return "three hues evenly apart (triad)"
    return "contrasting hues"


def _schools(main: list[Hue]) -> tuple[tuple[str, str], ...]:
    if len(main) < 2:
        return ()
    first = main[0].colour.hue
    related = sum(hue.share for hue in main if hue_apart(first, hue.colour.hue) <= RELATED)
    away = [hue for hue in main if hue_apart(first, hue.colour.hue) >= OPPOSITE]
    if related >= 0.6 and len(away) == 1:
        near = f"fits: {100 * related:.0f} % lies near {main[0].name}, and {away[0].name} stands opposite"
    elif not away:
        near = f"{100 * related:.0f} % lies near {main[0].name}; one small opposite accent is missing"
    else:
        near = f"only {100 * related:.0f} % lies near {main[0].name}; gather the rest around it"
    steps = [abs(one.colour.lightness - two.colour.lightness) for one, two in pairwise(main)]
    vivid = sum(hue.share for hue in main if hue.colour.chroma >= 35)
    strong = (
        "fits"
        if vivid >= 0.5 and max(steps) >= 30
        else f"{100 * vivid:.0f} % is vivid and the widest step in lightness is {max(steps):.0f}; it asks for half vivid and a step of 30"
    )
    return (("Near hues, one opposite accent", near), ("Strong contrasts, as in heraldry", strong))
