"""Paints chosen from a few letters or a colour: the own shelf first, the nearest first."""

from unittest import TestCase

from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.choosing import MOST_SHOWN, choices_for
from mantello_core.paints.range import paint


class Choosing(TestCase):
    def test_two_letters_lead_to_the_own_pot_first(self):
        among = [one.paint.name for one in choices_for(SHIPPED, (), "la")]
        self.assertGreater(len(among), 2)
        last = next(
            one.paint.id
            for one in reversed(choices_for(SHIPPED, (), "la"))
            if one.paint.name.casefold().startswith("la")
        )
        self.assertEqual(choices_for(SHIPPED, {last}, "la")[0].paint.id, last)
        self.assertTrue(choices_for(SHIPPED, {last}, "la")[0].on_shelf)

    def test_without_words_the_nearest_to_the_chosen_one_come_first_and_the_shelf_before_them(self):
        now = paint("brine-green")
        found = choices_for(SHIPPED, {"salt-linen"}, "", now)
        self.assertEqual([one.paint.id for one in found[:2]], ["salt-linen", "brine-green"])
        apart = [one.apart for one in found[1:]]
        self.assertEqual(apart, sorted(apart))
        self.assertEqual(len(found), MOST_SHOWN)

    def test_nothing_fits_nonsense(self):
        self.assertEqual(choices_for(SHIPPED, (), "zzxq"), ())
