"""Addresses and words of picks and cells."""

from urllib.parse import parse_qsl, urlencode

from django import template
from django.utils.html import format_html, format_html_join

from mantello_core.figures.vocabulary import sideless

register = template.Library()

#: mark of the reach preview: height of the dark part
_MARK = {"c": (0, 14), "k": (7, 7)}


@register.filter
def query_of(pick) -> str:
    """The pick as a query."""
    return pick.query()


@register.filter
def query_reach(pick, reach: str) -> str:
    """The pick with another reach."""
    return pick.query(reach=reach)


@register.filter
def query_rung(pick, rung: int) -> str:
    """The pick at another rung; everything is named, since nothing is filled in for previews."""
    return pick.query(rung=rung)


@register.filter
def query_pairs(pick) -> list[tuple[str, str]]:
    """The pick as pairs, for hidden fields."""
    return parse_qsl(pick.query())


@register.filter
def query_cell(pick, cell) -> str:
    """The pick moved to a cell of the table."""
    one = cell.one
    return pick.query(unit=one.unit, rank=one.rank, figure=one.ordinals[0], area=cell.area, rung="")


@register.filter
def query_finding(finding) -> str:
    """The place a finding points at."""
    return urlencode({"unit": finding.unit, "rank": finding.rank, "figure": finding.ordinal, "area": finding.area})


@register.filter
def sideless_area(pick) -> str:
    """The row of the table the pick is in."""
    return sideless(pick.area)


@register.filter
def is_picked(cell, pick) -> bool:
    """Whether a cell is the picked one."""
    return sideless(cell.area) == sideless(pick.area) and cell.one == pick.figures


@register.filter
def cell_words(cell, scheme) -> str:
    """What a cell holds, spoken."""
    if cell.cell.role is None:
        return "no colour yet"
    name = scheme.role_by_id[cell.cell.role].name if cell.cell.role else "left bare"
    return f"{name}, set at rung {cell.cell.rung}{', sides differ' if cell.split else ''}"


@register.filter
def cell_role(table, row: str) -> dict[str, str | None]:
    """A row of a distinction table: column to role."""
    return {column.id: table.role(row, column.id) for column in table.columns}


@register.simple_tag
def marks_of(marks: str) -> str:
    """One bar for each figure of the army: full changes, half keeps its own, pale is out of reach."""
    step = 7
    pale = ((x * step, "#c9c9c9", 0, 14) for x, mark in enumerate(marks) if mark != " ")
    dark = ((x * step, "#1b1b1b", *_MARK[mark]) for x, mark in enumerate(marks) if mark in _MARK)
    drawn = format_html_join("", '<rect x="{}" width="5" fill="{}" y="{}" height="{}"/>', [*pale, *dark])
    return format_html(
        '<svg class="marks" viewBox="0 0 {} 14" preserveAspectRatio="xMinYMid meet" role="img" aria-label="{} figures change">{}</svg>',
        max(len(marks) * step, 260), marks.count("c"), drawn,
    )  # fmt: skip
