"""The drawing of a figure type from its photographs: areas as polygons, measured, with the photograph's light over them."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from shapely import affinity
from shapely.geometry.base import BaseGeometry
from shapely.geometry.polygon import orient

from ...errors import OutOfRange, Unreadable
from ...geometry.polygon import pieces_of
from ..drafting import drafted_view
from ..overlap import UNIT_MM, Layers
from ..part import Area, Site
from ..shading import Shade
from .cutting import CutUp
from .partition import polygons, without_specks
from .relief import relief
from .settling import settled

#: widths of a base, and heights of a figure, mm
LEAST_MM, MOST_MM = 2.0, 400.0
#: room that an area must have to be offered for a mark, mm, and the share of it that the mark may take
_SITE_ROOM, _SITE_SHARE = 2.0, 0.7
_MOST_SITES = 60
#: of which parts a figure's base is
_BASE = "base"
#: names of the overlay's steps; the second dark one is kept in massed drawings, too
_STEPS = {"dark": ("pale", "form", "deep", "deeper", "hollow", "black"), "lite": ("lit", "bright", "gleam", "glint")}
_PER_MM = 1 / UNIT_MM


@dataclass(frozen=True, eq=False)
class Photographed:
    """One photograph cut up, and what of it was given to which area: piece to area name."""

    view: str
    cut: CutUp
    given: Mapping[int, str]

    @cached_property
    def names(self) -> tuple[str, ...]:
        """The areas it has, in the order of their names."""
        return tuple(sorted(set(self.given.values())))

    @cached_property
    def labels(self) -> np.ndarray:
        """The area of every pixel by its place among ``names``; -1 off the figure."""
        number = {name: at for at, name in enumerate(self.names)}
        of = self.cut.graph.assigned({piece: number[name] for piece, name in self.given.items()})
        return np.where(self.cut.mask, of[np.maximum(self.cut.labels, 0)], -1).astype(np.int32)

    @property
    def base_px(self) -> float:
        """How wide the base is, in pixels; 0 where none was given."""
        base = [at for at, name in enumerate(self.names) if name.partition(".")[0] == _BASE]
        columns = np.flatnonzero(np.isin(self.labels, base).any(axis=0)) if base else np.array([])
        return float(columns[-1] - columns[0] + 1) if len(columns) else 0.0

    @property
    def height_px(self) -> float:
        """From the lowest to the highest point, in pixels."""
        rows = np.flatnonzero(self.cut.mask.any(axis=1))
        return float(rows[-1] - rows[0] + 1)


def photographed_type(
    photographs: tuple[Photographed, ...], materials: Mapping[str, str], *, base_mm: float = 0.0, height_mm: float = 0.0
) -> dict:
    """The drawing of a figure type, ``kind`` and ``views``. materials: area to material.

    base_mm: width of the base, by which each view is scaled; without it height_mm, from the lowest to the highest point.
    Raises: OutOfRange for a size; Unreadable for a view in which nothing is given, or without the base that scales it.
    """
    for name, value in (("base_mm", base_mm), ("height_mm", height_mm)):
        if value and not LEAST_MM <= value <= MOST_MM:
            raise OutOfRange(f"{value:g} mm; allowed is {LEAST_MM:g} to {MOST_MM:g} mm.", name)
    if not (base_mm or height_mm):
        raise OutOfRange("Say how wide the base is, or how tall the figure.", "base_mm")
    views = [_view(one, materials, _scale(one, base_mm, height_mm)) for one in photographs]
    return {"kind": "vehicle" if any(one.view == "top" for one in photographs) else "figure", "views": views}


def _scale(one: Photographed, base_mm: float, height_mm: float) -> float:
    """Pixels a mm."""
    if not one.given:
        raise Unreadable(f"Nothing of the {one.view} view is given to an area yet.", "areas")
    if base_mm and one.base_px:
        return one.base_px / base_mm
    if height_mm:
        return one.height_px / height_mm
    raise Unreadable(
        f"The {one.view} view has no base to scale it by; give the base an area, or say the height.", "base_mm"
    )


def _view(one: Photographed, materials: Mapping[str, str], px_mm: float) -> dict:
    labels = settled(one.cut, one.labels, np.array(sorted(one.given)))
    labels = without_specks(labels, px_mm)
    rows, columns = np.nonzero(labels >= 0)
    middle, soles = (columns.min() + columns.max() + 1) / 2, rows.max() + 1

    def placed(shape: BaseGeometry) -> BaseGeometry:
        """In drawing units, soles on 0 and the middle on 0."""
        unit = _PER_MM / px_mm
        return affinity.affine_transform(shape, (unit, 0, 0, unit, -middle * unit, -soles * unit))

    areas = [
        Area(
            one.names[label], _commands(placed(shape)), label, materials[one.names[label]], lift=0.0,
            part=".".join(one.names[label].split(".")[:2]),
        )
        for label, shape in sorted(polygons(labels, px_mm).items())
    ]  # fmt: skip
    steps = relief(one.cut.shade, labels, px_mm)
    light = [
        Shade(kind, _STEPS[kind][at], alpha, placed(shape))
        for kind in _STEPS
        for at, (_, alpha, shape) in enumerate(step for step in steps if step[0] == kind)
    ]
    stack = Layers(one.view, areas)
    stack.sites = _sites(stack)
    return drafted_view(stack, light)


def _sites(stack: Layers) -> list[Site]:
    """A place for a mark in the middle of every area that has room, the largest first."""
    found = []
    for name in stack.names():
        x, y, radius = stack.label_point(name)
        room = 2 * radius * UNIT_MM
        site = f"{name.partition('.')[2]}.middle"
        if room >= _SITE_ROOM and name.partition(".")[0] != _BASE and len(site) <= 40:
            wide = round(room * _SITE_SHARE, 1)
            found.append(Site(site, name, x, y, wide, wide, "disc"))
    return sorted(found, key=lambda one: -one.w)[:_MOST_SITES]


def _commands(shape: BaseGeometry) -> list[tuple]:
    """A polygon as the commands of an outline; a hole is a ring closed by a small 'z'."""
    found: list[tuple] = []
    for piece in pieces_of(shape):
        polygon = orient(piece)
        for at, ring in enumerate((polygon.exterior, *polygon.interiors)):
            first, *rest = list(ring.coords)[:-1]
            found += [("M", first), *(("L", point) for point in rest), ("z" if at else "Z",)]
    return found
