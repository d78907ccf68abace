"""What classes of figures wear, told once for all who ask: how the areas of roles are formed, and their roles by number."""

from collections import Counter, defaultdict
from collections.abc import Callable, Hashable, Sequence
from functools import cached_property
from itertools import combinations
from typing import TYPE_CHECKING, TypeVar

import numpy as np

from ..figures.extent import Extent, united
from ..figures.form import USUAL_FORM, Form, form_of
from ..figures.plate import Plate
from ..figures.vocabulary import sideless
from ..memory import remembered

if TYPE_CHECKING:
    from .cascade import FigureClass

T = TypeVar("T")


class Worn:
    """What some classes of figures wear; it follows from their cells alone."""

    def __init__(self, classes: Sequence["FigureClass"]):
        self._classes = classes
        self._told: dict[tuple, tuple] = {}
        self._last: dict[str, tuple[tuple, object]] = {}

    def told(self, what: Hashable, one: "FigureClass", work: Callable[[], T]) -> T:
        """What follows from the cells of a class, worked out once for all who ask. what: names it, with all that it depends on
        besides the class.

        Cells are told apart by their identity, which many classes share; they are kept beside what is told, so that no others can
        get it.
        """
        key = what, id(one.plate), id(one.cells)
        if key not in self._told:
            self._told[key] = one.plate, one.cells, work()
        return self._told[key][2]

    def last(self, what: str, parts: tuple, work: Callable[[], T]) -> T:
        """What follows from all that is worn and from ``parts``, all that it depends on besides: worked out anew where it was asked
        last with other parts. An edit that leaves what is worn and the parts as they were leaves it too."""
        known = self._last.get(what)
        if known is None or known[0] != parts:
            known = self._last[what] = parts, work()
        return known[1]

    @cached_property
    def roles(self) -> tuple[str, ...]:
        """Every role that is worn, by name."""
        return tuple(sorted({cell.role for one in self._classes for cell in one.cells.values() if cell.role}))

    def numbers(self, one: "FigureClass") -> np.ndarray:
        """For every area of a class, in its plate's order, the number of its role among ``roles``; -1 for none."""
        place, cells = self.places, one.cells
        return self.told(
            "numbers", one, lambda: np.array([place.get(cells[area].role, -1) for area in one.plate.areas], np.int32)
        )

    def patterned(self, one: "FigureClass") -> tuple[tuple[int, str], ...]:
        """The areas of a class that wear a pattern, each with its place in the plate's order."""
        cells = one.cells
        return self.told(
            "patterned",
            one,
            lambda: tuple((place, area) for place, area in enumerate(one.plate.areas) if cells[area].pattern),
        )

    def areas(self, one: "FigureClass") -> dict[str, tuple[str, ...]]:
        """Every role that a class wears with its areas there."""
        return self.told("areas", one, lambda: _areas_of(one))

    def extent(self, one: "FigureClass", role: str) -> Extent:
        """What a brush goes over of a role that a class wears."""
        return _extent_of(one.plate, self.areas(one)[role])

    def form(self, one: "FigureClass", role: str) -> Form:
        """How the areas of a role are formed on a class."""
        forms = self.told("forms", one, lambda: {each: form_of(self.extent(one, each)) for each in self.areas(one)})
        return forms.get(role, USUAL_FORM)

    def usual_form(self, role: str, tier: str) -> Form:
        """How the areas of a role are formed on figures of a tier, all of them together."""
        return self._usual_forms.get((role, tier), USUAL_FORM)

    @cached_property
    def places(self) -> dict[str, int]:
        """The number of every role among ``roles``."""
        return {role: at for at, role in enumerate(self.roles)}

    @cached_property
    def usual(self) -> tuple[dict[str, str], dict[str, str]]:
        """The role that most figures wear on every area, either side, and on every material."""
        by_area: dict[str, Counter] = defaultdict(Counter)
        by_material: dict[str, Counter] = defaultdict(Counter)
        for one in self._classes:
            areas, count = one.plate.areas, len(one.ordinals)
            for name, cell in one.cells.items():
                if cell.role:
                    by_area[sideless(name)][cell.role] += count
                    by_material[areas[name].material][cell.role] += count
        first = lambda counts: {key: counter.most_common(1)[0][0] for key, counter in counts.items()}  # noqa: E731
        return first(by_area), first(by_material)

    @cached_property
    def together(self) -> dict[tuple[str, str], "FigureClass"]:
        """Every two roles that are worn on one figure, in the order of their names, with a class that wears both."""
        return {pair: one for one in self._classes for pair in combinations(sorted(self.areas(one)), 2)}

    @cached_property
    def _usual_forms(self) -> dict[tuple[str, str], Form]:
        worn: dict[tuple[str, str], list[Extent]] = {}
        for one in self._classes:
            for role in self.areas(one):
                worn.setdefault((role, one.tier), []).append(self.extent(one, role).of_share(len(one.ordinals)))
        return {key: form_of(united(extents)) for key, extents in worn.items()}


def _areas_of(one: "FigureClass") -> dict[str, tuple[str, ...]]:
    worn: dict[str, list[str]] = {}
    for area, cell in one.cells.items():
        if cell.role:
            worn.setdefault(cell.role, []).append(area)
    return {role: tuple(areas) for role, areas in worn.items()}


@remembered(2_000, each=410)
def _extent_of(plate: Plate, areas: tuple[str, ...]) -> Extent:
    return plate.extent_of(areas)
