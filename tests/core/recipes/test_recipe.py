"""Steps, predictions, undercoats, quantities, cautions."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.colour.difference import difference
from mantello_core.errors import OutOfRange, UnknownName
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.mixing.undercoat import best_undercoat, undercoat_choices, undercoats
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.hazard import cautions, cautions_for, step_cautions
from mantello_core.recipes.place import usual_places
from mantello_core.recipes.quantity import DROP, LOSS, WET_FILM, is_paste, millilitres, portion
from mantello_core.recipes.step import STEP_KINDS, Mix, Recipe, Step, checked
from mantello_core.recipes.technique import techniques
from tests.samples import base

WASHED = Recipe(
    (
        *base("lantern-yellow").steps,
        Step("shade", "shade", Mix(((paint("amber-wash"), 1.0),))),
        Step("edge", "edge", Mix(((paint("gull-white"), 1.0), (paint("lantern-yellow"), 1.0)), "water", 1.0)),
    )
)
SOOT, GULL = Ground(paint("undercoat-soot")), Ground(paint("undercoat-gull"))


class Steps(TestCase):
    def test_a_mix_names_both_its_sides(self):
        self.assertEqual(
            Mix(((paint("brine-green"), 2.0), (paint("salt-linen"), 1.0)), "water", 1.0).words,
            "Brine Green 2, Salt Linen 1, water 1",
        )
        self.assertEqual(Mix(((paint("tar-wash"), 1.0),)).words, "Tar Wash, neat")

    def test_dilution_is_parts_of_diluent_to_all_paint(self):
        self.assertEqual(Mix(((paint("brine-green"), 2.0), (paint("salt-linen"), 1.0)), "water", 1.5).dilution, 0.5)

    def test_the_slowest_paint_decides_the_drying(self):
        self.assertEqual(base("brine-green").steps[0].drying, 8)
        self.assertEqual(base("lamp-brass").steps[0].drying, 12)

    def test_what_is_not_allowed_is_refused_at_its_place(self):
        good = base("brine-green").steps[0]
        cases = {
            "/kind": replace(good, kind="polish"),
            "/coats": replace(good, coats=13),
            "/mix/diluent": replace(good, mix=replace(good.mix, diluent="spirit", diluent_parts=1)),
            "/mix/diluent_parts": replace(good, mix=replace(good.mix, diluent_parts=1.0)),
            "/mix/parts": replace(good, mix=Mix(())),
            "/mix/parts/0": replace(good, mix=Mix(((paint("brine-green"), 5e-324),))),
        }
        for place, step in cases.items():
            with self.assertRaises((OutOfRange, UnknownName)) as refusal:
                checked(step)
            self.assertEqual(refusal.exception.where, place)

    def test_the_zones_share_the_whole_area(self):
        self.assertAlmostEqual(sum(place.share for place in usual_places()), 1)
        self.assertLessEqual({"undercoat", *STEP_KINDS}, set(techniques()))


class Predictions(TestCase):
    def test_coats_follow_the_undercoat(self):
        on_soot, on_gull = (predicted(base("candle-yellow"), ground).outcomes[0].coats for ground in (SOOT, GULL))
        self.assertGreater(on_soot, on_gull)

    def test_each_step_lies_over_the_one_before_it(self):
        outcomes = predicted(WASHED, SOOT).outcomes
        self.assertEqual(outcomes[0].after, outcomes[1].before)
        self.assertLess(outcomes[1].after.lightness, outcomes[1].before.lightness)

    def test_a_wash_darkens_recesses_most_and_an_edge_touches_only_edges(self):
        tones = predicted(WASHED, SOOT).tones
        self.assertLess(tones.recess.lightness, tones.flats.lightness)
        self.assertLessEqual(tones.flats.lightness, tones.raised.lightness)
        self.assertGreater(tones["edge"].lightness, tones["layer"].lightness)

    def test_seen_from_afar_the_tones_become_one_between_them(self):
        prediction = predicted(WASHED, SOOT)
        lightness = [tone.lightness for tone in prediction.tones.values()]
        self.assertTrue(min(lightness) < prediction.apparent.lightness < max(lightness))

    def test_given_coats_are_kept(self):
        step = replace(base("brine-green").steps[0], coats=4)
        self.assertEqual(predicted(Recipe((step,)), SOOT).outcomes[0].coats, 4)

    def test_an_empty_recipe_leaves_the_undercoat(self):
        prediction = predicted(Recipe(), SOOT)
        self.assertEqual(prediction.outcomes, ())
        first, *others = prediction.tones.values()
        self.assertEqual(len(others), 4)
        self.assertLess(max(difference(first, one) for one in others), 1e-9)


class Grounds(TestCase):
    def test_every_undercoat_is_a_spray(self):
        self.assertGreaterEqual(len(undercoats()), 4)
        self.assertEqual({pot.kind for pot in undercoats()}, {"spray"})

    def test_the_best_undercoat_asks_for_the_fewest_coats(self):
        mix = base("lantern-yellow").steps[0].mix
        best = best_undercoat(mix)
        self.assertEqual(
            best.coverage.coats,
            min(one.coverage.coats for one in undercoat_choices(mix) if one.coverage.coats is not None),
        )


class Quantities(TestCase):
    def test_millilitres_are_area_times_film_over_what_is_not_lost(self):
        step = replace(base("brine-green").steps[0], mix=Mix(((paint("brine-green"), 1.0),), "water", 1.0))
        wet = 950 * WET_FILM * 2 / 1000 / (1 - LOSS)
        self.assertAlmostEqual(millilitres(step, 950, 2)["brine-green"], wet / 2)
        self.assertEqual(DROP, 0.05)


class Hazards(TestCase):
    def test_a_spray_carries_its_caution_and_a_brush_of_water_paint_none(self):
        self.assertIn(cautions()["H-01"], cautions_for("undercoat", SOOT.paints))
        self.assertEqual(step_cautions(base("brine-green").steps[0]), ())

    def test_thinner_and_metal_and_fine_work_carry_theirs(self):
        enamel = next(pot for pot in paints().values() if pot.kind == "enamel")
        spirit, acrylic = (
            replace(base("brine-green").steps[0], mix=Mix(((pot, 1.0),), "thinner", 1.0))
            for pot in (enamel, paint("brine-green"))
        )
        self.assertIn(cautions()["H-07"], step_cautions(spirit))
        self.assertNotIn(cautions()["H-07"], step_cautions(acrylic))
        self.assertIn(cautions()["H-02"], step_cautions(replace(acrylic, kind="spray")))
        self.assertIn(cautions()["H-31"], step_cautions(base("lamp-brass").steps[0]))
        self.assertIn(cautions()["H-28"], step_cautions(replace(base("brine-green").steps[0], kind="edge")))


class Pastes(TestCase):
    def test_a_paste_of_powder_takes_millilitres_and_dry_powder_next_to_nothing(self):
        powder = next(pot for pot in paints().values() if pot.kind == "powder")
        paste = Step("mud", "powder", Mix(((powder, 1.0),), "medium", 1.0))
        self.assertTrue(is_paste(paste.mix))
        self.assertFalse(is_paste(Mix(((powder, 1.0),))))
        wet, thin = (
            sum(millilitres(step, 2_000.0, 1).values()) for step in (paste, replace(paste, mix=Mix(((powder, 1.0),))))
        )
        self.assertGreater(wet, 2 * thin)
        self.assertGreater(portion(paste.mix, 2_000.0, 1).millilitres, 0.6)
