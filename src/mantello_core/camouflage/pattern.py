"""A camouflage pattern: a value that a rule places on areas as it places a role."""

import math
from dataclasses import dataclass, field, replace

from ..errors import Contradiction, OutOfRange, UnknownName

#: families, and in words
FAMILIES = {
    "blotch": "soft blotches", "stripes": "stripes", "bands": "waving bands", "splinter": "sharp shards", "blocks": "upright blocks",
    "dazzle": "fans of bands", "lozenge": "many-sided tiles", "pixels": "small squares", "dabs": "leaf dabs", "mottle": "mottle of spots",
    "strokes": "hanging strokes",
}  # fmt: skip
#: families whose shapes follow the sheet laid over a model, and those that are single marks
SHEET, MARKS = ("lozenge", "pixels", "dabs", "strokes"), ("dabs", "mottle", "strokes")
#: tools, and in words
TOOLS = {
    "brush": "a brush",
    "sponge": "a sponge",
    "mask": "cut masks",
    "putty": "rolls of putty",
    "airbrush": "an airbrush by hand",
}
LEAST_INKS, MOST_INKS, MOST_PATTERNS, MOST_SEED, MOST_NAME = 2, 6, 40, 999_999, 60
#: metres of a patch on the real thing
LEAST_SIZE, MOST_SIZE = 0.02, 10.0
#: areas that a pattern leaves out unless it is told otherwise
USUAL_LEAVE = ("#wheel", "@glass", "vehicle.gun", "vehicle.wheel", "vehicle.casemate.ports", "vehicle.rivets")
_NEAR = 1e-6
MOST_OVERLAYS = 3
#: months that a layer may have been worn
MOST_MONTHS = 24
_WEIGHTS = (
    ("edges", 0, 5), ("touch", 0, 5), ("low", 0, 5), ("chance", 0, 5), ("size_m", LEAST_SIZE, MOST_SIZE), ("streak", 1, 6),
    ("seed", 0, MOST_SEED), ("months", 0, MOST_MONTHS),
)  # fmt: skip


@dataclass(frozen=True)
class Ink:
    """One colour of a pattern: a role, its share of the pattern's surface, and its patches over the pattern's size."""

    role: str
    share: float
    scale: float = 1.0


#: months at an exposure of 1 after which half of a layer is gone; the least share that is told
_HALF, LEAST_COVER = 2.5, 0.02


def worn_after(cover: float, months: float, exposure: float = 1.0) -> float:
    """Coverage after months of service: half is gone in 2.5 months at an exposure of 1. Our own assumption."""
    return cover * math.exp(-math.log(2) * months * exposure / _HALF)


@dataclass(frozen=True)
class Overlay:
    """A seasonal layer over a pattern: whitewash, mud, dust; and what wears it off."""

    role: str
    #: share of the pattern that it still covers
    cover: float = 0.75
    #: weights of what wears it: edges, places that hands and feet touch, low parts, chance
    edges: float = 1.0
    touch: float = 0.8
    low: float = 0.5
    chance: float = 0.9
    size_m: float = 0.12
    #: how much longer than wide its patches run downwards
    streak: float = 2.2
    seed: int = 1
    #: whether it is laid after the varnish; else before it
    late: bool = False
    #: months that it has been worn since it covered so much
    months: float = 0.0

    @property
    def left(self) -> float:
        """The share that it covers now, never less than a trace."""
        return max(LEAST_COVER, worn_after(self.cover, self.months))


@dataclass(frozen=True)
class Pattern:
    """What shapes in which inks. The first ink is the ground, which is laid everywhere."""

    id: str
    name: str
    family: str
    inks: tuple[Ink, ...]
    #: mean chord of a patch on the real thing, m
    size_m: float = 0.9
    tool: str = "brush"
    #: mm over which an edge fades; None as the tool makes it
    feather: float | None = None
    #: degrees from the long axis in the side view, rising to the rear
    turn: float = 0.0
    #: length over width of a patch
    stretch: float = 1.4
    #: 0 regular to 1 unruly
    rough: float = 0.45
    seed: int = 1
    #: mm kept clear round marks, and the place among the inks of the one that fills it
    clear: float = 0.8
    clear_ink: int = 0
    #: whether the inks are lightened for the scale
    lighten: bool = True
    #: layers over it, from the lowest up
    overlays: tuple[Overlay, ...] = ()
    #: laid out otherwise on single figures: (unit, rank, ordinal, seed)
    layouts: tuple[tuple[str, str, int, int], ...] = field(default=())

    @property
    def ground(self) -> str:
        """The role of the ink that is laid everywhere."""
        return self.inks[0].role

    @property
    def roles(self) -> tuple[str, ...]:
        """The roles of its inks, and of what lies over it."""
        return (*(ink.role for ink in self.inks), *(one.role for one in self.overlays))

    @property
    def masked(self) -> bool:
        """Whether masks are cut or pressed for it."""
        return self.tool in ("mask", "putty")

    def seeded(self, seed: int) -> "Pattern":
        """The same pattern, laid out otherwise."""
        return replace(self, seed=seed)


