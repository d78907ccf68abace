"""What is printed: a unit's painting guide, and the plates of the whole army."""

from dataclasses import dataclass, replace
from functools import partial
from html import escape

from django.contrib.auth.decorators import login_required
from django.http import Http404
from django.template.loader import render_to_string
from django.utils import timezone
from django.utils.safestring import mark_safe
from django.views.decorators.http import require_safe

from mantello.jobs.papers import file_kind, paper, paper_kind, sheets_kind
from mantello.workspace.codes import legend_of
from mantello.workspace.page import army_for
from mantello.workspace.reading import Reading
from mantello.workspace.readings import reading_of
from mantello.workspace.stack import StepRow
from mantello_core.bearers.mark_work import steps_of
from mantello_core.checks.finding import class_title
from mantello_core.design.bearing import device_words
from mantello_core.figures.vocabulary import sideless, spoken
from mantello_core.film.tones import Tones
from mantello_core.formats.drawing import plate_group
from mantello_core.insignia.devices.manner import METHODS
from mantello_core.insignia.devices.mark_step import MarkStep
from mantello_core.order.phases import phase_list
from mantello_core.passes.pieces import pieces_of
from mantello_core.planning.mark_chain import site_words
from mantello_core.recipes.handwork import seconds_of
from mantello_core.recipes.hazard import DEFERENCE, cautions_for, step_cautions
from mantello_core.scheme.cascade import FigureClass

from .guide_dress import clothes_dealt, dress_told

#: classes of a rank that get a page each; more of them share one
_MOST_PAGES = 4
#: a sheet of the muster: columns and rows of cards; mm of a column, of a card's margins, between views, of a drawing at most;
#: widths of all views, in heights, from which a card takes two columns
_COLUMNS, _ROWS = 2, 3
_COLUMN_MM, _MARGIN_MM, _BETWEEN_MM, _TALL_MM, _WIDE = 88.0, 8.0, 5.0, 64.0, 1.9


@dataclass(frozen=True)
class GuideRole:
    """One role of a class of figures: where it goes and how it is made."""

    name: str
    areas: str
    tones: Tones | None
    rows: tuple[StepRow, ...]


@dataclass(frozen=True)
class GuidePage:
    """One class of figures."""

    title: str
    figures: str
    plates: tuple[str, ...]
    roles: tuple[GuideRole, ...]
    gaps: str
    marks: tuple["GuideMark", ...] = ()
    #: phases that have work, each with its steps: number, name, mix, coats
    order: tuple[tuple[str, tuple[tuple[int, str, str, int], ...]], ...] = ()


@dataclass(frozen=True)
class GuideMark:
    """One mark of a class of figures: what it is, where, and its steps."""

    name: str
    method: str
    steps: tuple[MarkStep, ...]


@login_required
@require_safe
def unit_guide(request, army_id, unit):
    """The painting guide of one unit."""
    army = army_for(request, army_id)
    node = reading_of(army.head).design.army.nodes.get(unit)
    if node is None or not node.ranks:
        raise Http404
    return paper(request, army, "guide", f"guide-{unit}.pdf", str(timezone.localdate()), unit=unit)


@paper_kind("guide", "Painting guide")
def guide_page(army, asked) -> str:
    """The painting guide of one unit, as a page to print."""
    reading, unit = reading_of(army.head), asked["unit"]
    node = reading.design.army.node(unit)
    ground = reading.design.scheme.ground
    pages = [page for rank in node.ranks for page in _pages(reading, reading.resolution.of_rank(unit, rank.id))]
    steps = [row for page in pages for role in page.roles for row in role.rows]
    pieces = list(
        {
            piece.id: piece for one in reading.resolution.of_unit(unit) for piece in pieces_of(reading.design, one)
        }.values()
    )
    marked = [piece.caution for piece in pieces if piece.caution] + [
        caution for piece in pieces if piece.step for caution in step_cautions(piece.step)
    ]
    marked += [step.caution for page in pages for mark in page.marks for step in mark.steps if step.caution]
    cautions = dict.fromkeys(
        [*cautions_for("undercoat", ground.paints), *(caution for row in steps for caution in row.cautions), *marked]
    )
    path = " / ".join(reading.design.army.nodes[one].name for one in reading.design.army.paths[unit][1:])
    return render_to_string(
        "army/guide.html",
        {
            "army": army, "unit": node, "path": path, "pages": pages, "undercoat": ground, "cautions": list(cautions),
            "dress": dress_told(reading, unit), "dealt": clothes_dealt(reading, unit),
            "deference": DEFERENCE, "pieces": pieces, "day": timezone.localdate(), "scheme": reading.design.scheme, "edition": army.head.number,
        },
    )  # fmt: skip


