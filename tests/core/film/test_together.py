"""Many recipes followed at once leave what each leaves alone, whatever else is asked with them."""

from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from mantello_core.army.tree import TIERS
from mantello_core.film import prediction
from mantello_core.film.asked import Asked
from mantello_core.film.calibration import Calibration
from mantello_core.film.ground import Ground
from mantello_core.film.laying import followed
from mantello_core.film.prediction import predict_together, predicted, tell_apparent
from mantello_core.film.together import followed_together
from mantello_core.formats.sample import levy
from mantello_core.mixing.generating import generated
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.method import METHODS
from mantello_core.recipes.step import Mix, Recipe, Step

GROUNDS = (
    Ground(paint("undercoat-slate")),
    Ground(paint("undercoat-soot"), above=paint("undercoat-linen")),
    Ground(paint("undercoat-linen"), pot_coat=paint("salt-linen")),
)
LEARNED = (Calibration("brine-green", 0.6, 1.2), Calibration("salt-linen", 1.4, 0.8))
RECIPES = tuple(
    {role.recipe(tier): None for role in levy().scheme.roles for tier in TIERS if role.recipe(tier).steps}
    | {
        generated(Mix(((paint("brine-green"), 1.0),)), tuple(paints().values()), tier, method).recipe: None
        for method in METHODS
        for tier in TIERS
    }
)
#: a spray, an oil laid and wiped, and a glaze, on a base that a painter counted himself
SPRAYED = Recipe((
    Step("base", "base", Mix(((paint("gull-white"), 2.0),), "water", 1.0), 2),
    Step("mist", "spray", Mix(((paint("brine-green"), 1.0),), "thinner", 2.0), 3),
    Step("oil", "oil", Mix(((next(pot for pot in paints().values() if pot.kind == "oil"), 1.0),), "spirit", 3.0)),
    Step("glaze", "glaze", Mix(((paint("rose-glaze"), 1.0),), "medium", 4.0), 2),
))  # fmt: skip
#: metal mixed with colour, washed and dabbed, a drybrush of metal over colour, varnishes between
SHINING = Recipe((
    Step("base", "base", Mix(((paint("lamp-brass"), 2.0), (paint("madder-rope"), 1.0)), "water", 0.5)),
    Step("wash", "shade", Mix(((paint("tar-wash"), 1.0),))),
    Step("gloss", "varnish", Mix(((next(pot for pot in paints().values() if pot.finish == "gloss"), 1.0),))),
    Step("dabs", "drybrush", Mix(((paint("ferry-steel"), 1.0),)), 2),
    Step("glaze", "glaze", Mix(((paint("rose-glaze"), 1.0),), "medium", 4.0)),
    Step("matt", "varnish", Mix(((next(pot for pot in paints().values() if pot.finish == "matt"), 1.0),))),
))  # fmt: skip
PLAIN = [SPRAYED] + [recipe for recipe in RECIPES if Asked(recipe, GROUNDS[0]).plain]
EVERY = [SPRAYED, SHINING, *RECIPES]


