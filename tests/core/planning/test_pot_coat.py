"""A coat of the pot over its can: proposed where it would be missed, and nowhere else."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.edit import with_scheme, with_undercoat
from mantello_core.mixing.starting import started
from mantello_core.paints.range import paint, paints
from mantello_core.planning.pot_coat import pot_coat_advice
from mantello_core.scheme.cascade import resolve
from tests.samples import rule, small_design


class PotCoats(TestCase):
    def setUp(self):
        self.design = small_design(rule("a", "army", "", "field"))

    def asked(self, design, can: str = "can-brine-green", pot: str = "", touch_up: bool = False):
        on = with_undercoat(design, paint(can), None, paint(pot) if pot else None)
        scheme = replace(on.scheme, finishing=replace(on.scheme.finishing, touch_up=touch_up))
        on = with_scheme(on, scheme)
        return pot_coat_advice(on, resolve(on.army, on.scheme))

    def test_touch_ups_ask_for_it_with_the_difference(self):
        found = self.asked(self.design, touch_up=True)
        self.assertEqual(found.pot.id, "brine-green")
        self.assertAlmostEqual(found.apart, 2.0, delta=0.1)
        self.assertIn("2.0 off the can", found.reasons[0])

    def test_nothing_that_would_be_seen_asks_for_nothing(self):
        self.assertIsNone(self.asked(self.design))
        self.assertIsNone(self.asked(self.design, can="undercoat-soot", touch_up=True))
        self.assertIsNone(self.asked(self.design, pot="brine-green", touch_up=True))

    def test_what_is_left_in_the_cans_colour_asks_for_it(self):
        bare = small_design(rule("a", "army", "", "field"), rule("b", "army", "torso.coat", ""))
        self.assertIn("keep the can's colour", " ".join(self.asked(bare).reasons))

    def test_a_stain_asks_for_it(self):
        stain = next(pot for pot in paints().values() if pot.kind == "stain")
        role = replace(self.design.scheme.role("field"), recipes=(("rank", started(stain)),))
        stained = with_scheme(self.design, self.design.scheme.with_role(role))
        self.assertIn("grip a brushed coat", " ".join(self.asked(stained).reasons))
