"""What dries, is varnished, wiped, dabbed or sprayed from above: signs and orders that a painter knows."""

import itertools
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.finish import drying_shift, left_of, varnished, wet_colour
from mantello_core.film.ground import Ground, checked_ground
from mantello_core.film.prediction import predicted
from mantello_core.film.surface import blended, coated, grey, solid, stained, wash_thickness, washed
from mantello_core.paints.paint import mixed
from mantello_core.paints.range import paint
from mantello_core.recipes.place import usual_places
from mantello_core.recipes.step import Mix, Recipe, Step
from tests.samples import film

PLACES = usual_places()
SHARES = st.floats(0, 1)
INKS = ("signal-red-ink", "harbour-blue-ink", "saffron-ink", "lock-green-ink")
ZENITHAL = Ground(paint("undercoat-soot"), paint("undercoat-gull"))


def one(kind: str, paint_id: str, diluent: str = "neat", parts: float = 0.0, coats: int | None = None) -> Recipe:
    return Recipe((Step("a", kind, Mix(((paint(paint_id), 1.0),), diluent, parts), coats),))


class Drying(TestCase):
    def test_wet_paint_is_paler_and_reds_shift_more_than_whites_and_oxides(self):
        for name in ("red", "red oxide", "ultramarine", "brown"):
            self.assertGreater(wet_colour(film(name)).lightness, film(name).masstone.lightness, name)
        self.assertGreater(drying_shift(film("red")), drying_shift(film("red oxide")))
        self.assertGreater(drying_shift(film("red oxide")), drying_shift(film("white")))

    def test_a_metal_is_told_as_it_is(self):
        self.assertEqual(drying_shift(film("gold")), 0)


class Varnish(TestCase):
    def test_matt_veils_darks_gloss_leaves_them_and_whites_hardly_change(self):
        black, white = solid(film("black")), solid(film("white"))
        self.assertGreater(varnished(black, "matt").colour.lightness, varnished(black, "satin").colour.lightness)
        self.assertEqual(varnished(black, "gloss").colour, black.colour)
        self.assertLess(difference(varnished(white, "matt").colour, white.colour), 0.5)

    def test_matt_takes_a_metals_flash_and_the_next_coat_the_veil(self):
        gold = solid(film("gold"))
        glint = [
            seen["facing"].lightness - seen["turned"].lightness for seen in (gold.views, varnished(gold, "matt").views)
        ]
        self.assertGreater(glint[0], 30)
        self.assertLess(glint[1], 3)
        self.assertEqual(coated(varnished(solid(film("black")), "matt"), film("red"), 12).haze, 0)

    def test_an_unknown_finish_is_refused(self):
        with self.assertRaises(UnknownName):
            varnished(grey(0.5), "sparkling")


class Speckle(TestCase):
    @given(SHARES, SHARES)
    def test_more_of_the_lighter_is_lighter(self, some, more):
        low, high = sorted((some, more))
        seen = [blended(solid(film("black")), solid(film("white")), share).colour.lightness for share in (low, high)]
        self.assertLessEqual(seen[0], seen[1] + 1e-9)

    def test_half_black_half_white_is_seventy_three(self):
        self.assertAlmostEqual(blended(grey(0.0), grey(1.0), 0.5).colour.lightness, 76.07, places=1)

    def test_the_same_ink_over_a_spray_from_above_steps_up_in_lightness(self):
        for ink in INKS:
            pot = paint(ink).film
            seen = [
                coated(blended(grey(0.02), grey(0.88), share), pot, pot.thickness()).colour.lightness
                for share in (0, 0.1, 0.25, 0.5, 0.75, 1)
            ]
            steps = [two - one_ for one_, two in itertools.pairwise(seen)]
            self.assertGreater(min(steps), 2, ink)

    def test_a_drybrush_lights_ridges_and_spares_recesses(self):
        before, after = (
            predicted(recipe, Ground(paint("undercoat-soot"))).tones
            for recipe in (Recipe(), one("drybrush", "salt-linen"))
        )
        gained = {zone: after[zone].lightness - before[zone].lightness for zone in PLACES.ids}
        self.assertEqual(gained["shade"], 0)
        self.assertEqual([zone for zone, _ in sorted(gained.items(), key=lambda pair: pair[1])], list(PLACES.ids))

    def test_chips_stay_on_the_edges(self):
        outcome = predicted(one("sponge", "eel-brown"), Ground(paint("undercoat-linen"))).outcomes[0]
        self.assertLess(outcome.step.share, 0.1)
        self.assertGreater(outcome.change, 4)


