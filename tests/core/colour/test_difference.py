"""CIEDE2000 against the published pairs."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference, differences_among
from mantello_core.colour.spaces import Lab

#: Sharma, Wu & Dalal 2005, table 1: L1 a1 b1, L2 a2 b2, difference
SHARMA = """
50 2.6772 -79.7751 50 0 -82.7485 2.0425
50 3.1571 -77.2803 50 0 -82.7485 2.8615
50 2.8361 -74.0200 50 0 -82.7485 3.4412
50 -1.3802 -84.2814 50 0 -82.7485 1.0000
50 -1.1848 -84.8006 50 0 -82.7485 1.0000
50 -0.9009 -85.5211 50 0 -82.7485 1.0000
50 0 0 50 -1 2 2.3669
50 -1 2 50 0 0 2.3669
50 2.4900 -0.0010 50 -2.4900 0.0009 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0010 7.1792
50 2.4900 -0.0010 50 -2.4900 0.0011 7.2195
50 2.4900 -0.0010 50 -2.4900 0.0012 7.2195
50 -0.0010 2.4900 50 0.0009 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0010 -2.4900 4.8045
50 -0.0010 2.4900 50 0.0011 -2.4900 4.7461
50 2.5000 0 50 0 -2.5000 4.3065
50 2.5000 0 73 25 -18 27.1492
50 2.5000 0 61 -5 29 22.8977
50 2.5000 0 56 -27 -3 31.9030
50 2.5000 0 58 24 15 19.4535
50 2.5000 0 50 3.1736 0.5854 1.0000
50 2.5000 0 50 3.2972 0 1.0000
50 2.5000 0 50 1.8634 0.5757 1.0000
50 2.5000 0 50 3.2592 0.3350 1.0000
60.2574 -34.0099 36.2677 60.4626 -34.1751 39.4387 1.2644
63.0109 -31.0961 -5.8663 62.8187 -29.7946 -4.0864 1.2630
61.2901 3.7196 -5.3901 61.4292 2.2480 -4.9620 1.8731
35.0831 -44.1164 3.7933 35.0232 -40.0716 1.5901 1.8645
22.7233 20.0904 -46.6940 23.0331 14.9730 -42.5619 2.0373
36.4612 47.8580 18.3852 36.2715 50.5065 21.2231 1.4146
90.8027 -2.0831 1.4410 91.1528 -1.6435 0.0447 1.4441
90.9257 -0.5406 -0.9208 88.6381 -0.8985 -0.7239 1.5381
6.7747 -0.2908 -2.4247 5.8714 -0.0985 -2.2286 0.6377
2.0776 0.0795 -1.1350 0.9033 -0.0636 -0.5514 0.9082
"""
LABS = st.builds(Lab, st.floats(0, 100), st.floats(-100, 100), st.floats(-100, 100))


class Difference(TestCase):
    def test_all_published_pairs_come_out_to_four_places(self):
        rows = [[float(value) for value in row.split()] for row in SHARMA.split("\n") if row]
        self.assertEqual(len(rows), 34)
        for row in rows:
            self.assertAlmostEqual(difference(Lab(*row[:3]), Lab(*row[3:6])), row[6], delta=6e-5, msg=str(row))

    @given(LABS, LABS)
    def test_it_does_not_matter_which_colour_comes_first(self, one, other):
        self.assertAlmostEqual(difference(one, other), difference(other, one), places=9)

    @given(LABS)
    def test_a_colour_does_not_differ_from_itself(self, one):
        self.assertEqual(difference(one, one), 0)

    def test_black_and_white_are_a_hundred_apart(self):
        self.assertAlmostEqual(difference(Lab(0, 0, 0), Lab(100, 0, 0)), 100, places=6)

    @given(st.lists(LABS, max_size=6))
    def test_those_among_many_are_those_of_every_two(self, labs):
        found = differences_among(np.array(labs, float).reshape(-1, 3))
        self.assertEqual(found.shape, (len(labs), len(labs)))
        for at, one in enumerate(labs):
            for other, there in zip(labs, found[at], strict=True):
                self.assertAlmostEqual(there, difference(one, other), places=6)

    def test_a_colour_that_is_none_is_no_way_from_any(self):
        found = differences_among(np.array([[50.0, 0, 0], [math.nan] * 3, [60.0, 0, 0]]))
        self.assertEqual(np.isnan(found).tolist(), [[False, True, False], [True] * 3, [False, True, False]])
