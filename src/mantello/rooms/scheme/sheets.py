"""Masks and guides of a pattern on one figure, at true size: as one PDF, or page by page as SVG."""

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import file_kind, paper, paper_kind
from mantello.workspace.page import army_for
from mantello.workspace.reading import reading_of
from mantello_core.army.tree import Figure
from mantello_core.design.camouflaged import layouts_on
from mantello_core.errors import MantelloError
from mantello_core.formats.mask_sheets import PAGE, Sheet, guide_sheets, mask_sheets
from mantello_core.naming import slug

#: tools whose inks are masked
_MASKED = ("mask", "putty")


@login_required
@require_safe
def camouflage_sheets(request, army_id, form):
    """The sheets of one figure: 'sheets.pdf', or 'sheets.svg' with all pages one beneath the other."""
    army = army_for(request, army_id)
    asked = {name: request.GET.get(name, "")[:120] for name in ("pattern", "figure", "mirrored")}
    if form not in ("pdf", "svg") or _laid(army, asked) is None:
        raise Http404
    name = slug(f"{asked['pattern']} {asked['figure'].rpartition('|')[2]}", set())
    return paper(request, army, f"camouflage-{form}", f"camouflage-{name}.{form}", **asked)


def _laid(army, asked):
    """Reading, pattern, class and layout that are asked for; None if there are none such."""
    reading = reading_of(army.head)
    unit, rank, ordinal = [*asked["figure"].split("|"), "", "", ""][:3]
    try:
        one = reading.resolution.of(Figure(unit, rank, int(ordinal)))
    except (MantelloError, ValueError):
        return None
    worn = [each for each in reading.design.scheme.patterns if each.id in one.patterns]
    at = next((at for at, each in enumerate(worn) if each.id == asked["pattern"]), None)
    return None if at is None else (reading, worn[at], one, int(ordinal), at)


def sheets_of(army, asked) -> list[Sheet]:
    """The pages: masks where the tool wants them, and where each ink goes."""
    reading, pattern, one, ordinal, at = _laid(army, asked)
    laid = layouts_on(reading.design, one, ordinal)[at]
    inks = next(cell.inks for cell in one.cells.values() if cell.pattern == pattern.id)
    names = [reading.design.scheme.role(role).name for role in inks]
    titled = f"{pattern.name}, {reading.design.army.called(one.unit, one.rank, ordinal)}"
    masks = mask_sheets(laid, names, titled, mirrored=asked["mirrored"] == "yes") if pattern.tool in _MASKED else ()
    return [*masks, *guide_sheets(laid, names, titled)]


@paper_kind("camouflage-pdf", "Masks and guides", "sheets.css")
def sheets_page(army, asked) -> str:
    """Every sheet as a page to print."""
    pages = [mark_safe(sheet.svg) for sheet in sheets_of(army, asked)]
    return render_to_string("scheme/sheets.html", {"pages": pages})


@file_kind("camouflage-svg", "Masks and guides", "image/svg+xml")
def sheets_svg(army, asked) -> bytes:
    """All sheets one beneath the other as one drawing, in mm."""
    pages = sheets_of(army, asked)
    wide, tall = PAGE
    placed = "".join(
        f'<g transform="translate(0 {at * tall:g})">{_inner(sheet.svg)}</g>' for at, sheet in enumerate(pages)
    )
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:g}mm" height="{tall * len(pages):g}mm"'
        f' viewBox="0 0 {wide:g} {tall * len(pages):g}">{placed}</svg>'
    ).encode()


def _inner(svg: str) -> str:
    return svg.partition(">")[2].rpartition("</svg>")[0]
