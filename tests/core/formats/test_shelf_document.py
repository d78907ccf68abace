"""A shelf as JSON and from palettes: what is written reads back, nonsense is refused with its place."""

import json
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.colour.spaces import Lab
from mantello_core.errors import MantelloError, OutOfRange, UnknownName, Unreadable
from mantello_core.formats.shelf import read_shelf, write_shelf
from mantello_core.formats.shelf_document import read_shelf_document, write_shelf_document
from mantello_core.paints.own import by_swatch, own_paint
from mantello_core.paints.range import paints
from mantello_core.paints.stock import Stock

NOTES = st.text(st.characters(codec="utf-8", exclude_categories=("C", "Z")), max_size=40)
STOCKS = st.builds(Stock, st.floats(0, 99), st.none() | st.floats(0, 1000), NOTES, st.booleans())
SHELVES = st.dictionaries(st.sampled_from(sorted(paints())), STOCKS.filter(lambda one: not one.empty), max_size=8)


class Documents(TestCase):
    @settings(max_examples=60, deadline=None)
    @given(SHELVES)
    def test_what_is_written_reads_back(self, shelf):
        own = own_paint(by_swatch("Stall rose", "acrylic", Lab(50, 40, 10), "opaque"))
        read = read_shelf_document(write_shelf_document(shelf | {own.id: Stock(2.0)}, (own,)))
        self.assertEqual(read.shelf, shelf | {own.id: Stock(2.0)})
        self.assertEqual(read.said, (own.said,))

    def test_what_is_no_shelf_is_refused_with_its_place(self):
        good = json.loads(write_shelf_document({"salt-linen": Stock(1.0)}, ()))
        for change, kind, where in (
            ({"format": "other"}, Unreadable, "/format"),
            ({"version": 2}, Unreadable, "/format"),
            ({"shelf": {}}, Unreadable, "/shelf"),
            ({"shelf": [1]}, Unreadable, "/shelf/0"),
            ({"shelf": [{"paint": "salt-linen"}]}, Unreadable, "/shelf/0"),
            ({"shelf": [{"paint": "salt-linen", "pots": "many"}]}, Unreadable, "/shelf/0"),
            ({"shelf": [{"paint": "salt-lime", "pots": 1}]}, UnknownName, "/shelf/0/paint"),
            ({"shelf": [{"paint": "salt-linen", "pots": 100}]}, OutOfRange, "/shelf/0/pots"),
            ({"shelf": [{"paint": "salt-linen", "pots": 1, "note": "a\u0007b"}]}, OutOfRange, "/shelf/0/note"),
            ({"own": [{"name": "x"}]}, Unreadable, "/own/0"),
            ({"own": [{}] * 401}, OutOfRange, "/shelf"),
            ({"note": "half \ud800"}, Unreadable, "file"),
        ):
            with self.assertRaises(kind) as refused:
                read_shelf_document(json.dumps(good | change))
            self.assertEqual(refused.exception.where, where)

    @settings(max_examples=150, deadline=None)
    @given(st.text(max_size=80) | st.from_regex(r"\{.{0,60}\}", fullmatch=True) | st.just('{"a":' * 5000))
    def test_nothing_crashes(self, text):
        try:
            read_shelf_document(text)
        except MantelloError as error:
            self.assertTrue(error.message)

    def test_a_note_with_a_tab_or_a_line_break_reads_back_on_one_line(self):
        text = write_shelf_document({"salt-linen": Stock(1.0, None, "lot 7\tthick\nstirred")}, ())
        self.assertEqual(read_shelf_document(text).shelf["salt-linen"].note, "lot 7 thick stirred")

    def test_no_number_is_no_number(self):
        for word in ("NaN", "Infinity"):
            with self.assertRaises(Unreadable):
                read_shelf_document(
                    '{"format": "mantello-shelf", "version": 1, "shelf": [{"paint": "salt-linen", "pots": '
                    + word
                    + "}]}"
                )


class Discontinued(TestCase):
    def test_it_survives_separated_values(self):
        shelf = {"salt-linen": Stock(0.5, 2.8, "", True), "brine-green": Stock(1.0)}
        self.assertEqual({line.paint: line.stock for line in read_shelf(write_shelf(shelf))}, shelf)

    def test_it_is_read_as_it_is_said(self):
        for said, gone in (("yes", True), ("X", True), ("1", True), ("", False), ("no", False)):
            (line,) = read_shelf(f"paint,pots,discontinued\nsalt-linen,1,{said}\n")
            self.assertEqual(line.stock.discontinued, gone)
