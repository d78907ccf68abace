"""A layer over a pattern: it covers what is stated, and wears where it would wear."""

from dataclasses import replace
from unittest import TestCase

import shapely

from mantello_core.camouflage.pattern import LEAST_COVER, MOST_OVERLAYS, Overlay, checked_pattern, worn_after
from mantello_core.camouflage.wearing import worn_over
from mantello_core.errors import OutOfRange, UnknownName
from tests.core.camouflage.samples import PATTERNS, laid

WHITEWASH = Overlay("white")
PATTERN = PATTERNS["blotch"]
ROLES = ("sand", "olive", "rust", "white")


class Wearing(TestCase):
    def test_it_covers_what_is_stated_and_stays_off_where_it_has_worn(self):
        worn = {cover: worn_over(laid("blotch"), replace(WHITEWASH, cover=cover)) for cover in (0.9, 0.6, 0.3)}
        for cover, layer in worn.items():
            self.assertAlmostEqual(layer.cover, cover, delta=0.005)
        for view in laid("blotch").surface.views:
            most, some, least = (worn[cover].shape(view.name) for cover in (0.9, 0.6, 0.3))
            self.assertLess(shapely.difference(some, most).area, 0.01 * some.area)
            self.assertLess(shapely.difference(least, some).area, 0.01 * least.area)

    def test_edges_wear_before_faces(self):
        surface = laid("blotch").surface
        by_edges = worn_over(laid("blotch"), replace(WHITEWASH, cover=0.6, edges=4.0, chance=0.2))
        by_chance = worn_over(laid("blotch"), replace(WHITEWASH, cover=0.6, edges=0.0, touch=0.0, low=0.0))
        rims = {view.name: shapely.buffer(view.region.boundary, 0.4) for view in surface.views}
        on_rim = [
            sum(shapely.intersection(layer.shape(name), rim).area for name, rim in rims.items())
            for layer in (by_edges, by_chance)
        ]
        self.assertLess(on_rim[0], 0.6 * on_rim[1])

    def test_same_seed_same_layer_and_another_wears_elsewhere(self):
        one, again, other = (worn_over(laid("blotch"), replace(WHITEWASH, seed=seed)) for seed in (1, 1, 2))
        self.assertEqual(one, again)
        self.assertNotEqual(one.shapes, other.shapes)

    def test_half_is_gone_in_two_and_a_half_months(self):
        self.assertAlmostEqual(worn_after(0.8, 2.5), 0.4)
        self.assertAlmostEqual(worn_after(0.8, 2.5, 2.0), 0.2)
        self.assertEqual(worn_after(0.8, 0), 0.8)
        worn = worn_over(laid("blotch"), replace(WHITEWASH, cover=0.8, months=2.5))
        self.assertAlmostEqual(worn.cover, 0.4, delta=0.005)
        self.assertEqual(replace(WHITEWASH, months=24).left, LEAST_COVER)

    def test_refused_with_what_is_allowed(self):
        for layers, error, words in (
            ((replace(WHITEWASH, cover=0.99),), OutOfRange, "A cover of 99 %; allowed is 2 % to 98 %."),
            ((replace(WHITEWASH, role="blue"),), UnknownName, "blue"),
            ((replace(WHITEWASH, edges=9),), OutOfRange, "edges 9; allowed is 0 to 5."),
            ((WHITEWASH,) * (MOST_OVERLAYS + 1), OutOfRange, "allowed are up to 3"),
        ):
            with self.assertRaises(error) as caught:
                checked_pattern(replace(PATTERN, overlays=layers), ROLES)
            self.assertIn(words, str(caught.exception))
        self.assertEqual(checked_pattern(replace(PATTERN, overlays=(WHITEWASH,)), ROLES).roles, ROLES)
