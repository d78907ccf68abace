"""Highlight routes: what a colour is lightened with, in near-equal steps, and where that takes hue and chroma."""

from dataclasses import dataclass
from functools import cached_property
from math import gcd

import numpy as np

from ..colour.difference import difference, differences_among
from ..colour.film import opaque
from ..colour.reflectance import to_air, xyz_of
from ..colour.spaces import Lab, labs_of
from ..errors import OutOfRange
from ..film.surface import solid
from ..memory import remembered
from ..paints.paint import Paint
from ..recipes.remixing import mixed_of
from ..recipes.step import MOST_PARTS, Mix

#: drops of the colour and of what lightens it, together at most
MOST_DROPS = 10
#: L* gained over all steps, and how many there are
RISE, STEPS = 25.0, 4
#: share of the base's chroma below which a step should stay small
DULL = 0.6
#: CIELAB hue of the colours a turn is named after, degrees, and how far off one must be to be turned towards
_HUES = {"red": 30.0, "yellow": 92.0, "green": 150.0, "blue": 265.0, "violet": 315.0}
CLEAR = 20.0


@dataclass(frozen=True)
class Route:
    """A ladder from a colour towards a lighter paint."""

    #: what lightens it
    light: Paint
    #: the mix of every step, the colour itself left out
    mixes: tuple[Mix, ...]
    #: the colour, then that of every step, opaque
    colours: tuple[Lab, ...]

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes where answers are kept; the paints are kept elsewhere."""
        return 1_500 * len(self.mixes)

    @property
    def steps(self) -> tuple[float, ...]:
        """CIEDE2000 from each colour to the next."""
        return tuple(difference(one, two) for one, two in zip(self.colours, self.colours[1:], strict=False))

    @property
    def gain(self) -> float:
        """L* gained in all."""
        return self.colours[-1].lightness - self.colours[0].lightness

    @property
    def hue_drift(self) -> float:
        """Degrees the hue turns; positive from red towards yellow. 0 where one of the ends is grey."""
        first, last = self.colours[0], self.colours[-1]
        if min(first.chroma, last.chroma) < 3:
            return 0.0
        return first.turn_to(last)

    @property
    def turns_to(self) -> str:
        """What the hue turns towards: the next of red, yellow, green, blue and violet on its way."""
        start, sign = self.colours[0].hue, 1 if self.hue_drift > 0 else -1
        ahead = {name: (sign * (hue - start)) % 360 for name, hue in _HUES.items()}
        return min((name for name in ahead if ahead[name] >= CLEAR), key=lambda name: ahead[name])

    @property
    def chroma_drift(self) -> float:
        """C* gained or lost."""
        return self.colours[-1].chroma - self.colours[0].chroma

    @property
    def dull(self) -> tuple[int, ...]:
        """Steps, counted from 1, that keep less than 60 % of the colour's chroma: to be kept small."""
        least = DULL * self.colours[0].chroma
        return tuple(at for at, colour in enumerate(self.colours[1:], 1) if colour.chroma < least)


@remembered(5_000)
def route(base: Mix, light: Paint, steps: int = STEPS, rise: float = RISE) -> Route | None:
    """The ladder of so many near-equal steps (CIEDE2000) from a mix towards a paint, about ``rise`` L* in all.

    Among ratios of whole drops, up to ten together, a dynamic programme picks those whose differences are most
    alike. None if the paint cannot lighten the mix by half of that, or in so many steps.
    Raises: OutOfRange for steps (1 to 8) or rise (5 to 60).
    """
    if not 1 <= steps <= 8:
        raise OutOfRange(f"{steps} steps; allowed is 1 to 8.", "steps")
    if not 5 <= rise <= 60:
        raise OutOfRange(f"A rise of {rise:g} L*; allowed is 5 to 60.", "rise")
    lattice = _lattice(base, light)
    gained = lattice.colours[:, 0] - lattice.colours[0, 0]
    end = int(abs(gained - rise).argmin())
    if end < steps or gained[end] < rise / 2:
        return None
    chosen = _even(lattice.apart[: end + 1, : end + 1], steps)
    mixes = tuple(_dropped(base, light, *lattice.drops[at]) for at in chosen[1:])
    return Route(light, mixes, tuple(Lab(*row) for row in lattice.colours[chosen].tolist()))


