"""Lenses: as many values as painters give them, dark above and light below."""

from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.errors import OutOfRange
from mantello_core.mixing.lens import HUES, MANY, lens_advice, lens_recipe
from mantello_core.paints.range import paint, paints

POTS = tuple(paints().values())


class Advised(TestCase):
    def test_everyday_lenses_get_what_painters_give_them(self):
        for diameter, tier, count, values in (
            (0.4, "rank", 30, 2), (0.8, "rank", 30, 3), (1.3, "rank", 30, 4), (2.2, "rank", 4, 5), (0.8, "leader", 4, 4),
            (0.8, "rank", 200, 2), (0.8, "centrepiece", 200, 4), (0.3, "rank", 500, 2),
        ):  # fmt: skip
            self.assertEqual(lens_advice(diameter, tier, count).values, values, (diameter, tier, count))
        self.assertIn("many", lens_advice(1.3, "rank", MANY).reason)
        self.assertNotIn("many", lens_advice(1.3, "rank", MANY - 1).reason)

    @given(st.floats(0.05, 30), st.sampled_from(("rank", "leader", "centrepiece")), st.integers(1, 1000))
    def test_larger_or_higher_never_gets_fewer(self, diameter, tier, count):
        here = lens_advice(diameter, tier, count).values
        self.assertGreaterEqual(lens_advice(min(30.0, diameter * 1.5), tier, count).values, here)
        self.assertTrue(2 <= here <= 5)

    def test_sizes_and_values_that_cannot_be_are_refused(self):
        for call in (
            lambda: lens_advice(0.0, "rank", 1), lambda: lens_advice(31.0, "rank", 1), lambda: lens_recipe(HUES["red"], 1, POTS),
            lambda: lens_recipe(HUES["red"], 6, POTS), lambda: lens_recipe(HUES["red"], 3, (paint("tar-wash"),)),
        ):  # fmt: skip
            with self.assertRaises(OutOfRange):
                call()


class Painted(TestCase):
    def test_the_lower_half_is_lighter_than_the_upper_and_the_dot_lightest(self):
        for name, colour in HUES.items():
            steps = {step.kind: step.mix.film.masstone.lightness for step in lens_recipe(colour, 4, POTS).steps}
            self.assertLess(steps["base"], steps["layer"], name)
            self.assertLess(steps["layer"], steps["dot"], name)
            self.assertLessEqual(steps["layer"], steps["edge"] + 1, name)

    def test_each_value_is_a_step_and_two_are_a_colour_and_a_dot(self):
        kinds = [[step.kind for step in lens_recipe(HUES["green"], values, POTS).steps] for values in (2, 3, 4, 5)]
        self.assertEqual(kinds, [["base", "dot"], ["base", "layer", "dot"], ["base", "layer", "edge", "dot"], ["base", "line", "layer", "edge", "dot"]])  # fmt: skip
