"""How often outlines cross: star polygons, squares, and against each pair by itself."""

import math
from itertools import combinations
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from shapely.geometry import LineString

from mantello_core.geometry.crossing import crossings


def star(points: int, step: int) -> np.ndarray:
    """The star polygon of so many points, each joined to the one so many further."""
    turns = [2 * math.pi * at * step / points for at in range(points)]
    return np.array([(math.cos(turn), math.sin(turn)) for turn in turns])


def square(left: float, top: float) -> np.ndarray:
    return np.array([(left, top), (left + 2, top), (left + 2, top + 2), (left, top + 2)])


class Crossings(TestCase):
    def test_a_star_polygon_crosses_itself_as_often_as_known(self):
        for points, step in ((5, 2), (7, 2), (7, 3), (11, 4), (101, 50)):
            self.assertEqual(crossings([star(points, step)], 100_000), points * (step - 1))

    def test_rings_cross_each_other_and_those_that_touch_do_not(self):
        self.assertEqual(crossings([square(0, 0), square(1, 1)], 9), 2)
        self.assertEqual(crossings([square(0, 0), square(2, 0), square(5, 5)], 9), 0)
        self.assertEqual(crossings([], 9), 0)

    def test_counting_ends_with_what_is_asked_for(self):
        self.assertEqual(crossings([star(101, 50)], 40), 41)
        self.assertEqual(crossings([star(20_001, 10_000)], 10_000), 10_001)

    @given(st.lists(st.tuples(st.floats(0, 9), st.floats(0, 9)), min_size=3, max_size=9, unique=True))
    def test_it_is_what_each_pair_of_sides_says(self, points):
        ring = np.array(points)
        sides = [LineString(pair) for pair in zip(ring, np.roll(ring, -1, axis=0), strict=True)]
        plainly = sum(one.crosses(other) for one, other in combinations(sides, 2))
        self.assertLessEqual(crossings([ring], 1000), plainly)
        within = [one.intersection(other) for one, other in combinations(sides, 2) if one.crosses(other)]
        ends = [np.array(end) for side in sides for end in side.coords]
        clear = [one for one in within if all(math.dist(one.coords[0], end) > 1e-6 for end in ends)]
        self.assertGreaterEqual(crossings([ring], 1000), len(clear))