class Transparent(TestCase):
    def test_candy_is_less_vivid_over_silver_than_over_white(self):
        ink, silver, white = film("red ink"), solid(film("silver")), grey(0.88)
        for thickness in (3, 6, 10):
            over_metal, over_white = (coated(ground, ink, thickness).colour.chroma for ground in (silver, white))
            self.assertLess(over_metal, over_white - 15)

    def test_by_the_third_coat_gold_and_silver_look_alike_under_red(self):
        ink = film("red ink")
        gold, silver = solid(film("gold")), solid(film("silver"))
        apart = []
        for _ in range(3):
            gold, silver = (coated(one_, ink, ink.thickness()) for one_ in (gold, silver))
            apart.append(difference(gold.colour, silver.colour))
        self.assertEqual(apart, sorted(apart, reverse=True))
        self.assertLess(apart[2], apart[0] / 2)

    def test_a_stain_keeps_more_on_flats_than_a_wash_and_darkens_recesses_further(self):
        stain, ground = paint("madder-stain").film, grey(0.8)
        flat, deep = (stained(ground, stain, 0, recess=recess).colour for recess in (False, True))
        pulled = washed(ground, stain, 0, recess=False).colour
        self.assertLess(deep.lightness, flat.lightness)
        self.assertLess(flat.lightness, pulled.lightness)

    def test_stain_added_to_an_opaque_paint_makes_it_more_vivid_and_hide_less(self):
        plain, stain = paint("harbour-rose").film, paint("madder-stain").film
        richer = mixed([(plain, 1.0), (stain, 2.0)])
        self.assertGreater(richer.masstone.chroma, plain.masstone.chroma)
        self.assertLess(richer.contrast, plain.contrast + 1e-9)

    def test_ultramarine_and_white_is_lighter_and_bone_duller(self):
        tint, muted = (mixed([(film("ultramarine"), 2.0), (film(other), 1.0)]).masstone for other in ("white", "bone"))
        self.assertGreater(tint.lightness, film("ultramarine").masstone.lightness + 10)
        self.assertLess(muted.chroma, tint.chroma)


class Oils(TestCase):
    def test_wiping_leaves_recesses_dark_and_raised_parts_nearly_clean(self):
        oil, ground = paint("oil-burnt-umber").film, grey(0.6)
        laid = wash_thickness(oil, 8.0)
        deep, flat = (
            coated(ground, oil, left_of(laid[1], 0.7)).colour,
            coated(ground, oil, left_of(laid[0], 0.12)).colour,
        )
        self.assertLess(deep.lightness, flat.lightness - 15)
        self.assertLess(difference(flat, ground.colour), 5)

    def test_nothing_wiped_is_the_film_as_laid(self):
        oil, ground = paint("bilge-grime").film, grey(0.6)
        self.assertEqual(coated(ground, oil, left_of(2.0, 0.12, 0.0)).colour, coated(ground, oil, 2.0).colour)

    def test_oil_takes_a_day_and_can_be_wiped_meanwhile(self):
        step = one("oil", "oil-burnt-umber", "thinner", 8).steps[0]
        self.assertGreaterEqual(step.drying, 720)
        self.assertGreater(step.technique.window, 5)
        self.assertIsNotNone(predicted(Recipe((step,)), Ground(paint("undercoat-linen"))).outcomes[0].recess)


class Grounds(TestCase):
    def test_light_from_above_rises_from_recess_to_edge(self):
        seen = [tone.lightness for tone in ZENITHAL.tones.values()]
        self.assertEqual(seen, sorted(seen))
        self.assertGreater(seen[-1] - seen[0], 50)
        bare = [tone.lightness for tone in Ground(ZENITHAL.undercoat).tones.values()]
        self.assertLess(max(bare) - min(bare), 1e-6)

    def test_a_pot_coat_takes_it_towards_the_pot(self):
        bare, coat = Ground(paint("can-brine-green")), Ground(paint("can-brine-green"), pot_coat=paint("brine-green"))
        goal = solid(paint("brine-green").film).colour
        self.assertGreater(difference(bare.colour, goal), 1)
        self.assertLess(difference(coat.colour, goal), difference(bare.colour, goal))
        self.assertEqual(coat.words, "Can Brine Green, a coat of Brine Green")
        self.assertEqual([one_.step for one_ in coat.coats], ["undercoat", "pot-coat"])

    def test_what_is_no_spray_comes_twice_or_does_not_cover_is_refused(self):
        for ground, where in (
            (Ground(paint("salt-linen")), "undercoat"),
            (Ground(paint("undercoat-soot"), paint("salt-linen")), "above"),
            (Ground(paint("undercoat-soot"), paint("undercoat-soot")), "above"),
            (Ground(paint("undercoat-soot"), None, paint("tar-wash")), "pot_coat"),
        ):
            with self.assertRaises(OutOfRange) as refused:
                checked_ground(ground)
            self.assertEqual(refused.exception.where, where)
        with self.assertRaises(UnknownName):
            checked_ground(Ground(paint("soot")))
        self.assertEqual(checked_ground(ZENITHAL), ZENITHAL)
