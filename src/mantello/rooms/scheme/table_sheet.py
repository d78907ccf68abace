"""The mapping table on paper: as many sheets side by side as its columns need, none of them lost."""

from dataclasses import dataclass

from django.contrib.auth.decorators import login_required
from django.template.loader import render_to_string
from django.utils import timezone
from django.views.decorators.http import require_safe

from mantello.jobs.papers import paper, paper_kind
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of

from .table import Column, TableRow, columns_of, groups_of

#: columns of figures that a sheet across takes
COLUMNS = 8


@dataclass(frozen=True)
class Sheet:
    """Some columns of the table with every row that they have."""

    number: int
    of: int
    columns: tuple[Column, ...]
    groups: list[tuple[str, list[TableRow]]]


@login_required
@require_safe
def table_pdf(request, army_id):
    """The table of the army, or of the formation that is named, as PDF."""
    army = army_for(request, army_id)
    within = request.GET.get("in", "")
    within = within if within in reading_of(army.head).design.army.nodes else ""
    return paper(request, army, "table", "table.pdf", str(timezone.localdate()), within=within)


@paper_kind("table", "Mapping table", "table_sheet.css")
def table_page(army, asked) -> str:
    """All sheets of the table as a page to print."""
    reading = reading_of(army.head)
    columns = columns_of(reading, asked["within"])
    parts = [columns[at : at + COLUMNS] for at in range(0, len(columns), COLUMNS)]
    sheets = [
        Sheet(number, len(parts), tuple(part), groups_of(reading, [column.one for column in part]))
        for number, part in enumerate(parts, 1)
    ]
    return render_to_string(
        "scheme/table_sheet.html",
        {"army": army, "sheets": sheets, "scheme": reading.design.scheme, "roles": reading.design.scheme.role_by_id, "reading": reading, "day": timezone.localdate()},
    )  # fmt: skip
