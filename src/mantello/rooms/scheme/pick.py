"""What the painter is looking at: a figure, an area of it, a role in hand, and how far an edit reaches."""

from dataclasses import dataclass, replace
from functools import cached_property
from urllib.parse import urlencode

from mantello.workspace.reading import NEUTRAL, Reading
from mantello.workspace.seeing import Seeing, seeing_from
from mantello_core.army.tree import Figure, Node, Rank, Rung
from mantello_core.design.design import Design
from mantello_core.design.rung_edit import rung_of, set_here
from mantello_core.errors import OutOfRange
from mantello_core.figures.plate import Plate
from mantello_core.figures.vocabulary import sideless
from mantello_core.memory import remembered
from mantello_core.numerals import whole_number
from mantello_core.scheme.cascade import FigureClass, Verdict, ladder

#: cells of the mapping table that may be set at once
MOST_CELLS = 2000


@dataclass(frozen=True)
class Pick:
    """One figure and area of an army, with the role in hand."""

    reading: Reading
    figure: Figure
    area: str
    role: str
    #: 'role': all areas of the figure that wear the same; 'area': this one and its other side
    reach: str
    rung: int
    seeing: Seeing = NEUTRAL
    #: other cells of the mapping table that are set along: figure and area
    also: tuple[tuple[Figure, str], ...] = ()
    #: whether its formation is looked at in the mass
    massed: bool = False

    @property
    def unit(self) -> Node:
        """The figure's unit."""
        return self.reading.design.army.nodes[self.figure.unit]

    @property
    def rank(self) -> Rank:
        """The figure's rank."""
        return self.reading.design.army.rank(self.figure.unit, self.figure.rank)

    @property
    def plate(self) -> Plate:
        """The figure's plate."""
        return self.figures.plate

    @property
    def figures(self) -> FigureClass:
        """The figures that look like it."""
        return self.reading.resolution.of(self.figure)

    @property
    def cell(self):
        """What the area wears."""
        return self.figures.cells[self.area]

    @property
    def verdicts(self) -> tuple[Verdict, ...]:
        """Every rule that speaks of the area, the winner first."""
        return ladder(self.reading.design.army, self.reading.design.scheme, self.figure, self.area)

    @property
    def rungs(self) -> tuple[Rung, ...]:
        """The figure's ladder."""
        return self.reading.design.army.rungs(self.figure)

    @property
    def mates(self) -> tuple[str, ...]:
        """Other areas of the figure that wear the same role."""
        cells = self.figures.cells
        return tuple(
            name
            for name, cell in cells.items()
            if cell.role == self.cell.role and name != self.area and cell.role is not None
        )

    @property
    def areas(self) -> tuple[str, ...]:
        """The areas an edit reaches."""
        if self.reach == "role" and self.cell.role is not None:
            return (self.area, *self.mates)
        cells, wanted = self.figures.cells, sideless(self.area)
        sides = [
            name
            for name in cells
            if sideless(name) == wanted and cells[name].role == self.cell.role and name != self.area
        ]
        return (self.area, *sides)

    def set_in(self, design: Design) -> Design:
        """The design with the role in hand set at the pick's rung, on all cells that are chosen.

        For the other cells the rung of the same kind is taken, or the nearest number their ladder has.
        Raises: what ``set_here`` refuses.
        """
        design = set_here(design, self.figure, self.areas, self.role, self.rung)
        kind = self.rungs[self.rung - 1].kind
        for figure, area in self.also:
            other = replace(self, figure=figure, area=area, also=())
            rungs = other.rungs
            alike = next((rung.number for rung in rungs if rung.kind == kind), min(self.rung, len(rungs)))
            design = set_here(design, figure, other.areas, self.role, alike)
        return design

    def query(self, **changes) -> str:
        """The address's query for this pick with something changed."""
        merged = self._said | changes
        return "&".join(_pair(name, value) for name, value in merged.items() if value not in (None, "", "area"))

    @cached_property
    def _said(self) -> dict[str, object]:
        """The members of the pick's query."""
        now = {
            "unit": self.figure.unit,
            "rank": self.figure.rank,
            "figure": self.figure.ordinal,
            "area": self.area,
            "role": self.role,
            "reach": "" if self.reach == "area" else self.reach,
            "rung": self.rung,
            "mass": "yes" if self.massed else "",
        }
        return now | self.seeing.query()


