"""A recipe on a role's own areas: what is all edge lights up, what is all seams darkens, and coats stay."""

from dataclasses import replace
from math import isclose
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.figures.catalogue import plate
from mantello_core.figures.extent import united
from mantello_core.figures.form import MOST, USUAL_FORM, Form, form_of, kinds_of, odds_of
from mantello_core.figures.sample import usual_sample
from mantello_core.figures.sampling import USUAL
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.film.zones import zones_of
from mantello_core.memory import size_of
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix, Recipe, Step

STEPS = st.integers(-MOST, MOST)
FORMS = st.builds(Form, STEPS, STEPS, STEPS, STEPS)
GROUND = Ground(paint("undercoat-slate"))
BASE = Step("base", "base", Mix(((paint("ferry-blue"), 1.0),), "water", 0.3))
EDGE = Step("edge", "edge", Mix(((paint("gull-white"), 1.0),), "water", 0.5))
WASH = Step("wash", "shade", Mix(((paint("tar-wash"), 1.0),)))


def on(areas: tuple[str, ...], figure: str) -> Form:
    return form_of(plate(figure).extent_of(areas))


class FormsTest(TestCase):
    def test_shipped_figures_together_are_the_usual_one(self):
        every = united(
            area.extent for name in USUAL for area in plate(name).areas.values() if not area.name.startswith("base.")
        )
        self.assertEqual(form_of(every), USUAL_FORM)

    def test_buttons_are_all_edge_and_a_coat_is_hardly_any(self):
        buttons, coat = on(("torso.coat.buttons",), "fusilier"), on(("torso.coat.body.left",), "fusilier")
        self.assertEqual(buttons.edge, MOST)
        self.assertLess(coat.edge, -2)
        self.assertGreater(coat.recess, 0)

    def test_measured_recesses_count_and_not_the_seams(self):
        coat = plate("fusilier").areas["torso.coat.body.left"].extent
        smooth = replace(coat, measured_mm2=coat.surface_mm2, recess_mm2=0.0, upward_mm2=coat.surface_mm2 * 0.054)
        self.assertEqual(form_of(smooth).recess, -MOST)
        self.assertEqual(form_of(smooth).upward, 0)

    def test_edges_lit_lighten_buttons_more_than_a_coat(self):
        recipe = Recipe((BASE, EDGE))
        buttons, coat, usual = (
            predicted(recipe, GROUND, form=form).apparent.lightness
            for form in (on(("torso.coat.buttons",), "fusilier"), on(("torso.coat.body.left",), "fusilier"), None)
        )
        self.assertGreater(buttons, usual + 3)
        self.assertLess(coat, usual)

    def test_a_wash_darkens_what_is_all_seams(self):
        recipe = Recipe((BASE, WASH))
        collar, flap = (
            predicted(recipe, GROUND, form=Form(recess=recess)).apparent.lightness for recess in (MOST, -MOST)
        )
        self.assertLess(collar, flap - 1)

    @given(FORMS)
    def test_coats_and_the_middling_colour_are_the_same_on_every_form(self, form):
        recipe = Recipe((BASE, WASH, EDGE))
        usual, found = predicted(recipe, GROUND), predicted(recipe, GROUND, form=form)
        self.assertEqual([one.coats for one in found.outcomes], [one.coats for one in usual.outcomes])
        self.assertEqual([one.beneath.colour for one in found.outcomes], [one.beneath.colour for one in usual.outcomes])

    def test_what_a_prediction_says_it_takes_is_what_it_takes(self):
        found = predicted(Recipe((BASE, WASH, EDGE)), GROUND)
        self.assertTrue(found.outcomes and found.tones and found.apparent)  # once all is told
        walked = size_of(list(vars(found).values()))
        self.assertTrue(0.7 < found.kept_bytes / walked < 1.4, (found.kept_bytes, walked))
        self.assertEqual(size_of(found), found.kept_bytes)

    @given(FORMS)
    def test_shares_are_a_whole_and_the_middling_point_takes_none(self, form):
        share = zones_of((BASE, WASH, EDGE), False).share_on(form)
        self.assertTrue(isclose(share.sum(), 1.0))
        self.assertEqual(share[0], 0.0)
        self.assertGreaterEqual(share.min(), 0.0)

    def test_the_usual_form_is_the_zones_own(self):
        zones = zones_of((BASE, WASH, EDGE), True)
        self.assertLess(abs(zones.kinds @ odds_of(USUAL_FORM) - zones.share).max(), 1e-9)
        self.assertIs(zones.share_on(USUAL_FORM), zones.share)

    def test_sharp_edges_are_edges(self):
        kinds = kinds_of(usual_sample())
        self.assertTrue((kinds[(kinds & 2) > 0] & 1 == 1).all())
        self.assertGreater(((kinds & 2) > 0).sum(), 10)


class BesideTest(TestCase):
    def test_the_share_of_an_outline_beside_a_neighbour_is_measured(self):
        fusilier = plate("fusilier")
        share = fusilier.share_beside(["torso.coat.turnback.left"], {"torso.coat.body.left"})
        self.assertTrue(0.1 < share < 0.9, share)
        self.assertEqual(fusilier.share_beside(["torso.coat.turnback.left"], {"head.face"}), 0.0)
        self.assertLessEqual(fusilier.share_beside(["torso.coat.turnback.left"], set(fusilier.areas)), 1.0)
