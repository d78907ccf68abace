"""Addresses and words of picks and cells."""

import math
from html import escape
from urllib.parse import parse_qsl, urlencode

from django import template
from django.utils.html import format_html, format_html_join
from django.utils.safestring import mark_safe

from mantello_core.checks.card import cards_of
from mantello_core.colour.spaces import hex_of
from mantello_core.figures.vocabulary import sideless
from mantello_core.memory import remembered

from ..ink_swatch import ink_swatch

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
def query_massed(pick, massed: str) -> str:
    """The pick seen alone or in the mass."""
    return pick.query(mass=massed)


@register.filter
def query_rung(pick, rung: int) -> str:
    """The pick at another rung; everything is named, since nothing is filled in for previews."""
    return pick.query(rung=rung)


@register.filter
def query_pairs(pick) -> list[tuple[str, str]]:
    """The pick as pairs, for hidden fields."""
    return parse_qsl(pick.query())


@register.filter
def query_finding(finding) -> str:
    """The place a finding points at."""
    return urlencode({"unit": finding.unit, "rank": finding.rank, "figure": finding.ordinal, "area": finding.area})


@register.filter
def cells_in(table, row: str) -> dict:
    """A row of a distinction table: column to its cell, None for an empty one."""
    return {column.id: table.cell(row, column.id) for column in table.columns}


@register.simple_tag
def pattern_swatch(reading, pattern_id: str) -> str:
    """The inks of a pattern side by side by their shares."""
    pattern = reading.design.scheme.pattern_by_id[pattern_id]
    inks = ((f"{start:.1f}", f"{share:.1f}", colour) for colour, share, start in ink_swatch(reading, pattern))
    return format_html(
        '<svg class="camo-sw" viewBox="0 0 100 16" preserveAspectRatio="none" role="img" aria-label="{}">{}</svg>',
        pattern.name,
        format_html_join("", '<rect x="{}" width="{}" height="16" fill="{}"/>', inks),
    )


@register.simple_tag
def marks_of(marks: str) -> str:
    """One bar for each figure of the army: full changes, half keeps its own, pale is out of reach."""
    step = 7
    pale = ((x * step, "#c9c9c9", 0, 14) for x, mark in enumerate(marks) if mark != " ")
    dark = ((x * step, "#1b1b1b", *_MARK[mark]) for x, mark in enumerate(marks) if mark in _MARK)
    drawn = (f'<rect x="{x}" width="5" fill="{ink}" y="{y}" height="{tall}"/>' for x, ink, y, tall in (*pale, *dark))
    return format_html(
        '<svg class="marks" viewBox="0 0 {} 14" preserveAspectRatio="{}" role="img" aria-label="{} figures change">{}</svg>',
        max(len(marks) * step, 260),
        "xMinYMid meet" if len(marks) < 60 else "none",
        marks.count("c"),
        mark_safe("".join(drawn)),
    )


@register.simple_tag
def table_rows(rows, pick, within: str) -> str:
    """Rows of the mapping table. Written in one go, since a large army has thousands of cells."""
    scheme, chosen = pick.reading.design.scheme, sideless(pick.area)
    tail = _tail(within or "all", pick.role, pick.reach if pick.reach != "area" else "")
    written = []
    for row in rows:
        here = row.key == chosen
        cells = (
            _cell(row, cell, scheme, tail, here=here and cell is not None and cell.one == pick.figures)
            for cell in row.cells
        )
        lit, words, name = ' class="hi"' if here else "", escape(row.words), escape(row.name)
        head = f'<tr data-words="{words}"{lit}><th scope="row" title="{escape(row.key)}">{name}</th>'
        written.append(f"{head}{''.join(cells)}</tr>")
    return mark_safe("".join(written))


@register.simple_tag
def area_list(areas) -> str:
    """The areas of a figure as links; areas: (id, name, what it wears, label, query) of each."""
    return mark_safe(
        "".join(
            f'<li><a href="?{escape(query)}" data-visit tabindex="-1" data-id="{id_}" data-label="{escape(label)}">{escape(name)}, {escape(worn)}</a></li>'
            for id_, name, worn, label, query in areas
        )
    )


