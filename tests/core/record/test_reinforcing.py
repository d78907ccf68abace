"""What was really used, and what stands in for what is gone."""

from datetime import datetime, timedelta
from unittest import TestCase

from mantello_core.paints.catalogue import SHIPPED
from mantello_core.paints.range import paint, paints
from mantello_core.paints.stock import Stock
from mantello_core.recipes.step import Mix
from mantello_core.record.reinforcing import Logged, as_painted

START = datetime(2025, 3, 1, 19)
MADDER = Mix(((paint("madder-rope"), 1.0),))


def logged(
    step="s1", mix="Madder Rope 1", paints_=(("madder-rope", "Madder Rope", 1.0),), ordinals=(1, 2, 3), days=0, note=""
):
    return Logged("coat", step, f"Coat {step}", mix, paints_, 2, ordinals, START + timedelta(days=days), 1, note)


def painted(entries, ordinals=(1, 2, 3), shelf=None, usable=(), mix=MADDER):
    return as_painted(entries, ordinals, shelf or {}, SHIPPED, usable, lambda role, step, version: mix)


class AsPainted(TestCase):
    def test_steps_come_in_the_order_they_were_painted(self):
        steps = painted([logged("s2", days=2), logged("s1", days=1), logged("s9", ordinals=(7,))])
        self.assertEqual([one.step for one in steps], ["s1", "s2"])

    def test_what_most_had_is_the_recipe_and_the_rest_is_told(self):
        (step,) = painted(
            [logged(), logged(mix="Madder Rope 2, Pitch Barrel 1", ordinals=(3,), days=5, note="ran out")]
        )
        self.assertEqual((step.mix, step.figures, step.of), ("Madder Rope 1", 2, 3))
        self.assertEqual((step.otherwise, step.notes), (("Madder Rope 2, Pitch Barrel 1: 1",), ("ran out",)))

    def test_a_repainted_figure_counts_by_its_last_coat(self):
        (step,) = painted([logged(ordinals=(1,)), logged(mix="Brine Green 1", ordinals=(1,), days=9)], (1,))
        self.assertEqual((step.mix, step.figures, step.otherwise), ("Brine Green 1", 1, ()))

    def test_a_paint_is_gone_if_no_range_has_it_or_it_is_no_longer_made_and_none_is_left(self):
        for paints_, shelf, gone in (
            ((("old-red", "Old Red", 1.0),), {}, ("Old Red",)),
            ((("madder-rope", "Madder Rope", 1.0),), {"madder-rope": Stock(0, None, "", True)}, ("Madder Rope",)),
            ((("madder-rope", "Madder Rope", 1.0),), {"madder-rope": Stock(0.3, None, "", True)}, ()),
            ((("madder-rope", "Madder Rope", 1.0),), {}, ()),
        ):  # fmt: skip
            (step,) = painted([logged(paints_=paints_)], shelf=shelf)
            self.assertEqual(step.gone, gone)
        self.assertEqual(step.to_buy, ("Madder Rope",))

    def test_the_nearest_mix_stands_in_and_tells_how_far_it_is_off(self):
        shelf = {"madder-rope": Stock(0, None, "", True)}
        others = [pot for pot in paints().values() if pot.id != "madder-rope"]
        (step,) = painted([logged()], shelf=shelf, usable=others)
        self.assertLess(step.substitute.apart, 4)
        self.assertNotIn("madder-rope", [pot.id for pot in step.substitute.match.mix.paints])
        few = [pot for pot in others if pot.id == "brine-green"]
        (step,) = painted([logged()], shelf=shelf, usable=few)
        self.assertGreater(step.substitute.apart, 20)
        self.assertIn("seen across the table", step.substitute.verdict)

    def test_an_unknown_look_and_an_empty_shelf_have_no_stand_in(self):
        shelf = {"madder-rope": Stock(0, None, "", True)}
        self.assertIsNone(painted([logged()], shelf=shelf, usable=list(paints().values()), mix=None)[0].substitute)
        self.assertIsNone(painted([logged()], shelf=shelf)[0].substitute)
