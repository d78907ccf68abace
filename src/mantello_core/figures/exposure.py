"""How much of an area weather, mud and hands reach: estimates from where it lies on the drawing."""

from collections.abc import Mapping
from dataclasses import dataclass
from types import MappingProxyType

import numpy as np

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


@remembered(2_500, each=8_000)
def exposures(plate: Plate, law: str, height: float = 0.0) -> Mapping[str, float]:
    """The ``exposure`` of every area of a plate."""
    below = _below(plate, height) if law == "ground" else [0.0] * len(plate.areas)
    return MappingProxyType({
        area.name: 0.0 if group == _BASE else _reached(area, group, law, under)
        for area, group, under in zip(plate.areas.values(), _groups(plate), below, strict=True)
    })  # fmt: skip


@remembered(500, each=1_000)
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


def _below(plate: Plate, height: float) -> list[float]:
    """For every area, in the plate's order, the share of its box that lies below a share of the figure's height, the views
    weighed by what they show of it."""
    shown = _standing(plate)
    limit = shown.foot - height * shown.tall
    inside = np.maximum(0.0, shown.bottom - np.maximum(shown.top, limit)) / np.maximum(shown.bottom - shown.top, 1e-9)
    count = len(plate.areas)
    reached = np.bincount(shown.area, shown.mm2 * np.minimum(1.0, inside), count)
    mm2 = np.bincount(shown.area, shown.mm2, count)
    return np.divide(reached, mm2, out=np.zeros(count), where=mm2 > 0).tolist()


@dataclass(frozen=True, eq=False)
class _Standing:
    """All that is seen of areas, view after view, (n): the area by its place in the plate's order, what is seen of it, its box's
    top and bottom, and where the figure stands in that view and how tall it is."""

    area: np.ndarray
    mm2: np.ndarray
    top: np.ndarray
    bottom: np.ndarray
    foot: np.ndarray
    tall: np.ndarray

    @property
    def kept_bytes(self) -> int:
        """About how many bytes it takes, where answers are kept."""
        return 6 * self.mm2.nbytes


@remembered(2_000)
def _standing(plate: Plate) -> _Standing:
    place = {area: at for at, area in enumerate(plate.areas)}
    seen = [
        (place[seen.area], seen.mm2, seen.box[1], seen.box[3], *span)
        for view in plate.views
        for span in (_span(view),)
        for seen in view.areas
    ]
    area, *rest = np.array(seen, float).reshape(-1, 6).T
    return _Standing(area.astype(np.int32), *rest)


def _span(view: View) -> tuple[float, float]:
    """Where the figure stands and how tall it is, its base left out; drawing units, down is positive."""
    boxes = [seen.box for seen in view.areas if group_of(seen.area) not in _NOT_WORN]
    if not boxes:
        return 0.0, 1.0
    foot = max(bottom for *_, bottom in boxes)
    return foot, foot - min(top for _, top, *_ in boxes)