@login_required
@require_safe
def muster_pdf(request, army_id):
    """The plates of the whole army, one of each kind of figure, as PDF."""
    army = army_for(request, army_id)
    if not reading_of(army.head).design.army.figures:
        raise Http404
    return paper(request, army, "muster", "muster.pdf", str(timezone.localdate()))


@dataclass(frozen=True)
class Card:
    """One look on the muster: all kinds of figures that look so, and their views."""

    #: title and count of each kind
    kinds: tuple[tuple[str, int], ...]
    #: each drawing with its width on paper, mm
    views: tuple[tuple[str, float], ...]
    #: height of the drawings on paper, mm, so that all fit side by side
    height: float
    #: columns of a sheet that it takes
    columns: int


@sheets_kind("muster", "Plates of the army")
def muster_sheets(army, asked) -> list:
    """The plates of the whole army, sheet by sheet: each look once, drawn as print shows it, so that fifty kinds take seconds."""
    reading = reading_of(army.head)
    cards = muster_cards(reading)
    sheets: list[list[Card]] = [[]]
    row = rows = 0
    for card in cards:
        if row + card.columns > _COLUMNS:
            row, rows = 0, rows + 1
        if rows == _ROWS:
            sheets.append([])
            rows = 0
        sheets[-1].append(card)
        row += card.columns
    legend = legend_of(reading)
    of = len(sheets) + bool(legend)
    plates = [partial(_muster_sheet, army, sheet, at, of) for at, sheet in enumerate(sheets, 1)]
    return [*plates, *([partial(_legend_sheet, army, legend, of)] if legend else [])]


def muster_cards(reading: Reading) -> list[Card]:
    """The looks of an army in its order."""
    kinds: dict[tuple[str, ...], list[tuple[str, int]]] = {}
    shapes: dict[tuple[str, ...], list[float]] = {}
    for one in reading.resolution.classes:
        views = tuple(reading.drawn(one, view.name, detail="print") for view in one.plate.views)
        kinds.setdefault(views, []).append((class_title(reading.design.army, one), len(one.ordinals)))
        shapes[views] = [view.view_box[2] / view.view_box[3] for view in one.plate.views]
    cards = []
    for views, held in kinds.items():
        wide = sum(shapes[views])
        columns = 2 if wide > _WIDE or len(views) > _COLUMNS else 1
        height = min(_TALL_MM, (columns * _COLUMN_MM - _MARGIN_MM - _BETWEEN_MM * len(views)) / wide)
        drawn = tuple((svg, height * shape) for svg, shape in zip(views, shapes[views], strict=True))
        cards.append(Card(tuple(held), drawn, height, columns))
    return cards


def _muster_sheet(army, cards, number: int, of: int) -> str:
    plates = [
        (
            card,
            [
                mark_safe(svg.replace("<svg ", f'<svg width="{width:.1f}mm" height="{card.height:.1f}mm" ', 1))
                for svg, width in card.views
            ],
        )
        for card in cards
    ]
    context = {"army": army, "plates": plates, "number": number, "of": of, "day": timezone.localdate()}
    return render_to_string("army/muster_sheet.html", context)


def _legend_sheet(army, legend, number: int) -> str:
    context = {"army": army, "legend": legend, "number": number, "day": timezone.localdate()}
    return render_to_string("army/legend_sheet.html", context)


@login_required
@require_safe
def muster_svg(request, army_id):
    """The whole army as one drawing: every kind of figure with its count, five to a row."""
    army = army_for(request, army_id)
    return paper(request, army, "muster-drawing", "muster.svg")


@file_kind("muster-drawing", "Plates of the army", "image/svg+xml")
def muster_drawing(army, asked) -> bytes:
    """The drawing of the whole army."""
    return muster_sheet(reading_of(army.head)).encode()


def muster_sheet(reading: Reading) -> str:
    """One SVG with the first view of every kind of figure."""
    width, height, wide = 420, 640, 5
    parts = []
    classes = reading.resolution.classes
    for at, one in enumerate(classes):
        shape = one.plate
        left, top, across, tall = shape.views[0].view_box
        scale = min(width / across, (height - 80) / tall)
        x, y = at % wide * width, at // wide * height
        drawing = plate_group(
            shape,
            shape.views[0].name,
            lambda area, one=one: reading.fill(one, area),
            prefix=f"m{at}-",
            bearing=reading.bearing(one),
            camouflage=reading.camouflage(one, shape.views[0].name, one.ordinals[0]),
        )
        parts.append(
            f'<g transform="translate({x + (width - across * scale) / 2 - left * scale:.1f} {y + height - 60 - (top + tall) * scale:.1f}) scale({scale:.4f})">{drawing}</g>'
        )
        title = escape(class_title(reading.design.army, one))
        parts.append(
            f'<text x="{x + width / 2}" y="{y + height - 26}" text-anchor="middle" font-family="sans-serif" font-size="22">{title}: {len(one.ordinals)}</text>'
        )
    rows = -(-len(classes) // wide)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {wide * width} {max(rows, 1) * height}">'
        f'<rect width="100%" height="100%" fill="#a6a6a6"/>{"".join(parts)}</svg>'
    )


