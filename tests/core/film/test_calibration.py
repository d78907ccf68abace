"""What test pieces teach, and how it is used and taken back."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.advice.trial import AGREES, Compared, Done, compared, lessons
from mantello_core.colour.difference import difference
from mantello_core.colour.spaces import Lab
from mantello_core.design.worked_out import with_calibration
from mantello_core.errors import OutOfRange
from mantello_core.film.calibration import (
    Calibration,
    calibrated_film,
    checked_calibration,
    drying_factor,
    drying_found,
    hiding_found,
    with_learned,
)
from mantello_core.film.coverage import coverage
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Recipe, Step
from tests.samples import base, small_design

LANTERN = Mix(((paint("lantern-yellow"), 1.0),), "water", 1.0)
SLATE = Ground(paint("undercoat-slate"))
RECIPE = Recipe((Step("base", "base", LANTERN), Step("shade", "shade", Mix(((paint("amber-wash"), 1.0),)))))


class Found(TestCase):
    def test_with_the_factor_that_is_found_it_covers_in_just_so_many_coats(self):
        predicted_coats = coverage(LANTERN.film, SLATE.flat, LANTERN.dilution).coats
        for coats in (predicted_coats - 1, predicted_coats, predicted_coats + 1):
            factor = hiding_found(LANTERN, SLATE.flat, coats)
            film = calibrated_film(LANTERN, (Calibration("lantern-yellow", factor),))
            self.assertEqual(coverage(film, SLATE.flat, LANTERN.dilution).coats, coats)

    def test_fewer_coats_mean_it_hides_more(self):
        self.assertGreater(hiding_found(LANTERN, SLATE.flat, 2), hiding_found(LANTERN, SLATE.flat, 5))

    def test_what_no_factor_explains_is_not_explained(self):
        self.assertIsNone(hiding_found(Mix(((paint("pitch-barrel"), 1.0),)), SLATE.flat, 12))

    @given(st.floats(0.1, 1000), st.floats(0.1, 1000))
    def test_drying_is_held_within_limits(self, told, measured):
        self.assertTrue(0.25 <= drying_found(told, measured) <= 4)

    def test_dry_at_once_says_nothing(self):
        self.assertEqual(drying_found(0, 5), 1)


class Used(TestCase):
    def test_without_anything_learned_the_film_is_as_it_was(self):
        self.assertIs(calibrated_film(LANTERN, ()).flake, None)
        self.assertEqual(calibrated_film(LANTERN, (Calibration("gull-white", 2.0),)).contrast, LANTERN.film.contrast)

    def test_a_scheme_counts_and_dries_by_what_was_learned_and_can_take_it_back(self):
        design = small_design()
        role = design.scheme.role("lace").with_recipe("rank", base("lantern-yellow", diluent="water", parts=1))
        design = replace(design, scheme=design.scheme.with_role(role))
        recipe = design.scheme.role("lace").recipe()
        before = design.scheme.coats(recipe)[0]
        learned = with_calibration(design, Calibration("lantern-yellow", 2.0, 1.5))
        self.assertLess(learned.scheme.coats(recipe)[0], before)
        self.assertEqual(learned.scheme.predicted(recipe).outcomes[0].coats, learned.scheme.coats(recipe)[0])
        self.assertEqual(learned.scheme.drying(recipe.steps[0]), 1.5 * recipe.steps[0].drying)
        self.assertEqual(read_design_bytes(design_bytes(learned)), learned)
        self.assertEqual(with_calibration(learned, Calibration("lantern-yellow")), design)

    def test_the_slowest_paint_of_a_mix_governs(self):
        mix = Mix(((paint("lantern-yellow"), 1.0), (paint("gull-white"), 1.0)))
        self.assertEqual(
            drying_factor(mix, (Calibration("gull-white", 1, 2.0), Calibration("brine-green", 1, 3.0))), 2.0
        )

    def test_a_paint_is_learned_of_once(self):
        known = with_learned((Calibration("gull-white", 2.0),), Calibration("gull-white", 3.0))
        self.assertEqual(known, (Calibration("gull-white", 3.0),))

    def test_nonsense_is_refused(self):
        for one, kind in (
            (Calibration("gull-white", 5.0), OutOfRange),
            (Calibration("gull-white", 1, 0.1), OutOfRange),
        ):
            with self.assertRaises(kind):
                checked_calibration(one)


class Lessons(TestCase):
    def test_more_coats_and_slower_drying_are_told_with_both_numbers(self):
        told = predicted(RECIPE, SLATE).outcomes[0].coats
        (one,) = lessons(RECIPE, SLATE, {"base": Done(told + 2, 3.0, 12.0)})
        self.assertEqual(
            (one.calibration.paint, one.coats, one.drying), ("lantern-yellow", (told + 2, told), (12.0, 8.0))
        )
        self.assertLess(one.calibration.hiding, 1)
        self.assertEqual(one.calibration.drying, 1.5)

    def test_as_predicted_or_unknown_says_nothing(self):
        told = predicted(RECIPE, SLATE).outcomes[0].coats
        self.assertEqual(lessons(RECIPE, SLATE, {}), ())
        self.assertEqual(lessons(RECIPE, SLATE, {"base": Done(told, None, 8.1)}), ())

    def test_of_a_mix_no_one_paint_is_to_blame(self):
        mixed = Recipe((Step("base", "base", Mix(((paint("lantern-yellow"), 1.0), (paint("gull-white"), 1.0)))),))
        self.assertEqual(lessons(mixed, SLATE, {"base": Done(12, 1.0, 40.0)}), ())

    def test_patches_are_compared_with_their_zone_and_named(self):
        prediction = predicted(RECIPE, SLATE)
        seen = {
            "flat": prediction.tones.flats,
            "recess": prediction.tones.recess._replace(lightness=95),
            "card": Lab(50, 0, 0),
        }
        rows = {row.patch: row for row in compared(seen, prediction.tones)}
        self.assertEqual(set(rows), {"flat", "recess"})
        self.assertEqual((rows["flat"].words, rows["recess"].words), ("as predicted", "lighter than predicted"))
        self.assertEqual(rows["recess"].apart, difference(seen["recess"], prediction.tones.recess))
        self.assertLess(rows["flat"].apart, AGREES)

    def test_how_it_came_out_in_words(self):
        for seen, words in (
            (Lab(30, 20, 20), "darker than predicted"), (Lab(50, 45, 45), "more vivid than predicted"), (Lab(50, 2, 2), "duller than predicted"),
        ):  # fmt: skip
            self.assertEqual(Compared("flat", seen, Lab(50, 20, 20)).words, words)
