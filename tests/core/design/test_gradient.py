"""Gradients: the darkest widest, each over half of the one before, in place of the lights there were."""

from dataclasses import replace
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from mantello_core.design.gradient import GRADIENTS, MOST_STEPS, with_gradient
from mantello_core.design.worked_out import ROUTED, with_route
from mantello_core.errors import Contradiction, OutOfRange, UnknownName
from mantello_core.mixing.route import parts_route
from mantello_core.paints.range import paint
from mantello_core.recipes.step import Mix
from mantello_core.scheme.scheme import Role
from tests.samples import small_design

FIRE = parts_route(Mix(((paint("signal-pennant"), 1.0),)), paint("lantern-yellow"), 3)


class Gradient(TestCase):
    def steps(self, design, role="field"):
        return design.scheme.role(role).recipe().steps

    def test_shares_halve_from_the_darkest_to_the_lightest(self):
        design = with_gradient(small_design(), "field", "rank", FIRE, "lower")
        base, *lights = self.steps(design)
        self.assertEqual(base.kind, "base")
        self.assertEqual([one.spot.share for one in lights], [0.5, 0.25, 0.125])
        self.assertEqual({one.spot.place for one in lights}, {"lower"})
        seen = [one.mix.film.masstone.lightness for one in lights]
        self.assertEqual(seen, sorted(seen))
        self.assertEqual([one.mix.paints for one in lights], [one.paints for one in FIRE.mixes])

    def test_it_takes_the_place_of_the_lights_and_leaves_the_rest(self):
        lit = with_route(small_design(), "field", "rank", FIRE)
        self.assertGreater(len(self.steps(lit)), 1)
        after = self.steps(with_gradient(lit, "field", "rank", FIRE, "middle"))
        self.assertEqual(
            [step.id for step in after if step.kind not in ROUTED],
            [step.id for step in self.steps(lit) if step.kind not in ROUTED],
        )
        self.assertEqual(sum(step.kind in ROUTED for step in after), 3)
        again = with_gradient(with_gradient(lit, "field", "rank", FIRE, "middle"), "field", "rank", FIRE, "middle")
        self.assertEqual(self.steps(again), after)

    @given(st.integers(1, MOST_STEPS), st.sampled_from(list(GRADIENTS)))
    def test_whatever_its_length_it_looks_lighter_and_lighter(self, steps, place):
        along = parts_route(Mix(((paint("signal-pennant"), 1.0),)), paint("lantern-yellow"), steps)
        design = with_gradient(small_design(), "field", "rank", along, place)
        outcomes = design.scheme.predicted(design.scheme.role("field").recipe()).outcomes[1:]
        self.assertEqual(len(outcomes), steps)
        seen = [one.after.lightness for one in outcomes]
        self.assertEqual(seen, sorted(seen))

    def test_refusals(self):
        long = parts_route(Mix(((paint("signal-pennant"), 1.0),)), paint("lantern-yellow"), MOST_STEPS + 1)
        for role, along, place, kind in (
            ("field", FIRE, "sideways", UnknownName), ("nothing", FIRE, "lower", UnknownName), ("field", long, "lower", OutOfRange),
        ):  # fmt: skip
            with self.assertRaises(kind):
                with_gradient(small_design(), role, "rank", along, place)
        design = small_design()
        bare = replace(design, scheme=design.scheme.with_role(Role("bare", "Bare")))
        with self.assertRaises(Contradiction):
            with_gradient(bare, "bare", "rank", FIRE, "lower")