def parts_route(base: Mix, light: Paint, steps: int = STEPS) -> Route:
    """The ladder of a mix with more and more of a paint: a share that grows by the same each time, in whole parts.

    Raises: OutOfRange for steps (1 to 8).
    """
    if not 1 <= steps <= 8:
        raise OutOfRange(f"{steps} steps; allowed is 1 to 8.", "steps")
    mixes = tuple(Mix(mixed_of([(base, steps + 1 - at), (light, at)])) for at in range(1, steps + 1))
    return Route(light, mixes, (solid(base.film).colour, *(solid(mix.film).colour for mix in mixes)))


def routes(base: Mix, lights: list[Paint], steps: int = STEPS, rise: float = RISE) -> tuple[Route, ...]:
    """The route towards every paint that can lighten the mix, those that turn hue and chroma least first."""
    own = set(base.paints)
    found = [route(base, pot, steps, rise) for pot in lights if pot not in own]
    return tuple(sorted((one for one in found if one), key=_drift))


def _drift(one: Route) -> tuple[float, str]:
    turned = abs(one.hue_drift) * min(1.0, one.colours[0].chroma / 40)
    return round(turned + abs(one.chroma_drift) + 2 * (max(one.steps) - min(one.steps)), 3), one.light.id


@dataclass(frozen=True, eq=False)
class _Lattice:
    """What a mix and a paint give in whole drops, from the mix alone towards the paint, which is left out."""

    #: how many times the mix's lowest parts, and parts of the paint
    drops: tuple[tuple[int, int], ...]
    #: CIELAB of each, opaque, (n, 3)
    colours: np.ndarray

    @cached_property
    def apart(self) -> np.ndarray:
        """CIEDE2000 between every two, (n, n)."""
        return differences_among(self.colours)

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes once all is told, where answers are kept."""
        return 8 * len(self.drops) * (len(self.drops) + 3)


@remembered(3_000)
def _lattice(base: Mix, light: Paint) -> _Lattice:
    parts = _lowest(_amounts(base))
    drops = _drops(parts)
    films = base.film, light.film
    weights = np.array(drops) * (sum(parts), 1) * [film.solids for film in films]
    absorbed, scattered = (
        weights @ np.stack([getattr(film, name) for film in films]) for name in ("absorption", "scattering")
    )
    return _Lattice(drops, labs_of(xyz_of(to_air(opaque(absorbed, scattered)))))


@remembered(60)
def _drops(parts: tuple[int, ...]) -> tuple[tuple[int, int], ...]:
    """Every ratio that whole drops give: how many times the lowest parts of a mix, and parts of what lightens it; least of that first."""
    whole, most = sum(parts), MOST_PARTS // max(parts)
    drops = {
        (times * whole / other): (times, other)
        for times in range(most, 0, -1)
        for other in range(1, MOST_PARTS + 1)
        if len(parts) > 1 or times + other <= MOST_DROPS
    }
    return ((1, 0), *(drops[ratio] for ratio in sorted(drops, reverse=True)))


def _dropped(base: Mix, light: Paint, times: int, other: int) -> Mix:
    """A mix's lowest parts so many times, with so many of a paint."""
    parts = zip(base.parts, _lowest(_amounts(base)), strict=True)
    return Mix((*((pot, float(times * part)) for (pot, _), part in parts), (light, float(other))))


def _amounts(mix: Mix) -> tuple[float, ...]:
    return tuple(amount for _, amount in mix.parts)


@remembered(60)
def _lowest(amounts: tuple[float, ...]) -> tuple[int, ...]:
    """The parts of a mix as the lowest whole numbers that come near them, 12 at most."""
    best = min(
        (
            max(
                abs(amount * times / max(amounts) - max(1, round(amount * times / max(amounts)))) for amount in amounts
            ),
            times,
        )
        for times in range(1, MOST_PARTS + 1)
    )[1]
    found = [max(1, round(amount * best / max(amounts))) for amount in amounts]
    return tuple(one // gcd(*found) for one in found)


def _even(apart: np.ndarray, steps: int) -> list[int]:
    """Indices from the first of some colours to the last with so many steps as alike as can be, by CIEDE2000 between every two,
    (n, n); of two ways that cost the same, the one whose last step is larger."""
    ideal = apart.diagonal(1).sum() / steps
    # from a row to a column that comes after it
    strayed = np.where(np.tri(len(apart), dtype=bool), np.inf, (apart - ideal) ** 2)
    cost, ways = np.where(np.arange(len(apart)), np.inf, 0.0), []
    for _ in range(steps):
        reached = cost[:, None] + strayed
        ways.append(reached.argmin(axis=0))
        cost = reached.min(axis=0)
    chosen = [len(apart) - 1]
    for before in reversed(ways):
        chosen.append(int(before[chosen[-1]]))
    return chosen[::-1]