class Together(TestCase):
    def assert_as_alone(self, one: Asked, found):
        laid = tuple(followed(one.recipe, (one.ground,), one.calibrations))
        self.assertEqual(found.coats, tuple(int(step.coats[0]) for step in laid))
        self.assertEqual([bool(cover) for cover in found.covers], [bool(step.covers) for step in laid])
        for cover, step in zip(found.covers, laid, strict=True):
            if cover:
                alone = step.covers[0]
                self.assertEqual((cover.coats, cover.allowed, cover.full), (alone.coats, alone.allowed, alone.full))
                np.testing.assert_allclose((cover.uneven, cover.apart), (alone.uneven, alone.apart), atol=1e-9)
        for at, step in enumerate(laid):
            np.testing.assert_allclose(found.surface.at(at).labs, step.before.at(0).labs, atol=1e-9)
            np.testing.assert_allclose(found.surface.at(at + 1).labs, step.after.at(0).labs, atol=1e-9)
            for name in ("matt", "haze"):
                np.testing.assert_allclose(
                    np.broadcast_to(getattr(found.surface.at(at + 1), name), found.zones.share.shape),
                    np.broadcast_to(getattr(step.after.at(0), name), found.zones.share.shape),
                    atol=1e-12,
                )

    def test_recipes_of_every_method_and_of_an_army_are_among_those_tried(self):
        effects = {step.technique.effect for recipe in PLAIN for step in recipe.steps}
        self.assertLessEqual({"coat", "wash", "stain", "oil", "mist", "dabs", "recess", "glaze"}, effects)
        self.assertGreater(len(PLAIN), 60)
        self.assertLess(len(PLAIN), len(RECIPES))

    def test_all_at_once_are_as_each_alone(self):
        asked = [Asked(recipe, GROUNDS[at % 3], LEARNED if at % 2 else ()) for at, recipe in enumerate(EVERY)]
        for one, found in zip(asked, followed_together(asked), strict=True):
            self.assert_as_alone(one, found)

    @given(st.lists(st.tuples(st.sampled_from(EVERY), st.sampled_from(GROUNDS)), min_size=1, max_size=5))
    @settings(max_examples=25, deadline=None)
    def test_what_else_is_asked_changes_nothing(self, some):
        asked = [Asked(*each) for each in some]
        for one, found in zip(asked, followed_together(asked), strict=True):
            (alone,) = followed_together([one])
            self.assertEqual(found.coats, alone.coats)
            for name in ("diffuse", "lobe", "veil", "matt", "haze"):
                np.testing.assert_allclose(getattr(found.surface, name), getattr(alone.surface, name), atol=1e-12)

    def test_a_recipe_without_steps_is_its_ground(self):
        found = followed_together([Asked(PLAIN[0], GROUNDS[0]), Asked(Recipe(), GROUNDS[1])])[1]
        self.assertEqual((found.coats, len(found.surface.diffuse)), ((), 1))

    def test_metal_and_varnish_are_not_plain(self):
        metal = next(recipe for recipe in RECIPES if recipe not in PLAIN)
        self.assertFalse(Asked(metal, GROUNDS[0]).plain)
        self.assertFalse(Asked(SHINING, GROUNDS[0]).plain)
        self.assertTrue(any(one.lobe.any() for one in [followed_together([Asked(SHINING, GROUNDS[0])])[0].surface]))

    def test_predictions_worked_out_together_are_the_ones_that_are_given(self):
        prediction._followed.memory.empty()
        prediction._told.memory.empty()
        some = [*PLAIN[:12], SHINING]
        alone = [predicted(recipe, GROUNDS[1], LEARNED, "matt") for recipe in some]
        prediction._followed.memory.empty()
        prediction._told.memory.empty()
        predict_together(((recipe, GROUNDS[1]) for recipe in (*RECIPES, SPRAYED, SHINING, Recipe())), LEARNED, "matt")
        misses = prediction._followed.memory.counts.misses
        tell_apparent(predicted(recipe, GROUNDS[1], LEARNED, "matt") for recipe in some)
        for recipe, was in zip(some, alone, strict=True):
            now = predicted(recipe, GROUNDS[1], LEARNED, "matt")
            np.testing.assert_array_equal(now.labs, was.labs)  # to the last bit, whatever else was asked
            self.assertIn("apparent", vars(now))
            self.assertEqual(now.apparent, was.apparent)
            self.assertEqual([one.coats for one in now.outcomes], [one.coats for one in was.outcomes])
            self.assertEqual([one.step for one in now.outcomes], [one.step for one in was.outcomes])
            for one in now.outcomes:
                self.assertIsNone(one.beneath.diffuse.base)  # nothing that was worked out with it is kept
        self.assertEqual(prediction._followed.memory.counts.misses, misses)
