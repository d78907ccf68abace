"""Lights laid as glazes: more of them the farther the way, none with an edge that is seen, grain told."""

from unittest import TestCase

from mantello_core.advice.glazing import MOST, SMOOTH, THIN, glazes_of
from mantello_core.film.surface import solid
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Step


def light(pot: str, kind: str = "layer", coats: int | None = None) -> Step:
    return Step("light", kind, Mix(((paint(pot), 1.0),), "water", 1.0), coats)


class Glazing(TestCase):
    def over(self, pot: str, step: Step):
        return glazes_of(step, solid(paint(pot).film))

    def test_the_farther_the_way_the_more_glazes_and_none_jumps(self):
        near, far = self.over("ferry-blue", light("regatta-blue")), self.over("pitch-barrel", light("gull-white"))
        self.assertLess(near.count, far.count)
        self.assertTrue(2 <= far.count <= MOST)
        self.assertLessEqual(near.largest, SMOOTH)
        self.assertGreaterEqual(near.share, far.share)
        self.assertIn(THIN[near.share], near.words)

    def test_what_is_as_light_already_takes_none(self):
        self.assertIsNone(self.over("gull-white", light("gull-white")))

    def test_only_lights_are_laid_so(self):
        for kind in ("base", "shade", "edge", "drybrush"):
            self.assertIsNone(self.over("pitch-barrel", light("gull-white", kind)))

    def test_metal_shows_grain_where_it_is_thick(self):
        self.assertIn("a thicker layer shows grain", self.over("pitch-barrel", light("white-tin", "highlight")).words)
        self.assertNotIn("grain", self.over("ferry-blue", light("regatta-blue")).words)

    def test_two_coats_are_a_longer_way_than_one(self):
        one, two = (self.over("pitch-barrel", light("madder-rope", coats=coats)) for coats in (1, 2))
        self.assertGreaterEqual(two.count * two.share, one.count * one.share)