def _cell(row, cell, scheme, tail: str, *, here: bool) -> str:
    if cell is None:
        return '<td class="na"></td>'
    place, focus = _place(cell.one.unit, cell.one.rank, cell.one.ordinals[0])
    role = cell.cell.role
    if role is None:
        shown, said = '<span class="gap"><b>gap</b></span>', "no colour yet"
    else:
        rung = cell.cell.rung if cell.cell.rung > 1 else ""
        tone = (
            f'<svg class="tone" aria-hidden="true"><use href="#t-{role}-{cell.one.tier}"/></svg>'
            if role
            else '<span class="sm">bare</span>'
        )
        shown = f'<span class="k">{rung}</span>{tone}{_site(cell.one, cell.area)}'
        said = f"{scheme.role_by_id[role].name if role else 'left bare'}, set at rung {cell.cell.rung}{', sides differ' if cell.split else ''}"
    return (
        f'<td{" class=sel" if here else ""}><a href="?{place}&amp;area={cell.area}{tail}" data-visit data-focus="{row.key}|{focus}"'
        f'{"" if here else " tabindex=-1"} aria-label="{escape(said)}">{shown}</a></td>'
    )


def _site(one, area: str) -> str:
    """A small shield where an area offers room for insignia: filled where it bears a device."""
    sites = one.plate.sites.get(area) or one.plate.sites.get(area.replace(".left", ".right"))
    if not sites:
        return ""
    borne = [one.borne[site.id].placement.device.words for site in sites if site.id in one.borne]
    said = f"Bears {', '.join(borne)}" if borne else f"Room for a mark: {'; '.join(site.words for site in sites)}"
    kind = "site borne" if borne else "site"
    return f'<svg class="{kind}" viewBox="0 0 10 12"><title>{escape(said)}</title><path d="M1 1H9V6.500C9 9 6.500 10.500 5 11.300 3.500 10.500 1 9 1 6.500Z"/></svg>'


@remembered(500)
def _tail(within: str, role: str, reach: str) -> str:
    """What every cell's address ends in."""
    rest = {"in": within, "role": role, "reach": reach}
    return escape("&" + urlencode({name: value for name, value in rest.items() if value}))


@remembered(2_000)
def _place(unit: str, rank: str, ordinal: int) -> tuple[str, str]:
    return (
        escape(urlencode({"unit": unit, "rank": rank, "figure": ordinal})),
        escape(f"{unit}|{rank}|{ordinal}"),
    )


@register.simple_tag
def hue_ring(harmony) -> str:
    """The hues of a scheme on a ring, each as large as its share; degrees of CIELAB hue, red at the right."""
    dots = []
    for hue in sorted(harmony.hues, key=lambda one: -one.share)[:14]:
        angle, reach = math.radians(hue.colour.hue), 34 + min(hue.colour.chroma, 70) * 0.75
        place = (110 + reach * math.cos(angle), 110 - reach * math.sin(angle))
        dots.append(
            (f"{place[0]:.1f}", f"{place[1]:.1f}", f"{4 + 22 * math.sqrt(hue.share):.1f}", hex_of(hue.colour), hue.name)
        )
    return format_html(
        '<svg class="hue-ring" viewBox="0 0 220 220" role="img" aria-label="Hues of the scheme">'
        '<circle cx="110" cy="110" r="108" fill="#a6a6a6"/><circle cx="110" cy="110" r="34" fill="none" stroke="#6e6e6e" stroke-dasharray="6 4"/>{}</svg>',
        format_html_join(
            "",
            '<circle cx="{}" cy="{}" r="{}" fill="{}" stroke="#1b1b1b" stroke-width=".8"><title>{}</title></circle>',
            dots,
        ),
    )


@register.filter
def as_per_cent(share: float | None) -> str:
    """A share as a number of per cent; empty for none."""
    return "" if share is None else f"{100 * share:g}"


@register.filter
def plain(number: float) -> str:
    """A number without needless zeros."""
    return f"{number:g}"


@register.filter
def threshold_name(name: str) -> str:
    """A threshold's name in words."""
    return name.replace("_", ", ").capitalize()


@register.filter
def causes(check) -> int:
    """How many causes a check's findings have: as many cards as its page shows."""
    return len(cards_of(check))


@register.filter
def clear_count(checks) -> int:
    """How many checks found nothing."""
    return sum(check.verdict == "clear" for check in checks)


@register.filter
def open_count(checks) -> int:
    """How many checks found something."""
    return sum(check.verdict != "clear" for check in checks)
