"""Parts of a dress that nobody would see, painted with what they lie on."""

from dataclasses import replace
from unittest import TestCase

from mantello_core.design.dressing import without_dress
from mantello_core.design.leaving_out import unseen_parts, with_left_out
from mantello_core.errors import Contradiction, UnknownName
from mantello_core.formats.document.design import design_bytes, read_design_bytes
from mantello_core.formats.sample import demo_levy, dressed
from mantello_core.scheme.cascade import resolve


class LeavingOut(TestCase):
    @classmethod
    def setUpClass(cls):
        cls.design = dressed(demo_levy())
        cls.dress = cls.design.scheme.dress

    def worn(self, design, area: str) -> str:
        one = resolve(design.army, design.scheme).of_rank("1st-harbour-line", "fusilier")[0]
        return one.cells[area].role

    def test_at_six_millimetres_buttons_are_gone_and_facings_never_are(self):
        small = {one.garment: one.on for one in unseen_parts(self.dress, 6, 1)}
        self.assertEqual(small["buttons"], "coat")
        self.assertNotIn("facing", small)
        self.assertEqual(unseen_parts(self.dress, 28, 0.6), ())

    def test_left_out_they_wear_the_coats_colour_also_where_the_field_wore_it(self):
        coat = self.worn(self.design, "torso.coat.body.left")
        self.assertNotEqual(self.worn(self.design, "torso.coat.buttons"), coat)
        out = with_left_out(self.design, ("buttons",))
        self.assertEqual(self.worn(out, "torso.coat.buttons"), coat)
        self.assertEqual(self.worn(out, "torso.coat.turnback.left"), self.worn(self.design, "torso.coat.turnback.left"))
        again = with_left_out(out, ("buttons",), out=False)
        self.assertEqual(again, self.design)
        self.assertEqual(read_design_bytes(design_bytes(out)), out)

    def test_what_stands_for_itself_and_an_army_without_a_dress_are_refused(self):
        with self.assertRaises(UnknownName) as refused:
            with_left_out(self.design, ("belts",))
        self.assertEqual(refused.exception.where, "dress/left_out/0")
        with self.assertRaises(Contradiction):
            with_left_out(without_dress(self.design), ("buttons",))

    def test_without_its_ground_a_part_keeps_its_own_colour(self):
        facts = tuple(one for one in self.dress.almanac.facts if one.garment != "coat")
        bare = replace(self.dress, almanac=replace(self.dress.almanac, facts=facts), left_out=("buttons",))
        design = replace(self.design, scheme=replace(self.design.scheme, dress=bare))
        self.assertEqual(self.worn(design, "torso.coat.buttons"), self.worn(self.design, "torso.coat.buttons"))
