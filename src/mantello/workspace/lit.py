"""Where a figure is drawn of which some areas have their colours and the rest is bare: a picture instead of names of areas."""

from collections.abc import Iterable
from urllib.parse import urlencode

from django.urls import reverse

from mantello_core.scheme.cascade import FigureClass

from .models import Army
from .reading import Reading

#: areas that are lit at most
_MOST = 60


def lit_address(army: Army, unit: str, rank: str, ordinal: int, areas: Iterable[str]) -> str:
    """The address of a figure with areas lit."""
    said = {"unit": unit, "rank": rank, "figure": ordinal, "area": list(areas)[:_MOST], "v": army.head.number}
    return f"{reverse('lit-figure', args=[army.pk])}?{urlencode(said, doseq=True)}"


def lit_by_role(army: Army, reading: Reading, role: str) -> str:
    """The address of the figure that shows most of a role, with the areas that wear it lit; '' where none does."""
    one: FigureClass | None = reading.resolution.showing_most(role)
    if one is None:
        return ""
    return lit_address(
        army, one.unit, one.rank, one.ordinals[0], (area for area, cell in one.cells.items() if cell.role == role)
    )