def _views(reading: Reading, one: FigureClass) -> list[str]:
    return [reading.drawn(one, view.name) for view in one.plate.views]


def _pages(reading: Reading, classes: tuple[FigureClass, ...]) -> list[GuidePage]:
    """A page for every class of figures of a rank; where nearly every figure is dealt its own clothes, one page for all of
    them, with the colours that any of them wears."""
    if len(classes) <= _MOST_PAGES:
        return [_page(reading, one) for one in classes]
    first = _page(reading, classes[0])
    roles = {role.name: role for role in first.roles}
    for one in classes[1:]:
        worn = {reading.design.scheme.role(id_).name for id_ in one.roles_worn.values() if id_}
        if worn - set(roles):
            roles |= {role.name: role for role in guide_roles(reading, one, one.plate) if role.name not in roles}
    count = sum(len(one.ordinals) for one in classes)
    said = f"{count} figures, each in clothes of its own; no. {classes[0].ordinals[0]} is drawn"
    return [replace(first, figures=said, roles=tuple(roles.values()))]


def _page(reading: Reading, one: FigureClass) -> GuidePage:
    shape = one.plate
    plates = tuple(mark_safe(svg) for svg in _views(reading, one))
    figures = f"{len(one.ordinals)} figure{'s' * (len(one.ordinals) != 1)}"
    if len(one.ordinals) < reading.design.army.rank(one.unit, one.rank).figures:
        figures += f": no. {', '.join(map(str, one.ordinals))}"
    gaps = _words(name for name, cell in one.cells.items() if cell.role is None)
    title, roles = class_title(reading.design.army, one), tuple(guide_roles(reading, one, shape))
    return GuidePage(title, figures, plates, roles, gaps, tuple(_marks(reading, one)), _order(reading, one))


def _order(reading: Reading, one: FigureClass):
    """The steps of a class of figures by phase, in order; what others of its rank wear is left out."""
    sheet = next((each for each in reading.sheets if (each.unit, each.rank) == (one.unit, one.rank)), None)
    found: dict[int, list[tuple[int, str, str, int]]] = {}
    for number, row in enumerate(sheet.rows if sheet else (), 1):
        if set(row.atom.ordinals) & set(one.ordinals):
            mix = row.atom.pot.partition("|")[2] if not row.atom.pot.startswith("hand|") else ""
            found.setdefault(row.atom.phase, []).append((number, row.atom.name, mix, row.atom.coats))
    phases = phase_list(reading.design).phases
    return tuple((phases[at].name, tuple(steps)) for at, steps in sorted(found.items()))


def _marks(reading: Reading, one: FigureClass):
    scheme = reading.design.scheme
    for site_id, borne in one.borne.items():
        mark = borne.placement
        words = device_words(scheme, mark.device)
        role = f" in {scheme.role(mark.role).name}" if mark.role else ""
        site = one.plate.named_sites(site_id)[0][1]
        name = f"{words[:1].upper()}{words[1:]}{role}: {site_words(site_id)}, {site.width:.1f} x {site.height:.1f} mm"
        yield GuideMark(name, METHODS[mark.manner.method], steps_of(scheme, mark, site))


def guide_roles(reading: Reading, one: FigureClass, shape):
    """The roles that a class of figures wears, the widest first, with their steps."""
    worn: dict[str, list[str]] = {}
    for name, cell in one.cells.items():
        if cell.role:
            worn.setdefault(cell.role, []).append(name)
    for role_id, names in sorted(worn.items(), key=lambda item: -sum(shape.areas[name].mm2 for name in item[1])):
        role = reading.design.scheme.role(role_id)
        extent, around = shape.extent_of(names), reading.around(one)
        rows = tuple(
            StepRow(outcome, seconds_of(outcome.step, extent, outcome.coats, around) / 60, step_cautions(outcome.step))
            for outcome in reading.prediction(role_id, one.tier).outcomes
        )
        yield GuideRole(role.name, _words(names), reading.tones(role_id, one.tier), rows)


def _words(names) -> str:
    return ", ".join(dict.fromkeys(spoken(sideless(name)).lower() for name in names))