@remembered(1_000)
def _pair(name: str, value: object) -> str:
    """A member of a query; a page has hundreds of addresses, of the same few members."""
    return urlencode({name: value})


def pick_from(reading: Reading, asked) -> Pick | None:
    """The pick a query asks for, whatever is missing or unknown filled in; None if there are no figures.

    asked: a mapping of texts, such as ``request.GET``.
    """
    units = [unit for unit in reading.design.army.units if unit.ranks]
    if not units:
        return None
    unit = next((one for one in units if one.id == asked.get("unit")), units[0])
    rank = next(
        (one for one in unit.ranks if one.id == asked.get("rank")), max(unit.ranks, key=lambda one: one.figures)
    )
    ordinal = _number(asked.get("figure"), 1, rank.figures, 1)
    figure = Figure(unit.id, rank.id, ordinal)
    cells = reading.resolution.of(figure).cells
    area = asked.get("area", "")
    if area not in cells:
        area = _telling_area(reading.design.army.plate(rank.type), cells)
    role = asked.get("role", "")
    if role not in reading.design.scheme.role_by_id:
        role = cells[area].role or next(iter(reading.design.scheme.role_by_id), "")
    last = len(reading.design.army.rungs(figure))
    rung = _number(asked.get("rung"), 1, last, cells[area].rung or last - 2)
    reach = "role" if asked.get("reach") == "role" else "area"
    massed = asked.get("mass") == "yes"
    return Pick(reading, figure, area, role, reach, rung, seeing_from(asked), massed=massed)


def exact_pick(reading: Reading, asked) -> Pick:
    """The pick an edit names; nothing is filled in.

    Raises: UnknownName or OutOfRange for what does not exist.
    """
    army = reading.design.army
    said, at = asked.get("figure", "1"), asked.get("rung", "")
    ordinal, rung = whole_number(said, 10**6), whole_number(at, 99)
    if ordinal is None:
        raise OutOfRange(f"Figure '{said[:20]}'; write its number.", "figure")
    if rung is None:
        raise OutOfRange(f"Rung '{at[:20]}'; write its number on the ladder.", "rung")
    figure = Figure(asked.get("unit", ""), asked.get("rank", ""), ordinal)
    army.rungs(figure)
    ladder(army, reading.design.scheme, figure, asked.get("area", ""))
    reach = "role" if asked.get("reach") == "role" else "area"
    also = tuple(_cell(reading, text) for text in asked.getlist("also")[:MOST_CELLS])
    pick = Pick(reading, figure, asked.get("area", ""), asked.get("role", ""), reach, rung, also=also)
    rung_of(army, figure, pick.rung)
    return pick


def _cell(reading: Reading, text: str) -> tuple[Figure, str]:
    """A cell of the mapping table from 'unit|rank|figure|area'; the rank may hold any sign."""
    unit, _, rest = text.partition("|")
    rest, _, area = rest.rpartition("|")
    rank, _, number = rest.rpartition("|")
    ordinal = whole_number(number, 10**6)
    if ordinal is None:
        raise OutOfRange(f"The cell came as '{text[:60]}'; reload the page and try again.", "also")
    figure = Figure(unit, rank, ordinal)
    ladder(reading.design.army, reading.design.scheme, figure, area)
    reading.design.army.rungs(figure)
    return figure, area


def _number(text, low, high, usual):
    try:
        return min(max(int(text), low), high)
    except (TypeError, ValueError):
        return usual


def _telling_area(shape: Plate, cells) -> str:
    """The first gap, or else the largest area decided below the army: there the scheme tells most."""
    gap = next((name for name, cell in cells.items() if cell.role is None and not name.startswith("base")), None)
    return gap or max(
        cells, key=lambda name: (not name.startswith("base"), cells[name].rung > 1, shape.areas[name].mm2)
    )
