"""One view of a figure type from a map of areas and the light over them."""

from collections.abc import Mapping, Sequence

import numpy as np
from shapely import affinity
from shapely.geometry.base import BaseGeometry
from shapely.geometry.polygon import orient

from ...geometry.polygon import pieces_of
from ..drafting import drafted_view
from ..overlap import UNIT_MM, Layers
from ..part import Area, Site
from ..shading import Shade
from .partition import polygons
from .relief import relief

#: room that an area must have to be offered for a mark, mm, and the share of it that the mark may take
_SITE_ROOM, _SITE_SHARE = 2.0, 0.7
_MOST_SITES, _MOST_SIGNS = 60, 40
#: of which parts a figure's base is
BASE = "base"
#: names of the overlay's steps; the second dark one is kept in massed drawings, too
_STEPS = {"dark": ("pale", "form", "deep", "deeper", "hollow", "black"), "lite": ("lit", "bright", "gleam", "glint")}
_PER_MM = 1 / UNIT_MM
#: how much shorter a line is than the stairs of pixels along it
_STAIRS = 0.8


def drawn_view(
    view: str, labels: np.ndarray, names: Sequence[str], materials: Mapping[str, str], shade: np.ndarray, px_mm: float,
    origin: tuple[float, float], near: np.ndarray, step: float,
) -> dict:  # fmt: skip
    """One view as ``drafting`` gives them. labels: place among names of every pixel, -1 off the figure; shade: light over its
    median; px_mm: pixels a mm; origin: column and row, in pixels, that become 0, 0: the middle of the soles; near: how near
    every pixel is, or how light where nothing else is known; step: by how much what stands before another is nearer."""
    middle, soles = origin

    def placed(shape: BaseGeometry) -> BaseGeometry:
        unit = _PER_MM / px_mm
        return affinity.affine_transform(shape, (unit, 0, 0, unit, -middle * unit, -soles * unit))

    areas = [
        Area(
            names[label], _commands(placed(shape)), label, materials[names[label]], lift=0.0,
            part=".".join(names[label].split(".")[:2]),
        )
        for label, shape in sorted(polygons(labels, px_mm).items())
    ]  # fmt: skip
    steps = relief(shade, labels, px_mm)
    light = [
        Shade(kind, _STEPS[kind][at], alpha, placed(shape))
        for kind in _STEPS
        for at, (_, alpha, shape) in enumerate(step for step in steps if step[0] == kind)
    ]
    stack = Layers(view, areas)
    stack.sites = _sites(stack)
    drawn = drafted_view(stack, light)
    covered = covered_mm(labels, near, px_mm, step)
    number = {name: at for at, name in enumerate(names)}
    for area in drawn["areas"]:
        area["covered_mm"] = round(min(covered.get(number[area["area"]], 0.0), area["outline_mm"]), 2)
    return drawn


def covered_mm(labels: np.ndarray, near: np.ndarray, px_mm: float, step: float) -> dict[int, float]:
    """For every area the mm of its border along which its neighbour stands before it, by more than a step."""
    found: dict[int, float] = {}
    for one, other, more in (
        (labels[:, :-1], labels[:, 1:], near[:, 1:] - near[:, :-1]),
        (labels[:-1], labels[1:], near[1:] - near[:-1]),
    ):
        seam = (one != other) & (one >= 0) & (other >= 0)
        for behind, here in ((seam & (more > step), one), (seam & (-more > step), other)):
            for area, count in zip(*np.unique(here[behind], return_counts=True), strict=True):
                found[int(area)] = found.get(int(area), 0.0) + count * _STAIRS / px_mm
    return found


def _sites(stack: Layers) -> list[Site]:
    """A place for a mark in the middle of every area that has room, the largest first."""
    found = []
    for name in stack.names():
        x, y, radius = stack.label_point(name)
        room = 2 * radius * UNIT_MM
        site = f"{name.partition('.')[2]}.middle"
        if room >= _SITE_ROOM and name.partition(".")[0] != BASE and len(site) <= _MOST_SIGNS:
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
