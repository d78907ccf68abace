"""Routes and shades, worked out for many paints at once, beside the same one by one."""

import itertools
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.colour.difference import difference
from mantello_core.errors import OutOfRange
from mantello_core.film.surface import solid, washed
from mantello_core.mixing.choosing import shade_choices
from mantello_core.mixing.route import RISE, route
from mantello_core.paints.range import paint, paints
from mantello_core.recipes.step import Mix

POTS = tuple(paints().values())
COLOURS = sorted((pot for pot in POTS if pot.kind == "acrylic"), key=lambda pot: (pot.swatch.lightness, pot.id))
DARK, LIGHT = COLOURS[: len(COLOURS) // 2], COLOURS[len(COLOURS) // 2 :]
PARTS = st.integers(1, 6).map(float)
MIXES = st.lists(st.tuples(st.sampled_from(DARK), PARTS), min_size=1, max_size=2, unique_by=lambda one: one[0].id).map(
    lambda parts: Mix(tuple(parts))
)


def strayed(colours) -> float:
    """How far the steps of a ladder are from being alike."""
    steps = [difference(one, two) for one, two in itertools.pairwise(colours)]
    return sum((step - sum(steps) / len(steps)) ** 2 for step in steps)


def in_drops(base: Mix, light) -> list:
    """The colours that whole drops of two pots give, up to ten together, from the first alone on; each mixed by itself."""
    pot = base.paints[0]
    drops = {(own / other): (own, other) for own in range(9, 0, -1) for other in range(1, 11 - own)}
    mixes = [Mix(((pot, float(own)), (light, float(other)))) for _, (own, other) in sorted(drops.items(), reverse=True)]
    return [solid(mix.film).colour for mix in (base, *mixes)]


class Routes(TestCase):
    @given(MIXES, st.sampled_from(LIGHT), st.integers(1, 5))
    def test_every_step_is_the_colour_of_its_mix_and_lies_between_its_neighbours(self, base, light, steps):
        found = route(base, light, steps)
        if found is None:
            return
        self.assertEqual((len(found.mixes), len(found.colours)), (steps, steps + 1))
        for mix, colour in zip((base, *found.mixes), found.colours, strict=True):
            self.assertLess(difference(solid(mix.film).colour, colour), 1e-6)
        shares = [mix.parts[-1][1] / sum(parts for _, parts in mix.parts) for mix in found.mixes]
        self.assertEqual(shares, sorted(set(shares)))

    @given(st.sampled_from(DARK), st.sampled_from(LIGHT))
    def test_no_two_steps_in_whole_drops_to_the_same_end_are_as_near_to_what_was_wanted(self, pot, light):
        base = Mix(((pot, 1.0),))
        found, colours = route(base, light, 2), in_drops(base, light)
        gained = [colour.lightness - colours[0].lightness for colour in colours]
        end = min(range(len(colours)), key=lambda at: abs(gained[at] - RISE))
        if end < 2 or gained[end] < RISE / 2:
            self.assertIsNone(found)
            return
        way = sum(difference(one, two) for one, two in itertools.pairwise(colours[: end + 1]))

        def cost(middle):
            return sum((difference(*pair) - way / 2) ** 2 for pair in ((colours[0], middle), (middle, colours[end])))

        self.assertAlmostEqual(cost(found.colours[1]), min(cost(one) for one in colours[1:end]), places=6)

    def test_a_common_ladder_is_even(self):
        found = route(Mix(((paint("brine-green"), 1.0),)), paint("salt-linen"))
        self.assertEqual(len(found.mixes), 4)
        self.assertLess(strayed(found.colours), 4)
        self.assertTrue(15 < found.gain < 35, found.gain)

    def test_steps_and_rises_that_no_ladder_has_are_refused(self):
        base, light = Mix(((paint("brine-green"), 1.0),)), paint("salt-linen")
        for given_, said in (
            ((0, 25.0), "1 to 8"),
            ((9, 25.0), "1 to 8"),
            ((4, 4.9), "5 to 60"),
            ((4, 61.0), "5 to 60"),
        ):
            with self.assertRaisesRegex(OutOfRange, said):
                route(base, light, *given_)


class Shades(TestCase):
    @given(MIXES)
    def test_every_shade_leaves_what_its_wash_alone_leaves_in_recesses(self, base):
        for one in shade_choices(base, POTS):
            alone = washed(solid(base.film), one.mix.film, one.mix.dilution, recess=True).colour
            self.assertLess(difference(one.recess, alone), 1e-6)

    def test_without_a_wash_there_is_no_shade(self):
        self.assertEqual(shade_choices(Mix(((paint("salt-linen"), 1.0),)), tuple(COLOURS)), ())
