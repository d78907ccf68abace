"""Figure types found by what a painter calls them or what is on them."""

from unittest import TestCase

from mantello_core.army.types_found import types_found
from tests.samples import calvessa

ARMY = calvessa().army


class Found(TestCase):
    def test_a_title_comes_before_a_thing_and_a_misspelling_is_understood(self):
        self.assertEqual(types_found(ARMY, "mounted knight")[0], "lancer")
        self.assertEqual(types_found(ARMY, "rangr")[0], "ranger")
        self.assertEqual(types_found(ARMY, "fusiliers")[0], "fusilier")

    def test_a_thing_finds_those_that_have_it(self):
        with_lantern = types_found(ARMY, "lantern")
        self.assertIn("ranger", with_lantern)
        self.assertNotIn("fusilier", with_lantern)

    def test_nothing_asked_is_all_and_nonsense_is_none(self):
        self.assertEqual(types_found(ARMY, "  "), tuple(ARMY.type_titles))
        self.assertEqual(types_found(ARMY, "zzxqv"), ())
        self.assertEqual(len(types_found(ARMY, "", most=3)), 3)
