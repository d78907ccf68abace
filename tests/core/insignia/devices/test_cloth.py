"""Patterns of cloth, and bought sheets: what goes round, what fits, what is short."""

import math
from itertools import pairwise
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import Point, box

from mantello_core.colour.spaces import Lab, lab_of_hex
from mantello_core.errors import MantelloError, OutOfRange, Unreadable
from mantello_core.insignia.devices.cloth import PATTERNS, cloth_fit, cloth_shape, girth_guess
from mantello_core.insignia.devices.device import ARMS, Device
from mantello_core.insignia.transfers.bought_sheet import BoughtSheet, Need, read_designs, shared_out, write_designs

PALE, DARK = lab_of_hex("#e8e0d0"), lab_of_hex("#20304a")


class Fits(TestCase):
    @given(st.sampled_from(sorted(PATTERNS)), st.floats(4, 500), st.floats(0.1, 2))
    def test_it_closes_on_itself_near_the_wanted_width(self, pattern, girth, wanted):
        fit = cloth_fit(pattern, girth, wanted, 0.3, (PALE, DARK), 1.2)
        self.assertAlmostEqual(fit.count * fit.width, girth)
        if pattern in ("stripes", "checks"):
            self.assertEqual(fit.count % 2, 0, "the last stripe meets a first of the other colour")
        self.assertLess(abs(fit.count - girth / wanted), 1 + 1e-9)
        self.assertEqual(fit.paintable, fit.width >= 0.3)

    def test_narrow_stripes_run_together_from_afar_and_not_in_the_hand(self):
        far, near = (cloth_fit("stripes", 30, 0.25, 0.2, (PALE, DARK), metres) for metres in (3.0, 0.3))
        self.assertEqual((far.seen, near.seen), (False, True))
        middle = (PALE.lightness + DARK.lightness) / 2
        self.assertTrue(
            middle < far.blend.lightness < PALE.lightness, "light mixes, so it is lighter than the middle of L*"
        )

    def test_it_is_marked_out_by_halving_and_a_strip_of_paper(self):
        said = {count: cloth_fit("lozenges", count, 1, 0.3, (PALE, DARK), 1).marks for count in (8, 12, 7)}
        self.assertEqual(said[8], "halve the round 3 times")
        self.assertIn("3 equal parts", said[12])
        self.assertIn("halve each twice", said[12])
        self.assertNotIn("halve", said[7])

    def test_sizes_that_make_no_sense_are_refused_at_their_field(self):
        for girth, width, where in ((0, 1, "girth"), (10, 99, "width"), (10, 25, "width"), (10, math.nan, "width")):
            with self.assertRaises(MantelloError) as caught:
                cloth_fit("stripes", girth, width, 0.3, (PALE, DARK), 1)
            self.assertEqual(caught.exception.where, where)
        with self.assertRaises(OutOfRange):
            cloth_fit("polka", 10, 1, 0.3, (PALE, DARK), 1)
        self.assertAlmostEqual(girth_guess(10, flat=False), 31.4159, places=3)
        self.assertEqual(girth_guess(10, flat=True), 10)

    def test_stripes_checks_and_lozenges_take_half_of_the_cloth_and_keep_to_it(self):
        area = Point(30, -20).buffer(90)
        for pattern in ("stripes", "checks", "lozenges"):
            for turn in (0, 30):
                shape = cloth_shape(pattern, 1.0, area, turn)
                self.assertAlmostEqual(shape.area / area.area, 0.5, delta=0.04, msg=pattern)
                self.assertTrue(area.buffer(1e-6).contains(shape))

    def test_dags_stand_on_the_lower_edge(self):
        shape = cloth_shape("dags", 2.0, box(0, 0, 100, 80))
        self.assertEqual(len(shape.geoms), 5)
        self.assertGreater(shape.bounds[1], 50)
        self.assertAlmostEqual(shape.bounds[3], 80)

    def test_thousands_of_parts_are_refused(self):
        with self.assertRaises(OutOfRange):
            cloth_shape("checks", 0.1, box(0, 0, 2000, 2000))


