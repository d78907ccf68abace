"""Papers: rosters, shelves, calendars, drawings and pictures as written and read."""

from collections.abc import Iterator
from datetime import UTC, date, datetime
from zoneinfo import ZoneInfo

from mantello_core.design.design import Design
from mantello_core.design.muster import empty_army, with_entries
from mantello_core.figures.catalogue import plate
from mantello_core.formats.calendar_file import Entry, read_busy, write_calendar
from mantello_core.formats.document.design import write_design
from mantello_core.formats.figure_drawing import measured, read_drawing, sheet_svg, template_svg, with_names
from mantello_core.formats.palette import read_palette, write_palette
from mantello_core.formats.roster.reading import read_roster
from mantello_core.formats.roster.writing import write_roster, write_roster_json
from mantello_core.formats.sample import calvessa, sample_shelf
from mantello_core.formats.shelf import read_shelf, write_shelf
from mantello_core.formats.shelf_document import read_shelf_document, shelf_of_palette, write_shelf_document
from mantello_core.formats.text_file import decoded
from mantello_core.formats.vector.shapes import read_shapes
from mantello_core.paints.range import paints
from mantello_core.scheme.scheme import Scheme

SVG = """<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 200">
<g id="front" transform="translate(10,0) rotate(5 3 2)"><rect id="base rim" x="0" y="180" width="80" height="20" rx="4"/>
<path d="M10 60 L70 60 a5 5 0 0 1 5 5 V180 H10 z"><title>Left trousers</title></path>
<circle id="head.face" cx="40" cy="30" r="25"/><path id="path9" d="M0 0h10v10h-10z m2 2h4v4h-4z"/>
<path id="torso.coat" d="M5 5 C 10 0 20 0 25 5 S 40 10 45 5 Q 50 0 55 5 T 65 5 l0 20 h-60 z" transform="scale(1.2 0.9) skewX(10)"/></g>
<g id="back" transform="matrix(1 0.1 -0.1 1 3 4)"><ellipse id="hand.left" rx="10" ry="20" cx="5" cy="5"/>
<polygon id="weapon.blade" points="0,0 5,40 10,0 5,-5"/><path id="head.hat" d="M0 0L9 0L4 7Z"/><path id="belt" d="M0 90 A 30 12 20 1 0 40 90 A 30 12 20 0 1 0 90 Z"/></g></svg>"""
ROSTERS = (
    "unit,type,rank,figures,formation\nLine,fusilier,Fusilier,9,Tide / First\nLine,fusilier,Sergeant,1,Tide / First\n",
    "Tide:\n  First:\n    3 x Fusilier\n    1 Fusilier sergeant\n    20 dragons\n",
    '{"roster": [{"unit": "Line", "type": "knight", "figures": 5}, {"unit": "", "figures": "many"}]}',
    "name;count;model\nA;3;knight\nB;9999;captain\nC;;x\n",
)
CALENDAR = b"""BEGIN:VCALENDAR\r
VERSION:2.0\r
PRODID:x\r
BEGIN:VEVENT\r
UID:1\r
DTSTART:20261124T190000Z\r
DTEND:20261124T203000Z\r
RRULE:FREQ=WEEKLY;COUNT=4\r
END:VEVENT\r
BEGIN:VEVENT\r
UID:2\r
DTSTART;VALUE=DATE:20261128\r
DTEND;VALUE=DATE:20261130\r
END:VEVENT\r
BEGIN:VEVENT\r
UID:3\r
DTSTART:20261201T180000\r
DURATION:PT45M\r
END:VEVENT\r
END:VCALENDAR\r
"""


def rosters() -> Iterator[tuple[str, object]]:
    """Rosters of every way of writing, read and written."""
    for text in ROSTERS:
        lines = read_roster(text).lines
        design = with_entries(Design(empty_army("Force"), Scheme("Scheme")), [one.entry for one in lines if one.entry])
        yield (
            text[:20],
            (lines, write_roster(design.army), write_roster_json(design.army), decoded(text.encode("utf-16"))),
        )
    yield "whole", write_roster(calvessa().army)


def shelves() -> Iterator[tuple[str, object]]:
    """Shelves, palettes and designs as documents."""
    shelf = sample_shelf()
    yield "table", (write_shelf(shelf), read_shelf(write_shelf(shelf)))
    own = shelf_of_palette(read_palette("GIMP Palette\nName: x\n# c\n 120  40  30 Deck red\n 10 200 30\n"), "opaque")
    yield "palette", (vars(own), write_palette("All", list(paints().values())[:20]))
    text = write_shelf_document(shelf, [])
    yield "document", (text, vars(read_shelf_document(text)))
    yield "design", write_design(calvessa())


def calendars() -> Iterator[tuple[str, object]]:
    """Plans written as calendars, busy times read."""
    rome = ZoneInfo("Europe/Rome")
    entry = Entry("a", datetime(2026, 11, 24, 19), datetime(2026, 11, 24, 21, 30), "Base coats", "Nine fusiliers")
    for zone in (None, rome):
        yield f"written {zone}", write_calendar("Plan", [entry], zone, datetime(2026, 11, 1, tzinfo=UTC)).decode()
        yield f"busy {zone}", read_busy(CALENDAR, zone, date(2026, 11, 24), date(2026, 12, 10))


def drawings() -> Iterator[tuple[str, object]]:
    """Drawings of figures read, named, measured, and templates to draw over."""
    yield "shapes", read_shapes(SVG.encode())
    drawing = read_drawing(SVG.encode())
    yield "drawing", (drawing, [sheet_svg(drawing, view) for view in ("front", "back")])
    named = with_names(drawing, {one.key: one.area or "torso.coat" for one in drawing.shapes})
    yield "measured", measured(named, 28.0)
    for type_id in ("fusilier", "puntcar"):
        yield type_id, template_svg(plate(type_id)).decode()


ANSWERS = (rosters, shelves, calendars, drawings)
