"""Masks and guides of a pattern on one figure, at true size: as one PDF, or page by page as SVG."""

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import file_kind, paper, paper_kind
from mantello.workspace.page import army_for
from mantello.workspace.readings import reading_of
from mantello_core.design.camouflaged import layout_on
from mantello_core.formats.mask_sheets import PAGE, Sheet, guide_sheets, mask_sheets
from mantello_core.naming import slug

from .fleet import wearing


@login_required
@require_safe
def camouflage_sheets(request, army_id, form):
    """The sheets of one figure: 'sheets.pdf', or 'sheets.svg' with all pages one beneath the other."""
    army = army_for(request, army_id)
    asked = {name: request.GET.get(name, "")[:120] for name in ("pattern", "figure", "mirrored")}
    if form not in ("pdf", "svg") or wearing(reading_of(army.head), asked["figure"], asked["pattern"]) is None:
        raise Http404
    name = slug(f"{asked['pattern']} {asked['figure'].rpartition('|')[2]}", set())
    return paper(request, army, f"camouflage-{form}", f"camouflage-{name}.{form}", **asked)


def sheets_of(army, asked) -> list[Sheet]:
    """The pages: masks where the tool wants them, and where each ink goes."""
    reading = reading_of(army.head)
    one, ordinal = wearing(reading, asked["figure"], asked["pattern"])
    pattern = reading.design.scheme.pattern(asked["pattern"])
    laid = layout_on(reading.design, one, ordinal, pattern)
    names = [reading.design.scheme.role(role).name for role in one.inks_of(pattern.id)]
    titled = f"{pattern.name}, {reading.design.army.called(one.unit, one.rank, ordinal)}"
    masks = mask_sheets(laid, names, titled, mirrored=asked["mirrored"] == "yes") if pattern.masked else ()
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
