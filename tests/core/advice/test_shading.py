"""Washes by family: each the best of its kind, told by cleanliness and warmth."""

from unittest import TestCase

from mantello_core.advice.shading import FAMILIES, Shading, family_of, shadings
from mantello_core.colour.spaces import Lab
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix

WASHES = tuple(pot for pot in paints().values() if pot.kind == "wash")


def one(name: str) -> Mix:
    return Mix(((paint(name), 1.0),))


class Shadings(TestCase):
    def test_every_family_comes_once_the_evenest_first(self):
        for name in ("madder-rope", "ferry-blue", "lantern-yellow", "salt-linen"):
            found = shadings(one(name), WASHES)
            self.assertGreaterEqual(len(found), 3, name)
            self.assertEqual(len({each.family for each in found}), len(found))
            self.assertEqual([each.cost for each in found], sorted(each.cost for each in found))
            self.assertLessEqual({each.family for each in found}, set(FAMILIES))

    def test_blue_shadow_on_a_warm_colour_is_colder_and_black_greyer_than_its_own_hue(self):
        by = {each.family: each for each in shadings(one("lantern-yellow"), WASHES)}
        self.assertLess(by["blue"].warmth, by["brown"].warmth)
        self.assertLess(by["black"].clean, by["brown"].clean)
        self.assertLess(by["blue"].warmth, 0)

    def test_near_black_has_no_room_for_any(self):
        self.assertEqual(shadings(one("pitch-barrel"), WASHES), ())

    def test_families(self):
        red, grey = Lab(45, 50, 30), Lab(60, 0, 1)
        for wash, colour, family in (
            (Lab(20, 30, 15), red, "same"), (Lab(30, 8, 14), Lab(50, -30, 10), "brown"), (Lab(20, 2, 3), red, "black"),
            (Lab(25, 5, -30), red, "blue"), (Lab(30, -30, -8), red, "complement"), (Lab(60, -40, 40), Lab(50, -40, -10), ""),
            (Lab(30, -30, -8), grey, ""), (Lab(20, 30, 5), grey, ""),
        ):  # fmt: skip
            self.assertEqual(family_of(wash, colour), family, (wash, colour))

    def test_words(self):
        for clean, warmth, said in (
            (0.9, 0.2, "clean, warmer"),
            (0.5, 0.0, "muted, as warm"),
            (0.1, -0.5, "grey, colder"),
        ):
            self.assertEqual(Shading("same", one("gull-white"), Lab(50, 0, 0), clean, warmth, 1.0).words, said)
