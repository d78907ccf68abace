"""Pass cards, sprayed steps and freehand: what a painter would set, and how long it takes."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.figures.extent import Extent
from mantello_core.film.ground import Ground
from mantello_core.film.prediction import predicted
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.handwork import seconds_of
from mantello_core.recipes.pass_card import pass_card
from mantello_core.recipes.step import Mix, Recipe, Step, checked
from mantello_core.recipes.where import Where

WHITE = Mix(((paint("salt-linen"), 1.0),), "thinner", 1.5)
PANEL = Extent(300.0, 40.0, 30.0, 20.0, 30.0, 10.0, 4, 1, 8.0)


def sprayed(mix=WHITE, **where) -> Step:
    return checked(Step("spray", "spray", mix, 2, spot=Where("sprayed", **where) if where else None))


class PassCards(TestCase):
    def test_a_pass_over_the_panel_is_set_as_painters_set_it(self):
        card = pass_card(sprayed(angle=45.0))
        said = dict(card.rows)
        self.assertEqual(card.tool, "airbrush")
        self.assertIn("45 degrees", said["Angle"])
        self.assertIn("1.5 thinner to 1", said["Thinned"])
        self.assertEqual((said["Needle"], said["Distance"]), ("0.3 to 0.4 mm", "6 to 10 cm"))

    def test_fine_work_is_nearer_softer_and_finer_and_metal_wants_a_wider_needle(self):
        fine = dict(pass_card(sprayed(angle=90.0, spread=0.1)).rows)
        self.assertEqual((fine["Needle"], fine["Distance"]), ("0.2 mm", "2 to 4 cm"))
        self.assertIn("straight above", fine["Angle"])
        metal = next(pot for pot in paints().values() if pot.flake and not pot.sprayed)
        self.assertEqual(dict(pass_card(sprayed(Mix(((metal, 1.0),)), angle=5.0)).rows)["Needle"], "0.4 to 0.5 mm")

    def test_a_brushed_step_has_none_and_a_can_has_its_distance_alone(self):
        self.assertIsNone(pass_card(Step("base", "base", WHITE)))
        can = pass_card(Step("base", "base", Mix(((paint("undercoat-soot"), 1.0),))))
        self.assertEqual(can.tool, "can")
        self.assertEqual(dict(can.rows)["Distance"], "20 to 30 cm")
        self.assertNotIn("Needle", dict(can.rows))

    def test_mist_covers_what_faces_it_and_two_more_cover_more(self):
        ground = Ground(paint("undercoat-soot"))
        one, three = (predicted(Recipe((replace(sprayed(angle=60.0), coats=coats),)), ground).tones for coats in (1, 3))
        self.assertGreater(three["edge"].lightness, one["edge"].lightness + 10)
        self.assertLess(three.recess.lightness, three["edge"].lightness - 15)

    def test_a_panel_is_sprayed_sooner_than_brushed(self):
        spray, brush = (seconds_of(one, PANEL, 1) for one in (sprayed(angle=45.0), Step("base", "base", WHITE)))
        self.assertLess(spray, brush / 2)

    def test_stripes_take_as_long_as_they_are_and_scratches_as_many_as_they_are(self):
        def taken(**where) -> float:
            return seconds_of(Step("freehand", "freehand", WHITE, spot=Where(**where)), PANEL, 1)

        few, many = (taken(place="stripes", count=count) for count in (2.0, 8.0))
        self.assertAlmostEqual((many - 6.0) / (few - 6.0), 4.0, delta=0.3)
        self.assertTrue(3 * 60 < many < 15 * 60, many)  # 24 cm of stripes on a banner: some minutes
        few, many = (taken(place="scratches", count=count) for count in (5.0, 20.0))
        self.assertAlmostEqual(many - 6.0, 4 * (few - 6.0), delta=1.0)
        self.assertGreater(taken(place="border"), 60.0)
