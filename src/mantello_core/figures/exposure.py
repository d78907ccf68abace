"""How much of an area weather, mud and hands reach: estimates from where it lies on the drawing."""

from collections import defaultdict
from collections.abc import Mapping
from types import MappingProxyType

from ..memory import remembered
from .plate import Plate, PlateArea, View
from .vocabulary import group_of

#: what a pass of dirt follows, and in words
LAWS = {
    "ground": "from the ground up, to a height",
    "edges": "edges and corners that are knocked",
    "falls": "streaks down steep faces",
    "all": "everything, thinly",
}
#: materials that chip, and groups whose faces are steep and large enough for streaks
_HARD = {"metal", "plate", "mail", "paint", "wood", "armour", "hull", "stone"}
_STEEP = {"Vehicle", "Shield", "Cloak", "Flag"}
#: mm² from which a hard face is large enough for streaks, wherever it is
_LARGE = 12.0
#: groups that stay clean: the base has its own recipe
_BASE = "Base"
#: poles and flags tower over the figure; its height is that of what it wears
_NOT_WORN = frozenset({_BASE, "Flag", "Weapon"})


def exposure(plate: Plate, area: str, law: str, height: float = 0.0) -> float:
    """Share of an area that a pass of dirt reaches, 0 to 1, an estimate.

    law: one of ``LAWS``; height: for 'ground', share of the figure's height up to which mud splashes, 0 to 1.
    """
    return exposures(plate, law, height)[area]


@remembered(2_500)
def exposures(plate: Plate, law: str, height: float = 0.0) -> Mapping[str, float]:
    """The ``exposure`` of every area of a plate."""
    below = _below(plate, height) if law == "ground" else {}
    return MappingProxyType({
        area.name: 0.0 if group == _BASE else _reached(area, group, law, below.get(area.name, 0.0))
        for area, group in zip(plate.areas.values(), _groups(plate), strict=True)
    })  # fmt: skip


@remembered(500)
def _groups(plate: Plate) -> tuple[str, ...]:
    """The group of every area, in the plate's order."""
    return tuple(map(group_of, plate.areas))


@remembered(500, each=24)
def exposure_of(plate: Plate, areas: tuple[str, ...], law: str, height: float) -> float:
    """The ``exposure`` of several areas together: its mean by their painted surface; 0 where they have none."""
    mm2 = [plate.areas[area].surface_mm2 for area in areas]
    whole, reached = sum(mm2), exposures(plate, law, height)
    return sum(reached[area] * size for area, size in zip(areas, mm2, strict=True)) / whole if whole else 0.0


def _reached(area: PlateArea, group: str, law: str, below: float) -> float:
    if law == "edges":
        return area.edge_exposure if _chips(area.material) else 0.0
    if law == "falls":
        large = _chips(area.material) and area.surface_mm2 >= _LARGE
        return 1.0 if group in _STEEP or large else 0.0
    return 1.0 if law == "all" else below


def _chips(material: str) -> bool:
    return any(one in material for one in _HARD)


def _below(plate: Plate, height: float) -> Mapping[str, float]:
    """For every area the share of its box that lies below a share of the figure's height, the views weighed by what they
    show of it."""
    reached: dict[str, float] = defaultdict(float)
    shown: dict[str, float] = defaultdict(float)
    for foot, tall, areas in _standing(plate):
        limit = foot - height * tall
        for area, mm2, top, bottom in areas:
            inside = max(0.0, bottom - max(top, limit)) / max(bottom - top, 1e-9)
            reached[area] += mm2 * min(1.0, inside)
            shown[area] += mm2
    return {area: reached[area] / mm2 for area, mm2 in shown.items() if mm2}


@remembered(2_000)
def _standing(plate: Plate) -> tuple[tuple[float, float, tuple[tuple[str, float, float, float], ...]], ...]:
    """Of every view where the figure stands, how tall it is, and every area with what is seen of it and its box's top and bottom."""
    return tuple(
        (*_span(view), tuple((seen.area, seen.mm2, seen.box[1], seen.box[3]) for seen in view.areas))
        for view in plate.views
    )


def _span(view: View) -> tuple[float, float]:
    """Where the figure stands and how tall it is, its base left out; drawing units, down is positive."""
    boxes = [seen.box for seen in view.areas if group_of(seen.area) not in _NOT_WORN]
    if not boxes:
        return 0.0, 1.0
    foot = max(bottom for *_, bottom in boxes)
    return foot, foot - min(top for _, top, *_ in boxes)
