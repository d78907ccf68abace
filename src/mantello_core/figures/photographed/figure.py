"""The drawing of a figure type from its photographs: areas as polygons, measured, with the photograph's light over them."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np
from scipy import ndimage

from ...errors import OutOfRange, Unreadable
from ..height import LEAST_MM, MOST_MM
from ..piecework.drawn import BASE, drawn_view
from ..piecework.partition import without_specks
from .cutting import CutUp
from .settling import settled

#: pixels over which light is told beside a seam, and the step of its logarithm from pixel to pixel that tells what lies behind
_BESIDE, _DARKER = 1.5, 0.06


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
        base = [at for at, name in enumerate(self.names) if name.partition(".")[0] == BASE]
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
    origin = (columns.min() + columns.max() + 1) / 2, rows.max() + 1
    # on either side of a seam, a little way in, what is darker lies behind
    lightness = ndimage.gaussian_filter(np.log(np.clip(one.cut.shade, 0.02, None)), _BESIDE)
    return drawn_view(one.view, labels, one.names, materials, one.cut.shade, px_mm, origin, lightness, _DARKER)
