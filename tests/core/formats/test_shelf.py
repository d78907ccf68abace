"""A shelf as separated values, there and back, and what cannot be taken."""

import csv
import io
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.formats.sample import sample_shelf
from mantello_core.formats.shelf import MOST_CHARACTERS, read_shelf, write_shelf, write_shopping
from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paints
from mantello_core.paints.shopping import shopping
from mantello_core.paints.stock import Stock

NOTES = st.text(
    st.characters(min_codepoint=32, max_codepoint=0x2FF, exclude_categories=("Cc", "Zs", "Zl", "Cf")), max_size=20
)
STOCKS = st.builds(
    Stock,
    st.integers(0, 99 * 4).map(lambda quarter: quarter / 4),
    st.none() | st.integers(0, 2000).map(lambda n: n / 2),
    NOTES,
)


def taken(text: str) -> dict[str, Stock]:
    return {line.paint: line.stock for line in read_shelf(text) if not line.doubt}


class Shelf(TestCase):
    @settings(max_examples=80, deadline=None)
    @given(st.dictionaries(st.sampled_from(list(paints())), STOCKS, max_size=6))
    def test_what_is_written_reads_back(self, shelf):
        self.assertEqual(taken(write_shelf(shelf)), {id_: stock for id_, stock in shelf.items() if not stock.empty})

    def test_no_cell_begins_a_formula(self):
        text = write_shelf({"salt-linen": Stock(1, None, "=1+1"), "gull-white": Stock(1, None, "@home")})
        cells = [cell for row in csv.reader(io.StringIO(text)) for cell in row]
        self.assertFalse([cell for cell in cells if cell[:1] in ("=", "+", "-", "@")])
        self.assertIn("'=1+1", cells)

    def test_names_other_delimiters_and_decimal_commas(self):
        for text in (
            "name;pots\nsalt LINEN;0,5\n",
            "Pots\tName\tRange\n0.5\tSalt Linen\tfornace\n",
            "\ufeffpaint,pots\r\nsalt-linen,0.5\r\n",
        ):
            self.assertEqual(taken(text), {"salt-linen": Stock(0.5)}, text)

    def test_every_line_in_doubt_comes_back_and_says_why(self):
        lines = {
            "Salt Linnen,1": "near it: Salt Linen",
            "Salt Linen,many": "'many' is no number of pots",
            "Salt Linen,": "is no number of pots",
            "Salt Linen,nan": "is no number of pots",
            "Salt Linen,100": "100 pots; allowed is 0 to 99",
            "Salt Linen,1,old": "more in the line than columns",
            ",3": "names no paint",
        }
        found = read_shelf("\n".join(["name,pots", *lines, "", "Gull White,2"]))
        self.assertEqual(len(found), len(lines) + 1)
        for line, said in zip(found, lines.values(), strict=False):
            self.assertIn(said, line.doubt)
            self.assertIsNone(line.stock)
        self.assertEqual(found[-1].stock, Stock(2.0))
        self.assertEqual(found[0].number, 2)

    def test_a_paint_that_comes_twice_is_asked_back(self):
        found = read_shelf("name,pots\nSalt Linen,1\nGull White,1\nSalt Linen,2\n")
        self.assertEqual([bool(line.doubt) for line in found], [False, False, True])
        self.assertIn("Salt Linen is on line 2 already", found[2].doubt)

    def test_without_a_header_or_too_long_it_is_refused(self):
        for text, kind in (("", Unreadable), ("a,b\n1,2", Unreadable), ("name\nx", Unreadable),
                           ("x" * (MOST_CHARACTERS + 1), OutOfRange), ("name,pots\n" + "a,1\n" * 2001, OutOfRange)):  # fmt: skip
            with self.assertRaises(kind):
                read_shelf(text)

    @settings(max_examples=150, deadline=None)
    @given(st.text(max_size=120))
    def test_any_text_is_read_or_refused(self, text):
        try:
            read_shelf("name,pots,note\n" + text)
        except MantelloError as error:
            self.assertTrue(error.message)

    def test_the_sample_shelf_is_in_the_ranges(self):
        self.assertGreater(len(sample_shelf()), 12)
        self.assertTrue(set(sample_shelf()) <= set(paints()))
        self.assertNotIn(None, sample_shelf().values())

    def test_the_shopping_list_holds_what_is_missing_and_its_cost(self):
        text = write_shopping(
            shopping(
                {"salt-linen": 20.0, "gull-white": 1.0}, {"salt-linen": Stock(0, 2.5), "gull-white": Stock(1)}, SHIPPED
            )
        )
        self.assertEqual(text, "name,range,pots,ml in a pot,ml missing,cost\nSalt Linen,Fornace,2,17,24.00,5.00\n")
