"""Bases made livelier: chroma won within the coats and the hue allowed, by the least of the clear paint."""

from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange
from mantello_core.film.coverage import coat_by_coat, coverage
from mantello_core.film.ground import Ground
from mantello_core.mixing.lifting import SHIFT, WON, clear_paints, lifts
from mantello_core.mixing.undercoat import grounds
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.first_step import base_thinned
from mantello_core.recipes.step import Mix

CLEAR = clear_paints(paints().values())
SLATE = next(one for one in grounds() if one.words == "Undercoat Slate")


def base(pot: str) -> Mix:
    return base_thinned(((paint(pot), 1.0),))


def coats(mix: Mix, ground: Ground = SLATE) -> int:
    return coverage(mix.film, ground.flat, mix.dilution).coats


class ClearPaints(TestCase):
    def test_inks_stains_and_flat_paints_that_hide_little(self):
        named = {pot.id for pot in CLEAR}
        self.assertLessEqual({"signal-red-ink", "canal-stain", "candle-yellow"}, named)
        self.assertFalse({"gull-white", "tar-wash", "pitch-barrel"} & named)


class Livelier(TestCase):
    def test_a_red_ink_lifts_terracotta_and_takes_no_more_coats_than_allowed(self):
        mix = base("terracotta-pot")
        found = lifts(mix, SLATE, CLEAR, 4.0, coats(mix) + 1)
        self.assertTrue(found[0].meets)
        self.assertGreaterEqual(found[0].colour.chroma, found[0].before.chroma + 4)
        self.assertTrue(all(one.pot in CLEAR and one.coats <= coats(mix) + 1 for one in found))
        self.assertIn(found[0].pot.name, found[0].mix.words)

    def test_the_least_of_it_that_does(self):
        mix = base("biscuit-crate")
        little, much = (lifts(mix, SLATE, (paint("saffron-ink"),), more, 4)[0] for more in (2.0, 6.0))
        self.assertTrue(little.meets and much.meets)
        share = [one.parts[1] / sum(one.parts) for one in (little, much)]
        self.assertLess(*share)
        self.assertLess(little.won, much.won)

    def test_what_is_told_is_what_the_mix_does(self):
        mix = base("biscuit-crate")
        one = lifts(mix, SLATE, (paint("saffron-ink"),), 2.0, 4)[0]
        self.assertEqual(one.coats, coats(one.mix))
        self.assertEqual(one.colour, coat_by_coat(one.mix.film, SLATE.flat, one.mix.dilution, one.coats)[-1])
        self.assertEqual(one.before, coat_by_coat(mix.film, SLATE.flat, mix.dilution, coats(mix))[-1])
        self.assertAlmostEqual(one.mix.dilution, mix.dilution, places=1)
        self.assertEqual(one.darker, one.before.lightness - one.colour.lightness)
        self.assertLess(one.turned, 12)

    def test_where_none_gives_that_much_the_liveliest_come_first(self):
        mix = base("brine-green")
        found = lifts(mix, SLATE, CLEAR, 60.0, 3)
        self.assertGreater(len(found), 1)
        self.assertFalse(any(one.meets for one in found))
        self.assertEqual([one.won for one in found], sorted((one.won for one in found), reverse=True))

    def test_a_grey_has_no_hue_to_keep(self):
        mix = base("tin-awning")
        found = lifts(mix, SLATE, CLEAR, 10.0, 3)
        self.assertIn(paint("harbour-blue-ink"), {one.pot for one in found})
        self.assertTrue(all(one.turned == 0 for one in found))

    def test_the_paint_it_is_mixed_from_already_is_not_offered(self):
        mix = base("candle-yellow")
        self.assertNotIn(paint("candle-yellow"), {one.pot for one in lifts(mix, SLATE, CLEAR, 60.0, 8, 60.0)})
        self.assertEqual(lifts(mix, SLATE, (paint("candle-yellow"),), 60.0, 8), ())

    def test_what_may_be_asked(self):
        for asked in ((0.0, 3, 12.0), (61.0, 3, 12.0), (40.0, 0, 12.0), (40.0, 9, 12.0), (40.0, 3, 61.0)):
            with self.assertRaisesRegex(OutOfRange, "allowed is over 0 to"):
                lifts(base("brine-green"), SLATE, CLEAR, *asked)
        self.assertIsInstance(lifts(base("brine-green"), SLATE, CLEAR, 60.0, 8, 60.0), tuple)

    @given(
        st.sampled_from([pot for pot in paints().values() if pot.kind == "acrylic"]),
        st.floats(1.0, 20.0), st.integers(1, 5), st.sampled_from((6.0, 12.0, 25.0)), st.sampled_from(grounds()[:4]),
    )  # fmt: skip
    @settings(max_examples=25, deadline=None)
    def test_every_offer_keeps_to_what_was_allowed(self, pot, more, most, turn, ground):
        mix = base_thinned(((pot, 1.0),))
        for one in lifts(mix, ground, CLEAR, more, most, turn):
            self.assertLessEqual(one.coats, most)
            self.assertLessEqual(abs(one.turned), turn)
            self.assertLessEqual(abs(one.darker), SHIFT)
            self.assertGreaterEqual(one.won, WON)
            self.assertEqual(one.meets, one.won >= more)
