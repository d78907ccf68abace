"""Where across an outline a share of its area lies behind: by hand, and against polygons cut there."""

from math import sqrt
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from shapely import affinity
from shapely.geometry import Polygon, box

from mantello_core.geometry.levels import levels

DOWN = (0.0, -1.0)


class Levels(TestCase):
    def test_a_square_is_even_whatever_its_size(self):
        for path in ("M0,0 10,0 10,10 0,10Z", "M-50,20 -10,20 -10,21 -50,21Z"):
            for got, wanted in zip(levels(path, DOWN, (0, 0.25, 0.5, 1)), (0, 0.25, 0.5, 1), strict=True):
                self.assertAlmostEqual(got, wanted, places=6)

    def test_a_triangle_that_stands_on_its_tip_is_wide_above(self):
        for share, got in zip((0.25, 0.5, 0.75), levels("M0,0 10,0 5,10Z", DOWN, (0.25, 0.5, 0.75)), strict=True):
            self.assertAlmostEqual(got, 1 - sqrt(1 - share), places=3)

    def test_a_hole_and_a_second_piece_count_as_they_are_seen(self):
        holed = "M0,0 10,0 10,10 0,10ZM2,0 8,0 8,5 2,5Z"
        self.assertAlmostEqual(levels(holed, DOWN, (0.5,))[0], 0.65, places=2)
        apart = "M0,0 1,0 1,1 0,1ZM0,9 1,9 1,10 0,10Z"
        first, second = levels(apart, DOWN, (0.4, 0.6))
        self.assertLess(first, 0.11)
        self.assertGreater(second, 0.89)

    def test_from_a_corner_half_of_a_square_lies_before_its_diagonal(self):
        first, half, last = levels("M0,0 10,0 10,10 0,10Z", (-0.7, -0.7), (0.0, 0.5, 1.0))
        self.assertAlmostEqual(first, 0.0, places=6)
        self.assertAlmostEqual(half, 0.5, places=3)
        self.assertAlmostEqual(last, 1.0, places=6)
        self.assertAlmostEqual(levels("M0,0 10,0 10,10 0,10Z", (-0.7, -0.7), (0.125,))[0], 0.25, places=2)

    @given(st.lists(st.tuples(st.integers(0, 40), st.integers(0, 40)), min_size=3, max_size=8), st.floats(0.1, 0.9))
    def test_polygons_cut_there_hold_that_share(self, points, share):
        hull = Polygon(points).convex_hull if len(set(points)) > 2 else None
        if hull is None or hull.geom_type != "Polygon" or hull.area < 20:
            return
        left, top, right, bottom = hull.bounds
        path = "M" + " ".join(f"{x:g},{y:g}" for x, y in list(hull.exterior.coords)[:-1]) + "Z"
        (at,) = levels(path, DOWN, (share,))
        above = hull.intersection(box(left, top, right, top + at * (bottom - top)))
        self.assertAlmostEqual(above.area / hull.area, share, delta=0.02)
        turned = affinity.rotate(hull, 90, origin=(0, 0))
        path = "M" + " ".join(f"{x:g},{y:g}" for x, y in list(turned.exterior.coords)[:-1]) + "Z"
        (beside,) = levels(path, (1.0, 0.0), (share,))
        self.assertAlmostEqual(beside, at, delta=0.02)