def checked_pattern(pattern: Pattern, roles, where: str = "pattern") -> Pattern:
    """The pattern, if everything in it is allowed. roles: ids there are.

    Raises: UnknownName, OutOfRange or Contradiction at the field.
    """
    if not 1 <= len(pattern.name) <= MOST_NAME:
        raise OutOfRange(f"The name has {len(pattern.name)} signs; allowed are 1 to {MOST_NAME}.", f"{where}/name")
    for name, known in (("family", FAMILIES), ("tool", TOOLS)):
        if getattr(pattern, name) not in known:
            raise UnknownName(name, getattr(pattern, name), list(known), f"{where}/{name}")
    if not LEAST_INKS <= len(pattern.inks) <= MOST_INKS:
        raise OutOfRange(f"{len(pattern.inks)} inks; allowed are {LEAST_INKS} to {MOST_INKS}.", f"{where}/inks")
    for at, ink in enumerate(pattern.inks):
        if ink.role not in roles:
            raise UnknownName("colour role", ink.role, list(roles), f"{where}/inks/{at}/role")
        if not 0.01 <= ink.share <= 0.98:
            raise OutOfRange(f"A share of {100 * ink.share:.1f} %; allowed is 1 % to 98 %.", f"{where}/inks/{at}/share")
        if not 0.3 <= ink.scale <= 3:
            raise OutOfRange(f"Patches {ink.scale:g} times as large; allowed is 0.3 to 3.", f"{where}/inks/{at}/scale")
    if len({ink.role for ink in pattern.inks}) < len(pattern.inks):
        raise Contradiction("One role is named for two inks; every ink is a colour of its own.", f"{where}/inks")
    whole = sum(ink.share for ink in pattern.inks)
    if abs(whole - 1) > _NEAR:
        raise OutOfRange(f"The shares add up to {100 * whole:.1f} %; they must make 100 %.", f"{where}/inks")
    limits = (
        ("size_m", LEAST_SIZE, MOST_SIZE), ("turn", -180, 180), ("stretch", 1, 6), ("rough", 0, 1), ("seed", 0, MOST_SEED),
        ("clear", 0, 10), ("clear_ink", 0, len(pattern.inks) - 1),
    )  # fmt: skip
    for name, least, most in limits:
        if not least <= getattr(pattern, name) <= most:
            raise OutOfRange(f"{name} {getattr(pattern, name):g}; allowed is {least:g} to {most:g}.", f"{where}/{name}")
    if pattern.feather is not None and not 0 <= pattern.feather <= 5:
        raise OutOfRange(f"An edge that fades over {pattern.feather:g} mm; allowed is 0 to 5.", f"{where}/feather")
    _check_layers(pattern, roles, where)
    return pattern


def _check_layers(pattern: Pattern, roles, where: str) -> None:
    if len(pattern.overlays) > MOST_OVERLAYS:
        raise OutOfRange(
            f"{len(pattern.overlays)} layers over it; allowed are up to {MOST_OVERLAYS}.", f"{where}/overlays"
        )
    for at, one in enumerate(pattern.overlays):
        if one.role not in roles:
            raise UnknownName("colour role", one.role, list(roles), f"{where}/overlays/{at}/role")
        if not LEAST_COVER <= one.cover <= 0.98:
            raise OutOfRange(
                f"A cover of {100 * one.cover:.0f} %; allowed is 2 % to 98 %.", f"{where}/overlays/{at}/cover"
            )
        for name, least, most in _WEIGHTS:
            if not least <= getattr(one, name) <= most:
                raise OutOfRange(
                    f"{name} {getattr(one, name):g}; allowed is {least:g} to {most:g}.", f"{where}/overlays/{at}/{name}"
                )
