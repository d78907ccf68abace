"""A recipe to start from: one paint as base, with a shade and lights chosen for it from the ranges."""

import json
from collections.abc import Mapping
from functools import cache
from importlib.resources import files

from ..errors import UnknownName
from ..memory import remembered
from ..paints.paint import Paint
from ..paints.range import digest_of_ranges, paint, paints
from ..recipes.first_step import base_thinned, first_step
from ..recipes.method import METHODS
from ..recipes.step import Mix, Recipe, Step
from .choosing import light_order, shade_mix

#: drops of a mix together at most, and what one drop more has to gain in share
_MOST_DROPS, _DROP = 12, 0.01
#: parts of the colour and of its light in every lightening mix, and of water
_LIGHTENED = {"layer": (3, 1, 2), "drybrush": (1, 1, 0), "highlight": (1, 1, 1), "edge": (1, 3, 1)}


@remembered(8_000, each=9_400)
def started(pot: Paint, tier: str = "rank", method: str = "classic") -> Recipe:
    """A base and what the method lays over it; for leaders and centrepieces more than for rank and file.

    The shade is the wash whose dried recess is about 16 L* darker at the least turn of hue; lights are mixed
    with the paint about 18 L* lighter at the least turn of hue. A painter's start, not the last word.
    Raises: UnknownName for the method.
    """
    if method not in METHODS:
        raise UnknownName("method", method, list(METHODS), "method")
    if pot.kind == "metallic":
        return _metal(pot)
    steps = [first_step(pot)]
    for kind in METHODS[method].quick[tier != "rank"]:
        mix = _mix(kind, pot)
        if mix:
            steps.append(Step(kind, kind, mix))
    return Recipe(tuple(steps))


@remembered(4_000)
def started_mix(parts: tuple[tuple[Paint, float], ...], tier: str = "rank", method: str = "classic") -> Recipe:
    """The same for a colour that is mixed: shade and lights are chosen for the mix, and the lights are of it.

    Raises: UnknownName for the method.
    """
    if len(parts) == 1:
        return started(parts[0][0], tier, method)
    if method not in METHODS:
        raise UnknownName("method", method, list(METHODS), "method")
    whole = Mix(parts)
    shade, lighter = shade_mix(whole, _every()), light_order(whole, _every())
    steps = [Step("base", "base", base_thinned(parts))]
    for kind in METHODS[method].quick[tier != "rank"]:
        mix = _laid(kind, parts, shade, lighter[0] if lighter else None)
        if mix:
            steps.append(Step(kind, kind, mix))
    return Recipe(tuple(steps))


def _mix(kind: str, pot: Paint) -> Mix | None:
    """The mix of one step over one paint; None where there is no room to darken or to lighten."""
    shade = shade_for(pot) if kind in ("shade", "glaze") else None
    return _laid(kind, ((pot, 1.0),), shade, None if shade else light_for(pot))


def _laid(kind: str, parts: tuple[tuple[Paint, float], ...], shade: Mix | None, light: Paint | None) -> Mix | None:
    """The mix of one step over a base: its shade, or the base with a lighter paint in it; None without either."""
    if kind in ("shade", "glaze"):
        thinned = shade and Mix(shade.parts, "medium", shade.diluent_parts + 2.0)
        return thinned if kind == "glaze" else shade
    if light is None:
        return None
    own, other, water = _LIGHTENED[kind]
    whole = sum(count for _, count in parts)
    shares = {pot: own * count / whole for pot, count in parts}
    shares[light] = shares.get(light, 0.0) + other
    diluent = ("water", float(water)) if water else ("neat", 0.0)
    return Mix(in_drops(shares), *diluent)


def in_drops(shares: Mapping[Paint, float]) -> tuple[tuple[Paint, float], ...]:
    """Paints in whole drops, at least one of each and few together, that come near their shares."""
    total = sum(shares.values())

    def drops(together: int) -> list[int]:
        return [max(1, round(share / total * together)) for share in shares.values()]

    def off(together: int) -> float:
        counts = drops(together)
        away = sum(abs(n / sum(counts) - share / total) for n, share in zip(counts, shares.values(), strict=True))
        return away + _DROP * together

    best = min(range(len(shares), _MOST_DROPS + 1), key=off)
    return tuple((one, float(n)) for one, n in zip(shares, drops(best), strict=True))


def shade_for(pot: Paint) -> Mix | None:
    """The wash of the ranges that shades a paint most evenly; None for near-blacks, which have no room to darken."""
    known = _shipped().get(pot.id)
    if known is None:
        return shade_mix(Mix(((pot, 1.0),)), _every())
    return Mix(((paint(known["shade"][0]), 1.0),), *known["shade"][1:]) if known["shade"] else None


def light_for(pot: Paint) -> Paint | None:
    """The paint of the ranges to lighten a colour with; None where nothing is lighter."""
    known = _shipped().get(pot.id)
    if known is None:
        lighter = light_order(Mix(((pot, 1.0),)), _every())
        return lighter[0] if lighter else None
    return paint(known["light"]) if known["light"] else None


def worked_out_table() -> dict:
    """What ships of all shades and lights of shipped paints, which depend on nothing else: with the digest of the ranges."""
    return {"ranges": digest_of_ranges(), "paints": {pot.id: _worked_out(pot) for pot in _every() if pot.covers}}


def _worked_out(pot: Paint) -> dict:
    alone = Mix(((pot, 1.0),))
    shade, lighter = shade_mix(alone, _every()), light_order(alone, _every())
    return {
        "shade": [shade.paints[0].id, shade.diluent, shade.diluent_parts] if shade else None,
        "light": lighter[0].id if lighter else None,
    }


@cache
def _shipped() -> dict[str, dict]:
    """Paint id to what was chosen for it; a table that was worked out from other ranges is passed over."""
    table = json.loads((files(__package__) / "data" / "starts.json").read_text(encoding="utf-8"))
    return table["paints"] if table["ranges"] == digest_of_ranges() else {}


@cache
def _every() -> tuple[Paint, ...]:
    return tuple(paints().values())


def _metal(pot: Paint) -> Recipe:
    brightest = max((one for one in paints().values() if one.kind == "metallic"), key=lambda one: one.swatch.lightness)
    warm = pot.swatch.b > 8
    steps = [
        Step("base", "base", Mix(((pot, 1.0),))),
        Step("shade", "shade", Mix(((paint("amber-wash" if warm else "tar-wash"), 1.0),))),
    ]
    if brightest != pot:
        steps.append(Step("highlight", "highlight", Mix(((brightest, 1.0),))))
    return Recipe(tuple(steps))
