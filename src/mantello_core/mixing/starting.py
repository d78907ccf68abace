"""A recipe to start from: one paint as base, with a shade and lights chosen for it from the ranges."""

import json
from functools import cache
from importlib.resources import files

from ..errors import UnknownName
from ..memory import remembered
from ..paints.paint import Paint
from ..paints.range import digest_of_ranges, paint, paints
from ..recipes.first_step import first_step
from ..recipes.method import METHODS
from ..recipes.step import Mix, Recipe, Step
from .choosing import light_order, shade_mix

#: parts of the colour and of its light in every lightening mix, and of water
_LIGHTENED = {"layer": (3, 1, 2), "drybrush": (1, 1, 0), "highlight": (1, 1, 1), "edge": (1, 3, 1)}


@remembered(8_000)
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


def _mix(kind: str, pot: Paint) -> Mix | None:
    """The mix of one step; None where there is no room to darken or to lighten."""
    if kind in ("shade", "glaze"):
        wash = shade_for(pot)
        thinned = wash and Mix(wash.parts, "medium", wash.diluent_parts + 2.0)
        return thinned if kind == "glaze" else wash
    light = light_for(pot)
    if light is None:
        return None
    own, other, water = _LIGHTENED[kind]
    diluent = ("water", float(water)) if water else ("neat", 0.0)
    return Mix(((pot, float(own)), (light, float(other))), *diluent)


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