LIST = "One, upright;1;#161616;1.2;2.6;3\nOne, slanted;1;#1c1c1c;1.3;2.5;3\nHouse;arms:reed;#ffffff;4;5;2\nSpot;disc;#ffffff;2;2;9\n"


ONE = Device("text", "1")


def need(count=4, ground="#c0a060"):
    return Need("'1'", ONE, 3.0, 4.0, tuple(f"f{at}" for at in range(count)), lab_of_hex(ground), Lab(10, 0, 0))


class Sheets(TestCase):
    def setUp(self):
        self.sheet = BoughtSheet("s", "Numerals", 1, read_designs(LIST))

    def share(self, *needs, sheets=None):
        return shared_out(needs, (self.sheet,) if sheets is None else sheets)

    def test_a_list_is_read_and_written_back(self):
        designs = read_designs(LIST)
        self.assertEqual(
            [one.device for one in designs][1:], [Device("text", "1"), Device(ARMS, "reed"), Device("disc")]
        )
        self.assertEqual(read_designs(write_designs(designs)), designs)

    def test_a_line_that_cannot_be_read_is_told_with_its_number(self):
        for line, said in (
            ("One;1;#161616;1;2", "Line 2 has 5 entries"), ("One;?;#161616;1;2;3", "is no mark"), ("One;1;black;1;2;3", "is no colour"),
            ("One;1;#161616;x;2;3", "a width of 'x'"), ("One;1;#161616;1;900;3", "a height of '900'"), ("One;1;#161616;1;2;0", "a count of '0'"),
            (";1;#161616;1;2;3", "the name has 0"), ("One;1;#161616;1;2;²", "a count of"),
        ):  # fmt: skip
            with self.assertRaises(Unreadable) as caught:
                read_designs(f"Spot;disc;#ffffff;2;2;9\n{line}")
            self.assertIn(said, str(caught.exception))
            self.assertEqual(caught.exception.where, "designs")
        with self.assertRaises(OutOfRange):
            read_designs("\n\n")

    def test_neighbours_get_different_pieces(self):
        (share,) = self.share(need(5))
        keys = [key for _, key in share.given]
        self.assertEqual(len(keys), 5)
        self.assertTrue(all(one != two for one, two in pairwise(keys)))
        self.assertEqual((share.short, share.repeats), (0, 0))

    def test_what_is_short_is_told_with_sheets_to_buy(self):
        (share,) = self.share(need(13))
        self.assertEqual(sum(key is not None for _, key in share.given), 6)
        self.assertEqual((share.short, share.buy, share.buy_of), (9, 2, "Numerals"))

    def test_the_first_need_is_served_first_and_no_piece_twice(self):
        first, second = self.share(need(4), need(4))
        self.assertEqual((first.short, second.short), (0, 3))
        used = [key for share in (first, second) for _, key in share.given if key]
        self.assertEqual((used.count(("s", 0)), used.count(("s", 1))), (3, 3))

    def test_pieces_that_do_not_fit_or_stand_off_are_passed_over_with_the_reason(self):
        small = Need("'1'", Device("text", "1"), 1.0, 1.0, ("f",), PALE)
        huge = Need("'1'", Device("text", "1"), 30.0, 40.0, ("f",), PALE)
        for one, said in (
            (need(1, "#101010"), "L* off its ground"),
            (small, "larger than the site"),
            (huge, "lost on the site"),
        ):
            (share,) = self.share(one)
            self.assertEqual(share.given[0][1], None)
            self.assertTrue(all(said in why for why in share.passed), share.passed)
            self.assertEqual((share.short, share.buy), (2, 0))

    def test_without_sheets_everything_is_short(self):
        (share,) = self.share(need(10), sheets=())
        self.assertEqual((share.short, share.buy_of), (11, ""))
