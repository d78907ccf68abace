"""Steps that lie beside a neighbour, with how much of the outline that is on a figure."""

from dataclasses import replace

from ..recipes.step import Step
from ..scheme.cascade import FigureClass


def measured_beside(step: Step, one: FigureClass, role: str) -> Step:
    """The step of a role, beside a named role along so much of its outline as on this class of figures; others as they are."""
    if not step.spot or not step.spot.beside:
        return step
    areas = [area for area, cell in one.cells.items() if cell.role == role]
    others = {area for area, cell in one.cells.items() if cell.role == step.spot.beside}
    return replace(step, spot=replace(step.spot, along=round(one.plate.share_beside(areas, others), 3)))
