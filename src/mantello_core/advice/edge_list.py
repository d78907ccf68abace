"""Edges worth a light, and lines worth a line: areas ranked by what is seen, with a cut-off."""

from collections.abc import Iterable, Mapping
from dataclasses import dataclass

from ..colour.difference import difference
from ..colour.spaces import Lab
from ..figures.plate import Plate
from ..recipes.handwork import Circumstances, brushing_seconds
from ..recipes.step import Step

#: share of the edges, best first, that each tier lights where nothing is said
CUT = {"rank": 0.5, "leader": 0.8, "centrepiece": 1.0}
#: mm below which an edge is told with its neighbours, and CIEDE2000 at which a line counts full
LEAST_MM, FULL_CONTRAST = 0.5, 40.0


@dataclass(frozen=True)
class EdgeRow:
    """One area's edges or lines."""

    area: str
    #: mm that can be lit or lined, and of them facing up
    mm: float
    sharp_mm: float
    #: 0 to 1: how much of it is seen, faces up, and stands out
    worth: float
    seconds: float
    #: share of all the mm up to and with this one, and its own
    reached: float
    own: float

    def kept(self, share: float) -> bool:
        """Whether it comes before a cut-off at that share; the best one always does."""
        return self.reached <= share + 0.005 or self.reached == self.own


def edge_list(
    plate: Plate, areas: Iterable[str], step: Step, colours: Mapping[str, Lab], around: Circumstances
) -> tuple[EdgeRow, ...]:
    """Areas of a plate by how much an edge light or a line on each is worth, the best first.

    step: an edge or line step; colours: of every area, from which a line's contrast follows. Worth of an edge: how much of
    the area is seen, times what faces up of its edges and half of the rest. Worth of a line: seen, times how far the areas on
    both sides stand from the line's colour.
    """
    lines = step.work == "line"
    ink = step.mix.film.masstone
    found = []
    for name in areas:
        area = plate.areas[name]
        extent = area.extent
        mm = extent.foot_mm + extent.line_mm if lines else extent.free_mm
        if mm < LEAST_MM:
            continue
        if lines:
            own = min(1.0, difference(colours[name], ink) / FULL_CONTRAST) if name in colours else 0.5
            worth = area.visibility * own
        else:
            worth = area.visibility * (extent.sharp_mm + 0.5 * (extent.free_mm - extent.sharp_mm)) / extent.free_mm
        found.append((worth, name, mm, extent.sharp_mm, brushing_seconds(step, extent, 1, around)))
    found.sort(key=lambda row: (-row[0], row[1]))
    whole, so_far, rows = sum(row[2] for row in found), 0.0, []
    for worth, name, mm, sharp, seconds in found:
        so_far += mm
        rows.append(EdgeRow(name, mm, sharp, worth, seconds, so_far / whole, mm / whole))
    return tuple(rows)
