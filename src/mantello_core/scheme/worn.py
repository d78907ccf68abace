"""What classes of figures wear, told once for all who ask: how the areas of roles are formed, and their roles by number."""

from collections.abc import Callable, Sequence
from functools import cached_property
from typing import TYPE_CHECKING, TypeVar

import numpy as np

from ..figures.extent import Extent, united
from ..figures.form import USUAL_FORM, Form, form_of
from ..figures.plate import Plate
from ..memory import remembered

if TYPE_CHECKING:
    from .cascade import FigureClass

T = TypeVar("T")


class Worn:
    """What some classes of figures wear; it follows from their cells alone."""

    def __init__(self, classes: Sequence["FigureClass"]):
        self._classes = classes
        self._forms: dict[tuple[int, int], tuple] = {}
        self._numbers: dict[tuple[int, int], tuple] = {}

    @cached_property
    def roles(self) -> tuple[str, ...]:
        """Every role that is worn, by name."""
        return tuple(sorted({cell.role for one in self._classes for cell in one.cells.values() if cell.role}))

    def numbers(self, one: "FigureClass") -> np.ndarray:
        """For every area of a class, in its plate's order, the number of its role among ``roles``; -1 for none."""
        place, cells = self._places, one.cells
        return _once(
            self._numbers, one, lambda: np.array([place.get(cells[area].role, -1) for area in one.plate.areas], int)
        )

    def form(self, one: "FigureClass", role: str) -> Form:
        """How the areas of a role are formed on a class."""
        forms = _once(self._forms, one, lambda: {each: form_of(extent) for each, extent in _extents(one).items()})
        return forms.get(role, USUAL_FORM)

    def usual_form(self, role: str, tier: str) -> Form:
        """How the areas of a role are formed on figures of a tier, all of them together."""
        return self._usual_forms.get((role, tier), USUAL_FORM)

    @cached_property
    def _places(self) -> dict[str, int]:
        return {role: at for at, role in enumerate(self.roles)}

    @cached_property
    def _usual_forms(self) -> dict[tuple[str, str], Form]:
        worn: dict[tuple[str, str], list[Extent]] = {}
        for one in self._classes:
            for role, extent in _extents(one).items():
                worn.setdefault((role, one.tier), []).append(extent.of_share(len(one.ordinals)))
        return {key: form_of(united(extents)) for key, extents in worn.items()}


def _once(known: dict[tuple[int, int], tuple], one: "FigureClass", work: Callable[[], T]) -> T:
    """What follows from the cells of a class, told by their identity; they are kept beside it, so that no others can get it."""
    key = id(one.plate), id(one.cells)
    if key not in known:
        known[key] = one.plate, one.cells, work()
    return known[key][2]


def _extents(one: "FigureClass") -> dict[str, Extent]:
    """What a brush goes over of every role on a class of figures."""
    worn: dict[str, list[str]] = {}
    for area, cell in one.cells.items():
        if cell.role:
            worn.setdefault(cell.role, []).append(area)
    return {role: _extent_of(one.plate, tuple(areas)) for role, areas in worn.items()}


@remembered(2_000)
def _extent_of(plate: Plate, areas: tuple[str, ...]) -> Extent:
    return plate.extent_of(areas)
