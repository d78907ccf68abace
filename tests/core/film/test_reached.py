"""What a ground lets a transparent colour reach, and that undercoats and checks mind it."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.checks.inspect import inspect
from mantello_core.design.edit import with_undercoat
from mantello_core.film.ground import Ground
from mantello_core.film.reached import reached, shows_ground
from mantello_core.mixing.undercoat import palest
from mantello_core.paints.range import paint
from mantello_core.planning.undercoating import undercoat_advice
from mantello_core.recipes.first_step import first_step
from mantello_core.recipes.step import Recipe
from mantello_core.scheme.cascade import resolve
from tests.samples import calvessa

STAINED = Recipe((first_step(paint("madder-stain")),))


def stained():
    design = calvessa()
    role = design.scheme.role("field").with_recipe("rank", STAINED)
    return replace(design, scheme=design.scheme.with_role(role))


class Reaching(TestCase):
    def test_a_stain_shows_over_pale_and_is_lost_over_black(self):
        pale = palest()
        self.assertEqual(pale.id, "undercoat-gull")
        black, linen = (reached(STAINED, Ground(paint(id_)), pale) for id_ in ("undercoat-soot", "undercoat-linen"))
        self.assertTrue(black.lost)
        self.assertLess(black.here.lightness, 12)
        self.assertFalse(linen.lost)

    def test_what_a_lighter_spray_reached_shows_and_the_rest_is_lost(self):
        pale, soot = palest(), paint("undercoat-soot")
        plain, sprayed = (reached(STAINED, ground, pale) for ground in (Ground(soot), Ground(soot, pale)))
        self.assertGreater(plain.share, 0.95)
        self.assertTrue(0.1 < sprayed.share < plain.share, sprayed.share)
        self.assertLess(sprayed.apart, plain.apart)

    def test_only_what_is_transparent_shows_its_ground(self):
        self.assertTrue(shows_ground(STAINED))
        self.assertFalse(shows_ground(Recipe((first_step(paint("salt-linen")),))))
        self.assertFalse(shows_ground(Recipe()))

    def test_undercoats_that_lose_a_stain_are_ranked_after_those_that_show_it(self):
        design = stained()
        advice = undercoat_advice(design, resolve(design.army, design.scheme))
        lost = [len(one.lost) for one in advice]
        self.assertEqual(lost, sorted(lost))
        self.assertEqual(lost[0], 0)
        black = next(one for one in advice if one.ground == Ground(paint("undercoat-soot")))
        self.assertEqual([one.id for one in black.lost], ["field"])

    def test_a_stain_on_black_is_found_and_the_fix_lets_it_show(self):
        design = with_undercoat(stained(), paint("undercoat-soot"))
        check = next(one for one in inspect(design, resolve(design.army, design.scheme)) if one.id == "coats")
        found = next(one for one in check.findings if one.key == "dark|field")
        self.assertIn("cannot show over Undercoat Soot", found.what)
        mended = found.fix.change(design)
        again = next(one for one in inspect(mended, resolve(mended.army, mended.scheme)) if one.id == "coats")
        self.assertNotIn("dark|field", {one.key for one in again.findings})
