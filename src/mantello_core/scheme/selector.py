"""Area selectors: which areas of a plate a rule speaks of, and how narrowly."""

from collections.abc import Iterable, Mapping
from types import MappingProxyType

from ..errors import Unreadable
from ..figures.catalogue import materials_of_areas
from ..figures.part import MATERIALS
from ..figures.plate import Plate, PlateArea
from ..figures.synonym import areas_called
from ..figures.vocabulary import TREE, sideless
from ..memory import remembered

#: (class, steps, literal steps): exact name 3 > prefix 2 > tag or material 1 > everything 0
Narrowness = tuple[int, int, int]


def narrowness(selector: str, name: str, material: str, tags: tuple[str, ...] = ()) -> Narrowness | None:
    """How narrowly a selector names an area; None if it does not speak of it.

    ``''`` is everything, ``@metal`` a material, ``#camo`` a tag, ``torso.coat`` a name or the head of
    one, ``=torso.coat.lapel.left`` that one name and nothing below it; ``*`` stands for one step.

    >>> narrowness("arm.*.cuff", "arm.left.cuff", "cloth"), narrowness("arm", "arm.left.cuff", "cloth")
    ((3, 3, 2), (2, 1, 1))
    """
    if selector == "":
        return (0, 0, 0)
    if selector[0] in "@#":
        matches = material == selector[1:] if selector[0] == "@" else selector[1:] in tags
        return (1, 0, 0) if matches else None
    wanted, have = selector.removeprefix("=").split("."), name.split(".")
    if len(wanted) > len(have) or (selector[0] == "=" and len(wanted) != len(have)):
        return None
    literal = 0
    for one, other in zip(wanted, have, strict=False):
        if one != "*":
            if one != other:
                return None
            literal += 1
    return (3 if len(wanted) == len(have) else 2, len(wanted), literal)


def narrowest(selectors: tuple[str, ...], area: PlateArea) -> Narrowness | None:
    """The narrowest way in which any of the selectors names the area; None if none does."""
    found = [narrowness(selector, area.name, area.material, area.tags) for selector in selectors]
    return max((one for one in found if one is not None), default=None)


@remembered(24_000)
def areas_named(plate: Plate, selectors: tuple[str, ...]) -> Mapping[str, Narrowness]:
    """Every area of a plate that the selectors name, with how narrowly."""
    found: dict[str, Narrowness] = {}
    for selector in selectors:
        for area in _spoken_of(plate, selector):
            narrow = narrowness(selector, area.name, area.material, area.tags)
            if narrow is not None and (area.name not in found or narrow > found[area.name]):
                found[area.name] = narrow
    return MappingProxyType({name: found[name] for name in plate.areas if name in found})


def _spoken_of(plate: Plate, selector: str) -> Iterable[PlateArea]:
    """The areas that a selector may name: those under its first step, where it has one."""
    head = selector.removeprefix("=").partition(".")[0]
    if not head or head == "*" or head[0] in "@#":
        return plate.areas.values()
    return plate.areas_by_head.get(head, ())


def checked_selector(selector: str, where: str = "") -> str:
    """The selector, if it can be read.

    Raises: Unreadable, saying what is allowed.
    """
    if selector == "" or (selector[0] == "#" and selector[1:].isalnum()):
        return selector
    if selector[0] == "@":
        if selector[1:] in MATERIALS:
            return selector
        raise Unreadable(f"'{selector}' names no material; there are {', '.join(MATERIALS)}.", where)
    steps = selector.removeprefix("=").split(".")
    if steps[0] not in TREE or not all(step == "*" or step.replace("_", "").isalnum() for step in steps):
        near = dict.fromkeys(map(sideless, areas_called(selector, list(materials_of_areas()))))
        hint = f" Did you mean {' or '.join(list(near)[:3])}?" if near else ""
        raise Unreadable(
            f"'{selector}' is no area selector; write an area name such as torso.coat, arm.*.cuff, =head.hat.band (that one only), @metal, or leave it empty for everything.{hint}",
            where,
        )
    return selector
